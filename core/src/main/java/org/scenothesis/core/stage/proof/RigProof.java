package org.scenothesis.core.stage.proof;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.LampKind;
import org.scenothesis.core.stage.piece.Piece;

/// What stands and hangs around: a board under the camera, lamps on one circuit, their colours, cloth in the wind.
final class RigProof implements Proof {
    /// Of a usual household circuit.
    static final double CIRCUIT_W = 230 * 16;
    /// A fresh breeze with gusts, and what it presses with: ½·ρ·v²·c.
    static final double GUST_MPS = 11;
    private static final double AIR = 1.25;
    private static final double DRAG = 1.2;
    /// From the middle of a stand to where its legs end.
    private static final double LEG_M = 0.5;
    private static final double GRAVITY = 9.81;
    private static final double STEEP_DEG = -60;

    @Override
    public List<Proved> of(Question q) {
        List<Proved> out = new ArrayList<>();
        for (Piece p : q.view().pieces()) {
            if (p.thing() instanceof Backdrop s) {
                wind(q, p, s, out);
                square(q, p, s, out);
            }
        }
        inPicture(q, out);
        power(q, out);
        colours(q, out);
        return out;
    }

    private static void wind(Question q, Piece p, Backdrop s, List<Proved> out) {
        if (q.view().stage().floor().around().value() instanceof Surroundings.Room || !s.kind().onStands()) {
            return;
        }
        double area = s.wideM().value() * s.highM().value();
        double force = 0.5 * AIR * DRAG * GUST_MPS * GUST_MPS * area;
        double arm = s.bottomM().value() + s.highM().value() / 2;
        double kilos = force * arm / (LEG_M * GRAVITY) / 2;
        out.add(q.proved(Finding.that(Measure.STAND_WEIGHT, q.subject(p), kilos, Verdict.WATCH),
                Proved.Fix.of("wind", kilos, area, GUST_MPS), q.rests(false, p), p));
    }

    /// A board that is filmed from above has to lie square to the lens.
    private static void square(Question q, Piece p, Backdrop s, List<Proved> out) {
        double tilt = q.view().stage().camera().aim().value().tiltDeg();
        if (s.kind().upright() || tilt > STEEP_DEG) {
            return;
        }
        double turn = Math.abs(Math.IEEEremainder(p.at().turnDeg() - q.view().panDeg() - q.view().stage().camera().aim().value().rollDeg(),
                90));
        out.add(q.proved(Measure.BOARD_SQUARE, Math.max(90 + tilt, turn), Proved.Fix.of("square", 90 + tilt, turn), q.rests(true, p), p));
    }

    /// Lamps on stands whose face the camera sees, and how far aside the nearest edge of the picture is.
    private static void inPicture(Question q, List<Proved> out) {
        List<Piece> carried = q.view().lamps().stream().filter(p -> ((Lamp) p.thing()).kind().carried()).toList();
        List<Piece> seen = carried.stream().filter(q.view()::inPicture).toList();
        if (carried.isEmpty()) {
            return;
        }
        double aside = 0;
        if (!seen.isEmpty()) {
            Vec at = seen.getFirst().at().up(((Lamp) seen.getFirst().thing()).heightM().value());
            double px = q.view().pose().project(at).x();
            double depth = at.minus(q.view().eye()).dot(q.view().pose().worldToCamera()[2]);
            aside = Math.min(px, q.view().widthPx() - px) * depth / q.view().pose().focalPx();
        }
        Piece[] about = seen.isEmpty() ? new Piece[0] : new Piece[] {seen.getFirst()};
        out.add(q.proved(Measure.LAMP_SEEN, seen.size(), Proved.Fix.of("lamp.seen", aside), q.rests(true, (seen.isEmpty() ? carried : seen)
                .toArray(Piece[]::new)), about));
    }

    private static void power(Question q, List<Proved> out) {
        List<Piece> lamps = q.view().stage().floor().pieces().stream().filter(p -> p.thing() instanceof Lamp l && l.watts().value() > 0)
                .toList();
        if (lamps.isEmpty() || q.view().bodies().isEmpty()) {
            return;
        }
        double watts = lamps.stream().mapToDouble(p -> ((Lamp) p.thing()).watts().value()).sum();
        List<String> rests = new ArrayList<>(q.rests(false, lamps.toArray(Piece[]::new)));
        rests.add("circuit");
        out.add(q.proved(Measure.CIRCUIT, 100 * watts / CIRCUIT_W, Proved.Fix.of("circuit", watts, Math.ceil(watts / (0.8 * CIRCUIT_W))),
                rests));
    }

    /// Lamps that light a body in colours that no white balance brings together; those seen in the picture are meant.
    private static void colours(Question q, List<Proved> out) {
        for (Piece b : q.view().bodies()) {
            Vec m = SetView.middle(b, 0);
            List<Block> others = ClothProof.others(q, b);
            double key = q.light().key(m, others).map(k -> q.light().facing(k, m, others)).orElse(0.0);
            double low = Double.MAX_VALUE;
            double high = 0;
            for (Piece l : q.view().lamps()) {
                Lamp lamp = (Lamp) l.thing();
                if (lamp.kind() == LampKind.PRACTICAL || lamp.kind().everywhere() || q.light().facing(l, m, others) < 0.1 * key) {
                    continue;
                }
                low = Math.min(low, 1e6 / lamp.givenKelvin());
                high = Math.max(high, 1e6 / lamp.givenKelvin());
            }
            if (high > 0 && key > 0) {
                out.add(q.proved(Measure.LAMP_COLOURS, high - low, Proved.Fix.of("gel", high - low),
                        q.rests(false, q.view().lamps().toArray(Piece[]::new)), b));
            }
        }
    }
}
