package org.scenothesis.production.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.key.KeyJudge;
import org.scenothesis.core.key.Keyed;
import org.scenothesis.core.key.Keyer;
import org.scenothesis.core.key.MatteAreas;
import org.scenothesis.core.key.MatteMeasures;
import org.scenothesis.core.key.MatteMeter;
import org.scenothesis.core.key.ScreenHue;
import org.scenothesis.core.key.ScreenModel;
import org.scenothesis.core.key.ScreenModels;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Polygon;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.core.shot.step.KeySettings;
import org.scenothesis.testkit.KeyCase;
import org.scenothesis.testkit.MatteCase;
import org.scenothesis.testkit.Planes;

/// The figures of the keyer on rendered truth with hair and noise.
class KeyAccuracyTest {
    private static final int WIDTH = 640;
    private static final Map<KeyCase, KeyCase.Shots> SHOTS = new HashMap<>();
    private static Bands bands;

    @BeforeAll
    static void film() {
        bands = Bands.allCores();
        for (KeyCase c : new KeyCase[] {KeyCase.FLAT, KeyCase.WRINKLED, KeyCase.BLUE}) {
            SHOTS.put(c, c.film(WIDTH, bands));
        }
    }

    @AfterAll
    static void close() {
        bands.close();
    }

    private static double error(KeyCase c, boolean plate) {
        KeyCase.Shots s = SHOTS.get(c);
        ScreenModel m = plate ? ScreenModels.fromPlate(s.screenOnly(), bands) : ScreenModels.fromFrame(s.take(), bands);
        double e = Planes.meanDifference(Keyer.key(s.take(), m, KeySettings.DEFAULT, null, bands).alpha(), s.alpha());
        System.out.printf("key case %-18s %s: mean alpha error %.4f%n", c.name(), plate ? "with the screen-only frame"
                : "from the frame alone", e);
        return e;
    }

    @Test
    void flatClothIsKeyedToEightThousandths() {
        assertThat(error(KeyCase.FLAT, true)).isLessThanOrEqualTo(0.008);
    }

    @Test
    void wrinkledUnevenClothWithItsScreenOnlyFrameIsKeyedToFifteenThousandths() {
        assertThat(error(KeyCase.WRINKLED, true)).isLessThanOrEqualTo(0.015);
    }

    @Test
    void withoutTheScreenOnlyFrameItIsStillUsable() {
        assertThat(error(KeyCase.FLAT, false)).isLessThanOrEqualTo(0.012);
        assertThat(error(KeyCase.WRINKLED, false)).isLessThanOrEqualTo(0.03);
    }

    @Test
    void blueWorksAsGreenDoes() {
        assertThat(ScreenHue.of(SHOTS.get(KeyCase.BLUE).take())).isEqualTo(ScreenHue.BLUE);
        assertThat(error(KeyCase.BLUE, true)).isLessThanOrEqualTo(0.012);
    }

    @Test
    void nothingOfTheScreenIsLeftOnTheSubject() {
        KeyCase.Shots s = SHOTS.get(KeyCase.FLAT);
        ScreenModel m = ScreenModels.fromPlate(s.screenOnly(), bands);
        Keyed kept = Keyer.key(s.take(), m, KeySettings.DEFAULT.withDespill(0), null, bands);
        Keyed clean = Keyer.key(s.take(), m, KeySettings.DEFAULT, null, bands);
        assertThat(MatteMeter.measure(clean, m, null, bands).spillLeft()).isLessThanOrEqualTo(MatteMeter.measure(kept, m, null, bands)
                .spillLeft());
        assertThat(MatteMeter.measure(clean, m, null, bands).spillLeft()).isLessThan(0.5);
    }

    @Test
    void theGarbageMatteEmptiesWhatLiesOutsideIt() {
        KeyCase.Shots s = SHOTS.get(KeyCase.FLAT);
        ScreenModel m = ScreenModels.fromPlate(s.screenOnly(), bands);
        Keyed k = Keyer.key(s.take(), m, KeySettings.DEFAULT, Polygon.rectangle(0, 0, WIDTH / 2.0, 360), bands);
        for (int y = 0; y < 360; y += 7) {
            assertThat(k.alpha().at(WIDTH / 2 + 40, y)).isZero();
        }
    }

    @Test
    void chokePullsTheEdgeInAndSpreadLetsItOut() {
        KeyCase.Shots s = SHOTS.get(KeyCase.FLAT);
        ScreenModel m = ScreenModels.fromPlate(s.screenOnly(), bands);
        double none = Planes.mean(Keyer.key(s.take(), m, KeySettings.DEFAULT, null, bands).alpha());
        double in = Planes.mean(Keyer.key(s.take(), m, KeySettings.DEFAULT.withChokePx(1.5), null, bands).alpha());
        double out = Planes.mean(Keyer.key(s.take(), m, KeySettings.DEFAULT.withChokePx(-1.5), null, bands).alpha());
        assertThat(in).isLessThan(none);
        assertThat(out).isGreaterThan(none);
    }

    @Test
    void oneThreadAndManyGiveTheSameMatte() {
        KeyCase.Shots s = SHOTS.get(KeyCase.WRINKLED);
        ScreenModel m = ScreenModels.fromPlate(s.screenOnly(), bands);
        Keyed many = Keyer.key(s.take(), m, KeySettings.DEFAULT, null, bands);
        Keyed one = Keyer.key(s.take(), m, KeySettings.DEFAULT, null, Bands.sequential());
        assertThat(one.alpha().data()).containsExactly(many.alpha().data());
    }

    @Test
    void theMeasuresTellACleanMatteFromADirtyOne() {
        KeyCase.Shots s = SHOTS.get(KeyCase.FLAT);
        ScreenModel m = ScreenModels.fromPlate(s.screenOnly(), bands);
        MatteMeasures clean = MatteMeter.measure(Keyer.key(s.take(), m, KeySettings.DEFAULT, null, bands), m, null, bands);
        Picture dirty = s.take().copy();
        for (int y = 20; y < 80; y++) {
            for (int x = 40; x < 120; x++) {
                dirty.r().data()[y * WIDTH + x] += 0.04f;
            }
        }
        MatteMeasures worse = MatteMeter.measure(Keyer.key(dirty, m, KeySettings.DEFAULT, null, bands), m, null, bands);
        assertThat(clean.greyOutside()).isLessThan(0.2);
        assertThat(worse.greyOutside()).isGreaterThan(clean.greyOutside() + 0.5);
    }

    /// A small part of what `./bench --keys` prints: kinds that need each another of the keyer's answers, on both colours of cloth.
    @ParameterizedTest
    @CsvSource({"HAIR, 0, 2.0", "STRINGS, 0, 1.5", "VEIL, 1, 9", "MOTION, 0, 1.6", "DEFOCUS, 0, 3.2", "DARK, 0, 1.2", "PALE, 0, 1.2"})
    void whatIsHardToKeyIsKeyed(MatteCase.Kind kind, long seed, double thousandths) {
        MatteCase.Shots s = new MatteCase(kind, seed, seed % 3 == 1, WIDTH).film(bands);
        ScreenModel m = ScreenModels.fromPlate(s.screenOnly(), bands);
        Keyed k = Keyer.key(s.take(), m, KeySettings.DEFAULT, null, bands);
        Picture e = k.element();
        assertThat(1000 * Planes.meanDifference(e.alpha(), s.alpha())).isLessThan(thousandths);
        assertThat(KeyJudge.needsHand(MatteMeter.measure(k, m, null, bands), KeyJudge.Edge.UNTOLD, HouseRules.DEFAULT))
                .as("keyed well, and not said to need a hand").isEmpty();
        ScreenHue hue = seed % 3 == 1 ? ScreenHue.BLUE : ScreenHue.GREEN;
        Plane lead = hue.screen(e);
        Plane truth = hue.screen(s.subject());
        double bias = 0;
        int n = 0;
        for (int i = 0; i < lead.data().length; i++) {
            if (s.alpha().data()[i] > 0.98f) {
                bias += 255 * (Transfer.SRGB.toCode(lead.data()[i]) - Transfer.SRGB.toCode(truth.data()[i]));
                n++;
            }
        }
        assertThat(bias / n).as("codes of the screen's colour left inside").isBetween(-2.0, 2.5);
    }

    /// Clothes of nearly the cloth's colour become see-through: told to be clean, they have to be mended; untold, looked at.
    @Test
    void clothesLikeTheScreenAreFoundToShowTheClothThrough() {
        MatteCase.Shots s = new MatteCase(MatteCase.Kind.SCREEN_LIKE, 1, true, WIDTH).film(bands);
        ScreenModel m = ScreenModels.fromPlate(s.screenOnly(), bands);
        MatteMeasures x = MatteMeter.measure(Keyer.key(s.take(), m, KeySettings.DEFAULT, null, bands), m, null, bands);
        assertThat(KeyJudge.needsHand(x, KeyJudge.Edge.CLEAN, HouseRules.DEFAULT)).containsExactly(Measure.SEE_THROUGH);
        MatteAreas.Place where = x.places().getLast();
        int at = (int) (where.middle().y() * s.alpha().height()) * WIDTH + (int) (where.middle().x() * WIDTH);
        assertThat(s.alpha().data()[at]).as("on the subject").isEqualTo(1);
    }

    @Test
    void theShadowOnTheClothIsFoundApartFromTheMatte() {
        MatteCase.Shots s = new MatteCase(MatteCase.Kind.FLOOR, 0, false, WIDTH).film(bands);
        Plane kept = Keyer.kept(s.take(), ScreenModels.fromPlate(s.screenOnly(), bands), null, bands);
        double off = 0;
        double deep = 0;
        int n = 0;
        for (int i = 0; i < kept.data().length; i++) {
            if (s.alpha().data()[i] == 0 && s.kept().data()[i] < 0.9f) {
                off += Math.abs(kept.data()[i] - s.kept().data()[i]);
                deep += 1 - s.kept().data()[i];
                n++;
            }
        }
        assertThat(n).isGreaterThan(5000);
        assertThat(off / deep).isLessThan(0.08);
    }

    /// The keyer must take nothing so dark and narrow for a shadow; the shadow apart must.
    @Test
    void theShadowOfAHardSunIsNarrowAndDark() {
        Picture bare = Picture.filled(WIDTH, 200, 0.06f, 0.45f, 0.1f);
        Picture take = bare.copy();
        for (int y = 100; y < 106; y++) {
            for (int x = 40; x < 200; x++) {
                for (Plane p : take.colours()) {
                    p.data()[y * WIDTH + x] *= 0.2f;
                }
            }
        }
        Plane kept = Keyer.kept(take, ScreenModels.fromPlate(bare, bands), null, bands);
        assertThat(kept.at(120, 103)).isCloseTo(0.2f, within(0.02f));
        assertThat(kept.at(120, 95)).isEqualTo(1);
        assertThat(kept.at(300, 103)).isEqualTo(1);
        for (Plane p : take.colours()) {
            for (int i = 0; i < p.data().length; i++) {
                p.data()[i] *= 0.9f;
            }
        }
        Plane later = Keyer.kept(take, ScreenModels.fromPlate(bare, bands), null, bands);
        assertThat(later.at(300, 103)).as("light that drifts is no shadow").isEqualTo(1);
        assertThat(later.at(120, 103)).isCloseTo(0.2f, within(0.02f));
    }
}
