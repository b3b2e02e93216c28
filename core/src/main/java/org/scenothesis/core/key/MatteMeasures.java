package org.scenothesis.core.key;

/// Measures of one matte.
///
/// - `greyInside`, `greyOutside`: percent of pixels not solid inside the core, not empty outside the subject.
/// - `edgePx`: mean width of the edge; `flicker`: mean change of alpha on calm edges since the frame before, percent.
/// - `spillLeft`: mean excess of the screen channel on the solid subject, percent of it; `solid`: percent of the frame that is solid.
/// - `room`: how near the subject comes to where the cloth, or the frame, ends.
public record MatteMeasures(
        double greyInside, double greyOutside, double edgePx, double flicker, double spillLeft, double solid, Border room) {}
