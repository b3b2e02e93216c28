package org.scenothesis.core.cameratrack;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Solve;

/// Places of the set, each with the trace it was found by.
record Places(List<FeatureTrack> traces, List<Vec> all) {
    private static final int FEWEST = 10;
    private static final double FOUND_PX = 2.5;
    private static final double FITS_PX = 3;
    private static final double LEAST_ANGLE = Math.cos(Math.toRadians(0.8));

    Places {
        traces = List.copyOf(traces);
        all = List.copyOf(all);
    }

    Places with(List<Vec> moved) {
        return new Places(traces, moved);
    }

    /// What of them is seen in a frame.
    List<Pose.Sight> sights(int frame, Point middle) {
        List<Pose.Sight> out = new ArrayList<>();
        for (int i = 0; i < traces.size(); i++) {
            if (traces.get(i).in(frame)) {
                out.add(new Pose.Sight(all.get(i), traces.get(i).in(frame, middle)));
            }
        }
        return out;
    }

    /// The camera of a frame, from one near by; null where too little agrees.
    @Nullable Stand placed(Stand near, int frame, Point middle) {
        List<Pose.Sight> s = sights(frame, middle);
        if (s.size() < FEWEST) {
            return null;
        }
        Stand rough = Pose.placed(near, s, BundleAdjustment.Motion.TRAVEL, 8 * FITS_PX);
        Stand out = Pose.placed(rough, s, BundleAdjustment.Motion.TRAVEL, 1);
        return Pose.middleOff(out, s, false) < FOUND_PX ? out : null;
    }

    /// Cameras of frames with all that they see.
    BundleAdjustment bundle(List<Stand> cameras, List<Integer> frames, Point middle, double loose) {
        List<BundleAdjustment.Seen> seen = new ArrayList<>();
        for (int i = 0; i < traces.size(); i++) {
            for (int c = 0; c < frames.size(); c++) {
                if (traces.get(i).in(frames.get(c))) {
                    seen.add(new BundleAdjustment.Seen(c, i, traces.get(i).in(frames.get(c), middle)));
                }
            }
        }
        return new BundleAdjustment(BundleAdjustment.Motion.TRAVEL, cameras, all, seen, loose);
    }

    /// Where a point is that cameras see: nearest to all of its rays. Empty where they are nearly parallel, disagree, or it would be behind
    /// one of them.
    static Optional<Vec> met(FeatureTrack t, List<Integer> frames, List<Stand> cameras, Point middle) {
        double[][] m = new double[3][4];
        List<Vec> rays = new ArrayList<>();
        List<Integer> in = new ArrayList<>();
        for (int c = 0; c < frames.size(); c++) {
            if (t.in(frames.get(c))) {
                Stand s = cameras.get(c);
                Vec d = s.ray(t.in(frames.get(c), middle));
                rays.add(d);
                in.add(c);
                double[] e = {d.x(), d.y(), d.z()};
                double[] p = {s.at().x(), s.at().y(), s.at().z()};
                for (int i = 0; i < 3; i++) {
                    for (int k = 0; k < 3; k++) {
                        double w = (i == k ? 1 : 0) - e[i] * e[k];
                        m[i][k] += w;
                        m[i][3] += w * p[k];
                    }
                }
            }
        }
        double least = 1;
        for (int i = 0; i < rays.size(); i++) {
            for (int k = i + 1; k < rays.size(); k++) {
                least = Math.min(least, rays.get(i).dot(rays.get(k)));
            }
        }
        if (rays.size() < 2 || least > LEAST_ANGLE) {
            return Optional.empty();
        }
        return Solve.linear(m).map(x -> new Vec(x[0], x[1], x[2])).filter(
                at -> in.stream().allMatch(c -> cameras.get(c).off(at, t.in(frames.get(c), middle), false) < FITS_PX));
    }
}
