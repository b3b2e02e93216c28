package org.scenothesis.core.stage;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.scenothesis.core.Check;
import org.scenothesis.core.optics.CameraPose;

/// The set in metres as far as layering needs it; the first surface is the ground that receives shadows.
@RecordBuilder
public record Stage(StageCamera camera, List<Surface> surfaces, KeyLight light) implements StageBuilder.With {
    public Stage {
        surfaces = List.copyOf(surfaces);
        Check.that(!surfaces.isEmpty(), "a stage needs the surface things stand on");
    }

    public Surface ground() {
        return surfaces.getFirst();
    }

    public double groundM() {
        return ground().heightM().value();
    }

    public Surface.Extent groundExtent() {
        return ground().extent().value();
    }

    public double panDeg() {
        return camera.aim().value().panDeg();
    }

    public CameraPose pose(int width, int height) {
        return camera.pose(width, height);
    }
}
