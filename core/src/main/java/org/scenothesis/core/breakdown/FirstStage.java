package org.scenothesis.core.breakdown;

import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.light.KeyFacts;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.stage.HandCamera;
import org.scenothesis.core.stage.SetUp;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.value.Given;

/// The set of a shot as told by hand; where it has none yet, lit as the shot was told.
public final class FirstStage {
    private FirstStage() {}

    /// The shot with this camera; where it has no set yet, with a set-up of its own. `aspect`: width of its pictures by their height.
    ///
    /// @throws IllegalArgumentException if the camera cannot have stood so
    public static Shot staged(Shot s, HandCamera camera, double aspect) {
        return staged(s, camera.stage(s.stage(), aspect));
    }

    /// The shot with this set; where it has none yet, with a set-up of its own, lit as the shot was told where nobody showed the light.
    public static Shot staged(Shot s, Stage stage) {
        if (s.setUp() != null) {
            return s.withStage(x -> stage);
        }
        KeyFacts light = new KeyFacts(Answers.of(s.setting()));
        return s.withSetUp(new SetUp("set-of-" + s.id(), "Set of shot " + s.number(), stage.light().direction() instanceof Given.Assumed
                ? stage.withLight(light.light(stage.light(), stage.panDeg())) : stage));
    }
}
