package org.scenothesis.studio.breakdown;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BooleanSupplier;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.illusion.ReadyMadeShots;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.studio.OpenHouse;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.util.WaitForAsyncUtils;

/// Break down in a window on a production of three shots, and the ways tests look at it.
@ExtendWith(ApplicationExtension.class)
abstract class BreakDownHouse {
    @TempDir
    static Path temp;

    OpenHouse house;
    Session session;
    Scene scene;

    private static Shot told(String id, String... illusions) {
        Shot s = new Shot(id, Integer.parseInt(id), "Shot " + id, "", 6, List.of(), List.of(), List.of(), List.of(), null);
        for (String name : illusions) {
            s = ReadyMadeShots.shipped().all().stream().filter(i -> i.id().equals(name)).findFirst().orElseThrow().into(s);
        }
        return s;
    }

    /// Opens the bench; the toolkit calls only what the test itself declares.
    void open(Stage stage) throws Exception {
        System.setProperty("scenothesis.illusions", temp.resolve("own").toString());
        System.setProperty("scenothesis.kit", temp.resolve("kit.json").toString());
        Path folder = Files.createTempDirectory(temp, "production");
        List<Shot> shots = new ArrayList<>(List.of(told("1", "lantern-lifts"), told("2"),
                told("3", "giant-in-the-yard", "maker-on-the-roofs")));
        ProductionFolder.create(folder, new Production("Lantern Works", shots, HouseRules.DEFAULT)).close();
        house = OpenHouse.on(stage, folder);
        session = house.session();
        scene = house.scene();
        session.bench().set(BenchName.BREAK_DOWN);
    }

    void close() {
        session.close();
    }

    void until(String what, BooleanSupplier holds) {
        house.until(what, holds);
    }

    String words() {
        return OpenHouse.words(scene.getRoot());
    }

    boolean there(String id) {
        return scene.lookup(id) != null;
    }

    /// Scrolls whatever holds a node until it is in view, then clicks it.
    void click(FxRobot robot, String id) {
        until(id, () -> there(id));
        robot.interact(() -> {
            Node n = scene.lookup(id);
            for (Node p = n.getParent(); p != null; p = p.getParent()) {
                if (p instanceof ScrollPane pane) {
                    double high = pane.getContent().getBoundsInLocal().getHeight() - pane.getViewportBounds().getHeight();
                    double y = pane.getContent().sceneToLocal(n.localToScene(n.getBoundsInLocal())).getMinY();
                    pane.setVvalue(high <= 0 ? 0 : Math.clamp((y - 60) / high, 0, 1));
                }
            }
        });
        WaitForAsyncUtils.waitForFxEvents();
        robot.clickOn(id);
        WaitForAsyncUtils.waitForFxEvents();
    }

    /// Puts other words into a field.
    void retype(FxRobot robot, String id, String text) {
        click(robot, id);
        robot.press(KeyCode.CONTROL).type(KeyCode.A).release(KeyCode.CONTROL).write(text);
    }

    void undo(FxRobot robot) {
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
    }

    void press(FxRobot robot, KeyCode... keys) {
        for (KeyCode k : keys) {
            robot.type(k);
            WaitForAsyncUtils.waitForFxEvents();
        }
    }
}
