package org.scenothesis.core.rehearsal.trace;

import org.scenothesis.core.optics.Vec;

/// A flat rectangle: a corner and two edges at right angles. Cloth panels bend their normal by wrinkles and folds.
///
/// - `wrinkle`: slope of the wrinkles, 0 flat to about 0.5 crumpled.
/// - `opening`: seen by the camera but no obstacle to light (a window pane).
public record Panel(Vec corner, Vec edgeU, Vec edgeV, double wrinkle, boolean opening, Material material, int owner) implements Solid {
    /// A parallelogram from a corner and its two edges, in metres.
    public static Panel flat(Vec corner, Vec edgeU, Vec edgeV, Material material, int owner) {
        return new Panel(corner, edgeU, edgeV, 0, false, material, owner);
    }

    Vec normal() {
        return edgeU.cross(edgeV).unit();
    }

    @Override
    public double[] bounds() {
        Vec[] c = {corner, corner.plus(edgeU), corner.plus(edgeV), corner.plus(edgeU).plus(edgeV)};
        double[] b = {1e30, 1e30, 1e30, -1e30, -1e30, -1e30};
        for (Vec p : c) {
            double[] q = {p.x(), p.y(), p.z()};
            for (int i = 0; i < 3; i++) {
                b[i] = Math.min(b[i], q[i] - 1e-6);
                b[i + 3] = Math.max(b[i + 3], q[i] + 1e-6);
            }
        }
        return b;
    }

    @Override
    public Ready ready() {
        return new ReadyPanel(this);
    }

    /// Bends the normal of a meeting by folds and wrinkles; `lu`, `lv`: lengths of the edges.
    void bend(Ray ray, double lu, double lv) {
        double su = wrinkle * slope(ray.u, ray.v, 1);
        double sv = wrinkle * slope(ray.v * 0.7 + 3, ray.u * 1.3, 2) * 0.6;
        double x = ray.nx - su * edgeU.x() / lu - sv * edgeV.x() / lv;
        double y = ray.ny - su * edgeU.y() / lu - sv * edgeV.y() / lv;
        double z = ray.nz - su * edgeU.z() / lu - sv * edgeV.z() / lv;
        double len = Math.sqrt(x * x + y * y + z * z);
        ray.nx = x / len;
        ray.ny = y / len;
        ray.nz = z / len;
    }

    // Hanging folds (long along v), creases, and fine wrinkles.
    private static double slope(double a, double b, int kind) {
        double folds = Math.sin(a * 7.3 + 1.7 * Noise.value(a * 1.3, b * 0.6) * 6 + kind);
        double creases = 2 * Noise.fractal(a * 5 + 11 * kind, b * 2.2, 3) - 0.9;
        double fine = Noise.value(a * 31, b * 27 + kind) - 0.5;
        return 0.5 * folds + 0.8 * creases + 0.25 * fine;
    }
}
