package org.scenothesis.core.breakdown.day;

import java.time.ZonedDateTime;
import net.e175.klaus.solarpositioning.DeltaT;
import net.e175.klaus.solarpositioning.SPA;
import org.scenothesis.core.shot.Location;

/// Where the sun stands: compass direction clockwise from north, height above the level horizon.
///
/// Source: the NREL solar position algorithm, Reda & Andreas 2003, through a maintained library; good to 0.0003°.
public record Sun(double azimuthDeg, double elevationDeg) {
    private static final double PRESSURE_MBAR = 1010;
    private static final double TEMPERATURE_C = 15;

    /// Azimuth and elevation at sea level in standard air; the source is the class's.
    public static Sun at(Location place, ZonedDateTime when) {
        return at(when, place.latitudeDeg(), place.longitudeDeg(), 0, PRESSURE_MBAR, TEMPERATURE_C);
    }

    /// The same as if there were no air to bend its light.
    static Sun without(Location place, ZonedDateTime when) {
        return at(when, place.latitudeDeg(), place.longitudeDeg(), 0, 0, TEMPERATURE_C);
    }

    static Sun at(ZonedDateTime when, double latitudeDeg, double longitudeDeg, double heightM, double pressureMbar, double temperatureC) {
        var p = SPA.calculateSolarPosition(when, latitudeDeg, longitudeDeg, heightM, DeltaT.estimate(when.toLocalDate()), pressureMbar,
                temperatureC);
        return new Sun(p.azimuth(), 90 - p.zenithAngle());
    }

    /// The angle between two directions of the sun.
    public double turnedFrom(Sun o) {
        double e1 = Math.toRadians(elevationDeg);
        double e2 = Math.toRadians(o.elevationDeg);
        double cos = Math.sin(e1) * Math.sin(e2) + Math.cos(e1) * Math.cos(e2) * Math.cos(Math.toRadians(azimuthDeg - o.azimuthDeg));
        return Math.toDegrees(Math.acos(Math.clamp(cos, -1, 1)));
    }
}
