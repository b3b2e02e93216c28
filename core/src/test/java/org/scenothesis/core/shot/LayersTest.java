package org.scenothesis.core.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.shot.step.Exposure;
import org.scenothesis.core.shot.step.Follow;
import org.scenothesis.core.shot.step.FramePlace;
import org.scenothesis.core.shot.step.Grain;
import org.scenothesis.core.shot.step.Join;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.core.shot.step.KeySettings;
import org.scenothesis.core.shot.step.Opacity;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.TrackBinding;
import org.scenothesis.core.value.Animated;
import org.scenothesis.core.value.Ease;

class LayersTest {
    private static Plate plate(String id, PlateRole role) {
        return new Plate(id, id, role, Spike.T, "A", "A", 0, List.of());
    }

    private static Shot shot() {
        Shot s = new Shot("1", 1, "", "", 4, List.of(), List.of(), List.of(plate("clean", PlateRole.CLEAN)), List.of(), null);
        return s.withLayers(List.of(Layer.of("a", "A", "clean"), Layer.of("b", "B", "clean"), Layer.of("c", "C", "clean")));
    }

    private static List<String> ids(Shot s) {
        return s.layers().stream().map(Layer::id).toList();
    }

    @Test
    void aPlateIsLaidByWhatItWasFilmedFor() {
        Shot s = shot();
        assertThat(Layers.fresh(s, plate("ball", PlateRole.ELEMENT)).keyed()).isTrue();
        assertThat(Layers.fresh(s, plate("view", PlateRole.BACKGROUND)).steps()).isEmpty();
        assertThat(Layers.fresh(s, plate("spark", PlateRole.ON_BLACK)).blend()).isEqualTo(Blend.SCREEN);
        assertThat(Layers.fresh(s, plate("lamp", PlateRole.LIGHT_PASS)).source()).isEqualTo(new Source.LightGained("lamp", "clean"));
        assertThat(Layers.fresh(s.withPlates(List.of()), plate("lamp", PlateRole.LIGHT_PASS)).source()).as("nothing to gain it over")
                .isEqualTo(new Source.OfPlate("lamp"));
        assertThat(Layers.fresh(s, plate("b", PlateRole.PRACTICAL)).id()).isEqualTo("b-2");
    }

    @ParameterizedTest
    @CsvSource({"a, 1, bac", "a, 9, bca", "c, -1, acb", "c, -9, cab", "b, 0, abc", "x, 1, abc"})
    void thePileIsReorderedNoFurtherThanItGoes(String id, int by, String order) {
        assertThat(String.join("", ids(Layers.moved(shot(), id, by)))).isEqualTo(order);
    }

    @Test
    void aCopyLiesAboveAndTakingAwayLeavesTheRest() {
        Shot s = Layers.copied(shot(), "a");
        assertThat(ids(s)).containsExactly("a", "a-2", "b", "c");
        assertThat(ids(Layers.copied(s, "a"))).containsExactly("a", "a-3", "a-2", "b", "c");
        assertThat(ids(Layers.without(s, "a"))).containsExactly("a-2", "b", "c");
        assertThat(Layers.copied(s, "gone")).isEqualTo(s);
    }

    @Test
    void aShadowOnAClothIsALayerUnderItsElement() {
        Plate ball = plate("ball", PlateRole.ELEMENT);
        Shot s = shot().withPlates(List.of(plate("clean", PlateRole.CLEAN), ball)).withLayers(List.of(Layer.of("a", "A", "clean"),
                Layer.of("e", "E", "ball", new Key(KeySettings.DEFAULT), new Opacity(Animated.of(0.5)))));
        Layer shadow = Layers.shadow(s, ball);
        assertThat(ids(Layers.shadowed(s, shadow))).containsExactly("a", "ball-shadow", "e");
        assertThat(ids(Layers.shadowed(Layers.without(s, "e"), shadow))).as("nothing to lie under").containsExactly("a", "ball-shadow");
        assertThat(Layers.sources(s, Layer.of("x", "X", "clean"))).doesNotContain("kept-light");
        Layer of = Layers.sourced(s, s.layer("e").orElseThrow(), "kept-light").orElseThrow();
        assertThat(of.source()).isEqualTo(new Source.KeptLight("ball"));
        assertThat(of.blend()).isEqualTo(Blend.MULTIPLY);
        assertThat(of.steps()).as("it is not keyed, and as present as before").containsExactly(new Opacity(Animated.of(0.5)));
        assertThat(Layers.addable(s, of)).noneMatch(Key.class::isInstance);
        assertThat(Layers.sourced(s, of, "plate").orElseThrow().blend()).isEqualTo(Blend.OVER);
    }

    @Test
    void siblingsShareTreatmentAndKeepTheirPlace() {
        Layer from = Layer.of("a", "A", "clean", new Key(KeySettings.DEFAULT.withSolidAbove(0.5)), new Exposure(1, false),
                FramePlace.AS_FILMED);
        Layer keyed = Layer.of("b", "B", "clean", new Key(KeySettings.DEFAULT), Grain.FINE);
        Shot s = Layers.treated(Layers.treated(shot().withLayers(List.of(from, keyed, Layer.of("c", "C", "clean"))), "a", "b"), "a", "c");
        assertThat(s.layer("b").orElseThrow().steps()).containsExactly(new Key(KeySettings.DEFAULT.withSolidAbove(0.5)),
                new Exposure(1, false));
        assertThat(s.layer("c").orElseThrow().steps()).as("what was never on a screen is not keyed")
                .containsExactly(new Exposure(1, false));
    }

    @Test
    void aloneAllOthersAreOff() {
        assertThat(Layers.alone(shot(), "b").layers().stream().filter(Layer::on)).extracting(Layer::id).containsExactly("b");
    }

    @ParameterizedTest
    @CsvSource({"15, 1080, 25", "1920, 16385, 25", "1920, 1080, 0.5", "1920, 1080, NaN", "1920, 1080, 241"})
    void noPictureIsSmallerThanNothing(int width, int height, double rate) {
        assertThatIllegalArgumentException().isThrownBy(() -> new FrameFormat(width, height, rate));
    }

    @Test
    void aLayerBeginsAndEndsAtAFrameAndNowhereElse() {
        Layer l = Layers.ending(Layers.beginning(Layer.of("l", "", "p"), 1), 3);
        for (double t : new double[] {0, 0.5, 0.99, 3, 3.9}) {
            assertThat(l.presence(t)).as("at %s", t).isZero();
        }
        for (double t : new double[] {1, 1.01, 2, 2.99}) {
            assertThat(l.presence(t)).as("at %s", t).isEqualTo(1);
        }
        assertThat(Layers.there(l, 4, 25)).isEqualTo(new Layers.Stretch(1, 3));
        assertThat(Layers.there(Layer.of("l", "", "p"), 4, 25)).isEqualTo(new Layers.Stretch(0, 4));
        assertThat(Layers.there(Layers.beginning(l, 0), 4, 25)).as("from the beginning again").isEqualTo(new Layers.Stretch(0, 3));
        assertThatIllegalArgumentException().isThrownBy(() -> Layers.ending(l, 0));
    }

    @Test
    void aFrameWhoseTimeIsRoundedHasReachedItsKey() {
        Layer l = Layers.later(Layers.beginning(Layer.of("l", "", "p"), 31 / 24.0), 1 / 24.0);
        assertThat(l.presence(32 / 24.0)).isEqualTo(1);
        assertThat(l.presence(31 / 24.0)).isZero();
    }

    @Test
    void aFadeThatIsThereStaysWithinItsEnds() {
        Opacity fades = new Opacity(Animated.of(1.0).key(0, 0.0, Ease.STEADY).key(2, 1.0, Ease.STEADY));
        Layer l = Layers.ending(Layer.of("l", "", "p", fades), 1);
        assertThat(l.presence(0.5)).isCloseTo(0.25, within(0.01));
        assertThat(l.presence(0.98)).isCloseTo(0.49, within(0.01));
        assertThat(l.presence(1)).isZero();
        assertThat(l.presence(3)).isZero();
    }

    @Test
    void comingLaterATakeAndItsKeysStayTogether() {
        Layer l = Layers.beginning(Layer.of("l", "", "p").withTime(new TimeMap.Straight(0.5, 2)), 1);
        Layer later = Layers.later(l, 0.4);
        assertThat(later.time().at(1.4)).isCloseTo(l.time().at(1), within(1e-9));
        assertThat(Layers.there(later, 4, 25)).isEqualTo(new Layers.Stretch(1.4, 4));
        assertThat(Layers.there(Layers.later(later, -0.4), 4, 25)).isEqualTo(new Layers.Stretch(1, 4));
        assertThat(Layers.there(Layers.later(later, -9), 4, 25)).as("no key lies before the beginning").isEqualTo(new Layers.Stretch(0, 4));
    }

    @Test
    void halvesThatMoveAlikeKeepTheirOwnSeam() {
        Layer upper = Layer.of("u", "U", "p", Join.FRESH, FramePlace.AS_FILMED.withSize(Animated.of(2.0)));
        Layer lower = Layer.of("l", "L", "q", Join.FRESH.with(Join.Side.BELOW, 1), new Follow(new TrackBinding("t", 0, true)));
        Shot s = Layers.movedAlike(new Shot("s", 1, "", "", 1, List.of(), List.of(), List.of(), List.of(upper, lower), null), "u", "l");
        assertThat(s.layer("l").orElseThrow().steps()).containsExactly(Join.FRESH.with(Join.Side.BELOW, 1), upper.step(FramePlace.class)
                .orElseThrow());
        assertThat(Layers.movedAlike(s, "gone", "l")).isEqualTo(s);
    }

    @Test
    void outlinesAreAddedToThoseThereAre() {
        Outline one = Outline.of(Layers.MIDDLE, 1);
        Layer l = Layers.more(Layers.more(Layer.of("l", "", "p", FramePlace.AS_FILMED), one), one.withCounts(Outline.Counts.OUTSIDE));
        assertThat(l.steps()).containsExactly(one, one.withCounts(Outline.Counts.OUTSIDE), FramePlace.AS_FILMED);
        assertThat(Layers.more(l, FramePlace.AS_FILMED).steps()).hasSize(3);
        assertThat(l.with(new Key(KeySettings.DEFAULT)).garbage()).as("what lies outside is no garbage matte").isEqualTo(one);
    }

    @Test
    void aFrozenPatchHoldsOneFrameForASecond() {
        Shot s = Layers.frozen(shot(), "a", 1.5);
        Layer patch = s.layers().get(1);
        assertThat(patch.time().at(3)).as("whatever the moment").isEqualTo(shot().layer("a").orElseThrow().time().at(1.5));
        assertThat(patch.step(Outline.class)).as("within an outline").isPresent();
        assertThat(Layers.there(patch, 6, 25)).isEqualTo(new Layers.Stretch(1.52, 2.52));
        assertThat(s.layers()).hasSize(shot().layers().size() + 1);
        assertThat(Layers.frozen(s, "gone", 1)).isEqualTo(s);
    }
}
