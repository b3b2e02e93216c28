package org.scenothesis.studio.house;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import javafx.beans.value.ObservableValue;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.core.breakdown.day.RunningOrder;
import org.scenothesis.core.finding.Judgement;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.shot.FrameFormat;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.decode.FrameStore;
import org.scenothesis.production.measure.FootageBrief;
import org.scenothesis.production.measure.Judge;
import org.scenothesis.production.measure.Keying;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.Reference;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.Store;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.store.Unsaved;
import org.scenothesis.production.words.Words;

/// What all benches share: the document, the chosen shot, plate and moment, what was measured, and the workers. No window classes.
public final class Session implements AutoCloseable {
    /// Background work to show: what, and how far in [0, 1], negative when unknown.
    public record Work(String what, double share) {
        static final Work NONE = new Work("", 0);
    }

    public static final String SURVEY = "survey";
    private static final Shot NO_SHOT = new Shot("", 0, Words.of("session.no-shot-yet"), "", 4, List.of(), List.of(), List.of(), List.of(),
            null);
    private static final String PLAN = "plan";
    /// Bytes of decoded frames kept.
    private static final long FRAMES = 64L << 20;

    private final Store store;
    private final Worker worker;
    private final Bands bands;
    private final FrameStore frames;
    private final KeptRenderer renderer = new KeptRenderer(this);
    private final Surveyor surveyor;
    private final Judge judge;
    private boolean begun;
    private final ObjectProperty<Production> production;
    private final ObjectProperty<Measured> measured = new SimpleObjectProperty<>(Measured.NOTHING);
    private final ObjectProperty<Judgement> judgement = new SimpleObjectProperty<>(Judgement.NONE);
    private final ObjectProperty<DayPlan> plan;
    private final ObjectProperty<Store.SaveState> save;
    private final ObjectProperty<Work> work = new SimpleObjectProperty<>(Work.NONE);
    private final ObjectProperty<BenchName> bench = new SimpleObjectProperty<>(BenchName.BOARD);
    private final StringProperty shotId = new SimpleStringProperty("");
    private final StringProperty plateId = new SimpleStringProperty("");
    private final StringProperty said = new SimpleStringProperty("");
    private final ObjectProperty<@Nullable Path> unsaved = new SimpleObjectProperty<>(null);
    private final ObjectProperty<Loop> loop = new SimpleObjectProperty<>(Loop.NONE);
    private final DoubleProperty seconds = new SimpleDoubleProperty(0);
    private final ObjectProperty<List<Path>> incoming = new SimpleObjectProperty<>(List.of());
    private final ReadOnlyBooleanWrapper looked = new ReadOnlyBooleanWrapper(false);

    public Session(ProductionFolder folder, Worker worker) {
        store = new Store(folder);
        frames = new FrameStore(FRAMES, folder::refusal, worker::room);
        this.worker = worker;
        bands = Bands.allCores(worker::room);
        surveyor = new Surveyor(folder, bands);
        judge = new Judge(folder);
        production = new SimpleObjectProperty<>(store.now());
        save = new SimpleObjectProperty<>(store.saveState());
        plan = new SimpleObjectProperty<>(DayPlan.of(store.now().withShots(List.of())));
        store.observe(new Store.Observer() {
            @Override
            public void changed(Production now) {
                production.set(now);
                settle();
            }

            @Override
            public void refused(String sentence) {
                say(sentence);
            }

            @Override
            public void saveChanged(Store.SaveState state) {
                worker.onUi(() -> save.set(state));
            }
        });
        // Of this kind and first, so that whoever hears of a change finds it judged: listeners to values are told after all listeners to
        // changes.
        production.addListener(o -> {
            judge();
            plan();
        });
        measured.addListener(o -> judge());
        plateId.addListener((o, was, is) -> {
            // What is looked at is measured first.
            if (!work.get().what().isEmpty() && !judgement(is).unmeasured().isEmpty()) {
                measure();
            }
        });
        // A property that nobody reads tells only its first change to invalidation listeners; a change listener keeps it awake.
        for (ObservableValue<?> p : List.of(production, measured, judgement, plan, save, work, bench, shotId, plateId, said, seconds,
                incoming)) {
            p.addListener((o, was, is) -> {});
        }
        openShot(store.now().shots().isEmpty() ? "" : store.now().shots().getFirst().id());
        if (folder.writable()) {
            unsaved.set(Unsaved.of(folder.path()).stream().findFirst().orElse(null));
        } else {
            say("This production " + folder.whyReadOnly());
        }
        plan();
    }

    /// Plans the day anew, in the background; the newest production wins.
    private void plan() {
        Production now = store.now();
        DayPlan before = plan.get();
        worker.ask(PLAN, ticket -> DayPlan.of(now, before, ticket::wanted), p -> {
            plan.set(p);
            judge();
        }, e -> {
            // What was planned before is of another production: nothing is known any more.
            plan.set(DayPlan.of(now.withShots(List.of())));
            judge();
            say(Words.of("session.the-plan-could-not-be", e.getMessage()));
        });
    }

    /// The shot and plate that are chosen may have gone with an undo.
    private void settle() {
        if (!store.now().hasShot(shotId.get())) {
            openShot(store.now().shots().isEmpty() ? "" : store.now().shots().getFirst().id());
        }
        if (shot().plate(plateId.get()).isEmpty()) {
            plateId.set(shot().plates().isEmpty() ? "" : shot().plates().getFirst().id());
        }
    }

    private void judge() {
        Judgement now = judge.of(shot(), plan.get().plans().get(shotId.get()), measured.get(), store.now().houseRules());
        if (!now.equals(judgement.get())) {
            judgement.set(now);
        }
    }

    public void openShot(String id) {
        shotId.set(id);
        seconds.set(0);
        plateId.set(shot().plates().isEmpty() ? "" : shot().plates().getFirst().id());
        judge();
        if (begun) {
            measure();
        }
    }

    /// Begins to measure by itself; before, the window is drawn first.
    public void begin() {
        begun = true;
        measure();
    }

    /// Measures what is not measured yet, in the background, what is looked at first; also notices footage that changed or went.
    public void measure() {
        begun = true;
        Shot shot = shot();
        Measured before = measured.get();
        List<String> order = new ArrayList<>(plates().stream().map(Plate::id).toList());
        order.remove(plateId.get());
        order.addFirst(plateId.get());
        looked.set(false);
        LatestTask<Measured> told = new LatestTask<>(worker, measured::set);
        LatestTask<Work> done = new LatestTask<>(worker, w -> {
            looked.set(looked.get() || w.share() >= 0);
            work.set(w);
        });
        worker.ask(
                SURVEY,
                ticket -> surveyor.survey(shot, order, before, (at, of) -> {
                    done.tell(new Work("measuring", of == 0 ? -1 : at / (double) of), ticket);
                    worker.giveWay(ticket);
                    return ticket.wanted();
                }, m -> told.tell(m, ticket)),
                m -> {
                    measured.set(m);
                    looked.set(true);
                    work.set(Work.NONE);
                },
                e -> {
                    looked.set(true);
                    work.set(Work.NONE);
                    say(String.valueOf(e.getMessage()));
                });
    }

    /// Whether all that counts was looked at once; the whole of it may still be measured.
    public ReadOnlyBooleanProperty looked() {
        return looked.getReadOnlyProperty();
    }

    /// How much of the shot was measured.
    public Judgement.Known known() {
        return judgement.get().known();
    }

    public void stopMeasuring() {
        worker.cancel(SURVEY);
        work.set(Work.NONE);
    }

    /// Changes the shot as one undo step.
    public void change(String what, UnaryOperator<Shot> how) {
        String id = shotId.get();
        store.apply(what, p -> p.withShot(id, how));
    }

    public void changeLayer(String what, String layer, UnaryOperator<Layer> how) {
        change(what, s -> s.withLayer(layer, how));
    }

    public Store store() {
        return store;
    }

    public Worker worker() {
        return worker;
    }

    public Bands bands() {
        return bands;
    }

    /// Where the finished frames come from that benches show: one for all, since pictures take turns.
    public KeptRenderer renderer() {
        return renderer;
    }

    public FrameStore frames() {
        return frames;
    }

    public Surveyor surveyor() {
        return surveyor;
    }

    public ProductionFolder folder() {
        return store.folder();
    }

    /// The chosen shot; an empty one without an id while the production has none.
    public Shot shot() {
        return store.now().hasShot(shotId.get()) ? store.now().shot(shotId.get()) : NO_SHOT;
    }

    public Optional<Plate> plate() {
        return shot().plate(plateId.get());
    }

    /// The chosen take's footage of a plate, or null when it has none that can be read.
    public @Nullable FootageSource footage(@Nullable Plate plate) {
        Take t = plate == null ? null : plate.chosen();
        return t == null ? null : footage(t);
    }

    public @Nullable FootageSource footage(Take take) {
        return measured.get().brief(take).filter(b -> !b.usable()).isPresent() ? null : folder().source(take);
    }

    /// What a take is proved against, as the measure does it; null where there is nothing.
    public @Nullable FootageSource reference(Plate plate, Take take) {
        return Reference.of(shot(), plate, take).map(r -> folder().source(r.take())).orElse(null);
    }

    /// The clean plate that elements are shown over; null where none was filmed.
    public @Nullable FootageSource clean() {
        return shot().plates().stream().filter(p -> p.role() == PlateRole.CLEAN && p.chosen() != null).findFirst().map(this::footage)
                .orElse(null);
    }

    /// What keeps a take from being read, as a sentence; empty if nothing is known to.
    public String problem(Take take) {
        return measured.get().brief(take).map(FootageBrief::problem).orElse("");
    }

    /// The plates in the order in which they will be filmed; those that are not planned after them.
    public List<Plate> plates() {
        Shot shot = shot();
        DayPlan day = plan.get();
        var planned = day.plans().get(shot.id());
        if (planned == null) {
            return shot.plates();
        }
        var matched = Breakdown.matched(shot, planned);
        List<Plate> out = new ArrayList<>();
        for (RunningOrder.Step s : day.order().of(shot.id())) {
            Plate p = matched.get(s.need().key());
            if (p != null && !out.contains(p)) {
                out.add(p);
            }
        }
        shot.plates().stream().filter(p -> !out.contains(p)).forEach(out::add);
        return out;
    }

    /// What was found of a plate.
    public Judgement judgement(String plate) {
        return judgement.get().of(plate);
    }

    /// What was found of any take of a plate.
    public Judgement judgement(Plate plate, Take take) {
        return judge.take(shot(), plate, take, measured.get(), store.now().houseRules());
    }

    /// What survey and bench key with.
    public Keying keying() {
        return surveyor.keying();
    }

    /// Frames a second of the chosen shot: as told, else of its footage.
    public double rate() {
        FrameFormat told = shot().format();
        return told != null ? told.rate() : shot().plates().stream()
                .map(Plate::chosen)
                .filter(Objects::nonNull)
                .flatMap(t -> measured.get().brief(t).stream())
                .filter(b -> b.frames() > 1)
                .mapToDouble(b -> b.rate())
                .findFirst()
                .orElse(24);
    }

    public int frame() {
        return (int) Math.floor(seconds.get() * rate() + 1e-6);
    }

    public void goToFrame(double frame) {
        double last = Math.max(0, Math.round(shot().seconds() * rate()) - 1);
        seconds.set(Math.clamp(Math.rint(frame), 0, last) / rate());
    }

    /// What is played again and again.
    public ObjectProperty<Loop> loop() {
        return loop;
    }

    /// Whether all that was changed is on the disk, or may be left as it is.
    public boolean settled() {
        Store.SaveState.Kind kind = store.saveState().kind();
        return kind == Store.SaveState.Kind.SAVED || kind == Store.SaveState.Kind.READ_ONLY || kind == Store.SaveState.Kind.CONTESTED
                || store.saveNow();
    }

    /// The file that holds changes which could not be saved the last time; null where there is none.
    public ReadOnlyObjectProperty<@Nullable Path> unsaved() {
        return unsaved;
    }

    /// Takes them up as one step of undo; the file is kept beside under another name.
    public void takeUpUnsaved() {
        settleUnsaved(file -> {
            Production p = Unsaved.read(file);
            store.apply(Words.of("findings-line.take-up-what-was-not"), x -> p);
        });
    }

    /// Lets them be; the file is kept beside under another name.
    public void leaveUnsaved() {
        settleUnsaved(file -> {});
    }

    @FunctionalInterface
    private interface Use {
        void of(Path file) throws StoreException;
    }

    private void settleUnsaved(Use use) {
        Path file = unsaved.get();
        if (file != null) {
            try {
                use.of(file);
                say(Words.of("session.the-file-is-kept-as", Unsaved.settle(folder(), file).getFileName()));
                unsaved.set(Unsaved.of(folder().path()).stream().findFirst().orElse(null));
            } catch (StoreException e) {
                unsaved.set(null);
                say(String.valueOf(e.getMessage()));
            }
        }
    }

    public void say(String sentence) {
        said.set(sentence);
    }

    public ReadOnlyObjectProperty<Production> production() {
        return production;
    }

    public ObjectProperty<Measured> measured() {
        return measured;
    }

    public ReadOnlyObjectProperty<Judgement> judgement() {
        return judgement;
    }

    /// What is planned for the day; a moment behind the production.
    public ReadOnlyObjectProperty<DayPlan> planned() {
        return plan;
    }

    public ReadOnlyObjectProperty<Store.SaveState> save() {
        return save;
    }

    public ObjectProperty<Work> work() {
        return work;
    }

    public ObjectProperty<BenchName> bench() {
        return bench;
    }

    public StringProperty shotId() {
        return shotId;
    }

    public StringProperty plateId() {
        return plateId;
    }

    public StringProperty said() {
        return said;
    }

    /// Files that somebody wants to bring in, until it is settled what becomes of them.
    public ReadOnlyObjectProperty<List<Path>> incoming() {
        return incoming;
    }

    /// Asks what shall become of these files, and brings them in.
    public void bringIn(List<Path> files) {
        incoming.set(List.copyOf(files));
    }

    public DoubleProperty seconds() {
        return seconds;
    }

    @Override
    public void close() {
        worker.close();
        store.close();
        renderer.close();
        frames.close();
        bands.close();
    }
}
