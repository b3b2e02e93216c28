package org.scenothesis.core.shot.step;

import org.scenothesis.core.Check;

/// The shadow that a placed layer throws on the ground; density and softness are factors of what the stage's light says.
public record Shadow(double density, double softness) implements Step {
    public static final Shadow OF_STAGE = new Shadow(1, 1);

    public Shadow {
        Check.range("density", density, 0, 3);
        Check.range("softness", softness, 0, 5);
    }

    public Shadow withDensity(double other) {
        return new Shadow(other, softness);
    }

    public Shadow withSoftness(double other) {
        return new Shadow(density, other);
    }
}
