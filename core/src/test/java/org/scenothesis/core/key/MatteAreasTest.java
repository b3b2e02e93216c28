package org.scenothesis.core.key;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.key.MatteAreas.Status;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.KeySettings;

/// What someone who looks at a matte would call its parts, and what a neutral before the cloth tells.
class MatteAreasTest {
    private static final int W = 240;
    private static final int H = 160;
    private static final float[] CLOTH = {0.08f, 0.4f, 0.1f};
    private final Bands bands = Bands.sequential();
    private final ScreenModel model = ScreenModels.fromPlate(Picture.filled(W, H, CLOTH[0], CLOTH[1], CLOTH[2]), bands);

    /// A solid body from 60 to 180 across and from 30 down to the floor, with a part of other coverage and separation.
    private Keyed body(int left, int top, int right, int bottom, float alpha, float separation, float brightness) {
        Plane a = Plane.of(W, H);
        Plane apart = Plane.of(W, H);
        Picture colour = Picture.filled(W, H, 0.4f, 0.3f, 0.2f);
        for (int i = 0; i < W * H; i++) {
            boolean solid = i % W >= 60 && i % W < 180 && i / W >= 30;
            boolean part = i % W >= left && i % W < right && i / W >= top && i / W < bottom;
            a.data()[i] = part ? alpha : solid ? 1 : 0;
            apart.data()[i] = part ? separation : solid ? 1.1f : 0;
            for (Plane c : colour.colours()) {
                c.data()[i] = part ? brightness : c.data()[i];
            }
        }
        return new Keyed(colour.withAlpha(a), apart, Plane.filled(W, H, 1), Plane.filled(W, H, 1));
    }

    @ParameterizedTest
    @CsvSource({
        "a stripe of the cloth's colour,      100, 60, 140, 90, 0.6, 0.5, 0.3, HOLE",
        "eaten by the cut,                    100, 60, 140, 90, 0,   0.4, 0.3, HOLE",
        "the cloth through a ring,            100, 60, 140, 90, 0,   0.01, 0.3, EMPTY",
        "a veil beside the body,              150, 30, 230, 150, 0.5, 0.5, 0.3, SEE_THROUGH",
        "a shadow beside the feet,            180, 120, 230, 150, 0.3, 0.3, 0.01, DIRT",
        "a crease apart from all,             20, 20, 40, 30, 0.1, 0.1, 0.4, DIRT",
        "smoke apart from all,                5, 20, 50, 90, 0.5, 0.5, 0.4, SEE_THROUGH",
    })
    void everyPartHasItsName(String what, int left, int top, int right, int bottom, float alpha, float separation, float brightness,
            Status status) {
        MatteAreas areas = MatteAreas.of(body(left, top, right, bottom, alpha, separation, brightness), model, bands);
        assertThat(areas.at((top + bottom) / 2 * W + (left + right) / 2)).as(what).isEqualTo(status);
        if (status != Status.EMPTY) {
            MatteAreas.Place p = areas.place(status).orElseThrow();
            assertThat(new Box((int) (p.left() * W), (int) (p.top() * H), (int) (p.right() * W), (int) (p.bottom() * H)))
                    .as("where").matches(b -> b.within(new Box(left, top, right, bottom).grown(2)).equals(b));
            float[] shown = KeyViews.areas(areas).r().data();
            assertThat(shown[(top + bottom) / 2 * W + (left + right) / 2]).as("in a colour of its own").isNotEqualTo(shown[0]);
        }
    }

    @Test
    void aThinEdgeIsNoFault() {
        MatteMeasures m = MatteMeter.measure(body(56, 30, 60, 160, 0.5f, 0.5f, 0.3f), model, null, bands);
        assertThat(m.greyInside()).isZero();
        assertThat(m.greyOutside()).isZero();
        assertThat(m.seeThrough()).isZero();
        assertThat(m.places()).isEmpty();
    }

    /// A grey body on which a known share of the cloth's light lies; the despill that makes a patch of it neutral.
    private Picture grey(double share) {
        Picture p = Picture.filled(W, H, CLOTH[0], CLOTH[1], CLOTH[2]);
        for (int i = 0; i < W * H; i++) {
            if (i % W >= 60 && i % W < 180 && i / W >= 30) {
                for (int c = 0; c < 3; c++) {
                    p.colours().get(c).data()[i] = (float) (0.3 * (1 + share * CLOTH[c] / CLOTH[1]));
                }
            }
        }
        return p;
    }

    @Test
    void aNeutralTellsHowMuchOfTheClothsLightLiesOnIt() {
        Picture p = grey(0.1);
        Neutral n = Neutral.at(new Point(120, 100), p, model, bands);
        assertThat(n.why()).isNull();
        assertThat(n.lean()).isCloseTo(1.1 / (1 + 0.1 * 0.225) - 1, within(0.005));
        Picture off = Keyer.key(p, model, KeySettings.DEFAULT.withDespill(n.despill()), null, bands).element();
        int i = 100 * W + 120;
        assertThat(off.g().data()[i]).as("neutral after it").isCloseTo((off.r().data()[i] + off.b().data()[i]) / 2, within(0.002f));
        assertThat(Neutral.at(new Point(120, 100), grey(0), model, bands).despill()).as("none on it").isLessThan(0.05);
    }

    @Test
    void whatIsNoNeutralTellsNothing() {
        Picture p = grey(0.1);
        for (Point at : List.of(new Point(20, 20), new Point(-5, 20), new Point(W, 2))) {
            assertThat(Neutral.at(at, p, model, bands).why()).isEqualTo(Neutral.Why.NOTHING_SOLID);
        }
        Picture red = grey(0.1);
        red.r().data()[100 * W + 120] = 0.3f;
        for (int i = 0; i < W * H; i++) {
            red.r().data()[i] *= i % W >= 60 ? 2 : 1;
        }
        assertThat(Neutral.at(new Point(120, 100), red, model, bands).why()).isEqualTo(Neutral.Why.COLOURED);
        Picture dark = grey(0.1);
        for (Plane c : dark.colours()) {
            for (int i = 0; i < W * H; i++) {
                c.data()[i] *= i % W >= 60 && i % W < 180 && i / W >= 30 ? 0.02f : 1;
            }
        }
        assertThat(Neutral.at(new Point(120, 100), dark, model, bands).why()).isEqualTo(Neutral.Why.NO_TONE);
    }
}
