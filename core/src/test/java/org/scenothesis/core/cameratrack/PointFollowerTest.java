package org.scenothesis.core.cameratrack;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import java.util.SplittableRandom;
import java.util.function.IntFunction;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Resample;

class PointFollowerTest {
    private static final int W = 480;
    private static final int H = 270;
    private static final Bands BANDS = Bands.sequential();

    private static Plane stains(long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        Plane p = Plane.of(W, H);
        for (int i = 0; i < p.data().length; i++) {
            p.data()[i] = (float) r.nextDouble();
        }
        Plane soft = Blur.gaussian(p, 2, BANDS);
        for (int i = 0; i < soft.data().length; i++) {
            soft.data()[i] = Math.clamp(0.5f + 3 * (soft.data()[i] - 0.5f), 0, 1);
        }
        return soft;
    }

    private static List<FeatureTrack> followed(int frames, IntFunction<Plane> of) {
        PointFollower f = new PointFollower();
        for (int i = 0; i < frames; i++) {
            f.next(of.apply(i));
        }
        assertThat(f.frames()).isEqualTo(frames);
        return f.traces();
    }

    /// A surface that slides by 1.7 and 0.6 px a frame: points are where they should be to a tenth of a pixel after 30 frames, and new ones
    /// come in where it does.
    @Test
    void pointsGoAlongAndNewOnesComeIn() {
        Plane world = stains(4);
        List<FeatureTrack> all = followed(30, i -> Resample.warp(world, PlanarMap.shift(-1.7 * i, -0.6 * i), BANDS));
        List<FeatureTrack> whole = all.stream().filter(t -> t.from() == 0 && t.to() == 29).toList();
        assertThat(whole).hasSizeGreaterThan(80);
        double[] off = whole.stream().mapToDouble(t -> t.at().getLast().minus(t.at().getFirst()).minus(new Point(1.7 * 29, 0.6 * 29))
                .length()).sorted().toArray();
        assertThat(off[off.length / 2]).isLessThan(0.1);
        assertThat(all).anySatisfy(t -> assertThat(t.from()).isPositive());
        assertThat(Parallax.of(all, 30, W)).as("a flat thing shows no parallax").isNotEmpty()
                .allSatisfy(p -> assertThat(p).isLessThan(0.5));
        assertThat(Parallax.steps(all, 30)).hasSize(29).allSatisfy(s -> assertThat(s.minus(new Point(1.7, 0.6)).length()).isLessThan(0.1));
    }

    @Test
    void whatIsAnotherPictureIsLostAndNotDraggedAlong() {
        List<FeatureTrack> all = followed(20, i -> stains(i < 10 ? 4 : 5));
        long before = all.stream().filter(t -> t.from() < 9).count();
        long across = all.stream().filter(t -> t.from() < 9 && t.to() > 12).count();
        assertThat(before).isGreaterThan(100);
        assertThat(across).as("next to nothing crosses a cut, but by chance").isLessThan(before / 20);
        PointFollower f = new PointFollower();
        f.next(stains(4));
        assertThatIllegalArgumentException().isThrownBy(() -> f.next(Plane.of(100, 100)));
    }

    @Test
    void twoLayersThatSlideDifferentlyShowParallax() {
        Plane far = stains(4);
        Plane near = stains(7);
        List<FeatureTrack> all = followed(26, i -> {
            Plane out = Resample.warp(far, PlanarMap.shift(-1.0 * i, 0), BANDS);
            Plane front = Resample.warp(near, PlanarMap.shift(-2.4 * i, 0), BANDS);
            for (int y = 0; y < H; y++) {
                for (int x = 0; x < W; x += 160) {
                    System.arraycopy(front.data(), y * W + x, out.data(), y * W + x, 80);
                }
            }
            return out;
        });
        assertThat(Parallax.of(all, 26, W)).isNotEmpty().anySatisfy(p -> assertThat(p).isGreaterThan(3));
    }
}
