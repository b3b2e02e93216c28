package org.scenothesis.core.key;

import java.util.Optional;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.Morphology;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.vision.Pieces;

/// What each pixel of a matte is, as someone who looks at it would say: the thin edge of a subject is no fault, a hole in it is.
///
/// - A *hole* is closed in by what is solid and shows no bare cloth. Where bare cloth is seen it is an opening, as in a ring.
/// - *See-through* is what is neither solid nor near anything empty: a veil, glass, smoke, blur, or a subject of the cloth's colour; the
///   picture alone does not tell which.
/// - *Dirt* lies apart from the subject, or is as dark and wide as a shadow on the cloth.
public final class MatteAreas {
    /// What a pixel can be. `EMPTY`, `EDGE` and `SOLID` are as they should be.
    public enum Status {
        EMPTY,
        EDGE,
        SOLID,
        HOLE,
        SEE_THROUGH,
        DIRT
    }

    private static final Status[] STATES = Status.values();
    private static final int LEAST_PX = 4;
    /// An edge is as soft as the picture is large.
    private static final int PART = 240;
    private static final float FULL = 0.97f;
    private static final float NOTHING = 0.02f;
    private static final float HALF = 0.5f;
    /// A narrow gap is never quite empty.
    private static final float OPEN = 0.12f;
    /// Less is not seen, neither in the matte nor over anything.
    private static final float SEEN = 0.035f;
    /// Less of something apart is dirt.
    private static final float SOMETHING = 0.2f;
    /// How near to the cloth's own colour an opening shows it.
    private static final float CLOTH = 0.15f;
    /// Brightest channel of what is in a shadow, of the cloth's.
    private static final float DARK = 0.12f;
    private static final double CALM_PX = 1;
    private static final int NEAR_PX = 2;

    private final int width;
    private final int height;
    private final byte[] status;

    private MatteAreas(Keyed keyed, ScreenModel model, Bands bands) {
        Plane alpha = keyed.alpha();
        width = alpha.width();
        height = alpha.height();
        status = new byte[width * height];
        int thin = Math.max(LEAST_PX, Math.round(width / (float) PART));
        Plane calm = Blur.gaussian(alpha, CALM_PX, bands);
        Plane nearEmpty = Morphology.dilate(below(calm, NOTHING), 2 * thin, bands);
        for (int i = 0; i < status.length; i++) {
            float a = calm.data()[i];
            set(i, a < NOTHING ? Status.EMPTY : a >= FULL ? Status.SOLID : nearEmpty.data()[i] > HALF ? Status.EDGE : Status.SEE_THROUGH);
        }
        holes(keyed, calm, bands);
        dirt(calm);
        shadow(keyed, model, calm, thin, bands);
    }

    /// Looks at a keyed frame.
    public static MatteAreas of(Keyed keyed, ScreenModel model, Bands bands) {
        return new MatteAreas(keyed, model, bands);
    }

    private void holes(Keyed keyed, Plane calm, Bands bands) {
        Pieces p = Pieces.of(Morphology.dilate(below(calm, FULL), NEAR_PX, bands));
        boolean[] open = new boolean[p.sizes().length];
        for (int i = 0; i < status.length; i++) {
            boolean cloth = Math.abs(keyed.separation().data()[i]) < CLOTH || keyed.inside().data()[i] < HALF;
            open[p.piece()[i]] |= calm.data()[i] < OPEN && cloth;
        }
        for (int i = 0; i < status.length; i++) {
            if (p.piece()[i] > 0 && !open[p.piece()[i]] && calm.data()[i] < FULL) {
                set(i, Status.HOLE);
            }
        }
    }

    private void dirt(Plane calm) {
        Plane some = Plane.of(width, height);
        for (int i = 0; i < status.length; i++) {
            some.data()[i] = calm.data()[i] < SEEN ? 0 : 1;
        }
        Pieces p = Pieces.of(some);
        float[] most = new float[p.sizes().length];
        for (int i = 0; i < status.length; i++) {
            most[p.piece()[i]] = Math.max(most[p.piece()[i]], calm.data()[i]);
        }
        for (int i = 0; i < status.length; i++) {
            if (p.piece()[i] > 0 && most[p.piece()[i]] < SOMETHING) {
                set(i, Status.DIRT);
            }
        }
    }

    private void shadow(Keyed keyed, ScreenModel model, Plane calm, int thin, Bands bands) {
        Plane dark = Plane.of(width, height);
        float[] cloth = model.hue().screen(model.colour()).data();
        for (int i = 0; i < status.length; i++) {
            float brightest = 0;
            for (Plane c : keyed.element().colours()) {
                brightest = Math.max(brightest, c.data()[i]);
            }
            float a = calm.data()[i];
            dark.data()[i] = a >= SEEN && a < HALF && brightest < DARK * cloth[i] ? 1 : 0;
        }
        Plane wide = Morphology.dilate(Morphology.erode(dark, thin / 2, bands), thin / 2, bands);
        for (int i = 0; i < status.length; i++) {
            if (wide.data()[i] > HALF) {
                set(i, Status.DIRT);
            }
        }
    }

    private static Plane below(Plane p, float level) {
        Plane out = Plane.of(p.width(), p.height());
        for (int i = 0; i < out.data().length; i++) {
            out.data()[i] = p.data()[i] < level ? 1 : 0;
        }
        return out;
    }

    private void set(int i, Status s) {
        status[i] = (byte) s.ordinal();
    }

    /// Pixels across.
    public int width() {
        return width;
    }

    /// Pixels down.
    public int height() {
        return height;
    }

    /// What the pixel `i` is, counted by rows.
    public Status at(int i) {
        return STATES[status[i]];
    }

    /// Pixels of the first status, in percent of those of all that are named.
    double percent(Status part, Status... of) {
        long all = 0;
        for (Status s : of) {
            all += count(s);
        }
        return all == 0 ? 0 : 100.0 * count(part) / all;
    }

    long count(Status s) {
        long n = 0;
        for (byte b : status) {
            n += b == s.ordinal() ? 1 : 0;
        }
        return n;
    }

    /// Where most of a status lies together, as a share of the picture; none where less than a few pixels do.
    Optional<Place> place(Status s) {
        Plane mask = Plane.of(width, height);
        for (int i = 0; i < status.length; i++) {
            mask.data()[i] = status[i] == s.ordinal() ? 1 : 0;
        }
        Pieces p = Pieces.of(mask);
        int largest = 0;
        for (int k = 1; k < p.sizes().length; k++) {
            largest = largest == 0 || p.sizes()[k] > p.sizes()[largest] ? k : largest;
        }
        if (largest == 0 || p.sizes()[largest] < LEAST_PX * LEAST_PX) {
            return Optional.empty();
        }
        for (int i = 0; i < status.length; i++) {
            mask.data()[i] = p.piece()[i] == largest ? 1 : 0;
        }
        Box b = Box.around(mask, HALF);
        return Optional.of(new Place(s, b.left() / (double) width, b.top() / (double) height, b.right() / (double) width,
                b.bottom() / (double) height));
    }

    /// A part of the picture and what is the matter there; its sides in shares of the picture.
    public record Place(Status what, double left, double top, double right, double bottom) {
        /// Its middle, in shares of the picture.
        public Point middle() {
            return new Point((left + right) / 2, (top + bottom) / 2);
        }
    }
}
