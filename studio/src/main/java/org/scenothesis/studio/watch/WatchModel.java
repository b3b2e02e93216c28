package org.scenothesis.studio.watch;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.match.Comparison;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.DisplayPicture;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.measure.Reference;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Session;

/// Which take of the plate on the shelf is watched, against what, and what was measured of it; without any window.
public final class WatchModel {
    /// What the picture can be: nothing yet, a reason why there is none, or two pictures laid over each other.
    public sealed interface Sight {
        record NoTake() implements Sight {}

        record NoPicture(String why) implements Sight {}

        record Pair(FootageSource take, FootageSource reference, Comparison how) implements Sight {}
    }

    private final Session session;
    private final boolean alone;
    private Comparison how;
    private @Nullable String looked;
    private Runnable changed = () -> {};

    /// - `alone`: a take without a reference is shown too.
    public WatchModel(Session session, Comparison first, boolean alone) {
        this.session = session;
        this.alone = alone;
        how = first;
        session.plateId().addListener(o -> {
            looked = null;
            changed.run();
        });
    }

    /// Told when another plate, take or way of comparing is looked at.
    public void whenChanged(Runnable action) {
        changed = action;
    }

    public Session session() {
        return session;
    }

    public Optional<Plate> plate() {
        return session.plate();
    }

    /// The take that is looked at: the one chosen by hand, else the one that counts.
    public Optional<Take> take() {
        return plate().flatMap(p -> p.take(looked).or(() -> Optional.ofNullable(p.chosen())));
    }

    public void look(Take other) {
        looked = other.id();
        changed.run();
    }

    public Comparison how() {
        return how;
    }

    public void compare(Comparison other) {
        how = other;
        changed.run();
    }

    /// What the lock check found of the take.
    public Optional<LockReport> lock() {
        return plate().flatMap(p -> take().flatMap(t -> session.measured().get().lock(session.shot(), p, t)));
    }

    /// The stretch between bumps the frame that is shown lies in.
    public Optional<LockReport.Segment> segment() {
        return lock().filter(LockReport::found).map(r -> r.at(session.frame()));
    }

    /// What the lock check found of the frame that is shown.
    public Optional<LockReport.Sample> sample() {
        int frame = session.frame();
        return lock().flatMap(r -> r.series().stream().filter(x -> x.frame() == frame).findFirst());
    }

    /// One value per frame; what could not be measured, or was not yet, is a gap.
    public double[] values(Function<LockReport.Sample, @Nullable Double> of) {
        LockReport r = lock().orElse(null);
        double[] out = new double[r == null ? 0 : r.frames()];
        Arrays.fill(out, Double.NaN);
        for (LockReport.Sample s : r == null ? List.<LockReport.Sample>of() : r.series()) {
            Double v = of.apply(s);
            if (v != null && s.frame() < out.length) {
                out[s.frame()] = v;
            }
        }
        return out;
    }

    /// Why nothing is known of how the camera stood, in a sentence; empty where it is known.
    public String unknown() {
        Plate plate = plate().orElse(null);
        Take take = take().orElse(null);
        if (plate == null || take == null) {
            return Words.of("watch-model.choose-plate-with-take-on");
        }
        LockReport r = lock().orElse(null);
        if (r != null) {
            return r.found() ? "" : Words.of("watch-model.too-little-of-the-set");
        }
        return session.measured().get().brief(take).filter(b -> !b.usable()).map(b -> b.problem())
                .or(() -> session.measured().get().lockTrouble(session.shot(), plate, take))
                .orElse(reference(plate, take).isEmpty() ? Words.of("watch-model.there-is-no-clean-plate")
                : Words.of("watch-model.not-measured-yet"));
    }

    /// What the take is compared with, in words.
    public String against() {
        Plate plate = plate().orElse(null);
        Take take = take().orElse(null);
        Reference r = plate == null || take == null ? null : reference(plate, take).orElse(null);
        if (r == null) {
            return Words.of("watch-model.nothing-to-compare-with");
        }
        return r.kind() == Reference.Kind.OWN_START ? Words.of("watch-model.against-its-own-beginning-so")
                : "against " + r.plate().name().toLowerCase(Locale.ROOT) + ", take " + (r.plate().takes().indexOf(r.take()) + 1);
    }

    private Optional<Reference> reference(Plate plate, Take take) {
        return Reference.of(session.shot(), plate, take);
    }

    /// What is there to be seen now.
    public Sight sight() {
        Plate plate = plate().orElse(null);
        Take take = take().orElse(null);
        if (plate == null || take == null) {
            return new Sight.NoTake();
        }
        FootageSource own = session.footage(take);
        if (own == null) {
            return new Sight.NoPicture(session.problem(take));
        }
        FootageSource reference = session.reference(plate, take);
        if (reference == null && !alone) {
            return new Sight.NoPicture(Words.of("watch-model.there-is-no-clean-plate-2"));
        }
        return new Sight.Pair(own, reference == null ? own : reference, how);
    }

    /// The picture of a pair at the moment that is shown, at most `w` by `h`; it comes later, and only if nothing newer was asked for.
    public void picture(String lane, Sight.Pair pair, int w, int h, Consumer<DisplayPicture> then, Consumer<String> failed) {
        double at = session.seconds().get();
        session.worker().ask(lane, ticket -> {
            Picture p = session.frames().at(pair.take(), at);
            Picture shown = pair.how() == Comparison.TAKE ? p : pair.how().of(p, session.frames().frame(pair.reference(), 0),
                    session.bands());
            return DisplayPicture.of(shown, w, h, session.bands());
        }, then, e -> failed.accept(String.valueOf(e.getMessage())));
    }
}
