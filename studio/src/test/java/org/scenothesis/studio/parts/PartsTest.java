package org.scenothesis.studio.parts;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.scenothesis.core.match.Comparison;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.DisplayPicture;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Transfer;

/// What the parts compute before anything is drawn.
class PartsTest {
    private final Bands bands = Bands.sequential();

    @ParameterizedTest
    @CsvSource({"160, 90, 80, 400, 80, 45", "90, 160, 400, 80, 45, 80", "64, 64, 64, 64, 64, 64", "4, 4, 40, 20, 20, 20",
            "1000, 2, 10, 10, 10, 1"})
    void picturesFitTheirRoomInTheirShape(int w, int h, int roomW, int roomH, int shownW, int shownH) {
        DisplayPicture s = DisplayPicture.of(Picture.filled(w, h, 0.2f, 0.2f, 0.2f), roomW, roomH, bands);
        assertThat(s.width()).isEqualTo(shownW);
        assertThat(s.height()).isEqualTo(shownH);
        assertThat(s.argb()).hasSize(shownW * shownH);
    }

    @Test
    void lightIsEncodedAsCodes() {
        float half = (float) Transfer.SRGB.toLinear(128 / 255.0);
        DisplayPicture s = DisplayPicture.of(Picture.filled(8, 8, 1, half, 0), 8, 8, bands);
        assertThat(s.argb()[10]).isEqualTo(0xffff8000);
    }

    @Test
    void greysHaveNoCurve() {
        assertThat(DisplayPicture.grey(Plane.filled(4, 4, 0.5f), 4, 4, bands).argb()[3]).isEqualTo(0xff808080);
        assertThat(DisplayPicture.grey(Plane.filled(4, 4, 7f), 4, 4, bands).argb()[3]).isEqualTo(0xffffffff);
    }

    @Test
    void equalPicturesDifferByMiddleGreyEverywhere() {
        Picture p = Picture.filled(20, 20, 0.3f, 0.2f, 0.1f);
        Picture d = Comparison.DIFFERENCE.of(p, p, bands);
        assertThat(d.r().data()).containsOnly(0.18f);
        Picture brighter = Picture.filled(20, 20, 0.4f, 0.2f, 0.1f);
        assertThat(Comparison.DIFFERENCE.of(brighter, p, bands).r().at(3, 3)).isGreaterThan(0.2f);
    }

    @Test
    void overIsTheMeanAndReferenceTheOther() {
        Picture a = Picture.filled(20, 20, 0.4f, 0.4f, 0.4f);
        Picture b = Picture.filled(20, 20, 0.2f, 0.2f, 0.2f);
        assertThat(Comparison.OVER.of(a, b, bands).g().at(1, 1)).isEqualTo(0.3f);
        assertThat(Comparison.REFERENCE.of(a, b, bands)).isSameAs(b);
        assertThat(Comparison.TAKE.of(a, b, bands)).isSameAs(a);
    }

    @Test
    void outlinesFollowTheEdgesOfTheReferenceOnly() {
        Picture ref = Picture.of(40, 20);
        for (int y = 0; y < 20; y++) {
            for (int x = 20; x < 40; x++) {
                ref.g().data()[y * 40 + x] = 0.8f;
            }
        }
        Picture o = Comparison.OUTLINE.of(Picture.filled(40, 20, 0.1f, 0.1f, 0.1f), ref, bands);
        assertThat(o.r().at(19, 10)).isEqualTo(0.9f);
        assertThat(o.r().at(10, 10)).isEqualTo(0.1f);
    }

    @ParameterizedTest
    @EnumSource(Comparison.class)
    void picturesOfOtherSizesShowTheTake(Comparison c) {
        Picture take = Picture.of(10, 10);
        assertThat(c.of(take, Picture.of(12, 10), bands)).isSameAs(take);
    }
}
