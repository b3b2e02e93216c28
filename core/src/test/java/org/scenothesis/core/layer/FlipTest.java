package org.scenothesis.core.layer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.StepMotions;
import org.scenothesis.core.shot.step.Exposure;
import org.scenothesis.core.shot.step.Flip;
import org.scenothesis.core.shot.step.FramePlace;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.Step;

/// A picture in which every pixel is another, mirrored left and right.
class FlipTest {
    private static final int W = 96;
    private static final int H = 64;
    private static final List<Point> LEFT_HALF = List.of(new Point(0, 0), new Point(0.5, 0), new Point(0.5, 1), new Point(0, 1));

    private static Picture uneven() {
        Picture p = Picture.of(W, H);
        for (int i = 0; i < W * H; i++) {
            p.r().data()[i] = i % W / (float) W;
            p.g().data()[i] = i / W / (float) H;
            p.b().data()[i] = i % 7 / 7f;
        }
        return p;
    }

    private static Picture laid(Step... steps) {
        LayerPicture below = LayerPicture.of(Layer.of("base", "", "c"), Picture.filled(W, H, 0, 0, 0));
        return Composer.compose(List.of(below, LayerPicture.of(Layer.of("l", "", "p", steps), uneven())), null, 0, Bands.sequential());
    }

    private static void assertMirrored(Picture out, int fromColumn) {
        Picture in = uneven();
        for (int c = 0; c < 3; c++) {
            for (int y = 0; y < H; y++) {
                for (int x = fromColumn; x < W; x++) {
                    assertThat(out.colours().get(c).at(x, y)).isCloseTo(in.colours().get(c).at(W - 1 - x, y), within(1e-5f));
                }
            }
        }
    }

    @Test
    void aWholePictureIsMirroredPixelByPixel() {
        assertMirrored(laid(Flip.ABOUT_THE_MIDDLE), 0);
        assertMirrored(laid(new Exposure(0, false), Flip.ABOUT_THE_MIDDLE), 0);
    }

    @Test
    void twiceIsAsFilmed() {
        assertThat(laid(Flip.ABOUT_THE_MIDDLE, Flip.ABOUT_THE_MIDDLE).b().data()).containsExactly(laid().b().data());
    }

    /// What was cut before it goes along: the left half lies on the right.
    @Test
    void anOutlineBeforeItIsMirroredWithIt() {
        Picture out = laid(Outline.of(LEFT_HALF, 0), Flip.ABOUT_THE_MIDDLE);
        assertMirrored(out, W / 2 + 1);
        assertThat(out.b().at(3, 5)).isZero();
        Layer l = Layer.of("l", "", "p", Outline.of(LEFT_HALF, 0), Flip.ABOUT_THE_MIDDLE,
                FramePlace.AS_FILMED.with(0, new FramePlace.Lie(new Point(0.1, 0), 0, 1)));
        Shot shot = new Shot("1", 1, "", "", 1, List.of(), List.of(), List.of(), List.of(l), null);
        Point there = StepMotions.carried(shot, l, 0, 0, 1.5).map(new Point(0.2, 0.3));
        assertThat(there.x()).isCloseTo(0.9, within(1e-3));
        assertThat(there.y()).isCloseTo(0.3, within(1e-9));
    }

    @Test
    void itsLineIsChosen() {
        Picture out = laid(Outline.of(LEFT_HALF, 0), new Flip(0.25));
        assertThat(out.r().at(10, 8)).isCloseTo((W / 2 - 11) / (float) W, within(1e-5f));
        assertThat(out.r().at(3 * W / 4, 8)).isZero();
    }
}
