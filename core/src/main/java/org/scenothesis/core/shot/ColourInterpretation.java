package org.scenothesis.core.shot;

import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.ColourMatrix;
import org.scenothesis.core.picture.Transfer;

/// How the code values of a take are to be understood where the crew knows better than the file; null leaves a thing to the file.
///
/// - `fullRange`: whether black and white lie at the ends of the codes (true) or at 16 and 235 of 255 (false).
public record ColourInterpretation(@Nullable Transfer curve, @Nullable ColourMatrix matrix, @Nullable Boolean fullRange) {
    /// As the file says, completed by the usual assumptions.
    public static final ColourInterpretation AS_FILED = new ColourInterpretation(null, null, null);

    /// The same with another curve, or as the file says.
    public ColourInterpretation withCurve(@Nullable Transfer other) {
        return new ColourInterpretation(other, matrix, fullRange);
    }

    /// The same with another matrix, or as the file says.
    public ColourInterpretation withMatrix(@Nullable ColourMatrix other) {
        return new ColourInterpretation(curve, other, fullRange);
    }

    /// The same with another range of codes, or as the file says.
    public ColourInterpretation withFullRange(@Nullable Boolean other) {
        return new ColourInterpretation(curve, matrix, other);
    }
}
