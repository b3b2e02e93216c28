package org.scenothesis.studio.match;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.IntStream;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javafx.scene.shape.Rectangle;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.shot.step.Follow;
import org.scenothesis.core.shot.step.TrackSteady;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.studio.OpenHouse;
import org.scenothesis.studio.house.Session;
import org.scenothesis.testkit.WalkedRoom;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;

/// Takes of a room as backgrounds: one whose camera pans, one that goes round.
@ExtendWith(ApplicationExtension.class)
class BackgroundBenchTest {
    private static final int FRAMES = 18;

    @TempDir
    static Path temp;

    private OpenHouse house;
    private Session session;
    private Scene scene;

    private static CameraPose pose(Vec at, double pan) {
        return new CameraPose(at, pan, -10, 0, 420, 480, 270);
    }

    @Start
    void start(Stage stage) throws Exception {
        Path folder = Files.createTempDirectory(temp, "production");
        try (Bands bands = Bands.allCores()) {
            WalkedRoom room = new WalkedRoom(5, 6);
            room.write(folder.resolve("pan.mp4"), IntStream.range(0, FRAMES).mapToObj(i -> pose(new Vec(0, 1.5, 0), 0.4 * i)).toList(),
                    bands);
            room.write(folder.resolve("round.mp4"), IntStream.range(0, FRAMES).mapToObj(i -> pose(new Vec(0.05 * i, 1.5, 0), -0.6 * i))
                    .toList(), bands);
        }
        List<Plate> plates = List.of(
                new Plate("clean", "Street", PlateRole.CLEAN, Spike.T, "A", "", 0,
                List.of(new Take("t1", "pan.mp4", true, ""), new Take("t2", "round.mp4", false, ""))),
                new Plate("thing", "Lantern", PlateRole.ON_SCREEN, Spike.T, "A", "", 0, List.of()));
        Shot shot = new Shot("12", 12, "Lantern", "", 1, List.of(), List.of(), plates,
                List.of(Layer.of("base", "base", "clean"), Layer.of("element", "element", "thing")), null);
        ProductionFolder.create(folder, new Production("Lantern Works", List.of(shot), HouseRules.DEFAULT)).close();
        house = OpenHouse.begun(stage, folder);
        session = house.session();
        scene = house.scene();
    }

    @Stop
    void stop() {
        session.close();
    }

    private String words(String id) {
        return scene.lookup(id) == null ? "" : OpenHouse.words(scene.lookup(id));
    }

    private void press(FxRobot robot, String id) {
        robot.interact(() -> ((Button) scene.lookup(id)).fire());
    }

    @Test
    void takesAreRankedTheirMoveHandedToTheLayersAndTheirCameraSolved(FxRobot robot) {
        robot.clickOn("#bench-match").clickOn("#match-page-background");
        house.until("two candidates", () -> words("#backgrounds").contains("Street, take 2"));
        assertThat(words("#backgrounds")).contains("not measured").doesNotContain("Lantern");
        press(robot, "#backgrounds-measure");
        house.until("both measured", () -> scene.lookup("#solve-t2") != null && scene.lookup("#imitate-t1") != null);
        String all = words("#backgrounds");
        assertThat(all).contains("the camera pans", "the camera travels");
        assertThat(all.indexOf("take 1")).as("what can be taken back comes before what cannot").isLessThan(all.indexOf("take 2"));
        assertThat(scene.lookup("#imitate-t2")).as("no bend of the picture goes along with one that travels").isNull();

        Rectangle room = (Rectangle) scene.lookup("#room-t1");
        robot.interact(room::requestFocus);
        robot.press(KeyCode.SHIFT).type(KeyCode.RIGHT).release(KeyCode.SHIFT);
        house.until("the place went right, on every picture", () -> ((Rectangle) scene.lookup("#room-t2")).getX() > room.getX() - 1e-6
                && ((Rectangle) scene.lookup("#room-t2")).getX() > 0.4 * RoomSketch.WIDE);
        assertThat(scene.lookup("#room-t1").isFocused()).as("whoever walks by keys stays there").isTrue();
        assertThat(words("#backgrounds")).contains("of where the element goes moves by itself");

        press(robot, "#imitate-t1");
        house.until("goes along", () -> session.shot().layer("element").orElseThrow().step(Follow.class).isPresent());
        assertThat(session.shot().tracks()).singleElement().satisfies(t -> assertThat(t.spots()).hasSize(FRAMES));
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        house.until("one step back", () -> session.shot().tracks().isEmpty() && session.shot().layer("element").orElseThrow().steps()
                .isEmpty());
        press(robot, "#undo-t1");
        house.until("held", () -> session.shot().layer("base").orElseThrow().step(TrackSteady.class).isPresent());

        press(robot, "#solve-t2");
        house.until("solved", () -> words("#path-paper").contains("It travels"));
        assertThat(words("#path-paper")).contains("Street, take 2", FRAMES + " of " + FRAMES + " frames placed",
                "length of its path unknown", "mark a known length");
        assertThat(scene.lookup("#path-sketch").isVisible()).isTrue();
        assertThat(scene.lookup("#path-write").isDisabled()).isFalse();
    }
}
