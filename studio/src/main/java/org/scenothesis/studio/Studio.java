package org.scenothesis.studio;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.geometry.Rectangle2D;
import javafx.scene.Group;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.layout.Region;
import javafx.stage.Screen;
import javafx.stage.Stage;
import org.jspecify.annotations.Nullable;
import org.scenothesis.production.begin.NewProduction;
import org.scenothesis.production.demo.DemoFolder;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.RecentProductions;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.store.UserFolder;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.board.BoardBench;
import org.scenothesis.studio.breakdown.BreakDownBench;
import org.scenothesis.studio.first.FirstWindow;
import org.scenothesis.studio.first.Glimpses;
import org.scenothesis.studio.handover.HandOverBench;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.MainWindow;
import org.scenothesis.studio.house.Navigation;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.house.Ticker;
import org.scenothesis.studio.house.Worker;
import org.scenothesis.studio.key.KeyBench;
import org.scenothesis.studio.layer.LayerBench;
import org.scenothesis.studio.match.MatchBench;
import org.scenothesis.studio.shoot.ShootBench;
import org.scenothesis.studio.stage.StageBench;
import org.scenothesis.studio.theme.Theme;

/// The application with a window; started by [Launcher]. One production is open at a time, or none.
public final class Studio extends Application implements Navigation {
    private final Worker worker = new Worker(Platform::runLater);
    private @Nullable Stage stage;
    private volatile @Nullable Session open;
    private @Nullable MainWindow house;
    private @Nullable FirstWindow first;
    private boolean begun;

    /// Builds the house for a session, all benches in it.
    public static MainWindow house(Session session) {
        MainWindow house = new MainWindow(session);
        house.add(new BoardBench(session, house.shelf()));
        house.add(new BreakDownBench(session));
        house.add(new ShootBench(session));
        house.add(new MatchBench(session));
        house.add(new KeyBench(session));
        house.add(new StageBench(session));
        house.add(new LayerBench(session));
        house.add(new HandOverBench(session));
        return house;
    }

    @Override
    public void start(Stage window) {
        Wish wish = Launcher.wish();
        stage = window;
        // A picture of the window is as large as asked for; a window no larger than the screen.
        Rectangle2D room = Screen.getPrimary().getVisualBounds();
        Scene scene = new Scene(new Group(), Math.min(wish.width(), room.getWidth()), Math.min(wish.height(), room.getHeight()));
        Theme.dress(scene);
        window.setMinWidth(1000);
        window.setMinHeight(640);
        window.setScene(scene);
        window.focusedProperty().addListener((o, was, is) -> {
            // Files may have come or gone while another program was used.
            if (is && open != null && begun) {
                open.measure();
            }
        });
        if (wish.snapshot() != null) {
            pictured(wish, wish.snapshot());
            return;
        }
        window.setOnCloseRequest(e -> {
            if (open != null && house != null && !open.settled()) {
                e.consume();
                house.askUnsaved(this::end);
            }
        });
        // Ended by the system, too, nothing is lost.
        Runtime.getRuntime().addShutdownHook(new Thread(() -> {
            Session s = open;
            if (s != null) {
                s.store().end();
            }
        }));
        Path folder = wish.folder();
        if (folder == null) {
            first();
        } else if (Wish.isProduction(folder)) {
            open(folder);
        } else if (NewProduction.bare(folder)) {
            begin(new NewProduction(String.valueOf(folder.toAbsolutePath().normalize().getFileName()), null, null), folder, List.of());
        } else {
            first();
            firstWindow().propose(folder);
        }
        chosen(wish);
        window.show();
    }

    /// What the command line asks to be looked at first.
    private void chosen(Wish wish) {
        if (open != null && wish.bench() != null) {
            open.bench().set(wish.bench());
        }
        if (house != null && wish.page() != null) {
            house.turn(wish.page());
        }
        if (open != null && wish.bring() != null) {
            open.bringIn(List.of(wish.bring()));
        }
    }

    private void pictured(Wish wish, Path picture) {
        Path folder = wish.folder();
        if (folder == null || wish.practice()) {
            first();
            show(sized(firstWindow(), wish));
            window().show();
            Snapshot.whenIdle(worker, firstWindow(), picture, folder == null ? this::end : () -> pictured(wish, folder, picture));
            return;
        }
        pictured(wish, folder, picture);
    }

    private void pictured(Wish wish, Path folder, Path picture) {
        if (!Wish.isProduction(folder)) {
            first();
            firstWindow().propose(folder);
            show(sized(firstWindow(), wish));
            window().show();
            Snapshot.whenIdle(worker, firstWindow(), picture, this::end);
            return;
        }
        try {
            enter(folder);
        } catch (StoreException e) {
            Launcher.fail(e.getMessage());
            return;
        }
        MainWindow built = Objects.requireNonNull(house);
        show(sized(built, wish));
        chosen(wish);
        window().show();
        Snapshot.whenReady(Objects.requireNonNull(open), built, wish, picture, this::end);
    }

    /// Within a scene smaller than itself it is no root, and yet looks like one.
    private static Group sized(Region content, Wish wish) {
        content.setMinSize(wish.width(), wish.height());
        content.setMaxSize(wish.width(), wish.height());
        content.getStyleClass().add("root");
        return new Group(content);
    }

    private Stage window() {
        return Objects.requireNonNull(stage, Words.of("studio.the-window-is-not-there"));
    }

    private FirstWindow firstWindow() {
        FirstWindow there = first != null ? first : new FirstWindow(this, new Glimpses(worker), UserFolder.path());
        first = there;
        return there;
    }

    private void show(Parent content) {
        Parent was = window().getScene().getRoot();
        if (was != content) {
            window().getScene().setRoot(content);
        }
    }

    @Override
    public void first() {
        window().setTitle("Scenothesis");
        show(firstWindow());
        firstWindow().shown();
    }

    @Override
    public void back() {
        if (house != null && open != null) {
            window().setTitle("Scenothesis \u00b7 " + open.store().now().title());
            show(house);
        }
    }

    @Override
    public void open(Path folder) {
        try {
            enter(folder);
            back();
        } catch (StoreException e) {
            first();
            firstWindow().say(String.valueOf(e.getMessage()));
        }
    }

    @Override
    public void begin(NewProduction what, Path folder, List<Path> footage) {
        try {
            what.in(folder).close();
            enter(folder);
            back();
            Session session = Objects.requireNonNull(open);
            session.bench().set(footage.isEmpty() ? BenchName.BREAK_DOWN : BenchName.SHOOT);
            if (!footage.isEmpty()) {
                session.bringIn(footage);
            }
        } catch (StoreException e) {
            first();
            firstWindow().say(String.valueOf(e.getMessage()));
        }
    }

    @Override
    public void example(boolean asItWas) {
        // It may be open itself.
        if (asItWas) {
            close();
        }
        worker.ask("example", ticket -> {
            Path own = DemoFolder.own();
            if (asItWas) {
                DemoFolder.putBack(own);
            } else {
                DemoFolder.lay(own);
            }
            return own;
        }, this::open, e -> {
            first();
            firstWindow().say(String.valueOf(e.getMessage()));
        });
    }

    /// Opens a production in place of the one that is open, which stays open where the other cannot be opened. The same one is closed
    /// first: it is one's own alone.
    private void enter(Path folder) throws StoreException {
        if (open != null && open.folder().isAt(folder)) {
            close();
        }
        ProductionFolder other = ProductionFolder.open(folder);
        close();
        Session session = new Session(other, new Worker(Platform::runLater));
        open = session;
        MainWindow built = house(session);
        built.doors(this);
        house = built;
        if (Launcher.wish().snapshot() == null) {
            RecentProductions.opened(session.folder().path(), Instant.now(), session.store().now().title());
        }
        Ticker.afterDrawing(() -> {
            if (open == session) {
                begun = true;
                session.begin();
            }
        });
    }

    private void end() {
        close();
        Platform.exit();
    }

    @Override
    public void stop() {
        close();
        worker.close();
    }

    private void close() {
        begun = false;
        if (open != null) {
            open.close();
            open = null;
        }
        if (house != null) {
            house.closeBenches();
            house = null;
        }
    }

    /// What was asked for on the command line; null where nothing was.
    ///
    /// - `practice`: the first window is drawn before the production is, so that a cache of classes knows both.
    record Wish(
            @Nullable Path folder, @Nullable BenchName bench, @Nullable Path snapshot,
            @Nullable String plate, double seconds, @Nullable String shot, boolean unfold,
            @Nullable String page, @Nullable Path bring, boolean practice, int width, int height) {
        static boolean isProduction(Path p) {
            return ProductionFolder.lies(p) || p.getFileName() != null && p.getFileName().toString().equals(ProductionFolder.FILE);
        }
    }
}
