package org.scenothesis.core.breakdown.method;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.picture.Transfer;

/// A colour of clothes, props or leaves, as lightness and two opponent axes of a perceptual space.
///
/// Source: the OKLab space, Ottosson 2020. Its lightness hardly matters to a key, so it counts for a third.
public record Swatch(double lightness, double a, double b) {
    private static final double LIGHTNESS_WEIGHT = 1.0 / 3;
    /// Colours of common cloths and of leaves in the sun.
    public static final Swatch GREEN_CLOTH = hex("#1fa64a");
    public static final Swatch BLUE_CLOTH = hex("#1f4fc4");
    public static final Swatch LEAVES = hex("#4f7f33");

    /// @throws IllegalArgumentException if the text is not six hexadecimal digits, with or without #
    public static Swatch hex(String text) {
        String digits = text.strip().replace("#", "");
        if (!digits.matches("[0-9a-fA-F]{6}")) {
            throw new IllegalArgumentException("a colour is six hexadecimal digits such as #1fa64a, was " + text);
        }
        int rgb = Integer.parseInt(digits, 16);
        return linear(channel(rgb >> 16), channel(rgb >> 8), channel(rgb));
    }

    /// The colours in a list such as `#d8c39a, #3a3f52`; what is no colour is left out.
    public static List<Swatch> list(String text) {
        List<Swatch> out = new ArrayList<>();
        for (String s : text.split("[,;\\s]+")) {
            if (s.matches("#?[0-9a-fA-F]{6}")) {
                out.add(hex(s));
            }
        }
        return out;
    }

    private static double channel(int eightBit) {
        return Transfer.SRGB.toLinear((eightBit & 255) / 255.0);
    }

    static Swatch linear(double r, double g, double b) {
        double l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
        double m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
        double s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
        return new Swatch(
                0.2104542553 * l + 0.7936177850 * m - 0.0040720468 * s,
                1.9779984951 * l - 2.4285922050 * m + 0.4505937099 * s,
                0.0259040371 * l + 0.7827717662 * m - 0.8086757660 * s);
    }

    /// How far two colours lie apart for a key: 0 the same, about 0.3 opposite hues.
    public double apart(Swatch o) {
        double dl = LIGHTNESS_WEIGHT * (lightness - o.lightness);
        return Math.sqrt(dl * dl + (a - o.a) * (a - o.a) + (b - o.b) * (b - o.b));
    }
}
