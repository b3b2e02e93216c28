package org.scenothesis.core.picture;

import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;

/// A colour picture in scene-linear light with an optional alpha plane; all planes have one shape.
///
/// Whether the colour is premultiplied is said by the room that uses it: `key` hands out straight, `layer` works premultiplied.
public record Picture(Plane r, Plane g, Plane b, @Nullable Plane a) {
    public Picture {
        r.requireShape(g);
        r.requireShape(b);
        if (a != null) {
            r.requireShape(a);
        }
    }

    /// A black picture without alpha.
    public static Picture of(int width, int height) {
        return new Picture(Plane.of(width, height), Plane.of(width, height), Plane.of(width, height), null);
    }

    /// One linear colour everywhere, without alpha.
    public static Picture filled(int width, int height, float r, float g, float b) {
        return new Picture(Plane.filled(width, height, r), Plane.filled(width, height, g), Plane.filled(width, height, b), null);
    }

    /// In pixels.
    public int width() {
        return r.width();
    }

    /// In pixels.
    public int height() {
        return r.height();
    }

    /// The same colours, not copied, with another alpha of their size, or none.
    public Picture withAlpha(@Nullable Plane alpha) {
        return new Picture(r, g, b, alpha);
    }

    /// A picture that shares nothing with this one.
    public Picture copy() {
        return new Picture(r.copy(), g.copy(), b.copy(), a == null ? null : a.copy());
    }

    /// The picture laid on an even grey; itself if it has no alpha.
    public Picture onGrey(float level) {
        Plane cover = a;
        if (cover == null) {
            return this;
        }
        Picture out = copy().withAlpha(null);
        for (Plane c : out.colours()) {
            float[] v = c.data();
            for (int i = 0; i < v.length; i++) {
                v[i] = level + cover.data()[i] * (v[i] - level);
            }
        }
        return out;
    }

    /// The three colour planes in the order red, green, blue.
    public List<Plane> colours() {
        return List.of(r, g, b);
    }

    /// The alpha plane.
    ///
    /// @throws IllegalArgumentException if the picture has none
    public Plane alpha() {
        Check.that(a != null, "the picture has no alpha plane");
        return Objects.requireNonNull(a);
    }

    /// Whether both are as wide and as high.
    public boolean sameShape(Picture other) {
        return r.sameShape(other.r);
    }

    /// Bytes held by the planes.
    public long bytes() {
        return 4L * width() * height() * (a == null ? 3 : 4);
    }

    /// How bright a pixel is as the eye weighs its colours: relative luminance of the primaries of IEC 61966-2-1.
    public double light(int x, int y) {
        return Luminance.of(r.at(x, y), g.at(x, y), b.at(x, y));
    }
}
