package org.scenothesis.core.match;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.SplittableRandom;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.PlanarMap;

class ToneTest {
    private static Picture room() {
        Picture p = Picture.of(160, 90);
        SplittableRandom r = new SplittableRandom(1);
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                int i = y * 160 + x;
                float base = (float) (0.2 + 0.1 * Math.sin(x * 0.05) + 0.05 * Math.cos(y * 0.07) + 0.004 * r.nextDouble());
                p.r().data()[i] = base * 1.1f;
                p.g().data()[i] = base;
                p.b().data()[i] = base * 0.8f;
            }
        }
        return p;
    }

    private static Picture times(Picture p, double r, double g, double b) {
        Picture q = p.copy();
        for (int i = 0; i < q.r().data().length; i++) {
            q.r().data()[i] *= (float) r;
            q.g().data()[i] *= (float) g;
            q.b().data()[i] *= (float) b;
        }
        return q;
    }

    @Test
    void gainsPerChannelAreFound() {
        Picture p = room();
        Gains g = new ToneMeter(p).measure(times(p, 0.8, 0.9, 1.1), PlanarMap.identity());
        assertThat(g.r()).isCloseTo(0.8, Offset.offset(0.005));
        assertThat(g.g()).isCloseTo(0.9, Offset.offset(0.005));
        assertThat(g.b()).isCloseTo(1.1, Offset.offset(0.008));
    }

    @Test
    void aBigDarkSubjectDoesNotPullIt() {
        Picture p = room();
        Picture q = times(p, 0.9, 0.9, 0.9);
        for (int y = 0; y < 90; y++) {
            for (int x = 40; x < 104; x++) {
                int i = y * 160 + x;
                q.r().data()[i] = 0.05f + 0.001f * x;
                q.g().data()[i] = 0.04f + 0.001f * y;
                q.b().data()[i] = 0.08f;
            }
        }
        assertThat(new ToneMeter(p).measure(q, PlanarMap.identity()).stops()).isCloseTo(Math.log(0.9) / Math.log(2), Offset.offset(0.01));
    }

    @Test
    void blackSaysNothing() {
        assertThat(new ToneMeter(Picture.of(64, 36)).measure(Picture.of(64, 36), PlanarMap.identity())).isNull();
    }

    @Test
    void halfSampleModeFindsTheCrowd() {
        double[] v = new double[500];
        SplittableRandom r = new SplittableRandom(3);
        for (int i = 0; i < v.length; i++) {
            v[i] = i < 260 ? 0.5 + 0.01 * r.nextDouble(-1, 1) : r.nextDouble(-3, 3);
        }
        assertThat(ToneMeter.mode(v)).isCloseTo(0.5, Offset.offset(0.02));
    }

    // CCT check values by McCamy 1992, as published with the formula.
    @Test
    void colourTemperatures() {
        assertThat(Gains.cct(1, 1, 1)).isCloseTo(6504, Offset.offset(3.0));
        assertThat(new Gains(1, 1, 1).mired()).isZero();
        assertThat(new Gains(1.2, 1, 0.8).mired()).isPositive();
        assertThat(new Gains(0.8, 1, 1.2).mired()).isNegative();
        assertThat(new Gains(2, 2, 2).stops()).isCloseTo(1, Offset.offset(1e-9));
        assertThat(new Gains(2, 4, 8).inverse()).isEqualTo(new Gains(0.5, 0.25, 0.125));
        assertThatIllegalArgumentException().isThrownBy(() -> new Gains(0, 1, 1));
    }
}
