package org.scenothesis.core.stage.proof;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.optics.Lens;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.Piece;

/// What is sharp and what is not: the body wherever it goes, and the folds of the cloth.
///
/// Source: thin-lens blur circle; the contrast of a wave of period p under an even disc of diameter b is |2·J₁(πb/p)/(πb/p)|.
final class LensProof implements Proof {
    /// From fold to fold of a cloth that was folded or hung.
    static final double FOLD_M = 0.15;

    @Override
    public List<Proved> of(Question q) {
        List<Proved> out = new ArrayList<>();
        for (Piece b : q.view().bodies()) {
            out.add(sharp(q, b));
            out.add(framed(q, b));
        }
        for (SetView.Pair pair : q.view().pairs()) {
            Backdrop s = pair.sheet().screen();
            if (s.kind().upright() && s.dye().excess() > 0 && s.kind().lit()) {
                out.add(folds(q, pair));
            }
        }
        return out;
    }

    /// Distance along the lens axis.
    private static double depth(Question q, Vec v) {
        return v.minus(q.view().eye()).dot(q.view().pose().worldToCamera()[2]);
    }

    /// How wide a point at a depth becomes, in pixels of the finished picture.
    static double blurPx(Question q, double depthM) {
        Lens lens = q.view().lens();
        double focus = Math.max(1.05 * lens.focalM(), q.view().stage().floor().lens().focusM().value());
        return depthM <= 0 ? 0 : lens.blurCircleM(depthM, focus) / lens.sensorWidthM() * q.view().widthPx();
    }

    private static Proved sharp(Question q, Piece b) {
        double most = 0;
        double near = Double.MAX_VALUE;
        double far = 0;
        for (SetView.Stretch s : SetView.way(b)) {
            List<Vec> all = new ArrayList<>(s.from().corners());
            all.addAll(s.to().corners());
            for (Vec v : all) {
                double d = depth(q, v);
                most = Math.max(most, blurPx(q, d));
                near = Math.min(near, d);
                far = Math.max(far, d);
            }
        }
        // The focus from which both ends are blurred alike.
        double best = near > 0 ? 2 * near * far / (near + far) : far;
        return q.proved(Measure.BODY_SHARP, most, Proved.Fix.of("focus.at", best, q.view().stage().floor().lens().fNumber().value()),
                q.restsOnLens(b), b);
    }

    /// How much of the outlines of its way lies outside of what is left of the picture; all of it where some is behind the lens.
    private static Proved framed(Question q, Piece b) {
        double whole = 0;
        double within = 0;
        double wide = q.view().widthPx() / q.crop();
        double high = q.view().heightPx() / q.crop();
        double left = (q.view().widthPx() - wide) / 2;
        double top = (q.view().heightPx() - high) / 2;
        for (SetView.Stretch s : SetView.way(b)) {
            List<Vec> all = new ArrayList<>(s.from().corners());
            all.addAll(s.to().corners());
            if (all.stream().anyMatch(v -> depth(q, v) < 1e-3)) {
                whole++;
                continue;
            }
            Polygon outline = Polygon.around(all.stream().map(q.view().pose()::project).map(p -> new Point(p.x() - left, p.y() - top))
                    .toList());
            whole += outline.area();
            within += outline.within(wide, high).area();
        }
        return q.proved(Measure.BODY_FRAMED, whole <= 0 ? 100 : Math.max(0, 100 * (1 - within / whole)), Proved.Fix.of("framed"),
                q.rests(true, b), b);
    }

    private static Proved folds(Question q, SetView.Pair pair) {
        Sheet s = pair.sheet();
        Vec at = s.world(new Point(s.wideM() / 2, Math.max(0, (s.lowM() + s.topM()) / 2)));
        if (!(q.light().at(at, s.ahead(), List.of()) > 0)) {
            return q.proved(Finding.unmeasured(Measure.CLOTH_FOLDS, q.subject(pair.body()), ""), Proved.Fix.of("cloth.unlit"),
                    q.restsOnLens(pair.body(), s.piece()), pair.body(), s.piece());
        }
        double left = Math.max(q.light().slope(at, s.ahead(), s.right()), q.light().slope(at, s.ahead(), Vec.UP));
        double ripple = s.screen().wrinkle().value() * left;
        double d = depth(q, at);
        double px = blurPx(q, d);
        double metres = px * d / q.view().pose().focalPx();
        double contrast = Math.min(0.98, ripple * disc(metres / FOLD_M));
        double stops = Math.log((1 + contrast) / (1 - contrast)) / Math.log(2);
        return q.proved(Measure.CLOTH_FOLDS, stops, Proved.Fix.of("folds", px, q.view().stage().floor().lens().fNumber().value()),
                q.restsOnLens(pair.body(), s.piece()), pair.body(), s.piece());
    }

    /// What an even disc leaves of a wave, by its diameter in periods.
    static double disc(double periods) {
        double x = Math.PI * periods;
        if (x < 1e-6) {
            return 1;
        }
        // J1 by its integral, 1/π ∫ cos(t − x·sin t) dt.
        int n = 64;
        double sum = 0;
        for (int i = 0; i < n; i++) {
            double t = Math.PI * (i + 0.5) / n;
            sum += Math.cos(t - x * Math.sin(t));
        }
        return Math.abs(2 * sum / n / x);
    }
}
