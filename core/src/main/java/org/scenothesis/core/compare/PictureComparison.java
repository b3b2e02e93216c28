package org.scenothesis.core.compare;

import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Limit;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.light.Area;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.step.Tone;

/// How far two pictures of one set are apart.
///
/// - `tone`: what brings the first to the second; null where too little could be compared. `blurRatio`: how much wider the edges of the second are; NaN where one has no clear edges.
/// - `contrastStops`: by how many stops the light of the second spans more, between its darkest and brightest twentieth; `blackStops`: how much brighter its darkest twentieth is.
public record PictureComparison(@Nullable Tone tone, double blurRatio, Noise noise, Noise otherNoise, double contrastStops, double blackStops) {
    private static final double END = 0.05;
    private static final Limit SHARPNESS = new Limit(1.25, 1.6);
    private static final Limit GRAIN = new Limit(1.25, 2);
    private static final Limit CONTRAST = new Limit(0.15, 0.5);

    /// - `plate`, `other`: some frames of each, of one size; the first of both are compared, the others tell of the noise. `area`: null for the whole picture.
    public static PictureComparison of(List<Picture> plate, List<Picture> other, @Nullable Area area) {
        Picture a = plate.getFirst();
        Picture b = other.getFirst();
        ToneFit.Inside inside = area == null ? (x, y) -> true : area::holds;
        double[] spanA = span(a, inside);
        double[] spanB = span(b, inside);
        Tone tone = a.sameShape(b) ? ToneFit.of(a, b, inside).orElse(null) : null;
        return new PictureComparison(tone, Sharpness.blurPx(b) / Sharpness.blurPx(a), Noise.of(plate), Noise.of(other), spanB[1] - spanB[0] - spanA[1] + spanA[0], spanB[0] - spanA[0]);
    }

    /// The darkest and the brightest twentieth, in stops.
    private static double[] span(Picture p, ToneFit.Inside inside) {
        double[] v = Blocks.of(p, 4).all().stream().filter(k -> inside.holds(k.x() + 2.0, k.y() + 2.0)).mapToDouble(k -> 0.2126 * k.mean()[0] + 0.7152 * k.mean()[1] + 0.0722 * k.mean()[2]).toArray();
        Arrays.sort(v);
        if (v.length == 0) {
            return new double[] {Double.NaN, Double.NaN};
        }
        return new double[] {stops(v[(int) (END * (v.length - 1))]), stops(v[(int) ((1 - END) * (v.length - 1))])};
    }

    private static double stops(double v) {
        return Math.log(Math.max(1e-5, v)) / Math.log(2);
    }

    /// One difference with its limit; in codes.
    public record Judged(String what, double value, Limit limit, boolean sure) {
        /// By its limit; not measured where there is no value, or where that is only a bound.
        public Verdict verdict() {
            return sure ? limit.judge(value) : Verdict.NOT_MEASURED;
        }
    }

    /// The differences that have a limit: as much too soft is as bad as as much too sharp. Grain is sure where both were read from time; from flat areas it may be texture.
    public List<Judged> judged() {
        return List.of(
                new Judged("sharpness", ratio(blurRatio), SHARPNESS, true), new Judged("grain", ratio(noiseRatio()), GRAIN, noise.fromTime() && otherNoise.fromTime()), new Judged("contrast", contrastStops, CONTRAST, true),
                new Judged("black", blackStops, CONTRAST, true));
    }

    private static double ratio(double r) {
        return Math.max(r, 1 / r);
    }

    /// How much more noise the second has at a middle grey, as a ratio of deviations; NaN where the first has none.
    public double noiseRatio() {
        double own = noise.at(0.18);
        return own <= 0 ? Double.NaN : otherNoise.at(0.18) / own;
    }
}
