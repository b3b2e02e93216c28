package org.scenothesis.core.key;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Polygon;
import org.scenothesis.core.picture.Resample;
import org.scenothesis.core.shot.step.KeySettings;

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

    /// Smoke ends as softly in a part of the picture as in all of it.
    @Test
    void whatIsNearlyEmptyFadesAlikeWithinAnOutline() {
        int w = 1280;
        int h = 160;
        Picture bare = Picture.filled(w, h, 0.06f, 0.42f, 0.10f);
        Picture smoke = bare.copy();
        for (int i = 0; i < w * h; i++) {
            float a = 0.4f * (float) Math.exp(-Math.pow((i % w - 640) / 15.0, 2));
            for (int c = 0; c < 3; c++) {
                float[] d = smoke.colours().get(c).data();
                d[i] += a * (0.5f - d[i]);
            }
        }
        ScreenModel m = ScreenModels.fromPlate(bare, bands);
        Keyed whole = Keyer.key(smoke, m, KeySettings.DEFAULT, null, bands);
        Keyed part = Keyer.key(smoke, m, KeySettings.DEFAULT, Polygon.rectangle(540, 0, 740, h), bands);
        assertThat(whole.alpha().at(616, 80)).as("fades").isBetween(0.001f, 0.1f);
        for (int x = 545; x < 735; x++) {
            assertThat(part.alpha().at(x, 80)).as("at %d", x).isCloseTo(whole.alpha().at(x, 80), Offset.offset(0.005f));
        }
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

    /// The cloth's light is taken off by how far a body turns away, for which more of it is looked at than a strip or an outline holds.
    @Test
    void theClothsLightIsTakenOffAlikeInStripsAndWhereAnOutlineCutsTheSubject() {
        int w = 2400;
        int h = 480;
        Picture bare = Picture.filled(w, h, 0.06f, 0.42f, 0.10f);
        Picture body = Picture.of(w, h);
        for (int i = 0; i < w * h; i++) {
            double d = Math.hypot(i % w - 1200, i / w - 240.0);
            float a = (float) Math.clamp((200 - d) / 2 + 0.5, 0, 1);
            float lit = (float) (0.3 + 0.15 * Math.sin(i % w / 40.0));
            body.r().data()[i] = a * lit + (1 - a) * 0.06f;
            body.g().data()[i] = a * lit * 1.05f + (1 - a) * 0.42f;
            body.b().data()[i] = a * lit + (1 - a) * 0.10f;
        }
        ScreenModel found = ScreenModels.fromPlate(bare, bands);
        ScreenModel m = found.withSpill(Keyer.spill(List.of(body), found, bands));
        Picture whole = Keyer.key(body, m, KeySettings.DEFAULT, null, bands).element();
        Picture strips = StripKeyer.element(body, m, KeySettings.DEFAULT, null, 60, bands);
        Picture cut = Keyer.key(body, m, KeySettings.DEFAULT, Polygon.rectangle(900, 0, 1500, 300), bands).element();
        assertThat(whole.g().at(1200, 240)).isLessThan(body.g().at(1200, 240));
        for (int y = 80; y < 400; y += 3) {
            for (int x = 1110; x < 1290; x += 3) {
                assertThat(strips.g().at(x, y)).as("strips, %d, %d", x, y).isCloseTo(whole.g().at(x, y), Offset.offset(1e-3f));
                if (y > 200 && y < 295) {
                    assertThat(cut.g().at(x, y)).as("cut, %d, %d", x, y).isCloseTo(whole.g().at(x, y), Offset.offset(5e-3f));
                }
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
