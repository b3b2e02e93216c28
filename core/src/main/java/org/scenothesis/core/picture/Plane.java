package org.scenothesis.core.picture;

import java.util.Arrays;
import org.scenothesis.core.Check;

/// One channel of a picture: `width × height` floats, row by row from the top.
///
/// The array is shared, not copied: kernels write into planes they were given as output and into no others.
public record Plane(int width, int height, float[] data) {
    /// The most pixels a plane may have (about 268 million), so that indices stay in `int` with room to spare.
    public static final long MAX_PIXELS = 1L << 28;

    public Plane {
        Check.that(width > 0 && height > 0, "a plane needs at least one pixel, was " + width + "x" + height);
        Check.that((long) width * height <= MAX_PIXELS, "a plane of " + width + "x" + height + " is too large");
        Check.that(data.length == width * height, "data length " + data.length + " is not " + width + "x" + height);
    }

    /// A plane of zeros.
    public static Plane of(int width, int height) {
        Check.that((long) width * height <= MAX_PIXELS, "a plane of " + width + "x" + height + " is too large");
        return new Plane(width, height, new float[width * height]);
    }

    /// A plane of one value.
    public static Plane filled(int width, int height, float value) {
        Plane p = of(width, height);
        Arrays.fill(p.data, value);
        return p;
    }

    /// One value, unchecked apart from the array's own bounds.
    public float at(int x, int y) {
        return data[y * width + x];
    }

    /// A plane that shares nothing with this one.
    public Plane copy() {
        return new Plane(width, height, data.clone());
    }

    /// Whether both are as wide and as high.
    public boolean sameShape(Plane other) {
        return width == other.width && height == other.height;
    }

    /// @throws IllegalArgumentException if the shapes differ
    public void requireShape(Plane other) {
        Check.that(sameShape(other), "shapes differ: " + width + "x" + height + " and " + other.width + "x" + other.height);
    }
}
