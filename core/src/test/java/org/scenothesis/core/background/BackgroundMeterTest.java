package org.scenothesis.core.background;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import java.util.function.IntFunction;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.background.BackgroundReport.CameraWork;
import org.scenothesis.core.match.AnalysisFrame;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Resample;

class BackgroundMeterTest {
    private static final int W = 480;
    private static final int H = 270;
    private static final int WIDE = 900;
    private static final Bands BANDS = Bands.sequential();
    private static final Plane WORLD = world();

    private static Plane world() {
        SplittableRandom r = new SplittableRandom(5);
        Plane p = Plane.of(WIDE, WIDE / 2);
        for (int i = 0; i < p.data().length; i++) {
            p.data()[i] = (float) r.nextDouble();
        }
        Plane soft = Blur.gaussian(p, 2.2, BANDS);
        for (int i = 0; i < soft.data().length; i++) {
            soft.data()[i] = Math.clamp(0.5f + (soft.data()[i] - 0.5f) * 3, 0.05f, 1f);
        }
        return soft;
    }

    /// What a camera sees whose picture point (x, y) shows the world at `map`.
    private static Plane seen(PlanarMap map) {
        Plane wide = Resample.warp(WORLD, map, BANDS);
        Plane out = Plane.of(W, H);
        for (int y = 0; y < H; y++) {
            System.arraycopy(wide.data(), y * WIDE, out.data(), y * W, W);
        }
        return out;
    }

    private static AnalysisFrame frame(Plane luma, double gain) {
        Plane small = Resample.scale(luma, W / AnalysisFrame.SHRINK, H / AnalysisFrame.SHRINK, BANDS);
        Plane light = Plane.of(small.width(), small.height());
        for (int i = 0; i < light.data().length; i++) {
            light.data()[i] = (float) (gain * (0.05 + 0.4 * small.data()[i]));
        }
        return new AnalysisFrame(luma, new Picture(light, light.copy(), light.copy(), null));
    }

    private static BackgroundReport report(int frames, IntFunction<AnalysisFrame> of) {
        BackgroundMeter m = new BackgroundMeter(BANDS);
        for (int i = 0; i < frames; i++) {
            m.next(of.apply(i));
        }
        return m.report();
    }

    private static BackgroundReport moved(int frames, IntFunction<PlanarMap> of) {
        return report(frames, i -> frame(seen(of.apply(i)), 1));
    }

    private static PlanarMap at(double x, double y) {
        return PlanarMap.shift(150 + x, 60 + y);
    }

    @Test
    void aCameraThatStandsIsStill() {
        BackgroundReport r = moved(10, i -> at(0, 0));
        assertThat(r.camera()).isEqualTo(CameraWork.STILL);
        assertThat(r.ownMotionShare()).isLessThan(0.01);
        assertThat(r.flickerStops()).isLessThan(0.01);
        assertThat(r.bars().none()).isTrue();
        assertThat(report(1, i -> frame(seen(at(0, 0)), 1)).camera()).as("a still").isEqualTo(CameraWork.STILL);
    }

    @Test
    void aPanIsMeasuredBeyondWhatTheFirstFrameShows() {
        BackgroundReport r = moved(40, i -> at(-7.0 * i + 100, 0));
        assertThat(r.camera()).isEqualTo(CameraWork.PAN);
        BackgroundReport.Move last = r.moves().getLast();
        assertThat(last.x()).isCloseTo(7 * 39, within(1.5));
        assertThat(last.zoomPercent()).isCloseTo(0, within(0.3));
    }

    @Test
    void pushDriftAndAHandAreToldApart() {
        Point middle = new Point(W / 2.0 + 150, H / 2.0 + 60);
        BackgroundReport push = moved(24, i -> PlanarMap.similarity(1 - 0.002 * i, 0, middle, Point.ZERO).after(at(0, 0)));
        assertThat(push.camera()).isEqualTo(CameraWork.PUSH);
        assertThat(push.moves().getLast().zoomPercent()).isCloseTo(100 * (1 / (1 - 0.002 * 23) - 1), within(0.3));
        assertThat(moved(24, i -> at(0.15 * i, 0)).camera()).isEqualTo(CameraWork.DRIFT);
        SplittableRandom r = new SplittableRandom(3);
        assertThat(moved(24, i -> at(3 * r.nextGaussian(), 2 * r.nextGaussian())).camera()).isEqualTo(CameraWork.HAND_HELD);
    }

    @Test
    void nearAndFarThatMoveDifferentlyAreParallax() {
        BackgroundReport r = report(20, i -> {
            Plane far = seen(at(-0.8 * i, 0));
            Plane near = seen(at(-1.6 * i - 40, 7));
            for (int y = 0; y < H; y++) {
                for (int x = 0; x < W; x += 120) {
                    System.arraycopy(near.data(), y * W + x, far.data(), y * W + x, 60);
                }
            }
            return frame(far, 1);
        });
        assertThat(r.camera()).isIn(CameraWork.PARALLAX, CameraWork.UNKNOWN);
    }

    @Test
    void flickerBarsAndWhatMovesByItselfAreMeasured() {
        BackgroundReport flicker = report(20, i -> frame(seen(at(0, 0)), i % 2 == 0 ? 1 : 1.15));
        assertThat(flicker.flickerStops()).isCloseTo(Math.log(1.15) / Math.log(2), within(0.03));
        assertThat(flicker.ownMotionShare()).isLessThan(0.02);
        BackgroundReport river = report(12, i -> {
            Plane p = seen(at(0, 0));
            Plane flows = seen(at(9 * i + 20, 30));
            for (int y = 0; y < H; y++) {
                System.arraycopy(flows.data(), y * W, p.data(), y * W, W / 4);
            }
            return frame(p, 1);
        });
        assertThat(river.camera()).isEqualTo(CameraWork.STILL);
        assertThat(river.ownMotionShare()).isBetween(0.05, 0.27);
        assertThat(river.busy().quietest(new Busy.Room(0.4, 0.4, 0.2, 0.2)).map(q -> river.busy().in(q)).orElseThrow())
                .as("a quiet place beside it").isLessThan(0.02);
        assertThat(river.busy().shares().stream().mapToDouble(Double::doubleValue).max().orElseThrow()).isGreaterThan(0.4);
        BackgroundReport letterbox = report(2, i -> {
            Plane p = seen(at(0, 0));
            for (int k = 0; k < 30 * W; k++) {
                p.data()[k] = 0.01f;
                p.data()[p.data().length - 1 - k] = 0.01f;
            }
            return frame(p, 1);
        });
        assertThat(letterbox.bars()).isEqualTo(new BackgroundReport.Bars(30, 0, 30, 0));
    }

    @Test
    void nothingSeenAgainIsNotKnown() {
        SplittableRandom r = new SplittableRandom(9);
        BackgroundReport other = report(6, i -> {
            Plane p = Plane.of(W, H);
            for (int k = 0; k < p.data().length; k++) {
                p.data()[k] = (float) r.nextDouble();
            }
            return frame(Blur.gaussian(p, 2, BANDS), 1);
        });
        assertThat(other.camera()).isEqualTo(CameraWork.UNKNOWN);
        assertThat(other.moves().subList(1, 6)).containsOnlyNulls();
        assertThat(other.ownMotionShare()).isNaN();
    }
}
