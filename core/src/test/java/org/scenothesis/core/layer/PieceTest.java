package org.scenothesis.core.layer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import java.util.SplittableRandom;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.match.Gains;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.step.Opacity;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.OwnAlpha;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.shot.step.Shadow;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.Stages;
import org.scenothesis.core.value.Animated;
import org.scenothesis.core.value.Given;

/// A layer given as a small piece must come out like the same layer given as a whole frame, wherever it lies.
class PieceTest {
    private static final int W = 192;
    private static final int H = 108;
    private static final Bands MANY = Bands.pooled(2);
    private final Stage stage = Stages.plain();

    @AfterAll
    static void close() {
        MANY.close();
    }

    private static Picture noise(long seed) {
        Picture p = Picture.of(W, H);
        SplittableRandom r = new SplittableRandom(seed);
        p.colours().forEach(c -> {
            for (int i = 0; i < c.data().length; i++) {
                c.data()[i] = (float) r.nextDouble();
            }
        });
        return p;
    }

    /// A soft disc; nothing of it outside `box`.
    private static Picture element(Box box) {
        Plane a = Plane.of(W, H);
        double cx = (box.left() + box.right()) / 2.0;
        double cy = (box.top() + box.bottom()) / 2.0;
        double radius = Math.min(box.width(), box.height()) / 2.0 - 3;
        for (int y = box.top(); y < box.bottom(); y++) {
            for (int x = box.left(); x < box.right(); x++) {
                a.data()[y * W + x] = (float) Math.clamp((radius - Math.hypot(x + 0.5 - cx, y + 0.5 - cy)) / 2 + 0.5, 0, 1);
            }
        }
        return noise(7).withAlpha(a);
    }

    private static LayerPicture base() {
        return LayerPicture.of(Layer.of("base", "", "c"), noise(1));
    }

    private static Layer layer(Vec to) {
        return Layer.of(
                "e", "", "p", new OwnAlpha(),
                new SetPlace(Given.entered(new Vec(0.1, 0.2, 1)), Animated.of(to), Animated.of(4.0), Animated.of(1.2)), Shadow.OF_STAGE,
                new Opacity(Animated.of(0.8)));
    }

    private static void assertClose(Picture a, Picture b) {
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < W * H; i++) {
                assertThat(a.colours().get(c).data()[i]).as("pixel " + i % W + ", " + i / W)
                        .isCloseTo(b.colours().get(c).data()[i], Offset.offset(2e-4f));
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"60, 30, 110, 80", "0, 0, 40, 40", "150, 70, 192, 108", "90, 0, 130, 30"})
    void aPieceIsLaidLikeTheWholeFrameItIsCutFrom(int left, int top, int right, int bottom) {
        Box box = new Box(left, top, right, bottom);
        Picture whole = element(box);
        Layer l = layer(new Vec(0.4, 0.5, 1.6));
        Picture wanted = Composer.compose(List.of(base(), LayerPicture.of(l, whole)), stage, 0, Bands.sequential());
        Picture found = Composer.compose(List.of(base(), LayerPicture.of(l, new Piece(box.cut(whole), box))), stage, 0, MANY);
        assertClose(found, wanted);
        assertThat(found.g().data()).isNotEqualTo(base().picture().g().data());
    }

    @Test
    void anElementOutOfThePictureLeavesTheBaseAlone() {
        Box box = new Box(60, 30, 110, 80);
        Piece piece = new Piece(box.cut(element(box)), box);
        Layer away = layer(new Vec(90, 0.5, 1.6)).without(Shadow.class);
        assertThat(Composer.compose(List.of(base(), LayerPicture.of(away, piece)), stage, 0, MANY).r().data())
                .containsExactly(base().picture().r().data());
        Piece nothing = new Piece(Picture.of(5, 5).withAlpha(Plane.of(5, 5)), new Box(10, 10, 15, 15));
        assertThat(Composer.compose(List.of(base(), LayerPicture.of(layer(Vec.ZERO), nothing)), stage, 0, MANY).r().data())
                .containsExactly(base().picture().r().data());
    }

    @Test
    void aMaskedPatchCountsOnlyWithinItsMask() {
        List<Point> corners = List.of(new Point(30.0 / W, 20.0 / H), new Point(33.5 / W, 20.0 / H), new Point(33.5 / W, 22.0 / H),
                new Point(30.0 / W, 22.0 / H));
        Layer l = Layer.patch("p", "", "p").with(Outline.of(corners, 0));
        Picture over = noise(5);
        Picture out = Composer.compose(List.of(base(), LayerPicture.of(l, over).withGains(new Gains(2, 2, 2))), null, 0, MANY);
        Picture under = base().picture();
        assertThat(out.r().at(30, 20)).isCloseTo(2 * over.r().at(30, 20), Offset.offset(1e-6f));
        assertThat(out.b().at(33, 21)).isCloseTo(over.b().at(33, 21) + 0.5f * under.b().at(33, 21), Offset.offset(1e-5f));
        assertThat(out.r().at(34, 20)).isEqualTo(under.r().at(34, 20));
        assertThat(out.r().at(29, 20)).isEqualTo(under.r().at(29, 20));
    }

    @Test
    void masksKeepOnlyWhatIsNotNothing() {
        Plane m = Plane.of(W, H);
        m.data()[20 * W + 30] = 1;
        m.data()[21 * W + 33] = 0.5f;
        assertThat(Mask.of(m).at()).isEqualTo(new Box(30, 20, 34, 22));
        Mask both = Mask.of(m).times(new Mask(Plane.filled(10, 10, 0.5f), new Box(33, 15, 43, 25)));
        assertThat(both.at()).isEqualTo(new Box(33, 20, 34, 22));
        assertThat(both.coverage().data()).containsExactly(0, 0.25f);
    }

    @Test
    void aShiftedPatchIsBroughtBackBeforeItIsLaid() {
        Picture under = base().picture();
        // Every pixel of the patch's frame stands two to the right of where it belongs.
        Picture shifted = Picture.of(W, H);
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < W * H; i++) {
                shifted.colours().get(c).data()[i] = under.colours().get(c).data()[i / W * W + Math.max(0, i % W - 2)];
            }
        }
        Picture out = Composer.compose(
                List.of(base(), LayerPicture.of(Layer.patch("p", "", "p"), shifted).withToBase(PlanarMap.shift(-2, 0))), null, 0, MANY);
        for (int x = 4; x < W - 4; x++) {
            assertThat(out.g().at(x, 50)).isCloseTo(under.g().at(x, 50), Offset.offset(1e-5f));
        }
    }

    @Test
    void mapsBetweenPiecesAreTheSameMap() {
        PlanarMap m = PlanarMap.similarity(1.3, 0.4, new Point(50, 20), new Point(7, 3));
        PlanarMap between = m.between(new Box(10, 20, 30, 40), new Box(5, 6, 25, 26));
        Point whole = m.map(14, 29);
        Point part = between.map(4, 9);
        assertThat(part.x()).isCloseTo(whole.x() - 5, Offset.offset(1e-9));
        assertThat(part.y()).isCloseTo(whole.y() - 6, Offset.offset(1e-9));
    }

    @Test
    void masksMustFillTheirBoxes() {
        assertThatIllegalArgumentException().isThrownBy(() -> new Mask(Plane.of(3, 3), new Box(0, 0, 3, 4)));
        assertThat(Mask.of(Plane.of(8, 8)).coverage().data()).containsExactly(0f);
    }
}
