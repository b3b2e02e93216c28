package org.scenothesis.core.match;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Resample;
import org.scenothesis.core.vision.Features;

/// The lock meter on drawn pictures moved by known maps.
class LockMeterTest {
    private static final int W = 480;
    private static final int H = 270;
    private final Bands bands = Bands.sequential();

    /// Soft blobs everywhere: texture without aliases, code values in [0, 1].
    private static Plane texture(long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        Plane p = Plane.of(W, H);
        for (int i = 0; i < p.data().length; i++) {
            p.data()[i] = (float) r.nextDouble();
        }
        Plane soft = Blur.gaussian(p, 2.2, Bands.sequential());
        for (int i = 0; i < soft.data().length; i++) {
            soft.data()[i] = Math.clamp(0.5f + (soft.data()[i] - 0.5f) * 3, 0f, 1f);
        }
        return soft;
    }

    private AnalysisFrame lockFrame(Plane luma) {
        Plane small = Resample.scale(luma, W / AnalysisFrame.SHRINK, H / AnalysisFrame.SHRINK, bands);
        Plane light = Plane.of(small.width(), small.height());
        for (int i = 0; i < light.data().length; i++) {
            light.data()[i] = 0.1f + 0.4f * small.data()[i];
        }
        return new AnalysisFrame(luma, new Picture(light, light.copy(), light.copy(), null));
    }

    private FrameLock measure(Plane reference, Plane take) {
        return new LockMeter(lockFrame(reference), bands).measure(lockFrame(take));
    }

    @ParameterizedTest
    @CsvSource({"0, 0", "0.1, -0.2", "0.5, 0.5", "1.3, 0", "-3.7, 2.2", "14, -9"})
    void shiftsAreFound(double x, double y) {
        Plane ref = texture(1);
        FrameLock f = measure(ref, Resample.warp(ref, PlanarMap.shift(-x, -y), bands));
        Point s = f.map().shiftAt(W / 2.0, H / 2.0);
        assertThat(f.found()).isTrue();
        assertThat(s.x()).isCloseTo(x, Offset.offset(0.01));
        assertThat(s.y()).isCloseTo(y, Offset.offset(0.01));
    }

    @Test
    void rollAndZoomAreFound() {
        Plane ref = texture(2);
        PlanarMap move = PlanarMap.similarity(1.004, Math.toRadians(0.15), new Point(W / 2.0, H / 2.0), Point.ZERO);
        FrameLock f = measure(ref, Resample.warp(ref, move.inverse(), bands));
        assertThat(f.rollDeg()).isCloseTo(0.15, Offset.offset(0.005));
        assertThat(f.zoomPercent()).isCloseTo(0.4, Offset.offset(0.01));
        assertThat(f.map().shiftAt(0, 0).minus(move.shiftAt(0, 0)).length()).isLessThan(0.03);
    }

    @Test
    void contrastAndBrightnessDoNotMoveAnything() {
        Plane ref = texture(3);
        Plane take = Resample.warp(ref, PlanarMap.shift(-0.4, 0), bands);
        for (int i = 0; i < take.data().length; i++) {
            take.data()[i] = 0.2f + 0.5f * take.data()[i];
        }
        assertThat(measure(ref, take).map().shiftAt(W / 2.0, H / 2.0).x()).isCloseTo(0.4, Offset.offset(0.01));
    }

    @Test
    void aSubjectOverTwoFifthsOfTheFrameIsLeftOut() {
        Plane ref = texture(4);
        Plane take = Resample.warp(ref, PlanarMap.shift(-0.7, 0.3), bands);
        Plane other = texture(99);
        for (int y = 0; y < H; y++) {
            System.arraycopy(other.data(), y * W + 150, take.data(), y * W + 150, W * 2 / 5);
        }
        FrameLock f = measure(ref, take);
        assertThat(f.map().shiftAt(W / 2.0, H / 2.0).minus(new Point(0.7, -0.3)).length()).isLessThan(0.02);
        assertThat(f.usedShare()).isBetween(0.4, 0.7);
    }

    @Test
    void partOfTheSetMovingAlongIsNotTheCamera() {
        Plane ref = texture(5);
        Plane moved = Resample.warp(ref, PlanarMap.shift(-2, 0), bands);
        Plane take = ref.copy();
        for (int y = 60; y < 200; y++) {
            System.arraycopy(moved.data(), y * W + 40, take.data(), y * W + 40, 150);
        }
        assertThat(measure(ref, take).map().shiftAt(W / 2.0, H / 2.0).length()).isLessThan(0.02);
    }

    @Test
    void nearAndFarMovingDifferentlyShowsAsAResidual() {
        Plane ref = texture(6);
        Plane near = Resample.warp(ref, PlanarMap.shift(-2.5, 0), bands);
        Plane take = Resample.warp(ref, PlanarMap.shift(-1, 0), bands);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x += 80) {
                System.arraycopy(near.data(), y * W + x, take.data(), y * W + x, 40);
            }
        }
        assertThat(measure(ref, take).residualPx()).isGreaterThan(0.4);
        assertThat(measure(ref, Resample.warp(ref, PlanarMap.shift(-1, 0), bands)).residualPx()).isLessThan(0.1);
    }

    @Test
    void anotherPictureAltogetherIsNotFound() {
        FrameLock f = measure(texture(7), texture(8));
        assertThat(!f.found() || f.usedShare() < 0.1).isTrue();
    }

    @Test
    void aRoomSoBareThatPointsAgreeByChanceIsNotPlaced() {
        Plane ref = bare(11);
        FrameLock f = measure(ref, bare(12));
        assertThat(!f.found() || f.deviationPx() > 0.1).as("%s", f).isTrue();
        FrameLock sure = measure(texture(3), Resample.warp(texture(3), PlanarMap.shift(-0.4, 0), bands));
        assertThat(sure.deviationPx()).isLessThan(0.02);
    }

    /// A smooth wall, with noise of its own.
    private static Plane bare(long seed) {
        Plane p = Plane.of(W, H);
        SplittableRandom r = new SplittableRandom(seed);
        for (int i = 0; i < p.data().length; i++) {
            p.data()[i] = (float) (0.4 + 0.1 * Math.sin(i % W / 90.0) + 0.01 * r.nextGaussian());
        }
        return p;
    }

    @Test
    void theMeanOfGlancesHasLessNoise() {
        Plane ref = texture(9);
        List<AnalysisFrame> noisy = new ArrayList<>();
        SplittableRandom r = new SplittableRandom(1);
        for (int k = 0; k < 8; k++) {
            Plane p = ref.copy();
            for (int i = 0; i < p.data().length; i++) {
                p.data()[i] += (float) (0.05 * r.nextGaussian());
            }
            noisy.add(lockFrame(p));
        }
        double one = 0;
        double mean = 0;
        Plane averaged = LockMeter.mean(noisy).luma();
        for (int i = 0; i < ref.data().length; i++) {
            one += Math.abs(noisy.getFirst().luma().data()[i] - ref.data()[i]);
            mean += Math.abs(averaged.data()[i] - ref.data()[i]);
        }
        assertThat(mean).isLessThan(one * 0.45);
        assertThat(LockMeter.mean(noisy.subList(0, 1))).isSameAs(noisy.getFirst());
    }

    @Test
    void sizesMustAgree() {
        LockMeter m = new LockMeter(lockFrame(texture(1)), bands);
        Plane small = Plane.of(64, 36);
        assertThatIllegalArgumentException().isThrownBy(() -> m.measure(new AnalysisFrame(small, Picture.of(16, 9))));
    }

    @Test
    void cornersAreSpreadAndFollowed() {
        Plane ref = texture(10);
        List<Point> corners = Features.spread(ref, 200, 8);
        assertThat(corners).hasSizeGreaterThan(120);
        assertThat(corners.stream().filter(p -> p.x() < W / 2.0).count())
                .isBetween((long) corners.size() / 3, (long) corners.size() * 2 / 3);
        List<Point> went = Features.follow(ref, Resample.warp(ref, PlanarMap.shift(-6, 3), bands), corners);
        int good = 0;
        for (int i = 0; i < corners.size(); i++) {
            Point p = went.get(i);
            good += p != null && p.minus(corners.get(i)).minus(new Point(6, -3)).length() < 0.3 ? 1 : 0;
        }
        assertThat(good).isGreaterThan(corners.size() * 8 / 10);
        assertThat(Features.spread(Plane.filled(200, 100, 0.5f), 100, 4)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"0, 1, 0.02", "1.2, 1.2, 0.12", "2.2, 1.75, 0.35"})
    void aTakeOutOfFocusIsMeasuredAndNotTakenForAZoom(double radius, double wider, double within) {
        Plane ref = texture(6);
        Plane take = radius == 0 ? ref : Blur.gaussian(ref, radius, bands);
        FrameLock f = measure(ref, Resample.warp(take, PlanarMap.shift(-0.6, 0.2), bands));
        // Blobs of a deviation of some 2.2 px grow by the root of the sum of squares.
        assertThat(f.softer()).isCloseTo(wider, Offset.offset(within));
        assertThat(f.zoomPercent()).isCloseTo(0, Offset.offset(0.03));
        FrameLock back = measure(take, ref);
        assertThat(back.softer()).as("a reference that was out of focus").isCloseTo(1 / wider, Offset.offset(within));
    }

    @Test
    void contrastAndBrightnessAreNoFocus() {
        Plane ref = texture(7);
        Plane take = ref.copy();
        for (int i = 0; i < take.data().length; i++) {
            take.data()[i] = 0.2f + 0.5f * take.data()[i];
        }
        assertThat(measure(ref, take).softer()).isCloseTo(1, Offset.offset(0.01));
    }
}
