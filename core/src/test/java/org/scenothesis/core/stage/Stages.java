package org.scenothesis.core.stage;

import java.util.List;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.value.Given;

/// Stages for tests.
public final class Stages {
    private Stages() {}

    /// A level camera 1.5 m up and 3 m before the origin, a picture's width its focal length, on a floor lit from the left at 45°.
    ///
    /// On the floor the key is as bright as the fill.
    public static Stage plain() {
        KeyLight.Direction left = new KeyLight.Direction(-90, 45);
        return of(new Vec(0, 1.5, -3), new StageCamera.Aim(0, 0, 0), 0, new Surface.Extent(-1, 6),
                KeyLight.told(left, 2, KeyLight.keyToFillStops(1, left, Vec.UP)));
    }

    public static Stage of(Vec camera, StageCamera.Aim aim, double groundM, Surface.Extent extent, KeyLight light) {
        return new Stage(
                new StageCamera(Given.entered(camera), Given.entered(aim), Given.entered(1.0), StageCamera.MIDDLE),
                List.of(new Surface("floor", Given.entered(groundM), Given.entered(extent))), light);
    }
}
