package org.scenothesis.core.stage;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.scenothesis.core.Check;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.value.Given;

/// The main light of a stage, and how much of all light is not its own.
///
/// - `sizeDeg`: its angular diameter.
/// - `keyToFillStops` = log2(key / fill) on a surface that faces the key.
@RecordBuilder
public record KeyLight(Given<Direction> direction, Given<Double> sizeDeg, Given<Double> keyToFillStops) implements KeyLightBuilder.With {
    /// - `azimuthDeg`: ground direction towards the light in the world, 0 along its Z axis, positive towards X, like a camera's pan.
    /// - `elevationDeg`: above the ground.
    public record Direction(double azimuthDeg, double elevationDeg) {
        public Direction {
            Check.range("azimuthDeg", azimuthDeg, -3600, 3600);
            Check.range("elevationDeg", elevationDeg, 1, 90);
        }

        /// Ground direction as seen from a camera that looks along `panDeg`: 0 straight ahead, negative left, in [−180, 180].
        public double asSeen(double panDeg) {
            return Math.IEEEremainder(azimuthDeg - panDeg, 360);
        }

        /// The same height from a ground direction as seen from a camera that looks along `panDeg`.
        public Direction seenAt(double sideDeg, double panDeg) {
            return new Direction(Math.IEEEremainder(sideDeg + panDeg, 360), elevationDeg);
        }

        /// Unit direction towards the light.
        public Vec towards() {
            double a = Math.toRadians(azimuthDeg);
            double e = Math.toRadians(elevationDeg);
            return new Vec(Math.sin(a) * Math.cos(e), Math.sin(e), Math.cos(a) * Math.cos(e));
        }
    }

    public KeyLight {
        Check.range("sizeDeg", sizeDeg.value(), 0, 120);
        Check.range("keyToFillStops", keyToFillStops.value(), -6, 12);
    }

    /// Told in all: direction, size, key to fill.
    public static KeyLight told(Direction direction, double sizeDeg, double keyToFillStops) {
        return new KeyLight(Given.entered(direction), Given.entered(sizeDeg), Given.entered(keyToFillStops));
    }

    /// The unit vector from the set to the light, y up.
    public Vec towards() {
        return direction.value().towards();
    }

    /// How much brighter a surface is lit than in full shadow: log2((key·cosθ + fill) / fill), θ between its `normal` and the light.
    public double litToShadowStops(Vec normal) {
        double key = Math.pow(2, keyToFillStops.value());
        return Math.log(key * Math.max(0, normal.unit().dot(towards())) + 1) / Math.log(2);
    }

    /// How much of the light a full shadow takes from a surface: 1 − fill / (key·cosθ + fill).
    public double density(Vec normal) {
        return 1 - Math.pow(2, -litToShadowStops(normal));
    }

    /// The key to fill that lights a surface by `litToShadowStops` more than its shadow: log2((2^stops − 1) / cosθ), the way back from
    /// [#litToShadowStops].
    public static double keyToFillStops(double litToShadowStops, Direction direction, Vec normal) {
        double cos = Math.max(1e-3, normal.unit().dot(direction.towards()));
        return Math.clamp(Math.log((Math.pow(2, litToShadowStops) - 1) / cos) / Math.log(2), -6, 12);
    }
}
