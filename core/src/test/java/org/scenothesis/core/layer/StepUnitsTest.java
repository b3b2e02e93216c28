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
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Blend;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.step.Exposure;
import org.scenothesis.core.shot.step.Grain;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.core.shot.step.KeySettings;
import org.scenothesis.core.shot.step.LockCorrection;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.OwnAlpha;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.Stages;
import org.scenothesis.core.value.Animated;
import org.scenothesis.core.value.Ease;
import org.scenothesis.core.value.Given;

class StepUnitsTest {
    private static final Bands MANY = Bands.pooled(2);

    @AfterAll
    static void close() {
        MANY.close();
    }

    @ParameterizedTest
    @CsvSource({"OVER, 0.2, 0.5, 0.5", "ADD, 0.2, 0.5, 0.7", "SCREEN, 0.2, 0.5, 0.6", "SCREEN, 0.2, 1.5, 1.5", "LIGHTEN, 0.2, 0.5, 0.5",
            "LIGHTEN, 0.6, 0.5, 0.6"})
    void blendsAreWhatTheyAreCalled(Blend blend, float base, float top, float wanted) {
        Picture out = over(base, 1, LayerPicture.of(layer().withBlend(blend), grey(top)));
        assertThat(out.g().at(7, 7)).isCloseTo(wanted, within(1e-6f));
        // Half there is half way, whatever the blend.
        Picture half = over(base, 1, LayerPicture.of(layer(new OwnAlpha()).withBlend(blend), grey(top)
                .withAlpha(Plane.filled(W, H, 0.5f))));
        assertThat(half.g().at(7, 7)).isCloseTo((base + wanted) / 2, within(1e-6f));
    }

    /// Any number may change over the shot: half way between its keys a gain of two stops is one.
    @ParameterizedTest
    @CsvSource({"0, 0.1", "1, 0.2", "2, 0.4", "3, 0.4"})
    void aNumberWithKeysIsWorkedAsItIsAtTheMoment(double seconds, float wanted) {
        Step g = Exposure.NONE.withKeyed(Map.of("gain", Animated.of(0.0).key(0, 0.0, Ease.STEADY).key(2, 2.0, Ease.STEADY)));
        assertThat(over(0, seconds, LayerPicture.of(layer(g), grey(0.1f))).g().at(5, 5)).isCloseTo(wanted, within(1e-6f));
    }

    /// Its deviation is as told at every level, its mean nothing; each frame has its own, and the same each time.
    @ParameterizedTest
    @CsvSource({"0.18, 1, 4", "0.18, 3, 4", "0.5, 1, 10", "0.02, 1.6, 2"})
    void grainIsAsStrongAsItIsTold(float level, double size, double amount) {
        LayerPicture grained = LayerPicture.of(layer(new Grain(amount, size)), grey(level));
        Picture out = over(0, 1, grained);
        double sum = 0;
        double square = 0;
        double beside = 0;
        for (int i = 0; i < W * H - 1; i++) {
            double d = out.g().data()[i] - level;
            sum += d;
            square += d * d;
            beside += d * (out.g().data()[i + 1] - level);
        }
        double deviation = Math.sqrt(square / (W * H));
        double wanted = amount / 100 * 0.18 * Math.sqrt(level / 0.18);
        assertThat(deviation).isCloseTo(wanted, within(0.06 * wanted));
        assertThat(sum / (W * H)).isCloseTo(0, within(0.15 * wanted));
        // Neighbours are as alike as the grain is wide.
        assertThat(beside / square).isBetween(size <= 1 ? -0.05 : 0.2, size <= 1 ? 0.05 : 0.95);
        assertThat(over(0, 1, grained).g().data()).isEqualTo(out.g().data());
        assertThat(out.r().data()).isNotEqualTo(out.g().data());
        Picture later = Composer.compose(List.of(grained), null, 1.04, MANY);
        assertThat(later.g().data()).isNotEqualTo(out.g().data());
    }

    @Test
    void grainLeavesWhatIsNotThereAlone() {
        Picture element = grey(0.5f).withAlpha(Plane.of(W, H));
        assertThat(over(0.3f, 1, LayerPicture.of(layer(new OwnAlpha(), new Grain(20, 1)), element)).b().data()).containsOnly(0.3f);
        assertThat(over(0.3f, 1, LayerPicture.of(layer(new Grain(0, 1)), grey(0.4f))).b().data()).containsOnly(0.4f);
    }

    private static List<Point> box(double left, double right) {
        return List.of(new Point(left / W, 0), new Point(right / W, 0), new Point(right / W, 1), new Point(left / W, 1));
    }

    @Test
    void anOutlineMovesWithItsKeys() {
        Outline o = Outline.of(Animated.of(box(0, 10)).key(0, box(0, 10), Ease.STEADY).key(2, box(100, 110), Ease.STEADY), 0);
        Picture out = over(0.1f, 1, LayerPicture.of(layer(o), grey(0.9f)));
        assertThat(out.g().at(5, 40)).isEqualTo(0.1f);
        assertThat(out.g().at(55, 40)).isCloseTo(0.9f, within(1e-6f));
        assertThat(out.g().at(105, 40)).isEqualTo(0.1f);
    }

    @Test
    void twoOutlinesLeaveWhatIsInBoth() {
        Picture out = over(0.1f, 1, LayerPicture.of(layer(Outline.of(box(20, 60), 0), Outline.of(box(40, 90), 0)), grey(0.9f)));
        assertThat(out.g().at(30, 40)).isEqualTo(0.1f);
        assertThat(out.g().at(50, 40)).isCloseTo(0.9f, within(1e-6f));
        assertThat(out.g().at(70, 40)).isEqualTo(0.1f);
    }

    /// An outline before a key is its garbage matte, one behind it cuts what was keyed.
    @Test
    void aKeyTakesTheOutlineBeforeIt() {
        List<List<Point>> asked = new ArrayList<>();
        LayerPicture.Keying keying = (frame, settings, garbage) -> {
            asked.add(garbage);
            return Piece.whole(frame.withAlpha(Plane.filled(W, H, 1)));
        };
        Key key = new Key(KeySettings.DEFAULT);
        Picture before = over(0.1f, 1, LayerPicture.of(layer(Outline.of(box(20, 60), 0), key), grey(0.9f)).withKeying(keying));
        Picture behind = over(0.1f, 1, LayerPicture.of(layer(key, Outline.of(box(20, 60), 0)), grey(0.9f)).withKeying(keying));
        assertThat(asked).containsExactly(box(20, 60), List.of());
        assertThat(before.g().at(5, 5)).isCloseTo(0.9f, within(1e-6f));
        assertThat(behind.g().at(5, 5)).isEqualTo(0.1f);
        assertThat(behind.g().at(30, 5)).isCloseTo(0.9f, within(1e-6f));
        assertThatIllegalArgumentException().isThrownBy(() -> over(0.1f, 1, LayerPicture.of(layer(key), grey(0.9f))))
                .withMessageContaining("screen");
    }

    /// Part of a plate can be put elsewhere on the set: what counts of it moves as one thing.
    @Test
    void aPatchCanBePlaced() {
        Stage stage = Stages.plain();
        Layer l = layer(Outline.of(box(70, 80), 0), SetPlace.at(Given.entered(new Vec(0, 0, 1)), new Vec(1, 0, 1)));
        Picture out = Composer.compose(List.of(LayerPicture.of(Layer.of("base", "", "c"), grey(0.1f)), LayerPicture.of(l, grey(0.9f))),
                stage, 0, MANY);
        // A metre at four metres with a focal length of 160 pixels.
        assertThat(out.g().at(75, 40)).isCloseTo(0.1f, within(1e-5f));
        assertThat(out.g().at(115, 40)).isCloseTo(0.9f, within(1e-4f));
    }

    /// Half a pixel back and as much on again: sampled twice, the finest pattern would be grey.
    @Test
    void whatIsSteadiedAndPlacedIsSampledOnce() {
        Picture fine = grey(0.2f);
        for (int i = 0; i < W * H; i++) {
            fine.g().data()[i] = i % 2 == 0 ? 0.2f : 0.8f;
        }
        SetPlace place = SetPlace.at(Given.entered(new Vec(0, 0, 1)), new Vec(1 - 0.5 / 40, 0, 1));
        Layer l = layer(new LockCorrection(), new OwnAlpha(), place);
        LayerPicture moved = LayerPicture.of(l, fine.withAlpha(Plane.filled(W, H, 1))).withToBase(PlanarMap.shift(0.5, 0));
        Picture out = Composer.compose(List.of(LayerPicture.of(Layer.of("base", "", "c"), grey(0.1f)), moved), Stages.plain(), 0, MANY);
        for (int x = 60; x < 90; x++) {
            assertThat(out.g().at(x, 40)).as("at %d", x).isCloseTo(x % 2 == 0 ? 0.2f : 0.8f, within(0.002f));
        }
    }

    /// A screen fits the frame as it was filmed; outlines are drawn on the base.
    @Test
    void whatIsSteadiedIsKeyedAsItWasFilmed() {
        List<Picture> frames = new ArrayList<>();
        List<List<Point>> asked = new ArrayList<>();
        Picture half = Picture.filled(W / 2, H / 2, 0.9f, 0.9f, 0.9f);
        Plane left = Plane.of(W / 2, H / 2);
        for (int y = 0; y < H / 2; y++) {
            Arrays.fill(left.data(), y * W / 2, y * W / 2 + W / 4, 1);
        }
        LayerPicture of = LayerPicture.of(layer(new LockCorrection(), Outline.of(box(20, 60), 0), new Key(KeySettings.DEFAULT)), half)
                .fitted(W, H).withToBase(PlanarMap.shift(4, 0))
                .withKeying((frame, settings, garbage) -> {
                    frames.add(frame);
                    asked.add(garbage);
                    return Piece.whole(frame.withAlpha(left));
                });
        Picture out = over(0.1f, 1, of);
        assertThat(frames).containsExactly(half);
        assertThat(asked.getFirst().getFirst().x()).isCloseTo((20 - 8.0) / W, within(1e-9));
        // Its left half, twice as large, eight pixels to the right.
        assertThat(out.g().at(4, 40)).isCloseTo(0.1f, within(1e-5f));
        assertThat(out.g().at(12, 40)).isCloseTo(0.9f, within(1e-4f));
        assertThat(out.g().at(W / 2 + 4, 40)).isCloseTo(0.9f, within(1e-4f));
        assertThat(out.g().at(W / 2 + 12, 40)).isCloseTo(0.1f, within(1e-4f));
    }

    /// Light gained goes through other steps as a picture of its own.
    @Test
    void gainedLightIsSteadiedAndGraded() {
        Picture lit = grey(0.3f);
        lit.g().data()[40 * W + 50] = 0.7f;
        Layer l = Layer.light("g", "", "lamp", "c").withSteps(List.of(new LockCorrection(), new Exposure(1, false)));
        Picture out = over(0.1f, 1, LayerPicture.of(l, lit).withUnlit(grey(0.2f)).withToBase(PlanarMap.shift(3, 0)));
        assertThat(out.g().at(53, 40)).isCloseTo(0.1f + 2 * 0.5f, within(1e-4f));
        assertThat(out.g().at(20, 40)).isCloseTo(0.1f + 2 * 0.1f, within(1e-5f));
    }

    /// The lowest layer lies on black, whatever it is.
    @Test
    void anythingCanLieLowest() {
        Picture keyed = grey(0.5f).withAlpha(Plane.filled(W, H, 0.25f));
        assertThat(Composer.compose(List.of(LayerPicture.of(layer(new OwnAlpha()), keyed)), null, 0, MANY).r().at(3, 3))
                .isCloseTo(0.125f, within(1e-7f));
        assertThat(Composer.compose(List.of(LayerPicture.of(layer(Outline.of(box(20, 60), 0)), grey(0.5f))), null, 0, MANY).r().at(3, 3))
                .isZero();
    }
}
