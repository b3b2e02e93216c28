package org.scenothesis.core.rehearsal.trace;

import org.scenothesis.core.optics.Vec;

/// A source of light that is sampled directly.
public sealed interface Lamp {
    Rgb light();

    Lamp dimmed(double factor);

    /// A glowing ball; `owner` is the object it is, which does not shade itself.
    record Ball(Vec centre, double radius, Rgb light, int owner) implements Lamp {
        @Override
        public Lamp dimmed(double factor) {
            return new Ball(centre, radius, light.times(factor), owner);
        }
    }

    /// A glowing rectangle shining to the side of its normal (edgeU × edgeV).
    record Pane(Vec corner, Vec edgeU, Vec edgeV, Rgb light) implements Lamp {
        @Override
        public Lamp dimmed(double factor) {
            return new Pane(corner, edgeU, edgeV, light.times(factor));
        }
    }

    /// The sun: unit direction towards it, angular radius in radians, irradiance square to it.
    record Sun(Vec towards, double angularRadius, Rgb light) implements Lamp {
        @Override
        public Lamp dimmed(double factor) {
            return new Sun(towards, angularRadius, light.times(factor));
        }
    }
}
