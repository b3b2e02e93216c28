package org.scenothesis.core.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.Estimates;
import org.scenothesis.core.finding.HouseRules;

class DayAndPlaceTest {
    @ParameterizedTest
    @CsvSource({"2026-13-01, 09:00", "2026-06-21, 9", "21.6.2026, 09:00", "2026-06-21, 24:01"})
    void aDayThatCannotBeIsRefusedWithWhatToWrite(String date, String call) {
        assertThatThrownBy(() -> ShootDay.DEFAULT.on(date).calledAt(call)).isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("08:30");
    }

    @Test
    void aDayMayStayOpen() {
        assertThat(ShootDay.DEFAULT.day()).isEmpty();
        assertThat(ShootDay.DEFAULT.on("2026-06-21").day()).hasValueSatisfying(d -> assertThat(d.getDayOfMonth()).isEqualTo(21));
        assertThatThrownBy(() -> ShootDay.DEFAULT.preparing(-1)).hasMessageContaining("prepareMinutes");
    }

    @Test
    void cautionsAreReadAndUnread() {
        ShootDay read = ShootDay.DEFAULT.acknowledging("1/lamps", true).acknowledging("2/line", true);
        assertThat(read.acknowledged()).containsExactly("1/lamps", "2/line");
        assertThat(read.acknowledging("1/lamps", false).acknowledged()).containsExactly("2/line");
        assertThatThrownBy(() -> read.acknowledged().add("3/x")).isInstanceOf(UnsupportedOperationException.class);
    }

    @ParameterizedTest
    @ValueSource(doubles = {Double.NaN, -91, 90.01})
    void aPlaceLiesOnTheEarth(double latitude) {
        assertThatThrownBy(() -> new Location("x", latitude, 0, "UTC", List.of())).hasMessageContaining("latitudeDeg");
        assertThatThrownBy(() -> new Location.Obstruction(0, 361, 10)).hasMessageContaining("toAzimuthDeg");
    }

    @Test
    void settingsKeepFactsAndPlaceApart() {
        Setting s = Setting.NONE.withFact("light", "sun").withPlace(new Location("x", 0, 0, "UTC", List.of()));
        assertThat(s.facts()).isEqualTo(Map.of("light", "sun"));
        assertThat(s.withPlace(null).inTheOpen()).isEmpty();
        assertThat(s.withFact("light", "shade").inTheOpen()).isPresent();
    }

    @Test
    void aPermissionIsCompleteWhenSomeoneCouldCheckIt() {
        assertThat(Permission.wanted("1/sound", "sound").complete()).isFalse();
        assertThat(new Permission("1", "sound", "a", "b", "c", " ").complete()).isFalse();
        assertThat(new Permission("1", "sound", "a", "b", "c", "d").complete()).isTrue();
    }

    @ParameterizedTest
    @EnumSource(Approach.class)
    void aHouseChoosesAmongTheWaysOfAApproachOnly(Approach s) {
        assertThat(HouseRules.DEFAULT.approach(s)).isEqualTo(s.ways().getFirst());
        String last = s.ways().getLast();
        assertThat(HouseRules.DEFAULT.withApproach(s, last).follows(s, last)).isTrue();
        assertThatThrownBy(() -> HouseRules.DEFAULT.withApproach(s, "neither")).hasMessageContaining("neither");
    }

    @Test
    void estimatesAreMinutesThatCanBe() {
        assertThatThrownBy(() -> new Estimates.Hand(0, 5, 1, 12)).hasMessageContaining("spacing");
        assertThatThrownBy(() -> new Estimates.Hand(3, Double.NaN, 1, 12)).hasMessageContaining("minutes");
        assertThatThrownBy(() -> new Estimates.Changes(1, 1, 1, 1, 1, 1, 1, -1)).hasMessageContaining("minutes of change");
    }

    @ParameterizedTest
    @EnumSource(PlateRole.class)
    void whatIsKeyedIsNeverHeldAndHasTheLightOfItsGroup(PlateRole r) {
        assertThat(r.keyed() && r.mayBeHeld()).isFalse();
        assertThat(r.keyed() && r.lightDiffersByDesign()).isFalse();
    }
}
