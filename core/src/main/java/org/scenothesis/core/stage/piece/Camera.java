package org.scenothesis.core.stage.piece;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.scenothesis.core.value.Given;

/// Another camera of the crew on the same floor: it films the same from elsewhere, or is handed over between plates. It looks where it is
/// turned.
///
/// - `heightM`: of its lens above the floor; `viewDeg`: its angle of view across the picture; `tiltDeg`: up.
@RecordBuilder
public record Camera(Given<Double> heightM, Given<Double> viewDeg, Given<Double> tiltDeg) implements Thing, CameraBuilder.With {
    @Override
    public List<Dimension> dimensions() {
        return List.of(Dimension.metres("height", 0.02, 30, heightM, this::withHeightM), Dimension.of("view", "\u00b0", 2.9, 157, viewDeg,
                this::withViewDeg), Dimension.of("tilt", "\u00b0", -89, 89, tiltDeg, this::withTiltDeg));
    }
}
