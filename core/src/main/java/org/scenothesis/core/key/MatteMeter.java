package org.scenothesis.core.key;

import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.key.MatteAreas.Status;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Morphology;
import org.scenothesis.core.picture.Plane;

/// Measures a matte as one would look at it: is it solid inside, empty outside, thin at the edge, calm over time, and clear of the cloth's
/// border.
public final class MatteMeter {
    private static final int LEAST_INSIDE_PX = 4;
    /// An edge is as soft as the picture is large: this part of its width is edge, not inside.
    private static final int INSIDE_PART = 240;
    private static final float SOLID = 0.99f;
    /// What leads by more has that colour of its own; no cloth shines so.
    private static final float OWN = 0.2f;
    private static final float EMPTY = 0.01f;

    private MatteMeter() {}

    /// - `before`: the matte of the frame before, for flicker; null for none.
    public static MatteMeasures measure(Keyed keyed, ScreenModel model, @Nullable Plane before, Bands bands) {
        MatteAreas areas = MatteAreas.of(keyed, model, bands);
        Plane a = keyed.alpha();
        long rim = rim(a, a.width());
        long edge = 0;
        long solid = 0;
        for (float v : a.data()) {
            edge += v > EMPTY && v < SOLID ? 1 : 0;
            solid += v >= SOLID ? 1 : 0;
        }
        return new MatteMeasures(
                areas.percent(Status.HOLE, Status.SOLID, Status.HOLE, Status.SEE_THROUGH), areas.percent(Status.DIRT, Status.EMPTY,
                Status.DIRT), areas.percent(Status.SEE_THROUGH, Status.SOLID, Status.HOLE, Status.SEE_THROUGH),
                rim == 0 ? 0 : edge / (double) rim, before == null ? 0 : flicker(a, before, bands), spill(keyed, model, bands),
                100.0 * solid / a.data().length, Border.of(keyed, model),
                Stream.of(Status.HOLE, Status.DIRT, Status.SEE_THROUGH).flatMap(s -> areas.place(s).stream()).toList());
    }

    /// Mean change of alpha since the frame before near edges, where it changes little: what moves is no flicker.
    private static double flicker(Plane a, Plane before, Bands bands) {
        int in = inside(a);
        Plane core = Morphology.erode(a, in, bands);
        Plane outside = Morphology.dilate(a, in, bands);
        double sum = 0;
        long calm = 0;
        for (int i = 0; i < a.data().length; i++) {
            float d = Math.abs(a.data()[i] - before.data()[i]);
            if (outside.data()[i] - core.data()[i] > 0.5f && d < 0.25f) {
                sum += d;
                calm++;
            }
        }
        return calm == 0 ? 0 : 100 * sum / calm;
    }

    private static double spill(Keyed keyed, ScreenModel model, Bands bands) {
        Plane core = Morphology.erode(keyed.alpha(), inside(keyed.alpha()), bands);
        double sum = 0;
        long n = 0;
        for (int i = 0; i < core.data().length; i++) {
            if (core.data()[i] > SOLID) {
                sum += excess(keyed, model, i);
                n++;
            }
        }
        return n == 0 ? 0 : 100 * sum / n;
    }

    private static int inside(Plane a) {
        return Math.max(LEAST_INSIDE_PX, Math.round(a.width() / (float) INSIDE_PART));
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
}
