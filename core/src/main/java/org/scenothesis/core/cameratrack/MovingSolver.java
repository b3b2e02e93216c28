package org.scenothesis.core.cameratrack;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.function.DoubleConsumer;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.cameratrack.MovingCamera.Does;
import org.scenothesis.core.cameratrack.MovingCamera.Frame;
import org.scenothesis.core.cameratrack.MovingCamera.Refusal;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.picture.Point;

/// The camera of a take from points that were followed through it.
///
/// 1. Does it stay, or only turn, or turn and zoom? What is seen of that is tried first: a path is never read out of what a turning camera
///    shows as well.
/// 2. Else key frames are placed one after another ([KeyframePlacement]) and adjusted together ([BundleAdjustment]), from several focal
///    lengths where none is known; the rest is placed between them.
/// 3. Refused by name: too few points, too little parallax, a path less sure than two percent of its length.
public final class MovingSolver {
    private static final int FEWEST_POINTS = 24;
    private static final double STILL_PX = 0.35;
    private static final double TURN_PX = 0.35;
    private static final double FITS_PX = 0.9;
    private static final double SOFT_PX = 1;
    private static final double FOCAL_KNOWN = 0.06;
    private static final double LOOSE = 0.45;
    private static final double PATH_SURE = 0.02;
    private static final int MOST_AT_ONCE = 130;
    private static final int KEY_ROUNDS = 12;
    private static final double[] FOCALS = {1.15, 0.75, 1.8};
    private static final double USUAL = 1.1;

    private final List<FeatureTrack> traces;
    private final int frames;
    private final int width;
    private final int height;
    private final Point middle;
    private final @Nullable Estimate told;

    /// - `told`: the focal length in pixels where it is known. `middle`: where the lens looks through the picture.
    public MovingSolver(List<FeatureTrack> traces, int frames, int width, int height, Point middle, @Nullable Estimate told) {
        this.traces = List.copyOf(traces);
        this.frames = frames;
        this.width = width;
        this.height = height;
        this.middle = middle;
        this.told = told;
    }

    /// The camera, its world that of its first frame: right, up, ahead. `progress` is told shares of the work; it may throw to stop it.
    public MovingCamera solve(DoubleConsumer progress) {
        if (frames < 2) {
            return none("path", "one-frame");
        }
        if (traces.stream().filter(t -> t.in(0)).count() < FEWEST_POINTS) {
            return none("path", "bare");
        }
        if (moved() < STILL_PX) {
            return new MovingCamera(width, height, Does.STAYS, told,
                    standing(still(), IntStream.range(0, frames).mapToDouble(i -> Double.NaN).toArray()), List.of(), false, false, 0,
                    Double.NaN, List.of(new Refusal("path", "still")));
        }
        progress.accept(0);
        List<Integer> keys = keys();
        Turned turn = turned(keys, BundleAdjustment.Motion.TURN);
        progress.accept(0.15);
        Turned zoom = turn.left < TURN_PX ? turn : turned(keys, BundleAdjustment.Motion.ZOOM);
        Turned best = zoom.left < 0.7 * turn.left ? zoom : turn;
        progress.accept(0.25);
        if (best.left < TURN_PX / 2) {
            return turning(best);
        }
        @Nullable KeyframePlacement walk = walked(keys, progress);
        double left = walk == null ? Double.MAX_VALUE : walk.left();
        if (best.left < TURN_PX && left > best.left / 2) {
            return turning(best);
        }
        if (walk == null || left > FITS_PX) {
            return best.left < FITS_PX ? turning(best) : none("path", walk == null ? "no-pair" : "does-not-fit");
        }
        return travelled(walk, best, progress);
    }

    /// How far the logarithm of the focal length may be from where it begins, as a deviation; 0 where it was told exactly.
    private double loose() {
        return told == null ? LOOSE : told.share() > 1e-9 ? told.share() : 0;
    }

    private MovingCamera none(String what, String why) {
        return new MovingCamera(width, height, Does.UNKNOWN, null, IntStream.range(0, frames).mapToObj(i -> (Frame) null)
                .collect(Collectors.toList()), List.of(), false, false, 0, Double.NaN, List.of(new Refusal(what, why)));
    }

    private List<Stand> still() {
        double f = Math.log(told == null ? USUAL * width : told.value());
        return IntStream.range(0, frames).mapToObj(i -> new Stand(Stand.STRAIGHT, Vec.ZERO, f)).toList();
    }

    /// How far half of what is seen in the first frame is from there in that frame in which it is farthest, in pixels.
    private double moved() {
        double most = 0;
        for (int f = 1; f < frames; f++) {
            int now = f;
            double[] d = traces.stream().filter(t -> t.in(0) && t.in(now)).mapToDouble(t -> t.in(now, middle).minus(t.in(0, middle))
                    .length()).sorted().toArray();
            most = d.length == 0 ? Double.MAX_VALUE : Math.max(most, d[d.length / 2]);
        }
        return most;
    }

    /// Frames that differ enough to be worth solving, at most [KeyframePlacement#MOST_KEYS], the first and last among them: fewer and fewer
    /// are asked for where there are too many, and evenly spread ones where points are lost all the time.
    private List<Integer> keys() {
        double apart = 0.012 * width;
        double kept = 0.6;
        for (int round = 0; round < KEY_ROUNDS; round++) {
            List<Integer> out = keys(apart, kept);
            if (out.size() <= KeyframePlacement.MOST_KEYS) {
                return out;
            }
            apart *= 1.4;
            kept *= 0.8;
        }
        return IntStream.range(0, KeyframePlacement.MOST_KEYS).mapToObj(k -> k * (frames - 1) / (KeyframePlacement.MOST_KEYS - 1)).toList();
    }

    /// A new one wherever most points are so many pixels from where the last has them, or fewer than a share of its points are left.
    private List<Integer> keys(double apart, double kept) {
        List<Integer> out = new ArrayList<>(List.of(0));
        for (int f = 1; f < frames; f++) {
            int last = out.getLast();
            int now = f;
            double[] d = traces.stream().filter(t -> t.in(last) && t.in(now)).mapToDouble(t -> t.in(now, middle).minus(t.in(last, middle))
                    .length()).sorted().toArray();
            long there = traces.stream().filter(t -> t.in(last)).count();
            boolean far = d.length == 0 || d[d.length / 2] > apart || d.length < kept * there;
            if (far && f > last + 1 || f == frames - 1) {
                out.add(f);
            }
        }
        return out;
    }

    /// A camera that stands and turns in all frames; what half of the points of each leave over at most, and that in the worst tenth of the
    /// frames.
    private record Turned(BundleAdjustment.Motion motion, List<Stand> all, double[] each, double left, double focalShare) {}

    private Turned turned(List<Integer> keys, BundleAdjustment.Motion motion) {
        double start = Math.log(told == null ? USUAL * width : told.value());
        List<Stand> at = new ArrayList<>(List.of(new Stand(Stand.STRAIGHT, Vec.ZERO, start)));
        for (int k = 1; k < keys.size(); k++) {
            at.add(RotationFit.after(at.getLast(), common(keys.get(k - 1), keys.get(k))));
        }
        List<Vec> far = new ArrayList<>();
        List<BundleAdjustment.Seen> seen = new ArrayList<>();
        for (FeatureTrack t : traces) {
            List<Integer> in = IntStream.range(0, keys.size()).filter(k -> t.in(keys.get(k))).boxed().toList();
            if (in.size() >= 2) {
                int first = in.getFirst();
                far.add(at.get(first).ray(t.in(keys.get(first), middle)));
                in.forEach(k -> seen.add(new BundleAdjustment.Seen(k, far.size() - 1, t.in(keys.get(k), middle))));
            }
        }
        if (far.size() < FEWEST_POINTS) {
            return new Turned(motion, List.of(), new double[0], Double.MAX_VALUE, 1);
        }
        double loose = motion == BundleAdjustment.Motion.ZOOM ? LOOSE : loose();
        BundleAdjustment b = new BundleAdjustment(motion, at, far, seen, loose);
        b.solve(30, 3);
        b.solve(30, SOFT_PX);
        double[] share = b.deviations(false);
        // What is placed between the keys sees the same far places.
        List<Stand> all = new ArrayList<>();
        List<Vec> places = b.places();
        List<FeatureTrack> of = traces.stream().filter(t -> IntStream.range(0, keys.size()).filter(k -> t.in(keys.get(k))).count() >= 2)
                .toList();
        double[] left = new double[frames];
        for (int f = 0; f < frames; f++) {
            Stand s = b.cameras().get(nearest(keys, f));
            List<Pose.Sight> sights = new ArrayList<>();
            for (int i = 0; i < of.size(); i++) {
                if (of.get(i).in(f)) {
                    sights.add(new Pose.Sight(places.get(i), of.get(i).in(f, middle)));
                }
            }
            Stand placed = Pose.placed(s, sights, motion, SOFT_PX);
            all.add(placed);
            left[f] = Pose.middleOff(placed, sights, true);
        }
        double[] sorted = Arrays.stream(left).sorted().toArray();
        return new Turned(motion, all, left, sorted[(int) (0.9 * (frames - 1))], share.length == 0 ? 1 : share[share.length - 1]);
    }

    private static int nearest(List<Integer> keys, int frame) {
        int best = 0;
        for (int k = 1; k < keys.size(); k++) {
            best = Math.abs(keys.get(k) - frame) < Math.abs(keys.get(best) - frame) ? k : best;
        }
        return best;
    }

    private List<RotationFit.Both> common(int a, int b) {
        return traces.stream().filter(t -> t.in(a) && t.in(b)).map(t -> new RotationFit.Both(t.in(a, middle), t.in(b, middle))).toList();
    }

    private MovingCamera turning(Turned t) {
        List<Refusal> refused = new ArrayList<>(List.of(new Refusal("path", "no-parallax")));
        Estimate focal = told;
        if (focal == null) {
            double f = t.all.getFirst().focal();
            focal = t.focalShare < FOCAL_KNOWN ? new Estimate(f, f * t.focalShare) : null;
            if (focal == null) {
                refused.add(new Refusal("focal", "too-little-turn"));
            }
        }
        return new MovingCamera(width, height, t.motion == BundleAdjustment.Motion.ZOOM ? Does.ZOOMS : Does.TURNS, focal,
                standing(t.all, t.each), List.of(), false, false, 0, t.left, refused);
    }

    private @Nullable KeyframePlacement walked(List<Integer> keys, DoubleConsumer progress) {
        double[] starts = told != null ? new double[] {told.value() / width} : FOCALS;
        KeyframePlacement best = null;
        for (int i = 0; i < starts.length; i++) {
            double at = 0.25 + 0.45 * i / starts.length;
            KeyframePlacement w = KeyframePlacement.through(traces, keys, middle, Math.log(starts[i] * width), loose(),
                    () -> progress.accept(at));
            progress.accept(0.25 + 0.45 * (i + 1) / starts.length);
            if (w != null && (best == null || w.betterThan(best))) {
                best = w;
            }
            if (w != null && w.sure()) {
                break;
            }
        }
        return best;
    }

    private MovingCamera travelled(KeyframePlacement walk, Turned turned, DoubleConsumer progress) {
        List<@Nullable Stand> all = new ArrayList<>();
        Places places = walk.places();
        for (int f = 0; f < frames; f++) {
            all.add(places.placed(walk.near(f), f, middle));
        }
        progress.accept(0.85);
        double[] std = walk.deviations();
        double focalShare = std.length == 0 ? 1 : std[std.length - 1];
        if (frames <= MOST_AT_ONCE && all.stream().allMatch(Objects::nonNull)) {
            BundleAdjustment b = places.bundle(all.stream().map(Objects::requireNonNull).toList(), IntStream.range(0, frames).boxed()
                    .toList(), middle, loose());
            b.solve(12, SOFT_PX);
            all = new ArrayList<>(b.cameras());
            places = places.with(b.places());
        }
        double far = all.stream().filter(Objects::nonNull).mapToDouble(s -> s.at().length()).max().orElse(0);
        List<Refusal> refused = new ArrayList<>();
        double off = walk.shapeOff() / Math.max(1e-12, far);
        if (off > PATH_SURE || far < 1e-9 || std.length == 0) {
            return turned.left < FITS_PX ? turning(turned) : none("path", "unsure");
        }
        Estimate focal = told;
        if (focal == null) {
            double f = Objects.requireNonNull(all.stream().filter(Objects::nonNull).findFirst().orElseThrow()).focal();
            focal = focalShare < FOCAL_KNOWN ? new Estimate(f, f * focalShare) : null;
            if (focal == null) {
                refused.add(new Refusal("focal", "too-little-depth"));
            }
        }
        refused.add(new Refusal("scale", "no-marks"));
        if (all.stream().anyMatch(Objects::isNull)) {
            refused.add(new Refusal("frames", "lost"));
        }
        Frame[] out = new Frame[frames];
        double sum = 0;
        int n = 0;
        for (int f = 0; f < frames; f++) {
            Stand s = all.get(f);
            if (s != null) {
                List<Pose.Sight> sights = places.sights(f, middle);
                double left = Pose.rootOff(s, sights, false);
                out[f] = frame(s, 1 / far, left, std[walk.nearest(f)] / far, sights.size());
                sum += left * left;
                n++;
            }
        }
        List<Vec> there = places.all().stream().map(p -> world(p.times(1 / far))).toList();
        progress.accept(1);
        return new MovingCamera(width, height, Does.TRAVELS, focal, Arrays.asList(out), there, false, false, 0,
                Math.sqrt(sum / Math.max(1, n)), refused);
    }

    /// Frames of a camera that keeps its place; one in which nothing known is seen is not placed.
    private static List<@Nullable Frame> standing(List<Stand> all, double[] left) {
        List<@Nullable Frame> out = new ArrayList<>();
        for (int i = 0; i < left.length; i++) {
            out.add(left[i] == Double.MAX_VALUE ? null : frame(all.get(i), 1, left[i], Double.NaN, 0));
        }
        return out;
    }

    private static Frame frame(Stand s, double scale, double left, double std, int points) {
        return new Frame(world(s.at().times(scale)), world(s.back(new Vec(1, 0, 0))), world(s.back(new Vec(0, 1, 0))),
                world(s.back(new Vec(0, 0, 1))), s.focal(), left, std, points);
    }

    /// Down becomes up.
    private static Vec world(Vec v) {
        return new Vec(v.x(), -v.y(), v.z());
    }
}
