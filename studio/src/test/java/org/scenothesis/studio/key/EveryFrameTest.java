package org.scenothesis.studio.key;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javafx.scene.shape.Rectangle;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.media.encode.VideoSink;
import org.scenothesis.production.measure.KeyReport;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.studio.OpenHouse;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;

/// A take that is clean wherever it is looked at by itself, and shows the cloth through its subject in one frame.
@ExtendWith(ApplicationExtension.class)
class EveryFrameTest {
    private static final int WIDTH = 192;
    private static final int HEIGHT = 108;
    private static final int FRAMES = 20;
    private static final int TORN = 9;

    private Path home;
    private OpenHouse house;
    private Session session;

    @Start
    void start(Stage stage) throws Exception {
        home = Files.createTempDirectory("every-frame");
        Path card = Files.createDirectories(home.resolve("card"));
        VideoSink.Plan plan = new VideoSink.Plan(WIDTH, HEIGHT, 25, VideoFormat.FFV1_MKV, FRAMES, null);
        try (VideoSink s = new VideoSink(card.resolve("paper.mkv"), plan)) {
            for (int i = 0; i < FRAMES; i++) {
                s.write(frame(i));
            }
        }
        house = OpenHouse.fresh(stage, home.resolve("p"), "Torn paper");
        session = house.session();
    }

    @Stop
    void stop() throws Exception {
        session.close();
        OpenHouse.clear(home);
    }

    /// A red card that moves across a green cloth; the cloth shines through its middle in one frame.
    private static Picture frame(int i) {
        Picture p = Picture.filled(WIDTH, HEIGHT, 0.05f, 0.35f, 0.07f);
        paint(p, 50 + 2 * i, 30, 50, 60, 0.4f, 0.05f, 0.05f);
        if (i == TORN) {
            paint(p, 65 + 2 * i, 50, 16, 16, 0.15f, 0.26f, 0.065f);
        }
        return p;
    }

    private static void paint(Picture p, int left, int top, int wide, int high, float r, float g, float b) {
        for (int y = top; y < top + high; y++) {
            for (int x = left; x < left + wide; x++) {
                p.r().data()[y * WIDTH + x] = r;
                p.g().data()[y * WIDTH + x] = g;
                p.b().data()[y * WIDTH + x] = b;
            }
        }
    }

    private KeyReport report() {
        Plate plate = session.plate().orElseThrow();
        return session.measured().get().key(session.shot(), plate).orElse(null);
    }

    private Verdict holes() {
        return session.judgement(session.plateId().get()).findings().stream().filter(f -> f.measure() == Measure.GREY_INSIDE).findFirst()
                .orElseThrow().verdict();
    }

    private static List<Rectangle> redone(FxRobot robot) {
        return robot.lookup(".strip .mark-redo").queryAllAs(Rectangle.class).stream().toList();
    }

    @Test
    void theFrameToMendIsFoundMarkedReachedAndKept(FxRobot robot) {
        robot.interact(() -> session.bringIn(List.of(home.resolve("card"))));
        house.until("looked at", () -> robot.lookup("#bring-plate-0").tryQuery().isPresent());
        robot.type(KeyCode.ENTER);
        house.until("brought in", () -> session.shot().plates().size() == 1);
        robot.interact(() -> session.bench().set(BenchName.KEY));
        house.until("keyed", () -> robot.lookup("#begin-key").tryQuery().isPresent());
        robot.clickOn("#begin-key");
        house.until("measured at some", () -> report() != null && session.worker().idle());
        assertThat(report().everyFrame()).isFalse();
        assertThat(holes()).as("none of the six is torn").isEqualTo(Verdict.HOLDS);
        assertThat(redone(robot)).isEmpty();

        robot.clickOn("#key-every");
        house.until("measured at all", () -> report().everyFrame() && session.worker().idle());
        assertThat(report().samples()).hasSize(FRAMES);
        assertThat(holes()).as(report().worst().toString()).isEqualTo(Verdict.REDO);
        assertThat(redone(robot)).hasSize(1);
        robot.press(KeyCode.SHIFT).type(KeyCode.N).release(KeyCode.SHIFT);
        assertThat(session.frame()).isEqualTo(TORN);
        assertThat(robot.lookup("#key-every").queryAs(Button.class).isDisabled()).as("nothing is left to measure").isTrue();

        // It is kept with the production, and is not of another key.
        assertThat(session.surveyor().survey(session.shot(), List.of(), Measured.NOTHING, Progress.NONE, m -> {})
                .key(session.shot(), session.plate().orElseThrow()).orElseThrow().everyFrame()).isTrue();
        robot.interact(() -> session.changeLayer("cut", session.shot().layers().getLast().id(),
                l -> l.with(new Key(l.key().withSolidAbove(0.7)))));
        robot.interact(() -> session.measure());
        house.until("measured anew", () -> session.worker().idle() && !report().everyFrame());
        assertThat(robot.lookup("#key-every").queryAs(Button.class).isDisabled()).isFalse();
    }
}
