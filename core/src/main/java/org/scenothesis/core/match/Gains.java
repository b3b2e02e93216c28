package org.scenothesis.core.match;

import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Luminance;

/// Linear multipliers of red, green and blue, take over reference.
public record Gains(double r, double g, double b) {
    public static final Gains UNITY = new Gains(1, 1, 1);

    public Gains {
        Check.positive("r", r);
        Check.positive("g", g);
        Check.positive("b", b);
    }

    /// Exposure difference of a neutral grey in stops; positive is brighter.
    public double stops() {
        return Math.log(Luminance.of(r, g, b)) / Math.log(2);
    }

    /// Colour temperature difference in mired: positive when the take looks warmer than the reference.
    ///
    /// Source: neutral under D65 seen through the gains, CCT by McCamy 1992.
    public double mired() {
        return 1e6 / cct(r, g, b) - 1e6 / cct(1, 1, 1);
    }

    /// What takes these back: one over each.
    public Gains inverse() {
        return new Gains(1 / r, 1 / g, 1 / b);
    }

    /// Correlated colour temperature in kelvin of a linear BT.709 colour.
    public static double cct(double r, double g, double b) {
        double x = 0.4124564 * r + 0.3575761 * g + 0.1804375 * b;
        double y = 0.2126729 * r + 0.7151522 * g + 0.0721750 * b;
        double z = 0.0193339 * r + 0.1191920 * g + 0.9503041 * b;
        double n = (x / (x + y + z) - 0.3320) / (y / (x + y + z) - 0.1858);
        return -449 * n * n * n + 3525 * n * n - 6823.3 * n + 5520.33;
    }
}
