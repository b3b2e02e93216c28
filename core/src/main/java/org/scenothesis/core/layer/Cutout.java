package org.scenothesis.core.layer;

import java.util.Arrays;
import java.util.List;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.core.shot.Blend;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.step.Glow;
import org.scenothesis.core.shot.step.Wrap;

/// One layer by itself, as an element for other programs.
///
/// Source: triangulation on two grounds (Smith & Blinn 1996), exact here since the grounds are ours: what is laid over black and over white
/// differs by what it lets through.
public final class Cutout {
    /// Where less than this is covered, no colour can be told.
    private static final float LEAST = 1e-4f;

    private final Picture onBlack;
    private final Plane coverage;
    private final boolean light;

    private Cutout(Picture onBlack, Plane coverage, boolean light) {
        this.onBlack = onBlack;
        this.coverage = coverage;
        this.light = light;
    }

    /// Whether a layer adds light and covers nothing.
    public static boolean light(Layer l) {
        return l.blend() != Blend.OVER;
    }

    /// Lays one layer on grounds of its own. A layer that is not there at that moment covers nothing.
    public static Cutout of(LayerPicture l, Moment moment, Outlines outlines, Bands bands) {
        LayerPicture bare = l.withLayer(l.layer().without(Wrap.class).without(Glow.class));
        Picture black = l.canvas();
        Composer.lay(black, List.of(bare), moment, outlines, bands);
        Plane coverage = Plane.of(black.width(), black.height());
        if (light(l.layer())) {
            return new Cutout(black, coverage, true);
        }
        Picture white = Picture.filled(black.width(), black.height(), 1, 1, 1);
        Composer.lay(white, List.of(bare), moment, outlines, bands);
        float[] b = black.g().data();
        float[] w = white.g().data();
        float[] a = coverage.data();
        for (int i = 0; i < a.length; i++) {
            a[i] = Math.clamp(1 - (w[i] - b[i]), 0f, 1f);
        }
        return new Cutout(black, coverage, false);
    }

    /// How much of every pixel it covers, 0 to 1; nothing of a layer that only adds light.
    public Plane coverage() {
        return coverage;
    }

    /// The layer on black: what an element without alpha is.
    public Picture onBlack() {
        return onBlack;
    }

    /// Straight colour with alpha; light stays on black, without.
    public Picture straight() {
        if (light) {
            return onBlack;
        }
        Picture out = onBlack.copy();
        float[] a = coverage.data();
        for (Plane c : out.colours()) {
            float[] v = c.data();
            for (int i = 0; i < v.length; i++) {
                v[i] = a[i] < LEAST ? 0 : v[i] / a[i];
            }
        }
        return out.withAlpha(coverage);
    }

    /// The coverage as a grey picture; of light, how bright it is. `linear`: for files that keep linear values, else for those whose sRGB
    /// codes shall be the coverage.
    public Picture grey(boolean linear) {
        Plane seen = light ? onBlack.g() : coverage;
        float[] v = Arrays.copyOf(seen.data(), seen.data().length);
        if (!linear && !light) {
            for (int i = 0; i < v.length; i++) {
                v[i] = (float) Transfer.SRGB.toLinear(v[i]);
            }
        }
        Plane p = new Plane(seen.width(), seen.height(), v);
        return new Picture(p, p, p, null);
    }
}
