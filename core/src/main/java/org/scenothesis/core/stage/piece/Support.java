package org.scenothesis.core.stage.piece;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.scenothesis.core.value.Given;

/// What carries somebody or something: a block from the floor to its top. `kind`: the code of what it is (stool, table, rod).
@RecordBuilder
public record Support(String kind, Given<Double> wideM, Given<Double> highM, Given<Double> deepM) implements Thing, SupportBuilder.With {
    @Override
    public List<Dimension> dimensions() {
        return List.of(Dimension.metres("wide", 0.005, 30, wideM, this::withWideM),
                Dimension.metres("high", 0.005, 10, highM, this::withHighM), Dimension.metres("deep", 0.005, 30, deepM, this::withDeepM));
    }
}
