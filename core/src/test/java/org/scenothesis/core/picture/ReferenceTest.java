package org.scenothesis.core.picture;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.SplittableRandom;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/// The fast kernels against plain ones written for looking at, on sizes that fit no vector.
class ReferenceTest {
    private static final Bands MANY = Bands.pooled(3);

    @AfterAll
    static void close() {
        MANY.close();
    }

    private static Plane noise(int w, int h, long seed) {
        Plane p = Plane.of(w, h);
        SplittableRandom r = new SplittableRandom(seed);
        for (int i = 0; i < p.data().length; i++) {
            p.data()[i] = (float) r.nextDouble();
        }
        return p;
    }

    private static float held(Plane p, int x, int y) {
        return p.at(Math.clamp(x, 0, p.width() - 1), Math.clamp(y, 0, p.height() - 1));
    }

    private static Plane transposed(Plane p) {
        Plane out = Plane.of(p.height(), p.width());
        for (int i = 0; i < p.data().length; i++) {
            out.data()[i % p.width() * p.height() + i / p.width()] = p.data()[i];
        }
        return out;
    }

    private static void assertSame(Plane found, Plane wanted, float within) {
        assertThat(found.width()).isEqualTo(wanted.width());
        assertThat(found.height()).isEqualTo(wanted.height());
        for (int i = 0; i < found.data().length; i++) {
            assertThat(found.data()[i]).as("pixel " + i).isCloseTo(wanted.data()[i], Offset.offset(within));
        }
    }

    /// Weights of three boxes of width 2·half + 1 with fractional ends, one after the other.
    private static double[] thrice(double half) {
        int n = (int) half;
        double[] box = new double[2 * n + 3];
        for (int i = 0; i < box.length; i++) {
            box[i] = (i == 0 || i == box.length - 1 ? half - n : 1) / (2 * half + 1);
        }
        double[] k = {1};
        for (int round = 0; round < 3; round++) {
            double[] longer = new double[k.length + box.length - 1];
            for (int i = 0; i < k.length; i++) {
                for (int j = 0; j < box.length; j++) {
                    longer[i + j] += k[i] * box[j];
                }
            }
            k = longer;
        }
        return k;
    }

    @ParameterizedTest
    @CsvSource({"97, 71, 2.5", "33, 65, 1.2", "150, 20, 5", "40, 40, 9.3"})
    void aBlurInTheMiddleIsThreeBoxes(int w, int h, double sigma) {
        Plane p = noise(w, h, 4);
        double half = (Math.sqrt(4 * sigma * sigma + 1) - 1) / 2;
        double[] k = thrice(half);
        int n = k.length / 2;
        Plane soft = Blur.gaussian(p, sigma, MANY);
        // Beyond a box's reach of the edges, which every pass holds anew.
        for (int y = n; y < h - n; y += 3) {
            for (int x = n; x < w - n; x += 5) {
                double sum = 0;
                for (int j = -n; j <= n; j++) {
                    for (int i = -n; i <= n; i++) {
                        sum += k[i + n] * k[j + n] * p.at(x + i, y + j);
                    }
                }
                assertThat((double) soft.at(x, y)).isCloseTo(sum, Offset.offset(1e-5));
            }
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.4, 0.8, 1.5, 4, 30})
    void aBlurKeepsWhatIsEvenAndIsTheSameLyingAndStanding(double sigma) {
        Plane even = Blur.gaussian(Plane.filled(50, 37, 0.3f), sigma, MANY);
        assertSame(even, Plane.filled(50, 37, 0.3f), 1e-5f);
        Plane p = noise(45, 38, 9);
        Plane lying = transposed(Blur.gaussian(p, sigma, MANY));
        assertSame(Blur.gaussian(transposed(p), sigma, MANY), lying, 1e-5f);
        assertThat(Blur.gaussian(p, sigma, Bands.sequential()).data()).containsExactly(Blur.gaussian(p, sigma, MANY).data());
    }

    @ParameterizedTest
    @CsvSource({"8, 6", "9, 7", "1, 5", "6, 1", "33, 2"})
    void halfIsTheMeanOfFourAndTwiceComesBackToAnEvenPlane(int w, int h) {
        Plane p = noise(w, h, 3);
        Plane half = Resample.half(p, MANY);
        for (int y = 0; y < half.height(); y++) {
            for (int x = 0; x < half.width(); x++) {
                float mean = (held(p, 2 * x, 2 * y) + held(p, 2 * x + 1, 2 * y) + held(p, 2 * x, 2 * y + 1)
                        + held(p, 2 * x + 1, 2 * y + 1)) / 4;
                assertThat(half.at(x, y)).isCloseTo(mean, Offset.offset(1e-6f));
            }
        }
        assertSame(Resample.twice(Resample.half(Plane.filled(w, h, 2), MANY), w, h, MANY), Plane.filled(w, h, 2), 1e-6f);
    }

    @Test
    void twiceIsTheValueBetweenTheMiddlesOfPixels() {
        Plane p = noise(7, 5, 8);
        Plane big = Resample.twice(p, 14, 10, MANY);
        for (int y = 0; y < 10; y++) {
            for (int x = 0; x < 14; x++) {
                assertThat(big.at(x, y)).isCloseTo(Resample.linear(p, (x + 0.5) / 2, (y + 0.5) / 2), Offset.offset(1e-6f));
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"64, 36, 40, 22", "53, 41, 53, 20", "31, 17, 90, 50", "128, 4, 3, 1", "5, 5, 5, 9"})
    void scalingIsATentOverTheNeighboursOnEitherAxis(int w, int h, int width, int height) {
        Plane p = noise(w, h, 11);
        Plane found = Resample.scale(p, width, height, MANY);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                assertThat((double) found.at(x, y))
                        .isCloseTo(tent(p, (x + 0.5) * w / width - 0.5, w / (double) width, (y + 0.5) * h / height - 0.5,
                        h / (double) height), Offset.offset(1e-5));
            }
        }
        assertSame(Resample.scale(Plane.filled(w, h, 0.6f), width, height, MANY), Plane.filled(width, height, 0.6f), 1e-5f);
    }

    private static double tent(Plane p, double cx, double stepX, double cy, double stepY) {
        double rx = Math.max(1, stepX);
        double ry = Math.max(1, stepY);
        double sum = 0;
        double weight = 0;
        for (int y = (int) Math.floor(cy - ry); y <= cy + ry + 1; y++) {
            for (int x = (int) Math.floor(cx - rx); x <= cx + rx + 1; x++) {
                double k = Math.max(0, 1 - Math.abs(x - cx) / rx) * Math.max(0, 1 - Math.abs(y - cy) / ry);
                sum += k * held(p, x, y);
                weight += k;
            }
        }
        return sum / weight;
    }

    @Test
    void aWarpOfSeveralPlanesIsThatOfEach() {
        PlanarMap m = PlanarMap.similarity(1.07, 0.2, new Point(20, 12), new Point(3.3, -1.7));
        List<Plane> in = List.of(noise(40, 25, 1), noise(40, 25, 2));
        List<Plane> out = List.of(Plane.of(31, 19), Plane.of(31, 19));
        Resample.warpInto(in, m, out, MANY);
        for (int c = 0; c < 2; c++) {
            for (int y = 0; y < 19; y++) {
                for (int x = 0; x < 31; x++) {
                    Point q = m.map(x + 0.5, y + 0.5);
                    assertThat(out.get(c).at(x, y)).isCloseTo(keys(in.get(c), q.x() - 0.5, q.y() - 0.5), Offset.offset(1e-5f));
                }
            }
        }
    }

    /// Keys 1981 with a = −0.5, from its definition.
    private static float keys(Plane p, double x, double y) {
        int x0 = (int) Math.floor(x);
        int y0 = (int) Math.floor(y);
        double sum = 0;
        for (int j = -1; j <= 2; j++) {
            for (int i = -1; i <= 2; i++) {
                sum += kernel(x - x0 - i) * kernel(y - y0 - j) * held(p, x0 + i, y0 + j);
            }
        }
        return (float) sum;
    }

    private static double kernel(double t) {
        double d = Math.abs(t);
        return d < 1 ? 1.5 * d * d * d - 2.5 * d * d + 1 : d < 2 ? -0.5 * d * d * d + 2.5 * d * d - 4 * d + 2 : 0;
    }

    @Test
    void farOutsideAndBehindTheVanishingLineTheEdgeIsHeld() {
        Plane p = noise(12, 9, 5);
        assertThat(Resample.cubic(p, -1e12, 4.5)).isCloseTo(p.at(0, 4), Offset.offset(1e-6f));
        assertThat(Resample.cubic(p, 1e300, 1e300)).isCloseTo(p.at(11, 8), Offset.offset(1e-6f));
        assertThat(Resample.cubic(p, Double.NaN, 4.5)).isNotNaN();
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 5, 12})
    void narrowingIsWideningOfTheOpposite(int radius) {
        Plane p = noise(53, 41, 6);
        Plane opposite = Plane.of(53, 41);
        for (int i = 0; i < p.data().length; i++) {
            opposite.data()[i] = 1 - p.data()[i];
        }
        Plane least = Morphology.erode(p, radius, MANY);
        Plane most = Morphology.dilate(opposite, radius, MANY);
        for (int i = 0; i < p.data().length; i++) {
            assertThat(least.data()[i]).isCloseTo(1 - most.data()[i], Offset.offset(1e-6f));
        }
    }

    @Test
    void whatIsKnownOnOneSideAloneIsContinuedEvenly() {
        Plane v = Plane.filled(41, 30, 0.7f);
        Plane known = Plane.of(41, 30);
        for (int y = 0; y < 30; y++) {
            for (int x = 0; x < 6; x++) {
                known.data()[y * 41 + x] = 1;
            }
        }
        v.data()[29 * 41 + 40] = 99;
        assertSame(PushPull.fill(List.of(v), known, MANY).getFirst(), Plane.filled(41, 30, 0.7f), 1e-4f);
    }

    @Test
    void betweenTwoKnownSidesTheFillGoesFromOneToTheOther() {
        Plane v = Plane.of(64, 16);
        Plane known = Plane.of(64, 16);
        for (int y = 0; y < 16; y++) {
            known.data()[y * 64] = 1;
            known.data()[y * 64 + 63] = 1;
            v.data()[y * 64 + 63] = 1;
        }
        Plane f = PushPull.fill(List.of(v), known, MANY).getFirst();
        assertThat(f.at(8, 8)).isLessThan(0.35f);
        assertThat(f.at(55, 8)).isGreaterThan(0.65f);
        assertThat(f.at(32, 8)).isBetween(0.3f, 0.7f);
        for (float x : f.data()) {
            assertThat(x).isBetween(-1e-6f, 1 + 1e-6f);
        }
    }
}
