package org.scenothesis.core.shot;

import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.step.Keyable;
import org.scenothesis.core.shot.step.Parameter;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.value.Animated;
import org.scenothesis.core.value.Ease;

/// The keys of all that a step animates, taken together at a moment.
public final class Keys {
    private Keys() {}

    /// The step with every value that may have keys changed.
    public static Step changed(Step step, Animated.Change change) {
        Step out = step.animate(change);
        for (Parameter<?> p : StepKind.numbers(step)) {
            out = p.changed(out, change);
        }
        return out;
    }

    /// The step with its numbers as they are at a moment, in seconds; values with keys of their own stay as they are.
    public static Step held(Step step, double seconds) {
        if (!(step instanceof Keyable k) || k.keyed().isEmpty()) {
            return step;
        }
        Step out = k.withKeyed(Map.of());
        for (Parameter<?> p : StepKind.numbers(step)) {
            if (k.keyed().containsKey(p.code())) {
                out = p.with(out, seconds, p.get(step, seconds));
            }
        }
        return out;
    }

    /// Whether anything of the step can change over the shot.
    public static boolean can(Step step) {
        return look(step, 0).animated;
    }

    /// Whether anything of the step has a key at a moment, in seconds.
    public static boolean at(Step step, double seconds) {
        return look(step, seconds).ease != null;
    }

    /// How it goes on from the key at a moment; empty without one.
    public static Optional<Ease> ease(Step step, double seconds) {
        return Optional.ofNullable(look(step, seconds).ease);
    }

    /// With a key for every value, which leaves it as it is at that moment.
    public static Step set(Step step, double seconds) {
        return changed(step, new Animated.Change() {
            @Override
            public <T> Animated<T> of(Animated<T> value, Animated.Between<T> between) {
                return value.key(seconds, value.at(seconds, between), value.easeAt(seconds));
            }
        });
    }

    /// The step without its keys at a moment, in seconds.
    public static Step without(Step step, double seconds) {
        return changed(step, new Animated.Change() {
            @Override
            public <T> Animated<T> of(Animated<T> value, Animated.Between<T> between) {
                return value.without(seconds);
            }
        });
    }

    /// With another ease from the keys at a moment.
    public static Step eased(Step step, double seconds, Ease ease) {
        return changed(step, new Animated.Change() {
            @Override
            public <T> Animated<T> of(Animated<T> value, Animated.Between<T> between) {
                return value.hasKey(seconds) ? value.key(seconds, value.at(seconds, between), ease) : value;
            }
        });
    }

    private static Look look(Step step, double seconds) {
        Look look = new Look(seconds);
        changed(step, look);
        return look;
    }

    private static final class Look implements Animated.Change {
        private final double seconds;
        private boolean animated;
        private @Nullable Ease ease;

        Look(double seconds) {
            this.seconds = seconds;
        }

        @Override
        public <T> Animated<T> of(Animated<T> value, Animated.Between<T> between) {
            animated = true;
            ease = value.hasKey(seconds) ? value.easeAt(seconds) : ease;
            return value;
        }
    }
}
