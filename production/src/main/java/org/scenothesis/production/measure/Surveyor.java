package org.scenothesis.production.measure;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.measure.Measurement.Of;
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
    private final Measurement.Means means;

    public Surveyor(ProductionFolder folder, Bands bands) {
        this(folder, bands, Readings.of(folder, shipped()));
    }

    Surveyor(ProductionFolder folder, Bands bands, Readings readings) {
        this.folder = folder;
        means = new Measurement.Means(folder, readings, new Contents(readings), new Briefs(folder, readings), bands);
    }

    /// The readings of the demo's footage that ship with the application.
    static Path shipped() {
        return Path.of(System.getProperty("scenothesis.home", "."), "demo", "lantern-works", "readings");
    }

    public Contents contents() {
        return means.contents();
    }

    /// Measures the shot; `progress` counts steps in hundredths.
    ///
    /// - `order`: ids of plates, those that are looked at first; others follow.
    ///
    /// @throws Stopped if progress asks for it
    public Measured survey(Shot shot, List<String> order, Measured before, Progress progress, Consumer<Measured> told) {
        StoryPanel telling = new StoryPanel(told);
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
            m = task(m, shot, new Work(o, this::look), progress);
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
            m = task(m, shot, work.get(i), (done, of) -> progress.at(at * 100 + (of == 0 ? 0 : 100 * done / of), work.size() * 100));
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

    /// A kind of measurement, for a take of a shot as far as it is measured; null where there is nothing to measure.
    @FunctionalInterface
    private interface Kind {
        @Nullable Measurement of(Measured m, Shot shot, Of o);
    }

    private record Work(Of of, Kind kind) {}

    private List<Work> work(List<Of> counting, List<Of> rest) {
        List<Work> work = new ArrayList<>();
        counting.forEach(o -> work.add(new Work(o, this::lock)));
        counting.forEach(o -> work.add(new Work(o, this::key)));
        rest.forEach(o -> work.add(new Work(o, this::lock)));
        return work;
    }

    /// Tells at most a few times a second: the whole interface follows.
    private static final class StoryPanel {
        private final Consumer<Measured> told;
        private long last;

        StoryPanel(Consumer<Measured> told) {
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

    private Measured briefs(List<Of> of, Measured before, Progress progress, StoryPanel telling) {
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
    private Measured recall(Shot shot, List<Of> of, Measured before, StoryPanel telling) {
        Measured m = before;
        for (Of o : of) {
            for (Kind kind : List.<Kind>of(this::lock, this::key)) {
                Measurement known = kind.of(m, shot, o);
                if (known != null && known.recall()) {
                    m = known.result;
                }
            }
            telling.sometimes(m);
        }
        return m;
    }

    private Measured task(Measured m, Shot shot, Work work, Progress progress) {
        Measurement job = work.kind.of(m, shot, work.of);
        if (job == null) {
            return m;
        }
        Path file = folder.footage(work.of.take());
        try {
            job.run(progress);
            return job.result;
        } catch (FootageException | IOException | UncheckedIOException e) {
            return job.trouble(String.valueOf(e.getMessage()));
        } catch (OutOfMemoryError e) {
            return job.trouble(file + ": there is not enough memory to measure it; start with SCENOTHESIS_HEAP=4g.");
        } catch (Stopped e) {
            throw e;
        } catch (RuntimeException | Error e) {
            return job.trouble(file + ": it could not be measured (" + e + ").");
        }
    }

    private @Nullable Measurement look(Measured m, Shot shot, Of o) {
        return lock(m, shot, o, true);
    }

    private @Nullable Measurement lock(Measured m, Shot shot, Of o) {
        return lock(m, shot, o, false);
    }

    private @Nullable Measurement lock(Measured m, Shot shot, Of o, boolean look) {
        Reference r = Reference.of(shot, o.plate(), o.take()).orElse(null);
        return r == null || m.brief(o.take()).filter(FootageBrief::usable).isEmpty() ? null : new LockMeasurement(means, m, shot, o, r, look);
    }

    /// Footage with a matte of its own needs no key.
    private @Nullable Measurement key(Measured m, Shot shot, Of o) {
        boolean keyed = o.plate().role().keyed() && o.take().equals(o.plate().chosen());
        return keyed && m.brief(o.take()).filter(b -> b.usable() && !b.alpha()).isPresent() ? new KeyMeasurement(means, m, shot, o) : null;
    }

    /// The screen-only footage of the plate's lock group, or null.
    public static @Nullable FootageSource screenPlate(ProductionFolder folder, Shot shot, Plate plate) {
        return KeyMeasurement.screenTake(folder, shot, plate).map(folder::source).orElse(null);
    }

    /// Writes what is known of a shot as the application ships it, into a folder of readings.
    ///
    /// @throws IOException if it cannot be written
    public void ship(Shot shot, Path into) throws IOException {
        Measured m = survey(shot, List.of(), Measured.NOTHING, Progress.NONE, t -> {});
        for (Plate plate : shot.plates()) {
            for (Take take : plate.takes()) {
                Of o = new Of(plate, take);
                for (Measurement made : Arrays.asList(lock(m, shot, o), key(m, shot, o))) {
                    if (made != null) {
                        made.ship(into);
                    }
                }
            }
        }
    }
}
