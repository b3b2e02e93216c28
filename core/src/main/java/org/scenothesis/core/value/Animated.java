package org.scenothesis.core.value;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.scenothesis.core.Check;

/// A value over the time of the shot: `still`, or between its keys eased, before and after them held.
public record Animated<T>(T still, List<At<T>> keys) {
    /// Keys nearer than this are one: about half a frame.
    public static final double SAME_S = 0.02;

    /// A moment this near before a key has reached it: frames lie at rounded seconds.
    private static final double REACHED_S = 1e-6;

    /// A day: no shot is longer.
    public static final double LONGEST_S = 86_400;

    private static final int MOST_KEYS = 10_000;

    /// The value at a moment of the shot; `ease` leads to the next.
    public record At<T>(double seconds, T value, Ease ease) {
        public At {
            Check.range("seconds", seconds, 0, LONGEST_S);
        }
    }

    /// A value a share `t` of the way from `a` to `b`.
    @FunctionalInterface
    public interface Between<T> {
        T of(T a, T b, double t);
    }

    /// Does something to any of the values a step animates.
    public interface Change {
        <T> Animated<T> of(Animated<T> value, Between<T> between);
    }

    public Animated {
        Check.that(keys.size() <= MOST_KEYS, "a value has at most " + MOST_KEYS + " keys");
        List<At<T>> sorted = new ArrayList<>(keys);
        sorted.sort(Comparator.comparingDouble(At::seconds));
        keys = List.copyOf(sorted);
    }

    /// A value that stays.
    public static <T> Animated<T> of(T still) {
        return new Animated<>(still, List.of());
    }

    /// Numbers go from one to the other in a straight line.
    public static double number(double a, double b, double t) {
        return a + (b - a) * t;
    }

    /// The value at a moment, in seconds; before the first key and after the last it stays as there.
    public T at(double seconds, Between<T> between) {
        if (keys.isEmpty()) {
            return still;
        }
        At<T> before = keys.getFirst();
        for (At<T> k : keys) {
            if (k.seconds > seconds + REACHED_S) {
                double span = k.seconds - before.seconds;
                return span <= 0 ? before.value : between.of(before.value, k.value, before.ease.at((seconds - before.seconds) / span));
            }
            before = k;
        }
        return before.value;
    }

    /// The same with another value at a moment: of the key there, of a new one, or of all time where there are no keys.
    public Animated<T> set(double seconds, T value) {
        return keys.isEmpty() ? of(value) : key(seconds, value, easeAt(seconds));
    }

    /// The same with a key at a moment, in place of one that was there.
    public Animated<T> key(double seconds, T value, Ease ease) {
        List<At<T>> more = new ArrayList<>(keys.stream().filter(k -> !near(k, seconds)).toList());
        more.add(new At<>(seconds, value, ease));
        return new Animated<>(still, more);
    }

    /// The same without the key at a moment; the last one taken away leaves its value for all time.
    public Animated<T> without(double seconds) {
        List<At<T>> fewer = keys.stream().filter(k -> !near(k, seconds)).toList();
        return new Animated<>(fewer.isEmpty() && !keys.isEmpty() ? keys.getFirst().value : still, fewer);
    }

    /// The same with all keys later by seconds; those that would lie before the beginning lie on it, the last of them holding.
    public Animated<T> later(double by) {
        List<At<T>> moved = new ArrayList<>();
        for (At<T> k : keys) {
            double at = Math.clamp(k.seconds + by, 0, LONGEST_S);
            moved.removeIf(o -> near(o, at));
            moved.add(new At<>(at, k.value, k.ease));
        }
        return new Animated<>(still, moved);
    }

    /// Whether there is a key at a moment, in seconds.
    public boolean hasKey(double seconds) {
        return keys.stream().anyMatch(k -> near(k, seconds));
    }

    /// How the value goes on from a moment.
    public Ease easeAt(double seconds) {
        return keys.stream().filter(k -> k.seconds <= seconds + SAME_S).reduce((a, b) -> b).map(At::ease).orElse(Ease.SOFT);
    }

    private static boolean near(At<?> k, double seconds) {
        return Math.abs(k.seconds - seconds) < SAME_S;
    }
}
