package org.scenothesis.core.light;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.picture.Luminance;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.Evidence;

/// Finds the light of a picture from what is marked in it and the camera that took it.
///
/// Sources: shadow to direction, key to fill and the size of a source as in the field's usual geometry: from the shadow's tip to what
/// throws it; log2 of key and fill facing the key; penumbra across the light's direction.
public final class LightSolver {
    /// How far a mark set by hand is off, per coordinate.
    private static final double HAND_PX = 0.7;
    /// Sources nearer than this are one.
    private static final double SAME_DEG = 12;
    private static final double FAINT = 0.02;
    /// A size less sure than this share of itself is none.
    private static final double RESOLVED = 0.5;
    /// Colour is coarser than brightness in most files: a shadow narrower than this has taken some of its surroundings'.
    private static final double BROAD_PX = 16;

    /// Less sure than this, key to fill is not known.
    private static final double SURE_STOPS = 1.5;

    private LightSolver() {}

    /// A shadow's source: towards the light, and what was read of its edges.
    private record Seen(LightMarks.Shadow marks, Vec to, Vec base, Vec tip, Optional<ShadowStrip.Read> read) {
        double azimuth() {
            return Math.toDegrees(Math.atan2(to.x(), to.z()));
        }

        double elevation() {
            return Math.toDegrees(Math.asin(to.y()));
        }

        /// What it gives a surface that faces it, against what is left in its shadow.
        double strength() {
            double dark = read.map(ShadowStrip.Read::all).orElse(0.5);
            return Math.clamp(dark, 0, 0.99) / (1 - Math.clamp(dark, 0, 0.99)) / Math.max(0.05, to.y());
        }
    }

    /// Where the light comes from, and nothing that has to be read in the picture: quick enough for a mark that is being pulled.
    public static PictureLight direction(PictureCamera camera, LightMarks marks) {
        return solve(null, camera, LightMarks.NONE.withShadows(marks.shadows()).withLamps(marks.lamps()));
    }

    /// What the marks say; `camera` may lack its lens height, which only gives the scale.
    public static PictureLight solve(@Nullable Picture picture, PictureCamera camera, LightMarks marks) {
        List<PictureLight.Refusal> no = new ArrayList<>();
        PictureCamera c = camera.toScale().orElse(null);
        List<Seen> seen = new ArrayList<>();
        if (c == null) {
            no.add(new PictureLight.Refusal("direction", "no-camera"));
        } else {
            for (LightMarks.Shadow s : marks.shadows()) {
                Vec to = towards(c, s);
                if (to == null || to.y() < 0.01) {
                    no.add(new PictureLight.Refusal("direction", "not-on-ground"));
                    continue;
                }
                Vec base = on(c, s.base());
                Vec tip = on(c, s.tip());
                double up = Math.toDegrees(Math.asin(to.y()));
                seen.add(new Seen(s, to, base, tip, picture == null ? Optional.empty() : strip(c, picture, s, base, tip, up).read()));
            }
        }
        seen.sort(Comparator.comparingDouble((Seen s) -> -s.strength()));
        boolean any = !seen.isEmpty();
        if (marks.shadows().isEmpty()) {
            no.add(new PictureLight.Refusal("direction", "no-shadow"));
        }
        List<@Nullable Neutral> neutral = new ArrayList<>();
        if (picture != null) {
            marks.grey().forEach(a -> neutral.add(colour(a.mean(picture))));
        }
        List<PictureLight.Rim> rims = c == null ? List.of() : marks.lamps().stream().map(p -> VisibleLamps.of(picture, c, p)).toList();
        PictureLight none = PictureLight.UNKNOWN.withNeutral(neutral).withRims(rims);
        if (!any || c == null) {
            SphereShading.Read round = c == null || !marks.shadows().isEmpty() ? null : round(picture, c, marks);
            if (round == null) {
                if (!marks.rounds().isEmpty() && picture != null) {
                    no.addFirst(new PictureLight.Refusal("direction", "round-even"));
                }
                return none.withRefused(no);
            }
            no.add(new PictureLight.Refusal("size", "round"));
            return none.withHasKey(true).withHinted(true).withAzimuthDeg(round.azimuthDeg()).withElevationDeg(round.elevationDeg())
                    .withKeyToFillStops(round.stops()).withRefused(no);
        }
        Seen main = seen.getFirst();
        Estimate azimuth = angle(c, main.marks, LightSolver::azimuth);
        Estimate elevation = angle(c, main.marks, v -> Math.toDegrees(Math.asin(v.y())));
        ShadowStrip.Read read = main.read.filter(r -> r.all() > FAINT).orElse(null);
        if (read == null) {
            no.add(new PictureLight.Refusal("size", "faint"));
        }
        boolean resolved = read != null && read.sizeOff() < RESOLVED * read.sizeDeg();
        if (read != null && !resolved) {
            no.add(new PictureLight.Refusal("size", "sharp"));
        }
        double[] ratio = picture == null ? null : ratio(picture, marks, main, read);
        Estimate keyToFill = surer(ratio == null ? null : keyToFill(marks, main, ratio, read), marks.rounds().isEmpty() ? null
                : round(picture, c, marks));
        if (keyToFill == null) {
            no.add(new PictureLight.Refusal("key-to-fill", "no-pair"));
        }
        double[] grey = picture == null || marks.grey().isEmpty() ? null : marks.grey().getFirst().mean(picture);
        Neutral key = null;
        Neutral fill = null;
        boolean broad = !marks.lit().isEmpty() || read != null && read.umbraPx() >= BROAD_PX;
        if (grey != null && ratio != null && broad) {
            fill = colour(new double[] {grey[0] / ratio[0], grey[1] / ratio[1], grey[2] / ratio[2]});
            key = colour(new double[] {grey[0] - grey[0] / ratio[0], grey[1] - grey[1] / ratio[1], grey[2] - grey[2] / ratio[2]});
        } else {
            no.add(new PictureLight.Refusal("colour", grey == null ? "no-grey" : ratio == null ? "no-pair" : "narrow"));
        }
        return new PictureLight(true, false, azimuth, elevation, read == null || !resolved ? null
                : new Estimate(read.sizeDeg(), read.sizeOff()), keyToFill, neutral, key, fill, sources(seen), rims, no);
    }

    /// What the round thing that tells most says; null where none tells anything.
    private static SphereShading.@Nullable Read round(@Nullable Picture picture, PictureCamera c, LightMarks marks) {
        return picture == null ? null : marks.rounds().stream().flatMap(r -> SphereShading.of(picture, c, r).stream())
                .min(Comparator.comparingDouble(r -> r.azimuthDeg().std())).orElse(null);
    }

    /// A soft or narrow shadow tells less of the fill than the dark side of something round.
    private static @Nullable Estimate surer(@Nullable Estimate byShadow, SphereShading.@Nullable Read round) {
        Estimate byRound = round == null ? null : round.stops();
        return byRound == null || byShadow != null && byShadow.std() <= byRound.std() ? byShadow : byRound;
    }

    private static ShadowStrip strip(PictureCamera c, Picture picture, LightMarks.Shadow s, Vec base, Vec tip, double upDeg) {
        RoundObject girth = RoundObject.of(picture, s.base(), s.top());
        return new ShadowStrip(c, picture, s, base, tip, upDeg, girth, wide(c, s, girth.px()));
    }

    /// How wide what throws a shadow is, in metres, by its width in the picture at its distance.
    private static double wide(PictureCamera c, LightMarks.Shadow s, double px) {
        double high = c.height(s.base(), s.top()).map(Estimate::value).orElse(Double.NaN);
        // Half way up, where it was measured, it is as far away as the foot is on the whole.
        Vec m = on(c, s.base()).plus(Vec.UP.times(0.63 * high));
        Vec d = new Vec(m.z(), 0, -m.x()).unit().times(0.01);
        Point a = c.project(m).orElse(null);
        Point b = c.project(m.plus(d)).orElse(null);
        return a == null || b == null ? Double.NaN : px * 0.01 / b.minus(a).length();
    }

    private static double azimuth(Vec v) {
        return Math.toDegrees(Math.atan2(v.x(), v.z()));
    }

    private static Vec on(PictureCamera c, Point p) {
        return c.ground(p).map(g -> new Vec(g.rightM(), 0, g.forwardM())).orElse(Vec.ZERO);
    }

    /// From the tip of the shadow to the top of what throws it, of unit length; null where one of them is nowhere.
    private static @Nullable Vec towards(PictureCamera c, LightMarks.Shadow s) {
        if (c.ground(s.base()).isEmpty() || c.ground(s.tip()).isEmpty()) {
            return null;
        }
        double high = c.height(s.base(), s.top()).map(Estimate::value).orElse(0.0);
        Vec d = on(c, s.base()).minus(on(c, s.tip())).plus(Vec.UP.times(high));
        return high <= 0 || d.length() < 1e-9 ? null : d.unit();
    }

    /// An angle of the direction, with what marks and camera may be off.
    private static Estimate angle(PictureCamera c, LightMarks.Shadow s, ToDoubleFunction<Vec> of) {
        double at = value(c, s, of, Double.NaN);
        double sum = Math.pow(c.follows(x -> wrapped(value(x, s, of, at), at)), 2);
        for (int k = 0; k < 6; k++) {
            Point by = new Point(k % 2 == 0 ? HAND_PX : 0, k % 2 == 0 ? 0 : HAND_PX);
            LightMarks.Shadow o = new LightMarks.Shadow(k < 2 ? s.base().plus(by) : s.base(), k / 2 == 1 ? s.top().plus(by) : s.top(),
                    k / 2 == 2 ? s.tip().plus(by) : s.tip());
            double d = wrapped(value(c, o, of, at), at) - at;
            sum += d * d;
        }
        return new Estimate(at, Math.sqrt(sum));
    }

    private static double value(PictureCamera c, LightMarks.Shadow s, ToDoubleFunction<Vec> of, double otherwise) {
        Vec v = towards(c, s);
        return v == null ? otherwise : of.applyAsDouble(v);
    }

    private static double wrapped(double v, double near) {
        return near + Math.IEEEremainder(v - near, 360);
    }

    private static @Nullable Neutral colour(double[] rgb) {
        return Neutral.of(rgb[0], rgb[1], rgb[2]).orElse(null);
    }

    /// How much brighter the same level ground is in the light than in the shadow, of red, green, blue; null where nothing says so.
    private static double @Nullable [] ratio(Picture picture, LightMarks marks, Seen main, ShadowStrip.@Nullable Read read) {
        if (!marks.lit().isEmpty()) {
            double[] sum = new double[3];
            for (int i = 0; i < marks.lit().size(); i++) {
                double[] lit = marks.lit().get(i).area().mean(picture);
                double[] dark = marks.unlit().get(i).area().mean(picture);
                double own = Math.max(0.02, cosine(marks.lit().get(i).lies(), main));
                for (int c = 0; c < 3; c++) {
                    // As level ground would show it.
                    sum[c] += (lit[c] / Math.max(1e-6, dark[c]) - 1) / own * main.to.y() + 1;
                }
            }
            return new double[] {sum[0] / marks.lit().size(), sum[1] / marks.lit().size(), sum[2] / marks.lit().size()};
        }
        if (read == null) {
            return null;
        }
        double[] out = new double[3];
        for (int c = 0; c < 3; c++) {
            out[c] = 1 / (1 - Math.clamp(read.dark()[c], 0.001, 0.995));
        }
        return out;
    }

    /// Cosine between a surface and the key.
    private static double cosine(Evidence.Lies lies, Seen main) {
        return switch (lies) {
            case GROUND -> main.to.y();
            case UPRIGHT -> -main.to.z();
            case FACING -> 1;
        };
    }

    private static @Nullable Estimate keyToFill(LightMarks marks, Seen main, double[] ratio, ShadowStrip.@Nullable Read read) {
        double lit = Luminance.of(ratio[0], ratio[1], ratio[2]);
        if (marks.lit().isEmpty() && read != null) {
            lit = 1 / (1 - Math.clamp(read.all(), 0.001, 0.995));
        }
        double share = (lit - 1) / main.to.y();
        if (share <= 1e-3) {
            return null;
        }
        double dark = 1 - 1 / lit;
        double off = marks.lit().isEmpty() && read != null ? read.allOff() : 0.03 * dark;
        double std = off / Math.max(1e-3, dark * (1 - dark)) / Math.log(2) + 0.05;
        return std > SURE_STOPS ? null : new Estimate(Math.log(share) / Math.log(2), std);
    }

    private static List<PictureLight.Source> sources(List<Seen> seen) {
        List<PictureLight.Source> out = new ArrayList<>();
        List<Seen> apart = new ArrayList<>();
        for (Seen s : seen) {
            if (apart.stream().noneMatch(o -> Math.toDegrees(Math.acos(Math.clamp(o.to.dot(s.to), -1, 1))) < SAME_DEG)) {
                apart.add(s);
            }
        }
        double all = apart.stream().mapToDouble(Seen::strength).sum();
        apart.forEach(s -> out.add(new PictureLight.Source(s.azimuth(), s.elevation(), s.strength() / all)));
        return out;
    }
}
