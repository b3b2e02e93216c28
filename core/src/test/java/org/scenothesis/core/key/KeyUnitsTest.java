package org.scenothesis.core.key;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Polygon;
import org.scenothesis.core.shot.step.KeySettings;

/// The keyer on drawn pictures whose mixture is known to the last digit.
class KeyUnitsTest {
    private static final int W = 120;
    private static final int H = 80;
    private static final float[] CLOTH = {0.06f, 0.40f, 0.10f};
    private static final float[] SKIN = {0.45f, 0.28f, 0.20f};
    private final Bands bands = Bands.sequential();

    /// A disc of skin with an edge `soft` pixels wide, in front of cloth whose brightness `light` may vary from left to right.
    private static Picture disc(double soft, double leftToRight, double noise, long seed) {
        Picture p = Picture.of(W, H);
        SplittableRandom r = new SplittableRandom(seed);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                float a = alpha(x, y, soft);
                double k = 1 + leftToRight * (x / (double) W - 0.5);
                for (int c = 0; c < 3; c++) {
                    p.colours().get(c).data()[y * W + x] = (float) (a * SKIN[c] + (1 - a) * CLOTH[c] * k + noise * r.nextGaussian());
                }
            }
        }
        return p;
    }

    private static float alpha(int x, int y, double soft) {
        double d = Math.hypot(x + 0.5 - 60, y + 0.5 - 40);
        return (float) Math.clamp((24 - d) / Math.max(1e-6, soft) + 0.5, 0, 1);
    }

    private static Picture bare(double leftToRight) {
        Picture p = Picture.of(W, H);
        for (int i = 0; i < W * H; i++) {
            for (int c = 0; c < 3; c++) {
                p.colours().get(c).data()[i] = (float) (CLOTH[c] * (1 + leftToRight * (i % W / (double) W - 0.5)));
            }
        }
        return p;
    }

    private static double error(Plane alpha, double soft) {
        double sum = 0;
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                sum += Math.abs(alpha.at(x, y) - alpha(x, y, soft));
            }
        }
        return sum / (W * H);
    }

    @ParameterizedTest
    @ValueSource(doubles = {1, 3, 6})
    void trueMixturesAreUnmixed(double soft) {
        ScreenModel m = ScreenModels.fromPlate(bare(0), bands);
        assertThat(error(Keyer.key(disc(soft, 0, 0, 1), m, KeySettings.DEFAULT, null, bands).alpha(), soft)).isLessThan(0.003);
    }

    @Test
    void anUnevenClothKeysLikeAFlatOneWithItsScreenOnlyFrame() {
        ScreenModel m = ScreenModels.fromPlate(bare(0.7), bands);
        assertThat(error(Keyer.key(disc(3, 0.7, 0.002, 1), m, KeySettings.DEFAULT, null, bands).alpha(), 3)).isLessThan(0.005);
    }

    @Test
    void aDimmerTakeThanItsScreenOnlyFrameStillKeys() {
        Picture take = disc(3, 0, 0.001, 1);
        for (Plane p : take.colours()) {
            for (int i = 0; i < p.data().length; i++) {
                p.data()[i] *= 0.85f;
            }
        }
        Keyed k = Keyer.key(take, ScreenModels.fromPlate(bare(0), bands), KeySettings.DEFAULT, null, bands);
        assertThat(error(k.alpha(), 3)).isLessThan(0.006);
        assertThat(k.shade().at(5, 5)).isCloseTo(0.85f, Offset.offset(0.02f));
    }

    @Test
    void aSoftShadowOnTheClothIsNoSubject() {
        Picture take = bare(0);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                float k = (float) (1 - 0.35 * Math.exp(-Math.pow((x - 60) / 25.0, 2)));
                for (Plane p : take.colours()) {
                    p.data()[y * W + x] *= k;
                }
            }
        }
        Keyed key = Keyer.key(take, ScreenModels.fromPlate(bare(0), bands), KeySettings.DEFAULT, null, bands);
        for (float v : key.alpha().data()) {
            assertThat(v).isLessThan(0.02f);
        }
    }

    @Test
    void theElementHasTheSubjectsColourUpToItsEdge() {
        Keyed k = Keyer.key(disc(3, 0, 0, 1), ScreenModels.fromPlate(bare(0), bands), KeySettings.DEFAULT, null, bands);
        for (int x = 36; x < 84; x++) {
            assertThat(k.element().r().at(x, 40)).isCloseTo(SKIN[0], Offset.offset(0.06f));
            assertThat(k.element().g().at(x, 40)).isLessThanOrEqualTo(SKIN[1] + 0.06f);
        }
    }

    @Test
    void modelsComeFromFrameAndTakeToo() {
        ScreenModel frame = ScreenModels.fromFrame(disc(2, 0.4, 0.002, 1), bands);
        assertThat(frame.source()).isEqualTo(ScreenModel.Source.FRAME);
        assertThat(frame.colour().g().at(5, 40)).isCloseTo(CLOTH[1] * 0.82f, Offset.offset(0.02f));
        ScreenModel take = ofTake(disc(2, 0, 0.002, 1), bare(0), disc(2, 0, 0.002, 3), bare(0));
        assertThat(take.source()).isEqualTo(ScreenModel.Source.TAKE);
        assertThat(take.colour().g().at(60, 40)).isCloseTo(CLOTH[1], Offset.offset(0.01f));
        assertThat(ScreenModels.fromFrame(Picture.filled(60, 40, 0.3f, 0.3f, 0.3f), bands)).isNull();
        assertThat(ofTake(Picture.filled(60, 40, 0.3f, 0.3f, 0.3f))).isNull();
    }

    private ScreenModel ofTake(Picture... frames) {
        TakeScreen screen = new TakeScreen(bands);
        List.of(frames).forEach(screen::add);
        return screen.model();
    }

    @Test
    void hueIsTold() {
        assertThat(ScreenHue.of(bare(0))).isEqualTo(ScreenHue.GREEN);
        assertThat(ScreenHue.of(Picture.filled(20, 20, 0.05f, 0.1f, 0.5f))).isEqualTo(ScreenHue.BLUE);
    }

    @Test
    void settingsKeepTheirOrderAndBounds() {
        assertThat(KeySettings.DEFAULT.withEmptyBelow(0.95).emptyBelow()).isLessThan(KeySettings.DEFAULT.solidAbove());
        assertThat(KeySettings.DEFAULT.withSolidAbove(0.01).solidAbove()).isGreaterThan(KeySettings.DEFAULT.emptyBelow());
        assertThatIllegalArgumentException().isThrownBy(() -> new KeySettings(0.5, 0.4, 0, 0, 1, KeySettings.Spill.LIGHT));
        assertThatIllegalArgumentException().isThrownBy(() -> KeySettings.DEFAULT.withChokePx(Double.NaN));
        assertThatIllegalArgumentException().isThrownBy(() -> KeySettings.DEFAULT.withDespill(4.01));
    }

    @Test
    void lightOfTheClothIsTakenOffAndAGreenOfItsOwnIsKept() {
        Picture spilled = limited(0.3f, 0.33f, 0.29f);
        assertThat(spilled.g().at(3, 3)).isLessThan(0.315f);
        assertThat(spilled.r().at(3, 3)).isBetween(0.29f, 0.3f);
        assertThat(limited(0.1f, 0.4f, 0.1f).g().at(3, 3)).isGreaterThan(0.3f);
        assertThat(limited(0.1f, 0.4f, 0.1f, KeySettings.Spill.LIMIT).g().at(3, 3)).as("the limit alone").isLessThan(0.2f);
        Picture red = limited(0.3f, 0.2f, 0.15f);
        assertThat(red.r().at(3, 3)).isBetween(0.29f, 0.3f);
        assertThat(red.g().at(3, 3)).isBetween(0.18f, 0.2f);
    }

    @Test
    void aGreenOfItsOwnIsNoSpillLeft() {
        for (float g : new float[] {0.33f, 0.6f}) {
            Picture p = Picture.filled(60, 60, 0.3f, g, 0.3f).withAlpha(Plane.filled(60, 60, 1));
            Keyed k = new Keyed(p, Plane.filled(60, 60, 1), Plane.filled(60, 60, 1), Plane.filled(60, 60, 1));
            double left = MatteMeter.measure(k, ScreenModels.fromPlate(Picture.filled(60, 60, CLOTH[0], CLOTH[1], CLOTH[2]), bands), null,
                    bands).spillLeft();
            assertThat(left).isBetween(g < 0.5 ? 5.0 : 0.0, g < 0.5 ? 15.0 : 0.0);
        }
    }

    /// Grey bodies in light and shade, on which a cloth of known strength shines.
    @Test
    void howMuchOfTheClothsLightFallsOnASubjectIsFoundFromThePictureAlone() {
        int w = 480;
        int h = 320;
        Picture element = Picture.of(w, h);
        Plane alpha = Plane.filled(w, h, 1);
        for (int i = 0; i < w * h; i++) {
            double light = 0.3 + 0.7 * Math.abs(Math.sin(i % w / 20.0));
            double spill = 0.10 / light;
            double albedo = i / w < h / 2 ? 0.5 : 0.2;
            for (int c = 0; c < 3; c++) {
                element.colours().get(c).data()[i] = (float) (albedo * light * (1 + spill * CLOTH[c] / CLOTH[1]));
            }
        }
        SpillLight fit = new SpillLight(ScreenModels.fromPlate(bare(0), bands).scaled(w, h, bands));
        assertThat(fit.slopes().everywhere()).isCloseTo(SpillLight.Slopes.USUAL.everywhere(), Offset.offset(1e-9));
        fit.add(element.withAlpha(alpha), alpha, bands);
        assertThat(fit.slopes().everywhere()).isBetween(0.05, 0.13);
    }

    /// A solid picture of one colour, despilled in front of a green cloth.
    private Picture limited(float r, float g, float b) {
        return limited(r, g, b, KeySettings.Spill.LIGHT);
    }

    private Picture limited(float r, float g, float b, KeySettings.Spill how) {
        Picture p = Picture.filled(8, 8, r, g, b);
        var cloth = new ScreenModel(Picture.filled(8, 8, 0.05f, 0.4f, 0.1f), ScreenHue.GREEN, ScreenModel.Source.SCREEN_PLATE);
        Plane solid = Plane.filled(8, 8, 1);
        Picture element = p.withAlpha(solid);
        Despill.spill(element, solid, cloth, KeySettings.DEFAULT.withSpill(how), bands);
        return element;
    }

    @Test
    void measuresOfAKnownMatte() {
        ScreenModel m = ScreenModels.fromPlate(bare(0), bands);
        Keyed k = Keyer.key(disc(3, 0, 0, 1), m, KeySettings.DEFAULT, Polygon.rectangle(20, 5, 100, 75), bands);
        MatteMeasures x = MatteMeter.measure(k, m, k.alpha(), bands);
        assertThat(x.greyInside()).isZero();
        assertThat(x.greyOutside()).isLessThan(0.1);
        assertThat(x.edgePx()).isBetween(1.5, 6.0);
        assertThat(x.flicker()).isZero();
        assertThat(x.solid()).isCloseTo(100 * Math.PI * 22.5 * 22.5 / (W * H), Offset.offset(1.5));
        assertThat(x.room()).as("cloth up to the edges of the picture").isEqualTo(new Border(W, Border.Side.NONE));
    }

    @Test
    void anEmptyMatteHasNoRoomToMeasure() {
        ScreenModel m = ScreenModels.fromPlate(bare(0), bands);
        MatteMeasures x = MatteMeter.measure(Keyer.key(bare(0), m, KeySettings.DEFAULT, null, bands), m, null, bands);
        assertThat(x.room().px()).isEqualTo(-1);
        assertThat(x.solid()).isZero();
    }

    @Test
    void evennessInStops() {
        Plane all = Plane.filled(W, H, 1);
        assertThat(Evenness.stops(bare(0), ScreenHue.GREEN, all)).isCloseTo(0, Offset.offset(1e-4));
        double whole = Math.log(1.336 / 0.664) / Math.log(2);
        assertThat(Evenness.stops(bare(0.7), ScreenHue.GREEN, all)).isCloseTo(whole, Offset.offset(0.03));
        assertThat(Evenness.stops(bare(0), ScreenHue.GREEN, Plane.of(W, H))).isNaN();
    }

    @Test
    void findingsOfAMatteFollowTheHouseRules() {
        MatteMeasures good = new MatteMeasures(0.05, 0.02, 2, 2, 0.1, 0.2, 20, new Border(40, Border.Side.LEFT), List.of());
        MatteMeasures bad = new MatteMeasures(3, 0.5, 20, 2, 0.1, 9, 20, new Border(0, Border.Side.TOP), List.of());
        assertThat(judged(good, 0.3, true, KeyJudge.Edge.UNTOLD)).extracting(Finding::verdict).containsOnly(Verdict.HOLDS);
        List<Finding> f = judged(bad, 1.4, true, KeyJudge.Edge.UNTOLD);
        assertThat(verdict(f, Measure.GREY_INSIDE)).isEqualTo(Verdict.REDO);
        assertThat(verdict(f, Measure.GREY_OUTSIDE)).isEqualTo(Verdict.WATCH);
        assertThat(verdict(f, Measure.BORDER)).isEqualTo(Verdict.REDO);
        assertThat(verdict(f, Measure.SCREEN_EVENNESS)).isEqualTo(Verdict.WATCH);
        assertThat(verdict(judged(bad, 1.4, false, KeyJudge.Edge.UNTOLD), Measure.SCREEN_EVENNESS)).isEqualTo(Verdict.REDO);
        assertThat(KeyJudge.needsHand(good, KeyJudge.Edge.CLEAN, HouseRules.DEFAULT)).isEmpty();
        assertThat(KeyJudge.needsHand(bad, KeyJudge.Edge.UNTOLD, HouseRules.DEFAULT)).containsExactly(Measure.GREY_INSIDE, Measure.SPILL,
                Measure.BORDER);
    }

    /// A fifth of a subject that the cloth shows through is a fault of a box, and as it should be of a veil.
    @ParameterizedTest
    @CsvSource({"UNTOLD, WATCH", "CLEAN, REDO", "LOOSE, HOLDS", "SEE_THROUGH, HOLDS"})
    void whatMayBeSeeThroughFollowsFromWhatWasTold(KeyJudge.Edge edge, Verdict verdict) {
        MatteMeasures m = new MatteMeasures(0, 0, 20, 2, 0, 0, 20, new Border(40, Border.Side.LEFT), List.of());
        assertThat(verdict(judged(m, 0.1, true, edge), Measure.SEE_THROUGH)).isEqualTo(verdict);
    }

    private static List<Finding> judged(MatteMeasures m, double evenness, boolean screenPlate, KeyJudge.Edge edge) {
        return KeyJudge.judge(m, evenness, screenPlate, new Subject.OfPlate("p"), edge, HouseRules.DEFAULT);
    }

    private static Verdict verdict(List<Finding> of, Measure m) {
        return of.stream().filter(f -> f.measure() == m).findFirst().orElseThrow().verdict();
    }

    @Test
    void modelAndFrameMustAgreeInSize() {
        ScreenModel m = ScreenModels.fromPlate(bare(0), bands);
        assertThatIllegalArgumentException().isThrownBy(() -> Keyer.key(Picture.of(10, 10), m, KeySettings.DEFAULT, null, bands));
    }

    /// The matte of a solid square with a slot in it that is `wide` pixels wide, through which the separation is as given.
    private Keyed slotted(int wide, float alpha, float separation) {
        Plane a = Plane.of(W, H);
        Plane apart = Plane.of(W, H);
        for (int y = 15; y < 65; y++) {
            for (int x = 30; x < 90; x++) {
                boolean slot = x >= 60 && x < 60 + wide && y > 25 && y < 55;
                a.data()[y * W + x] = slot ? alpha : 1;
                apart.data()[y * W + x] = slot ? separation : 1.2f;
            }
        }
        return new Keyed(Picture.filled(W, H, 0.4f, 0.3f, 0.2f).withAlpha(a), apart, Plane.filled(W, H, 1), Plane.filled(W, H, 1));
    }

    @Test
    void openingsThatShowTheClothAreNoHoles() {
        ScreenModel m = ScreenModels.fromPlate(bare(0), bands);
        assertThat(MatteMeter.measure(slotted(3, 0, 0.01f), m, null, bands).greyInside()).as("a wire handle").isZero();
        assertThat(MatteMeter.measure(slotted(3, 0.4f, 0.4f), m, null, bands).greyInside()).as("a greenish stripe").isGreaterThan(2);
        assertThat(MatteMeter.measure(slotted(3, 0, 0.4f), m, null, bands).greyInside()).as("eaten by the cut").isGreaterThan(2);
        assertThat(MatteMeter.measure(slotted(0, 1, 1), m, null, bands).greyInside()).isZero();
    }

    @Test
    void theShadowOfTheSubjectOnTheClothStaysEmpty() {
        Picture take = disc(3, 0, 0.001, 4);
        // A soft shadow over the lower right of the cloth, down to two thirds of its light.
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                float k = 1 - 0.33f * (float) Math.clamp((x + y - 150) / 25.0, 0, 1);
                float mine = alpha(x, y, 3);
                for (Plane c : take.colours()) {
                    c.data()[y * W + x] *= mine + (1 - mine) * k;
                }
            }
        }
        Keyed k = Keyer.key(take, ScreenModels.fromPlate(bare(0), bands), KeySettings.DEFAULT, null, bands);
        assertThat(error(k.alpha(), 3)).isLessThan(0.004);
        assertThat(k.shade().at(116, 76)).isBetween(0.6f, 0.75f);
        assertThat(k.shade().at(4, 4)).isBetween(0.95f, 1.05f);
    }

    @Test
    void theElementAloneIsThePartOfTheWholeThatCounts() {
        ScreenModel m = ScreenModels.fromPlate(bare(0), bands);
        Polygon around = Polygon.rectangle(40, 20, 80, 60);
        Keyed whole = Keyer.key(disc(3, 0, 0, 1), m, KeySettings.DEFAULT, around, bands);
        var piece = Keyer.element(disc(3, 0, 0, 1), m, KeySettings.DEFAULT, around, bands);
        assertThat(piece.picture().alpha().data()).containsExactly(piece.at().cut(whole.alpha()).data());
        assertThat(piece.picture().r().data()).containsExactly(piece.at().cut(whole.element().r()).data());
        assertThat(Keyer.element(disc(3, 0, 0, 1), m, KeySettings.DEFAULT, Polygon.rectangle(900, 900, 950, 950), bands).picture().alpha()
                .data()).containsOnly(0f);
        assertThatIllegalArgumentException().isThrownBy(() -> Keyer.element(Picture.of(10, 10), m, KeySettings.DEFAULT, null, bands));
    }

    /// A cloth that ends within the picture.
    private ScreenModel hung(int left, int top, int right, int bottom) {
        Picture p = Picture.filled(W, H, 0.2f, 0.18f, 0.15f);
        Picture cloth = bare(0);
        for (int y = top; y < bottom; y++) {
            for (int x = left; x < right; x++) {
                for (int c = 0; c < 3; c++) {
                    p.colours().get(c).data()[y * W + x] = cloth.colours().get(c).data()[y * W + x];
                }
            }
        }
        return ScreenModels.fromPlate(p, bands);
    }

    /// The disc reaches from 36 to 84 and from 16 to 64.
    @Test
    void roomIsMeasuredToTheClothAndNotToTheGarbageMatte() {
        Keyed k = Keyer.key(disc(3, 0, 0, 1), ScreenModels.fromPlate(bare(0), bands), KeySettings.DEFAULT,
                Polygon.rectangle(20, 5, 100, 75), bands);
        assertThat(MatteMeter.measure(k, hung(10, 0, W, H), null, bands).room().side()).isEqualTo(Border.Side.LEFT);
        assertThat(MatteMeter.measure(k, hung(10, 0, W, H), null, bands).room().px()).isBetween(24, 28);
        assertThat(MatteMeter.measure(k, hung(0, 0, 90, 70), null, bands).room().px()).isBetween(5, 6);
        assertThat(MatteMeter.measure(k, hung(0, 20, W, H), null, bands).room().px()).isZero();
        Keyed cut = Keyer.key(disc(3, 0, 0, 1), ScreenModels.fromPlate(bare(0), bands), KeySettings.DEFAULT,
                Polygon.rectangle(20, 5, 100, 50), bands);
        assertThat(MatteMeter.measure(cut, hung(0, 0, W, H), null, bands).room()).as("the outline cuts the subject")
                .isEqualTo(new Border(0, Border.Side.BOTTOM));
    }

    /// A cloth on a stand in a room: the first garbage matte lies round it, whatever else the picture shows.
    @Test
    void aFirstGarbageMatteLiesRoundTheCloth() {
        ScreenModel model = hung(20, 10, 100, 70);
        Polygon proposed = model.garbage(List.of());
        assertThat(proposed).isNotNull();
        Plane inside = proposed.coverage(W, H, bands);
        assertThat(inside.at(60, 40)).isEqualTo(1);
        assertThat(inside.at(24, 14)).isEqualTo(1);
        assertThat(inside.at(21, 40)).as("the edge of the cloth is not quite its colour").isZero();
        assertThat(inside.at(60, 68)).as("the edge of the cloth is not quite its colour").isZero();
        assertThat(hung(20, 10, W, 70).garbage(List.of()).coverage(W, H, bands).at(W - 1, 40)).as("the cloth goes on beyond the picture")
                .isEqualTo(1);
        assertThat(inside.at(10, 40)).isZero();
        assertThat(inside.at(60, 4)).isZero();
        Keyed k = Keyer.key(hung(20, 10, 100, 70).colour(), model, KeySettings.DEFAULT, proposed, bands);
        assertThat(k.alpha().at(5, 5)).as("the wall beside the cloth").isZero();
        Polygon drawn = model.garbage(List.of(new Point(0.3, 0.3), new Point(0.6, 0.3), new Point(0.6, 0.6)));
        assertThat(drawn.corners().getFirst()).isEqualTo(new Point(0.3 * W, 0.3 * H));
        assertThat(hung(0, 0, W, H).garbage(List.of())).as("cloth up to the edges of the picture").isNull();
        assertThat(hung(0, 0, W, 60).garbage(List.of())).as("floor or subject below").isNull();
    }

    /// What a matte shows: a grey of two percent is seen, solid and empty stay what they are.
    @Test
    void viewsShowWhatTheEyeWouldMiss() {
        Plane m = Plane.of(4, 1);
        m.data()[1] = 0.02f;
        m.data()[2] = 0.98f;
        m.data()[3] = 1;
        assertThat(KeyViews.stretched(m).data()).containsExactly(new float[] {0, 0.16f, 0.84f, 1}, Offset.offset(1e-6f));
        double[] counts = KeyViews.counts(m, Plane.filled(4, 1, 1), 14);
        assertThat(counts[2]).isEqualTo(1);
        assertThat(counts[11]).isCloseTo(Math.sqrt(0.5), Offset.offset(1e-9));
        assertThat(Arrays.stream(KeyViews.counts(m, Plane.of(4, 1), 14)).sum()).isZero();
        Picture cloth = Picture.filled(4, 1, 0.05f, 0.3f, 0.05f);
        cloth.g().data()[0] = 0.15f;
        cloth.r().data()[3] = 0.3f;
        Picture even = KeyViews.evenness(new ScreenModel(cloth, ScreenHue.GREEN, ScreenModel.Source.FRAME));
        assertThat(even.g().at(0, 0)).isLessThan(even.g().at(1, 0));
        assertThat(even.g().at(3, 0)).isEqualTo(0.03f);
    }

    /// The edge goes in or out as far as told; what is far from it stays full or empty.
    @ParameterizedTest
    @ValueSource(doubles = {-3, -1, -0.5, 0.5, 1, 3})
    void aChokedMatteStaysSolidInside(double px) {
        ScreenModel m = ScreenModels.fromPlate(bare(0), bands);
        Plane a = Keyer.key(disc(2, 0, 0, 1), m, KeySettings.DEFAULT.withChokePx(px), null, bands).alpha();
        assertThat(a.at(60, 40)).isEqualTo(1);
        assertThat(a.at(60 + 17, 40)).isEqualTo(1);
        assertThat(a.at(60 + 36, 40)).isZero();
        double area = 0;
        for (float v : a.data()) {
            area += v;
        }
        assertThat(Math.sqrt(area / Math.PI)).as("radius").isCloseTo(24 - px, within(0.25 + 0.12 * Math.abs(px)));
    }
}
