package org.scenothesis.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;

class PlanarMapTest {
    private static final Offset<Double> EXACT = Offset.offset(1e-9);

    private static void same(Point a, Point b) {
        assertThat(a.x()).isCloseTo(b.x(), EXACT);
        assertThat(a.y()).isCloseTo(b.y(), EXACT);
    }

    @Test
    void identityMovesNothing() {
        same(PlanarMap.identity().map(3, 4), new Point(3, 4));
        same(PlanarMap.identity().shiftAt(3, 4), Point.ZERO);
    }

    @Test
    void fourPointsAreMetAndTheMapIsUndone() {
        Point[] from = {new Point(0, 0), new Point(100, 0), new Point(100, 60), new Point(0, 60)};
        Point[] to = {new Point(3, 1), new Point(95, 8), new Point(104, 66), new Point(-4, 52)};
        PlanarMap m = PlanarMap.fourPoints(from, to).orElseThrow();
        for (int i = 0; i < 4; i++) {
            same(m.map(from[i]), to[i]);
            same(m.inverse().map(to[i]), from[i]);
        }
        same(m.after(m.inverse()).map(20, 30), new Point(20, 30));
    }

    @Test
    void aSimilarityTurnsClockwiseOnTheScreenAboutItsCentre() {
        PlanarMap m = PlanarMap.similarity(2, Math.PI / 2, new Point(10, 10), new Point(1, 0));
        same(m.map(10, 10), new Point(11, 10));
        same(m.map(11, 10), new Point(11, 12));
    }

    @Test
    void pointsOnALineAreRefused() {
        Point[] line = {new Point(0, 0), new Point(1, 1), new Point(2, 2), new Point(3, 3)};
        Point[] square = {new Point(0, 0), new Point(1, 0), new Point(1, 1), new Point(0, 1)};
        assertThat(PlanarMap.fourPoints(line, square)).isEmpty();
    }

    @Test
    void aMapThatSquashesHasNoWayBack() {
        assertThatIllegalArgumentException().isThrownBy(() -> new PlanarMap(1, 1, 0, 1, 1, 0, 0, 0, 1).inverse());
    }

    @Test
    void notANumberIsRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> PlanarMap.shift(Double.NaN, 0));
    }

    @Test
    void linearSystemsAreSolvedAndSingularOnesRefused() {
        double[] x = Solve.linear(new double[][] {{0, 2, 1, 7}, {1, 1, 1, 6}, {2, 0, 3, 11}}).orElseThrow();
        assertThat(x[0] + x[1] + x[2]).isCloseTo(6, EXACT);
        assertThat(2 * x[1] + x[2]).isCloseTo(7, EXACT);
        assertThat(Solve.linear(new double[][] {{1, 2, 3}, {2, 4, 6}})).isEmpty();
    }
}
