package org.scenothesis.studio.match;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.optics.LensBend;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.shot.step.LensMatch;
import org.scenothesis.core.stage.Evidence;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.studio.OpenHouse;
import org.scenothesis.studio.house.Session;
import org.scenothesis.testkit.RuledRoom;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;

/// An element was filmed in the same room with a lens that bends: its edges say so, and its layers are brought to the clean plate's lens.
@ExtendWith(ApplicationExtension.class)
class LensBenchTest {
    private static final double K1 = -0.12;

    @TempDir
    static Path temp;

    private OpenHouse house;
    private Session session;
    private Scene scene;

    private static Point share(Vec v, double k1) {
        Point p = RuledRoom.px(v).minus(RuledRoom.POSE.principal()).times(1 / RuledRoom.POSE.focalPx());
        Point d = RuledRoom.POSE.principal().plus(new LensBend(k1).bent(p).times(RuledRoom.POSE.focalPx()));
        return new Point(d.x() / RuledRoom.WIDTH, d.y() / RuledRoom.HEIGHT);
    }

    private static List<Evidence> edges(double k1) {
        List<Evidence> out = new ArrayList<>();
        for (double a = 0; a <= 2.1; a += 0.5) {
            out.add(new Evidence.Edge(Evidence.Runs.ACROSS, share(new Vec(0, a, 5.4), k1), share(new Vec(3.2, a, 5.4), k1)));
            out.add(new Evidence.Edge(Evidence.Runs.UP, share(new Vec(a + 0.4, 0.2, 5.4), k1), share(new Vec(a + 0.4, 2.2, 5.4), k1)));
            out.add(new Evidence.Edge(Evidence.Runs.AWAY, share(new Vec(a + 0.6, 0, 3), k1), share(new Vec(a + 0.6, 0, 5.4), k1)));
        }
        return out;
    }

    private static Plate plate(String id, PlateRole role, List<Evidence> marks) {
        return new Plate(id, id, role, Spike.T, "A", "", 0, List.of(new Take(id + "-1", "footage/room.png", true, ""))).withMarks(marks);
    }

    @Start
    void start(Stage stage) throws Exception {
        Path folder = Files.createTempDirectory(temp, "p");
        List<Plate> plates = List.of(plate("clean", PlateRole.CLEAN, edges(0)), plate("thing", PlateRole.PRACTICAL, edges(K1)));
        ProductionFolder.create(folder,
                new Production("Paper weather",
                List.of(new Shot("1", 1, "Room", "", 3, List.of(), List.of(), plates,
                List.of(Layer.of("base", "base", "clean"), Layer.of("over", "over", "thing")), null)), HouseRules.DEFAULT))
                .close();
        RuledRoom.write(Files.createDirectories(folder.resolve("footage")).resolve("room.png"));
        house = OpenHouse.begun(stage, folder);
        session = house.session();
        scene = house.scene();
    }

    @Stop
    void stop() {
        session.close();
    }

    private boolean offered() {
        return scene.lookup("#match-bend") != null && scene.lookup("#match-bend").isVisible();
    }

    @Test
    void anotherLensIsToldByItsEdgesAndItsLayersAreBentToThePlates(FxRobot robot) {
        robot.clickOn("#bench-match").clickOn("#match-page-camera").clickOn("#slip-clean");
        house.until("the clean plate is solved", () -> OpenHouse.words(scene.getRoot()).contains("Camera of clean")
                && OpenHouse.words(scene.getRoot()).contains("15 edges"));
        assertThat(offered()).as("of the clean plate itself there is nothing to bend").isFalse();
        robot.clickOn("#slip-thing");
        house.until("its lens bends", this::offered);
        house.until("it is said", () -> OpenHouse.words(scene.getRoot()).contains("\u22120.12") || OpenHouse.words(scene.getRoot())
                .contains("\u22120.11"));
        robot.interact(() -> ((Button) scene.lookup("#match-bend")).fire());
        house.until("bent", () -> session.shot().layer("over").orElseThrow().step(LensMatch.class).isPresent());
        LensMatch lens = session.shot().layer("over").orElseThrow().step(LensMatch.class).orElseThrow();
        assertThat(lens.own().k1()).isCloseTo(K1, within(0.01));
        assertThat(lens.plate().k1()).isZero();
        assertThat(session.shot().layer("base").orElseThrow().steps()).as("the plate itself stays").isEmpty();
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        house.until("one undo", () -> session.shot().layer("over").orElseThrow().steps().isEmpty());
    }
}
