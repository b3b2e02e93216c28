package org.scenothesis.bench;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.scenothesis.core.background.BackgroundMeter;
import org.scenothesis.core.cameratrack.FeatureTrack;
import org.scenothesis.core.cameratrack.MovingSolver;
import org.scenothesis.core.cameratrack.PointFollower;
import org.scenothesis.core.compare.PictureComparison;
import org.scenothesis.core.match.AnalysisFrame;
import org.scenothesis.core.match.LockMeter;
import org.scenothesis.core.match.MarkConversion;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.CameraSolver;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.LineProposal;
import org.scenothesis.core.perspective.Marks;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.demo.LanternWorks;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.decode.Footages;

/// How long each meter of Match takes: those of whole takes as times of playback, frames already read, those of pictures in milliseconds.
final class Meters {
    private static final int FRAMES = 48;
    private static final int POINTS = 400;
    private static final int WARM = 3;

    private Meters() {}

    /// With the demo's footage in a folder.
    static void report(Path demo, Bands bands) throws Exception {
        List<AnalysisFrame> frames = new ArrayList<>();
        List<Picture> pictures = new ArrayList<>();
        double rate;
        try (Footage f = Footages.open(FootageSource.of(demo.resolve("footage/clean-1.mp4")))) {
            rate = f.info().frames() / f.info().secondsAt(f.info().frames() - 1);
            for (int i = 0; i < FRAMES; i++) {
                frames.add(f.lockFrame(i));
            }
            for (int i = 0; i < 3; i++) {
                pictures.add(f.frame(i));
            }
        }
        double play = FRAMES / rate;
        Ratios.line("lock check, frames read", play / best(() -> {
            LockMeter m = new LockMeter(frames.getFirst(), bands);
            frames.forEach(m::measure);
        }), "x playback", "goal 2");
        Ratios.line("background, frames read", play / best(() -> {
            BackgroundMeter m = new BackgroundMeter(bands);
            frames.forEach(m::next);
            m.report();
        }), "x playback", "");
        Ratios.line("points followed, frames read", play / best(() -> {
            PointFollower p = new PointFollower();
            frames.forEach(f -> p.next(f.luma()));
        }), "x playback", "");
        List<FeatureTrack> traces = traces();
        Ratios.line("camera path of " + FRAMES + " frames and " + POINTS + " points",
                1e3 * best(() -> new MovingSolver(traces, FRAMES, 1280, 720, new Point(640, 360), Estimate.exact(1150))
                .solve(share -> {})), "ms", "");
        Plate clean = LanternWorks.production().shot("12").plates().stream().filter(p -> !p.marks().isEmpty()).findFirst().orElseThrow();
        Marks marks = MarkConversion.camera(clean.marks(), frames.getFirst().luma().width(), frames.getFirst().luma().height());
        Ratios.line("camera of a picture, from its marks", 1e3 * best(() -> CameraSolver.solve(marks)), "ms", "");
        Ratios.line("  while a mark is dragged", 1e3 * best(() -> CameraSolver.solve(marks, CameraSolver.solve(marks))) / 2, "ms",
                "goal 50");
        Ratios.line("edges of a picture",
                1e3 * best(() -> LineProposal.of(frames.getFirst().luma(), Marks.none(marks.width(), marks.height()))), "ms", "");
        Ratios.line("colour, sharpness, grain of two plates", 1e3 * best(() -> PictureComparison.of(pictures, pictures, null)), "ms", "");
    }

    private static double best(Runnable work) {
        double best = Double.MAX_VALUE;
        for (int i = 0; i < WARM; i++) {
            long start = System.nanoTime();
            work.run();
            best = Math.min(best, (System.nanoTime() - start) / 1e9);
        }
        return best;
    }

    /// Points of a room by chance, seen by a camera that goes sideways.
    private static List<FeatureTrack> traces() {
        SplittableRandom r = new SplittableRandom(3);
        List<FeatureTrack> out = new ArrayList<>();
        while (out.size() < POINTS) {
            Vec p = new Vec(r.nextDouble(-2.5, 2.5), r.nextDouble(0, 3), r.nextDouble(4, 8));
            List<Point> at = new ArrayList<>();
            for (int i = 0; i < FRAMES; i++) {
                Point q = new CameraPose(new Vec(0.02 * i, 1.5, 0), -0.2 * i, -5, 0, 1150, 1280, 720).project(p);
                at.add(q.plus(new Point(0.1 * r.nextGaussian(), 0.1 * r.nextGaussian())));
            }
            out.add(new FeatureTrack(0, at));
        }
        return out;
    }
}
