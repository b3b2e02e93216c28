package org.scenothesis.core.stage;

import org.scenothesis.core.Check;

/// What is around a set.
public sealed interface Surroundings {
    /// A room: where its walls are along X and Z, how high it is, and the share of light they give back.
    record Room(double leftM, double rightM, double nearM, double farM, double highM, double reflects) implements Surroundings {
        public Room {
            Check.place("room", leftM, rightM, nearM, farM);
            Check.that(rightM > leftM && farM > nearM, "a room needs a width and a length");
            Check.range("highM", highM, 0.5, 60);
            Check.range("reflects", reflects, 0, 0.95);
        }

        public double wideM() {
            return rightM - leftM;
        }

        public double longM() {
            return farM - nearM;
        }

        /// Of walls, floor and ceiling, in square metres.
        public double areaM2() {
            return 2 * (wideM() * longM() + highM * (wideM() + longM()));
        }
    }

    /// The open air.
    record Open() implements Surroundings {}
}
