package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.scenothesis.core.Check;

/// The shadow that a placed layer throws on the ground; density and softness are factors of what the stage's light says.
@RecordBuilder
public record Shadow(double density, double softness) implements Step, ShadowBuilder.With {
    public static final Shadow OF_STAGE = new Shadow(1, 1);

    public Shadow {
        Check.range("density", density, 0, 3);
        Check.range("softness", softness, 0, 5);
    }
}
