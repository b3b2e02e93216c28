package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.scenothesis.core.Check;

/// Black bars that leave a picture `ratio` times as wide as high.
@RecordBuilder
public record Letterbox(double ratio) implements Step, LetterboxBuilder.With {
    public static final Letterbox WIDE = new Letterbox(2.39);

    public Letterbox {
        Check.range("ratio", ratio, 0.2, 10);
    }
}
