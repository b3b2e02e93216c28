package org.scenothesis.core.shot.step;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.Check;
import org.scenothesis.core.value.Animated;
import org.scenothesis.core.value.Ease;

/// How much of the layer is there: 0 is absent, 1 fully there.
public record Opacity(Animated<Double> share) implements Step {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<Opacity>> PARAMETERS = List.of(
            new Parameter<>(Opacity.class, "presence", "", new Parameter.Span(0, 1, 0.05, 2), (p, t) -> p.at(t), (p, t, v) ->
            new Opacity(p.share().set(t, v))).keyed(Parameter.Keying.OWN));
    public static final Opacity FULL = new Opacity(Animated.of(1.0));

    public Opacity {
        Check.range("presence", share.still(), 0, 1);
        share.keys().forEach(k -> Check.range("presence", k.value(), 0, 1));
    }

    /// The share at a moment, in seconds: 0 none, 1 all.
    public double at(double seconds) {
        return share.at(seconds, Animated::number);
    }

    /// Absent until a moment, in seconds, and from then on as it was; from the beginning there is nothing to wait for.
    public Opacity beginning(double seconds) {
        double there = at(seconds) > 0 ? at(seconds) : 1;
        List<Animated.At<Double>> keys = new ArrayList<>();
        if (seconds >= Animated.SAME_S) {
            keys.add(new Animated.At<>(0, 0.0, Ease.HOLD));
        }
        boolean later = share.keys().stream().anyMatch(k -> k.seconds() > seconds + Animated.SAME_S);
        if (!keys.isEmpty() || later) {
            keys.add(new Animated.At<>(seconds, there, share.easeAt(seconds)));
        }
        share.keys().stream().filter(k -> k.seconds() > seconds + Animated.SAME_S).forEach(keys::add);
        return new Opacity(new Animated<>(there, keys));
    }

    /// As it was until a moment, in seconds, and absent from then on.
    public Opacity ending(double seconds) {
        List<Animated.At<Double>> keys = new ArrayList<>(share.keys().stream().filter(k -> k.seconds() < seconds - Animated.SAME_S)
                .toList());
        double before = Math.max(0, seconds - 1.5 * Animated.SAME_S);
        double there = at(before) > 0 ? at(before) : 1;
        if (keys.isEmpty()) {
            keys.add(new Animated.At<>(0, there, Ease.HOLD));
        } else if (keys.getLast().value() == there) {
            keys.set(keys.size() - 1, new Animated.At<>(keys.getLast().seconds(), there, Ease.HOLD));
        } else {
            keys.add(new Animated.At<>(before, there, Ease.HOLD));
        }
        keys.add(new Animated.At<>(seconds, 0.0, Ease.HOLD));
        return new Opacity(new Animated<>(there, keys));
    }

    @Override
    public Step animate(Animated.Change change) {
        return new Opacity(change.of(share, Animated::number));
    }
}
