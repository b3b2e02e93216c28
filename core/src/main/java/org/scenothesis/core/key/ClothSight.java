package org.scenothesis.core.key;

import java.util.Arrays;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.vision.Pieces;

/// Whether a picture shows a cloth for keying: one surface of one hue that reaches round a subject or fills the picture evenly.
///
/// Green places (many hues, much texture), things of the screen's colour (small, apart) and walls in coloured light (all else has that
/// colour too, the light falls off) are none. Made for pictures of a few hundred pixels across.
public final class ClothSight {
    /// Less is a thing of that colour.
    private static final double LEAST = 0.02;
    /// Spread of the two other channels against the screen's, from the tenth to the ninetieth of a hundred.
    private static final double ONE_HUE = 0.1;
    /// The larger of the other two channels against the screen's, at most: paler is no cloth for keying.
    private static final double SATURATED = 0.6;
    /// Stops from its darkest to its brightest part, folds and shadows among them.
    private static final double ONE_LIGHT = 3;
    /// What averages noise away before hues are compared.
    private static final double SIGMA_PX = 1.2;
    /// Stops between pixels two apart, in the middle of all.
    private static final double SMOOTH = 0.16;
    /// Share of what has the colour that is in the two largest pieces: a subject may part a cloth.
    private static final double ONE_PIECE = 0.85;
    private static final double OF_THE_BORDER = 0.12;
    private static final double HOLE = 0.03;
    /// Share of all else that is lit in the screen's colour.
    private static final double COLOURED_LIGHT = 0.75;
    private static final double FILLED = 0.97;
    private static final double EVEN_STOPS = 2;
    private static final double MANY_HUES = 0.03;
    private static final double FALLS_OFF = 1.2;
    private static final float LIT = 0.01f;
    private static final double EDGE_PX = 2;
    private static final double HARDLY = 0.003;

    private final int width;
    private final int height;
    private final Plane mask;
    private final float[] s;
    private final Plane a;
    private final Plane b;

    private ClothSight(Picture p) {
        ScreenHue hue = ScreenHue.of(p);
        width = p.width();
        height = p.height();
        mask = ScreenModels.likely(p, hue);
        s = hue.screen(p).data();
        a = hue.first(p);
        b = hue.second(p);
    }

    /// How much of a picture is cloth, in [0, 1]; 0 where what is green or blue in it is not one.
    public static double share(Picture p) {
        ClothSight c = new ClothSight(p);
        double share = ScreenModels.share(c.mask);
        return share >= LEAST && c.oneHue() && c.smooth() && c.oneSurface(share) && !c.lit()
                && c.range() < (share < FILLED ? ONE_LIGHT : EVEN_STOPS) ? share : 0;
    }

    /// What a picture shows in the screen's colour, where no piece of that can be a cloth; nothing where one can.
    ///
    /// Far more is let pass than [#share] calls a cloth: a veil before it, a crease, two lamps of different colour.
    public static Optional<Foreign> foreign(Picture p) {
        ClothSight c = new ClothSight(p);
        Pieces pieces = Pieces.of(c.mask);
        Foreign why = null;
        for (int k = 1; k < pieces.sizes().length; k++) {
            if (pieces.sizes()[k] >= LEAST * c.s.length) {
                c.only(pieces, k);
                Foreign now = c.foreign();
                if (now == null) {
                    return Optional.empty();
                }
                why = why == null ? now : why;
            }
        }
        return Optional.ofNullable(why);
    }

    /// What has the screen's colour and is no cloth.
    public enum Foreign {
        /// Many hues of it, as leaves and landscapes have.
        HUES,
        /// Of one hue and full of detail.
        TEXTURE,
        /// Hardly more of it than of other colours.
        PALE,
        /// All else has it too, and the light falls off.
        LIGHT
    }

    private @Nullable Foreign foreign() {
        float[] first = shares(a);
        float[] second = shares(b);
        return Math.max(narrowest(first), narrowest(second)) > MANY_HUES ? Foreign.HUES
                : !smooth() ? Foreign.TEXTURE
                : Math.max(first[first.length / 2], second[second.length / 2]) >= SATURATED ? Foreign.PALE
                : lit() && range() > FALLS_OFF || ScreenModels.share(mask) >= FILLED && range() >= EVEN_STOPS ? Foreign.LIGHT : null;
    }

    /// The spread of the middle of the narrower half: of a cloth one half at least has one hue, whatever stands before the other.
    private static double narrowest(float[] sorted) {
        int n = sorted.length;
        return Math.min(sorted[n * 3 / 8] - sorted[n / 8], sorted[n * 7 / 8] - sorted[n * 5 / 8]);
    }

    private void only(Pieces p, int piece) {
        for (int i = 0; i < s.length; i++) {
            mask.data()[i] = p.piece()[i] == piece ? 1 : 0;
        }
    }

    /// Where a picture shows something else than the screen's cloth and what is mixed with it at edges; everywhere where that would leave
    /// hardly anything.
    public static Plane beside(Picture p) {
        Plane cloth = ScreenModels.likely(p, ScreenHue.of(p));
        Plane near = Blur.gaussian(cloth, EDGE_PX, Bands.sequential());
        Plane out = Plane.of(p.width(), p.height());
        for (int i = 0; i < out.data().length; i++) {
            out.data()[i] = near.data()[i] < 0.02f ? 1 : 0;
        }
        return ScreenModels.share(out) < HARDLY ? Plane.filled(p.width(), p.height(), 1) : out;
    }

    private boolean oneHue() {
        float[] first = shares(a);
        float[] second = shares(b);
        return spread(first) < ONE_HUE && spread(second) < ONE_HUE
                && Math.max(first[first.length / 2], second[second.length / 2]) < SATURATED;
    }

    private static double spread(float[] sorted) {
        return sorted[sorted.length * 9 / 10] - sorted[sorted.length / 10];
    }

    /// Another channel as shares of the screen's where the cloth is, ascending.
    private float[] shares(Plane other) {
        Plane smooth = Blur.gaussian(other, SIGMA_PX, Bands.sequential());
        Plane screen = Blur.gaussian(new Plane(width, height, s), SIGMA_PX, Bands.sequential());
        return sorted(i -> smooth.data()[i] / screen.data()[i]);
    }

    private float[] sorted(IntToDoubleFunction of) {
        float[] v = new float[s.length];
        int n = 0;
        for (int i = 0; i < s.length; i++) {
            if (cloth(i) == 1) {
                v[n++] = (float) of.applyAsDouble(i);
            }
        }
        Arrays.sort(v, 0, n);
        return Arrays.copyOf(v, n);
    }

    /// Stops between the darkest and the brightest twentieth.
    private double range() {
        float[] v = sorted(i -> s[i]);
        return Math.log(v[v.length * 95 / 100] / Math.max(1e-6, v[v.length / 20])) / Math.log(2);
    }

    private boolean smooth() {
        float[] v = new float[s.length];
        int n = 0;
        for (int i = 0; i + 2 < s.length; i++) {
            if (cloth(i) == 1 && cloth(i + 2) == 1 && i % width < width - 2) {
                v[n++] = (float) Math.abs(Math.log(s[i] / s[i + 2]) / Math.log(2));
            }
        }
        Arrays.sort(v, 0, n);
        return n > 0 && v[n / 2] < SMOOTH;
    }

    private boolean oneSurface(double share) {
        int[] sizes = Pieces.of(mask).sizes();
        sizes[0] = 0;
        Arrays.sort(sizes);
        int most = sizes[sizes.length - 1] + (sizes.length > 2 ? sizes[sizes.length - 2] : 0);
        return most >= ONE_PIECE * share * s.length && (atBorder() > OF_THE_BORDER || holes() > HOLE * share * s.length);
    }

    private double atBorder() {
        int n = 0;
        for (int x = 0; x < width; x++) {
            n += cloth(x) + cloth((height - 1) * width + x);
        }
        for (int y = 0; y < height; y++) {
            n += cloth(y * width) + cloth(y * width + width - 1);
        }
        return n / (2.0 * (width + height));
    }

    private int cloth(int i) {
        return mask.data()[i] > 0 ? 1 : 0;
    }

    /// Pixels that the cloth closes in: a subject before it.
    private int holes() {
        Plane other = Plane.of(width, height);
        for (int i = 0; i < s.length; i++) {
            other.data()[i] = 1 - mask.data()[i];
        }
        Pieces p = Pieces.of(other);
        boolean[] outside = new boolean[p.sizes().length];
        outside[0] = true;
        for (int i = 0; i < s.length; i++) {
            outside[p.piece()[i]] |= i % width == 0 || i % width == width - 1 || i < width || i >= s.length - width;
        }
        int n = 0;
        for (int i = 0; i < outside.length; i++) {
            n += outside[i] ? 0 : p.sizes()[i];
        }
        return n;
    }

    /// Whether all else is lit in that colour too.
    private boolean lit() {
        int all = 0;
        int coloured = 0;
        for (int i = 0; i < s.length; i++) {
            if (cloth(i) == 0 && s[i] + a.data()[i] + b.data()[i] > 3 * LIT) {
                all++;
                coloured += s[i] > 1.15f * Math.max(a.data()[i], b.data()[i]) ? 1 : 0;
            }
        }
        return all > (1 - FILLED) * s.length && coloured > COLOURED_LIGHT * all;
    }
}
