package org.scenothesis.studio;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.BooleanSupplier;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.stage.Stage;
import org.scenothesis.production.begin.NewProduction;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.house.Worker;
import org.scenothesis.studio.theme.Theme;
import org.testfx.util.WaitForAsyncUtils;

/// The house over a production, in a window, for tests that click and type.
public record OpenHouse(Session session, Scene scene) {
    /// Opens a production's house on `stage`; call it on the interface's thread.
    public static OpenHouse on(Stage stage, Path production) throws StoreException {
        Session session = new Session(ProductionFolder.open(production), new Worker(Platform::runLater));
        Scene scene = new Scene(Studio.house(session), 1280, 800);
        Theme.dress(scene);
        stage.setScene(scene);
        stage.show();
        return new OpenHouse(session, scene);
    }

    /// The same, and measuring has begun.
    public static OpenHouse begun(Stage stage, Path production) throws StoreException {
        OpenHouse house = on(stage, production);
        house.session().begin();
        return house;
    }

    /// The same over a production that is begun there, with nothing in it.
    public static OpenHouse fresh(Stage stage, Path production, String title) throws StoreException {
        new NewProduction(title, null, null).in(production).close();
        return begun(stage, production);
    }

    /// Removes a folder with all that is in it.
    public static void clear(Path folder) throws IOException {
        try (var files = Files.walk(folder)) {
            files.sorted(Comparator.reverseOrder()).forEach(p -> p.toFile().delete());
        }
    }

    /// Waits until something holds, asked on the interface's thread.
    public void until(String what, BooleanSupplier holds) {
        try {
            WaitForAsyncUtils.waitFor(60, TimeUnit.SECONDS, () -> WaitForAsyncUtils.asyncFx(holds::getAsBoolean).get());
        } catch (TimeoutException e) {
            throw new AssertionError("never: " + what + "; seen: " + words(scene.getRoot()), e);
        }
        WaitForAsyncUtils.waitForFxEvents();
    }

    /// All labels below a node, a line each.
    public static String words(Node n) {
        StringBuilder s = new StringBuilder();
        n.lookupAll(".label").forEach(l -> s.append(((Label) l).getText()).append('\n'));
        return s.toString();
    }
}
