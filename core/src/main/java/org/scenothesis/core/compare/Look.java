package org.scenothesis.core.compare;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.light.Area;
import org.scenothesis.core.picture.Luminance;
import org.scenothesis.core.picture.Picture;

/// What a picture is like by itself: its contrast, its colours, its softness and its grain.
///
/// - `shares`: which share of it lies in each of equal steps of light, from `LOWEST` stops below full light up to full light. `darkStops`,
///   `brightStops`: its darkest and its brightest twentieth, in stops below 1.
/// - `colours`: the mean of its dark, middle and bright third, in linear light. `blurPx`: deviation of the blur of its edges, NaN where
///   there are no clear ones.
/// - `grain`: a flat piece of it, `GRAIN` pixels square, as what every pixel is off in shares of the piece's mean; empty where nothing is
///   flat.
public record Look(List<Double> shares, double darkStops, double brightStops, List<Swatch> colours, double blurPx, Noise noise,
        List<Double> grain) {
    public static final double LOWEST = -9;
    /// Side of the piece that shows the grain, in pixels.
    public static final int GRAIN = 24;
    private static final int STEPS = 45;
    private static final int SIDE = 4;
    private static final double END = 0.05;
    private static final double CLIPPED = 0.95;
    private static final double DARKEST = 0.01;

    public Look {
        shares = List.copyOf(shares);
        colours = List.copyOf(colours);
        grain = List.copyOf(grain);
    }

    /// A colour in linear light.
    public record Swatch(double r, double g, double b) {}

    /// Whether a place of the picture counts, in pixels from its outer corner.
    @FunctionalInterface
    public interface Places {
        boolean hold(double x, double y);
    }

    /// - `frames`: some frames of one camera and size; the first is looked at, the others tell of the noise. `area`: null for the whole
    ///   picture.
    public static Look of(List<Picture> frames, @Nullable Area area) {
        return among(frames, area == null ? (x, y) -> true : area::holds);
    }

    /// The same of the places that count, for contrast and colours.
    public static Look among(List<Picture> frames, Places places) {
        Picture p = frames.getFirst();
        List<Blocks.Block> all = Blocks.of(p, SIDE).all().stream().filter(k -> places.hold(k.x() + SIDE / 2.0, k.y() + SIDE / 2.0))
                .sorted(Comparator.comparingDouble(Look::light)).toList();
        double[] v = all.stream().mapToDouble(Look::light).toArray();
        double dark = v.length == 0 ? Double.NaN : stops(v[(int) (END * (v.length - 1))]);
        double bright = v.length == 0 ? Double.NaN : stops(v[(int) ((1 - END) * (v.length - 1))]);
        return new Look(shares(v), dark, bright, thirds(all), Sharpness.blurPx(p), Noise.of(frames), grain(p));
    }

    private static double light(Blocks.Block k) {
        return Luminance.of(k.mean()[0], k.mean()[1], k.mean()[2]);
    }

    private static double stops(double v) {
        return Math.log(Math.max(1e-5, v)) / Math.log(2);
    }

    private static List<Double> shares(double[] v) {
        Double[] out = new Double[STEPS];
        Arrays.fill(out, 0.0);
        for (double x : v) {
            int i = (int) Math.floor((stops(x) - LOWEST) / -LOWEST * STEPS);
            out[Math.clamp(i, 0, STEPS - 1)] += 1.0 / v.length;
        }
        return List.of(out);
    }

    private static List<Swatch> thirds(List<Blocks.Block> all) {
        List<Swatch> out = new ArrayList<>();
        for (int k = 0; k < 3 && all.size() >= 3; k++) {
            List<Blocks.Block> part = all.subList(k * all.size() / 3, (k + 1) * all.size() / 3);
            double[] mean = new double[3];
            for (int c = 0; c < 3; c++) {
                int channel = c;
                mean[c] = part.stream().mapToDouble(b -> b.mean()[channel]).average().orElse(0);
            }
            out.add(new Swatch(mean[0], mean[1], mean[2]));
        }
        return out;
    }

    /// The flattest piece that is neither black nor clipped.
    private static List<Double> grain(Picture p) {
        Blocks.Block best = Blocks.of(p, GRAIN).all().stream()
                .filter(k -> light(k) > DARKEST && Math.max(k.mean()[0], Math.max(k.mean()[1], k.mean()[2])) < CLIPPED)
                .min(Comparator.comparingDouble(k -> k.variance()[1] / (k.mean()[1] * k.mean()[1] + 1e-9))).orElse(null);
        List<Double> out = new ArrayList<>();
        for (int i = 0; best != null && i < GRAIN * GRAIN; i++) {
            int x = best.x() + i % GRAIN;
            int y = best.y() + i / GRAIN;
            out.add(p.light(x, y) / light(best) - 1);
        }
        return out;
    }
}
