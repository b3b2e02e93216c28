package org.scenothesis.core.compare;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Limit;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.light.Area;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.step.ColourGrade;

/// How far two pictures of one set are apart.
///
/// - `plate`, `other`: what each is like. `tone`: what brings the first to the second; null where too little could be compared.
public record PictureComparison(Look plate, Look other, @Nullable ColourGrade tone) {
    private static final Limit SHARPNESS = new Limit(1.25, 1.6);
    private static final Limit GRAIN = new Limit(1.25, 2);
    private static final Limit CONTRAST = new Limit(0.15, 0.5);

    /// - `plate`, `other`: some frames of each, of one size; the first of both are compared, the others tell of the noise. `area`: null for
    ///   the whole picture.
    public static PictureComparison of(List<Picture> plate, List<Picture> other, @Nullable Area area) {
        return of(plate, Look.of(plate, area), other, Look.of(other, area), area);
    }

    /// The same where it is known already what both are like.
    public static PictureComparison of(List<Picture> plate, Look look, List<Picture> other, Look otherLook, @Nullable Area area) {
        Picture a = plate.getFirst();
        Picture b = other.getFirst();
        ToneFit.Inside inside = area == null ? (x, y) -> true : area::holds;
        return new PictureComparison(look, otherLook, a.sameShape(b) ? ToneFit.of(a, b, inside).orElse(null) : null);
    }

    /// The same with what brings the first to the second told by areas that show the same things in both, in one order: black, middle,
    /// white, skin, a grey card.
    public PictureComparison by(Picture first, List<Area> own, Picture second, List<Area> others) {
        return new PictureComparison(plate, other, ToneFit.of(first, own, second, others).orElse(null));
    }

    /// How much wider the edges of the second are; NaN where one has no clear edges.
    public double blurRatio() {
        return other.blurPx() / plate.blurPx();
    }

    /// Grain of the first.
    public Noise noise() {
        return plate.noise();
    }

    /// Grain of the second.
    public Noise otherNoise() {
        return other.noise();
    }

    /// By how many stops the light of the second spans more, between its darkest and brightest twentieth.
    public double contrastStops() {
        return other.brightStops() - other.darkStops() - plate.brightStops() + plate.darkStops();
    }

    /// How much brighter the darkest twentieth of the second is, in stops.
    public double blackStops() {
        return other.darkStops() - plate.darkStops();
    }

    /// One difference with its limit; in codes.
    public record Judged(String what, double value, Limit limit, boolean sure) {
        /// By its limit; not measured where there is no value, or where that is only a bound.
        public Verdict verdict() {
            return sure ? limit.judge(value) : Verdict.NOT_MEASURED;
        }
    }

    /// The differences that have a limit: as much too soft is as bad as as much too sharp. Grain is sure where both were read from time;
    /// from flat areas it may be texture.
    public List<Judged> judged() {
        return List.of(
                new Judged("sharpness", ratio(blurRatio()), SHARPNESS, true), new Judged("grain", ratio(noiseRatio()), GRAIN, noise()
                .fromTime() && otherNoise().fromTime()), new Judged("contrast", contrastStops(), CONTRAST, true),
                new Judged("black", blackStops(), CONTRAST, true));
    }

    private static double ratio(double r) {
        return Math.max(r, 1 / r);
    }

    /// How much more noise the second has at a middle grey, as a ratio of deviations; NaN where the first has none.
    public double noiseRatio() {
        double own = noise().at(0.18);
        return own <= 0 ? Double.NaN : otherNoise().at(0.18) / own;
    }
}
