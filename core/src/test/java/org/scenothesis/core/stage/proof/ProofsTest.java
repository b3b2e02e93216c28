package org.scenothesis.core.stage.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Limit;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.KeyLight;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.BackdropKind;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.piece.Flag;
import org.scenothesis.core.stage.piece.Glass;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.LampKind;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.value.Given;

class ProofsTest {
    private static final Surroundings OPEN = new Surroundings.Open();

    private static Given<Double> told(double v) {
        return Given.entered(v);
    }

    private static Piece body(double away, double wide, double high, double base) {
        return RandomSet.piece("body", new Spot(0, away, 0), new Body(Body.Form.BOX, told(wide), told(high), told(0.005), told(base),
                List.of()));
    }

    private static Piece cloth(double away, double wide, double high, double floor) {
        return RandomSet.piece("cloth", new Spot(0, away, 0), new Backdrop(BackdropKind.CLOTH, Backdrop.Dye.GREEN, told(wide), told(high),
                told(0), told(floor), told(0)));
    }

    private static Piece lamp(String id, double x, double y, double z, Vec aim) {
        return RandomSet.piece(id, new Spot(x, z, 0), Lamp.usual(LampKind.SOFT_BOX, told(y), Given.entered(aim)).withWideM(told(0.02))
                .withHighM(told(0.02)).withBeamDeg(told(120)).withOutput(told(1000)));
    }

    private static SetView view(Surroundings around, Piece... pieces) {
        return new SetView(RandomSet.stage(new Vec(0, 1.2, 0), 0, 0, 15, around, List.of(pieces), 4, 4), "", 1920, 1080);
    }

    private static Proved of(SetView v, Measure m) {
        return Proofs.of(new Question(v, HouseRules.DEFAULT, null, null)).stream().filter(p -> p.finding().measure() == m).findFirst()
                .orElseThrow();
    }

    @Test
    void aClothBehindSomebodyIsAsHighAndWideAsTheFormulasSay() {
        // Lens 1.2 m, top 1.8 m, 4 m away, 2 m before the cloth: 2.10 m high; half a metre either side: 1.50 m wide.
        SetView v = view(OPEN, body(4, 1, 0.6, 1.2), cloth(6, 5, 4, 0));
        Coverage.Part part = new Coverage(v, v.pairs().getFirst()).needed();
        assertThat(part.y1()).isCloseTo(2.10 + Coverage.MARGIN_M, within(0.003));
        assertThat(part.wideM()).isCloseTo(1.50 + 2 * Coverage.MARGIN_M, within(0.004));
        assertThat(new Coverage(v, v.pairs().getFirst()).sides().stream().filter(s -> s.side() == Coverage.Side.TOP).findFirst()
                .orElseThrow().metres()).isCloseTo(4 - 2.10, within(0.003));
    }

    @Test
    void feetAreBehindWhatLiesOnTheFloor() {
        SetView v = view(OPEN, body(4, 0.5, 1.0, 0), cloth(6, 5, 3, 2.2));
        // The ray past the feet meets the floor where they stand, two metres before the cloth.
        assertThat(new Coverage(v, v.pairs().getFirst()).needed().y0()).isCloseTo(-2.0 - Coverage.MARGIN_M, within(0.01));
        assertThat(of(v, Measure.CLOTH_ROOM).finding().verdict()).isEqualTo(Verdict.HOLDS);
        SetView bare = view(OPEN, body(4, 0.5, 1.0, 0), cloth(6, 5, 3, 0));
        Proved p = of(bare, Measure.CLOTH_ROOM);
        assertThat(p.finding().verdict()).isEqualTo(Verdict.REDO);
        assertThat(p.fix().code()).isEqualTo("cloth.low.floor");
        assertThat(p.fix().numbers().getFirst()).isCloseTo(2.15, within(0.01));
    }

    @Test
    void aClothThatHangsBeforeSomebodyIsNoneForThem() {
        Proved p = of(view(OPEN, body(4, 0.5, 1, 0.5), cloth(3, 5, 3, 0)), Measure.CLOTH_ROOM);
        assertThat(p.finding().verdict()).isEqualTo(Verdict.REDO);
        assertThat(p.fix().code()).isEqualTo("cloth.before");
        assertThat(p.fix().numbers().getFirst()).as("to just behind").isCloseTo(1 + 0.0025 + Coverage.MARGIN_M, within(1e-6));
    }

    @Test
    void whatIsSeenPastThePlaneOfTheClothIsNoLengthOfCloth() {
        Piece across = RandomSet.piece("cloth", new Spot(0, 6, 89.9), cloth(6, 2, 3, 0).thing());
        Proved p = of(view(OPEN, body(4, 0.5, 1.4, 1.3), across), Measure.CLOTH_ROOM);
        assertThat(p.finding().verdict()).isEqualTo(Verdict.REDO);
        assertThat(p.fix().numbers()).as("no invented metres").allSatisfy(n -> assertThat(Math.abs(n)).isLessThan(50));
    }

    @Test
    void aClothWithoutLightInPlacesIsNoNumberOfStops() {
        Piece flag = RandomSet.piece("flag", new Spot(0.2, 5.5, 0), new Flag(told(0.8), told(4), told(0)));
        Proved p = of(view(OPEN, body(4, 0.5, 1, 0.8), cloth(6, 5, 3, 0), lamp("l", 0.5, 1.2, 5.2, new Vec(0, 1, 6))), Measure.CLOTH_EVEN);
        assertThat(p.finding().value()).isFinite();
        Proved dark = of(view(OPEN, body(4, 0.5, 1, 0.8), cloth(6, 5, 3, 0), flag, lamp("l", 0.2, 1.2, 5.3, new Vec(0.2, 1, 6))),
                Measure.CLOTH_EVEN);
        assertThat(dark.finding().verdict()).isIn(Verdict.REDO, Verdict.NOT_MEASURED);
        assertThat(dark.fix().code()).isIn("even.dark", "cloth.unlit");
    }

    @Test
    void whatThePictureCutsOffIsSaid() {
        assertThat(of(view(OPEN, body(4, 0.5, 1, 0.7)), Measure.BODY_FRAMED).finding().verdict()).isEqualTo(Verdict.HOLDS);
        // Half of a board that ends at eye height in the middle of the picture's left edge.
        Piece half = body(4, 0.5, 0.6, 0.9).put(new Spot(-4 * 23.6 / 30, 4, 0));
        assertThat(of(view(OPEN, half), Measure.BODY_FRAMED).finding().value()).isCloseTo(50, within(1.5));
        assertThat(of(view(OPEN, body(-2, 0.5, 1, 0.7)), Measure.BODY_FRAMED).finding().value()).isEqualTo(100);
    }

    @Test
    void lightOfASmallFlatLampFallsAsTheFormulasSay() {
        LightField f = new LightField(List.of(lamp("l", 0, 1, 4, new Vec(0, 1, 6))), OPEN);
        Vec n = new Vec(0, 0, -1);
        double middle = f.at(new Vec(0, 1, 6), n, List.of());
        assertThat(middle).isCloseTo(1000 / 4.0, within(0.5));
        assertThat(Math.log(f.at(new Vec(1.5, 1, 6), n, List.of()) / middle) / Math.log(2)).isCloseTo(-1.288, within(0.003));
    }

    @Test
    void aRoomGivesLightBackEvenlyAndKeepsTheSunOut() {
        Surroundings.Room room = new Surroundings.Room(-2, 2, 0, 6, 2.5, 0.5);
        Piece l = lamp("l", 0, 1, 4, new Vec(0, 1, 6));
        // A flat source of 1000 cd gives 1000·π lm; the sphere's share is Φ·ρ/(A·(1−ρ)).
        assertThat(new LightField(List.of(l), room).even(Vec.UP)).isCloseTo(1000 * Math.PI / room.areaM2(), within(0.05));
        Piece sun = RandomSet.piece("sun", new Spot(0, 0, 0), Lamp.usual(LampKind.SUN, told(5), Given.entered(new Vec(0, 0, 5))));
        assertThat(new LightField(List.of(sun), room).at(new Vec(0, 1, 3), Vec.UP, List.of())).isZero();
        assertThat(new LightField(List.of(sun), OPEN).at(new Vec(0, 1, 3), Vec.UP, List.of())).isGreaterThan(10_000);
    }

    @Test
    void aPointOutOfFocusIsAsWideAsTheFormulasSay() {
        SetView v = new SetView(RandomSet.stage(new Vec(0, 1, 0), 0, 0, 50, OPEN, List.of(), 2.8, 2), "", 1920, 1080);
        assertThat(LensProof.blurPx(new Question(v, HouseRules.DEFAULT, null, null), 4)).isCloseTo(18.63, within(0.01));
        // The first zero of 2·J1(x)/x is at 3.8317.
        assertThat(LensProof.disc(3.8317 / Math.PI)).isCloseTo(0, within(1e-4));
        assertThat(LensProof.disc(0)).isEqualTo(1);
        assertThat(LensProof.disc(0.5)).isCloseTo(2 * 0.56682 / (Math.PI / 2), within(1e-3));
    }

    @Test
    void withoutALampNothingOfTheLightIsKnown() {
        SetView v = view(OPEN, body(4, 0.5, 1, 0.8), cloth(6, 5, 3, 0));
        for (Measure m : List.of(Measure.CLOTH_EVEN, Measure.CLOTH_SHADOW, Measure.CLOTH_RETURN, Measure.CLOTH_LEVEL,
                Measure.CLOTH_FOLDS)) {
            Proved p = of(v, m);
            assertThat(p.finding().verdict()).as(m.name()).isEqualTo(Verdict.NOT_MEASURED);
            assertThat(p.fix().code()).as(m.name()).isNotEmpty();
        }
    }

    /// What is told to mend it has to mend it.
    @ParameterizedTest
    @ValueSource(longs = {2, 3, 5, 8, 11, 13, 17, 21, 22, 29})
    void theClothHungFartherBackHasNoShadow(long seed) {
        SetView v = new RandomSet(seed).view();
        Optional<Proved> p = Proofs.of(new Question(v, HouseRules.DEFAULT, null, null)).stream()
                .filter(q -> q.fix().code().equals("shadow.back")).findFirst();
        p.ifPresent(q -> {
            SetView.Pair pair = v.pairs().getFirst();
            Spot at = pair.sheet().piece().at();
            double by = q.fix().numbers().getFirst();
            Sheet moved = Sheet.of(pair.sheet().piece().put(at.at(at.x() - at.ahead().x() * by, at.z() - at.ahead().z() * by)))
                    .orElseThrow();
            ClothMap then = ClothMap.of(v,
                    new SetView.Pair(pair.body(), new Sheet(moved.piece(), moved.screen(), moved.left().minus(moved.right().times(8)),
                    moved.right(), moved.ahead(), moved.wideM() + 16, moved.lowM(), moved.topM() + 8)),
                    new LightField(v.lamps(), v.stage().floor().around().value()));
            assertThat(then.darkestShadowStops()).isLessThan(p.get().finding().value()).isLessThan(0.25);
        });
        assertThat(Proofs.of(new Question(v, HouseRules.DEFAULT, null, null))).isNotEmpty();
    }

    @Test
    void aKeyOnTheWrongSideIsSaidWithWhereItBelongs() {
        KeyLight left = KeyLight.told(new KeyLight.Direction(-120, 30), 10, 1.5);
        SetView v = view(OPEN, body(4, 0.5, 1, 0.8), lamp("key", 2, 2.5, 3, new Vec(0, 1.3, 4)));
        Question q = new Question(v, HouseRules.DEFAULT, null, new Question.Lit(left, 0));
        Proved p = Proofs.of(q).stream().filter(x -> x.finding().measure() == Measure.LAMP_SIDE).findFirst().orElseThrow();
        assertThat(p.finding().verdict()).isEqualTo(Verdict.REDO);
        Vec put = new Vec(p.fix().numbers().get(0), p.fix().numbers().get(1), p.fix().numbers().get(2));
        SetView then = view(OPEN, body(4, 0.5, 1, 0.8), lamp("key", put.x(), put.y(), put.z(), new Vec(0, 1.3, 4)));
        Question mended = new Question(then, HouseRules.DEFAULT, null, new Question.Lit(left, 0));
        assertThat(Proofs.of(mended).stream().filter(x -> x.finding().measure() == Measure.LAMP_SIDE).findFirst().orElseThrow().finding()
                .value()).isLessThan(0.5);
    }

    @Test
    void anotherLensHeightIsSeenAsAnotherViewAndMended() {
        SetView v = view(OPEN, body(4, 0.5, 1, 0));
        Question.Sight wanted = new Question.Sight(4, 2.2, 0);
        Proved p = Proofs.of(new Question(v, HouseRules.DEFAULT, wanted, null)).stream()
                .filter(x -> x.finding().measure() == Measure.VIEW_ANGLE).findFirst().orElseThrow();
        assertThat(p.finding().value()).isCloseTo(Math.toDegrees(Math.atan2(1.7, 4) - Math.atan2(0.7, 4)), within(0.01));
        assertThat(p.fix().numbers().getFirst()).isCloseTo(2.2, within(1e-6));
    }

    @Test
    void aLampBehindTheCameraIsMirroredInAPaneItFaces() {
        Piece pane = RandomSet.piece("pane", new Spot(0, 3, 0), new Glass(told(2), told(1.5), told(0.5)));
        assertThat(of(view(OPEN, pane, lamp("l", 0.2, 1.4, -1, new Vec(0, 1, 3))), Measure.GLASS_LIGHTS).finding().value()).isEqualTo(1);
        assertThat(of(view(OPEN, pane, lamp("l", 6, 1.4, 2.5, new Vec(0, 1, 3))), Measure.GLASS_LIGHTS).finding().value()).isZero();
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void aHoodAsLargeAsItIsSaidHidesWhatThePaneMirrorsAndASmallerOneDoesNot(long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        Piece pane = RandomSet.piece("pane", new Spot(r.nextDouble(-0.6, 0.6), r.nextDouble(1.5, 3), r.nextDouble(-15, 15)),
                new Glass(told(r.nextDouble(0.4, 1.2)), told(r.nextDouble(0.4, 1)), told(r.nextDouble(0.6, 1.2))));
        SetView open = view(OPEN, pane);
        assertThat(of(open, Measure.GLASS_BARE).finding().value()).isEqualTo(100);
        Piece hood = Pane.of(open).getFirst().hung("hood").orElseThrow();
        assertThat(of(view(OPEN, pane, hood), Measure.GLASS_BARE).finding().value()).as("%s %s", pane, hood).isZero();
        Flag f = (Flag) hood.thing();
        Piece half = hood.withThing(new Flag(told(f.wideM().value() / 2), f.highM(), f.bottomM()));
        assertThat(of(view(OPEN, pane, half), Measure.GLASS_BARE).finding().value()).isGreaterThan(10);
    }

    @Test
    void aHoodHidesALampBehindIt() {
        Piece pane = RandomSet.piece("pane", new Spot(0, 3, 0), new Glass(told(2), told(1.5), told(0.5)));
        Piece lamp = lamp("l", 0.2, 1.4, -1, new Vec(0, 1, 3));
        Piece hood = Pane.of(view(OPEN, pane)).getFirst().hung("hood").orElseThrow();
        assertThat(of(view(OPEN, pane, lamp, hood), Measure.GLASS_LIGHTS).finding().value()).isZero();
    }

    @Test
    void aCameraTurnedForAPlateSeesItAsideAndOnlyThere() {
        Question.Sight wanted = new Question.Sight(4, 1.2, 18);
        SetView straight = view(OPEN, body(4, 0.5, 1, 0));
        assertThat(sight(straight, wanted).finding().value()).isCloseTo(18, within(0.5));
        assertThat(sight(straight, wanted).fix().code()).isEqualTo("view.left");
        SetView turned = new SetView(straight.stage().withFloor(f -> f.turned("copy", -18)), "copy", 1600, 900);
        assertThat(sight(turned, wanted).finding().value()).isLessThan(0.5);
        assertThat(turned.pose().project(new Vec(0, 1.5, 4)).x()).isGreaterThan(1100);
        assertThat(new SetView(turned.stage(), "other", 1600, 900).pose()).isEqualTo(new SetView(straight.stage(), "other", 1600, 900)
                .pose());
    }

    private static Proved sight(SetView v, Question.Sight wanted) {
        return Proofs.of(new Question(v, HouseRules.DEFAULT, wanted, null)).stream()
                .filter(x -> x.finding().measure() == Measure.VIEW_ANGLE).findFirst().orElseThrow();
    }

    @ParameterizedTest
    @CsvSource({"0, 1.5, 2, 1", "3, 1.5, 2, 0", "0, 1.2, 0.2, 1"})
    void aLampInTheWayOfTheLensIsSeen(double x, double y, double z, int seen) {
        assertThat(of(view(OPEN, body(4, 0.5, 1, 0.5), lamp("l", x, y, z, new Vec(0, 1, 4))), Measure.LAMP_SEEN).finding().value())
                .isEqualTo(seen);
    }

    @Test
    void whatNobodyToldIsNamed() {
        SetView told = view(OPEN, body(4, 0.5, 1, 0.8), cloth(6, 5, 3, 0));
        assertThat(of(told, Measure.CLOTH_ROOM).known()).isTrue();
        Piece guessed = new Piece("cloth", "cloth", new Given.Assumed<>(new Spot(0, 6, 0), "planned"), Set.of(), cloth(6, 5, 3, 0).thing());
        assertThat(of(view(OPEN, body(4, 0.5, 1, 0.8), guessed), Measure.CLOTH_ROOM).rests()).containsExactly("cloth");
    }

    @Test
    void asMuchAsIsAskedForIsJudgedTheOtherWayRound() {
        Limit l = Limit.least(0.15, 0.05);
        assertThat(List.of(0.2, 0.15, 0.1, 0.05, 0.04, -1.0).stream().map(l::judge)).containsExactly(Verdict.HOLDS, Verdict.HOLDS,
                Verdict.WATCH, Verdict.WATCH, Verdict.REDO, Verdict.REDO);
        assertThat(l.judge(Double.NaN)).isEqualTo(Verdict.NOT_MEASURED);
        assertThatIllegalArgumentException().isThrownBy(() -> Limit.least(0.1, 0.2));
    }

    @Test
    void outlinesAreCutAtThePicture() {
        Polygon p = Polygon.around(List.of(new Point(-5, 2), new Point(5, 2), new Point(5, 8), new Point(-5, 8), new Point(0, 5)))
                .within(4, 10);
        assertThat(p.lowX()).isZero();
        assertThat(p.highX()).isEqualTo(4);
        assertThat(p.outside(new Point(2, 5))).isNegative();
        assertThat(p.outside(new Point(6, 5))).isCloseTo(2, within(1e-9));
        assertThat(Polygon.around(List.of(new Point(1, 1))).empty()).isTrue();
        assertThat(Polygon.around(List.of()).empty()).isTrue();
        assertThat(new ArrayList<>(Polygon.around(List.of(new Point(-9, 1), new Point(-8, 1), new Point(-8, 2))).within(4, 4).corners()))
                .isEmpty();
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 33, -120})
    void aBlockIsCutByWhatGoesThroughItHoweverItIsTurned(double turn) {
        Block b = new Block(new Vec(1, 1, 5), new Vec(0.5, 0.5, 0.5), turn);
        assertThat(b.cuts(new Vec(1, 1, 0), new Vec(1, 1, 10))).isTrue();
        assertThat(b.cuts(new Vec(1, 1, 0), new Vec(1, 1, 4))).isFalse();
        assertThat(b.cuts(new Vec(2, 1, 0), new Vec(2, 1, 10))).isFalse();
        assertThat(b.corners()).allSatisfy(c -> assertThat(c.minus(b.middle()).length()).isCloseTo(Math.sqrt(0.75), within(1e-9)));
    }
}
