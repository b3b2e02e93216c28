package org.scenothesis.core.picture;

/// How bright a colour in linear light is as the eye weighs it: relative luminance of the primaries of IEC 61966-2-1.
public final class Luminance {
    public static final double RED = 0.2126;
    public static final double GREEN = 0.7152;
    public static final double BLUE = 0.0722;

    private Luminance() {}

    /// Of one colour, in the unit of its channels.
    public static double of(double red, double green, double blue) {
        return RED * red + GREEN * green + BLUE * blue;
    }

    /// Of every pixel of a picture.
    public static Plane of(Picture p) {
        Plane out = Plane.of(p.width(), p.height());
        for (int i = 0; i < out.data().length; i++) {
            out.data()[i] = at(p, i);
        }
        return out;
    }

    /// The square root of every pixel's, near enough to a code value to find edges.
    public static Plane rooted(Picture p) {
        Plane out = of(p);
        for (int i = 0; i < out.data().length; i++) {
            out.data()[i] = (float) Math.sqrt(Math.max(0, out.data()[i]));
        }
        return out;
    }

    /// Of one pixel, by its place in the planes.
    public static float at(Picture p, int i) {
        return (float) of(p.r().data()[i], p.g().data()[i], p.b().data()[i]);
    }
}
