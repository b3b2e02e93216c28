package org.scenothesis.core.stage.proof;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;

/// What the sides of a body get of the screen's own colour, over what its key gives it: albedo · illuminance · form factor, summed over
/// patches of the screen.
///
/// - `at`: a place on its side; `share`: of the light that exposes it, 0 where none does.
public record ClothReturn(Vec at, double share) {
    private static final int PATCHES = 10;

    /// Of both sides of the body of a pair.
    public static List<ClothReturn> of(Question q, SetView.Pair pair) {
        Vec m = SetView.middle(pair.body(), 0);
        Vec to = ClothProof.toCamera(q, pair.body());
        List<Block> others = ClothProof.others(q, pair.body());
        double key = q.light().key(m, others).map(k -> q.light().facing(k, m, others)).orElse(0.0);
        double base = Math.max(key, q.light().at(m, to, others));
        double half = SetView.box(pair.body(), 0).half().x();
        List<ClothReturn> out = new ArrayList<>();
        for (int sign = -1; sign <= 1; sign += 2) {
            Vec n = new Vec(-to.z(), 0, to.x()).times(sign);
            Vec at = m.plus(n.times(half));
            out.add(new ClothReturn(at, base <= 0 ? 0 : colour(q, pair.sheet(), at, n) / base));
        }
        return out;
    }

    static double most(Question q, SetView.Pair pair) {
        return of(q, pair).stream().mapToDouble(ClothReturn::share).max().orElse(0);
    }

    private static double colour(Question q, Sheet s, Vec at, Vec normal) {
        double sum = 0;
        double area = s.wideM() * (s.topM() - s.lowM()) / (PATCHES * PATCHES);
        for (Point p : s.grid(0, s.lowM(), s.wideM(), s.topM(), PATCHES, PATCHES)) {
            Vec from = s.world(p);
            Vec d = from.minus(at);
            double d2 = Math.max(1e-4, d.dot(d));
            Vec dir = d.times(1 / Math.sqrt(d2));
            double cosAt = dir.dot(normal);
            double cosFrom = -dir.dot(s.normal(p));
            if (cosAt > 0 && cosFrom > 0) {
                sum += s.screen().dye().excess() * q.light().at(from, s.normal(p), List.of()) * cosAt * cosFrom * area / (Math.PI * d2);
            }
        }
        return sum;
    }
}
