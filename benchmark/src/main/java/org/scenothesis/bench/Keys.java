package org.scenothesis.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Robust;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.key.KeyJudge;
import org.scenothesis.core.key.Keyed;
import org.scenothesis.core.key.Keyer;
import org.scenothesis.core.key.MatteMeter;
import org.scenothesis.core.key.ScreenHue;
import org.scenothesis.core.key.ScreenModel;
import org.scenothesis.core.key.ScreenModels;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.core.shot.step.KeySettings;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.testkit.MatteCase;

/// The keyer on many cases with known truth, beside a plain colour difference whose cuts were chosen with the answer known.
final class Keys {
    private static final String HEAD = "%-14s %8s %8s %6s %7s %7s %7s %7s %7s %7s %8s %8s %5s%n";
    private static final String LINE = "%-14s %8.2f %8.2f %6.2f %7.2f %7.2f %7.2f %7.2f %7.2f %7.2f %8.1f %8.2f %5.2f%n";
    private static final double[] LOW = {0, 0.03, 0.06, 0.1, 0.15, 0.2};
    private static final double[] HIGH = {0.6, 0.7, 0.8, 0.9, 1};

    private Keys() {}

    /// A case: what was recorded, and what is true of it. `subject` is straight colour. `again`: another frame of the same with other
    /// noise; null for none.
    record Case(String kind, Picture take, Picture screen, Plane alpha, Picture subject, @Nullable Picture again) {}

    /// Errors of alpha in thousandths; of colour in code values of 8 bits: at the edge over grey with its bias, over black and white,
    /// inside with the bias of the screen's channel.
    ///
    /// - `gradient`: mean square of what the slopes of alpha are off by, in millionths (Rhemann et al. 2009).
    /// - `flicker`: how much alpha changes at edges from noise alone, against how much the separation does.
    /// - `hand`: 1 where the program says that a hand is needed.
    record Score(String kind, double alpha, double plain, double edge, double bias, double black, double white, double inside,
            double screenBias, double gradient, double flicker, double hand) {
        double ratio() {
            return alpha / plain;
        }
    }

    /// Prints a line for each kind and the whole; `arguments`: `--seeds N`, `--width N`, folders of cases.
    static void run(String... arguments) throws IOException, FootageException {
        int seeds = 3;
        int width = 640;
        List<Path> folders = new ArrayList<>();
        for (int i = 0; i < arguments.length; i++) {
            switch (arguments[i]) {
                case "--seeds" -> seeds = Integer.parseInt(arguments[++i]);
                case "--width" -> width = Integer.parseInt(arguments[++i]);
                default -> folders.add(Path.of(arguments[i]));
            }
        }
        Map<String, List<Score>> byKind = new LinkedHashMap<>();
        try (Bands bands = Bands.allCores()) {
            for (MatteCase.Kind k : MatteCase.Kind.values()) {
                for (int s = 0; s < seeds; s++) {
                    MatteCase.Shots m = new MatteCase(k, s, s % 3 == 1, width).film(bands);
                    add(byKind, score(new Case(k.name(), m.take(), m.screenOnly(), m.alpha(), m.subject(),
                            new MatteCase(k, s, s % 3 == 1, width).film(1, bands).take()), bands));
                }
            }
            for (Path f : folders) {
                try (var all = Files.list(f)) {
                    for (Path one : all.sorted().toList()) {
                        Case c = read(one);
                        if (c != null) {
                            add(byKind, score(c, bands));
                        }
                    }
                }
            }
        }
        System.out.printf(HEAD, "kind", "alpha", "plain", "ratio", "edge", "bias", "black", "white", "inside", "screen", "slope", "flicker",
                "hand");
        byKind.forEach((k, v) -> line(k, v));
        line("median", byKind.values().stream().flatMap(List::stream).toList());
    }

    static void add(Map<String, List<Score>> byKind, Score s) {
        byKind.computeIfAbsent(s.kind, k -> new ArrayList<>()).add(s);
    }

    static void line(String kind, List<Score> v) {
        System.out.printf(LINE, kind, of(v, Score::alpha), of(v, Score::plain), of(v, Score::ratio), of(v, Score::edge), of(v, Score::bias),
                of(v, Score::black), of(v, Score::white), of(v, Score::inside), of(v, Score::screenBias), of(v, Score::gradient), of(v,
                Score::flicker), v.stream().mapToDouble(Score::hand).average().orElse(0));
    }

    private static double of(List<Score> v, ToDoubleFunction<Score> what) {
        return Robust.median(v.stream().mapToDouble(what).toArray());
    }

    static @Nullable Case read(Path folder) throws IOException, FootageException {
        Path take = first(folder, "comp.png", "comp.jpg", "element.png");
        Path screen = first(folder, "plate.png", "plate.jpg", "screen.png");
        Path alpha = first(folder, "alpha.png", "element_alpha.png");
        Path subject = first(folder, "fg_true.png", "element_fg_true.png");
        if (take == null || screen == null || alpha == null || subject == null || !Files.isRegularFile(alpha)) {
            return null;
        }
        return new Case(folder.getFileName().toString(), picture(take), picture(screen), Stills.readMatte(alpha), picture(subject), null);
    }

    private static @Nullable Path first(Path folder, String... names) {
        for (String n : names) {
            if (Files.exists(folder.resolve(n))) {
                return folder.resolve(n);
            }
        }
        return null;
    }

    private static Picture picture(Path file) throws FootageException {
        try (Footage f = Footages.open(file)) {
            return f.frame(0).withAlpha(null);
        }
    }

    static Score score(Case c, Bands bands) {
        ScreenModel model = ScreenModels.fromPlate(c.screen, bands);
        Keyed k = Keyer.key(c.take, model, KeySettings.DEFAULT, null, bands);
        Picture keyed = k.element();
        boolean hand = !KeyJudge.needsHand(MatteMeter.measure(k, model, null, bands), KeyJudge.Edge.UNTOLD, HouseRules.DEFAULT).isEmpty();
        double edge = 0;
        double black = 0;
        double white = 0;
        double bias = 0;
        long edges = 0;
        double inside = 0;
        double screen = 0;
        long solid = 0;
        int lead = model.hue() == ScreenHue.GREEN ? 1 : 2;
        for (int i = 0; i < c.alpha.data().length; i++) {
            float t = c.alpha.data()[i];
            for (int ch = 0; ch < 3; ch++) {
                double got = keyed.colours().get(ch).data()[i];
                double truth = c.subject.colours().get(ch).data()[i];
                if (t > 0.02f && t < 0.98f) {
                    float a = keyed.alpha().data()[i];
                    double d = code(got * a + GREY * (1 - a)) - code(truth * t + GREY * (1 - t));
                    edge += Math.abs(d) / 3;
                    bias += d / 3;
                    black += Math.abs(code(got * a) - code(truth * t)) / 3;
                    white += Math.abs(code(got * a + 1 - a) - code(truth * t + 1 - t)) / 3;
                    edges += ch == 0 ? 1 : 0;
                } else if (t >= 0.98f) {
                    double d = code(got) - code(truth);
                    inside += Math.abs(d) / 3;
                    screen += ch == lead ? d : 0;
                    solid += ch == 0 ? 1 : 0;
                }
            }
        }
        return new Score(c.kind, 1000 * error(keyed.alpha(), c.alpha), 1000 * plain(c, model.hue(), bands), edge / Math.max(1, edges), bias
                / Math.max(1, edges), black / Math.max(1, edges), white / Math.max(1, edges), inside / Math.max(1, solid), screen
                / Math.max(1, solid), slope(keyed.alpha(), c.alpha, bands), flicker(c, k, model, bands), hand ? 1 : 0);
    }

    private static double slope(Plane a, Plane b, Bands bands) {
        Plane x = Blur.gaussian(a, SLOPE_PX, bands);
        Plane y = Blur.gaussian(b, SLOPE_PX, bands);
        int w = a.width();
        double sum = 0;
        for (int i = w; i + w < a.data().length; i++) {
            float across = x.data()[i + 1] - x.data()[i - 1] - y.data()[i + 1] + y.data()[i - 1];
            float down = x.data()[i + w] - x.data()[i - w] - y.data()[i + w] + y.data()[i - w];
            sum += (across * across + down * down) / 4;
        }
        return 1e6 * sum / a.data().length;
    }

    private static double flicker(Case c, Keyed one, ScreenModel model, Bands bands) {
        if (c.again == null) {
            return Double.NaN;
        }
        Keyed two = Keyer.key(c.again, model, KeySettings.DEFAULT, null, bands);
        double alpha = 0;
        double noise = 0;
        for (int i = 0; i < c.alpha.data().length; i++) {
            float t = c.alpha.data()[i];
            if (t > 0.02f && t < 0.98f) {
                alpha += Math.abs(one.alpha().data()[i] - two.alpha().data()[i]);
                noise += Math.abs(one.separation().data()[i] - two.separation().data()[i]);
            }
        }
        return noise == 0 ? 0 : alpha / noise;
    }

    private static final double GREY = 0.18;
    private static final double SLOPE_PX = 1.4;

    private static double code(double linear) {
        return 255 * Transfer.SRGB.toCode(Math.clamp(linear, 0, 1));
    }

    private static double error(Plane a, Plane b) {
        double sum = 0;
        for (int i = 0; i < a.data().length; i++) {
            sum += Math.abs(a.data()[i] - b.data()[i]);
        }
        return sum / a.data().length;
    }

    /// The least error of the plain difference over its cuts.
    private static double plain(Case c, ScreenHue hue, Bands bands) {
        float[] own = lead(c.take, hue);
        float[] bare = lead(Blur.gaussian(c.screen, 1.2, bands), hue);
        Plane raw = Plane.of(c.take.width(), c.take.height());
        for (int i = 0; i < raw.data().length; i++) {
            raw.data()[i] = bare[i] > 1e-4f ? 1 - own[i] / bare[i] : 1;
        }
        List<Double> all = new ArrayList<>();
        for (double low : LOW) {
            for (double high : HIGH) {
                Plane cut = Plane.of(raw.width(), raw.height());
                for (int i = 0; i < raw.data().length; i++) {
                    cut.data()[i] = (float) Math.clamp((raw.data()[i] - low) / (high - low), 0, 1);
                }
                all.add(error(cut, c.alpha));
            }
        }
        return all.stream().min(Comparator.naturalOrder()).orElseThrow();
    }

    /// By how much the screen's channel leads the larger of the others.
    private static float[] lead(Picture p, ScreenHue hue) {
        float[] out = new float[p.r().data().length];
        for (int i = 0; i < out.length; i++) {
            out[i] = hue.screen(p).data()[i] - Math.max(hue.first(p).data()[i], hue.second(p).data()[i]);
        }
        return out;
    }
}
