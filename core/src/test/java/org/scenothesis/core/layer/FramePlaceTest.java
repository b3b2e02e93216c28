package org.scenothesis.core.layer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.StepKind;
import org.scenothesis.core.shot.step.FramePlace;
import org.scenothesis.core.shot.step.OwnAlpha;
import org.scenothesis.core.shot.step.Parameter;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.value.Animated;
import org.scenothesis.core.value.Ease;

/// A square moved, turned and sized by hand in a picture whose sides are not alike.
class FramePlaceTest {
    private static final int W = 160;
    private static final int H = 80;
    private static final Bands ONE = Bands.sequential();

    /// White from 60 to 100 across and 20 to 40 down, nothing elsewhere.
    private static Picture square() {
        Plane a = Plane.of(W, H);
        for (int y = 20; y < 40; y++) {
            for (int x = 60; x < 100; x++) {
                a.data()[y * W + x] = 1;
            }
        }
        return Picture.filled(W, H, 1, 1, 1).withAlpha(a);
    }

    private static Picture laid(FramePlace put, double seconds) {
        Layer l = Layer.of("l", "", "p", new OwnAlpha(), put);
        LayerPicture base = LayerPicture.of(Layer.of("base", "", "c"), Picture.filled(W, H, 0, 0, 0));
        return Composer.compose(List.of(base, LayerPicture.of(l, square())), null, seconds, ONE);
    }

    private static double light(Picture p) {
        double sum = 0;
        for (float v : p.g().data()) {
            sum += v;
        }
        return sum;
    }

    private static Point middle(Picture p) {
        double x = 0;
        double y = 0;
        for (int i = 0; i < p.g().data().length; i++) {
            x += p.g().data()[i] * (i % W + 0.5);
            y += p.g().data()[i] * (i / W + 0.5);
        }
        return new Point(x / light(p), y / light(p));
    }

    @Test
    void asFilmedItIsNotTouched() {
        assertThat(laid(FramePlace.AS_FILMED, 0).g().data()).containsExactly(square().alpha().data());
    }

    @Test
    void wholePixelsMoveExactly() {
        Picture out = laid(FramePlace.AS_FILMED.with(0, new FramePlace.Lie(new Point(10.0 / W, -5.0 / H), 0, 1)), 0);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                float wanted = x >= 70 && x < 110 && y >= 15 && y < 35 ? 1 : 0;
                assertThat(out.g().at(x, y)).isCloseTo(wanted, within(1e-5f));
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"0, 1.5", "90, 1", "-30, 0.5", "360, 2"})
    void itTurnsAndGrowsAboutItsCross(double turn, double size) {
        FramePlace put = new FramePlace(new Point(80.0 / W, 30.0 / H), Animated.of(new Point(0, 0)), Animated.of(turn), Animated.of(size));
        Picture out = laid(put, 0);
        assertThat(light(out)).isCloseTo(800 * size * size, within(12 * size));
        assertThat(middle(out).x()).isCloseTo(80, within(0.1));
        assertThat(middle(out).y()).isCloseTo(30, within(0.1));
    }

    @Test
    void clockwiseIsAsOnAClock() {
        // About its left end, a quarter turn brings what was to the right below.
        FramePlace put = new FramePlace(new Point(60.0 / W, 30.0 / H), Animated.of(new Point(0, 0)), Animated.of(90.0), Animated.of(1.0));
        assertThat(middle(laid(put, 0)).x()).isCloseTo(60, within(0.1));
        assertThat(middle(laid(put, 0)).y()).isCloseTo(50, within(0.1));
    }

    @Test
    void betweenKeysItIsOnItsWay() {
        FramePlace put = FramePlace.AS_FILMED.withBy(Animated.of(new Point(0, 0)).key(0, new Point(0, 0), Ease.STEADY)
                .key(2, new Point(0.25, 0.1), Ease.STEADY));
        assertThat(middle(laid(put, 1)).x()).isCloseTo(80 + 0.125 * W, within(0.05));
        assertThat(middle(laid(put, 9)).y()).isCloseTo(30 + 0.1 * H, within(0.05));
    }

    @Test
    void beyondItsOwnPictureItHasNothing() {
        Layer whole = Layer.of("l", "", "p", FramePlace.AS_FILMED.with(0, new FramePlace.Lie(new Point(0.5, 0), 0, 1)));
        LayerPicture base = LayerPicture.of(Layer.of("base", "", "c"), Picture.filled(W, H, 0.2f, 0.2f, 0.2f));
        Picture out = Composer.compose(List.of(base, LayerPicture.of(whole, Picture.filled(W, H, 1, 1, 1))), null, 0, ONE);
        assertThat(out.r().at(W / 4, 40)).isCloseTo(0.2f, within(1e-5f));
        assertThat(out.r().at(3 * W / 4, 40)).isCloseTo(1f, within(1e-5f));
    }

    @Test
    void everyNumberOfItIsSetAndReadBackAndNonsenseIsRefused() {
        Step step = FramePlace.AS_FILMED;
        for (Parameter<?> p : StepKind.parameters(step)) {
            double v = p.span().low() / 2 + p.span().high() / 2 + 1;
            assertThat(p.get(p.with(step, 0, v), 0)).as(p.code()).isCloseTo(v, within(1e-9));
        }
        assertThatIllegalArgumentException().isThrownBy(() -> FramePlace.AS_FILMED.withSize(Animated.of(0.0)));
        assertThatIllegalArgumentException().isThrownBy(() -> FramePlace.AS_FILMED.withBy(Animated.of(new Point(Double.NaN, 0))));
    }

    @Test
    void aPictureOfAnotherSizeIsTheCanvasItIsFittedTo() {
        LayerPicture base = LayerPicture.of(Layer.of("base", "", "c"), Picture.filled(W, H, 0.2f, 0.2f, 0.2f)).fitted(2 * W, 2 * H);
        Picture out = Composer.compose(List.of(base), null, 0, ONE);
        assertThat(out.width()).isEqualTo(2 * W);
        assertThat(out.g().at(2 * W - 1, 2 * H - 1)).isCloseTo(0.2f, within(1e-5f));
    }
}
