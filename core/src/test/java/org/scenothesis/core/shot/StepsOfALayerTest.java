package org.scenothesis.core.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.ColourGrade;
import org.scenothesis.core.shot.step.Difference;
import org.scenothesis.core.shot.step.DrawnShadow;
import org.scenothesis.core.shot.step.Exposure;
import org.scenothesis.core.shot.step.Extend;
import org.scenothesis.core.shot.step.Flip;
import org.scenothesis.core.shot.step.Follow;
import org.scenothesis.core.shot.step.FramePlace;
import org.scenothesis.core.shot.step.Glow;
import org.scenothesis.core.shot.step.Grain;
import org.scenothesis.core.shot.step.HandHeld;
import org.scenothesis.core.shot.step.Join;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.core.shot.step.KeySettings;
import org.scenothesis.core.shot.step.LayerBlur;
import org.scenothesis.core.shot.step.LensMatch;
import org.scenothesis.core.shot.step.Letterbox;
import org.scenothesis.core.shot.step.LockCorrection;
import org.scenothesis.core.shot.step.Luma;
import org.scenothesis.core.shot.step.Opacity;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.OwnAlpha;
import org.scenothesis.core.shot.step.Parameter;
import org.scenothesis.core.shot.step.PinnedCorners;
import org.scenothesis.core.shot.step.PointDriven;
import org.scenothesis.core.shot.step.Ripple;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.shot.step.Shadow;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.shot.step.TrackBinding;
import org.scenothesis.core.shot.step.TrackSteady;
import org.scenothesis.core.shot.step.Warp;
import org.scenothesis.core.shot.step.Wrap;
import org.scenothesis.core.value.Animated;
import org.scenothesis.core.value.Ease;
import org.scenothesis.core.value.Given;

class StepsOfALayerTest {
    private static final List<Point> SQUARE = List.of(new Point(0.2, 0.2), new Point(0.4, 0.2), new Point(0.4, 0.4), new Point(0.2, 0.4));

    static List<Step> everyKind() {
        return List.of(
                new LockCorrection(), Outline.of(SQUARE, 3), new Key(KeySettings.DEFAULT), Luma.LIGHT, Difference.from("clean"),
                new OwnAlpha(), new Exposure(0.5, true),
                ColourGrade.NEUTRAL.withSaturation(0.5), LayerBlur.LITTLE, LensMatch.STRAIGHT.withOwn(new LensMatch.Drawn(-0.1, 70)),
                Warp.FRESH, Ripple.FRESH, Grain.FINE, Flip.ABOUT_THE_MIDDLE, PinnedCorners.FRESH, Join.FRESH, Extend.HEADROOM,
                FramePlace.AS_FILMED, HandHeld.CALM.jolted(1),
                new TrackSteady(new TrackBinding("t", 1, true)), new Follow(new TrackBinding("t", 1, true)),
                SetPlace.asFilmed(Given.entered(new Vec(0, 0, 2))), Shadow.OF_STAGE, DrawnShadow.FRESH, Wrap.LITTLE, Glow.WARM,
                Letterbox.WIDE,
                Opacity.FULL);
    }

    @Test
    void valuesEaseBetweenKeysAndAreHeldOutside() {
        Animated<Vec> a = Animated.of(Vec.ZERO).key(2, new Vec(0, 1, 0), Ease.SOFT).key(1, Vec.ZERO, Ease.SOFT);
        assertThat(a.at(0.2, Vec::towards).y()).isZero();
        assertThat(a.at(9, Vec::towards).y()).isEqualTo(1);
        assertThat(a.at(1.5, Vec::towards).y()).isCloseTo(0.5, within(1e-9));
        assertThat(a.at(1.1, Vec::towards).y()).isLessThan(0.02);
        assertThat(a.key(1.01, new Vec(3, 0, 0), Ease.HOLD).keys()).hasSize(2).first().extracting(Animated.At::ease).isEqualTo(Ease.HOLD);
        assertThat(Ease.HOLD.at(0.99)).isZero();
        assertThat(Ease.STEADY.at(0.3)).isEqualTo(0.3);
        assertThat(Ease.SOFT.at(Double.NaN)).isNaN();
    }

    /// What has no keys is one value for all time; the last key taken away leaves its value.
    @Test
    void aStillValueStaysStillUntilAKeyIsSet() {
        Animated<Double> still = Animated.of(1.0).set(3, 2.0);
        assertThat(still.keys()).isEmpty();
        assertThat(still.at(0, Animated::number)).isEqualTo(2);
        Animated<Double> one = still.key(3, 5.0, Ease.STEADY).set(1, 7.0);
        assertThat(one.keys()).extracting(Animated.At::seconds).containsExactly(1.0, 3.0);
        assertThat(one.at(2, Animated::number)).isCloseTo(6.0, within(0.01));
        assertThat(one.without(1).without(3)).isEqualTo(Animated.of(5.0));
        assertThat(one.without(2)).isEqualTo(one);
    }

    @ParameterizedTest
    @MethodSource("everyKind")
    void keysAreSetEasedAndTakenAwayTogether(Step step) {
        Step with = Keys.set(Keys.set(step, 1), 2);
        assertThat(Keys.at(with, 1)).isEqualTo(Keys.can(step));
        assertThat(Keys.ease(Keys.eased(with, 1, Ease.HOLD), 1)).isEqualTo(Keys.can(step) ? Optional.of(Ease.HOLD) : Optional.empty());
        assertThat(Keys.without(Keys.without(with, 1), 2)).isEqualTo(step);
        assertThat(Layer.of("l", "", "p", with).keyTimes()).isEqualTo(Keys.can(step) ? List.of(1.0, 2.0) : List.of());
    }

    /// Every number is read back as it was set, takes both its bounds, and nothing beyond what the step allows.
    @ParameterizedTest
    @MethodSource("everyKind")
    void everyNumberTakesBothItsBounds(Step step) {
        for (Parameter<?> p : StepKind.parameters(step)) {
            for (double v : new double[] {p.span().low(), p.span().high()}) {
                Step with = p.with(step, 0, v);
                // Points that cannot lie so stay where they were.
                assertThat(p.get(with, 0)).as(p.code()).isCloseTo(step instanceof PointDriven && with.equals(step) ? p.get(step, 0)
                        : v, within(1e-9));
            }
            assertThat(p.get(step, 0)).isBetween(p.span().low(), p.span().high());
            assertThatIllegalArgumentException().as(p.code()).isThrownBy(() -> p.with(step, 0, Double.NaN));
        }
    }

    /// Every number has keys, or its row says why not; between its keys the step is the one with the number in between.
    @ParameterizedTest
    @MethodSource("everyKind")
    void everyNumberChangesBetweenItsKeysOrSaysWhyNot(Step step) {
        Step keyed = Keys.set(Keys.set(step, 1), 3);
        for (Parameter<?> p : StepKind.parameters(step)) {
            double was = p.get(step, 0);
            double to = was > (p.span().low() + p.span().high()) / 2 ? was - p.span().by() : was + p.span().by();
            Step with = Keys.eased(p.with(keyed, 3, to), 1, Ease.STEADY);
            double middle = p.get(with, 2);
            if (!p.keying().can()) {
                assertThat(middle).as(p.code()).isCloseTo(to, within(1e-9));
            } else if (!(step instanceof PointDriven && with.equals(keyed))) {
                assertThat(middle).as(p.code()).isCloseTo((was + to) / 2, within(1e-6));
                assertThat(p.get(with, 0)).isCloseTo(was, within(1e-9));
            }
            if (p.keying() == Parameter.Keying.BY_CODE) {
                assertThat(Keys.held(with, 2)).as(p.code()).isInstanceOf(step.getClass()).extracting(s -> p.get(s, 99)).isEqualTo(middle);
            }
        }
    }

    /// Whatever a document may say of a step can be keyed: bounds of numbers and of records are the same.
    @Test
    void theFurthestThatADocumentMaySayCanHaveAKey() {
        Outline soft = Outline.of(SQUARE, 400);
        for (Step s : List.of(new Exposure(-8, true), soft, new Flip(-20), Grain.FINE.withAmount(50), new Shadow(3, 5))) {
            assertThat(Keys.without(Keys.set(s, 1), 1)).isEqualTo(s);
        }
        assertThatIllegalArgumentException().isThrownBy(() -> Outline.of(SQUARE, 401));
        assertThatIllegalArgumentException().isThrownBy(() -> new Exposure(8.1, true));
        assertThatIllegalArgumentException().isThrownBy(() -> new Flip(20.1));
    }

    @Test
    void keysOfNoNumberOrOutOfBoundsAreRefused() {
        Animated<Double> key = Animated.of(1.0).key(1, 1.0, Ease.SOFT);
        assertThatIllegalArgumentException().isThrownBy(() -> Exposure.NONE.withKeyed(Map.of("blur", key))).withMessageContaining("blur");
        assertThatIllegalArgumentException().isThrownBy(() -> Exposure.NONE.withKeyed(Map.of("gain", Animated.of(1.0))))
                .withMessageContaining("keys");
        assertThatIllegalArgumentException().isThrownBy(() -> Exposure.NONE.withKeyed(Map.of("gain", key.set(1, 50.0))))
                .withMessageContaining("-8");
        assertThatIllegalArgumentException().isThrownBy(() -> HandHeld.CALM.withKeyed(Map.of("wobble-sways", key)));
        assertThat(Layer.of("l", "", "p",
                new Key(KeySettings.DEFAULT, Map.of("choke", Animated.of(0.0).key(0, 0.0, Ease.STEADY).key(2, 4.0, Ease.STEADY)))).key(1)
                .chokePx()).isEqualTo(2);
    }

    /// The table of kinds has a row for each, in the usual order, and each is put in as its own kind.
    @Test
    void everyKindHasItsRow() {
        assertThat(everyKind()).extracting(StepKind::of).containsExactly(StepKind.values());
        assertThat(everyKind()).allSatisfy(s -> assertThat(StepKind.of(s).type()).isEqualTo(s.getClass()));
        Shot shot = new Shot("1", 1, "", "", 1, List.of(), List.of(), List.of(), List.of(), null);
        assertThat(Layers.addable(shot, Layer.of("l", "", "p"))).allSatisfy(s -> assertThat(Layer.of("l", "", "p").with(s).steps())
                .containsExactly(s));
        assertThat(Layers.addable(shot, Layers.whole(shot))).extracting(StepKind::of).contains(StepKind.LETTERBOX, StepKind.FLIP)
                .doesNotContain(StepKind.HAND_HELD, StepKind.KEY, StepKind.SET_PLACE);
    }

    /// In whatever order steps are put in, each stands behind those it needs.
    @Test
    void stepsGoWhereTheyBelong() {
        Layer l = Layer.of("l", "", "p");
        for (Step s : everyKind().reversed()) {
            l = l.with(s);
        }
        assertThat(l.steps()).isEqualTo(everyKind());
        assertThat(l.with(new Exposure(1, false)).steps()).hasSize(everyKind().size()).contains(new Exposure(1, false));
        assertThat(l.with(Exposure.NONE, g -> g.withGainStops(2)).step(Exposure.class)).contains(new Exposure(2, true));
        assertThat(l.without(Key.class).keyed()).isFalse();
        assertThat(l.without(0).with(0, Outline.NONE).steps().getFirst()).isEqualTo(Outline.NONE);
    }

    @Test
    void theGarbageMatteIsTheOutlineBeforeTheKey() {
        Outline o = Outline.of(SQUARE, 0);
        Key key = new Key(KeySettings.DEFAULT);
        assertThat(Layer.of("l", "", "p", o, key).garbage()).isEqualTo(o);
        assertThat(Layer.of("l", "", "p", key, o).garbage()).isEqualTo(Outline.NONE);
        assertThat(Layer.of("l", "", "p", o).garbage()).isEqualTo(Outline.NONE);
    }

    /// Corners move to their like; an outline with more or fewer is held until the next key.
    @Test
    void outlinesHaveKeysOfTheirOwn() {
        List<Point> right = SQUARE.stream().map(p -> p.plus(new Point(0.2, 0))).toList();
        Outline o = Outline.of(Animated.of(SQUARE).key(1, SQUARE, Ease.STEADY).key(3, right, Ease.STEADY)
                .key(4, SQUARE.subList(0, 3), Ease.STEADY), 2);
        assertThat(o.at(2).getFirst().x()).isCloseTo(0.3, within(1e-12));
        assertThat(o.at(3.5)).isEqualTo(right);
        assertThat(o.at(4)).hasSize(3);
        assertThat(o.withCorners(2, right).corners().keys()).hasSize(4);
    }

    @ParameterizedTest
    @CsvSource({"0, 0", "1, 1", "2, 2", "2.5, 0.5", "5, 1", "-0.5, 1.5"})
    void aLoopGoesRoundAndRound(double seconds, double at) {
        assertThat(new TimeMap.Looped(3, 5).at(seconds)).isCloseTo(3 + at % 2, within(1e-9));
    }

    @Test
    void timeRunsAsItIsTold() {
        assertThat(TimeMap.AS_FILMED.at(1.7)).isEqualTo(1.7);
        assertThat(new TimeMap.Straight(4, -2).at(1.5)).isEqualTo(1);
        assertThat(new TimeMap.Held(2).at(99)).isEqualTo(2);
        assertThatIllegalArgumentException().isThrownBy(() -> new TimeMap.Looped(2, 2));
    }

    /// What is seen when somebody holds a layer is what stays.
    @Test
    void anotherKindOfTimeShowsWhatWasShown() {
        TimeMap filmed = new TimeMap.Straight(1, 2);
        assertThat(filmed.as("held", 1.5)).isEqualTo(new TimeMap.Held(4));
        assertThat(new TimeMap.Held(4).as("straight", 1.5)).isEqualTo(new TimeMap.Straight(2.5, 1));
        assertThat(new TimeMap.Straight(-3, 1).as("held", 1)).as("before it begins the first frame is shown")
                .isEqualTo(new TimeMap.Held(0));
        assertThat(filmed.as("looped", 1.5)).isEqualTo(new TimeMap.Looped(1, 2));
    }
}
