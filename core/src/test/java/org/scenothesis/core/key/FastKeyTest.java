package org.scenothesis.core.key;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.SplittableRandom;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;

class FastKeyTest {
    private static Picture random(int w, int h, long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        Picture p = Picture.of(w, h);
        p.colours().forEach(c -> {
            for (int i = 0; i < c.data().length; i++) {
                c.data()[i] = (float) r.nextDouble();
            }
        });
        return p;
    }

    /// The plain reference: one pixel after the other.
    private static float[] pixel(Picture t, Picture b, FastKey.Cut c, int i) {
        float r = t.r().data()[i];
        float g = t.g().data()[i];
        float bl = t.b().data()[i];
        float most = Math.max(r, bl);
        float a = Math.clamp((1 - (g - most) / c.lead() - c.low()) / (c.high() - c.low()), 0f, 1f);
        float[] top = {r, Math.min(g, most), bl};
        float[] base = {b.r().data()[i], b.g().data()[i], b.b().data()[i]};
        float[] out = new float[3];
        for (int k = 0; k < 3; k++) {
            out[k] = base[k] + a * (top[k] - base[k]);
        }
        return out;
    }

    @ParameterizedTest
    @CsvSource({"64, 40", "61, 37", "1, 1", "7, 100", "1920, 3"})
    void itAgreesWithThePlainLoop(int w, int h) {
        Picture take = random(w, h, 1);
        Picture base = random(w, h, 2);
        Picture out = Picture.of(w, h);
        FastKey.Cut cut = new FastKey.Cut(0.3f, 0.1f, 0.7f);
        FastKey.over(take, base, cut, out, Bands.sequential());
        for (int i = 0; i < w * h; i++) {
            float[] expected = pixel(take, base, cut, i);
            assertThat(out.r().data()[i]).isCloseTo(expected[0], Offset.offset(2e-5f));
            assertThat(out.g().data()[i]).isCloseTo(expected[1], Offset.offset(2e-5f));
            assertThat(out.b().data()[i]).isCloseTo(expected[2], Offset.offset(2e-5f));
        }
    }

    @Test
    void manyThreadsGiveTheSameBitsAndTheOutputMayBeTheInput() {
        Picture take = random(333, 201, 3);
        Picture base = random(333, 201, 4);
        Picture one = Picture.of(333, 201);
        FastKey.Cut cut = new FastKey.Cut(0.4f, 0, 1);
        FastKey.over(take, base, cut, one, Bands.sequential());
        try (Bands many = Bands.pooled(4)) {
            Picture same = base.copy();
            FastKey.over(take, same, cut, same, many);
            assertThat(same.g().data()).containsExactly(one.g().data());
            assertThat(same.r().data()).containsExactly(one.r().data());
        }
    }

    @Test
    void impossibleCutsAndSizesAreRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> new FastKey.Cut(0, 0, 1));
        assertThatIllegalArgumentException().isThrownBy(() -> new FastKey.Cut(0.3f, 0.7f, 0.7f));
        assertThatIllegalArgumentException().isThrownBy(() -> FastKey.over(Picture.of(2, 2), Picture.of(3, 2), new FastKey.Cut(1, 0, 1), Picture.of(2, 2), Bands.sequential()));
    }
}
