package org.scenothesis.production.incoming;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.scenothesis.core.picture.Luminance;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Transfer;

/// A picture as a coarse grid of code values, to be compared with others.
public record Look(List<Double> cells) {
    public static final Look NONE = new Look(List.of());
    private static final int ACROSS = 24;
    private static final int DOWN = 14;
    private static final double SAME_CELL = 0.04;
    /// Deviations of a cell's mean that chance and coding explain in the worst of some hundred cells.
    private static final double NOISE = 5;
    private static final double[] LUMA = {Luminance.RED, Luminance.GREEN, Luminance.BLUE};

    public Look {
        cells = List.copyOf(cells);
    }

    static Look of(Picture p) {
        List<Double> out = new ArrayList<>();
        for (int y = 0; y < DOWN; y++) {
            for (int x = 0; x < ACROSS; x++) {
                out.add(cell(p, x, y));
            }
        }
        return new Look(out);
    }

    private static double cell(Picture p, int x, int y) {
        double[] sum = new double[2];
        within(p, x, y, (i, j) -> {
            sum[0] += luma(p, i, j);
            sum[1]++;
        });
        return Transfer.SRGB.toCode(Math.max(0, sum[0] / sum[1]));
    }

    private static double luma(Picture p, int x, int y) {
        double v = 0;
        for (int c = 0; c < 3; c++) {
            v += LUMA[c] * p.colours().get(c).at(x, y);
        }
        return v;
    }

    @FunctionalInterface
    private interface At {
        void pixel(int x, int y);
    }

    /// The pixels of a cell; every cell has some.
    private static void within(Picture p, int x, int y, At at) {
        for (int j = y * p.height() / DOWN; j < Math.max((y + 1) * p.height() / DOWN, y * p.height() / DOWN + 1); j++) {
            for (int i = x * p.width() / ACROSS; i < Math.max((x + 1) * p.width() / ACROSS, x * p.width() / ACROSS + 1); i++) {
                at.pixel(i, j);
            }
        }
    }

    /// The largest difference of a cell between two moments beyond what the noise of its pixels explains, in shares of the brightest code.
    static double stirring(Picture one, Picture other) {
        double most = 0;
        for (int y = 0; y < DOWN; y++) {
            for (int x = 0; x < ACROSS; x++) {
                double[] sum = new double[3];
                within(one, x, y, (i, j) -> {
                    double d = Transfer.SRGB.toCode(Math.max(0, luma(other, i, j))) - Transfer.SRGB.toCode(Math.max(0, luma(one, i, j)));
                    sum[0] += d;
                    sum[1] += d * d;
                    sum[2]++;
                });
                double mean = sum[0] / sum[2];
                double error = Math.sqrt(Math.max(0, sum[1] / sum[2] - mean * mean) / sum[2]);
                most = Math.max(most, Math.abs(mean) - NOISE * error);
            }
        }
        return most;
    }

    /// The share of cells that hardly differ, in [0, 1]; 0 if either is of nothing.
    double alike(Look o) {
        if (cells.isEmpty() || o.cells.isEmpty()) {
            return 0;
        }
        return IntStream.range(0, cells.size()).filter(i -> Math.abs(cells.get(i) - o.cells.get(i)) < SAME_CELL)
                .count() / (double) cells.size();
    }

    /// The largest difference of a cell; 1 if either is of nothing.
    double furthest(Look o) {
        if (cells.isEmpty() || o.cells.isEmpty()) {
            return 1;
        }
        double most = 0;
        for (int i = 0; i < cells.size(); i++) {
            most = Math.max(most, Math.abs(cells.get(i) - o.cells.get(i)));
        }
        return most;
    }
}
