package org.scenothesis.core.shot.step;

import org.scenothesis.core.Check;
import org.scenothesis.core.value.Animated;

/// How much of the layer is there: 0 is absent, 1 fully there.
public record Presence(Animated<Double> share) implements Step {
    public static final Presence FULL = new Presence(Animated.of(1.0));

    public Presence {
        Check.range("presence", share.still(), 0, 1);
        share.keys().forEach(k -> Check.range("presence", k.value(), 0, 1));
    }

    /// The share at a moment, in seconds: 0 none, 1 all.
    public double at(double seconds) {
        return share.at(seconds, Animated::number);
    }

    @Override
    public Step animate(Animated.Change change) {
        return new Presence(change.of(share, Animated::number));
    }
}
