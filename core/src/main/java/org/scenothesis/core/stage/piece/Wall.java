package org.scenothesis.core.stage.piece;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.scenothesis.core.value.Given;

/// A wall that stands by itself, and receives shadows. `reflects`: the share of light it gives back.
@RecordBuilder
public record Wall(Given<Double> wideM, Given<Double> highM, Given<Double> reflects) implements Thing, WallBuilder.With {
    @Override
    public List<Dimension> dimensions() {
        return List.of(
                Dimension.metres("wide", 0.05, 100, wideM, this::withWideM), Dimension.metres("high", 0.05, 30, highM, this::withHighM),
                Dimension.of("reflects", "", 0, 0.95, reflects, this::withReflects));
    }
}
