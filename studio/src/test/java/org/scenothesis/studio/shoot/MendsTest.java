package org.scenothesis.studio.shoot;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.BooleanSupplier;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.match.Comparison;
import org.scenothesis.core.picture.ColourMatrix;
import org.scenothesis.core.shot.ColourInterpretation;
import org.scenothesis.core.shot.Take;
import org.scenothesis.demo.LanternWorks;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.studio.OpenHouse;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.watch.WatchModel;
import org.scenothesis.testkit.TinyShoot;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import org.testfx.util.WaitForAsyncUtils;

/// What goes wrong around a take and is put right from the window: a file that went, a reading that is not so, a production changed by
/// another hand.
@ExtendWith(ApplicationExtension.class)
class MendsTest {
    @TempDir
    static Path temp;

    private Path folder;
    private OpenHouse house;
    private Session session;
    private Scene scene;

    @Start
    void start(Stage stage) throws Exception {
        folder = Files.createTempDirectory(temp, "production");
        ProductionFolder.create(folder, LanternWorks.production()).close();
        TinyShoot.film(folder);
        house = OpenHouse.on(stage, folder);
        session = house.session();
        scene = house.scene();
        session.bench().set(BenchName.SHOOT);
        session.plateId().set("maker");
        session.begin();
    }

    @Stop
    void stop() {
        session.close();
    }

    private void until(String what, BooleanSupplier holds) {
        house.until(what, holds);
    }

    private Take maker() {
        return session.shot().plate("maker").orElseThrow().takes().getFirst();
    }

    private boolean locked() {
        return session.measured().get().lock(session.shot(), session.shot().plate("maker").orElseThrow(), maker()).isPresent();
    }

    private boolean missing() {
        return session.judgement("maker").findings().stream().anyMatch(f -> f.measure() == Measure.BROKEN && f.verdict() == Verdict.REDO);
    }

    @Test
    void aFileThatWentIsNamedAndFoundAgain() throws Exception {
        until("measured", () -> session.worker().idle() && locked());
        Path away = Files.createDirectories(temp.resolve("a card")).resolve("maker-1.mp4");
        Files.move(folder.resolve("footage/maker-1.mp4"), away);
        WaitForAsyncUtils.asyncFx(session::measure);
        until("named", this::missing);
        Finding f = session.judgement("maker").findings().stream().filter(q -> q.measure() == Measure.BROKEN).findFirst().orElseThrow();
        assertThat(BenchName.of(f)).isEqualTo(BenchName.SHOOT);
        until("offered", () -> scene.lookup("#find-maker-1") instanceof Button);
        // The dialog of folders is the system's own; what it gives goes this way.
        WaitForAsyncUtils.asyncFx(() -> new TakeLog(new WatchModel(session, Comparison.TAKE, true)).findAgain(maker(), away.getParent()));
        until("found", () -> !missing() && Files.exists(folder.resolve(maker().footage())));
        until("measured again", this::locked);
    }

    @Test
    void aTakeIsReadAsToldAndAsTheFileSaysAgain(FxRobot robot) {
        until("measured", () -> locked() && scene.lookup("#reading-maker-1") != null);
        robot.clickOn("#reading-maker-1");
        robot.clickOn("Matrix BT.601");
        until("told", () -> maker().reading().matrix() == ColourMatrix.BT601);
        until("said", () -> OpenHouse.words(scene.getRoot()).contains("as entered"));
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        until("as filed", () -> maker().reading().equals(ColourInterpretation.AS_FILED));
    }

    @Test
    void aProductionChangedByAnotherHandIsSettledByAClick(FxRobot robot) throws Exception {
        until("measured", () -> session.worker().idle());
        assertThat(scene.lookup("#take-theirs").isVisible()).isFalse();
        Path file = folder.resolve("production.json");
        Files.writeString(file, Files.readString(file).replaceFirst("\"title\" : \"[^\"]*\"", "\"title\" : \"From outside\""));
        robot.clickOn("#slip-clean");
        robot.clickOn("#circle-clean-1");
        until("asked", () -> scene.lookup("#take-theirs").isVisible());
        robot.clickOn("#take-theirs");
        until("theirs", () -> session.store().now().title().equals("From outside"));
        until("settled", () -> !scene.lookup("#take-theirs").isVisible());
        assertThat(Files.readString(file)).contains("From outside");
    }
}
