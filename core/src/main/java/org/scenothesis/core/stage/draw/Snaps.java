package org.scenothesis.core.stage.draw;

import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.Glass;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.piece.Wall;

/// Where a piece comes to rest that was let go nearly there: on five centimetres, before a wall, facing the camera.
public final class Snaps {
    /// So many to the metre; a quotient of whole numbers is written as it is meant.
    private static final double PER_M = 20;
    private static final double WALL_M = 0.25;
    /// As near as a cloth on stands comes to a wall.
    private static final double BEFORE_M = 0.1;
    private static final double TURN_DEG = 5;

    private Snaps() {}

    /// The spot a piece takes when it is put near `to`.
    public static Spot near(Stage stage, Piece p, Spot to) {
        Spot out = to.at(grid(to.x()), grid(to.z()));
        boolean flat = p.thing() instanceof Backdrop || p.thing() instanceof Wall || p.thing() instanceof Glass;
        if (!flat) {
            return out;
        }
        if (stage.floor().around().value() instanceof Surroundings.Room r) {
            if (r.farM() - out.z() < WALL_M) {
                return new Spot(out.x(), r.farM() - BEFORE_M, 0);
            }
            if (out.x() - r.leftM() < WALL_M) {
                return new Spot(r.leftM() + BEFORE_M, out.z(), -90);
            }
            if (r.rightM() - out.x() < WALL_M) {
                return new Spot(r.rightM() - BEFORE_M, out.z(), 90);
            }
        }
        Vec eye = stage.camera().position().value();
        Spot facing = out.facing(eye.x(), eye.z());
        boolean nearly = Math.abs(Math.IEEEremainder(facing.turnDeg() - out.turnDeg(), 360)) < TURN_DEG;
        boolean square = Math.abs(Math.IEEEremainder(out.turnDeg() - stage.panDeg(), 360)) < TURN_DEG;
        return square ? out.turned(stage.panDeg()) : nearly ? facing : out;
    }

    private static double grid(double v) {
        return Math.round(v * PER_M) / PER_M;
    }
}
