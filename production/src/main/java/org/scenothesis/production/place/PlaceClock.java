package org.scenothesis.production.place;

import java.time.DateTimeException;
import java.time.ZoneId;
import net.iakovlev.timeshape.TimeZoneEngine;
import org.scenothesis.core.Check;
import org.scenothesis.production.words.Words;

/// The clock that counts at a place, and how it is known.
///
/// - `zone`: as [ZoneId] reads it. `from`: who says so.
public record PlaceClock(String zone, From from) {
    /// Somebody told it, it follows from the coordinates, or from nothing but this computer's own.
    public enum From {
        TOLD,
        PLACE,
        COMPUTER
    }

    /// What was told, else what the borders of zones say of the coordinates; takes a second or two to read them.
    ///
    /// - `told`: blank for not. Degrees north and east.
    ///
    /// Source: the time zone boundaries of the Timeshape library.
    /// @throws IllegalArgumentException if what was told names no zone, or the coordinates are none
    public static PlaceClock of(String told, double latitudeDeg, double longitudeDeg) {
        if (!told.isBlank()) {
            try {
                return new PlaceClock(ZoneId.of(told.strip()).getId(), From.TOLD);
            } catch (DateTimeException e) {
                throw new IllegalArgumentException(Words.of("place-clock.the-zone-cannot-be-read-write", told), e);
            }
        }
        Check.range("latitudeDeg", latitudeDeg, -90, 90);
        Check.range("longitudeDeg", longitudeDeg, -180, 180);
        // Read anew each time: kept, the borders of the world would hold a quarter of a gigabyte for a question that is rarely asked.
        return TimeZoneEngine.initialize().query(latitudeDeg, longitudeDeg).map(z -> new PlaceClock(z.getId(), From.PLACE))
                .orElseGet(PlaceClock::ofComputer);
    }

    /// The clock of this computer, where there is no place.
    public static PlaceClock ofComputer() {
        return new PlaceClock(ZoneId.systemDefault().getId(), From.COMPUTER);
    }
}
