package org.scenothesis.core.stage.proof;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.stage.KeyLight;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.value.Given;

/// Whether what is filmed here will sit where it goes: seen from the same direction, lit from the same side, as softly, as deeply.
final class MatchProof implements Proof {
    /// Turning the camera by less than this helps nobody.
    private static final double TURN_DEG = 1;

    @Override
    public List<Proved> of(Question q) {
        List<Proved> out = new ArrayList<>();
        for (Piece b : q.view().bodies()) {
            Question.Sight wanted = q.wanted();
            if (wanted != null) {
                out.add(seen(q, b, wanted));
            }
            Question.Lit lit = q.background();
            if (lit != null) {
                lit(q, b, lit, out);
            }
        }
        return out;
    }

    /// Between the rays to its middle, as it is and as it should be: which side of it is seen.
    private static Proved seen(Question q, Piece b, Question.Sight wanted) {
        List<Body.Moment> way = ((Body) b.thing()).moments();
        Vec m = SetView.middle(b, way.getFirst().seconds()).towards(SetView.middle(b, way.getLast().seconds()), 0.5);
        Vec d = m.minus(q.view().eye());
        double away = Math.hypot(d.x(), d.z());
        double down = Math.toDegrees(Math.atan2(-d.y(), away));
        double middle = m.y() - b.at().up(0).y();
        double should = Math.toDegrees(Math.atan2(wanted.lensM() - middle, wanted.awayM()));
        double aside = Math.IEEEremainder(Math.toDegrees(Math.atan2(d.x(), d.z())) - q.view().panDeg(), 360);
        double turn = aside - wanted.asideDeg();
        double off = Math.hypot(down - should, turn);
        String code = Math.abs(turn) <= TURN_DEG ? "view" : turn < 0 ? "view.left" : "view.right";
        double lens = middle + away * Math.tan(Math.toRadians(should));
        return q.proved(Measure.VIEW_ANGLE, off, Proved.Fix.of(code, lens, wanted.awayM(), away, wanted.lensM(), Math.abs(turn)),
                q.rests(true, b), b);
    }

    private static void lit(Question q, Piece b, Question.Lit want, List<Proved> out) {
        Vec m = SetView.middle(b, 0);
        List<Block> others = ClothProof.others(q, b);
        Optional<Piece> found = q.light().key(m, others);
        if (found.isEmpty()) {
            out.add(q.proved(Finding.unmeasured(Measure.LAMP_SIDE, q.subject(b), ""), Proved.Fix.of("lamp.none"), q.restsOnLight(false, b),
                    b));
            return;
        }
        Piece key = found.get();
        Lamp lamp = (Lamp) key.thing();
        Vec to = LightField.towards(key, m);
        KeyLight light = want.light();
        KeyLight.Direction d = light.direction().value();
        double pan = q.view().panDeg();
        Vec should = d.seenAt(d.asSeen(want.panDeg()), pan).towards();
        double side = Math.toDegrees(Math.acos(Math.clamp(to.dot(should), -1, 1)));
        List<String> rests = rests(q, light.direction(), b, key);
        double away = key.at().up(lamp.heightM().value()).minus(m).length();
        Vec put = m.plus(should.times(Math.max(0.5, away)));
        out.add(q.proved(Measure.LAMP_SIDE, side, Proved.Fix.of("lamp.side", put.x(), put.y(), put.z()), rests, b, key));
        double size = Math.toDegrees(2 * Math.atan(Math.max(lamp.wideM().value(), lamp.highM().value()) / 2 / (lamp.kind().distant() ? 1
                : Math.max(0.05, away))));
        double as = Math.max(0.1, light.sizeDeg().value());
        double ratio = Math.max(size, as) / Math.max(0.01, Math.min(size, as));
        out.add(q.proved(
                Measure.LAMP_SIZE, ratio, Proved.Fix.of(size > as ? "lamp.smaller" : "lamp.larger",
                2 * away * Math.tan(Math.toRadians(as / 2)), away), rests(q, light.sizeDeg(), b, key), b, key));
        double keyLux = q.light().facing(key, m, others);
        double fill = q.light().at(m, to, others) - keyLux;
        double stops = fill <= 0 ? 12 : Math.log(keyLux / fill) / Math.log(2);
        double over = Math.clamp(stops, -6, 12) - light.keyToFillStops().value();
        List<String> fillRests = new ArrayList<>(q.restsOnLight(false, b));
        if (light.keyToFillStops() instanceof Given.Assumed) {
            fillRests.add("background");
        }
        out.add(q.proved(Measure.LAMP_FILL, over, Proved.Fix.of(over > 0 ? "fill.more" : "fill.less", Math.abs(over), stops,
                light.keyToFillStops().value()), fillRests, b, key));
    }

    private static List<String> rests(Question q, Given<?> background, Piece... pieces) {
        List<String> out = new ArrayList<>(q.rests(true, pieces));
        if (background instanceof Given.Assumed) {
            out.add("background");
        }
        return out;
    }
}
