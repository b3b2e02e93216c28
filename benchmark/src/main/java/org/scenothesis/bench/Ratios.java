package org.scenothesis.bench;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import org.scenothesis.core.key.Keyer;
import org.scenothesis.core.key.ScreenModel;
import org.scenothesis.core.layer.Composer;
import org.scenothesis.core.layer.LayerPicture;
import org.scenothesis.core.layer.Outlines;
import org.scenothesis.core.match.Gains;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Resample;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.core.shot.step.KeySettings;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.OwnAlpha;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.value.Animated;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.media.encode.VideoSink;
import org.scenothesis.production.demo.DemoFolder;
import org.scenothesis.production.measure.LockCheck;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.Screens;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.render.RenderJob;
import org.scenothesis.production.render.ShotRenderer;
import org.scenothesis.production.store.ProductionFolder;

/// Measures what the project promises as ratios within one run: alternating rounds, the best of each, so that a busy machine shifts both
/// sides alike.
public final class Ratios {
    private static final int ROUNDS = 9;
    /// Frames per second of the long take, and how many of its frames are keyed.
    private static final int RATE = 6;
    private static final int SAMPLES = 60;
    private static final int STILLS = 8;

    private Ratios() {}

    public static void main(String[] args) throws Exception {
        if (args.length > 0 && args[0].equals("--keys")) {
            Keys.run(Arrays.copyOfRange(args, 1, args.length));
            return;
        }
        if (args.length > 0 && args[0].equals("--orders")) {
            Orders.report();
            return;
        }
        if (args.length > 0 && args[0].equals("--renders")) {
            try (Bands all = Bands.allCores()) {
                Renders.report(all);
            }
            return;
        }
        Path work = Files.createTempDirectory("scenothesis-bench");
        if (args.length > 0 && args[0].equals("--meters")) {
            DemoFolder.lay(work.resolve("demo"));
            try (Bands all = Bands.allCores()) {
                Meters.report(work.resolve("demo"), all);
            }
            Tidy.away(work);
            return;
        }
        try (Bands all = Bands.allCores()) {
            over(Bands.sequential(), "one core");
            over(all, all.threads() + " cores");
            Orders.report();
            Renders.report(all);
            DemoFolder.lay(work.resolve("demo"));
            Meters.report(work.resolve("demo"), all);
            footage(work.resolve("demo"), all);
            film(work.resolve("demo"), all);
            memory(work, args.length > 0 && args[0].equals("--short") ? 10 : 180, all);
        }
        Tidy.away(work);
    }

    static void line(String what, double value, String unit, String goal) {
        System.out.printf(Locale.ENGLISH, "%-62s %9.2f %-12s %s%n", what, value, unit, goal);
    }

    private interface Work {
        void run() throws Exception;
    }

    /// Best seconds of each piece of work, taken in turns.
    private static double[] alternating(Work... works) throws Exception {
        double[] best = new double[works.length];
        Arrays.fill(best, Double.MAX_VALUE);
        for (int round = 0; round < ROUNDS + 4; round++) {
            for (int k = 0; k < works.length; k++) {
                long start = System.nanoTime();
                works[k].run();
                double s = (System.nanoTime() - start) / 1e9;
                if (round >= 4) {
                    best[k] = Math.min(best[k], s);
                }
            }
        }
        return best;
    }

    /// An element with its matte over a base: the arithmetic of layers alone.
    private static void over(Bands bands, String cores) throws Exception {
        int w = 1920;
        int h = 1080;
        Picture base = Pictures.room(w, h);
        Picture element = Pictures.screen(w, h).withAlpha(Plane.filled(w, h, 0.5f));
        List<LayerPicture> two = List.of(LayerPicture.of(Layer.of("base", "", ""), base),
                LayerPicture.of(Layer.of("element", "", "", new OwnAlpha()), element));
        double[] s = alternating(() -> stream(element, base, bands), () -> Composer.compose(two, null, 0, bands));
        line("an element over a base, 1080p, " + cores, w * h / 1e6 / s[1], "Mpx/s", "");
        line("  against the memory bound (seven planes read, three written)", s[0] / s[1], "of bound", "goal 0.9");
    }

    /// Nothing computed: what the memory alone allows, the new picture included.
    private static void stream(Picture a, Picture b, Bands bands) {
        int w = a.width();
        Picture out = Picture.of(w, a.height());
        float[] weight = Objects.requireNonNull(a.a()).data();
        bands.run(a.height(), (from, to, band) -> {
            for (int c = 0; c < 3; c++) {
                float[] x = a.colours().get(c).data();
                float[] y = b.colours().get(c).data();
                float[] z = out.colours().get(c).data();
                for (int i = from * w; i < to * w; i++) {
                    z[i] = x[i] + y[i] + weight[i];
                }
            }
        });
    }

    /// The demo shot to a film, in turns: both as whole commands, and by an application that is running already, as a window is.
    private static void film(Path demo, Bands bands) throws Exception {
        Path application = Path.of(System.getProperty("scenothesis.home", ".")).toAbsolutePath();
        double own = Double.MAX_VALUE;
        double running = Double.MAX_VALUE;
        double chain = Double.MAX_VALUE;
        for (int round = 0; round < 3; round++) {
            own = Math.min(own, FilmChain.own(application, demo, demo.resolve("renders/own-" + round + ".webm")));
            running = Math.min(running, running(demo, demo.resolve("renders/running-" + round + ".webm"), bands));
            chain = Math.min(chain, FilmChain.seconds(demo, demo.resolve("chain.webm")));
        }
        line("demo shot to WebM as a whole command, 96 frames of 720p", own, "s", "");
        line("  against FFmpeg's program on the same takes", own / chain, "times", "goal 1.0");
        line("the same by an application that is running", running, "s", "");
        line("  against FFmpeg's program as a whole command", running / chain, "times", "");
    }

    private static double running(Path demo, Path out, Bands bands) throws Exception {
        try (ProductionFolder folder = ProductionFolder.open(demo)) {
            Shot shot = folder.production().shot("12");
            Surveyor surveyor = new Surveyor(folder, bands);
            Measured m = surveyor.survey(shot, List.of(), Measured.NOTHING, Progress.NONE, x -> {});
            try (ShotRenderer renderer = new ShotRenderer(folder, m, surveyor.contents(), bands)) {
                long start = System.nanoTime();
                new RenderJob(renderer, shot, RenderJob.Target.of(out, 0, 95)).run(Progress.NONE);
                return (System.nanoTime() - start) / 1e9;
            }
        }
    }

    private static void footage(Path demo, Bands bands) throws Exception {
        try (ProductionFolder folder = ProductionFolder.open(demo)) {
            Path clean = demo.resolve("footage/clean-2.mp4");
            Path maker = demo.resolve("footage/maker-1.mp4");
            double[] lock = alternating(() -> LockCheck.run(FootageSource.of(clean), FootageSource.of(maker), bands, Progress.NONE));
            line("lock check of H.264, 1280x720, decoding included", 96 / lock[0] / 24, "x playback", "goal 2");
            decode(maker);
            Shot shot = folder.production().shot("12");
            Surveyor surveyor = new Surveyor(folder, bands);
            Measured m = surveyor.survey(shot, List.of(), Measured.NOTHING, Progress.NONE, x -> {});
            render(demo, shot, new ShotRenderer(folder, m, surveyor.contents(), bands));
            try (ShotRenderer r = new ShotRenderer(folder, m, surveyor.contents(), bands)) {
                Picture finished = r.frame(shot, 2.9);
                double[] stills = alternating(() -> stills(finished, demo));
                line("16-bit PNG of a finished frame, 720p, all cores", STILLS / stills[0], "frames/s", "goal 12");
                double[] drag = alternating(() -> moved(r, shot, bands));
                line("drag on Layer: a moved element with its shadow, scaled to be shown", 1000 * drag[0], "ms", "one frame");
            }
            Picture p;
            ScreenModel screen;
            try (Footage f = Footages.open(demo.resolve("footage/lantern-1.mp4"))) {
                p = f.frame(50).withAlpha(null);
                screen = Screens.model(f, FootageSource.of(demo.resolve("footage/screen-only.png")), bands);
            }
            double[] s = alternating(() -> Keyer.key(p, screen, KeySettings.DEFAULT, null, bands));
            line("full quality key with unmixed edges, 720p, whole frame", 1 / s[0], "frames/s", "");
            layers(demo, shot, p, screen, bands);
            Picture small = Resample.scale(p, 640, 360, bands);
            var smallScreen = screen.scaled(640, 360, bands);
            double[] drag = alternating(() -> Keyer.element(small, smallScreen, KeySettings.DEFAULT, null, bands));
            line("drag on Key: the key at the size shown, whole frame", 1000 * drag[0], "ms", "one frame");
        }
    }

    private static void stills(Picture finished, Path demo) {
        IntStream.range(0, STILLS).parallel().forEach(i -> {
            try {
                Stills.write(demo.resolve("still-" + i + ".png"), finished, Stills.Format.PNG16);
            } catch (FootageException e) {
                throw new IllegalStateException(e);
            }
        });
    }

    private static void moved(ShotRenderer r, Shot shot, Bands bands) throws Exception {
        UnaryOperator<SetPlace> there = p -> p.withFoot(Animated.of(new Vec(0.5, 1.1, 0.7)));
        Resample.scale(r.frame(shot.withLayer("lantern", l -> l.with(SetPlace.asFilmed(shot.somewhere()), there)), 2.9), 708, 398, bands);
    }

    /// Decoding, key, shadow, layers; then the same with every frame written.
    private static void render(Path demo, Shot shot, ShotRenderer renderer) throws Exception {
        try (renderer) {
            String[] ways = {"stills of 16 bits", "a video"};
            Path[] outs = {demo.resolve("renders/stills"), demo.resolve("renders/clip.mp4")};
            for (int k = 0; k < 2; k++) {
                new RenderJob(renderer, shot, RenderJob.Target.of(k == 0 ? demo.resolve("renders/warm") : demo.resolve("renders/warm.mp4"),
                        30, 60)).run(Progress.NONE);
                long start = System.nanoTime();
                new RenderJob(renderer, shot, RenderJob.Target.of(outs[k], 24, 95)).run(Progress.NONE);
                line("render of the demo shot to " + ways[k] + ", four layers, 720p", 72 / ((System.nanoTime() - start) / 1e9), "frames/s",
                        "");
            }
        }
    }

    /// Layers alone: base, masked patch, added light and two elements on their way, each with its shadow.
    private static void layers(Path demo, Shot shot, Picture lantern, ScreenModel screen, Bands bands) throws Exception {
        try (Footage clean = Footages.open(demo.resolve("footage/clean-2.mp4"));
                Footage maker = Footages.open(demo.resolve("footage/maker-1.mp4"));
                Footage lamp = Footages.open(demo.resolve("footage/lamp-pass.png"))) {
            Picture base = clean.frame(50).withAlpha(null);
            Picture lit = lamp.frame(0).withAlpha(null);
            List<LayerPicture> five = new ArrayList<>();
            Outlines outlines = new Outlines();
            for (Layer l : shot.layers()) {
                switch (l.id()) {
                    case "maker" -> five.add(LayerPicture.of(l, maker.frame(50).withAlpha(null)).withGains(new Gains(1.1, 1.1, 1.1)));
                    case "glow" -> five.add(LayerPicture.of(l, lit).withUnlit(base));
                    case "lantern" -> {
                        Piece keyed = Keyer.element(lantern, screen, l.key(), screen.garbage(l.garbage().at(0)), bands);
                        Layer cut = l.without(Key.class).without(Outline.class).with(new OwnAlpha());
                        five.add(LayerPicture.of(cut, keyed));
                        five.add(LayerPicture.of(cut, keyed));
                    }
                    default -> five.add(LayerPicture.of(l, base));
                }
            }
            double[] s = alternating(() -> Composer.compose(five, shot.stage(), 2.5, outlines, bands));
            line("five layers with two shadows, 720p, pictures given", 1 / s[0], "frames/s", "goal 24");
        }
    }

    private static void decode(Path take) throws Exception {
        try (Footage f = Footages.open(take)) {
            f.frame(0);
            long start = System.nanoTime();
            for (int i = 1; i < 60; i++) {
                f.frame(i);
            }
            line("decode of H.264 to linear float planes, 1280x720", 59 / ((System.nanoTime() - start) / 1e9), "frames/s", "");
        }
    }

    /// Keys a long 1080p take and watches the heap after collection.
    private static void memory(Path work, int seconds, Bands bands) throws Exception {
        Path take = work.resolve("long.avi");
        int frames = seconds * RATE;
        Picture p = Pictures.screen(1920, 1080);
        try (VideoSink sink = new VideoSink(take, new VideoSink.Plan(1920, 1080, RATE, VideoFormat.MJPEG_AVI, 4, null))) {
            for (int i = 0; i < frames; i++) {
                sink.write(p);
            }
        }
        long most = 0;
        long early = 0;
        try (Footage f = Footages.open(take)) {
            ScreenModel screen = Screens.model(f, null, bands);
            int step = Math.max(1, frames / SAMPLES);
            for (int i = 0; i < frames; i += step) {
                Keyer.key(f.frame(i).withAlpha(null), screen, KeySettings.DEFAULT, null, bands);
                if (i % (step * 10) == 0) {
                    System.gc();
                    long used = Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
                    early = early == 0 ? used : early;
                    most = Math.max(most, used);
                }
            }
        }
        line("heap while keying a take of " + seconds + " s at 1080p, after collection", most / 1e6, "MB", "under 1000");
        line("  growth from the first sample to the largest", (most - early) / 1e6, "MB", "flat");
    }
}
