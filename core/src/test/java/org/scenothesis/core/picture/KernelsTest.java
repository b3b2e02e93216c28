package org.scenothesis.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import java.util.SplittableRandom;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// Identity, linearity, flip, one against many bands, and against plain references.
class KernelsTest {
    private final Bands many = Bands.pooled(3);
    private final Bands one = Bands.sequential();

    @AfterEach
    void close() {
        many.close();
    }

    private static Plane random(int w, int h, long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        Plane p = Plane.of(w, h);
        for (int i = 0; i < p.data().length; i++) {
            p.data()[i] = (float) r.nextDouble();
        }
        return p;
    }

    private static Plane flipped(Plane p) {
        Plane out = Plane.of(p.width(), p.height());
        for (int y = 0; y < p.height(); y++) {
            for (int x = 0; x < p.width(); x++) {
                out.data()[y * p.width() + x] = p.at(p.width() - 1 - x, p.height() - 1 - y);
            }
        }
        return out;
    }

    private static void close(Plane a, Plane b, double within) {
        for (int i = 0; i < a.data().length; i++) {
            assertThat(a.data()[i]).isCloseTo(b.data()[i], Offset.offset((float) within));
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.5, 0.9, 2, 7.3, 25})
    void blurKeepsAFlatFieldAndItsMean(double sigma) {
        close(Blur.gaussian(Plane.filled(70, 50, 0.4f), sigma, one), Plane.filled(70, 50, 0.4f), 1e-5);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.7, 2, 6})
    void blurIsTheGaussianWithinItsDocumentedError(double sigma) {
        Plane step = Plane.of(121, 3);
        for (int y = 0; y < 3; y++) {
            for (int x = 60; x < 121; x++) {
                step.data()[y * 121 + x] = 1;
            }
        }
        Plane soft = Blur.gaussian(step, sigma, one);
        for (int x = 20; x < 100; x++) {
            double sum = 0;
            double norm = 0;
            for (int k = -60; k <= 60; k++) {
                double w = Math.exp(-k * k / (2 * sigma * sigma));
                norm += w;
                sum += x + k >= 60 ? w : 0;
            }
            assertThat((double) soft.at(x, 1)).isCloseTo(sum / norm, Offset.offset(0.03));
        }
    }

    @Test
    void blurOfAFlippedPlaneIsTheFlippedBlur() {
        Plane p = random(61, 43, 1);
        close(Blur.gaussian(flipped(p), 3, one), flipped(Blur.gaussian(p, 3, one)), 1e-5);
    }

    @Test
    void blurIsLinear() {
        Plane a = random(50, 40, 2);
        Plane b = random(50, 40, 3);
        Plane sum = Plane.of(50, 40);
        for (int i = 0; i < sum.data().length; i++) {
            sum.data()[i] = 2 * a.data()[i] + b.data()[i];
        }
        Plane blurredA = Blur.gaussian(a, 4, one);
        Plane blurredB = Blur.gaussian(b, 4, one);
        Plane blurred = Blur.gaussian(sum, 4, one);
        for (int i = 0; i < sum.data().length; i++) {
            assertThat(blurred.data()[i]).isCloseTo(2 * blurredA.data()[i] + blurredB.data()[i], Offset.offset(1e-4f));
        }
    }

    @Test
    void manyBandsGiveTheSameBitsAsOne() {
        Plane p = random(97, 131, 4);
        assertThat(Blur.gaussian(p, 5, many).data()).containsExactly(Blur.gaussian(p, 5, one).data());
        assertThat(Resample.scale(p, 40, 60, many).data()).containsExactly(Resample.scale(p, 40, 60, one).data());
        assertThat(Resample.warp(p, PlanarMap.shift(0.3, 0.7), many).data())
                .containsExactly(Resample.warp(p, PlanarMap.shift(0.3, 0.7), one).data());
        assertThat(Morphology.dilate(p, 3, many).data()).containsExactly(Morphology.dilate(p, 3, one).data());
    }

    @Test
    void cubicSamplingHitsThePixelsAndFollowsARamp() {
        Plane p = Plane.of(20, 20);
        for (int i = 0; i < 400; i++) {
            p.data()[i] = i % 20 * 0.1f + i / 20 * 0.02f;
        }
        assertThat(Resample.cubic(p, 7.5, 9.5)).isCloseTo(p.at(7, 9), Offset.offset(1e-6f));
        assertThat(Resample.cubic(p, 7.9, 9.25)).isCloseTo(0.74f + 0.175f, Offset.offset(1e-5f));
        assertThat(Resample.linear(p, 7.9, 9.25)).isCloseTo(0.74f + 0.175f, Offset.offset(1e-5f));
        assertThat(Resample.linear(p, -50, -50)).isEqualTo(p.at(0, 0));
    }

    @Test
    void warpByAWholePixelMovesPixels() {
        Plane p = random(30, 20, 6);
        Plane moved = Resample.warp(p, PlanarMap.shift(-2, 1), one);
        assertThat(moved.at(10, 10)).isCloseTo(p.at(8, 11), Offset.offset(1e-6f));
    }

    @Test
    void scalingKeepsTheMeanAndTheSizeAskedFor() {
        Plane p = random(64, 48, 7);
        Plane small = Resample.scale(p, 16, 12, one);
        assertThat(small.width()).isEqualTo(16);
        double a = 0;
        double b = 0;
        for (float v : p.data()) {
            a += v / p.data().length;
        }
        for (float v : small.data()) {
            b += v / small.data().length;
        }
        assertThat(b).isCloseTo(a, Offset.offset(0.01));
        assertThat(Resample.scale(p, 64, 48, one).data()).containsExactly(p.data());
    }

    @Test
    void growTakesTheLargestAndSmallestOfASquare() {
        Plane p = Plane.of(15, 15);
        p.data()[7 * 15 + 7] = 1;
        Plane wide = Morphology.dilate(p, 2, one);
        assertThat(wide.at(5, 9)).isEqualTo(1);
        assertThat(wide.at(4, 7)).isZero();
        assertThat(Morphology.erode(wide, 2, one).at(7, 7)).isEqualTo(1);
        assertThat(Morphology.erode(wide, 2, one).at(8, 7)).isZero();
    }

    @Test
    void fillKeepsWhatIsKnownAndContinuesItSmoothly() {
        Plane v = Plane.of(65, 33);
        Plane w = Plane.of(65, 33);
        for (int y = 0; y < 33; y++) {
            v.data()[y * 65] = 0.2f;
            w.data()[y * 65] = 1;
            v.data()[y * 65 + 64] = 0.8f;
            w.data()[y * 65 + 64] = 1;
        }
        Plane f = PushPull.fill(List.of(v), w, one).getFirst();
        assertThat(f.at(0, 10)).isEqualTo(0.2f);
        assertThat(f.at(64, 10)).isEqualTo(0.8f);
        assertThat(f.at(20, 16)).isBetween(0.19f, 0.7f);
        assertThat(f.at(50, 16)).isGreaterThan(f.at(10, 16));
        assertThat(PushPull.fill(List.of(v), Plane.of(65, 33), one).getFirst().at(5, 5)).isZero();
    }

    @Test
    void polygonCoverageIsItsArea() {
        Plane c = new Polygon(List.of(new Point(10, 10), new Point(30.5, 10), new Point(30.5, 25.25), new Point(10, 25.25)))
                .coverage(50, 40, one);
        double sum = 0;
        for (float v : c.data()) {
            sum += v;
        }
        assertThat(sum).isCloseTo(20.5 * 15.25, Offset.offset(0.01));
        assertThat(c.at(20, 20)).isEqualTo(1);
        assertThat(c.at(30, 20)).isCloseTo(0.5f, Offset.offset(1e-5f));
        assertThat(c.at(40, 20)).isZero();
    }

    @Test
    void anOutlineWithTwoCornersIsNone() {
        assertThatIllegalArgumentException().isThrownBy(() -> new Polygon(List.of(Point.ZERO, new Point(1, 1))));
    }

    @Test
    void aFailureInABandReachesTheCaller() {
        assertThatIllegalArgumentException().isThrownBy(() -> many.run(200, (from, to, band) -> {
            if (band == 3) {
                throw new IllegalArgumentException("band three");
            }
        })).withMessage("band three");
    }

    @Test
    void shapesMustAgree() {
        assertThatIllegalArgumentException().isThrownBy(() -> new Picture(Plane.of(2, 2), Plane.of(2, 3), Plane.of(2, 2), null));
        assertThatIllegalArgumentException().isThrownBy(() -> new Plane(2, 2, new float[3]));
        assertThatIllegalArgumentException().isThrownBy(() -> Plane.of(0, 5));
        assertThatIllegalArgumentException().isThrownBy(() -> Plane.of(40_000, 40_000));
        assertThatIllegalArgumentException().isThrownBy(() -> Picture.of(2, 2).alpha());
    }
}
