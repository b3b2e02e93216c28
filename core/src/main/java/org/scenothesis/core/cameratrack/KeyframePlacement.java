package org.scenothesis.core.cameratrack;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.vision.Epipolar;

/// The key frames of a camera that travels, placed one after another: two that see the same from apart first, then whichever sees most of
/// what is known, all adjusted together as they come.
final class KeyframePlacement {
    static final int MOST_KEYS = 24;
    private static final int PAIRS = 6;
    private static final int FEWEST = 24;
    private static final double SHARED = 0.3;
    private static final double WITHIN_PX = 1.2;
    private static final double PLACED_PX = 6;
    private static final double LOST_PX = 3;
    private static final double WIDE_DEG = 6;
    private static final int ALL_AT_EVERY = 8;
    private static final double SURE_PX = 0.6;
    private static final double SURE_FOCAL = 0.03;

    private final List<FeatureTrack> traces;
    private final List<Integer> keys;
    private final Point middle;
    private final double loose;
    private final SortedMap<Integer, Stand> placed = new TreeMap<>();
    private Places places = new Places(List.of(), List.of());
    private double[] deviations = {};
    private double shapeOff;

    private KeyframePlacement(List<FeatureTrack> traces, List<Integer> keys, Point middle, double loose) {
        this.traces = traces;
        this.keys = keys;
        this.middle = middle;
        this.loose = loose;
    }

    /// Null where no two frames show depth, or the first frame cannot be placed.
    ///
    /// - `keys`: numbers of frames. `logFocal`: where the focal length begins, and `loose` how far from that it may be, as a deviation of
    ///   the logarithm. `goesOn` is run now and then, and may throw to stop it.
    static @Nullable KeyframePlacement through(List<FeatureTrack> traces, List<Integer> keys, Point middle, double logFocal, double loose,
            Runnable goesOn) {
        KeyframePlacement w = new KeyframePlacement(traces, keys, middle, loose);
        if (!w.begin(logFocal)) {
            return null;
        }
        while (w.placed.size() < keys.size() && w.further()) {
            goesOn.run();
            // The more are known the less one changes them.
            if (w.placed.size() < ALL_AT_EVERY || w.placed.size() % 3 == 0) {
                w.adjusted(5, 2);
            }
        }
        for (int round = 0; round < 3; round++) {
            goesOn.run();
            w.seen();
            w.adjusted(round == 0 ? 25 : 15, 1);
        }
        if (!w.placed.containsKey(0)) {
            return null;
        }
        w.deviations = w.bundle().deviations(false);
        double[] shape = w.bundle().deviations(true);
        w.shapeOff = shape.length == 0 ? Double.MAX_VALUE : Arrays.stream(shape, 0, shape.length - 1).max().orElse(0);
        w.fromFirst();
        return w;
    }

    private List<FeatureTrack> common(int a, int b) {
        return traces.stream().filter(t -> t.in(a) && t.in(b)).toList();
    }

    private record Pair(int a, int b, double score) {}

    private boolean begin(double logFocal) {
        Stand first = new Stand(Stand.STRAIGHT, Vec.ZERO, logFocal);
        List<Pair> pairs = new ArrayList<>();
        for (int i = 0; i < keys.size(); i++) {
            for (int k = i + 1; k < keys.size(); k++) {
                int a = keys.get(i);
                int b = keys.get(k);
                List<FeatureTrack> both = common(a, b);
                if (both.size() >= Math.max(FEWEST, SHARED * traces.stream().filter(t -> t.in(a)).count())) {
                    List<RotationFit.Both> in = both.stream().map(t -> new RotationFit.Both(t.in(a, middle), t.in(b, middle))).toList();
                    Stand turned = RotationFit.after(first, in);
                    double[] off = in.stream().mapToDouble(p -> Math.min(1e4, turned.off(first.ray(p.first()), p.second(), true))).sorted()
                            .toArray();
                    pairs.add(new Pair(a, b, off[off.length / 2] * Math.sqrt(both.size())));
                }
            }
        }
        pairs.sort(Comparator.comparingDouble((Pair p) -> -p.score));
        double most = 0;
        for (Pair p : pairs.subList(0, Math.min(PAIRS, pairs.size()))) {
            most = Math.max(most, tried(p, first, most));
        }
        return most > 0;
    }

    /// How many points two frames place, each counted by the angle under which it is seen; taken where that is more than `most`.
    private double tried(Pair p, Stand first, double most) {
        double f = first.focal();
        List<FeatureTrack> both = common(p.a, p.b);
        Optional<Epipolar.Stand> stand = Epipolar.between(both.stream().map(t -> t.in(p.a, middle).times(1 / f)).toList(), both.stream()
                .map(t -> t.in(p.b, middle).times(1 / f)).toList(), WITHIN_PX / f);
        if (stand.isEmpty()) {
            return 0;
        }
        Stand second = stand(stand.get(), first.logFocal());
        List<FeatureTrack> kept = new ArrayList<>();
        List<Vec> at = new ArrayList<>();
        double score = 0;
        for (FeatureTrack t : both) {
            Optional<Vec> met = Places.met(t, List.of(p.a, p.b), List.of(first, second), middle)
                    .filter(v -> v.z() > 0 && second.seen(v).z() > 0);
            if (met.isPresent()) {
                kept.add(t);
                at.add(met.get());
                double angle = Math.toDegrees(Math.acos(Math.clamp(met.get().unit().dot(met.get().minus(second.at()).unit()), -1, 1)));
                score += Math.min(WIDE_DEG, angle);
            }
        }
        if (kept.size() < FEWEST / 2 || score <= most) {
            return 0;
        }
        placed.clear();
        placed.put(p.a, first);
        placed.put(p.b, second);
        places = new Places(kept, at);
        return score;
    }

    private static Stand stand(Epipolar.Stand s, double logFocal) {
        Stand turned = new Stand(s.rotation(), Vec.ZERO, logFocal);
        return new Stand(s.rotation(), turned.back(s.step()).times(-1), logFocal);
    }

    /// The key frame that sees most of what is known; false where none does.
    private boolean further() {
        List<Integer> open = keys.stream().filter(k -> !placed.containsKey(k))
                .sorted(Comparator.comparingInt(k -> -places.sights(k, middle).size())).toList();
        for (int k : open) {
            Stand s = placed(k);
            if (s != null) {
                placed.put(k, s);
                seen();
                return true;
            }
        }
        return false;
    }

    private @Nullable Stand placed(int key) {
        Stand near = placed.get(nearestKey(key));
        Stand s = places.placed(Objects.requireNonNull(near), key, middle);
        if (s != null) {
            return s;
        }
        List<Pose.Sight> sights = places.sights(key, middle);
        double f = near.focal();
        return Epipolar.before(sights.stream().map(Pose.Sight::place).toList(), sights.stream().map(g -> g.at().times(1 / f)).toList(),
                PLACED_PX / f)
                .map(e -> places.placed(stand(e, near.logFocal()), key, middle)).orElse(null);
    }

    private int nearestKey(int frame) {
        return placed.keySet().stream().min(Comparator.comparingInt(k -> Math.abs(k - frame))).orElseThrow();
    }

    /// All that two or more of the placed see and agree on; what is known stays where it is.
    private void seen() {
        List<Integer> frames = List.copyOf(placed.keySet());
        List<Stand> cameras = List.copyOf(placed.values());
        Map<FeatureTrack, Vec> before = new IdentityHashMap<>();
        for (int i = 0; i < places.all().size(); i++) {
            before.put(places.traces().get(i), places.all().get(i));
        }
        List<FeatureTrack> kept = new ArrayList<>();
        List<Vec> at = new ArrayList<>();
        for (FeatureTrack t : traces) {
            Vec known = before.get(t);
            Optional<Vec> met = known != null && fits(t, known, frames, cameras) ? Optional.of(known)
                    : Places.met(t, frames, cameras, middle);
            met.filter(v -> IntStream.range(0, frames.size()).allMatch(c -> !t.in(frames.get(c)) || cameras.get(c).seen(v).z() > 0))
                    .ifPresent(v -> {
                kept.add(t);
                at.add(v);
            });
        }
        places = new Places(kept, at);
    }

    private boolean fits(FeatureTrack t, Vec place, List<Integer> frames, List<Stand> cameras) {
        return IntStream.range(0, frames.size()).allMatch(c -> !t.in(frames.get(c)) || cameras.get(c)
                .off(place, t.in(frames.get(c), middle), false) < LOST_PX);
    }

    private BundleAdjustment bundle() {
        return places.bundle(List.copyOf(placed.values()), List.copyOf(placed.keySet()), middle, loose);
    }

    private void adjusted(int rounds, double soft) {
        BundleAdjustment b = bundle();
        b.solve(rounds, soft);
        int c = 0;
        for (int k : List.copyOf(placed.keySet())) {
            placed.put(k, b.cameras().get(c++));
        }
        places = places.with(b.places());
        // What the first pair knew by one step is as far as it happens to be; numbers stay near one.
        scaled();
    }

    private void scaled() {
        Vec from = Objects.requireNonNull(placed.get(placed.firstKey())).at();
        double far = placed.values().stream().mapToDouble(s -> s.at().minus(from).length()).max().orElse(1);
        if (far > 1e-9) {
            placed.replaceAll((k, s) -> new Stand(s.r(), s.at().times(1 / far), s.logFocal()));
            places = places.with(places.all().stream().map(p -> p.times(1 / far)).toList());
        }
    }

    /// The first frame becomes the world.
    private void fromFirst() {
        Stand zero = Objects.requireNonNull(placed.get(0));
        double[] back = Stand.turnedBack(zero.r());
        placed.replaceAll((k, s) -> new Stand(Stand.times(s.r(), back), zero.turned(s.at().minus(zero.at())), s.logFocal()));
        places = places.with(places.all().stream().map(zero::seen).toList());
    }

    Places places() {
        return places;
    }

    /// The placed key frame nearest to a frame.
    Stand near(int frame) {
        return Objects.requireNonNull(placed.get(nearestKey(frame)));
    }

    /// Which of the placed that is.
    int nearest(int frame) {
        return List.copyOf(placed.keySet()).indexOf(nearestKey(frame));
    }

    /// How far the place of each placed key frame may be off, and the logarithm of the focal length last.
    double[] deviations() {
        return deviations;
    }

    /// How far any key frame may be off if the focal length is right.
    double shapeOff() {
        return shapeOff;
    }

    /// What the key frames leave over, in pixels.
    double left() {
        return placed.entrySet().stream().mapToDouble(e -> Pose.rootOff(e.getValue(), places.sights(e.getKey(), middle), false)).average()
                .orElse(Double.MAX_VALUE);
    }

    /// Whether no other focal length need be tried.
    boolean sure() {
        return placed.size() == keys.size() && left() < SURE_PX && deviations.length > 0 && deviations[deviations.length - 1] < SURE_FOCAL;
    }

    boolean betterThan(KeyframePlacement o) {
        return placed.size() != o.placed.size() ? placed.size() > o.placed.size() : left() < o.left();
    }
}
