package org.scenothesis.core.stage.piece;

import org.scenothesis.core.Check;
import org.scenothesis.core.optics.Vec;

/// A place on the floor, and which way what stands there is turned.
///
/// - `turnDeg`: 0 faces a camera that looks along Z; a piece turned by a camera's pan faces back at it.
public record Spot(double x, double z, double turnDeg) {
    public Spot {
        Check.place("spot", x, z);
        Check.range("turnDeg", turnDeg, -3600, 3600);
    }

    /// The same turn elsewhere.
    public Spot at(double otherX, double otherZ) {
        return new Spot(otherX, otherZ, turnDeg);
    }

    /// The same place turned otherwise, within half a turn either way.
    public Spot turned(double deg) {
        return new Spot(x, z, Math.IEEEremainder(deg, 360));
    }

    /// Turned towards a place.
    public Spot facing(double atX, double atZ) {
        return turned(Math.toDegrees(Math.atan2(x - atX, z - atZ)));
    }

    /// To the right as the camera it faces sees it.
    public Vec right() {
        double t = Math.toRadians(turnDeg);
        return new Vec(Math.cos(t), 0, -Math.sin(t));
    }

    /// Where it faces, level.
    public Vec ahead() {
        double t = Math.toRadians(turnDeg);
        return new Vec(-Math.sin(t), 0, -Math.cos(t));
    }

    /// A point so high above it.
    public Vec up(double heightM) {
        return new Vec(x, heightM, z);
    }
}
