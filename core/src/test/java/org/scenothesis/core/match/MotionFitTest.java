package org.scenothesis.core.match;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;

/// The robust fit on points whose motion is known, noisy and mixed with points that move otherwise.
class MotionFitTest {
    private static final int W = 1280;
    private static final int H = 720;
    private static final Point CENTRE = new Point(W / 2.0, H / 2.0);

    /// Points, where they went, and how many of the first of them went with the subject instead.
    private record Motion(List<Point> from, double[] to) {
        static Motion of(PlanarMap camera, int points, double noise, int elsewhere) {
            SplittableRandom r = new SplittableRandom(points + elsewhere);
            List<Point> from = new ArrayList<>();
            double[] to = new double[2 * points];
            for (int i = 0; i < points; i++) {
                Point p = new Point(r.nextDouble(20, W - 20), r.nextDouble(20, H - 20));
                Point q = i < elsewhere ? p.plus(new Point(14 + r.nextGaussian(), -9 + r.nextGaussian())) : camera.map(p);
                from.add(p);
                to[2 * i] = q.x() + noise * r.nextGaussian();
                to[2 * i + 1] = q.y() + noise * r.nextGaussian();
            }
            return new Motion(from, to);
        }

        MotionFit.Fit fit() {
            double[] weights = new double[from.size()];
            Arrays.fill(weights, 1);
            return new MotionFit(from, weights, to, W, H).solve();
        }
    }

    private static void assertCentre(MotionFit.Fit fit, double x, double y, double within) {
        assertThat(fit).isNotNull();
        Point s = fit.map().shiftAt(CENTRE.x(), CENTRE.y());
        assertThat(s.x()).isCloseTo(x, Offset.offset(within));
        assertThat(s.y()).isCloseTo(y, Offset.offset(within));
    }

    @ParameterizedTest
    @CsvSource({"0, 0, 0", "0.3, -0.2, 0", "5.5, 3, 120", "-11, 0.7, 160", "0, 0, 160"})
    void theCamerasMotionIsFoundBesideASubjectOfFortyPercent(double x, double y, int subject) {
        MotionFit.Fit fit = Motion.of(PlanarMap.shift(x, y), 400, 0.06, subject).fit();
        assertCentre(fit, x, y, 0.02);
        int used = 0;
        for (int i = 0; i < 400; i++) {
            used += fit.used()[i] ? 1 : 0;
            assertThat(i < subject && fit.used()[i]).as("a point of the subject").isFalse();
        }
        assertThat(used).isGreaterThan((400 - subject) * 9 / 10);
    }

    @Test
    void rollAndZoomAreTheCamerasToo() {
        PlanarMap m = PlanarMap.similarity(1.004, Math.toRadians(0.3), CENTRE, new Point(2, -1));
        MotionFit.Fit fit = Motion.of(m, 300, 0.05, 60).fit();
        assertCentre(fit, 2, -1, 0.03);
        double angle = Math.toDegrees(Math.atan2(fit.similarity().d(), fit.similarity().a()));
        assertThat(angle).isCloseTo(0.3, Offset.offset(0.003));
        assertThat(Math.hypot(fit.similarity().a(), fit.similarity().d())).isCloseTo(1.004, Offset.offset(1e-4));
        assertThat(fit.parameters()).isEqualTo(4);
    }

    /// The lowest row is 1.5 px farther right than the highest: rows that were read while the camera shook; a roll is none.
    @Test
    void rowsThatLeanAreMeasured() {
        PlanarMap leaning = new PlanarMap(1, 1.5 / H, -0.75, 0, 1, 0, 0, 0, 1);
        assertThat(Motion.of(leaning, 400, 0.05, 0).fit().rowsPx()).isCloseTo(1.5, Offset.offset(0.08));
        assertThat(Motion.of(leaning, 400, 0.05, 0).fit().rowsOffPx()).as("two halves of the points agree").isLessThan(0.06);
        assertThat(Motion.of(leaning, 16, 0.05, 0).fit().rowsOffPx()).as("sixteen points fit anything").isGreaterThan(100);
        PlanarMap spread = new PlanarMap(1, 0, 0, 0, 1 + 1.2 / H, -0.6, 0, 0, 1);
        assertThat(Math.abs(Motion.of(spread, 400, 0.05, 0).fit().rowsPx())).isCloseTo(1.2, Offset.offset(0.1));
        assertThat(Motion.of(PlanarMap.similarity(1.004, Math.toRadians(0.3), CENTRE, new Point(2, -1)), 300, 0.05, 60).fit().rowsPx())
                .isCloseTo(0, Offset.offset(0.08));
    }

    @Test
    void theSimplestMotionIsTaken() {
        assertThat(Motion.of(PlanarMap.shift(0.02, 0), 300, 0.08, 0).fit().parameters()).isEqualTo(2);
        Point[] from = {new Point(0, 0), new Point(W, 0), new Point(W, H), new Point(0, H)};
        Point[] to = {new Point(3, 2), new Point(W - 9, 4), new Point(W + 5, H - 3), new Point(-6, H + 8)};
        MotionFit.Fit keystone = Motion.of(PlanarMap.fourPoints(from, to).orElseThrow(), 400, 0.05, 0).fit();
        assertThat(keystone.parameters()).isEqualTo(8);
        for (int i = 0; i < 4; i++) {
            assertThat(keystone.map().map(from[i]).minus(to[i]).length()).isLessThan(0.1);
        }
    }

    /// People walk through the left half of the frame of a fixed camera, each point further the more it lies to the left, as a keystone
    /// would have it.
    @ParameterizedTest
    @CsvSource({"0.5, 3.4", "0.5, -2", "0.55, 1.2", "0.45, 6"})
    void peopleOverHalfOfTheFrameAreNoMoveOfTheCamera(double edge, double most) {
        SplittableRandom r = new SplittableRandom(11);
        List<Point> from = new ArrayList<>();
        double[] to = new double[800];
        for (int i = 0; i < 400; i++) {
            Point p = new Point(r.nextDouble(20, W - 20), r.nextDouble(20, H - 20));
            double t = Math.max(0, 1 - p.x() / W / edge);
            from.add(p);
            to[2 * i] = p.x() + most * t * t + 0.04 * r.nextGaussian() + (t > 0 ? 0.3 * r.nextGaussian() : 0);
            to[2 * i + 1] = p.y() + 0.6 * most * t + 0.04 * r.nextGaussian() + (t > 0 ? 0.3 * r.nextGaussian() : 0);
        }
        MotionFit.Fit fit = new Motion(from, to).fit();
        assertThat(fit).isNotNull();
        for (Point corner : List.of(new Point(0, 0), new Point(W, 0), new Point(W, H), new Point(0, H))) {
            assertThat(fit.map().shiftAt(corner.x(), corner.y()).length()).as("shift at " + corner).isLessThan(0.12);
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 4, 7})
    void fewPointsAreNoAnswer(int points) {
        assertThat(Motion.of(PlanarMap.shift(1, 1), points, 0, 0).fit()).isNull();
    }

    @Test
    void pointsThatWereLostAreLeftOut() {
        Motion m = Motion.of(PlanarMap.shift(1.5, 0.5), 200, 0.05, 0);
        for (int i = 0; i < 120; i++) {
            m.to[2 * i] = Double.NaN;
            m.to[2 * i + 1] = Double.NaN;
        }
        MotionFit.Fit fit = m.fit();
        assertCentre(fit, 1.5, 0.5, 0.03);
        assertThat(fit.used()[0]).isFalse();
    }

    @Test
    void theResidualIsTheNoiseOfTheRestAndNotTheSubject() {
        double calm = Motion.of(PlanarMap.shift(1, 0), 400, 0.05, 120).fit().residualPx();
        double loud = Motion.of(PlanarMap.shift(1, 0), 400, 0.30, 120).fit().residualPx();
        assertThat(calm).isLessThan(0.2);
        assertThat(loud).isGreaterThan(2 * calm);
    }

    @Test
    void theSamePointsGiveTheSameBits() {
        MotionFit.Fit a = Motion.of(PlanarMap.shift(2.2, 0.1), 250, 0.1, 70).fit();
        MotionFit.Fit b = Motion.of(PlanarMap.shift(2.2, 0.1), 250, 0.1, 70).fit();
        assertThat(a.map()).isEqualTo(b.map());
        assertThat(a.residualPx()).isEqualTo(b.residualPx());
    }

    @Test
    void pointsOnOneSpotAreNoAnswerRatherThanAnInventedRoll() {
        Motion m = Motion.of(PlanarMap.shift(3, 3), 60, 0.02, 0);
        List<Point> crowded = m.from.stream().map(p -> new Point(600 + p.x() / 100, 300 + p.y() / 100)).toList();
        for (int i = 0; i < 60; i++) {
            m.to[2 * i] = crowded.get(i).x() + 3;
            m.to[2 * i + 1] = crowded.get(i).y() + 3;
        }
        assertThat(new Motion(crowded, m.to).fit()).isNull();
    }
}
