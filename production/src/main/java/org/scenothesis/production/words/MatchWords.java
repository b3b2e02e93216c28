package org.scenothesis.production.words;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.background.Busy;
import org.scenothesis.core.background.Suitability;
import org.scenothesis.core.cameratrack.MovingCamera;
import org.scenothesis.core.compare.Look;
import org.scenothesis.core.compare.PictureComparison;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.light.Neutral;
import org.scenothesis.core.light.PictureLight;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.stage.Stage;

/// What is said of the camera and the light of a picture.
public final class MatchWords {
    private static final double SURE_SHARE = 0.01;
    private static final double SURE_DEG = 0.3;
    private static final double MIDDLE_GREY = 0.18;
    private static final double SURE_STOPS = 0.3;

    private MatchWords() {}

    /// Why something is not known, with the mark that would help.
    public static String why(PictureCamera.Refusal r) {
        String own = "camera.refused." + r.what() + "." + r.why();
        return Words.of(Words.has(own) ? own : "camera.refused." + r.why());
    }

    /// One question of a background, answered.
    public static String reason(Suitability s, Suitability.Reason r) {
        String key = "suits." + r.question();
        return switch (r.question()) {
            case CAMERA -> Words.of(key, Words.of("background." + s.report().camera()));
            case PERMISSION -> Words.of(key + "." + (r.verdict() == Verdict.HOLDS));
            case FLICKER -> Double.isNaN(r.value()) ? Words.of(key + ".none") : Words.of(key, Words.stops(r.value()));
            case PIXELS -> Words.of(r.verdict() == Verdict.HOLDS ? key + ".enough" : key, Words.number(r.value(), 2));
            case BARS -> Words.of(s.report().bars().none() ? key + ".none" : key, Words.number(100 * r.value(), 0));
            case ROOM -> Double.isNaN(r.value()) ? Words.of(key + ".none")
                    : Words.of(key, Words.number(100 * r.value(), r.value() < 0.1 ? 1 : 0)) + s.quieter()
                    .map(q -> Words.of(key + ".quieter", place(q))).orElse("");
            case OWN_MOTION -> Double.isNaN(r.value()) ? Words.of(key + ".none")
                    : Words.of(key, Words.number(100 * r.value(), r.value() < 0.1 ? 1 : 0));
        };
    }

    /// "at the left, low": where a part of the picture is.
    private static String place(Busy.Room q) {
        double x = q.middle();
        double y = q.y() + q.high() / 2;
        return Words.of("place." + (x < 0.38 ? "left" : x > 0.62 ? "right" : "middle"))
                + Words.of("place." + (y < 0.38 ? "high" : y > 0.62 ? "low" : "half"));
    }

    /// Why something of a camera that moves is not known, and what would help.
    public static String why(MovingCamera.Refusal r) {
        return Words.of("moving.refused." + r.why());
    }

    /// Why something of the light is not known, with the mark that would help.
    public static String why(PictureLight.Refusal r) {
        return Words.of("light.refused." + r.why());
    }

    /// The one mark that would make the light surer.
    public static String surer(PictureLight l) {
        if (!l.refused().isEmpty() && !l.hinted()) {
            return why(l.refused().getFirst());
        }
        Estimate k = l.keyToFillStops();
        if (l.hinted()) {
            return Words.of("light.surer.shadow");
        }
        return Words.of(k != null && k.std() > SURE_STOPS ? "light.surer.pair" : wide(l.elevationDeg()) || wide(l.azimuthDeg())
                ? "light.surer.longer" : "camera.surer.none");
    }

    /// "key 78° left, 36° high": where the light comes from as the camera sees it.
    public static String direction(PictureLight l) {
        Estimate a = l.azimuthDeg();
        Estimate e = l.elevationDeg();
        if (a != null && e == null && l.hasKey()) {
            return Words.of("light.direction.side", side(a.value()));
        }
        if (a == null || e == null) {
            return Words.of(l.hasKey() ? "camera.unknown" : "light.no-shadow");
        }
        return Words.of("light.direction", side(a.value()), Words.number(e.value(), 0) + "\u00b0");
    }

    /// "18° right, 5° high, 2900 K": from where a lamp that is seen gives a rim.
    public static String rim(PictureLight.Rim r) {
        Neutral c = r.colour();
        return Words.of("light.direction", side(r.azimuthDeg()), Words.number(r.elevationDeg(), 0) + "\u00b0")
                + (c == null ? "" : ", " + Words.number(c.kelvin(), 0) + " K");
    }

    /// What a tape or a staff reads; of what cannot be measured, that.
    public static String tape(Optional<Estimate> read) {
        return read.map(e -> metres(e)).orElse(Words.of("mark.tape.unknown"));
    }

    /// "78° left": a direction as a camera sees it.
    static String side(double deg) {
        return Words.number(Math.abs(deg), 0) + "\u00b0 " + Words.of(Math.abs(deg) < 0.5 ? "light.ahead" : deg < 0 ? "light.left"
                : "light.right");
    }

    /// The one mark that would make the camera surer.
    public static String surer(PictureCamera c) {
        if (!c.refused().isEmpty()) {
            return why(c.refused().getFirst());
        }
        Estimate f = c.focalPx();
        Estimate lens = c.lensHeightM();
        if (f != null && f.share() > SURE_SHARE) {
            return Words.of("camera.surer.focal");
        }
        if (wide(c.tiltDeg()) || wide(c.rollDeg())) {
            return Words.of("camera.surer.longer");
        }
        return Words.of(lens != null && lens.share() > SURE_SHARE ? "camera.surer.length" : "camera.surer.none");
    }

    private static boolean wide(@Nullable Estimate e) {
        return e != null && e.std() > SURE_DEG;
    }

    /// What it was found from: "12 edges and 1 known length, 0.31 px left over".
    public static String from(PictureCamera c) {
        int lengths = c.marks().known().size();
        String marks = Words.count(c.linesUsed(), "edge", "edges")
                + (lengths == 0 ? "" : " and " + Words.count(lengths, "known length", "known lengths"));
        return c.linesUsed() == 0 && lengths == 0 && c.marks().horizon() == null ? Words.of("camera.from.nothing")
                : Words.of("camera.from", marks, Words.number(c.residualPx(), 2));
    }

    /// What changes for a shot that is stood on a camera: numbers of the set, and how many layers are placed by it.
    public static String stands(Shot before, Stage to) {
        Stage was = before.stage();
        if (was == null) {
            return Words.of("camera.stands", Words.of("camera.stands.new"));
        }
        List<String> out = new ArrayList<>();
        change(out, "lens", to.camera().position().value().y() - to.groundM(), was.camera().position().value().y() - was.groundM(), 2);
        change(out, "view", viewDeg(to), viewDeg(was), 1);
        change(out, "tilt", to.camera().aim().value().tiltDeg(), was.camera().aim().value().tiltDeg(), 1);
        change(out, "light", to.light().direction().value().asSeen(to.panDeg()), was.light().direction().value().asSeen(was.panDeg()), 0);
        long placed = before.layers().stream().filter(l -> l.steps().stream().anyMatch(SetPlace.class::isInstance)).count();
        if (placed > 0 && !out.isEmpty()) {
            out.add(Words.of("camera.stands.layers", Words.count(placed, "layer", "layers")));
        }
        return Words.of("camera.stands", out.isEmpty() ? Words.of("camera.stands.same") : String.join(", ", out));
    }

    private static double viewDeg(Stage s) {
        return Math.toDegrees(2 * Math.atan(0.5 / s.camera().widthShareFocal().value()));
    }

    private static void change(List<String> out, String what, double now, double before, int decimals) {
        String a = Words.number(now, decimals);
        String b = Words.number(before, decimals);
        if (!a.equals(b)) {
            out.add(Words.of("camera.stands." + what, a, b));
        }
    }

    /// "6.3 stops, black at −7.9": the span of a look's light.
    public static String span(Look l) {
        return Double.isNaN(l.darkStops()) ? Words.of("camera.unknown")
                : Words.of("look.span", Words.number(l.brightStops() - l.darkStops(), 1), Words.signed(l.darkStops(), 1));
    }

    /// "edges 0.9 px": its softness.
    public static String softness(Look l) {
        return Double.isNaN(l.blurPx()) ? Words.of("look.no-edges") : Words.of("look.edges", Words.number(l.blurPx(), 2));
    }

    /// "2.1 % of middle grey": its grain, and where it was read of flat areas only, that.
    public static String grain(Look l) {
        double share = 100 * l.noise().at(MIDDLE_GREY) / MIDDLE_GREY;
        return Words.of(l.noise().fromTime() ? "look.grain-of" : "look.grain-of.flat", Words.number(share, share < 1 ? 2 : 1));
    }

    /// "edges 1.20 times as wide": a difference of two pictures.
    public static String difference(PictureComparison c, PictureComparison.Judged d) {
        double v = d.what().equals("sharpness") ? c.blurRatio() : d.what().equals("grain") ? c.noiseRatio() : d.value();
        boolean stops = d.what().equals("contrast") || d.what().equals("black");
        return Double.isNaN(v) || !d.sure() ? Words.of("differs." + d.what() + (d.sure() ? ".unknown" : ".unsure"))
                : Words.of("differs." + d.what(), stops ? Words.stops(v) : Words.number(v, 2));
    }

    /// "± 0.03 m", or nothing where it is exact.
    public static String off(double metres) {
        return metres == 0 ? "" : "\u00b1 " + Words.number(Math.max(0.01, metres), 2);
    }

    /// "54.4° ± 0.4", or that it is not known.
    public static String degrees(@Nullable Estimate e) {
        return e == null ? Words.of("camera.unknown") : Words.number(e.value(), 1) + "\u00b0" + off(e, 1);
    }

    /// "1.42 m ± 0.02".
    public static String metres(@Nullable Estimate e) {
        return e == null ? Words.of("camera.unknown") : Words.number(e.value(), 2) + " m" + off(e, 2);
    }

    private static String off(Estimate e, int decimals) {
        return e.std() == 0 ? "" : " \u00b1 " + Words.number(Math.max(e.std(), Math.pow(10, -decimals)), decimals);
    }

    /// The angle of view across the picture, with its deviation: "54.4° ± 0.4".
    public static String view(PictureCamera c) {
        Estimate f = c.focalPx();
        if (f == null) {
            return Words.of("camera.unknown");
        }
        double half = c.marks().width() / 2.0;
        double view = Math.toDegrees(2 * Math.atan(half / f.value()));
        double slope = Math.toDegrees(2 * half / (f.value() * f.value() + half * half));
        return degrees(new Estimate(view, slope * f.std()));
    }
}
