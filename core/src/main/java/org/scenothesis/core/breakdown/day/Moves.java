package org.scenothesis.core.breakdown.day;

import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;

/// Improves a sequence by moving runs of up to three of its members elsewhere, until no move helps or the budget is spent.
final class Moves {
    private static final int LONGEST = 3;

    private Moves() {}

    /// How many members of sequences may still be looked at; a count and not a time, so that the same problem always gives the same order.
    static final class Budget {
        private long left;

        Budget(long members) {
            left = members;
        }

        boolean spend(int members) {
            left -= members;
            return left > 0;
        }

        boolean spent() {
            return left <= 0;
        }
    }

    static int[] improved(int[] of, ToDoubleFunction<int[]> cost, Predicate<int[]> permitted, Budget budget) {
        int[] s = of;
        double now = cost.applyAsDouble(s);
        boolean better = true;
        while (better) {
            better = false;
            for (int length = 1; length <= LONGEST; length++) {
                for (int i = 0; i + length <= s.length; i++) {
                    for (int to = 0; to <= s.length - length; to++) {
                        if (!budget.spend(s.length)) {
                            return s;
                        }
                        int[] t = moved(s, i, length, to);
                        if (to != i && permitted.test(t)) {
                            double c = cost.applyAsDouble(t);
                            if (c < now - 1e-9) {
                                s = t;
                                now = c;
                                better = true;
                            }
                        }
                    }
                }
            }
        }
        return s;
    }

    /// The sequence with the run of `length` beginning at `at` set in again before what is then at `to`.
    static int[] moved(int[] of, int at, int length, int to) {
        int many = Math.min(length, of.length - at);
        int[] rest = new int[of.length - many];
        System.arraycopy(of, 0, rest, 0, at);
        System.arraycopy(of, at + many, rest, at, of.length - at - many);
        int place = Math.min(to, rest.length);
        int[] out = new int[of.length];
        System.arraycopy(rest, 0, out, 0, place);
        System.arraycopy(of, at, out, place, many);
        System.arraycopy(rest, place, out, place + many, rest.length - place);
        return out;
    }
}
