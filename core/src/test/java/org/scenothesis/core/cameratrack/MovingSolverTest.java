package org.scenothesis.core.cameratrack;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.IntFunction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.cameratrack.MovingCamera.Does;
import org.scenothesis.core.cameratrack.MovingCamera.Frame;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.picture.Point;

/// Points of a room by chance, seen by cameras that are known, with the noise of following.
class MovingSolverTest {
    private static final int W = 1280;
    private static final int H = 720;
    private static final double FOCAL = 1150;
    private static final int FRAMES = 48;

    private static CameraPose pose(Vec at, double pan, double tilt, double roll, double focal) {
        return new CameraPose(at, pan, tilt, roll, focal, W, H);
    }

    private static CameraPose of(String move, int i, SplittableRandom r) {
        double t = i / (FRAMES - 1.0);
        return switch (move) {
            case "pan" -> pose(new Vec(0, 1.5, 0), -12 + 24 * t, -6, 0, FOCAL);
            case "zoom" -> pose(new Vec(0, 1.5, 0), -4 + 8 * t, -6, 0, FOCAL * (1 + 0.35 * t));
            case "push" -> pose(new Vec(0.1 * t, 1.5, 1.6 * t), 2, -6, 0, FOCAL);
            case "arc" -> pose(new Vec(4 * Math.sin(0.35 - 0.7 * t), 1.6, 4 - 4 * Math.cos(0.35 - 0.7 * t)),
                    Math.toDegrees(-0.35 + 0.7 * t), -8, 1, FOCAL);
            case "hand" -> pose(new Vec(0.5 * t + 0.03 * Math.sin(i * 0.9), 1.5 + 0.03 * Math.cos(i * 0.7),
                    0.2 * t + 0.02 * Math.sin(i * 0.5)), 3 * Math.sin(i * 0.21), -6 + Math.sin(i * 0.37), Math.sin(i * 0.3), FOCAL);
            case "still" -> pose(new Vec(0, 1.5, 0), 0, -6, 0, FOCAL);
            default -> throw new IllegalArgumentException(move);
        };
    }

    /// Every point is followed while it is in the picture.
    private static List<FeatureTrack> traces(IntFunction<CameraPose> camera, double noise, double depth, long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        List<FeatureTrack> out = new ArrayList<>();
        for (int n = 0; n < 420; n++) {
            Vec p = new Vec(r.nextDouble(-5, 5), r.nextDouble(0, 3), 6 + depth * r.nextDouble(-2.5, 3));
            List<Point> at = new ArrayList<>();
            int from = 0;
            for (int i = 0; i < FRAMES; i++) {
                CameraPose c = camera.apply(i);
                Point q = c.project(p);
                boolean in = p.minus(c.position()).dot(c.worldToCamera()[2]) > 0.2 && q.x() > 0 && q.y() > 0 && q.x() < W && q.y() < H;
                if (in) {
                    from = at.isEmpty() ? i : from;
                    at.add(q.plus(new Point(noise * r.nextGaussian(), noise * r.nextGaussian())));
                } else if (!at.isEmpty()) {
                    break;
                }
            }
            if (at.size() >= 8) {
                out.add(new FeatureTrack(from, at));
            }
        }
        return out;
    }

    private static MovingCamera solved(List<FeatureTrack> traces, Estimate focal) {
        return new MovingSolver(traces, FRAMES, W, H, new Point(W / 2.0, H / 2.0), focal).solve(share -> {});
    }

    private static MovingCamera solved(String move, Estimate focal) {
        SplittableRandom r = new SplittableRandom(5);
        return solved(traces(i -> of(move, i, r), 0.12, 1, 11), focal);
    }

    /// The largest distance of any place from the true one once the paths are laid on one another by turning, moving and scale, as a share
    /// of the true length.
    private static double error(MovingCamera c, String move) {
        SplittableRandom r = new SplittableRandom(5);
        List<Vec> truth = new ArrayList<>();
        List<Vec> found = new ArrayList<>();
        for (int i = 0; i < FRAMES; i++) {
            truth.add(of(move, i, r).position());
            found.add(c.frames().get(i).position());
        }
        return Paths.apart(found, truth);
    }

    @ParameterizedTest
    @CsvSource({"push", "arc", "hand"})
    void aPathThroughARoomComesBack(String move) {
        for (Estimate focal : new Estimate[] {Estimate.exact(FOCAL), null}) {
            MovingCamera c = solved(move, focal);
            assertThat(c.does()).as("%s %s", move, c.refused()).isEqualTo(Does.TRAVELS);
            assertThat(c.placed()).isEqualTo(FRAMES);
            assertThat(c.residualPx()).isLessThan(0.3);
            assertThat(c.focalPx() == null ? FOCAL : c.focalPx().value()).as("%s", c.focalPx())
                    .isCloseTo(FOCAL, within(Math.max(1e-6, 2.5 * (c.focalPx() == null ? 1 : c.focalPx().std()))));
            assertThat(error(c, move)).as("%s with %s", move, focal).isLessThan(0.01);
        }
    }

    @Test
    void aCameraThatOnlyTurnsHasNoPath() {
        MovingCamera c = solved("pan", null);
        assertThat(c.does()).isEqualTo(Does.TURNS);
        assertThat(c.refused()).extracting(MovingCamera.Refusal::why).contains("no-parallax");
        assertThat(c.focalPx().value()).isCloseTo(FOCAL, within(2.5 * c.focalPx().std()));
        Frame first = c.frames().getFirst();
        Frame last = c.frames().getLast();
        assertThat(Math.toDegrees(Math.acos(first.ahead().dot(last.ahead())))).isCloseTo(23.87, within(0.3));
        assertThat(c.places()).isEmpty();
    }

    /// Points come and go all the time, as in a pan all the way round: it ends, and says what the camera does.
    @Test
    void whatIsLostAllTheTimeIsStillSolved() {
        SplittableRandom r = new SplittableRandom(9);
        int frames = 300;
        List<FeatureTrack> all = new ArrayList<>();
        for (int n = 0; n < 3000; n++) {
            double a = r.nextDouble(2 * Math.PI);
            Vec p = new Vec(8 * Math.sin(a), r.nextDouble(-1, 4), 8 * Math.cos(a));
            List<Point> at = new ArrayList<>();
            int from = 0;
            for (int i = 0; i < frames && (at.isEmpty() || at.size() == i - from); i++) {
                CameraPose c = pose(new Vec(0, 1.5, 0), 1.2 * i, 0, 0, FOCAL);
                Point q = c.project(p);
                if (p.minus(c.position()).dot(c.worldToCamera()[2]) > 0.2 && q.x() > 0 && q.y() > 0 && q.x() < W && q.y() < H) {
                    from = at.isEmpty() ? i : from;
                    at.add(q.plus(new Point(0.1 * r.nextGaussian(), 0.1 * r.nextGaussian())));
                }
            }
            if (at.size() >= 8) {
                all.add(new FeatureTrack(from, at));
            }
        }
        MovingCamera c = new MovingSolver(all, frames, W, H, new Point(W / 2.0, H / 2.0), Estimate.exact(FOCAL)).solve(share -> {});
        assertThat(c.does()).as("%s", c.refused()).isEqualTo(Does.TURNS);
        assertThat(c.frames().get(150).ahead().z()).as("half way round it looks back").isLessThan(-0.99);
        assertThat(c.frames().get(150).std()).as("where it stands is not measured").isNaN();
    }

    @Test
    void aCameraThatZoomsIsNoneThatGoesForward() {
        MovingCamera c = solved("zoom", null);
        assertThat(c.does()).isEqualTo(Does.ZOOMS);
        assertThat(c.frames().getLast().focalPx() / c.frames().getFirst().focalPx()).isCloseTo(1.35, within(0.01));
    }

    @Test
    void aCameraThatStaysIsSaidToStay() {
        assertThat(solved("still", null).does()).isEqualTo(Does.STAYS);
    }

    @Test
    void fewPointsAndAFarAndFlatSetAreRefused() {
        SplittableRandom r = new SplittableRandom(5);
        assertThat(solved(traces(i -> of("arc", i, r), 0.1, 1, 3).subList(0, 12), null).refused()).extracting(MovingCamera.Refusal::why)
                .containsExactly("bare");
        List<FeatureTrack> chance = new ArrayList<>();
        for (int n = 0; n < 60; n++) {
            List<Point> at = new ArrayList<>();
            for (int i = 0; i < FRAMES; i++) {
                at.add(new Point(r.nextDouble(W), r.nextDouble(H)));
            }
            chance.add(new FeatureTrack(0, at));
        }
        MovingCamera c = solved(chance, null);
        assertThat(c.does()).isEqualTo(Does.UNKNOWN);
        assertThat(c.refused()).isNotEmpty();
        assertThat(c.focalPx()).isNull();
    }
}
