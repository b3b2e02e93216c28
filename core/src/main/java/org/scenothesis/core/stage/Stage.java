package org.scenothesis.core.stage;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import org.scenothesis.core.Check;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.stage.piece.Camera;
import org.scenothesis.core.stage.piece.Piece;

/// The set in metres; the first surface is the ground that receives shadows. `evidence`: what was shown in its picture. `floor`: what
/// stands around its camera.
@RecordBuilder
public record Stage(StageCamera camera, List<Surface> surfaces, KeyLight light, List<Evidence> evidence, Floor floor)
        implements StageBuilder.With {
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

    /// The stage with its camera turned as for a plate.
    public Stage turnedFor(String plate) {
        double by = floor.turn(plate).value();
        StageCamera.Aim a = camera.aim().value();
        return by == 0 ? this : withCamera(camera.looking(new StageCamera.Aim(a.panDeg() + by, a.tiltDeg(), a.rollDeg())));
    }

    /// The same set seen by another camera that stands on it.
    public Stage through(Piece other) {
        if (!(other.thing() instanceof Camera c)) {
            return this;
        }
        StageCamera.Aim aim = new StageCamera.Aim(Math.IEEEremainder(other.at().turnDeg() + 180, 360), c.tiltDeg().value(), 0);
        double share = 0.5 / Math.tan(Math.toRadians(c.viewDeg().value() / 2));
        StageCamera seen = new StageCamera(other.spot().like(other.at().up(c.heightM().value())), other.spot().like(aim), c.viewDeg()
                .like(share), StageCamera.MIDDLE);
        return withCamera(seen).withFloor(f -> f.without(other.id()).withTurns(Map.of()));
    }

    /// The camera for a picture of so many pixels.
    public CameraPose pose(int width, int height) {
        return camera.pose(width, height);
    }
}
