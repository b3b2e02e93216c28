package org.scenothesis.core.picture;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class LoupeTest {
    private final Bands bands = Bands.sequential();

    private static Picture ramp() {
        Picture p = Picture.of(40, 20);
        for (int i = 0; i < 800; i++) {
            p.r().data()[i] = i % 40;
            p.g().data()[i] = i / 40;
        }
        return p;
    }

    @Test
    void pixelsBecomeSquaresAboutAPlace() {
        Picture p = new Loupe(4, new Point(0.5, 0.5)).of(ramp(), 16, 8, bands);
        assertThat(p.width()).isEqualTo(16);
        assertThat(p.r().at(0, 0)).isEqualTo(18);
        assertThat(p.r().at(3, 3)).isEqualTo(18);
        assertThat(p.r().at(4, 4)).isEqualTo(19);
        assertThat(p.g().at(4, 4)).isEqualTo(10);
    }

    @Test
    void itStaysWithinThePicture() {
        Picture corner = new Loupe(2, new Point(1, 1)).of(ramp(), 10, 10, bands);
        assertThat(corner.r().at(9, 9)).isEqualTo(39);
        assertThat(corner.g().at(9, 9)).isEqualTo(19);
        assertThat(new Loupe(1, new Point(0.5, 0.5)).of(ramp(), 400, 400, bands).width()).as("no more than there is").isEqualTo(40);
        assertThat(new Loupe(0.5, new Point(0.5, 0.5)).of(ramp(), 400, 400, bands).width()).isEqualTo(20);
        assertThat(Loupe.ALL.moved(0.9, -0.9).at()).isEqualTo(new Point(1, 0));
    }

    @Test
    void factorsFollowOneAnotherToBothSides() {
        Loupe l = Loupe.ALL;
        StringBuilder way = new StringBuilder();
        for (int i = 0; i < 5; i++) {
            l = l.step(true);
            way.append(l.words()).append(", ");
        }
        for (int i = 0; i < 6; i++) {
            l = l.step(false);
            way.append(l.words()).append(", ");
        }
        assertThat(way).hasToString("100 %, 200 %, 400 %, 800 %, 800 %, 400 %, 200 %, 100 %, 50 %, fit, fit, ");
    }
}
