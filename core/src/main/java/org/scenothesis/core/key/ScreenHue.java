package org.scenothesis.core.key;

import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;

/// The colour of the cloth.
public enum ScreenHue {
    GREEN,
    BLUE;

    /// The channel of the cloth's own colour.
    public Plane screen(Picture p) {
        return this == GREEN ? p.g() : p.b();
    }

    /// One of the other two: red.
    public Plane first(Picture p) {
        return p.r();
    }

    /// The other of the other two.
    public Plane second(Picture p) {
        return this == GREEN ? p.b() : p.g();
    }

    /// Which of the two hues has more pixels that stand out by it.
    public static ScreenHue of(Picture p) {
        int green = 0;
        int blue = 0;
        for (int i = 0; i < p.g().data().length; i += 7) {
            float r = p.r().data()[i];
            float g = p.g().data()[i];
            float b = p.b().data()[i];
            if (g > 0.02f && g > 1.5f * Math.max(r, b)) {
                green++;
            } else if (b > 0.02f && b > 1.5f * Math.max(r, g)) {
                blue++;
            }
        }
        return blue > green ? BLUE : GREEN;
    }
}
