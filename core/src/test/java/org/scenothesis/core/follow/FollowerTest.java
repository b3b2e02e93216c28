package org.scenothesis.core.follow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;

/// Followed things whose way is known: drawn by a formula at the place where they are, not by the code that finds them.
class FollowerTest {
    private static final int W = 320;
    private static final int H = 180;
    private static final int FRAMES = 40;
    private static final double RADIUS = 22;
    private static final Bands BANDS = Bands.pooled(2);

    @AfterAll
    static void close() {
        BANDS.close();
    }

    /// How the thing lies in a frame, and the light on it.
    record Lie(double x, double y, double size, double turnDeg, double light) {}

    /// What happens to it on its way.
    enum Way {
        SHIFT,
        TURN,
        BLUR,
        HIDDEN,
        REPEAT,
        DARK,
        NOISE;

        Lie at(double f) {
            return switch (this) {
                case TURN -> new Lie(60.3 + 4 * f, 90 + 20 * Math.sin(f / 9), 1 + 0.01 * f, 3 * f, 1);
                case DARK -> new Lie(60.3 + 4 * f, 90 + 20 * Math.sin(f / 9), 1, 0, 1 - 0.8 * Math.min(1, f / 30));
                case HIDDEN -> new Lie(40.3 + 6 * f, 90 + 10 * Math.sin(f / 9), 1, 0, 1);
                default -> new Lie(60.3 + 4.3 * f, 90 + 20 * Math.sin(f / 9), 1, 0, 1);
            };
        }
    }

    /// A smooth texture without end: a sum of waves in all directions.
    private static double texture(double u, double v, int seed) {
        double sum = 0;
        for (int k = 0; k < 14; k++) {
            double angle = seed * 0.7 + k * 2.399;
            double length = 5 + (seed * 3 + k * 7) % 11;
            sum += Math.sin(2 * Math.PI * (u * Math.cos(angle) + v * Math.sin(angle)) / length + k * seed);
        }
        return 0.5 + 0.09 * sum;
    }

    private static double thing(Way way, double u, double v) {
        if (way == Way.REPEAT) {
            return 0.5 + 0.35 * Math.sin(2 * Math.PI * u / 9) * Math.sin(2 * Math.PI * v / 9) + 0.05 * texture(u, v, 8);
        }
        return texture(u, v, 3);
    }

    private static final Plane BEHIND = drawn((x, y) -> 0.6 * texture(x, y, 11));

    private interface Drawing {
        double at(double x, double y);
    }

    private static Plane drawn(Drawing d) {
        Plane p = Plane.of(W, H);
        for (int i = 0; i < W * H; i++) {
            p.data()[i] = (float) d.at(i % W + 0.5, i / W + 0.5);
        }
        return p;
    }

    private static boolean post(double x) {
        return x > 130 && x < 190;
    }

    private static Plane frame(Way way, int f) {
        Plane p = still(way, f);
        if (way == Way.BLUR) {
            // The shutter is open for half the frame.
            List<Plane> parts = IntStream.range(0, 6).mapToObj(k -> still(way, f + (k - 2.5) / 12)).toList();
            for (int i = 0; i < p.data().length; i++) {
                float sum = 0;
                for (Plane q : parts) {
                    sum += q.data()[i] / 6;
                }
                p.data()[i] = sum;
            }
        }
        SplittableRandom r = new SplittableRandom(f);
        double noise = way == Way.NOISE ? 0.05 : 0.004;
        for (int i = 0; i < p.data().length; i++) {
            p.data()[i] = (float) Math.clamp(p.data()[i] + noise * r.nextGaussian(), 0, 1);
        }
        return p;
    }

    private static Plane still(Way way, double f) {
        Lie l = way.at(f);
        Plane p = BEHIND.copy();
        double cos = Math.cos(Math.toRadians(l.turnDeg));
        double sin = Math.sin(Math.toRadians(l.turnDeg));
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                double dx = x + 0.5 - l.x;
                double dy = y + 0.5 - l.y;
                double cover = Math.clamp(RADIUS * l.size - Math.hypot(dx, dy) + 0.5, 0, 1);
                if (cover > 0) {
                    double v = l.light * thing(way, (dx * cos + dy * sin) / l.size, (dy * cos - dx * sin) / l.size);
                    p.data()[y * W + x] += (float) (cover * (v - p.data()[y * W + x]));
                }
                if (way == Way.HIDDEN && post(x + 0.5)) {
                    p.data()[y * W + x] = (float) (0.3 * texture(x, y, 21));
                }
            }
        }
        return p;
    }

    /// Half of all errors are below 0.15 px, and what is hidden is said to be: nothing is claimed of frames in which the point is not seen.
    @ParameterizedTest
    @EnumSource
    void followsAKnownWay(Way way) {
        Lie first = way.at(0);
        Follower follower = new Follower(frame(way, 0), List.of(new Point(first.x, first.y)), BANDS);
        List<Double> off = new ArrayList<>();
        int missed = 0;
        for (int f = 1; f < FRAMES; f++) {
            Followed found = follower.next(frame(way, f), f);
            Lie there = way.at(f);
            boolean seen = way != Way.HIDDEN || !post(there.x);
            boolean near = way == Way.HIDDEN && (post(there.x - 9) || post(there.x + 9));
            assertThat(found.frame()).isEqualTo(f);
            if (found.found()) {
                assertThat(seen || near).as("frame %d", f).isTrue();
                off.add(found.places().getFirst().minus(new Point(there.x, there.y)).length());
                assertThat(found.size()).as("size in frame %d", f).isCloseTo(there.size / first.size, within(0.02));
                assertThat(Math.IEEEremainder(found.turnDeg() - there.turnDeg, 360)).as("turn in frame %d", f).isCloseTo(0, within(1.0));
            } else if (!near) {
                missed += seen ? 1 : 0;
            }
        }
        off.sort(null);
        assertThat(off.get(off.size() / 2)).as("median of %s", off).isLessThan(0.15);
        assertThat(off.getLast()).isLessThan(0.6);
        assertThat(missed).as("seen and not found").isZero();
    }

    /// The corners of a panel that turns away from the camera, by the homography it was drawn with.
    @Test
    void followsTheCornersOfATurningPanel() {
        List<Point> corners = corners(0);
        Follower follower = new Follower(panel(0), corners, BANDS);
        assertThat(follower.start(4).places()).isEqualTo(corners);
        List<Double> off = new ArrayList<>();
        for (int f = 1; f < 25; f++) {
            Followed found = follower.next(panel(f), f);
            assertThat(found.places()).as("frame %d", f).hasSize(4);
            for (int i = 0; i < 4; i++) {
                off.add(found.places().get(i).minus(corners(f).get(i)).length());
            }
        }
        off.sort(null);
        assertThat(off.get(off.size() / 2)).isLessThan(0.15);
        assertThat(off.getLast()).isLessThan(0.5);
    }

    private static List<Point> corners(int f) {
        double near = 1 + 0.012 * f;
        double x = 90 + 2.5 * f;
        return List.of(new Point(x, 60 - 0.5 * f), new Point(x + 120 - 1.5 * f, 55 + 0.4 * f), new Point(x + 120 - 1.5 * f, 130 - 0.4 * f),
                new Point(x, 60 - 0.5 * f + 70 * near));
    }

    private static Plane panel(int f) {
        Point[] flat = {new Point(0, 0), new Point(120, 0), new Point(120, 75), new Point(0, 75)};
        PlanarMap back = PlanarMap.fourPoints(corners(f).toArray(Point[]::new), flat).orElseThrow();
        return drawn((x, y) -> {
            Point p = back.map(x, y);
            boolean on = p.x() > 0 && p.y() > 0 && p.x() < 120 && p.y() < 75;
            return on ? texture(p.x(), p.y(), 5) : BEHIND.at((int) x, (int) y);
        });
    }

    @Test
    void whatIsNotThereIsNotFoundAndSaysNothing() {
        Follower follower = new Follower(frame(Way.SHIFT, 0), List.of(new Point(60, 90)), BANDS);
        Plane empty = BEHIND;
        for (int f = 1; f < 12; f++) {
            Followed lost = follower.next(empty, f);
            assertThat(lost.found()).isFalse();
            assertThat(lost.places()).isEmpty();
        }
        assertThat(follower.next(frame(Way.SHIFT, 3), 12).found()).as("it is there again").isTrue();
    }

    @Test
    void whatCannotBeFollowedIsRefused() {
        Plane p = Blur.gaussian(BEHIND, 1, BANDS);
        assertThatIllegalArgumentException().isThrownBy(() -> new Follower(p, List.of(new Point(1, 1), new Point(2, 2)), BANDS));
        assertThatIllegalArgumentException().isThrownBy(() -> new Follower(p, List.of(new Point(-900, 20)), BANDS));
        assertThatIllegalArgumentException().isThrownBy(() -> new Followed(0, List.of(), 1, 0, Double.NaN));
    }
}
