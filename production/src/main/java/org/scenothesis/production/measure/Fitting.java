package org.scenothesis.production.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Limit;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.FrameFormat;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Track;
import org.scenothesis.core.shot.Tracks;

/// Whether what was filmed is long enough, and fits what it is laid on: follows from what the files say of themselves.
final class Fitting {
    private static final double SAME_RATE = 0.001;

    /// Size and rate of a shot; of footage they may be anything, told ones have bounds.
    private record Canvas(int width, int height, double rate) {}

    private Fitting() {}

    static Finding roll(Plate plate, FootageBrief b) {
        double needed = plate.rollSeconds();
        double got = b.still() ? 0 : b.seconds();
        // A quiet clean plate may be held: shorter than the take is worth a look, not a second day.
        boolean mayHold = plate.role().mayBeHeld();
        Verdict v = got + 0.05 >= needed ? Verdict.HOLDS : mayHold ? Verdict.WATCH : Verdict.REDO;
        return Finding.of(Measure.ROLL, subject(plate), got, new Limit(needed, Math.max(needed, 1e6))).judged(v)
                .detailed(needed, (double) b.frames());
    }

    /// Where size, rate or length of a layered plate differ from the shot's: what the render does about it.
    static List<Finding> of(Shot shot, Plate plate, FootageBrief b, Measured m) {
        List<Layer> on = shot.layers().stream().filter(Layer::on).toList();
        boolean used = on.stream().anyMatch(l -> l.source().plates().contains(plate.id()));
        Canvas to = canvas(shot, on, m);
        if (!used || to == null) {
            return List.of();
        }
        List<Finding> out = new ArrayList<>();
        if (b.width() != to.width() || b.height() != to.height()) {
            double stretched = Math.abs((double) b.width() * to.height() / (b.height() * (double) to.width()) - 1);
            out.add(Finding.that(Measure.SIZE, subject(plate), b.width(), stretched > 0.01 ? Verdict.REDO : Verdict.WATCH)
                    .detailed((double) b.width(), (double) b.height(), (double) to.width(), (double) to.height()));
        }
        double rate = to.rate();
        if (!b.still() && Math.abs(b.rate() / rate - 1) > SAME_RATE) {
            out.add(Finding.that(Measure.RATE, subject(plate), b.rate(), Verdict.WATCH).detailed(rate));
        }
        if (!b.still() && b.seconds() + 1 / rate < shot.seconds()) {
            out.add(Finding.that(Measure.LENGTH, subject(plate), b.seconds(), Verdict.WATCH).detailed(shot.seconds()));
        }
        out.addAll(followed(shot, plate, b, on, rate));
        return out;
    }

    /// What layers hang on: lost in some frames of the shot, or not there at all.
    private static List<Finding> followed(Shot shot, Plate plate, FootageBrief b, List<Layer> on, double rate) {
        List<Finding> out = new ArrayList<>();
        Set<String> hangs = on.stream().flatMap(l -> Tracks.of(l).stream()).collect(Collectors.toSet());
        int frames = Math.max(1, (int) Math.round(shot.seconds() * rate));
        for (Track t : shot.tracks()) {
            if (hangs.contains(t.id()) && t.plate().equals(plate.id())) {
                long lost = IntStream.range(0, frames).filter(i -> {
                    double at = Tracks.takeSeconds(shot, t.plate(), i / rate);
                    return at >= 0 && at < b.seconds() && !t.found(at, Math.min(rate, b.rate()));
                }).count();
                if (lost > 0) {
                    out.add(Finding.that(Measure.FOLLOWED, subject(plate), lost, Verdict.WATCH).detailed((double) frames));
                }
            }
        }
        boolean astray = on.stream().filter(l -> l.plate().equals(plate.id())).flatMap(l -> Tracks.of(l).stream())
                .anyMatch(id -> shot.track(id).isEmpty());
        if (astray) {
            out.add(Finding.that(Measure.FOLLOWED, subject(plate), frames, Verdict.REDO));
        }
        return out;
    }

    private static Subject subject(Plate plate) {
        return new Subject.OfPlate(plate.id());
    }

    /// What all layers are fitted to: as told, else size of the base and rate of the shot; null before the base can be read.
    private static @Nullable Canvas canvas(Shot shot, List<Layer> on, Measured m) {
        FrameFormat told = shot.format();
        if (told != null) {
            return new Canvas(told.width(), told.height(), told.rate());
        }
        return on.isEmpty() ? null : brief(shot, on.getFirst(), m).map(b -> new Canvas(b.width(), b.height(), rate(shot, on, m)))
                .orElse(null);
    }

    private static Optional<FootageBrief> brief(Shot shot, Layer l, Measured m) {
        return shot.plate(l.plate()).map(Plate::chosen).filter(Objects::nonNull).flatMap(m::brief).filter(FootageBrief::usable);
    }

    /// The rate of the shot: that of the lowest layer that moves.
    private static double rate(Shot shot, List<Layer> on, Measured m) {
        return on.stream().flatMap(l -> brief(shot, l, m).stream()).filter(b -> !b.still()).mapToDouble(FootageBrief::rate).findFirst()
                .orElse(24);
    }
}
