package org.scenothesis.production.measure;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.key.KeySettings;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.ColourMatrix;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Reading;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageInfo;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.Footages;
import org.scenothesis.production.measure.Measured.KeyResult;
import org.scenothesis.production.measure.Measured.LockResult;
import org.scenothesis.production.store.ProductionFolder;

/// Measures whatever of a shot is not measured yet, what is looked at first, and tells as it goes.
///
/// - First what is known from earlier, then a first look at the takes that count, then all of them whole, then the rest.
/// - Whatever fails is told as a sentence in the place of its result; nothing is left at "measuring".
public final class Surveyor {
    /// As many plates as are in view at once get a first look before anything is measured whole.
    private static final int IN_VIEW = 8;
    private static final long SMALL = 32L << 20;
    private static final long PAUSE_NS = 150_000_000;

    private final ProductionFolder folder;
    private final Readings readings;
    private final Contents contents;
    private final Bands bands;

    public Surveyor(ProductionFolder folder, Bands bands) {
        this(folder, bands, Readings.of(folder, shipped()));
    }

    Surveyor(ProductionFolder folder, Bands bands, Readings readings) {
        this.folder = folder;
        this.bands = bands;
        this.readings = readings;
        contents = new Contents(readings);
    }

    /// The readings of the demo's footage that ship with the application.
    static Path shipped() {
        return Path.of(System.getProperty("scenothesis.home", "."), "demo", "lantern-works", "readings");
    }

    public Contents contents() {
        return contents;
    }

    /// Measures the shot; `progress` counts steps in hundredths.
    ///
    /// - `order`: ids of plates, those that are looked at first; others follow.
    ///
    /// @throws Stopped if progress asks for it
    public Measured survey(Shot shot, List<String> order, Measured before, Progress progress, Consumer<Measured> told) {
        Telling telling = new Telling(told);
        List<Plate> plates = new ArrayList<>(shot.plates());
        plates.sort(Comparator.comparingInt((Plate p) -> order.contains(p.id()) ? order.indexOf(p.id()) : order.size()));
        List<Of> counting = new ArrayList<>();
        List<Of> rest = new ArrayList<>();
        for (Plate p : plates) {
            for (Take t : p.takes()) {
                (t.equals(p.chosen()) ? counting : rest).add(new Of(p, t));
            }
        }
        List<Of> inView = counting.subList(0, Math.min(IN_VIEW, counting.size()));
        Measured m = briefs(withReferences(shot, inView), before, progress, telling);
        hashSmall(withReferences(shot, inView), progress);
        m = recall(shot, inView, m, telling);
        for (Of o : inView) {
            m = task(m, shot, o, "look", progress);
            telling.sometimes(m);
        }
        telling.now(m);
        m = briefs(counting, m, progress, telling);
        m = recall(shot, counting, m, telling);
        m = briefs(rest, m, progress, telling);
        m = recall(shot, rest, m, telling);
        List<Work> work = work(counting, rest);
        for (int i = 0; i < work.size(); i++) {
            int at = i;
            m = task(m, shot, work.get(i).of, work.get(i).what, (done, of) -> progress.at(at * 100 + (of == 0 ? 0 : 100 * done / of), work.size() * 100));
            telling.sometimes(m);
        }
        told.accept(m);
        return m;
    }

    private record Of(Plate plate, Take take) {}

    private static List<Of> withReferences(Shot shot, List<Of> of) {
        List<Of> all = new ArrayList<>(of);
        for (Of o : of) {
            Reference.of(shot, o.plate, o.take).map(r -> new Of(r.plate(), r.take())).filter(r -> !all.contains(r)).ifPresent(all::add);
        }
        return all;
    }

    private record Work(Of of, String what) {}

    private static List<Work> work(List<Of> counting, List<Of> rest) {
        List<Work> work = new ArrayList<>();
        counting.forEach(o -> work.add(new Work(o, "lock")));
        counting.stream().filter(o -> o.plate.role().keyed()).forEach(o -> work.add(new Work(o, "key")));
        rest.forEach(o -> work.add(new Work(o, "lock")));
        return work;
    }

    /// Tells at most a few times a second: the whole interface follows.
    private static final class Telling {
        private final Consumer<Measured> told;
        private long last;

        Telling(Consumer<Measured> told) {
            this.told = told;
        }

        void sometimes(Measured m) {
            if (System.nanoTime() - last > PAUSE_NS) {
                now(m);
            }
        }

        void now(Measured m) {
            told.accept(m);
            last = System.nanoTime();
        }
    }

    private Measured briefs(List<Of> of, Measured before, Progress progress, Telling telling) {
        Measured m = before;
        for (Of o : of) {
            if (!progress.at(0, 0)) {
                throw new Stopped();
            }
            String standing = standing(folder.footage(o.take));
            FootageBrief known = m.brief(o.take).orElse(null);
            if (known == null || !known.standing().equals(standing) || !known.usable()) {
                m = m.with(o.take.footage(), brief(o.take, standing));
                telling.sometimes(m);
            }
        }
        return m;
    }

    private static String standing(Path p) {
        try {
            return Files.exists(p) ? Contents.standing(p) : "";
        } catch (IOException | UncheckedIOException e) {
            return "";
        }
    }

    private FootageBrief brief(Take take, String standing) {
        Path path = folder.footage(take);
        String refused = folder.refusal(path);
        if (refused != null) {
            return FootageBrief.broken(standing, refused);
        }
        String key = Readings.key("brief", List.of(standing), take.reading());
        Optional<FootageBrief> kept = standing.isEmpty() ? Optional.empty() : readings.find(key, FootageBrief.class);
        if (kept.isPresent()) {
            return kept.get();
        }
        try (Footage f = Footages.open(folder.source(take))) {
            FootageInfo i = f.info();
            FootageBrief b = new FootageBrief(
                    i.frames(), i.seconds(), i.width(), i.height(), i.rate().framesPerSecond(), i.rate().variable(), i.frames() == 1, i.coding().alpha(),
                    !i.coding().matrixNamed(), read(i), i.notes(), standing, "");
            readings.keep(key, b);
            return b;
        } catch (FootageException e) {
            return FootageBrief.broken(standing, e.getMessage());
        } catch (RuntimeException | OutOfMemoryError e) {
            return FootageBrief.broken(standing, path + ": it cannot be opened (" + e + ").");
        }
    }

    private static String read(FootageInfo i) {
        FootageInfo.Coding c = i.coding();
        return c.transfer() + " " + (c.fullRange() ? "full" : "limited") + (c.pixelFormat().startsWith("yuv") ? " " + c.matrix() : "");
    }

    /// The contents of what is small enough to be read at once, so that earlier readings are found before any picture is looked at.
    private void hashSmall(List<Of> of, Progress progress) {
        for (Of o : of) {
            Path p = folder.footage(o.take);
            try {
                if (Files.isRegularFile(p) && Files.size(p) <= SMALL) {
                    content(o.take, progress);
                }
            } catch (IOException e) {
                // Said where it is measured.
            }
        }
    }

    /// What is known from earlier, without looking at any picture.
    private Measured recall(Shot shot, List<Of> of, Measured before, Telling telling) {
        Measured m = before;
        for (Of o : of) {
            Job job = job(m, shot, o, "lock");
            if (job != null && job.recall()) {
                m = job.result;
            }
            Job key = o.plate.role().keyed() && o.take.equals(o.plate.chosen()) ? job(m, shot, o, "key") : null;
            if (key != null && key.recall()) {
                m = key.result;
            }
            telling.sometimes(m);
        }
        return m;
    }

    private Measured task(Measured m, Shot shot, Of o, String what, Progress progress) {
        Job job = job(m, shot, o, what);
        if (job == null) {
            return m;
        }
        try {
            job.run(progress);
            return job.result;
        } catch (FootageException | IOException | UncheckedIOException e) {
            return job.trouble(String.valueOf(e.getMessage()));
        } catch (OutOfMemoryError e) {
            return job.trouble(folder.footage(o.take) + ": there is not enough memory to measure it; start with SCENOTHESIS_HEAP=4g.");
        } catch (Stopped e) {
            throw e;
        } catch (RuntimeException | Error e) {
            return job.trouble(folder.footage(o.take) + ": it could not be measured (" + e + ").");
        }
    }

    /// One measurement to be made of a take; its result goes into what is measured.
    private abstract class Job {
        final Measured before;
        final Shot shot;
        final Of o;
        Measured result;

        Job(Measured before, Shot shot, Of o) {
            this.before = before;
            this.shot = shot;
            this.o = o;
            result = before;
        }

        /// Whether the result is known already.
        abstract boolean recall();

        abstract void run(Progress progress) throws FootageException, IOException;

        abstract Measured trouble(String sentence);
    }

    /// Null where there is nothing to measure, or it is measured.
    private @Nullable Job job(Measured m, Shot shot, Of o, String what) {
        FootageBrief brief = m.brief(o.take).orElse(null);
        if (brief == null || !brief.usable()) {
            return null;
        }
        if (what.equals("key")) {
            return brief.alpha() ? null : new KeyJob(m, shot, o, brief);
        }
        Reference r = Reference.of(shot, o.plate, o.take).orElse(null);
        return r == null ? null : new LockJob(m, shot, o, r, what.equals("look"));
    }

    private final class LockJob extends Job {
        private final Reference reference;
        private final boolean look;
        private final String of;

        LockJob(Measured before, Shot shot, Of o, Reference reference, boolean look) {
            super(before, shot, o);
            this.reference = reference;
            this.look = look;
            of = standing(folder.footage(reference.take())) + "|" + standing(folder.footage(o.take)) + "|" + reference.take().reading() + o.take.reading();
        }

        /// A report as it is kept.
        record Kept(LockReport report, @Nullable ColourMatrix matrix) {}

        private Optional<LockResult> have() {
            return before.lockResult(shot, o.plate, o.take).filter(r -> r.of().equals(of) && r.against() == reference.kind());
        }

        private List<Reading> settings() {
            return List.of(reference.take().reading(), o.take.reading());
        }

        private void found(Kept k) {
            result = before.withLock(shot, o.plate, o.take, new LockResult(k.report, reference.kind(), k.matrix, of));
        }

        @Override
        boolean recall() {
            if (have().filter(r -> !r.report().firstLook()).isPresent()) {
                return true;
            }
            Optional<String> ref = contents.known(folder.footage(reference.take()));
            Optional<String> take = contents.known(folder.footage(o.take));
            Optional<Kept> kept = ref.isEmpty() || take.isEmpty()
                    ? Optional.empty() : readings.find(Readings.key("lock", List.of(ref.get(), take.get()), settings()), Kept.class);
            kept.ifPresent(this::found);
            return kept.isPresent();
        }

        @Override
        void run(Progress progress) throws FootageException, IOException {
            if (look && have().isPresent() || !look && have().filter(r -> !r.report().firstLook()).isPresent()) {
                return;
            }
            String refused = folder.refusal(folder.footage(reference.take()));
            if (refused != null) {
                throw new FootageException(folder.footage(reference.take()), refused);
            }
            FootageSource ref = folder.source(reference.take());
            FootageSource take = folder.source(o.take);
            String key = look ? Readings.key("look", List.of(of), settings())
                    : Readings.key("lock", List.of(contents.of(ref.path(), progress), content(o.take, progress)), settings());
            Optional<Kept> kept = readings.find(key, Kept.class);
            if (kept.isEmpty()) {
                LockReport r = look ? LockCheck.look(ref, take, bands, progress) : LockCheck.run(ref, take, bands, progress);
                boolean own = reference.kind() == Reference.Kind.OWN_START;
                kept = Optional.of(new Kept(r, own ? null : LockCheck.betterMatrix(ref, take, bands)));
                readings.keep(key, kept.get());
            }
            found(kept.get());
        }

        @Override
        Measured trouble(String sentence) {
            return before.withLockTrouble(shot, o.plate, o.take, sentence);
        }
    }

    private final class KeyJob extends Job {
        private final FootageBrief brief;
        private final KeySettings settings;
        private final List<Point> mask;
        private final @Nullable Take screen;
        private final String of;

        KeyJob(Measured before, Shot shot, Of o, FootageBrief brief) {
            super(before, shot, o);
            this.brief = brief;
            Layer layer = shot.layers().stream().filter(l -> l.plate().equals(o.plate.id())).findFirst().orElse(Layer.of("", "", Layer.Kind.ELEMENT, o.plate.id()));
            settings = layer.key();
            mask = layer.mask();
            screen = screenTake(shot, o.plate).filter(t -> folder.refusal(folder.footage(t)) == null).orElse(null);
            of = brief.standing() + "|" + (screen == null ? "" : standing(folder.footage(screen)) + screen.reading()) + o.take.reading() + settings + mask;
        }

        private String key(String take, @Nullable String plate) {
            return Readings.key("key", plate == null ? List.of(take) : List.of(take, plate), Arrays.asList(settings, mask, o.take.reading(), screen == null ? null : screen.reading()));
        }

        private boolean have() {
            return before.keyResult(shot, o.plate).filter(r -> r.of().equals(of)).isPresent();
        }

        @Override
        boolean recall() {
            if (have()) {
                return true;
            }
            Optional<String> take = contents.known(folder.footage(o.take));
            Optional<String> plate = screen == null ? Optional.of("") : contents.known(folder.footage(screen));
            Optional<KeyReport> kept = take.isEmpty() || plate.isEmpty() ? Optional.empty() : readings.find(key(take.get(), screen == null ? null : plate.get()), KeyReport.class);
            kept.ifPresent(r -> result = before.withKey(shot, o.plate, new KeyResult(r, of)));
            return kept.isPresent();
        }

        @Override
        void run(Progress progress) throws FootageException, IOException {
            if (have()) {
                return;
            }
            FootageSource take = folder.source(o.take);
            FootageSource bare = screen == null ? null : folder.source(screen);
            String key = key(content(o.take, progress), bare == null ? null : contents.of(bare.path(), progress));
            KeyReport r = readings.find(key, KeyReport.class).orElse(null);
            if (r == null) {
                r = KeyCheck.run(new KeyCheck.Wish(take, bare, settings, mask), bands, progress);
                readings.keep(key, r);
            }
            result = before.withKey(shot, o.plate, new KeyResult(r, of));
        }

        @Override
        Measured trouble(String sentence) {
            return before.withKeyTrouble(shot, o.plate, sentence);
        }
    }

    private String content(Take take, Progress progress) throws IOException {
        String hash = contents.of(folder.footage(take), progress);
        contents.held(take.footage(), hash);
        return hash;
    }

    private static Optional<Take> screenTake(Shot shot, Plate plate) {
        return shot.plates().stream()
                .filter(p -> p.role() == PlateRole.SCREEN_ONLY && p.lockGroup().equals(plate.lockGroup()) && p.chosen() != null)
                .findFirst().map(Plate::chosen);
    }

    /// The screen-only footage of the plate's lock group, or null.
    public static @Nullable FootageSource screenPlate(ProductionFolder folder, Shot shot, Plate plate) {
        return screenTake(shot, plate).filter(t -> folder.refusal(folder.footage(t)) == null).map(folder::source).orElse(null);
    }

    /// Writes what is known of a shot as the application ships it, into a folder of readings.
    ///
    /// @throws IOException if it cannot be written
    /// @throws FootageException if footage cannot be read
    public void ship(Shot shot, Path into) throws IOException, FootageException {
        Measured m = survey(shot, List.of(), Measured.NOTHING, Progress.NONE, t -> {});
        for (Plate plate : shot.plates()) {
            for (Take take : plate.takes()) {
                Reference r = Reference.of(shot, plate, take).orElse(null);
                LockResult lock = m.lockResult(shot, plate, take).orElse(null);
                if (r != null && lock != null) {
                    String key = Readings.key(
                            "lock", List.of(contents.of(folder.footage(r.take()), Progress.NONE), contents.of(folder.footage(take), Progress.NONE)),
                            List.of(r.take().reading(), take.reading()));
                    Readings.ship(into, key, new LockJob.Kept(lock.report(), lock.matrix()));
                }
            }
            Take chosen = plate.chosen();
            KeyReport key = m.key(shot, plate).orElse(null);
            if (chosen != null && key != null) {
                KeyJob job = new KeyJob(m, shot, new Of(plate, chosen), m.brief(chosen).orElseThrow());
                Take bare = screenTake(shot, plate).orElse(null);
                Readings.ship(into, job.key(
                        contents.of(folder.footage(chosen), Progress.NONE), bare == null ? null : contents.of(folder.footage(bare), Progress.NONE)), key);
            }
        }
    }
}
