package org.scenothesis.core.cameratrack;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.cameratrack.MovingCamera.Does;
import org.scenothesis.core.cameratrack.MovingCamera.Frame;
import org.scenothesis.core.cameratrack.MovingCamera.Refusal;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.picture.Point;

/// A solved path put on the ground: level by tilt and roll of its first frame, and in metres by where the ground is.
///
/// The ground is found among the places: those on it all say one scale when they are laid where the first frame's camera sees the ground;
/// what stands above it says more, each something else.
public final class GroundAlignment {
    private static final double ALIKE = 0.03;
    private static final double WIDE = 4;
    private static final double STANDS_OUT = 1.6;
    private static final int FEWEST = 20;
    private static final double LEAST_SHARE = 0.1;
    private static final double NEARLY_AS_MANY = 0.5;
    private static final double FARTHEST_M = 60;

    private GroundAlignment() {}

    /// By the camera of the first frame, as its marks say it; what it does not say stays as it was.
    public static MovingCamera by(MovingCamera c, PictureCamera first) {
        if (first.focalPx() == null || first.tiltDeg() == null || first.rollDeg() == null || c.frames().getFirst() == null) {
            return c;
        }
        Point middle = first.principalPx();
        Vec ahead = first.ray(middle).unit();
        Vec right = first.ray(middle.plus(new Point(first.focalPx().value(), 0))).minus(first.ray(middle)).unit();
        Vec up = first.ray(middle.minus(new Point(0, first.focalPx().value()))).minus(first.ray(middle)).unit();
        Estimate lens = first.lensHeightM();
        Estimate scale = lens == null || c.does() != Does.TRAVELS ? null : scale(c, first, middle)
                .map(s -> new Estimate(s.value(), s.value() * Math.hypot(s.share(), lens.share()))).orElse(null);
        double k = scale == null ? 1 : scale.value();
        Vec foot = lens == null || scale == null ? Vec.ZERO : new Vec(0, lens.value(), 0);
        List<@Nullable Frame> frames = new ArrayList<>();
        for (Frame f : c.frames()) {
            frames.add(f == null ? null : new Frame(
                    turned(f.position(), right, up, ahead).times(k).plus(foot), turned(f.right(), right, up, ahead),
                    turned(f.down(), right, up, ahead), turned(f.ahead(), right, up, ahead), f.focalPx(), f.residualPx(),
                    f.std() * k, f.points()));
        }
        List<Vec> places = c.places().stream().map(p -> turned(p, right, up, ahead).times(k).plus(foot)).toList();
        List<Refusal> refused = new ArrayList<>(c.refused().stream().filter(r -> !r.what().equals("scale")).toList());
        if (scale == null && c.does() == Does.TRAVELS) {
            refused.add(new Refusal("scale", lens == null ? "no-height" : "no-ground"));
        }
        return new MovingCamera(c.width(), c.height(), c.does(), c.focalPx(), frames, places, true, scale != null, scale == null ? 0
                : scale.share(), c.residualPx(), refused);
    }

    private static Vec turned(Vec v, Vec right, Vec up, Vec ahead) {
        return right.times(v.x()).plus(up.times(v.y())).plus(ahead.times(v.z()));
    }

    /// Metres to one of the path's units, by the lowest level that many places share.
    private static Optional<Estimate> scale(MovingCamera c, PictureCamera first, Point middle) {
        double lens = first.lensHeightM() == null ? 0 : first.lensHeightM().value();
        Frame zero = c.frames().getFirst();
        double[] logs = c.places().stream().mapToDouble(p -> zero == null ? Double.NaN : zero.project(p)
                .flatMap(q -> first.ground(q.plus(middle)))
                        .filter(g -> Math.hypot(g.rightM(), g.forwardM()) < FARTHEST_M)
                        .map(g -> Math.log(Math.sqrt(g.rightM() * g.rightM() + g.forwardM() * g.forwardM() + lens * lens) / p.minus(
                        zero.position()).length())).orElse(Double.NaN))
                .filter(v -> !Double.isNaN(v)).sorted().toArray();
        int[] alike = new int[logs.length];
        int most = 0;
        for (int i = 0; i < logs.length; i++) {
            double at = logs[i];
            alike[i] = (int) Arrays.stream(logs).filter(v -> Math.abs(v - at) < ALIKE).count();
            most = Math.max(most, alike[i]);
        }
        if (most < Math.max(FEWEST, LEAST_SHARE * logs.length)) {
            return Optional.empty();
        }
        int best = -1;
        for (int i = 0; i < logs.length; i++) {
            boolean many = alike[i] >= NEARLY_AS_MANY * most;
            // Sorted: up from the lowest of them to where they are densest.
            if (many && (best < 0 || logs[i] - logs[best] < ALIKE && alike[i] > alike[best])) {
                best = i;
            }
        }
        double at = logs[best];
        // Things at all heights are everywhere alike; a level stands out from what is beside it.
        long around = Arrays.stream(logs).filter(v -> Math.abs(v - at) < WIDE * ALIKE).count();
        if (alike[best] < STANDS_OUT * around / WIDE) {
            return Optional.empty();
        }
        double[] near = Arrays.stream(logs).filter(v -> Math.abs(v - at) < ALIKE).toArray();
        double middleLog = near[near.length / 2];
        double[] away = Arrays.stream(near).map(v -> Math.abs(v - middleLog)).sorted().toArray();
        double share = 1.4826 * away[away.length / 2] / Math.sqrt(near.length) * 1.25;
        return Optional.of(new Estimate(Math.exp(middleLog), Math.exp(middleLog) * share));
    }
}
