package org.scenothesis.core.cameratrack;

import java.util.List;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.SingularValueDecomposition;
import org.scenothesis.core.optics.Vec;

/// How far apart two paths are once one is laid on the other.
final class Paths {
    private Paths() {}

    /// The largest distance, as a share of the length of `truth`, after the similarity that fits best (Umeyama 1991; mirrored ones do not
    /// count).
    static double apart(List<Vec> found, List<Vec> truth) {
        Vec mf = mean(found);
        Vec mt = mean(truth);
        double[][] h = new double[3][3];
        double spread = 0;
        for (int i = 0; i < found.size(); i++) {
            double[] a = array(found.get(i).minus(mf));
            double[] b = array(truth.get(i).minus(mt));
            for (int r = 0; r < 3; r++) {
                spread += a[r] * a[r];
                for (int c = 0; c < 3; c++) {
                    h[r][c] += b[r] * a[c];
                }
            }
        }
        SingularValueDecomposition svd = new SingularValueDecomposition(new Array2DRowRealMatrix(h, false));
        RealMatrix u = svd.getU();
        RealMatrix v = svd.getV();
        double sign = det(u) * det(v) < 0 ? -1 : 1;
        RealMatrix d = new Array2DRowRealMatrix(new double[][] {{1, 0, 0}, {0, 1, 0}, {0, 0, sign}}, false);
        RealMatrix r = u.multiply(d).multiply(v.transpose());
        double[] s = svd.getSingularValues();
        double scale = (s[0] + s[1] + sign * s[2]) / spread;
        double worst = 0;
        double length = 0;
        for (int i = 0; i < found.size(); i++) {
            double[] p = r.operate(array(found.get(i).minus(mf)));
            Vec at = new Vec(p[0], p[1], p[2]).times(scale).plus(mt);
            worst = Math.max(worst, at.minus(truth.get(i)).length());
            length += i == 0 ? 0 : truth.get(i).minus(truth.get(i - 1)).length();
        }
        return worst / length;
    }

    private static double det(RealMatrix m) {
        double[][] a = m.getData();
        return new Vec(a[0][0], a[0][1], a[0][2]).dot(new Vec(a[1][0], a[1][1], a[1][2]).cross(new Vec(a[2][0], a[2][1], a[2][2])));
    }

    private static double[] array(Vec v) {
        return new double[] {v.x(), v.y(), v.z()};
    }

    private static Vec mean(List<Vec> all) {
        return all.stream().reduce(Vec.ZERO, Vec::plus).times(1.0 / all.size());
    }
}
