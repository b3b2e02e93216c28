package org.scenothesis.core.shot;

import org.scenothesis.core.Check;
import org.scenothesis.core.value.Animated;

/// Which moment of its take a layer shows at a moment of the shot.
public sealed interface TimeMap {
    Straight AS_FILMED = new Straight(0, 1);

    /// Seconds into the take at `seconds` into the shot; may lie before the take begins or behind its end, where the first and last frame
    /// are held.
    double at(double seconds);

    /// Time of another kind, by its word: held or straight it shows at `seconds` what this does there; looped it begins where this does.
    default TimeMap as(String kind, double seconds) {
        double from = Math.clamp(at(0), 0, Animated.LONGEST_S - 1);
        return switch (kind) {
            case "held" -> new Held(Math.clamp(at(seconds), 0, Animated.LONGEST_S));
            case "looped" -> new Looped(from, from + 1);
            default -> new Straight(Math.clamp(at(seconds) - seconds, -Animated.LONGEST_S, Animated.LONGEST_S), 1);
        };
    }

    /// Begins `fromSeconds` into the take and runs at `rate` of its speed; a negative one runs backwards.
    record Straight(double fromSeconds, double rate) implements TimeMap {
        public Straight {
            Check.range("fromSeconds", fromSeconds, -Animated.LONGEST_S, Animated.LONGEST_S);
            Check.range("rate", rate, -100, 100);
        }

        @Override
        public double at(double seconds) {
            return fromSeconds + seconds * rate;
        }
    }

    /// One moment of the take for ever.
    record Held(double atSeconds) implements TimeMap {
        public Held {
            Check.range("atSeconds", atSeconds, 0, Animated.LONGEST_S);
        }

        @Override
        public double at(double seconds) {
            return atSeconds;
        }
    }

    /// The stretch of the take from `fromSeconds` to `toSeconds`, again and again.
    record Looped(double fromSeconds, double toSeconds) implements TimeMap {
        public Looped {
            Check.range("fromSeconds", fromSeconds, 0, Animated.LONGEST_S);
            Check.range("toSeconds", toSeconds, 0, Animated.LONGEST_S);
            Check.that(toSeconds > fromSeconds, "a loop must end behind where it begins");
        }

        @Override
        public double at(double seconds) {
            double span = toSeconds - fromSeconds;
            return fromSeconds + seconds - Math.floor(seconds / span) * span;
        }
    }
}
