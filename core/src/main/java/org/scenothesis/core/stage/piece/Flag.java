package org.scenothesis.core.stage.piece;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.scenothesis.core.value.Given;

/// What keeps light away: a flag between a lamp and what it must not reach, or black cloth that gives none back.
@RecordBuilder
public record Flag(Given<Double> wideM, Given<Double> highM, Given<Double> bottomM) implements Thing, FlagBuilder.With {
    @Override
    public List<Dimension> dimensions() {
        return List.of(Dimension.metres("wide", 0.05, 20, wideM, this::withWideM),
                Dimension.metres("high", 0.05, 20, highM, this::withHighM), Dimension.metres("bottom", 0, 20, bottomM, this::withBottomM));
    }
}
