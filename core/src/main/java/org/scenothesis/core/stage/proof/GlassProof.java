package org.scenothesis.core.stage.proof;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;

/// What glass in the picture shows of the camera's side: lamps, and whatever else is not black.
final class GlassProof implements Proof {
    private static final double SUN_M = 200;

    @Override
    public List<Proved> of(Question q) {
        List<Proved> out = new ArrayList<>();
        for (Pane pane : Pane.of(q.view())) {
            Piece p = pane.piece();
            Proved.Fix fix = pane.hood().map(h -> Proved.Fix.of("glass.hood", h.wideM(), h.highM(), h.leftM(), h.rightM(), h.aboveM(),
                    h.belowM())).orElse(Proved.Fix.NONE);
            long lamps = q.view().lamps().stream().filter(l -> !((Lamp) l.thing()).kind().everywhere()).filter(l -> pane.shows(at(l)))
                    .count();
            out.add(q.proved(Measure.GLASS_LIGHTS, lamps, fix, q.rests(true, p), p));
            out.add(q.proved(Measure.GLASS_BARE, 100 * pane.bare(), fix, q.rests(true, p), p));
        }
        return out;
    }

    private static Vec at(Piece l) {
        Lamp lamp = (Lamp) l.thing();
        return lamp.kind().distant() ? lamp.aim().value().minus(lamp.axis(l.at()).times(SUN_M)) : l.at().up(lamp.heightM().value());
    }
}
