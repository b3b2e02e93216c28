package org.scenothesis.core.breakdown.light;

import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.stage.KeyLight;
import org.scenothesis.core.value.Given;

/// The main light as it was told for a shot: from where, how high, how hard, how much of the light is not its own. All set-ups of the shot
/// share it.
public record KeyFacts(Answers setting) {
    /// Between the lens and a light that stands at a side.
    private static final double SIDE_DEG = 60;
    private static final double ABOVE_DEG = 80;
    private static final double SUN_DEG = 0.53;
    private static final double HARD_DEG = 2;
    private static final double SOFT_DEG = 30;

    /// Whether one light casts the shadows at all; shade and an overcast sky are light from everywhere.
    public boolean any() {
        return setting.is(Answer.Light.LAMPS, Answer.Light.SUN);
    }

    /// How far from the lens's own direction it stands, in degrees: 0 behind the camera, negative left, 180 facing it.
    public double fromLensDeg() {
        return switch (setting.choice(Answer.KeyFrom.class)) {
            case RIGHT -> SIDE_DEG;
            case BEHIND -> 180;
            case FRONT, ABOVE -> 0;
            case LEFT -> -SIDE_DEG;
        };
    }

    /// How high it stands above the ground, in degrees.
    public double upDeg() {
        return setting.is(Answer.KeyFrom.ABOVE) ? ABOVE_DEG : setting.number(Fact.KEY_UP_DEG);
    }

    /// Its angular diameter, in degrees.
    public double sizeDeg() {
        return setting.is(Answer.Light.SUN) ? SUN_DEG : setting.is(Answer.KeyHard.HARD) ? HARD_DEG : SOFT_DEG;
    }

    /// The light of a stage whose camera looks along `panDeg`; what was told is told, the rest stays as `before` has it.
    public KeyLight light(KeyLight before, double panDeg) {
        if (!any()) {
            return before;
        }
        KeyLight out = before;
        if (setting.given(Fact.KEY_FROM) || setting.given(Fact.KEY_UP_DEG)) {
            double seen = Math.IEEEremainder(180 - fromLensDeg(), 360);
            out = out.withDirection(Given.entered(new KeyLight.Direction(Math.IEEEremainder(seen + panDeg, 360), upDeg())));
        }
        if (setting.given(Fact.KEY_HARD) || setting.is(Answer.Light.SUN)) {
            out = out.withSizeDeg(Given.entered(sizeDeg()));
        }
        return setting.given(Fact.KEY_FILL) ? out.withKeyToFillStops(Given.entered(setting.number(Fact.KEY_FILL))) : out;
    }
}
