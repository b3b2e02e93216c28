package org.scenothesis.core.stage.proof;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.Spot;

/// Whether the movement stays on its cloth, whether that is lit evenly, without a shadow, at the body's level, and gives too little of its
/// colour back to matter.
final class ClothProof implements Proof {
    private static final double STEP_M = 0.05;
    private static final double FARTHEST_M = 8;

    @Override
    public List<Proved> of(Question q) {
        List<Proved> out = new ArrayList<>();
        for (SetView.Pair pair : q.view().pairs()) {
            Backdrop s = pair.sheet().screen();
            if (!s.kind().upright() && s.floorM().value() <= 0) {
                continue;
            }
            out.add(room(q, pair));
            if (s.dye().excess() > 0 && s.kind().lit()) {
                ClothMap map = ClothMap.of(q.view(), pair, q.light());
                if (!(map.meanLux() > 0)) {
                    unlit(q, pair, map, out);
                    continue;
                }
                out.add(even(q, pair, map));
                out.add(shadow(q, pair, map));
                out.add(level(q, pair, map));
                out.add(returned(q, pair));
            }
        }
        return out;
    }

    private static Proved room(Question q, SetView.Pair pair) {
        Coverage c = new Coverage(q.view(), pair);
        Coverage.Room least = c.sides().stream().min(Comparator.comparingDouble(Coverage.Room::metres)).orElseThrow();
        List<String> rests = q.rests(true, pair.body(), pair.sheet().piece());
        if (least.metres() == Double.POSITIVE_INFINITY) {
            // The picture ends on all sides before the cloth does.
            double beyond = c.beyond();
            Finding f = Double.isFinite(beyond) ? Finding.of(Measure.CLOTH_ROOM, q.subject(pair.body()), beyond, q.rules())
                    .judged(Verdict.HOLDS)
                    : Finding.unmeasured(Measure.CLOTH_ROOM, q.subject(pair.body()), "");
            return q.proved(f, Proved.Fix.of("cloth.unseen"), rests, pair.body(), pair.sheet().piece());
        }
        double gap = c.gap();
        if (gap <= 0) {
            return q.proved(Measure.CLOTH_ROOM, least.metres(), Proved.Fix.of("cloth.before", Coverage.MARGIN_M - gap), rests, pair.body(),
                    pair.sheet().piece());
        }
        if (least.metres() == Double.NEGATIVE_INFINITY) {
            return q.proved(Measure.CLOTH_ROOM, least.metres(), Proved.Fix.of("cloth.past"), rests, pair.body(), pair.sheet().piece());
        }
        Coverage.Part part = c.needed();
        String code = "cloth." + least.side().name().toLowerCase(Locale.ROOT) + (least.side() == Coverage.Side.LOW && part.y0() < 0
                ? ".floor" : "");
        Sheet s = pair.sheet();
        double more = switch (least.side()) {
            case LEFT -> -part.x0();
            case RIGHT -> part.x1() - s.wideM();
            case TOP -> part.y1() - s.topM();
            case LOW -> s.lowM() - part.y0();
        };
        return q.proved(
                Measure.CLOTH_ROOM, least.metres(), Proved.Fix.of(code, Math.max(0, more), part.wideM(), Math.max(0, part.y1()),
                least.seconds(), Math.max(0, -part.y0())), rests, pair.body(), s.piece());
    }

    /// Where no light is, or nothing of the cloth is seen, nothing is known of either.
    private static void unlit(Question q, SetView.Pair pair, ClothMap map, List<Proved> out) {
        Proved.Fix fix = Proved.Fix.of(map.cells().isEmpty() ? "cloth.unseen" : "cloth.unlit");
        for (Measure m : List.of(Measure.CLOTH_EVEN, Measure.CLOTH_SHADOW, Measure.CLOTH_LEVEL, Measure.CLOTH_RETURN)) {
            out.add(q.proved(Finding.unmeasured(m, q.subject(pair.body()), ""), fix, q.restsOnLight(true, pair.body(), pair.sheet()
                    .piece()), pair.body(), pair.sheet().piece()));
        }
    }

    private static Proved even(Question q, SetView.Pair pair, ClothMap map) {
        double v = map.unevenStops();
        Point hot = map.brightest();
        double aside = hot.x() - pair.sheet().wideM() / 2;
        String code = Double.isInfinite(v) ? "even.dark" : Math.abs(aside) < 0.15 * pair.sheet().wideM() ? "even.middle" : aside < 0
                ? "even.left" : "even.right";
        return q.proved(Measure.CLOTH_EVEN, v, Proved.Fix.of(code, Math.abs(aside), hot.y()), q.restsOnLight(true, pair.body(), pair.sheet()
                .piece()), pair.body(), pair.sheet().piece());
    }

    private static Proved shadow(Question q, SetView.Pair pair, ClothMap map) {
        List<String> rests = q.restsOnLight(true, pair.body(), pair.sheet().piece());
        double v = map.darkestShadowStops();
        Proved.Fix fix = Proved.Fix.NONE;
        if (q.fixes() && q.rules().limit(Measure.CLOTH_SHADOW).judge(v) != Verdict.HOLDS) {
            double back = gap(q, pair);
            fix = back > 0 ? Proved.Fix.of("shadow.back", back, v) : Proved.Fix.of("shadow.lamp", v, map.shadowSeconds());
        }
        return q.proved(Measure.CLOTH_SHADOW, v, fix, rests, pair.body(), pair.sheet().piece());
    }

    /// How much farther back the cloth has to go until the shadow is out of what is seen; 0 where no such place is near.
    private static double gap(Question q, SetView.Pair pair) {
        Piece cloth = pair.sheet().piece();
        for (double by = 4 * STEP_M; by <= FARTHEST_M; by *= 1.25) {
            Spot at = cloth.at();
            Spot back = at.at(at.x() - at.ahead().x() * by, at.z() - at.ahead().z() * by);
            Sheet s = Sheet.of(cloth.put(back)).orElseThrow();
            // As large as it has to be there: only the shadow is asked about.
            Sheet large = new Sheet(s.piece(), s.screen(), s.left().minus(s.right().times(FARTHEST_M)), s.right(), s.ahead(), s.wideM()
                    + 2 * FARTHEST_M, s.lowM(), s.topM() + FARTHEST_M);
            ClothMap map = ClothMap.of(q.view(), new SetView.Pair(pair.body(), large), q.light());
            if (!map.cells().isEmpty() && q.rules().limit(Measure.CLOTH_SHADOW).judge(map.darkestShadowStops()) == Verdict.HOLDS) {
                return Math.ceil(by / STEP_M) * STEP_M;
            }
        }
        return 0;
    }

    /// Light on the cloth over light on the body's side to the camera.
    private static Proved level(Question q, SetView.Pair pair, ClothMap map) {
        double body = q.light().at(front(q, pair.body()), toCamera(q, pair.body()), others(q, pair.body()));
        double v = Math.log(map.meanLux() / body) / Math.log(2);
        boolean lit = Double.isFinite(v);
        Finding f = lit ? Finding.of(Measure.CLOTH_LEVEL, q.subject(pair.body()), v, q.rules())
                : Finding.unmeasured(Measure.CLOTH_LEVEL, q.subject(pair.body()), "");
        return q.proved(f, lit ? Proved.Fix.of(v > 0 ? "level.over" : "level.under", Math.abs(v)) : Proved.Fix.of("lamp.none"),
                q.restsOnLight(true, pair.body(), pair.sheet().piece()), pair.body(), pair.sheet().piece());
    }

    static Vec toCamera(Question q, Piece body) {
        Vec m = SetView.middle(body, 0);
        Vec d = q.view().eye().minus(m);
        return new Vec(d.x(), 0, d.z()).unit();
    }

    /// In the middle of its side to the camera.
    static Vec front(Question q, Piece body) {
        Block b = SetView.box(body, 0);
        return b.middle().plus(toCamera(q, body).times(Math.max(b.half().x(), b.half().z()) + 1e-3));
    }

    /// All that stands between a body and the lamps but the body itself.
    static List<Block> others(Question q, Piece body) {
        Block own = SetView.box(body, 0);
        return q.view().blocks(0).stream().filter(b -> !b.equals(own)).toList();
    }

    /// The screen's colour on the body's sides, as a share of its key.
    private static Proved returned(Question q, SetView.Pair pair) {
        double v = 100 * ClothReturn.most(q, pair);
        List<String> rests = q.restsOnLight(true, pair.body(), pair.sheet().piece());
        double back = 0;
        if (q.fixes() && q.rules().limit(Measure.CLOTH_RETURN).judge(v) != Verdict.HOLDS) {
            Spot at = pair.body().at();
            for (double by = STEP_M; by <= FARTHEST_M && back == 0; by += STEP_M) {
                Vec ahead = pair.sheet().ahead();
                Piece moved = pair.body().put(at.at(at.x() + ahead.x() * by, at.z() + ahead.z() * by));
                if (100 * ClothReturn.most(q, new SetView.Pair(moved, pair.sheet())) <= q.rules().limit(Measure.CLOTH_RETURN).holds()) {
                    back = by;
                }
            }
        }
        return q.proved(Measure.CLOTH_RETURN, v, back > 0 ? Proved.Fix.of("return.away", back) : Proved.Fix.of("return.dim"), rests,
                pair.body(), pair.sheet().piece());
    }
}
