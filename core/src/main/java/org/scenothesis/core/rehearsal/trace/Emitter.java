package org.scenothesis.core.rehearsal.trace;

import org.scenothesis.core.optics.Vec;

/// A source of light that is sampled directly.
public sealed interface Emitter {
    Rgb light();

    Emitter dimmed(double factor);

    /// A glowing ball; `owner` is the object it is, which does not shade itself.
    record Ball(Vec centre, double radius, Rgb light, int owner) implements Emitter {
        @Override
        public Emitter dimmed(double factor) {
            return new Ball(centre, radius, light.times(factor), owner);
        }
    }

    /// A glowing rectangle shining to the side of its normal (edgeU × edgeV).
    ///
    /// - `light`: radiance along its normal. `power`: how fast its intensity falls beside it, as a power of the cosine; 1 for an even
    ///   surface.
    record Pane(Vec corner, Vec edgeU, Vec edgeV, Rgb light, double power) implements Emitter {
        public Pane(Vec corner, Vec edgeU, Vec edgeV, Rgb light) {
            this(corner, edgeU, edgeV, light, 1);
        }

        @Override
        public Emitter dimmed(double factor) {
            return new Pane(corner, edgeU, edgeV, light.times(factor), power);
        }
    }

    /// The sun: unit direction towards it, angular radius in radians, irradiance square to it.
    record Sun(Vec towards, double angularRadius, Rgb light) implements Emitter {
        @Override
        public Emitter dimmed(double factor) {
            return new Sun(towards, angularRadius, light.times(factor));
        }
    }
}
