package org.scenothesis.core.layer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;
import static org.scenothesis.core.layer.Laying.H;
import static org.scenothesis.core.layer.Laying.W;
import static org.scenothesis.core.layer.Laying.base;
import static org.scenothesis.core.layer.Laying.grey;
import static org.scenothesis.core.layer.Laying.layer;
import static org.scenothesis.core.layer.Laying.over;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.optics.LensBend;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.step.ColourGrade;
import org.scenothesis.core.shot.step.Difference;
import org.scenothesis.core.shot.step.DrawnShadow;
import org.scenothesis.core.shot.step.Exposure;
import org.scenothesis.core.shot.step.Extend;
import org.scenothesis.core.shot.step.Follow;
import org.scenothesis.core.shot.step.Glow;
import org.scenothesis.core.shot.step.HandHeld;
import org.scenothesis.core.shot.step.Join;
import org.scenothesis.core.shot.step.LayerBlur;
import org.scenothesis.core.shot.step.LensMatch;
import org.scenothesis.core.shot.step.Letterbox;
import org.scenothesis.core.shot.step.Luma;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.OwnAlpha;
import org.scenothesis.core.shot.step.Ripple;
import org.scenothesis.core.shot.step.TrackBinding;
import org.scenothesis.core.shot.step.TrackSteady;
import org.scenothesis.core.shot.step.Warp;
import org.scenothesis.core.shot.step.Wrap;
import org.scenothesis.core.value.Animated;

/// What hands do to layers, against what geometry and arithmetic say of it.
class HandStepsTest {
    private static final Bands MANY = Bands.pooled(2);

    @AfterAll
    static void close() {
        MANY.close();
    }

    private static List<Point> box(double left, double top, double right, double bottom) {
        return List.of(new Point(left, top), new Point(right, top), new Point(right, bottom), new Point(left, bottom));
    }

    /// A white box of pixels, cut out.
    private static Picture cut(int left, int top, int right, int bottom) {
        Plane a = Plane.of(W, H);
        for (int y = top; y < bottom; y++) {
            for (int x = left; x < right; x++) {
                a.data()[y * W + x] = 1;
            }
        }
        return grey(1).withAlpha(a);
    }

    /// Across in red, down in green.
    private static Picture coordinates() {
        Picture p = Picture.filled(W, H, 0, 0, 1);
        for (int i = 0; i < W * H; i++) {
            p.r().data()[i] = (i % W + 0.5f) / W;
            p.g().data()[i] = (i / W + 0.5f) / H;
        }
        return p;
    }

    private static float at(Picture p, double x, double y) {
        return p.g().at((int) (x * W), (int) (y * H));
    }

    @Test
    void outlinesAddUpAndTakeAway() {
        Outline left = Outline.of(box(0, 0, 0.5, 1), 0);
        Outline hole = Outline.of(box(0.1, 0.4, 0.2, 0.6), 0).withCounts(Outline.Counts.OUTSIDE);
        Outline more = Outline.of(box(0.8, 0, 1, 1), 0).withCounts(Outline.Counts.ALSO);
        Picture out = over(0, 0, LayerPicture.of(layer(left, hole, more), grey(1)));
        assertThat(at(out, 0.3, 0.5)).isEqualTo(1);
        assertThat(at(out, 0.15, 0.5)).isZero();
        assertThat(at(out, 0.6, 0.5)).isZero();
        assertThat(at(out, 0.9, 0.5)).isEqualTo(1);
        Picture alone = over(0, 0, LayerPicture.of(layer(hole), grey(1)));
        assertThat(at(alone, 0.15, 0.5)).isZero();
        assertThat(at(alone, 0.9, 0.9)).isEqualTo(1);
    }

    @Test
    void whatIsKeptSolidFillsHolesOfAMatte() {
        Picture holed = cut(20, 20, 100, 70);
        holed.alpha().data()[45 * W + 60] = 0.1f;
        Outline solid = Outline.of(box(0.3, 0.4, 0.5, 0.6), 0).withCounts(Outline.Counts.ALSO);
        Picture out = over(0, 0, LayerPicture.of(layer(new OwnAlpha(), solid), holed));
        assertThat(out.g().at(60, 45)).isEqualTo(1);
        assertThat(out.g().at(5, 45)).as("nothing new outside the element").isZero();
    }

    /// Through the corners, and rounder than the straight one.
    @Test
    void aCurvedOutlineGoesThroughItsCorners() {
        Outline o = Outline.of(box(0.2, 0.2, 0.8, 0.8), 0).withCurved(true);
        assertThat(o.shape(0)).hasSize(48).contains(new Point(0.2, 0.2), new Point(0.8, 0.8));
        Picture out = over(0, 0, LayerPicture.of(layer(o), grey(1)));
        assertThat(at(out, 0.5, 0.17)).as("its sides bow out").isEqualTo(1);
        assertThat(at(out, 0.15, 0.15)).isZero();
    }

    @Test
    void whatHangsOnATrackGoesAlong() {
        Moment moment = new Moment(null, 0, (by, w, h) -> PlanarMap.shift(by.track().equals("t") ? 40 : 0, 0));
        TrackBinding by = new TrackBinding("t", 0, false);
        LayerPicture moved = LayerPicture.of(layer(new OwnAlpha(), new Follow(by)), cut(10, 10, 30, 30));
        Picture out = Composer.compose(List.of(base(grey(0)), moved), moment, new Outlines(), MANY);
        assertThat(out.g().at(60, 20)).isEqualTo(1);
        assertThat(out.g().at(20, 20)).isZero();
        Picture held = Composer.compose(List.of(base(grey(0)), LayerPicture.of(layer(new OwnAlpha(), new TrackSteady(by)),
                cut(60, 10, 80, 30))), moment, new Outlines(), MANY);
        assertThat(held.g().at(30, 20)).as("what is held goes against it").isEqualTo(1);
        assertThat(held.g().at(70, 20)).isZero();
        // An outline alone goes along; the picture in it stays.
        LayerPicture shown = LayerPicture.of(layer(Outline.of(box(0, 0, 0.25, 1), 0).withHung(by)), coordinates());
        Picture seen = Composer.compose(List.of(base(grey(0)), shown), moment, new Outlines(), MANY);
        assertThat(seen.r().at(20, 20)).isZero();
        assertThat(seen.r().at(60, 20)).isEqualTo(60.5f / W);
    }

    /// The upper half, filmed 20 px too far right, a tenth too large and turned, lies with its seam on that of the lower half.
    @Test
    void aHalfLiesWithItsSeamOnTheOther() {
        List<Point> points = List.of(new Point(0.5, 0.5), new Point(0.75, 0.5), new Point(0.25, 0.6), new Point(0.45, 0.6));
        Join join = new Join(Animated.of(points), Join.Side.ABOVE, 0);
        Picture out = over(0, 0, LayerPicture.of(layer(join), coordinates()));
        assertThat(out.b().at((int) (0.35 * W), (int) (0.6 * H) - 3)).as("above the seam").isCloseTo(1, within(0.01f));
        assertThat(out.b().at((int) (0.35 * W), (int) (0.6 * H) + 3)).as("below it nothing").isZero();
        // 0.35 is the middle of the target seam, which shows the middle of the filmed one; three rows up are 3 / 0.8 rows in the half.
        assertThat(out.r().at((int) (0.35 * W), (int) (0.6 * H) - 3)).isCloseTo(0.625f, within(0.006f));
        assertThat(out.g().at((int) (0.35 * W), (int) (0.6 * H) - 3)).isCloseTo((float) (0.5 - 2.5 / 0.8 / H), within(0.006f));
        Picture below = over(0, 0,
                LayerPicture.of(layer(new Join(Animated.of(List.of(points.get(2), points.get(3), points.get(2), points.get(3))),
                Join.Side.BELOW, 0)), grey(1)));
        assertThat(at(below, 0.35, 0.5)).isZero();
        assertThat(at(below, 0.35, 0.7)).isEqualTo(1);
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new Join(Animated.of(List.of(points.get(0), points.get(0), points.get(2), points.get(3))),
                Join.Side.BELOW, 0));
        assertThat(join.withPoints(0, List.of(points.get(0), points.get(0), points.get(2), points.get(3)))).as("that cannot be")
                .isEqualTo(join);
    }

    private static DrawnShadow cast(Point tip, double wall) {
        return new DrawnShadow(
                Animated.of(List.of(new Point(0.4, 0.8), new Point(0.5, 0.8), new Point(0.45, 0.4), tip, new Point(0, wall),
                new Point(1, wall))), 0.5, 0, List.of());
    }

    @Test
    void aDrawnShadowLiesAlongItsRay() {
        // A post of 0.4 heights on the line, its shadow as long to the right and down.
        Picture post = cut((int) (0.4 * W), (int) (0.4 * H), (int) (0.5 * W), (int) (0.8 * H));
        Picture out = over(0.8f, 0, LayerPicture.of(layer(new OwnAlpha(), cast(new Point(0.7, 0.95), -0.1)), post));
        assertThat(at(out, 0.58, 0.88)).as("half way along").isCloseTo(0.4f, within(0.03f));
        assertThat(at(out, 0.45, 0.6)).as("the post itself").isEqualTo(1);
        assertThat(at(out, 0.3, 0.88)).as("the other side").isCloseTo(0.8f, within(1e-5f));
        assertThat(at(out, 0.8, 0.98)).as("beyond its end").isCloseTo(0.8f, within(0.01f));
        DrawnShadow limited = cast(new Point(0.7, 0.95), -0.1).withLimit(box(0, 0.9, 1, 1));
        assertThat(at(over(0.8f, 0, LayerPicture.of(layer(new OwnAlpha(), limited), post)), 0.56, 0.86)).as("outside its limit")
                .isCloseTo(0.8f, within(1e-5f));
    }

    /// Thrown away from the camera it meets a wall and goes up on it.
    @Test
    void aShadowGoesUpTheWallBehindItsLine() {
        Picture post = cut((int) (0.4 * W), (int) (0.4 * H), (int) (0.5 * W), (int) (0.8 * H));
        Picture out = over(0.8f, 0, LayerPicture.of(layer(new OwnAlpha(), cast(new Point(0.7, 0.7), 0.76)), post));
        // It meets the line at y = 0.76, that is after two fifths of its ray of 0.25 across; the rest stands upright above 0.55.
        assertThat(at(out, 0.55, 0.7)).as("upright on the wall").isCloseTo(0.4f, within(0.05f));
        assertThat(at(out, 0.68, 0.72)).as("not where it would lie on the ground").isCloseTo(0.8f, within(0.02f));
        DrawnShadow level = cast(new Point(0.45, 0.8), -0.1);
        assertThat(DrawnShadowUnit.affine(level.points(0).subList(0, 3), List.of(new Point(0, 0), new Point(1, 0), new Point(2, 0))))
                .as("squashed to a line").isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"0.2, 0.5, 0.02, 0", "0.2, 0.5, 0.8, 1", "0.5, 0.2, 0.8, 0", "0.5, 0.2, 0.01, 1"})
    void brightnessKeys(double low, double high, float level, float wanted) {
        assertThat(over(0, 0, LayerPicture.of(layer(new Luma(low, high)), grey(level))).g().at(3, 3))
                .isCloseTo(wanted * level, within(1e-6f));
    }

    @Test
    void differenceKeepsWhatIsNotInTheCleanPlate() {
        Picture seen = grey(0.3f);
        seen.r().data()[20 * W + 20] = 0.6f;
        Picture out = over(0, 0, LayerPicture.of(layer(Difference.from("c")), seen).withClean(grey(0.3f)));
        assertThat(out.g().at(20, 20)).isEqualTo(0.3f);
        assertThat(out.g().at(40, 20)).isZero();
        assertThat(over(0, 0, LayerPicture.of(layer(Difference.from("c")), seen)).g().at(40, 20)).as("compared with nothing, all counts")
                .isEqualTo(0.3f);
    }

    @Test
    void toneIsSlopeOffsetPowerOfCodeValues() {
        ColourGrade t = new ColourGrade(ColourGrade.Channels.all(0.9), ColourGrade.Channels.all(0.05),
                new ColourGrade.Channels(1.2, 1, 0.8), 1);
        Picture out = over(0, 0, LayerPicture.of(layer(new Exposure(1, false), t), grey(0.1f)));
        double code = 0.9 * Transfer.SRGB.toCode(0.2) + 0.05;
        assertThat(out.r().at(3, 3)).isCloseTo((float) Transfer.SRGB.toLinear(Math.pow(code, 1.2)), within(1e-5f));
        assertThat(out.g().at(3, 3)).isCloseTo((float) Transfer.SRGB.toLinear(code), within(1e-5f));
        Picture flat = over(0, 0, LayerPicture.of(layer(ColourGrade.NEUTRAL.withSaturation(0)), Picture.filled(W, H, 0.8f, 0.1f, 0.1f)));
        assertThat(flat.r().at(3, 3)).isCloseTo(flat.b().at(3, 3), within(1e-5f));
        assertThatIllegalArgumentException().isThrownBy(() -> ColourGrade.NEUTRAL.withPower(ColourGrade.Channels.all(0)));
    }

    @Test
    void softenedEdgesKeepTheirColour() {
        LayerBlur s = LayerBlur.LITTLE.withRadiusPx(Animated.of(4.0));
        Picture out = over(0, 0, LayerPicture.of(layer(new OwnAlpha(), s), cut(40, 20, 80, 70)));
        assertThat(out.g().at(40, 45)).as("half at the edge").isCloseTo(0.55f, within(0.06f));
        assertThat(out.g().at(36, 45)).isBetween(0.05f, 0.3f);
        assertThat(out.g().at(60, 45)).isCloseTo(1, within(0.01f));
        Picture along = over(0, 0, LayerPicture.of(layer(new OwnAlpha(), new LayerBlur(Animated.of(0.0), Animated.of(20.0), 0)),
                cut(40, 20, 80, 70)));
        assertThat(along.g().at(33, 45)).as("blurred along the way").isBetween(0.05f, 0.3f);
        assertThat(along.g().at(60, 18)).as("and not across it").isZero();
        assertThat(over(0.3f, 0, LayerPicture.of(layer(s), grey(0.5f))).g().at(0, 0)).as("a whole picture has no edge")
                .isCloseTo(0.5f, within(1e-5f));
    }

    @Test
    void pinsDrawWhatIsUnderThemAndCornersStay() {
        Warp w = Warp.FRESH;
        List<Point> to = new ArrayList<>(w.at());
        to.set(0, to.getFirst().plus(new Point(0.05, 0)));
        Picture out = over(0, 0, LayerPicture.of(layer(w.withPoints(0, to)), coordinates()));
        assertThat(out.r().at((int) (0.45 * W), (int) (0.4 * H))).as("the pin shows what it was put on").isCloseTo(0.4f, within(0.01f));
        assertThat(out.r().at((int) (0.6 * W), (int) (0.6 * H))).isCloseTo(0.6f, within(0.01f));
        assertThat(out.r().at(1, 1)).isCloseTo(1.5f / W, within(0.01f));
        assertThat(over(0, 0, LayerPicture.of(layer(w), coordinates())).r().data()).containsExactly(coordinates().r().data());
        assertThat(w.withPoints(0, List.of(to.get(1), to.get(1), to.get(2), to.get(3)))).as("two pins on one point").isEqualTo(w);
    }

    @Test
    void wavesRunOutAndDieAway() {
        Ripple r = new Ripple(Animated.of(List.of(new Point(0.5, 0.5), new Point(0.75, 0.5))), Animated.of(3.0), 10, 2);
        Picture out = over(0, 0.1, LayerPicture.of(layer(r), coordinates()));
        double d = 10.5;
        double fade = 1 - d / 40;
        double wave = 3 * fade * fade * (3 - 2 * fade) * Math.sin(2 * Math.PI * (d / 10 - 2 * 0.1));
        assertThat(out.r().at(90, 45) * W).isCloseTo((float) (90.5 + wave), within(0.3f));
        assertThat(out.r().at(150, 45)).as("beyond its reach").isCloseTo(150.5f / W, within(1e-5f));
    }

    /// The check value of the house: 1920 × 1080, 12 and 8 px, half a degree.
    @Test
    void noEdgeShowsHoweverItIsHeld() {
        HandHeld w = new HandHeld(100 * 12 / 1080.0, 100 * 8 / 1080.0, 0.5, 0.7, 0, List.of());
        assertThat(w.overscan(1920, 1080)).isCloseTo(1.0305, within(5e-5));
        Layer whole = Layer.whole("w", "whole", new HandHeld(3, 2, 2, 1, 3, List.of(0.5)));
        for (double s : new double[] {0, 0.37, 0.51, 0.55, 1.9}) {
            Picture out = Composer.compose(List.of(base(grey(0.5f)), LayerPicture.of(whole, grey(0))), null, s, MANY);
            for (int i : new int[] {0, W - 1, (H - 1) * W, H * W - 1}) {
                assertThat(out.g().data()[i]).isCloseTo(0.5f, within(1e-4f));
            }
        }
        HandHeld.Held calm = w.at(0.4);
        HandHeld.Held shaken = w.withJoltPercent(5).jolted(0.4).at(0.4);
        assertThat(shaken.down() - calm.down()).as("a jolt begins with all its might").isCloseTo(5, within(1e-9));
        assertThat(w.withJoltPercent(5).jolted(0.4).at(0.39).down()).isEqualTo(w.at(0.39).down());
    }

    @Test
    void theWholeShotIsTreatedAsOnePicture() {
        LayerPicture top = LayerPicture.of(layer(new OwnAlpha()), cut(0, 0, W, 45));
        LayerPicture whole = LayerPicture.of(Layer.whole("w", "whole", new Exposure(-1, false), new Letterbox(4)), grey(0));
        Picture out = over(0.4f, 0, top, whole);
        assertThat(out.g().at(80, 40)).isEqualTo(0.5f);
        assertThat(out.g().at(80, 50)).isEqualTo(0.2f);
        // 160 px across at 4 : 1 are 40 rows: 25 black ones above and below.
        assertThat(out.g().at(80, 24)).isZero();
        assertThat(out.g().at(80, 25)).isPositive();
        assertThat(out.g().at(80, 65)).isZero();
    }

    /// A quarter more above and below, and the rest of the room at the sides: two thirds as large, in the middle, mirrored at every edge.
    @Test
    void aPictureGetsMoreRoomMirroredAtItsEdges() {
        Picture out = Composer.compose(List.of(LayerPicture.of(layer(new Extend(0, 0, 25, 25, Extend.Around.MIRRORED, 0)), coordinates())),
                null, 0, MANY);
        int w = Math.round(W / 1.5f);
        int h = Math.round(H / 1.5f);
        int left = Math.round((W - w) / 2f);
        int top = Math.round((H - h) / 2f);
        assertThat(out.r().at(left + w / 2, top + h / 2)).isCloseTo(0.5f, within(0.01f));
        assertThat(out.r().at(left + 3, top)).as("as far outside as inside").isCloseTo(out.r().at(left - 4, top), within(1e-6f));
        assertThat(out.g().at(left, top + 5)).isCloseTo(out.g().at(left, top - 6), within(1e-6f));
        assertThat(out.g().at(left, top + h - 1)).isCloseTo(out.g().at(left, top + h), within(1e-6f));
        assertThat(new Extend(10, 30, 0, 20, Extend.Around.OPEN, 0).scale()).isCloseTo(1 / 1.4, within(1e-9));
        Picture headroom = Composer.compose(List.of(LayerPicture.of(layer(Extend.HEADROOM), coordinates())), null, 0, MANY);
        assertThat(headroom.g().at(W / 2, H - 1)).as("all of the room is above").isGreaterThan(0.98f);
    }

    /// A second picture is seen in the room that is left open, and softly through the seam.
    @Test
    void theRoomAroundIsLeftOpenForAnotherPicture() {
        Extend open = new Extend(0, 0, 50, 0, Extend.Around.OPEN, 8);
        Picture out = over(0.25f, 0, LayerPicture.of(layer(open), Picture.filled(W, H, 1, 1, 1)));
        int top = H - Math.round(H / 1.5f);
        assertThat(out.g().at(W / 2, top - 1)).as("the other picture above").isCloseTo(0.25f, within(1e-5f));
        assertThat(out.g().at(W / 2, top + 4)).as("half way through the seam").isCloseTo(0.625f, within(0.01f));
        assertThat(out.g().at(W / 2, top + 9)).isCloseTo(1, within(1e-5f));
        assertThat(out.g().at(W / 2, H - 1)).as("no seam where there is no room").isCloseTo(1, within(1e-5f));
        assertThat(out.g().at(1, H / 2 + 9)).as("the shapes differ: there is room at the sides too").isCloseTo(0.25f, within(1e-5f));
    }

    /// A matte that ends where its box ends is wrapped like any other.
    @Test
    void lightShinesInToTheEdgeOfATightPiece() {
        Picture dark = Picture.filled(40, 30, 0.1f, 0.1f, 0.1f).withAlpha(Plane.filled(40, 30, 1));
        LayerPicture tight = LayerPicture.of(layer(new OwnAlpha(), new Wrap(4, 0.8)), new Piece(dark, new Box(50, 30, 90, 60)));
        Picture out = over(0.9f, 0, tight);
        assertThat(out.g().at(50, 45)).isGreaterThan(0.25f);
        assertThat(out.g().at(70, 45)).isCloseTo(0.1f, within(0.01f));
    }

    @Test
    void lightShinesInAndOut() {
        Picture dark = cut(40, 20, 120, 70);
        for (Plane c : dark.colours()) {
            Arrays.fill(c.data(), 0.1f);
        }
        Picture wrapped = over(0.9f, 0, LayerPicture.of(layer(new OwnAlpha(), new Wrap(4, 0.8)), dark));
        assertThat(wrapped.g().at(41, 45)).as("brighter at its edge").isGreaterThan(0.25f);
        assertThat(wrapped.g().at(80, 45)).as("as it was inside").isCloseTo(0.1f, within(0.005f));
        assertThat(wrapped.g().at(30, 45)).as("nothing changed outside").isCloseTo(0.9f, within(1e-5f));
        Picture glowing = over(0.1f, 0, LayerPicture.of(layer(new OwnAlpha(), new Glow(4, Animated.of(0.5), 1, 0, 0)), dark));
        assertThat(glowing.r().at(38, 45)).as("light around it").isGreaterThan(0.2f);
        assertThat(glowing.g().at(38, 45)).as("in its own colour").isCloseTo(0.1f, within(1e-5f));
        assertThat(glowing.r().at(10, 45)).isCloseTo(0.1f, within(0.01f));
    }

    /// A grid drawn by a barrel lens, bent to a pincushion of another view: every dot lies where that lens would have drawn it.
    @ParameterizedTest
    @CsvSource({"-0.15, 70, 0.1, 70", "-0.15, 70, 0, 50", "0, 60, -0.2, 75"})
    void whatOneLensDrewLiesWhereAnotherWouldHaveDrawnIt(double k, double view, double toK, double toView) {
        LensMatch lens = new LensMatch(new LensMatch.Drawn(k, view), new LensMatch.Drawn(toK, toView));
        double fo = lens.own().focal() * W;
        double fp = lens.plate().focal() * W;
        Point middle = new Point(W / 2.0, H / 2.0);
        for (Point off : List.of(new Point(-0.3 * W, -0.25 * H), new Point(0.28 * W, 0.2 * H), new Point(0, 0.3 * H))) {
            Point drawn = middle.plus(new LensBend(k).bent(off.times(1 / fo)).times(fo));
            Point wanted = middle.plus(new LensBend(toK).bent(off.times(1 / fp)).times(fp));
            Picture p = Picture.filled(W, H, 0, 0, 0);
            for (int y = 0; y < H; y++) {
                for (int x = 0; x < W; x++) {
                    double d = Math.hypot(x + 0.5 - drawn.x(), y + 0.5 - drawn.y());
                    p.g().data()[y * W + x] = (float) Math.exp(-d * d / 8);
                }
            }
            Point at = centroid(over(0, 0, LayerPicture.of(layer(lens), p)));
            assertThat(at.minus(wanted).length()).as("%s", off).isLessThan(0.12);
        }
    }

    private static Point centroid(Picture p) {
        double sum = 0;
        double sx = 0;
        double sy = 0;
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                double v = p.g().data()[y * W + x];
                sum += v;
                sx += v * (x + 0.5);
                sy += v * (y + 0.5);
            }
        }
        return new Point(sx / sum, sy / sum);
    }
}
