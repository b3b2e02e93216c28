package org.scenothesis.core.stage;

import org.scenothesis.core.Check;
import org.scenothesis.core.value.Given;

/// A level surface (floor, bench top) that things stand on and shadows fall on: its height, and its extent along Z, in metres.
public record Surface(String id, Given<Double> heightM, Given<Extent> extent) {
    /// From `nearM` to `farM` along Z.
    public record Extent(double nearM, double farM) {
        public Extent {
            Check.place("surface", nearM, farM);
            Check.that(farM > nearM, "a surface must end behind where it begins");
        }

        public double middleM() {
            return (nearM + farM) / 2;
        }
    }

    public Surface {
        Check.place("surface", heightM.value());
    }
}
