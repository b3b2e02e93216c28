package org.scenothesis.core.layer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.core.match.Gains;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.step.Exposure;
import org.scenothesis.core.shot.step.Opacity;
import org.scenothesis.core.shot.step.OwnAlpha;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.shot.step.Shadow;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.Stages;
import org.scenothesis.core.value.Animated;
import org.scenothesis.core.value.Ease;
import org.scenothesis.core.value.Given;

class LayerTest {
    private static final int W = 320;
    private static final int H = 180;
    private static final Box FRAME = new Box(0, 0, W, H);
    private final Bands bands = Bands.sequential();
    private final Stage stage = Stages.plain();

    private static SetPlace.Stand state(Vec foot) {
        return new SetPlace.Stand(foot, 0, 1);
    }

    private static Layer element(Step... steps) {
        Layer l = Layer.of("e", "", "p", new OwnAlpha());
        for (Step s : steps) {
            l = l.with(s);
        }
        return l;
    }

    private static Picture card(int left, int top, int right, int bottom) {
        Plane a = Plane.of(W, H);
        for (int y = top; y < bottom; y++) {
            for (int x = left; x < right; x++) {
                a.data()[y * W + x] = 1;
            }
        }
        return Picture.filled(W, H, 0.8f, 0.2f, 0.1f).withAlpha(a);
    }

    private LayerPicture base(float v) {
        return LayerPicture.of(Layer.of("base", "", "c"), Picture.filled(W, H, v, v, v));
    }

    @Test
    void overIsThePorterDuffSum() {
        Picture element = Picture.filled(W, H, 0.8f, 0.4f, 0.2f).withAlpha(Plane.filled(W, H, 0.25f));
        Picture out = Composer.compose(List.of(base(0.4f), LayerPicture.of(element(), element)), null, 0, bands);
        assertThat(out.r().at(5, 5)).isCloseTo(0.25f * 0.8f + 0.75f * 0.4f, Offset.offset(1e-6f));
        assertThat(out.a()).isNull();
    }

    @Test
    void theBaseIsNotTouched() {
        LayerPicture base = base(0.4f);
        Composer.compose(List.of(base, LayerPicture.of(element(), card(0, 0, 9, 9))), null, 0, bands);
        assertThat(base.picture().r().at(2, 2)).isEqualTo(0.4f);
    }

    @Test
    void anElementWhereItWasFilmedStaysWhereItIs() {
        Placement p = new Placement(stage.pose(W, H), new Vec(0.4, 0.7, 1), state(new Vec(0.4, 0.7, 1)));
        assertThat(p.scale()).isEqualTo(1);
        Point q = p.elementToPicture().map(100, 80);
        assertThat(q.x()).isCloseTo(100, Offset.offset(1e-9));
        assertThat(q.y()).isCloseTo(80, Offset.offset(1e-9));
    }

    @Test
    void twiceAsFarIsHalfAsLargeAndMeetsTheProjectedFoot() {
        Vec filmed = new Vec(0, 0, 1);
        Vec far = new Vec(0.5, 0, 5);
        Placement p = new Placement(stage.pose(W, H), filmed, state(far));
        assertThat(p.scale()).isCloseTo(0.5, Offset.offset(1e-9));
        Point foot = p.elementToPicture().map(stage.pose(W, H).project(filmed));
        Point wanted = stage.pose(W, H).project(far);
        assertThat(foot.minus(wanted).length()).isLessThan(1e-9);
    }

    @Test
    void liftingMovesItUpByTheMetresItIsLifted() {
        Vec filmed = new Vec(0, 0.5, 1);
        Placement p = new Placement(stage.pose(W, H), filmed, state(new Vec(0, 1.0, 1)));
        // 0.5 m at 4 m with a focal length of 320 px.
        assertThat(p.elementToPicture().shiftAt(100, 100).y()).isCloseTo(-40, Offset.offset(1e-6));
    }

    @Test
    void theShadowFallsAwayFromTheLightAndAsFarAsItIsHigh() {
        Placement p = new Placement(stage.pose(W, H), new Vec(0, 0, 1), state(new Vec(0, 0, 1)));
        CardShadow s = new CardShadow(p, stage, Shadow.OF_STAGE);
        // The light stands left at 45°: a point 1 m up throws its shadow 1 m to the right.
        Vec fallen = s.thrown(new Vec(0, 1, 1));
        assertThat(fallen.x()).isCloseTo(1, Offset.offset(1e-9));
        assertThat(fallen.y()).isCloseTo(0, Offset.offset(1e-9));
        assertThat(fallen.z()).isCloseTo(1, Offset.offset(1e-9));
    }

    @Test
    void shadowDensityIsThatOfKeyAgainstFill() {
        assertThat(stage.light().density(Vec.UP)).isCloseTo(0.5, Offset.offset(1e-9));
        Placement p = new Placement(stage.pose(W, H), new Vec(0, 0, 3), state(new Vec(0, 0, 3)));
        Plane d = new CardShadow(p, stage, Shadow.OF_STAGE).density(Mask.of(card(140, 120, 180, 170).alpha()), FRAME, bands).coverage();
        float most = 0;
        for (float v : d.data()) {
            most = Math.max(most, v);
        }
        assertThat(most).isCloseTo(0.5f, Offset.offset(0.03f));
    }

    @Test
    void aFloatingElementThrowsASofterShadowFurtherOff() {
        Placement low = new Placement(stage.pose(W, H), new Vec(0, 0, 1), state(new Vec(0, 0, 1)));
        Placement high = new Placement(stage.pose(W, H), new Vec(0, 0.6, 1), state(new Vec(0, 0.6, 1)));
        double y = H / 2.0 + 60;
        assertThat(new CardShadow(high, stage, Shadow.OF_STAGE).sigmaPx(160, y - 60))
                .isGreaterThan(new CardShadow(low, stage, Shadow.OF_STAGE).sigmaPx(160, y));
    }

    @Test
    void noMatteNoShadow() {
        Placement p = new Placement(stage.pose(W, H), new Vec(0, 0, 1), state(new Vec(0, 0, 1)));
        assertThat(new CardShadow(p, stage, Shadow.OF_STAGE).density(Mask.of(Plane.of(W, H)), FRAME, bands).coverage().data())
                .containsOnly(0f);
    }

    @Test
    void shadowDarkensTheGroundBesideTheElement() {
        Layer l = element(SetPlace.asFilmed(Given.entered(new Vec(0, 0, 3))), Shadow.OF_STAGE);
        Picture element = card(150, 110, 170, 170);
        Picture out = Composer.compose(List.of(base(0.4f), LayerPicture.of(l, element)), stage, 0, bands);
        Picture without = Composer.compose(List.of(base(0.4f), LayerPicture.of(l.without(Shadow.class), element)), stage, 0, bands);
        double right = 0;
        double left = 0;
        for (int y = 150; y < H; y++) {
            right += without.g().at(185, y) - out.g().at(185, y);
            left += without.g().at(130, y) - out.g().at(130, y);
        }
        assertThat(right).isGreaterThan(0.5);
        assertThat(left).isLessThan(right / 5);
    }

    @Test
    void lightIsWhatTheLitFrameHasMore() {
        Layer l = Layer.light("glow", "", "lamp", "c")
                .with(new Opacity(Animated.of(0.0).key(1, 0.0, Ease.STEADY).key(2, 1.0, Ease.STEADY)));
        LayerPicture light = LayerPicture.of(l, Picture.filled(W, H, 0.5f, 0.3f, 0.2f)).withUnlit(Picture.filled(W, H, 0.2f, 0.2f, 0.25f));
        Picture half = Composer.compose(List.of(base(0.1f), light), null, 1.5, bands);
        assertThat(half.r().at(3, 3)).isCloseTo(0.1f + 0.15f, Offset.offset(1e-5f));
        assertThat(half.b().at(3, 3)).isCloseTo(0.1f, Offset.offset(1e-6f));
        assertThat(Composer.compose(List.of(base(0.1f), light), null, 0.5, bands).r().at(3, 3)).isEqualTo(0.1f);
    }

    @Test
    void aMatchedLayerIsBroughtToTheBase() {
        Layer l = Layer.patch("patch", "", "p");
        LayerPicture dim = LayerPicture.of(l, Picture.filled(W, H, 0.2f, 0.2f, 0.2f)).withGains(new Gains(1.25, 1.25, 1.25));
        assertThat(Composer.compose(List.of(base(0.4f), dim), null, 0, bands).g().at(9, 9)).isCloseTo(0.25f, Offset.offset(1e-6f));
        LayerPicture brighter = LayerPicture.of(l.with(new Exposure(1, false)), dim.piece());
        assertThat(Composer.compose(List.of(base(0.4f), brighter), null, 0, bands).g().at(9, 9)).isCloseTo(0.4f, Offset.offset(1e-6f));
    }

    @Test
    void layersOfOtherSizesAndNoneAtAllAreRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> Composer.compose(List.of(), null, 0, bands));
        LayerPicture small = LayerPicture.of(Layer.patch("e", "", "p"), Picture.of(10, 10));
        assertThatIllegalArgumentException().isThrownBy(() -> Composer.compose(List.of(base(0), small), null, 0, bands));
    }

    /// What stands at the camera or behind it is not seen: neither upside down nor an error.
    @ParameterizedTest
    @ValueSource(doubles = {-3, -3.02, -8})
    void whatStandsBehindTheCameraIsNotSeen(double z) {
        Picture base = Picture.filled(64, 36, 0.2f, 0.2f, 0.2f);
        Picture card = Picture.filled(64, 36, 0.9f, 0.1f, 0.1f).withAlpha(Plane.filled(64, 36, 1));
        Layer behind = element(SetPlace.at(Given.entered(new Vec(0, 0, 1)), new Vec(0, 0, z)), Shadow.OF_STAGE);
        Picture out = Composer.compose(
                List.of(LayerPicture.of(Layer.of("b", "", "c"), base), LayerPicture.of(behind, card)), stage, 0, Bands.sequential());
        assertThat(out.r().data()).isEqualTo(base.r().data());
    }
}
