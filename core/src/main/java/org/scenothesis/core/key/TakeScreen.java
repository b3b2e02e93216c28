package org.scenothesis.core.key;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Morphology;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Polygon;
import org.scenothesis.core.picture.PushPull;

/// The screen model of a locked take: at each pixel the middle of those moments that show the screen; the rest is continued smoothly.
///
/// Frames are added one after another; what shows the screen is kept at 16 bits a value, a part in two thousand, which the mean of the
/// middle half does not show.
public final class TakeScreen {
    private static final double LEAST_SHARE = 0.005;

    private final Bands bands;
    private final List<Moment> moments = new ArrayList<>();
    private final Worn worn;
    private @Nullable Picture first;
    private @Nullable ScreenHue hue;

    /// One frame: where it surely shows the screen, its colours there one after another, and how many of them come before each row.
    private record Moment(BitSet sure, short[][] colours, int[] before) {}

    /// Nothing looked at yet.
    public TakeScreen(Bands bands) {
        this.bands = bands;
        worn = new Worn(bands);
    }

    /// @throws IllegalArgumentException if the frame has another shape than the first
    public void add(Picture frame) {
        if (first == null || hue == null) {
            first = frame;
            hue = ScreenHue.of(frame);
        }
        frame.r().requireShape(first.r());
        Plane sure = Morphology.erode(ScreenModels.likely(frame, hue), ScreenModels.margin(frame, 2), bands);
        worn.add(frame, sure);
        int[] before = before(sure);
        moments.add(new Moment(bits(sure), frame.colours().stream().map(p -> halves(p, sure, before, bands)).toArray(short[][]::new),
                before));
    }

    /// The model of what was added; the frames are let go. Null when they show no screen colour, or none was added.
    public @Nullable ScreenModel model() {
        Picture one = first;
        ScreenHue of = hue;
        if (one == null || of == null || moments.size() < 3) {
            moments.clear();
            return one == null ? null : ScreenModels.fromFrame(one, bands);
        }
        first = null;
        int w = one.width();
        int h = one.height();
        Picture seen = Picture.of(w, h);
        Plane known = Plane.of(w, h);
        bands.run(h, (from, to, band) -> {
            float[][] values = new float[3][moments.size()];
            int[] at = moments.stream().mapToInt(m -> m.before[from]).toArray();
            for (int i = from * w; i < to * w; i++) {
                int n = gather(i, at, values);
                if (n >= 2) {
                    known.data()[i] = 1;
                    for (int c = 0; c < 3; c++) {
                        seen.colours().get(c).data()[i] = middle(values[c], n);
                    }
                }
            }
        });
        boolean moves = worn.worn();
        Polygon outline = moves ? null : Cloth.outline(ever(w, h));
        moments.clear();
        return ScreenModels.share(known) < LEAST_SHARE ? null
                : continued(seen, known, of, moves ? ScreenModel.Source.WORN : ScreenModel.Source.TAKE, outline);
    }

    private ScreenModel continued(Picture seen, Plane known, ScreenHue of, ScreenModel.Source source, @Nullable Polygon outline) {
        Plane[] smooth = PushPull.fill(seen.colours(), known, bands).stream().map(p -> Blur.gaussian(p, ScreenModels.PLATE_SIGMA_PX, bands))
                .toArray(Plane[]::new);
        return new ScreenModel(new Picture(smooth[0], smooth[1], smooth[2], null), of, source, outline);
    }

    /// What the moments that show the screen at pixel `i` have there; `at` is where each of them has come to.
    private int gather(int i, int[] at, float[][] values) {
        int n = 0;
        for (int m = 0; m < at.length; m++) {
            Moment moment = moments.get(m);
            if (moment.sure.get(i)) {
                for (int c = 0; c < 3; c++) {
                    values[c][n] = Float.float16ToFloat(moment.colours[c][at[m]]);
                }
                at[m]++;
                n++;
            }
        }
        return n;
    }

    /// Where any of the frames shows the cloth.
    private Plane ever(int w, int h) {
        BitSet any = new BitSet(w * h);
        moments.forEach(m -> any.or(m.sure));
        Plane out = Plane.of(w, h);
        any.stream().forEach(i -> out.data()[i] = 1);
        return out;
    }

    // Mean of the middle half: as robust as the median, less noisy.
    private static float middle(float[] v, int n) {
        Arrays.sort(v, 0, n);
        int from = n / 4;
        int to = n - from;
        float sum = 0;
        for (int i = from; i < to; i++) {
            sum += v[i];
        }
        return sum / (to - from);
    }

    private static BitSet bits(Plane sure) {
        BitSet out = new BitSet(sure.data().length);
        for (int i = 0; i < sure.data().length; i++) {
            if (sure.data()[i] > 0.5f) {
                out.set(i);
            }
        }
        return out;
    }

    private static int[] before(Plane sure) {
        int[] out = new int[sure.height() + 1];
        for (int y = 0; y < sure.height(); y++) {
            int n = 0;
            for (int x = 0; x < sure.width(); x++) {
                n += sure.at(x, y) > 0.5f ? 1 : 0;
            }
            out[y + 1] = out[y] + n;
        }
        return out;
    }

    private static short[] halves(Plane p, Plane sure, int[] before, Bands bands) {
        short[] out = new short[before[p.height()]];
        bands.run(p.height(), (from, to, band) -> {
            int n = before[from];
            for (int i = from * p.width(); i < to * p.width(); i++) {
                if (sure.data()[i] > 0.5f) {
                    out[n++] = Float.floatToFloat16(p.data()[i]);
                }
            }
        });
        return out;
    }
}
