package org.scenothesis.core.cameratrack;

import java.util.Arrays;
import java.util.List;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.SingularValueDecomposition;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;

/// How a camera turned between two frames, if it only turned.
///
/// Source: the rotation between two bundles of rays by singular values, Kabsch 1976, with what does not fit weighted down.
final class RotationFit {
    private static final int ROUNDS = 6;
    private static final double SOFT_PX = 2;

    private RotationFit() {}

    /// A point in both frames, from where the lens looks.
    record Both(Point first, Point second) {}

    /// Where the camera looks in the second frame.
    static Stand after(Stand first, List<Both> common) {
        if (common.size() < 3) {
            return first;
        }
        double[] weight = new double[common.size()];
        Arrays.fill(weight, 1);
        Stand out = first;
        for (int round = 0; round < ROUNDS; round++) {
            double[][] h = new double[3][3];
            for (int i = 0; i < weight.length; i++) {
                Vec a = first.ray(common.get(i).first);
                Point p = common.get(i).second;
                Vec b = new Vec(p.x() / first.focal(), p.y() / first.focal(), 1).unit();
                double[] x = {a.x(), a.y(), a.z()};
                double[] y = {b.x(), b.y(), b.z()};
                for (int r = 0; r < 3; r++) {
                    for (int c = 0; c < 3; c++) {
                        h[r][c] += weight[i] * y[r] * x[c];
                    }
                }
            }
            SingularValueDecomposition svd = new SingularValueDecomposition(new Array2DRowRealMatrix(h, false));
            RealMatrix r = svd.getU().multiply(svd.getVT());
            double[] m = new double[9];
            boolean mirrored = determinant(r) < 0;
            RealMatrix u = svd.getU();
            if (mirrored) {
                for (int i = 0; i < 3; i++) {
                    u.setEntry(i, 2, -u.getEntry(i, 2));
                }
                r = u.multiply(svd.getVT());
            }
            for (int i = 0; i < 9; i++) {
                m[i] = r.getEntry(i / 3, i % 3);
            }
            out = new Stand(m, first.at(), first.logFocal());
            for (int i = 0; i < weight.length; i++) {
                double d = out.off(first.ray(common.get(i).first), common.get(i).second, true);
                weight[i] = 1 / (1 + d * d / (SOFT_PX * SOFT_PX));
            }
        }
        return out;
    }

    private static double determinant(RealMatrix m) {
        return m.getEntry(0, 0) * (m.getEntry(1, 1) * m.getEntry(2, 2) - m.getEntry(1, 2) * m.getEntry(2, 1))
                - m.getEntry(0, 1) * (m.getEntry(1, 0) * m.getEntry(2, 2) - m.getEntry(1, 2) * m.getEntry(2, 0))
                + m.getEntry(0, 2) * (m.getEntry(1, 0) * m.getEntry(2, 1) - m.getEntry(1, 1) * m.getEntry(2, 0));
    }
}
