package org.scenothesis.core.stage.piece;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.scenothesis.core.value.Given;

/// A pane the camera looks through or at, which mirrors what is on its side: a window, a board for writing, a display that is off.
@RecordBuilder
public record Glass(Given<Double> wideM, Given<Double> highM, Given<Double> bottomM) implements Thing, GlassBuilder.With {
    @Override
    public List<Dimension> dimensions() {
        return List.of(Dimension.metres("wide", 0.05, 50, wideM, this::withWideM),
                Dimension.metres("high", 0.05, 20, highM, this::withHighM), Dimension.metres("bottom", 0, 20, bottomM, this::withBottomM));
    }
}
