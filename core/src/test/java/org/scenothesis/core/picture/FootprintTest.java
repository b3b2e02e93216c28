package org.scenothesis.core.picture;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// A star target made smaller must look like the mean over the area of every pixel, not like the stripes that happen to be hit.
class FootprintTest {
    private static final int SIDE = 240;

    /// A star of 48 spokes about a point of the unit square.
    private static double star(double x, double y) {
        return Math.sin(24 * Math.atan2(y - 0.5, x - 0.5)) > 0 ? 1 : 0;
    }

    private static double mean(double left, double top, double width, double height, int n) {
        double sum = 0;
        for (int j = 0; j < n; j++) {
            for (int i = 0; i < n; i++) {
                sum += star(left + (i + 0.5) / n * width, top + (j + 0.5) / n * height);
            }
        }
        return sum / (n * n);
    }

    private static Plane target() {
        Plane p = Plane.of(SIDE, SIDE);
        for (int i = 0; i < SIDE * SIDE; i++) {
            p.data()[i] = (float) mean(i % SIDE / (double) SIDE, i / SIDE / (double) SIDE, 1.0 / SIDE, 1.0 / SIDE, 6);
        }
        return p;
    }

    @ParameterizedTest
    @CsvSource({"2, 2", "3.7, 3.7", "8, 8", "6, 1", "1, 9.5"})
    void shrunkenIsAveraged(double across, double down) {
        Plane target = target();
        int w = (int) (SIDE / across);
        int h = (int) (SIDE / down);
        Plane out = Plane.of(w, h);
        Resample.warpInto(target, new PlanarMap(across, 0, 0, 0, down, 0, 0, 0, 1), out, Bands.sequential());
        double sum = 0;
        double worst = 0;
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                double off = Math.abs(out.at(x, y) - mean(x * across / SIDE, y * down / SIDE, across / SIDE, down / SIDE,
                        (int) Math.ceil(4 * Math.max(across, down))));
                sum += off * off;
                worst = Math.max(worst, off);
            }
        }
        assertThat(Math.sqrt(sum / (w * h))).as("RMS").isLessThan(0.03);
        assertThat(worst).as("worst").isLessThan(0.25);
    }
}
