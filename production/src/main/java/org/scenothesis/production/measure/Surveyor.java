package org.scenothesis.production.measure;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Outcome;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.Words;

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
    private final MeasureContext means;

    public Surveyor(ProductionFolder folder, Bands bands) {
        this(folder, bands, MeasurementCache.of(folder, shipped()));
    }

    Surveyor(ProductionFolder folder, Bands bands, MeasurementCache readings) {
        this.folder = folder;
        means = new MeasureContext(folder, readings, new ContentHashes(readings), new FootageProbes(folder, readings), new Keying(bands),
                bands);
    }

    /// The readings of the demo's footage that ship with the application.
    static Path shipped() {
        return Path.of(System.getProperty("scenothesis.home", "."), "demo", "lantern-works", "readings");
    }

    public ContentHashes contents() {
        return means.contents();
    }

    /// Where what was measured is kept.
    public MeasurementCache readings() {
        return means.readings();
    }

    public Keying keying() {
        return means.keying();
    }

    /// A take of a plate.
    private record Of(Plate plate, Take take) {}

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
        for (Meter<?> meter : Meters.ALL) {
            for (Of o : inView) {
                m = look(meter, m, shot, o, progress);
                telling.sometimes(m);
            }
        }
        telling.now(m);
        m = briefs(counting, m, progress, telling);
        m = recall(shot, counting, m, telling);
        m = briefs(rest, m, progress, telling);
        m = recall(shot, rest, m, telling);
        List<Work> work = new ArrayList<>();
        for (List<Of> some : List.of(counting, rest)) {
            Meters.ALL.forEach(meter -> some.forEach(o -> work.add(new Work(meter, o))));
        }
        for (int i = 0; i < work.size(); i++) {
            int at = i;
            Work next = work.get(i);
            m = whole(next.meter, m, shot, next.of, (done, of) -> progress.at(at * 100 + (of == 0 ? 0 : 100 * done / of),
                    work.size() * 100));
            telling.sometimes(m);
        }
        told.accept(m);
        return m;
    }

    private static List<Of> withReferences(Shot shot, List<Of> of) {
        List<Of> all = new ArrayList<>(of);
        for (Of o : of) {
            Reference.of(shot, o.plate(), o.take()).map(r -> new Of(r.plate(), r.take())).filter(r -> !all.contains(r)).ifPresent(all::add);
        }
        return all;
    }

    private record Work(Meter<?> meter, Of of) {}

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
            String standing = means.briefs().standing(o.take());
            FootageBrief known = m.brief(o.take()).orElse(null);
            if (known == null || !known.standing().equals(standing) || !known.usable()) {
                m = m.with(o.take().footage(), means.briefs().of(o.take(), standing));
                telling.sometimes(m);
            }
        }
        return m;
    }

    /// The contents of what is small enough to be read at once, so that earlier readings are found before any picture is looked at.
    private void hashSmall(List<Of> of, Progress progress) {
        for (Of o : of) {
            Path p = folder.footage(o.take());
            try {
                if (Files.isRegularFile(p) && Files.size(p) <= SMALL) {
                    means.content(o.take(), progress);
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
            for (Meter<?> meter : Meters.ALL) {
                m = recall(meter, m, shot, o);
            }
            telling.sometimes(m);
        }
        return m;
    }

    private <R> Measured recall(Meter<R> meter, Measured m, Shot shot, Of o) {
        Target t = target(meter, m, shot, o);
        if (t == null || have(meter, m, t, true)) {
            return m;
        }
        List<String> contents = new ArrayList<>();
        for (Take take : t.footage()) {
            means.contents().known(folder.footage(take)).ifPresent(contents::add);
        }
        return contents.size() < t.footage().size() ? m
                : means.readings().find(key(meter, t, contents), meter.kind())
                .map(r -> m.with(meter, t, new Outcome.Found<>(r, false), stamp(t))).orElse(m);
    }

    private @Nullable Target target(Meter<?> meter, Measured m, Shot shot, Of o) {
        FootageBrief brief = m.brief(o.take).filter(FootageBrief::usable).orElse(null);
        return brief == null ? null : meter.target(folder, shot, o.plate, o.take, brief).orElse(null);
    }

    /// How the files of a target stand and are read, and with which settings; made without reading them.
    private String stamp(Target t) {
        StringBuilder s = new StringBuilder(t.against());
        t.footage().forEach(take -> s.append('|').append(means.briefs().standing(take)).append(take.reading()));
        return s.append(t.settings()).toString();
    }

    private boolean have(Meter<?> meter, Measured m, Target t, boolean whole) {
        Optional<String> of = m.of(meter, t.shot(), t.subject());
        return of.filter(stamp(t)::equals).isPresent() && m.outcome(meter, t.shot(), t.subject()).filter(o -> o instanceof Outcome.Found<?>
                && (o.whole() || !whole)).isPresent();
    }

    private static String key(Meter<?> meter, Target t, List<String> contents) {
        return MeasurementCache.key(meter.code(), meter.version(), contents, t.settings());
    }

    /// A first look, kept under what the files look like from outside.
    private <R> Measured look(Meter<R> meter, Measured m, Shot shot, Of o, Progress progress) {
        Target t = target(meter, m, shot, o);
        if (t == null || have(meter, m, t, false)) {
            return m;
        }
        return outcome(meter, m, t, () -> {
            String key = MeasurementCache.key("look-" + meter.code(), meter.version(), List.of(stamp(t)), List.of());
            Optional<R> kept = means.readings().find(key, meter.kind());
            if (kept.isPresent()) {
                return m.with(meter, t, new Outcome.Found<>(kept.get(), true), stamp(t));
            }
            Optional<R> seen = meter.look(t, means, progress);
            seen.ifPresent(r -> means.readings().keep(key, r));
            return seen.map(r -> m.with(meter, t, new Outcome.Found<>(r, true), stamp(t))).orElse(m);
        });
    }

    private <R> Measured whole(Meter<R> meter, Measured m, Shot shot, Of o, Progress progress) {
        Target t = target(meter, m, shot, o);
        if (t == null || have(meter, m, t, true)) {
            return m;
        }
        return outcome(meter, m, t, () -> {
            String key = wholeKey(meter, t, progress);
            Optional<R> kept = means.readings().find(key, meter.kind());
            R reading = kept.isPresent() ? kept.get() : meter.measure(t, means, progress);
            if (kept.isEmpty()) {
                means.readings().keep(key, reading);
            }
            return m.with(meter, t, new Outcome.Found<>(reading, false), stamp(t));
        });
    }

    /// Keys every frame of a plate's chosen take, where a survey looks at some, and keeps what was measured as that take's reading.
    ///
    /// Gives what puts the reading into all that was measured; where the take is keyed otherwise by then, that changes nothing.
    ///
    /// @throws FootageException if the take cannot be read or shows no screen
    /// @throws IOException if a file cannot be read
    /// @throws Stopped if progress asks for it
    public UnaryOperator<Measured> keyEveryFrame(Shot shot, Plate plate, Measured m, Progress progress)
            throws FootageException, IOException {
        Take take = plate.chosen();
        Target t = take == null ? null : target(Meters.KEY, m, shot, new Of(plate, take));
        return t == null ? UnaryOperator.identity() : every(Meters.KEY, t, progress);
    }

    private <R> UnaryOperator<Measured> every(Meter<R> meter, Target t, Progress progress) throws FootageException, IOException {
        String of = stamp(t);
        String key = wholeKey(meter, t, progress);
        Optional<R> found = meter.every(t, means, progress);
        found.ifPresent(r -> means.readings().keep(key, r));
        return now -> found.isEmpty() || !now.of(meter, t.shot(), t.subject()).orElse(of).equals(of) ? now
                : now.with(meter, t, new Outcome.Found<>(found.get(), false), of);
    }

    private String wholeKey(Meter<?> meter, Target t, Progress progress) throws IOException, FootageException {
        List<String> contents = new ArrayList<>();
        for (Take take : t.footage()) {
            means.source(take);
            contents.add(take.equals(t.take()) ? means.content(take, progress) : means.contents().of(folder.footage(take), progress));
        }
        return key(meter, t, contents);
    }

    private interface Measuring {
        Measured go() throws FootageException, IOException;
    }

    /// Whatever is thrown becomes the outcome.
    private <R> Measured outcome(Meter<R> meter, Measured m, Target t, Measuring measuring) {
        Path file = folder.footage(t.take());
        Outcome<R> failed;
        try {
            return measuring.go();
        } catch (UnsuitableException e) {
            failed = new Outcome.Refused<>(e.getMessage());
        } catch (FootageException | IOException | UncheckedIOException e) {
            failed = new Outcome.Unreadable<>(String.valueOf(e.getMessage()));
        } catch (OutOfMemoryError e) {
            failed = new Outcome.Refused<>(Words.of("surveyor.there-is-not-enough-memory-to", file));
        } catch (Stopped e) {
            throw e;
        } catch (RuntimeException | Error e) {
            failed = new Outcome.Unreadable<>(Words.of("surveyor.it-could-not-be-measured", file, e));
        }
        return m.with(meter, t, failed, stamp(t));
    }

    /// The screen-only footage of the plate's lock group, or null.
    public static @Nullable FootageSource screenPlate(ProductionFolder folder, Shot shot, Plate plate) {
        return KeyMeter.screenTake(folder, shot, plate).map(folder::source).orElse(null);
    }

    /// Writes what is known of a shot as the application ships it, into a folder of readings.
    ///
    /// @throws IOException if it cannot be written
    public void ship(Shot shot, Path into) throws IOException {
        Measured m = survey(shot, List.of(), Measured.NOTHING, Progress.NONE, t -> {});
        for (Plate plate : shot.plates()) {
            for (Take take : plate.takes()) {
                for (Meter<?> meter : Meters.ALL) {
                    ship(meter, m, target(meter, m, shot, new Of(plate, take)), into);
                }
            }
        }
    }

    private <R> void ship(Meter<R> meter, Measured m, @Nullable Target t, Path into) throws IOException {
        R reading = t == null ? null : m.outcome(meter, t.shot(), t.subject()).flatMap(Outcome::found).orElse(null);
        if (t != null && reading != null) {
            try {
                MeasurementCache.ship(into, wholeKey(meter, t, Progress.NONE), reading);
            } catch (FootageException e) {
                throw new IOException(e);
            }
        }
    }
}
