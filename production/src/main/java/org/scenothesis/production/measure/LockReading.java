package org.scenothesis.production.measure;

import org.jspecify.annotations.Nullable;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.ColourMatrix;

/// Whether a take shows what its reference shows.
///
/// - `matrix`: the colour matrix that agrees better with the reference than the assumed one; null for none.
public record LockReading(LockReport report, @Nullable ColourMatrix matrix) {}
