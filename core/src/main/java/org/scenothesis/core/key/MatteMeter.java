package org.scenothesis.core.key;

import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Morphology;
import org.scenothesis.core.picture.Plane;

/// Measures a matte as one would look at it: is it solid inside, empty outside, thin at the edge, calm over time, and clear of the cloth's
/// border.
public final class MatteMeter {
    private static final int LEAST_INSIDE_PX = 4;
    /// An edge is as soft as the picture is large: this part of its width is edge, not inside.
    private static final int INSIDE_PART = 240;
    /// Holes up to twice this wide are holes; wider openings may well belong to the subject, as in a ring.
    private static final int CLOSED_PX = 3;
    /// How near to the cloth's own colour an opening shows it.
    private static final float CLOTH = 0.15f;
    private static final float SOLID = 0.99f;
    /// What leads by more has that colour of its own; no cloth shines so.
    private static final float OWN = 0.2f;
    private static final float EMPTY = 0.01f;

    private MatteMeter() {}

    /// - `before`: the matte of the frame before, for flicker; null for none.
    public static MatteMeasures measure(Keyed keyed, ScreenModel model, @Nullable Plane before, Bands bands) {
        Plane a = keyed.alpha();
        int w = a.width();
        int in = Math.max(LEAST_INSIDE_PX, Math.round(w / (float) INSIDE_PART));
        Plane core = Morphology.erode(a, in, bands);
        Plane outside = Morphology.dilate(a, in, bands);
        Plane filled = Morphology.erode(Morphology.dilate(step(a, 0.5f), CLOSED_PX, bands), CLOSED_PX + in, bands);
        Plane openings = openings(keyed, in, bands);
        long inside = 0;
        long holes = 0;
        long empty = 0;
        long dirt = 0;
        long edge = 0;
        long solid = 0;
        double spill = 0;
        double flicker = 0;
        long calm = 0;
        for (int i = 0; i < a.data().length; i++) {
            float v = a.data()[i];
            if (filled.data()[i] > 0.5f && openings.data()[i] < 0.5f) {
                inside++;
                holes += v < SOLID ? 1 : 0;
                spill += excess(keyed, model, i);
            }
            if (v > EMPTY && v < SOLID) {
                edge++;
            }
            solid += v >= SOLID ? 1 : 0;
            if (keyed.inside().data()[i] > 0.99f && !nearSubject(outside, i)) {
                empty++;
                dirt += v > EMPTY ? 1 : 0;
            }
            if (before != null && outside.data()[i] - core.data()[i] > 0.5f) {
                float d = Math.abs(v - before.data()[i]);
                if (d < 0.25f) {
                    flicker += d;
                    calm++;
                }
            }
        }
        long rim = rim(a, w);
        return new MatteMeasures(
                percent(holes, inside), percent(dirt, empty), rim == 0 ? 0 : edge / (double) rim, calm == 0 ? 0 : 100 * flicker / calm,
                inside == 0 ? 0 : 100 * spill / inside, percent(solid, a.data().length), Border.of(keyed, model));
    }

    /// Where the cloth itself is seen, as through the handle of a lantern, and the edge around it: no hole of the matte.
    private static Plane openings(Keyed keyed, int in, Bands bands) {
        Plane a = keyed.alpha();
        Plane seen = Plane.of(a.width(), a.height());
        for (int i = 0; i < a.data().length; i++) {
            seen.data()[i] = a.data()[i] < EMPTY && Math.abs(keyed.separation().data()[i]) < CLOTH ? 1 : 0;
        }
        return Morphology.dilate(seen, in + CLOSED_PX, bands);
    }

    private static boolean nearSubject(Plane outside, int i) {
        return outside.data()[i] >= 0.5f;
    }

    private static Plane step(Plane a, float at) {
        Plane out = Plane.of(a.width(), a.height());
        for (int i = 0; i < out.data().length; i++) {
            out.data()[i] = a.data()[i] >= at ? 1 : 0;
        }
        return out;
    }

    /// Number of pixels on the half-way line: length of the subject's outline.
    private static long rim(Plane a, int w) {
        long rim = 0;
        for (int i = 0; i + w < a.data().length; i++) {
            boolean here = a.data()[i] >= 0.5f;
            boolean change = here != (a.data()[i + 1] >= 0.5f) || here != (a.data()[i + w] >= 0.5f);
            rim += change ? 1 : 0;
        }
        return rim;
    }

    private static float excess(Keyed keyed, ScreenModel model, int i) {
        ScreenHue hue = model.hue();
        float s = hue.screen(keyed.element()).data()[i];
        float most = Math.max(hue.first(keyed.element()).data()[i], hue.second(keyed.element()).data()[i]);
        float lead = Math.max(0, s - most) / Math.max(0.05f, s);
        return lead > OWN ? 0 : lead;
    }

    private static double percent(long part, long of) {
        return of == 0 ? 0 : 100.0 * part / of;
    }
}
