package org.scenothesis.core.layer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.StepKind;
import org.scenothesis.core.shot.step.Parameter;
import org.scenothesis.core.shot.step.PinnedCorners;
import org.scenothesis.core.value.Animated;
import org.scenothesis.core.value.Ease;

/// A picture pinned by its corners, against the geometry of a flat thing in perspective.
class PinnedCornersTest {
    private static final int W = 200;
    private static final int H = 100;
    /// A display seen from the side: its left edge nearer.
    private static final List<Point> SIDE = List.of(new Point(0.2, 0.1), new Point(0.7, 0.3), new Point(0.7, 0.7), new Point(0.2, 0.9));
    private final Bands bands = Bands.sequential();

    private Picture laid(PinnedCorners pin, Picture top, double seconds) {
        LayerPicture base = LayerPicture.of(Layer.of("base", "", "c"), Picture.filled(W, H, 0, 0, 0));
        return Composer.compose(List.of(base, LayerPicture.of(Layer.of("l", "", "p", pin), top)), null, seconds, bands);
    }

    /// A picture that says at each pixel where in it that is: across in red, down in green.
    private static Picture coordinates() {
        Picture p = Picture.filled(W, H, 0, 0, 1);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                p.r().data()[y * W + x] = (x + 0.5f) / W;
                p.g().data()[y * W + x] = (y + 0.5f) / H;
            }
        }
        return p;
    }

    @Test
    void theMiddleLiesWhereTheDiagonalsCross() {
        Picture out = laid(new PinnedCorners(Animated.of(SIDE)), coordinates(), 0);
        // The diagonals of SIDE: from (0.2, 0.1) to (0.7, 0.7) and from (0.7, 0.3) to (0.2, 0.9): they cross at 2/3 of the way, nearer the
        // small end.
        double x = 0.2 + 0.5 * 2 / 3;
        assertThat(out.r().at((int) (x * W), H / 2)).as("half the width is not half the way").isCloseTo(0.5f, within(0.01f));
        assertThat(out.g().at((int) (x * W), H / 2)).isCloseTo(0.5f, within(0.01f));
        assertThat(out.b().at((int) (0.1 * W), H / 2)).as("nothing outside").isZero();
        assertThat(out.b().at((int) (0.69 * W), (int) (0.25 * H))).as("nothing above its slanted edge").isZero();
        assertThat(out.b().at((int) (0.25 * W), H / 2)).isCloseTo(1, within(1e-4f));
    }

    @Test
    void asFilmedIsNotTouchedAndHalfAWayIsBetween() {
        assertThat(laid(new PinnedCorners(Animated.of(PinnedCorners.AS_FILMED)), coordinates(), 0).r().data())
                .containsExactly(coordinates().r().data());
        List<Point> right = PinnedCorners.AS_FILMED.stream().map(p -> p.plus(new Point(0.5, 0))).toList();
        PinnedCorners moves = new PinnedCorners(Animated.of(PinnedCorners.AS_FILMED).key(0, PinnedCorners.AS_FILMED, Ease.STEADY)
                .key(2, right, Ease.STEADY));
        assertThat(laid(moves, coordinates(), 1).r().at(W / 2, 10)).isCloseTo(0.2525f, within(0.001f));
    }

    @Test
    void whatBendsBothWaysIsRefusedAndOnItsWayThereNotSeen() {
        List<Point> crossed = List.of(new Point(0, 0), new Point(1, 1), new Point(1, 0), new Point(0, 1));
        List<Point> hollow = List.of(new Point(0, 0), new Point(1, 0), new Point(0.3, 0.3), new Point(0, 1));
        for (List<Point> c : List.of(crossed, hollow, List.of(new Point(0, 0), new Point(1, 0), new Point(1, 1)))) {
            assertThatIllegalArgumentException().isThrownBy(() -> new PinnedCorners(Animated.of(c)));
        }
        List<Point> mirrored = List.of(new Point(1, 0), new Point(0, 0), new Point(0, 1), new Point(1, 1));
        PinnedCorners turns = new PinnedCorners(Animated.of(PinnedCorners.AS_FILMED).key(0, PinnedCorners.AS_FILMED, Ease.STEADY)
                .key(2, mirrored, Ease.STEADY));
        assertThat(laid(turns, coordinates(), 1).b().data()).containsOnly(0f);
        assertThat(laid(turns, coordinates(), 2).r().at(10, 10)).as("a mirrored picture").isCloseTo(1 - 10.5f / W, within(0.01f));
    }

    @ParameterizedTest
    @CsvSource({"0, 12", "3, 14", "5, 80", "7, 95"})
    void everyCornerIsTypedAndReadBack(int number, double percent) {
        Parameter<?> p = StepKind.parameters(PinnedCorners.FRESH).get(number);
        assertThat(p.get(p.with(PinnedCorners.FRESH, 0, percent), 0)).isCloseTo(percent, within(1e-9));
    }

    @Test
    void aCornerThatWouldFoldThePictureStays() {
        assertThat(StepKind.parameters(PinnedCorners.FRESH).getFirst().with(PinnedCorners.FRESH, 0, 170)).isEqualTo(PinnedCorners.FRESH);
        assertThat(((PinnedCorners) StepKind.parameters(PinnedCorners.FRESH).getFirst().with(PinnedCorners.FRESH, 0, -20)).at(0).getFirst())
                .isEqualTo(new Point(-0.2, 0.1));
    }
}
