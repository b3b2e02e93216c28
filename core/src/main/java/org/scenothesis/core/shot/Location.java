package org.scenothesis.core.shot;

import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.List;
import org.scenothesis.core.Check;

/// A place under the sky.
///
/// - `latitudeDeg` north, `longitudeDeg` east; `zone` as UTC+1 or a zone's name; `horizon`: what stands before the sky.
///
/// @throws IllegalArgumentException if a number is out of range or the zone cannot be read
public record Location(String name, double latitudeDeg, double longitudeDeg, String zone, List<Obstruction> horizon) {
    public Location {
        Check.range("latitudeDeg", latitudeDeg, -90, 90);
        Check.range("longitudeDeg", longitudeDeg, -180, 180);
        horizon = List.copyOf(horizon);
        try {
            ZoneId.of(zone);
        } catch (DateTimeException e) {
            throw new IllegalArgumentException("the zone " + zone + " cannot be read; write UTC+1", e);
        }
    }

    /// Something that hides the sun from one compass direction to another, clockwise, up to a height.
    public record Obstruction(double fromAzimuthDeg, double toAzimuthDeg, double elevationDeg) {
        public Obstruction {
            Check.range("fromAzimuthDeg", fromAzimuthDeg, 0, 360);
            Check.range("toAzimuthDeg", toAzimuthDeg, 0, 360);
            Check.range("elevationDeg", elevationDeg, 0, 90);
        }

        boolean hides(double azimuthDeg, double elevation) {
            boolean within = fromAzimuthDeg <= toAzimuthDeg
                    ? azimuthDeg >= fromAzimuthDeg && azimuthDeg <= toAzimuthDeg
                    : azimuthDeg >= fromAzimuthDeg || azimuthDeg <= toAzimuthDeg;
            return within && elevation < elevationDeg;
        }
    }

    /// Its time zone.
    ///
    /// @throws java.time.DateTimeException if `zone` names none
    public ZoneId zoneId() {
        return ZoneId.of(zone);
    }

    /// Whether something stands before the sun there.
    public boolean hides(double azimuthDeg, double elevationDeg) {
        return horizon.stream().anyMatch(o -> o.hides(azimuthDeg, elevationDeg));
    }
}
