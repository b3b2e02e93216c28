package org.scenothesis.studio.house;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.beans.value.ChangeListener;
import javafx.event.EventHandler;
import javafx.scene.Node;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.StackPane;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Beat;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Sound;
import org.scenothesis.core.shot.SoundSource;
import org.scenothesis.core.shot.Take;
import org.scenothesis.production.render.ShotSound;
import org.scenothesis.production.store.RecentProductions;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Focus;
import org.scenothesis.studio.parts.ToggleArrows;

/// The window's content: bench line above, shelf at the left, the bench, findings line below; and the keys of the house.
public final class MainWindow extends StackPane {
    private static final String SOUND = "sound";
    private final Session session;
    private final BorderPane frame = new BorderPane();
    private final StackPane middle = new StackPane();
    private final Map<BenchName, Bench> benches = new EnumMap<>(BenchName.class);
    private final BenchLine line;
    private final Shelf shelf;
    private final FindingsLine findings;
    private final GoAnywhere goAnywhere;
    private final KeyHelp keyHelp;
    private Optional<Navigation> doors = Optional.empty();
    private boolean full;
    private final Speaker speaker;
    private boolean playing;
    private long playedFrom;
    private double playedFromSeconds;

    private final AnimationTimer player = new AnimationTimer() {
        @Override
        public void handle(long now) {
            if (playedFrom == 0) {
                playedFrom = now;
                playedFromSeconds = session.seconds().get();
            }
            double s = playedFromSeconds + (now - playedFrom) / 1e9;
            double end = session.shot().seconds();
            double frames = Math.floor(s * session.rate());
            Loop loop = session.loop().get();
            if (loop.over(s, end) && loop.marked()) {
                session.goToFrame(loop.from() * session.rate());
                playedFrom = 0;
                hear();
            } else if (s >= end) {
                play(false);
                session.goToFrame(Math.round(end * session.rate()) - 1);
            } else {
                session.goToFrame(frames);
            }
        }
    };

    public MainWindow(Session session) {
        this.session = session;
        line = new BenchLine(session);
        shelf = new Shelf(session);
        findings = new FindingsLine(session);
        goAnywhere = new GoAnywhere(session, this::pages, this::close);
        keyHelp = new KeyHelp(this::close);
        speaker = new Speaker(Speaker::ofMachine, why -> session.worker().onUi(() -> session.say(why)));
        frame.setTop(line);
        frame.setLeft(shelf);
        frame.setCenter(middle);
        frame.setBottom(findings);
        getChildren().add(frame);
        middle.setFocusTraversable(true);
        // On the scene: when the focused control is rebuilt, keys have no other place to go.
        EventHandler<KeyEvent> keys = this::key;
        EventHandler<KeyEvent> back = this::documentUndo;
        ChangeListener<Node> focus = (x, before, after) -> kept(before, after);
        sceneProperty().addListener((o, was, is) -> {
            if (was != null) {
                // A house that is not seen any more must not answer for the one that is.
                was.removeEventHandler(KeyEvent.KEY_PRESSED, keys);
                was.removeEventFilter(KeyEvent.KEY_PRESSED, back);
                was.focusOwnerProperty().removeListener(focus);
            }
            if (is != null) {
                is.addEventHandler(KeyEvent.KEY_PRESSED, keys);
                is.addEventFilter(KeyEvent.KEY_PRESSED, back);
                TermTips.in(is);
                ToggleArrows.in(is);
                is.focusOwnerProperty().addListener(focus);
            }
        });
        session.bench().addListener((o, was, is) -> show(is));
        session.incoming().addListener((o, was, is) -> {
            if (!is.isEmpty()) {
                BringIn slip = new BringIn(session, this::close);
                open(slip);
                slip.look(is);
            }
        });
    }

    /// Where what had the focus was taken away, the toolkit gives it to the first control of the window; it belongs to the bench.
    private void kept(@Nullable Node before, @Nullable Node after) {
        boolean gone = before != null && before.getScene() == null;
        boolean bench = getChildren().size() == 1;
        if (gone && bench && after != null && after.getScene() == getScene() && !Focus.within(after, middle)) {
            Platform.runLater(middle::requestFocus);
        }
    }

    /// What leads out of the production that is open.
    public void doors(Navigation ways) {
        doors = Optional.of(ways);
    }

    public Shelf shelf() {
        return shelf;
    }

    public void add(Bench bench) {
        benches.put(bench.name(), bench);
        if (bench.name() == session.bench().get()) {
            show(bench.name());
        }
    }

    /// Lets go what the benches hold open; the workers must have ended.
    public void closeBenches() {
        speaker.stop();
        benches.values().forEach(Bench::close);
    }

    private List<GoAnywhere.Place> pages() {
        List<GoAnywhere.Place> all = new ArrayList<>(benchPages());
        doors.ifPresent(d -> {
            all.add(new GoAnywhere.Place(Words.of("main-window.begin-or-open-another-production"), d::first));
            RecentProductions.all().stream().filter(l -> l.there() && !l.folder().equals(session.folder().path())).forEach(
                    l -> all.add(new GoAnywhere.Place("open " + l.folder().getFileName() + ", recent", () -> d.open(l.folder()))));
        });
        return all;
    }

    private List<GoAnywhere.Place> benchPages() {
        return benches.values().stream()
                .flatMap(b -> b.pages().stream().map(p -> new GoAnywhere.Place(p + ", on " + b.name().word(), () -> {
            session.bench().set(b.name());
            b.turn(p);
        }))).toList();
    }

    /// The pages of a bench, in their order.
    public List<String> pagesOf(BenchName name) {
        Bench b = benches.get(name);
        return b == null ? List.of() : b.pages();
    }

    /// Turns the bench that is looked at to one of its pages.
    public void turn(String page) {
        Bench b = benches.get(session.bench().get());
        if (b != null) {
            b.turn(page);
        }
    }

    private void show(BenchName name) {
        Bench b = benches.get(name);
        if (b != null) {
            session.worker().cancelPictures();
            benches.values().stream().filter(other -> other != b).forEach(Bench::hidden);
            middle.getChildren().setAll(b.view());
            // At once: a key pressed while a slow bench appears belongs to it, not to a control of the bench that went.
            middle.requestFocus();
            b.shown();
            // Keys go to the bench, not to the last button pressed.
            Platform.runLater(middle::requestFocus);
        }
    }

    private void key(KeyEvent e) {
        if (e.isConsumed()) {
            return;
        }
        if (e.isShortcutDown()) {
            shortcut(e);
            return;
        }
        if (e.getTarget() instanceof TextInputControl || e.getTarget() instanceof ComboBoxBase<?> c && chooses(c, e.getCode())
                || e.isAltDown()) {
            return;
        }
        Bench b = benches.get(session.bench().get());
        if (b != null && b.key(e)) {
            e.consume();
            return;
        }
        if (plain(e.getCode(), e.isShiftDown()) || bringIn(e)) {
            e.consume();
        }
    }

    /// Footage comes in on Shoot, from wherever it is asked for.
    private boolean bringIn(KeyEvent e) {
        Bench shoot = benches.get(BenchName.SHOOT);
        if (e.getCode() != KeyCode.I || shoot == null || getChildren().size() > 1) {
            return false;
        }
        session.bench().set(BenchName.SHOOT);
        return shoot.key(e);
    }

    /// Letters and digits mean nothing to a list of words that is not open, and go to the bench.
    private static boolean chooses(ComboBoxBase<?> c, KeyCode code) {
        return c.isShowing() || !code.isLetterKey() && !code.isDigitKey();
    }

    /// Back and forth go through the whole document, even from within a number field.
    private void documentUndo(KeyEvent e) {
        if (e.isShortcutDown() && e.getCode() == KeyCode.Z) {
            shortcut(e);
        }
    }

    private void shortcut(KeyEvent e) {
        switch (e.getCode()) {
            case Z -> {
                if (e.isShiftDown()) {
                    session.store().redo();
                } else {
                    session.store().undo();
                }
                e.consume();
            }
            case N, O -> {
                doors.ifPresent(Navigation::first);
                e.consume();
            }
            case K -> {
                open(goAnywhere);
                goAnywhere.begin();
                e.consume();
            }
            default -> {}
        }
    }

    private boolean plain(KeyCode code, boolean shift) {
        int digit = code.isDigitKey() ? code.getName().charAt(code.getName().length() - 1) - '1' : -1;
        if (digit >= 0 && digit < BenchName.values().length) {
            session.bench().set(BenchName.values()[digit]);
            return true;
        }
        switch (code) {
            case UP -> shelf.step(-1);
            case DOWN -> shelf.step(1);
            case PAGE_DOWN -> line.nextShot(1);
            case PAGE_UP -> line.nextShot(-1);
            case LEFT -> stepFrames(shift ? -10 : -1);
            case RIGHT -> stepFrames(shift ? 10 : 1);
            case HOME -> session.goToFrame(0);
            case END -> session.goToFrame(1e9);
            case SPACE -> play(!playing);
            case F -> fullPicture(!full);
            case E -> findings.toggle();
            case T -> tap();
            case P -> mark(shift);
            case F1 -> {
                open(keyHelp);
                keyHelp.show(keys());
            }
            case ESCAPE -> {
                if (!close()) {
                    return false;
                }
            }
            default -> {
                return false;
            }
        }
        return true;
    }

    /// Marks where what is played again and again begins, or behind which frame it ends.
    private void mark(boolean end) {
        Loop was = session.loop().get();
        double at = session.seconds().get();
        Loop now = end ? was.ended(at + 1 / session.rate()) : was.begun(at);
        session.loop().set(now);
        double last = Math.min(now.to(), session.shot().seconds());
        session.say(now.marked() ? Words.of("main-window.played-again-and-again-from", Words.time(now.from()), Words.time(last))
                : Words.of("main-window.played-once-all-of-it"));
    }

    private void stepFrames(int by) {
        play(false);
        session.goToFrame(session.frame() + by);
    }

    private void play(boolean on) {
        playing = on;
        playedFrom = 0;
        if (on) {
            session.goToFrame(session.loop().get().start(session.seconds().get(), session.shot().seconds(),
                    1 / session.rate()) * session.rate());
            player.start();
            hear();
        } else {
            player.stop();
            session.worker().cancel(SOUND);
            speaker.stop();
        }
    }

    /// Lets be heard what is played, from the playhead on: the shot where its layers are seen, else the take.
    private void hear() {
        Shot shot = session.shot();
        boolean whole = session.bench().get() == BenchName.LAYER || session.bench().get() == BenchName.HAND_OVER;
        Optional<String> take = session.plate().map(Plate::chosen).map(Take::id);
        if (!whole && take.isEmpty()) {
            return;
        }
        Shot heard = whole ? shot : shot.withSound(Sound.AS_FILMED.withOf(new SoundSource.OfTake(take.orElseThrow())));
        double from = session.seconds().get();
        session.worker().ask(SOUND, ticket -> Optional.ofNullable(ShotSound.of(session.folder(), heard).track()), t -> {
            if (playing) {
                t.ifPresentOrElse(x -> speaker.play(x.later(from)), speaker::stop);
            }
        }, e -> {
            speaker.stop();
            if (whole) {
                session.say(String.valueOf(e.getMessage()));
            }
        });
    }

    /// Marks a beat at the playhead.
    private void tap() {
        double at = session.seconds().get();
        session.change("tap a beat", s -> {
            List<Beat> more = new ArrayList<>(s.beats());
            more.add(new Beat("beat-" + Math.round(at * 1000), "beat " + (s.beats().size() + 1), at));
            return s.withBeats(more);
        });
    }

    private void fullPicture(boolean on) {
        full = on;
        frame.setLeft(on ? null : shelf);
        frame.setTop(on ? null : line);
        frame.setBottom(on ? null : findings);
    }

    private void open(Node overlay) {
        close();
        getChildren().add(overlay);
    }

    /// Asks what becomes of changes that cannot be saved.
    public void askUnsaved(Runnable leave) {
        NotSaved slip = new NotSaved(session, leave, this::close);
        open(slip);
        slip.ask();
    }

    private boolean close() {
        if (getChildren().size() > 1) {
            getChildren().setAll(frame);
            middle.requestFocus();
            return true;
        }
        if (full) {
            fullPicture(false);
            return true;
        }
        return false;
    }

    public void unfoldFindings() {
        if (!findings.isUnfolded()) {
            findings.toggle();
        }
    }

    private Map<String, String> keys() {
        Map<String, String> all = new LinkedHashMap<>();
        all.put("1 to " + BenchName.values().length, "benches");
        all.put("Up, Down", "plates");
        all.put(Words.of("main-window.page-up-page-down"), "shots");
        all.put("Space", "play, stop");
        all.put("Left, Right", Words.of("main-window.one-frame-with-shift-ten"));
        all.put("Home, End", Words.of("main-window.first-last-frame"));
        all.put("P, Shift+P", Words.of("main-window.play-again-and-again-from"));
        all.put("T", Words.of("main-window.tap-beat-at-the-playhead"));
        all.put("E", Words.of("main-window.unfold-or-fold-the-findings"));
        all.put("F", "full picture");
        all.put("I", Words.of("main-window.bring-footage-in-on-shoot"));
        all.put(Words.of("main-window.ctrl-ctrl-shift"), Words.of("main-window.back-forth-through-the-whole"));
        all.put("Ctrl+K", Words.of("main-window.go-anywhere-by-typing"));
        all.put("Ctrl+N, Ctrl+O", Words.of("main-window.begin-or-open-another-production"));
        Bench b = benches.get(session.bench().get());
        if (b != null) {
            all.putAll(b.keys());
        }
        return all;
    }
}
