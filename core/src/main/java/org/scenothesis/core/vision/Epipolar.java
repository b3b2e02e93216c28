package org.scenothesis.core.vision;

import java.nio.ByteBuffer;
import java.nio.DoubleBuffer;
import java.nio.IntBuffer;
import java.util.List;
import java.util.Optional;
import org.bytedeco.opencv.global.opencv_calib3d;
import org.bytedeco.opencv.global.opencv_core;
import org.bytedeco.opencv.opencv_core.Mat;
import org.bytedeco.opencv.opencv_core.Point2d;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;

/// How one camera stands to another, and to points whose places are known, by chance samples that most points agree with.
///
/// - Picture points are rays here: offsets from where the lens looks in focal lengths, x right, y down, one ahead.
/// - Source: Nistér 2004 (five points), Fischler & Bolles 1981 (samples), Lepetit et al. 2009 (pose from points), in OpenCV.
public final class Epipolar {
    private static final int ROUNDS = 400;
    private static final double SURE = 0.9995;
    private static final int FEWEST = 8;

    private Epipolar() {}

    /// A camera against another: rows of its rotation one after another, and where the other's origin lies in it; of two cameras alone the
    /// step has length 1. `agree`: which points fit.
    public record Stand(double[] rotation, Vec step, boolean[] agree) {
        /// How many points fit.
        public int agreeing() {
            int n = 0;
            for (boolean b : agree) {
                n += b ? 1 : 0;
            }
            return n;
        }
    }

    /// How the second camera stands to the first, by where it sees the same points; `within`: how far off a point may be, in focal lengths.
    /// Empty where too few agree.
    public static Optional<Stand> between(List<Point> first, List<Point> second, double within) {
        if (first.size() < FEWEST) {
            return Optional.empty();
        }
        try (Mat a = rays(first); Mat b = rays(second); Mat mask = new Mat(); Mat r = new Mat(); Mat t = new Mat();
                Point2d middle = new Point2d(0, 0);
                Mat e = opencv_calib3d.findEssentialMat(a, b, 1.0, middle, opencv_calib3d.RANSAC, SURE, within, ROUNDS, mask)) {
            if (e.empty() || e.rows() != 3 || opencv_calib3d.recoverPose(e, a, b, r, t, 1.0, middle, mask) < FEWEST) {
                return Optional.empty();
            }
            ByteBuffer kept = mask.createBuffer();
            boolean[] agree = new boolean[first.size()];
            for (int i = 0; i < agree.length; i++) {
                agree[i] = kept.get(i) != 0;
            }
            double[] s = doubles(t, 3);
            return Optional.of(new Stand(doubles(r, 9), new Vec(s[0], s[1], s[2]), agree));
        }
    }

    /// How a camera stands to points whose places are known. Empty where too few agree.
    public static Optional<Stand> before(List<Vec> places, List<Point> seen, double within) {
        if (places.size() < FEWEST) {
            return Optional.empty();
        }
        try (Mat where = new Mat(places.size(), 3, opencv_core.CV_64F); Mat px = rays(seen); Mat eye = Mat.eye(3, 3, opencv_core.CV_64F)
                .asMat(); Mat straight = new Mat();
                Mat turn = new Mat(); Mat t = new Mat(); Mat r = new Mat(); Mat kept = new Mat()) {
            DoubleBuffer w = where.createBuffer();
            for (int i = 0; i < places.size(); i++) {
                Vec v = places.get(i);
                w.put(3 * i, v.x()).put(3 * i + 1, v.y()).put(3 * i + 2, v.z());
            }
            if (!opencv_calib3d.solvePnPRansac(where, px, eye, straight, turn, t, false, ROUNDS, (float) within, 0.999, kept,
                    opencv_calib3d.SOLVEPNP_EPNP) || kept.rows() < FEWEST) {
                return Optional.empty();
            }
            opencv_calib3d.Rodrigues(turn, r);
            boolean[] agree = new boolean[places.size()];
            IntBuffer k = kept.createBuffer();
            for (int i = 0; i < kept.rows(); i++) {
                agree[k.get(i)] = true;
            }
            double[] s = doubles(t, 3);
            return Optional.of(new Stand(doubles(r, 9), new Vec(s[0], s[1], s[2]), agree));
        }
    }

    /// How far each point is, in the second picture and in its unit, from where the best bend of one flat picture into the other puts it:
    /// least median of squares, Rousseeuw 1984. Empty where there is none.
    public static Optional<double[]> offFlat(List<Point> first, List<Point> second) {
        if (first.size() < FEWEST) {
            return Optional.empty();
        }
        try (Mat a = rays(first); Mat b = rays(second); Mat mask = new Mat(); Mat h = opencv_calib3d.findHomography(a, b, mask,
                opencv_calib3d.LMEDS, 3)) {
            if (h.empty()) {
                return Optional.empty();
            }
            double[] m = doubles(h, 9);
            PlanarMap map = new PlanarMap(m[0], m[1], m[2], m[3], m[4], m[5], m[6], m[7], m[8]);
            double[] out = new double[first.size()];
            for (int i = 0; i < out.length; i++) {
                out[i] = map.map(first.get(i)).minus(second.get(i)).length();
            }
            return Optional.of(out);
        }
    }

    private static Mat rays(List<Point> points) {
        Mat m = new Mat(points.size(), 2, opencv_core.CV_64F);
        DoubleBuffer d = m.createBuffer();
        for (int i = 0; i < points.size(); i++) {
            d.put(2 * i, points.get(i).x()).put(2 * i + 1, points.get(i).y());
        }
        return m;
    }

    private static double[] doubles(Mat m, int n) {
        DoubleBuffer d = m.createBuffer();
        double[] out = new double[n];
        for (int i = 0; i < n; i++) {
            out[i] = d.get(i);
        }
        return out;
    }
}
