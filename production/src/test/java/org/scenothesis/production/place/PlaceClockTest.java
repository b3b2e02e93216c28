package org.scenothesis.production.place;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.time.ZoneId;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PlaceClockTest {
    @ParameterizedTest
    @CsvSource({"48.14, 11.58, Europe/Berlin", "47.27, 11.39, Europe/Vienna", "-33.87, 151.21, Australia/Sydney",
            "39.742476, -105.1786, America/Denver", "27.7, 85.32, Asia/Kathmandu"})
    void theClockFollowsFromThePlace(double north, double east, String zone) {
        assertThat(PlaceClock.of("", north, east)).isEqualTo(new PlaceClock(zone, PlaceClock.From.PLACE));
    }

    @Test
    void whatWasToldCountsAndNothingIsGuessed() {
        assertThat(PlaceClock.of("UTC+2", 48, 11)).isEqualTo(new PlaceClock("UTC+02:00", PlaceClock.From.TOLD));
        assertThat(PlaceClock.ofComputer().zone()).isEqualTo(ZoneId.systemDefault().getId());
        assertThatIllegalArgumentException().isThrownBy(() -> PlaceClock.of("here", 48, 11)).withMessageContaining("UTC+1");
        assertThatIllegalArgumentException().isThrownBy(() -> PlaceClock.of("", 91, 11)).withMessageContaining("latitudeDeg");
    }

    /// In the middle of an ocean there is a zone too, by nautical rule.
    @Test
    void theOpenSeaHasAClock() {
        assertThat(PlaceClock.of("", 0, -30).from()).isEqualTo(PlaceClock.From.PLACE);
    }
}
