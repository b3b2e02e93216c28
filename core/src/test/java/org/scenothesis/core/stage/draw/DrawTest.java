package org.scenothesis.core.stage.draw;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.Floor;
import org.scenothesis.core.stage.HandCamera;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.piece.Dimension;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.PieceShelf;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.proof.Proofs;
import org.scenothesis.core.stage.proof.Question;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.core.value.Given;

class DrawTest {
    private static SetView view(Piece... more) {
        Stage s = HandCamera.FRESH.stage(null, 16 / 9.0);
        Floor f = s.floor().plus(PieceShelf.make("figure", "figure", new Spot(0, 3, 0), Vec.ZERO))
                .plus(PieceShelf.make("cloth", "cloth", new Spot(0, 4.5, 0), Vec.ZERO))
                .plus(PieceShelf.make("soft", "key", new Spot(-1.5, 2, 0), new Vec(0, 1, 3)));
        for (Piece p : more) {
            f = f.plus(p);
        }
        return new SetView(s.withFloor(f), "", 1920, 1080);
    }

    static List<String> codes() {
        return PieceShelf.CODES;
    }

    @ParameterizedTest
    @MethodSource("codes")
    void everyPieceOfTheShelfIsDrawnAndItsNumbersCanBeTold(String code) {
        Piece p = PieceShelf.make(code, "it", new Spot(0.5, 2, 20), new Vec(0, 1, 3));
        for (boolean above : new boolean[] {true, false}) {
            SetDrawing d = SetDrawing.of(view(p), above);
            boolean everywhere = p.thing() instanceof Lamp l && l.kind().everywhere();
            assertThat(d.marks().stream().anyMatch(m -> m.piece().equals("it"))).as(code).isEqualTo(!everywhere);
        }
        assertThat(p.thing().dimensions()).isNotEmpty().allSatisfy((Dimension d) -> {
            assertThat(d.value()).isInstanceOf(Given.Assumed.class);
            assertThat(d.told(d.high()).dimensions().stream().filter(o -> o.code().equals(d.code())).findFirst().orElseThrow().value())
                    .isEqualTo(Given.entered(d.high()));
            assertThatIllegalArgumentException().isThrownBy(() -> d.told(d.high() + 1));
            assertThatIllegalArgumentException().isThrownBy(() -> d.told(Double.NaN));
        });
    }

    @Test
    void aPieceThatIsNoneIsRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> PieceShelf.make("ladder", "l", new Spot(0, 0, 0), Vec.ZERO))
                .withMessageContaining("ladder");
    }

    @ParameterizedTest
    @CsvSource({"lens, 2", "away, 2.5", "behind, 2.2", "key, 3"})
    void aLengthThatIsToldIsThereAfterwards(String code, double metres) {
        SetView v = view();
        Reach r = Reach.of(v, "").stream().filter(x -> x.code().equals(code)).findFirst().orElseThrow();
        SetView then = new SetView(r.told(v.stage(), metres), "", 1920, 1080);
        assertThat(Reach.of(then, "").stream().filter(x -> x.code().equals(code)).findFirst().orElseThrow().metres())
                .isCloseTo(metres, within(1e-6));
        assertThatIllegalArgumentException().isThrownBy(() -> r.told(v.stage(), -1));
        assertThatIllegalArgumentException().isThrownBy(() -> r.told(v.stage(), Double.NaN));
    }

    @Test
    void aChosenLampHasItsHeight() {
        SetView v = view();
        Reach r = Reach.of(v, "key").stream().filter(Reach::upright).filter(x -> x.code().equals("height")).findFirst().orElseThrow();
        assertThat(((Lamp) r.told(v.stage(), 2.4).floor().piece("key").orElseThrow().thing()).heightM()).isEqualTo(Given.entered(2.4));
    }

    @ParameterizedTest
    @CsvSource({"2.43, 3.02, 90, right wall", "-2.4, 3.02, -90, left wall", "0.31, 5.9, 0, wall ahead"})
    void aClothLetGoNearAWallHangsBeforeIt(double x, double z, double turn, String wall) {
        SetView v = view();
        Spot s = Snaps.near(v.stage(), v.stage().floor().piece("cloth").orElseThrow(), new Spot(x, z, 40));
        assertThat(s.turnDeg()).as(wall).isEqualTo(turn);
        assertThat(Math.max(Math.abs(s.x()), s.z())).isGreaterThan(2.3);
    }

    @Test
    void whatIsLetGoInTheRoomRestsOnFiveCentimetresAndFacesTheCameraWhereItNearlyDoes() {
        SetView v = view();
        Piece cloth = v.stage().floor().piece("cloth").orElseThrow();
        assertThat(Snaps.near(v.stage(), cloth, new Spot(0.312, 4.02, 3))).isEqualTo(new Spot(0.3, 4, 0));
        Spot aside = Snaps.near(v.stage(), cloth, new Spot(1.5, 3, 24));
        assertThat(aside.turnDeg()).isCloseTo(Math.toDegrees(Math.atan2(1.5, 3)), within(1e-6));
        assertThat(Snaps.near(v.stage(), v.stage().floor().piece("key").orElseThrow(), new Spot(0.312, 4.02, 3)).turnDeg()).isEqualTo(3);
    }

    @ParameterizedTest
    @EnumSource(Overlay.Kind.class)
    void everyOverlayLiesWhereThePictureIs(Overlay.Kind kind) {
        Overlay o = Overlay.of(new Question(view(), HouseRules.DEFAULT, null, null), kind);
        assertThat(o.equals(Overlay.EMPTY)).isEqualTo(kind == Overlay.Kind.NONE);
        assertThat(o.spots()).allSatisfy(s -> {
            assertThat(s.at().x()).isBetween(0.0, 1.0);
            assertThat(s.at().y()).isBetween(0.0, 1.0);
            assertThat(s.strength()).isBetween(0.0, 1.0);
        });
    }

    @Test
    void whatIsCutAwayInTheEndIsShownAndCountsAsCutOff() {
        Question whole = new Question(view(), HouseRules.DEFAULT, null, null);
        Question pushed = new Question(view(), HouseRules.DEFAULT, null, null, 2);
        Overlay.Outline left = Overlay.of(pushed, Overlay.Kind.FRAME).outlines().getFirst();
        assertThat(left.corners().getFirst()).isEqualTo(new Point(0.25, 0.25));
        assertThat(left.corners().get(2)).isEqualTo(new Point(0.75, 0.75));
        assertThat(cutOff(pushed)).isGreaterThan(cutOff(whole));
    }

    private static double cutOff(Question q) {
        return Proofs.of(q).stream().filter(p -> p.finding().measure() == Measure.BODY_FRAMED).findFirst().orElseThrow().finding().value();
    }

    @Test
    void theSidesOfABodyShowWhatTheProofSaysOfThem() {
        Question q = new Question(view(), HouseRules.DEFAULT, null, null);
        List<Overlay.Value> sides = Overlay.of(q, Overlay.Kind.SPILL).values();
        double proved = Proofs.of(q).stream().filter(p -> p.finding().measure() == Measure.CLOTH_RETURN).findFirst().orElseThrow().finding()
                .value();
        assertThat(sides).hasSize(2);
        assertThat(sides.stream().mapToDouble(Overlay.Value::value).max().orElseThrow()).isCloseTo(proved, within(1e-9));
    }

    @Test
    void piecesAreThereForTheirPlatesAlone() {
        Piece rod = new Piece("rod", "rod", Given.entered(new Spot(0, 3, 0)), Set.of("lantern"),
                PieceShelf.make("stool", "x", new Spot(0, 0, 0), Vec.ZERO).thing());
        Stage s = view(rod).stage();
        assertThat(new SetView(s, "clean", 16, 9).pieces()).doesNotContain(rod);
        assertThat(new SetView(s, "lantern", 16, 9).pieces()).contains(rod);
        assertThat(new SetView(s, "", 16, 9).pieces()).contains(rod);
        assertThatIllegalArgumentException().isThrownBy(() -> s.floor().plus(rod));
    }
}
