package org.scenothesis.core.background;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/// Where a background moves by itself: `across` times `down` equal cells of its first frame, row by row, each with the share of it that is
/// another from frame to frame; NaN of what was never seen.
public record Busy(int across, int down, List<Double> shares) {
    private static final int STEPS = 24;

    public Busy {
        shares = List.copyOf(shares);
    }

    /// A part of the picture, in shares of it, by its left upper corner and its size.
    public record Room(double x, double y, double wide, double high) {
        private double covers(double left, double top, double right, double bottom) {
            return Math.max(0, Math.min(right, x + wide) - Math.max(left, x)) * Math.max(0, Math.min(bottom, y + high) - Math.max(top, y));
        }

        /// Where its middle is.
        public double middle() {
            return x + wide / 2;
        }
    }

    /// Nothing moves.
    public static Busy none(int across, int down) {
        Double[] zero = new Double[across * down];
        Arrays.fill(zero, 0.0);
        return new Busy(across, down, List.of(zero));
    }

    /// How much of a part of the picture moves by itself; NaN where less than half of it was seen.
    public double in(Room room) {
        double sum = 0;
        double known = 0;
        double all = 0;
        for (int i = 0; i < shares.size(); i++) {
            int x = i % across;
            int y = i / across;
            double part = room.covers((double) x / across, (double) y / down, (x + 1.0) / across, (y + 1.0) / down);
            all += part;
            if (!shares.get(i).isNaN()) {
                sum += part * shares.get(i);
                known += part;
            }
        }
        return all <= 0 || known < all / 2 ? Double.NaN : sum / known;
    }

    /// The place, as large as asked, where least moves; of several alike the one nearest to where it was asked for. Empty where nothing is
    /// known.
    public Optional<Room> quietest(Room asked) {
        Room best = null;
        double least = Double.MAX_VALUE;
        for (int i = 0; i <= STEPS; i++) {
            for (int k = 0; k <= STEPS; k++) {
                Room r = new Room((1 - Math.min(1, asked.wide)) * i / STEPS, (1 - Math.min(1, asked.high)) * k / STEPS, asked.wide,
                        asked.high);
                double v = in(r) + 0.002 * Math.hypot(r.x - asked.x, r.y - asked.y);
                if (v < least) {
                    least = v;
                    best = r;
                }
            }
        }
        return Optional.ofNullable(best);
    }

    /// Counts, cell by cell, how often something was seen and how often it was another.
    static final class Count {
        private static final int ACROSS = 24;
        private static final int DOWN = 14;
        private final double[] seen = new double[ACROSS * DOWN];
        private final double[] other = new double[ACROSS * DOWN];

        /// - `x`, `y`: in shares of the first frame.
        void add(double x, double y, boolean another) {
            int i = (int) Math.floor(x * ACROSS);
            int k = (int) Math.floor(y * DOWN);
            if (i >= 0 && k >= 0 && i < ACROSS && k < DOWN) {
                seen[k * ACROSS + i]++;
                other[k * ACROSS + i] += another ? 1 : 0;
            }
        }

        @Nullable Busy busy() {
            if (Arrays.stream(seen).sum() == 0) {
                return null;
            }
            Double[] out = new Double[seen.length];
            for (int i = 0; i < out.length; i++) {
                out[i] = seen[i] == 0 ? Double.NaN : other[i] / seen[i];
            }
            return new Busy(ACROSS, DOWN, List.of(out));
        }
    }
}
