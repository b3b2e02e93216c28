package org.scenothesis.core.key;

import static org.assertj.core.api.Assertions.assertThat;

import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Polygon;
import org.scenothesis.core.picture.Resample;

/// A garbage matte saves work without changing what lies inside it.
class CroppedKeyTest {
    private static final int W = 200;
    private static final int H = 150;
    private final Bands bands = Bands.sequential();

    private static Picture scene(boolean subject) {
        Picture p = Picture.of(W, H);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                double d = Math.hypot(x - 100, y - 75);
                float a = subject ? (float) Math.clamp((20 - d) / 2 + 0.5, 0, 1) : 0;
                float k = 0.8f + 0.4f * x / W;
                int i = y * W + x;
                p.r().data()[i] = a * 0.5f + (1 - a) * 0.06f * k;
                p.g().data()[i] = a * 0.3f + (1 - a) * 0.42f * k;
                p.b().data()[i] = a * 0.2f + (1 - a) * 0.10f * k;
            }
        }
        return p;
    }

    @Test
    void insideTheOutlineTheMatteIsTheSameAsWithoutOne() {
        ScreenModel m = ScreenModels.fromPlate(scene(false), bands);
        Keyed whole = Keyer.key(scene(true), m, KeySettings.DEFAULT, null, bands);
        Keyed part = Keyer.key(scene(true), m, KeySettings.DEFAULT, Polygon.rectangle(60, 40, 140, 110), bands);
        for (int y = 45; y < 105; y++) {
            for (int x = 65; x < 135; x++) {
                assertThat(part.alpha().at(x, y)).isCloseTo(whole.alpha().at(x, y), Offset.offset(0.01f));
            }
        }
        assertThat(part.alpha().at(20, 20)).isZero();
        assertThat(part.element().width()).isEqualTo(W);
    }

    @Test
    void aPictureTooLargeIsKeyedInStripsWithTheSameMatte() {
        ScreenModel small = ScreenModels.fromPlate(Resample.scale(scene(false), W / 3, H / 3, bands), bands);
        Keyed whole = Keyer.key(scene(true), ScreenModels.fromPlate(scene(false), bands), KeySettings.DEFAULT, null, bands);
        for (int rows : new int[] {7, 31, 500}) {
            Picture strips = StripKeyer.element(scene(true), small, KeySettings.DEFAULT, Polygon.rectangle(30, 20, 170, 130), rows, bands);
            assertThat(strips.sameShape(whole.element())).isTrue();
            for (int i = 0; i < W * H; i++) {
                assertThat(strips.alpha().data()[i]).as("%d rows, pixel %d", rows, i)
                        .isCloseTo(whole.alpha().data()[i], Offset.offset(0.01f));
                assertThat(strips.r().data()[i] * strips.alpha().data()[i]).isCloseTo(whole.element().r().data()[i] * whole.alpha()
                        .data()[i], Offset.offset(0.01f));
            }
        }
    }

    @Test
    void anOutlineOutsideThePictureLeavesNothing() {
        ScreenModel m = ScreenModels.fromPlate(scene(false), bands);
        Keyed none = Keyer.key(scene(true), m, KeySettings.DEFAULT, Polygon.rectangle(900, 900, 950, 950), bands);
        assertThat(none.alpha().data()).containsOnly(0f);
        assertThat(MatteMeter.measure(none, m, null, bands).room().px()).isEqualTo(-1);
    }
}
