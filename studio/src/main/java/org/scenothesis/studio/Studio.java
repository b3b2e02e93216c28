package org.scenothesis.studio;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.geometry.Rectangle2D;
import javafx.scene.Group;
import javafx.scene.Scene;
import javafx.stage.Screen;
import javafx.stage.Stage;
import org.jspecify.annotations.Nullable;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.studio.board.BoardBench;
import org.scenothesis.studio.breakdown.BreakDownBench;
import org.scenothesis.studio.handover.HandOverBench;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.House;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.house.Worker;
import org.scenothesis.studio.key.KeyBench;
import org.scenothesis.studio.layer.LayerBench;
import org.scenothesis.studio.match.MatchBench;
import org.scenothesis.studio.shoot.ShootBench;
import org.scenothesis.studio.theme.Theme;

/// The application with a window; started by [Launcher].
public final class Studio extends Application {
    private @Nullable Session open;
    private @Nullable House house;
    private boolean begun;

    /// Builds the house for a session, all benches in it.
    public static House house(Session session) {
        House house = new House(session);
        house.add(new BoardBench(session, house.shelf()));
        house.add(new BreakDownBench(session));
        house.add(new ShootBench(session));
        house.add(new MatchBench(session));
        house.add(new KeyBench(session));
        house.add(new LayerBench(session));
        house.add(new HandOverBench(session));
        return house;
    }

    @Override
    public void start(Stage stage) {
        Wish wish = Launcher.wish();
        Session session;
        try {
            session = new Session(ProductionFolder.open(wish.folder()), new Worker(Platform::runLater));
        } catch (StoreException e) {
            Launcher.fail(e.getMessage());
            return;
        }
        open = session;
        House built = house(session);
        house = built;
        // A picture of the window is as large as asked for; a window no larger than the screen.
        Rectangle2D room = Screen.getPrimary().getVisualBounds();
        boolean pictured = wish.snapshot() != null;
        if (pictured) {
            built.setMinSize(wish.width(), wish.height());
            built.setMaxSize(wish.width(), wish.height());
            // Within a scene smaller than itself it is no root, and yet looks like one.
            built.getStyleClass().add("root");
        }
        Scene scene = new Scene(pictured ? new Group(built) : built, Math.min(wish.width(), room.getWidth()), Math.min(wish.height(), room.getHeight()));
        Theme.dress(scene);
        stage.setTitle("Scenothesis \u00b7 " + session.store().now().title());
        stage.setMinWidth(1000);
        stage.setMinHeight(640);
        stage.setScene(scene);
        stage.focusedProperty().addListener((o, was, is) -> {
            // Files may have come or gone while another program was used.
            if (is && open != null && begun) {
                session.measure();
            }
        });
        if (wish.bench() != null) {
            session.bench().set(bench(wish.bench()));
        }
        if (wish.page() != null) {
            built.turn(wish.page());
        }
        stage.show();
        // After the window is there: measuring takes every core.
        Platform.runLater(() -> Platform.runLater(() -> {
            begun = true;
            session.begin();
        }));
        if (wish.snapshot() != null) {
            Snapshot.whenReady(session, built, wish, () -> {
                close();
                Platform.exit();
            });
        }
    }

    static BenchName bench(String word) {
        String plain = word.toUpperCase(Locale.ROOT).replace(' ', '_').replace('-', '_');
        for (BenchName b : BenchName.values()) {
            if (b.name().equals(plain) || b.name().replace("_", "").equals(plain)) {
                return b;
            }
        }
        throw new IllegalArgumentException("there is no bench " + word + "; choose one of " + List.of(BenchName.values()));
    }

    @Override
    public void stop() throws IOException {
        close();
    }

    private void close() {
        if (open != null) {
            open.close();
            open = null;
            if (house != null) {
                house.closeBenches();
            }
        }
    }

    /// What was asked for on the command line; null where nothing was.
    record Wish(
            Path folder, @Nullable String bench, @Nullable Path snapshot,
            @Nullable String plate, double seconds, @Nullable String shot, boolean unfold,
            @Nullable String page, int width, int height) {
        static boolean isProduction(Path p) {
            return Files.isRegularFile(p.resolve(ProductionFolder.FILE)) || p.getFileName() != null && p.getFileName().toString().equals(ProductionFolder.FILE);
        }
    }
}
