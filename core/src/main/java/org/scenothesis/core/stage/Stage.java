package org.scenothesis.core.stage;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.function.UnaryOperator;
import org.scenothesis.core.Check;
import org.scenothesis.core.optics.CameraPose;

/// The set in metres; the first surface is the ground that receives shadows. `evidence`: what was shown in its picture. `floor`: what stands around its camera.
@RecordBuilder
public record Stage(StageCamera camera, List<Surface> surfaces, KeyLight light, List<Evidence> evidence, Floor floor) implements StageBuilder.With {
    public Stage {
        surfaces = List.copyOf(surfaces);
        evidence = List.copyOf(evidence);
        Check.that(!surfaces.isEmpty(), "a stage needs the surface things stand on");
    }

    /// A stage in whose picture nothing was shown, and on whose floor nothing stands yet.
    public Stage(StageCamera camera, List<Surface> surfaces, KeyLight light) {
        this(camera, surfaces, light, List.of(), Floor.BARE);
    }

    /// The surface things stand on.
    public Surface ground() {
        return surfaces.getFirst();
    }

    /// The height of the ground, in metres.
    public double groundM() {
        return ground().heightM().value();
    }

    /// How far the ground goes.
    public Surface.Extent groundExtent() {
        return ground().extent().value();
    }

    /// Where the camera looks, in degrees.
    public double panDeg() {
        return camera.aim().value().panDeg();
    }

    /// The stage with its floor changed.
    public Stage withFloor(UnaryOperator<Floor> change) {
        return withFloor(change.apply(floor));
    }

    /// The camera for a picture of so many pixels.
    public CameraPose pose(int width, int height) {
        return camera.pose(width, height);
    }
}
