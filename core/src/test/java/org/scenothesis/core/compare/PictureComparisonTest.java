package org.scenothesis.core.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.light.Area;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.core.shot.step.ColourGrade;

class PictureComparisonTest {
    private static final int W = 480;
    private static final int H = 320;
    private static final ColourGrade TOLD = new ColourGrade(new ColourGrade.Channels(1.12, 0.97, 0.9),
            new ColourGrade.Channels(-0.02, 0.01, 0.03), new ColourGrade.Channels(1.08, 0.95, 1.0), 0.85);

    /// Coloured patches of many levels, with soft edges.
    private static Picture set() {
        Picture p = Picture.of(W, H);
        SplittableRandom r = new SplittableRandom(5);
        for (int y = 0; y < H; y += 32) {
            for (int x = 0; x < W; x += 32) {
                double level = Math.pow(r.nextDouble(0.15, 0.85), 2.2);
                for (int c = 0; c < 3; c++) {
                    float v = (float) (level * r.nextDouble(0.5, 1.4));
                    for (int k = 0; k < 32 * 32; k++) {
                        p.colours().get(c).data()[(y + k / 32) * W + x + k % 32] = Math.min(0.85f, v);
                    }
                }
            }
        }
        return Blur.gaussian(p, 0.8, Bands.sequential());
    }

    private static Picture toned(Picture p, ColourGrade t) {
        Picture out = p.copy();
        double[] s = {t.slope().r(), t.slope().g(), t.slope().b()};
        double[] o = {t.offset().r(), t.offset().g(), t.offset().b()};
        double[] e = {t.power().r(), t.power().g(), t.power().b()};
        for (int i = 0; i < W * H; i++) {
            double[] v = new double[3];
            for (int c = 0; c < 3; c++) {
                v[c] = Math.pow(Math.max(0, s[c] * Transfer.SRGB.toCode(p.colours().get(c).data()[i]) + o[c]), e[c]);
            }
            double luma = 0.2126 * v[0] + 0.7152 * v[1] + 0.0722 * v[2];
            for (int c = 0; c < 3; c++) {
                out.colours().get(c).data()[i] = (float) Transfer.SRGB.toLinear(Math.max(0, luma + t.saturation() * (v[c] - luma)));
            }
        }
        return out;
    }

    private static Picture noisy(Picture p, double a, double b, long seed) {
        Picture out = p.copy();
        SplittableRandom r = new SplittableRandom(seed);
        for (int c = 0; c < 3; c++) {
            float[] d = out.colours().get(c).data();
            for (int i = 0; i < d.length; i++) {
                d[i] += (float) (Math.sqrt(a * d[i] + b * b) * r.nextGaussian());
            }
        }
        return out;
    }

    private static void same(ColourGrade.Channels is, ColourGrade.Channels should, double by) {
        assertThat(is.r()).isCloseTo(should.r(), within(by));
        assertThat(is.g()).isCloseTo(should.g(), within(by));
        assertThat(is.b()).isCloseTo(should.b(), within(by));
    }

    @ParameterizedTest
    @CsvSource({"0, 0", "2e-5, 4e-4", "1.2e-4, 1.2e-3"})
    void aToldGradeComesBack(double a, double b) {
        Picture one = noisy(set(), a, b, 1);
        Picture two = noisy(toned(set(), TOLD), a, b, 2);
        ColourGrade t = PictureComparison.of(List.of(one), List.of(two), null).tone();
        same(t.slope(), TOLD.slope(), 0.02);
        same(t.offset(), TOLD.offset(), 0.01);
        same(t.power(), TOLD.power(), 0.03);
        assertThat(t.saturation()).isCloseTo(0.85, within(0.02));
    }

    @Test
    void whatMovedIsLeftOut() {
        Picture two = toned(set(), TOLD);
        for (int y = 60; y < 260; y++) {
            for (int x = 100; x < 220; x++) {
                two.r().data()[y * W + x] = 0.3f;
                two.g().data()[y * W + x] = 0.05f;
                two.b().data()[y * W + x] = 0.6f;
            }
        }
        ColourGrade t = PictureComparison.of(List.of(set()), List.of(two), null).tone();
        same(t.slope(), TOLD.slope(), 0.02);
        same(t.power(), TOLD.power(), 0.03);
    }

    @Test
    void aClothOverHalfOfThePictureDoesNotLeadTheGrade() {
        Picture two = toned(set(), TOLD);
        for (int i = 0; i < W * H; i++) {
            if (i % W < W * 55 / 100) {
                two.r().data()[i] = 0.05f;
                two.g().data()[i] = 0.3f;
                two.b().data()[i] = 0.08f;
            }
        }
        ColourGrade t = PictureComparison.of(List.of(set()), List.of(two), null).tone();
        if (t != null) {
            same(t.slope(), TOLD.slope(), 0.03);
            same(t.offset(), TOLD.offset(), 0.02);
        }
        Picture all = Picture.filled(W, H, 0.05f, 0.3f, 0.08f);
        assertThat(PictureComparison.of(List.of(set()), List.of(all), null).tone()).as("nothing of the set is left").isNull();
    }

    @Test
    void grainThatMayBeTextureIsNotJudged() {
        Picture p = set();
        PictureComparison still = PictureComparison.of(List.of(p), List.of(noisy(p, 1e-3, 0, 3)), null);
        assertThat(still.judged().stream().filter(d -> d.what().equals("grain")).findFirst().orElseThrow().verdict())
                .isEqualTo(Verdict.NOT_MEASURED);
        List<Picture> quiet = List.of(noisy(p, 1e-4, 0, 4), noisy(p, 1e-4, 0, 5));
        List<Picture> loud = List.of(noisy(p, 1e-3, 0, 6), noisy(p, 1e-3, 0, 7));
        PictureComparison takes = PictureComparison.of(quiet, loud, null);
        assertThat(takes.noiseRatio()).isCloseTo(Math.sqrt(10), within(0.3));
        assertThat(takes.judged().stream().filter(d -> d.what().equals("grain")).findFirst().orElseThrow().verdict())
                .isEqualTo(Verdict.REDO);
        Picture frozen = noisy(p, 1e-3, 0, 8);
        assertThat(Noise.of(List.of(frozen, frozen)).fromTime()).as("a repeated frame").isFalse();
    }

    @ParameterizedTest
    @CsvSource({"2e-5, 4e-4", "1.2e-4, 1.2e-3", "5e-4, 3e-3"})
    void noiseIsFoundFromTimeAndFromFlatAreas(double a, double b) {
        Picture p = set();
        Noise time = Noise.of(List.of(noisy(p, a, b, 3), noisy(p, a, b, 4), noisy(p, a, b, 5)));
        Noise flat = Noise.of(noisy(p, a, b, 6));
        for (double level : new double[] {0.05, 0.18, 0.5}) {
            double should = Math.sqrt(a * level + b * b);
            assertThat(time.at(level)).as("from time at %s", level).isCloseTo(should, within(0.1 * should));
            assertThat(flat.at(level)).as("from flat areas at %s", level).isCloseTo(should, within(0.15 * should));
        }
        assertThat(time.fromTime()).isTrue();
        assertThat(time.correlationPx()).isLessThan(0.25);
        Picture soft = Blur.gaussian(noisy(Picture.filled(W, H, 0.2f, 0.2f, 0.2f), 1e-3, 0, 7), 1.2, Bands.sequential());
        assertThat(Noise.of(soft).correlationPx()).isCloseTo(1.2, within(0.25));
    }

    @Test
    void sharpnessContrastAndTheirLimits() {
        Picture p = set();
        Picture soft = Blur.gaussian(p, 1.5, Bands.sequential());
        PictureComparison c = PictureComparison.of(List.of(p), List.of(soft), null);
        double should = Math.hypot(0.8, 1.5) / 0.8;
        assertThat(c.blurRatio()).isCloseTo(should, within(0.25 * should));
        assertThat(c.contrastStops()).as("blur mixes patches, little").isCloseTo(0, within(0.3));
        Picture flat = toned(p, ColourGrade.NEUTRAL.withSlope(ColourGrade.Channels.all(0.7)).withOffset(ColourGrade.Channels.all(0.15)));
        PictureComparison dull = PictureComparison.of(List.of(p), List.of(flat), null);
        assertThat(dull.contrastStops()).isLessThan(-0.5);
        assertThat(dull.blackStops()).isGreaterThan(0.3);
        assertThat(PictureComparison.of(List.of(Picture.filled(W, H, 0.2f, 0.2f, 0.2f)), List.of(p), null).blurRatio()).as("no edges")
                .isNaN();
    }

    @Test
    void onlyTheAreaCounts() {
        Picture two = toned(set(), TOLD);
        for (int y = 0; y < H; y++) {
            for (int x = W / 2; x < W; x++) {
                two.g().data()[y * W + x] *= 0.5f;
            }
        }
        Area left = new Area(List.of(new Point(0, 0), new Point(W / 2.0, 0), new Point(W / 2.0, H), new Point(0, H)));
        same(PictureComparison.of(List.of(set()), List.of(two), left).tone().slope(), TOLD.slope(), 0.02);
        Area nowhere = new Area(List.of(new Point(0, 0), new Point(4, 0), new Point(4, 4)));
        assertThat(PictureComparison.of(List.of(set()), List.of(two), nowhere).tone()).isNull();
        assertThat(PictureComparison.of(List.of(set()), List.of(Picture.filled(64, 64, 0.2f, 0.2f, 0.2f)), null).tone()).as("another size")
                .isNull();
    }

    @Test
    void aLookIsItsContrastItsColoursAndItsGrain() {
        Picture p = Picture.of(W, H);
        SplittableRandom r = new SplittableRandom(8);
        for (int i = 0; i < W * H; i++) {
            // A third each: dark and blue, grey, bright and warm; two per cent of noise.
            double level = i % W < W / 3 ? 0.02 : i % W < 2 * W / 3 ? 0.16 : 0.64;
            double n = 1 + 0.02 * r.nextGaussian();
            p.r().data()[i] = (float) (level * n * (level > 0.5 ? 1.2 : level < 0.1 ? 0.6 : 1));
            p.g().data()[i] = (float) (level * n);
            p.b().data()[i] = (float) (level * n * (level > 0.5 ? 0.7 : level < 0.1 ? 1.8 : 1));
        }
        Look l = Look.of(List.of(p), null);
        assertThat(l.shares().stream().mapToDouble(Double::doubleValue).sum()).isCloseTo(1, within(1e-9));
        assertThat(l.shares().stream().filter(s -> s > 0.25)).as("three levels").hasSize(3);
        assertThat(l.brightStops() - l.darkStops()).isCloseTo(5, within(0.15));
        assertThat(l.colours()).hasSize(3);
        assertThat(l.colours().getFirst().b()).isGreaterThan(2.5 * l.colours().getFirst().r());
        assertThat(l.colours().getLast().r()).isGreaterThan(1.5 * l.colours().getLast().b());
        assertThat(l.grain()).hasSize(Look.GRAIN * Look.GRAIN);
        assertThat(Math.sqrt(l.grain().stream().mapToDouble(g -> g * g).average().orElseThrow())).isCloseTo(0.02, within(0.004));
        assertThat(Look.of(List.of(Picture.filled(64, 64, 1, 1, 1)), null).grain()).as("clipped all over").isEmpty();
        Look part = Look.of(List.of(p), new Area(List.of(new Point(4, 4), new Point(120, 4), new Point(120, 200), new Point(4, 200))));
        assertThat(part.brightStops()).as("the dark third alone").isLessThan(-5);
    }

    @Test
    void aGreyPatchAloneTellsASlopeAndNothingElse() {
        Picture a = Picture.filled(W, H, 0.18f, 0.18f, 0.18f);
        Picture b = toned(a, new ColourGrade(new ColourGrade.Channels(1.1, 1, 0.9), new ColourGrade.Channels(0, 0, 0),
                new ColourGrade.Channels(1, 1, 1), 1));
        Area patch = new Area(List.of(new Point(100, 100), new Point(132, 100), new Point(132, 132), new Point(100, 132)));
        ColourGrade t = PictureComparison.of(List.of(a), List.of(b), patch).tone();
        assertThat(t.slope().r()).isCloseTo(1.1, within(0.01));
        assertThat(t.slope().g()).isCloseTo(1, within(0.01));
        assertThat(t.slope().b()).isCloseTo(0.9, within(0.01));
        assertThat(t.offset().r()).isCloseTo(0, within(1e-3));
        assertThat(t.power().b()).isCloseTo(1, within(1e-3));
    }

    private static Area patch(double x, double y) {
        return new Area(List.of(new Point(x, y), new Point(x + 24, y), new Point(x + 24, y + 24), new Point(x, y + 24)));
    }

    /// Three patches that lie elsewhere in the second picture: black, middle and white of one chart.
    @Test
    void areasChosenInBothTellTheToneEvenWhereTheyLieElsewhere() {
        double[] levels = {0.02, 0.18, 0.6};
        Picture a = Picture.filled(W, H, 0.3f, 0.1f, 0.1f);
        Picture b = Picture.filled(W, H, 0.05f, 0.3f, 0.1f);
        ColourGrade told = new ColourGrade(new ColourGrade.Channels(1.1, 0.95, 0.9), new ColourGrade.Channels(0.02, 0, -0.02),
                new ColourGrade.Channels(1, 1, 1), 1);
        for (int k = 0; k < 3; k++) {
            Picture toned = toned(Picture.filled(W, H, (float) levels[k], (float) levels[k], (float) levels[k]), told);
            for (int c = 0; c < 3; c++) {
                for (int i = 0; i < 32 * 32; i++) {
                    a.colours().get(c).data()[(40 + i / 32) * W + 40 + 60 * k + i % 32] = (float) levels[k];
                    b.colours().get(c).data()[(200 + i / 32) * W + 300 - 60 * k + i % 32] = toned.colours().get(c).data()[0];
                }
            }
        }
        PictureComparison whole = PictureComparison.of(List.of(a), List.of(b), null);
        List<Area> own = List.of(patch(44, 44), patch(104, 44), patch(164, 44));
        ColourGrade t = whole.by(a, own, b, List.of(patch(304, 204), patch(244, 204), patch(184, 204))).tone();
        for (double level : levels) {
            double v = Transfer.SRGB.toCode(level);
            assertThat(Math.pow(v * t.slope().r() + t.offset().r(), t.power().r())).isCloseTo(v * 1.1 + 0.02, within(0.01));
            assertThat(Math.pow(v * t.slope().b() + t.offset().b(), t.power().b())).isCloseTo(v * 0.9 - 0.02, within(0.012));
        }
        assertThat(whole.by(a, own, b, List.of(patch(-200, -200), patch(244, 204), patch(184, 204))).tone()).as("outside the picture")
                .isNull();
        assertThat(whole.by(a, List.of(), b, List.of()).tone()).isNull();
    }
}
