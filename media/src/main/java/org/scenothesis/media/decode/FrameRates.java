package org.scenothesis.media.decode;

import java.util.List;
import java.util.stream.IntStream;
import org.scenothesis.core.Robust;

/// Frames a second of a film from the times of its frames: the usual rate that they fit, else the mean of what was measured.
final class FrameRates {
    /// Where neither times nor the file say anything.
    static final double ASSUMED = 24;
    private static final double[] USUAL = {8, 10, 12, 12.5, 15, 24000 / 1001.0, 24, 25, 30000 / 1001.0, 30, 48, 50, 60000 / 1001.0, 60,
            100, 120000 / 1001.0, 120, 200, 240};
    /// How far from the mean a rate may be that the times still fit: every second frame may be missing.
    private static final double HIGHEST = 2.1;
    /// Times may be off their grid by this share of a frame, since containers round them.
    private static final double OFF_GRID = 0.12;

    private FrameRates() {}

    static boolean plausible(double rate) {
        return rate > 0 && rate < 1000;
    }

    /// - `times`: of every frame, in seconds from the first. `told`: what the file says, or something implausible.
    static double of(List<Double> times, double told) {
        double span = times.getLast();
        if (!(span > 0)) {
            return plausible(told) ? told : ASSUMED;
        }
        double mean = (times.size() - 1) / span;
        boolean said = plausible(told) && Math.abs(mean / told - 1) < 0.01;
        if (said && even(times, mean)) {
            return told;
        }
        double step = median(times);
        for (double rate : USUAL) {
            // Frames may be missing: then the times lie on the grid of a higher rate than their mean, whose step is the usual one.
            if (rate > 1.01 * mean && rate < HIGHEST * mean && Math.abs(rate * step - 1) < OFF_GRID && onGrid(times, rate)) {
                return rate;
            }
        }
        double usual = nearest(mean);
        return said ? told : Math.abs(mean / usual - 1) < 0.004 ? usual : mean;
    }

    /// Whether no step is longer than the others by as much as a missing frame.
    private static boolean even(List<Double> times, double rate) {
        return IntStream.range(1, times.size()).allMatch(i -> (times.get(i) - times.get(i - 1)) * rate < 1.5);
    }

    private static boolean onGrid(List<Double> times, double rate) {
        return times.stream().allMatch(t -> Math.abs(t * rate - Math.rint(t * rate)) < OFF_GRID);
    }

    private static double median(List<Double> times) {
        return Robust.median(IntStream.range(1, times.size()).mapToDouble(i -> times.get(i) - times.get(i - 1)).toArray());
    }

    private static double nearest(double rate) {
        double best = USUAL[0];
        for (double u : USUAL) {
            best = Math.abs(Math.log(u / rate)) < Math.abs(Math.log(best / rate)) ? u : best;
        }
        return best;
    }
}
