package org.scenothesis.core.rehearsal;

import java.util.function.IntFunction;
import java.util.function.IntToDoubleFunction;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Resample;
import org.scenothesis.core.rehearsal.trace.Rgb;

/// What clouds, hands and electronics do to the frames of a roll.
///
/// - `stops`: exposure of a frame. `balance`: what its channels are multiplied by. `sway`: how its rows lie beside where they should.
public record Handling(IntToDoubleFunction stops, IntFunction<Rgb> balance, IntFunction<Sway> sway) {
    /// Nothing happens.
    public static final Handling STEADY = new Handling(i -> 0, i -> Rgb.grey(1), i -> Sway.NONE);

    /// The same under light that changes by so many stops.
    public Handling under(IntToDoubleFunction light) {
        return new Handling(light, balance, sway);
    }

    /// How far the upper and the lower edge of a picture are shifted, in pixels; rows between them lie between.
    public record Sway(double topX, double topY, double bottomX, double bottomY) {
        public static final Sway NONE = new Sway(0, 0, 0, 0);

        /// All rows alike.
        public static Sway whole(double x, double y) {
            return new Sway(x, y, x, y);
        }

        /// Both together.
        public Sway plus(Sway more) {
            return new Sway(topX + more.topX, topY + more.topY, bottomX + more.bottomX, bottomY + more.bottomY);
        }

        /// From a place in the swayed picture of that height to where it was.
        PlanarMap back(int height) {
            double across = (bottomX - topX) / height;
            double down = (bottomY - topY) / height;
            PlanarMap there = new PlanarMap(1, across, topX, 0, 1 + down, topY, 0, 0, 1);
            return there.inverse();
        }

        /// What of a frame is recorded; its edges are held.
        public Rendered of(Rendered still, Bands bands) {
            if (equals(NONE)) {
                return still;
            }
            PlanarMap back = back(still.light().height());
            Picture light = Resample.warp(still.light(), back, bands);
            Plane coverage = Resample.warp(still.coverage(), back, bands);
            return new Rendered(light, coverage, Resample.warp(still.depthM(), back, bands), still.view());
        }
    }
}
