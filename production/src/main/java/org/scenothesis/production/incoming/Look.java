package org.scenothesis.production.incoming;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Transfer;

/// A picture as a coarse grid of code values, to be compared with others.
public record Look(List<Double> cells) {
    public static final Look NONE = new Look(List.of());
    private static final int ACROSS = 24;
    private static final int DOWN = 14;
    private static final double SAME_CELL = 0.04;
    private static final double[] LUMA = {0.2126, 0.7152, 0.0722};

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
        double sum = 0;
        int n = 0;
        for (int j = y * p.height() / DOWN; j < Math.max((y + 1) * p.height() / DOWN, y * p.height() / DOWN + 1); j++) {
            for (int i = x * p.width() / ACROSS; i < Math.max((x + 1) * p.width() / ACROSS, x * p.width() / ACROSS + 1); i++) {
                for (int c = 0; c < 3; c++) {
                    sum += LUMA[c] * p.colours().get(c).at(i, j);
                }
                n++;
            }
        }
        return Transfer.SRGB.toCode(Math.max(0, sum / n));
    }

    /// The share of cells that hardly differ, in [0, 1]; 0 if either is of nothing.
    double alike(Look o) {
        if (cells.isEmpty() || o.cells.isEmpty()) {
            return 0;
        }
        return IntStream.range(0, cells.size()).filter(i -> Math.abs(cells.get(i) - o.cells.get(i)) < SAME_CELL).count() / (double) cells.size();
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
