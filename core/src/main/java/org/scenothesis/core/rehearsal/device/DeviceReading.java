package org.scenothesis.core.rehearsal.device;

import java.util.Optional;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.proof.SetView;

/// What the instruments show of a piece: meters at its middle, turned to the lens, and the tape from the lens. Of a lamp no light is read.
public record DeviceReading(Optional<InstrumentReading> incident, Optional<InstrumentReading> colour, InstrumentReading fromLens) {
    /// How high the meters are held where a piece has no middle of its own.
    private static final double CHEST_M = 1;

    /// Read at a piece of a set.
    public static DeviceReading of(Instruments i, SetView view, Piece p) {
        Vec at = p.thing() instanceof Body ? SetView.middle(p, 0) : p.at().up(p.thing() instanceof Lamp l ? l.heightM().value() : CHEST_M);
        Vec to = view.eye().minus(at);
        boolean lamp = p.thing() instanceof Lamp;
        return new DeviceReading(lamp ? Optional.empty() : Optional.of(i.incident().at(at, to)), lamp ? Optional.empty() : i.colour()
                .at(at, to), i.tape().between(view.eye(), at));
    }
}
