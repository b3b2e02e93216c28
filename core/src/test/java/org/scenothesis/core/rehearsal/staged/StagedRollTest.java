package org.scenothesis.core.rehearsal.staged;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.rehearsal.Handling;
import org.scenothesis.core.rehearsal.Rendered;
import org.scenothesis.core.rehearsal.Roll;
import org.scenothesis.core.rehearsal.Scenery;
import org.scenothesis.core.rehearsal.trace.Rgb;
import org.scenothesis.core.stage.Floor;
import org.scenothesis.core.stage.HandCamera;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.PieceShelf;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.proof.SetView;

class StagedRollTest {
    private static SetView view(boolean lit) {
        Stage s = HandCamera.FRESH.stage(null, 16 / 9.0);
        Piece figure = PieceShelf.make("box", "figure", new Spot(0, 3, 0), Vec.ZERO);
        Body moving = ((Body) figure.thing())
                .withWay(List.of(new Body.Moment("", 0, Vec.ZERO), new Body.Moment("", 1, new Vec(0.2, 0.1, 0))));
        Floor f = s.floor().plus(figure.withThing(moving)).plus(PieceShelf.make("cloth", "cloth", new Spot(0, 4.5, 0), Vec.ZERO));
        f = lit ? f.plus(PieceShelf.make("soft", "key", new Spot(-1.2, 1.5, 0), new Vec(0, 0.5, 3))) : f;
        Floor all = f;
        return new SetView(s.withFloor(x -> all), "", 64, 36);
    }

    private static Roll roll(Fault... faults) {
        return new StagedRoll("r", view(true), 1, 0, 24, Set.of(faults), 3).roll();
    }

    @ParameterizedTest
    @EnumSource(Fault.class)
    void everyFaultChangesTheRollAndNothingElseDoes(Fault f) {
        Roll good = roll();
        Roll bad = roll(f);
        boolean same = good.frames() == bad.frames() && good.set().equals(bad.set()) && good.views().equals(bad.views()) && handled(good)
                .equals(handled(bad))
                && bodies(good, 1.0).equals(bodies(bad, 1.0));
        assertThat(same).isFalse();
        assertThat(roll().set()).isEqualTo(good.set());
        assertThat(f.code()).matches("[a-z-]+");
    }

    private static Object handled(Roll r) {
        return List.of(r.handling().stops().applyAsDouble(23), r.handling().balance().apply(23), r.handling().sway().apply(13));
    }

    /// What goes wrong with a frame is nothing in the first, or the camera could not have been set by it.
    @ParameterizedTest
    @EnumSource(Fault.class)
    void theFirstFrameIsAsItWasSet(Fault f) {
        Roll r = roll(f);
        assertThat(r.handling().stops().applyAsDouble(0)).isZero();
        assertThat(r.handling().balance().apply(0)).isEqualTo(Rgb.grey(1));
        assertThat(r.handling().sway().apply(0).topX()).isCloseTo(0, within(1e-12));
    }

    @Test
    void swayedFramesLieWhereTheirRowsWereRead() {
        Plane ramp = Plane.of(40, 20);
        for (int i = 0; i < 800; i++) {
            ramp.data()[i] = i % 40;
        }
        Rendered still = new Rendered(new Picture(ramp, ramp, ramp, null), ramp, ramp, SetScenery.metered(view(true)).camera());
        try (Bands bands = Bands.sequential()) {
            Rendered swayed = new Handling.Sway(2, 0, -2, 0).of(still, bands);
            assertThat(swayed.light().r().at(20, 0)).isCloseTo(18.1f, within(0.02f));
            assertThat(swayed.light().r().at(20, 19)).isCloseTo(21.9f, within(0.02f));
            assertThat(swayed.coverage().at(20, 10)).isCloseTo(20.1f, within(0.02f));
            assertThat(Handling.Sway.NONE.of(still, bands)).isSameAs(still);
        }
    }

    @Test
    void rollingRowsLeanAndAStabiliserDoesNot() {
        Handling.Sway shutter = roll(Fault.ROLLING_SHUTTER).handling().sway().apply(1);
        assertThat(Math.abs(shutter.topX() - shutter.bottomX())).isGreaterThan(0.03);
        Handling.Sway wander = roll(Fault.STABILISER).handling().sway().apply(6);
        assertThat(wander.topX()).isEqualTo(wander.bottomX());
        assertThat(Math.hypot(wander.topX(), wander.topY())).isGreaterThan(0.1);
    }

    private static Object bodies(Roll r, double seconds) {
        var moving = r.moving();
        return moving == null ? "" : moving.apply(seconds);
    }

    @ParameterizedTest
    @CsvSource({"DRIFT, -0.5", "AUTO_EXPOSURE, -0.6", "BUMP, 0"})
    void lightThatChangesEndsWhereItIsSaid(Fault f, double stops) {
        assertThat(roll(f).handling().stops().applyAsDouble(23)).isCloseTo(stops, within(1e-9));
        assertThat(roll(f).handling().stops().applyAsDouble(0)).isZero();
    }

    @Test
    void aBumpIsAsFarInThePictureAsItIsSaid() {
        Roll r = roll(Fault.BUMP);
        assertThat(r.views()).hasSize(2);
        var before = r.views().get(0).view().pose();
        var after = r.views().get(1).view().pose();
        Vec far = before.position().plus(before.worldToCamera()[2].times(50));
        assertThat(after.project(far).x() - before.project(far).x()).isCloseTo(Fault.bumpPx().x(), within(0.01));
        assertThat(after.project(far).y() - before.project(far).y()).isCloseTo(Fault.bumpPx().y(), within(0.01));
    }

    @Test
    void whoStaysIsPartOfTheSet() {
        SetView v = view(true);
        Stage still = v.stage().withFloor(f -> f.with("figure", p -> p.withThing(((Body) p.thing()).withWay(List.of()))));
        Roll r = new StagedRoll("r", new SetView(still, "", 64, 36), 0, 0, 24, Set.of(), 1).roll();
        assertThat(r.moving()).isNull();
        assertThat(r.frames()).isEqualTo(1);
        assertThat(r.set().solids().size()).isGreaterThan(roll().set().solids().size());
    }

    /// A grey card where the light was metered is as bright as the meter said, whatever the lamps give.
    @ParameterizedTest
    @CsvSource({"300", "3000", "30000"})
    void thePictureIsExposedForWhoIsFilmed(double candela) {
        SetView v = view(true);
        Stage s = v.stage().withFloor(f ->
                f.with("key", p -> p.withThing(p.thing().dimensions().stream().filter(d -> d.code().equals("output")).findFirst()
                .orElseThrow().told(candela))));
        assertThat(mean(new SetView(s, "", 64, 36))).isCloseTo(mean(view(true)), within(0.02));
        assertThat(mean(view(true))).isBetween(0.05, 0.6);
    }

    @Test
    void withoutALampTheSetIsSeenInWorkLight() {
        assertThat(mean(view(false))).isGreaterThan(0.03);
    }

    private static double mean(SetView v) {
        Rehearsal r = new Rehearsal(SetScenery.metered(v), 0);
        try (Bands bands = Bands.sequential()) {
            for (int i = 0; i < 8; i++) {
                r.refine(bands);
            }
        }
        assertThat(r.passes()).isEqualTo(8);
        Picture p = r.picture();
        double sum = 0;
        for (float g : p.g().data()) {
            assertThat(g).isFinite().isNotNegative();
            sum += g;
        }
        return sum / p.g().data().length;
    }

    @Test
    void aGreenClothIsGreenInThePicture() {
        Rehearsal r = new Rehearsal(SetScenery.metered(view(true)), 0);
        try (Bands bands = Bands.sequential()) {
            for (int i = 0; i < 8; i++) {
                r.refine(bands);
            }
        }
        Picture p = r.picture();
        int at = 8 * 64 + 44;
        assertThat(p.g().data()[at]).isGreaterThan(2 * p.r().data()[at]);
        assertThat(((Backdrop) PieceShelf.make("cloth", "c", new Spot(0, 0, 0), Vec.ZERO).thing()).dye().excess())
                .isCloseTo(0.32, within(1e-9));
    }

    /// Somebody in a suit of the screen's colour is green from head to foot, and no cloth hangs where it is.
    @Test
    void aSuitIsWornAndNothingIsFilmedBeforeIt() {
        Stage s = HandCamera.FRESH.stage(null, 16 / 9.0);
        Floor f = s.floor().plus(PieceShelf.make("figure", "figure", new Spot(0, 3, 0), Vec.ZERO))
                .plus(PieceShelf.make("suit", "suit", new Spot(0.1, 3, 0), Vec.ZERO));
        SetView in = new SetView(s.withFloor(x -> f), "", 64, 36);
        SetView without = new SetView(s.withFloor(x -> f.without("suit")), "", 64, 36);
        assertThat(in.sheets()).isEmpty();
        assertThat(in.pairs()).isEmpty();
        Scenery green = SetScenery.metered(in).bodies(0);
        assertThat(green.solids()).hasSameSizeAs(SetScenery.metered(without).bodies(0).solids())
                .allSatisfy(x -> assertThat(x.material().albedo().g()).isGreaterThan(2 * x.material().albedo().r()));
        assertThat(SetScenery.metered(in).still().solids()).hasSameSizeAs(SetScenery.metered(without).still().solids());
    }
}
