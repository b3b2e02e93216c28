package org.scenothesis.core.key;

import java.util.List;

/// Measures of one matte.
///
/// - `greyInside`: percent of the subject that is holes; `greyOutside`: percent of the rest that is dirt; `seeThrough`: percent of the
///   subject
///   that lets the cloth through over a wide area. What these are: [MatteAreas.Status].
/// - `edgePx`: mean width of the edge; `flicker`: mean change of alpha on calm edges since the frame before, percent.
/// - `spillLeft`: mean excess of the screen channel on the solid subject, percent of it; `solid`: percent of the frame that is solid.
/// - `room`: how near the subject comes to where the cloth, or the frame, ends. `places`: where most of each trouble is seen.
public record MatteMeasures(double greyInside, double greyOutside, double seeThrough, double edgePx, double flicker, double spillLeft,
        double solid, Border room, List<MatteAreas.Place> places) {
    public MatteMeasures {
        places = List.copyOf(places);
    }

    /// The same in pixels of a picture so many times larger on each side.
    public MatteMeasures enlarged(int times) {
        Border b = room.px() < 0 ? room : new Border(room.px() * times, room.side());
        return new MatteMeasures(greyInside, greyOutside, seeThrough, edgePx * times, flicker, spillLeft, solid, b, places);
    }
}
