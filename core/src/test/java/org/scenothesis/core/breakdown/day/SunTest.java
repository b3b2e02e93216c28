package org.scenothesis.core.breakdown.day;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.breakdown.Shots;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Location;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.ShootDay;
import org.scenothesis.core.shot.Shot;

class SunTest {
    private static final LocalDate JUNE = LocalDate.of(2026, 6, 21);

    private static Location yard(Location.Obstruction... horizon) {
        return new Location("the yard", 48, 11, "UTC+1", List.of(horizon));
    }

    @Test
    void agreesWithThePublishedReferenceCase() {
        Sun s = Sun.at(ZonedDateTime.of(2003, 10, 17, 12, 30, 30, 0, ZoneId.of("UTC-7")), 39.742476, -105.1786, 1830.14, 820, 11);
        assertThat(90 - s.elevationDeg()).isCloseTo(50.1116, within(1e-4));
        assertThat(s.azimuthDeg()).isCloseTo(194.3402, within(1e-4));
    }

    @Test
    void aDayIsNightSunAndWhateverHidesIt() {
        LightDay d = LightDay.of(yard(new Location.Obstruction(200, 320, 40)), JUNE);
        assertThat(d.sky(0)).isEqualTo(LightDay.Sky.NIGHT);
        assertThat(d.sky(11 * 60)).isEqualTo(LightDay.Sky.SUN);
        assertThat(d.sky(17 * 60)).isEqualTo(LightDay.Sky.SHADE);
        assertThat(d.spans().getFirst().from()).isZero();
        assertThat(d.spans().getLast().to()).isEqualTo(24 * 60);
        // Longest day at 48 degrees north: about sixteen hours.
        int up = d.spans().stream().filter(s -> s.sky() != LightDay.Sky.NIGHT).mapToInt(s -> s.to() - s.from()).sum();
        assertThat(up).isBetween(15 * 60 + 45, 16 * 60 + 15);
    }

    /// Sunrise and sunset of the published reference case, 6:12:43 and 17:20:19: those of one day by Greenwich's clock, whose sunset is of
    /// the evening before there.
    @Test
    void risesAndSetsAsPublished() {
        LightDay d = LightDay.of(new Location("", 39.742476, -105.1786, "UTC-7", List.of()), LocalDate.of(2003, 10, 17));
        List<LightDay.Crossing> c = d.crossings(LightDay.HORIZON_DEG);
        assertThat(c).hasSize(2);
        assertThat(c.getFirst().minutes()).isCloseTo(6 * 60 + 12.72, within(0.5));
        assertThat(c.getFirst().upwards()).isTrue();
        LightDay before = LightDay.of(d.place(), LocalDate.of(2003, 10, 16));
        assertThat(before.crossings(LightDay.HORIZON_DEG).getLast().minutes()).isCloseTo(17 * 60 + 20.32, within(0.5));
        assertThat(LightDay.of(new Location("", 80, 0, "UTC", List.of()), JUNE).crossings(LightDay.HORIZON_DEG))
                .as("the sun that does not set").isEmpty();
    }

    /// On the day the clocks are put forward, noon is noon by the wall.
    @Test
    void theClockOnTheWallCountsWhenItIsPutForward() {
        LocalDate spring = LocalDate.of(2026, 3, 29);
        LightDay summer = LightDay.of(new Location("", 48, 11, "Europe/Berlin", List.of()), spring);
        LightDay fixed = LightDay.of(new Location("", 48, 11, "UTC+2", List.of()), spring);
        assertThat(summer.sun(15 * 60).azimuthDeg()).isCloseTo(fixed.sun(15 * 60).azimuthDeg(), within(1e-9));
    }

    @Test
    void anObstructionMayLieAcrossNorth() {
        Location p = yard(new Location.Obstruction(350, 20, 30));
        assertThat(p.hides(5, 10)).isTrue();
        assertThat(p.hides(355, 29)).isTrue();
        assertThat(p.hides(180, 10)).isFalse();
        assertThat(p.hides(5, 31)).isFalse();
    }

    @Test
    void theSunTurnsFifteenDegreesAnHourAcrossTheEquator() {
        Sun a = new Sun(90, 30);
        assertThat(a.turnedFrom(new Sun(90, 45))).isCloseTo(15, within(1e-9));
        assertThat(new Sun(10, 0).turnedFrom(new Sun(350, 0))).isCloseTo(20, within(1e-9));
        LightDay d = LightDay.of(new Location("equator", 0, 0, "UTC", List.of()), LocalDate.of(2026, 3, 20));
        assertThat(d.turn(10 * 60, 11 * 60)).isCloseTo(15, within(0.2));
        assertThat(d.holdsUntil(10 * 60, 5)).isBetween(10 * 60 + 15.0, 10 * 60 + 25.0);
    }

    @Test
    void theBestStartIsInTheSunAndTurnsLeast() {
        LightDay d = LightDay.of(yard(new Location.Obstruction(150, 210, 90)), JUNE);
        int best = d.best(60).orElseThrow();
        assertThat(d.shines(best, best + 60)).isTrue();
        for (int m = 5 * 60; m < 20 * 60; m += 15) {
            if (d.shines(m, m + 60) && d.sun(m).elevationDeg() >= 10 && d.sun(m + 60).elevationDeg() >= 10) {
                assertThat(d.turn(best, best + 60)).isLessThanOrEqualTo(d.turn(m, m + 60) + 1e-6);
            }
        }
        assertThat(d.sun(best).elevationDeg()).isGreaterThanOrEqualTo(10);
        assertThat(d.best(20 * 60)).isEmpty();
        LightDay winter = LightDay.of(new Location("far north", 65, 11, "UTC+1", List.of()), LocalDate.of(2026, 12, 21));
        assertThat(winter.best(30)).as("low is better than never").isPresent();
        assertThat(LightDay.of(new Location("pole", 80, 0, "UTC", List.of()), LocalDate.of(2026, 12, 21)).spans()).hasSize(1);
        assertThat(LightDay.of(new Location("pole", 80, 0, "UTC", List.of()), JUNE).spans()).extracting(LightDay.Span::sky)
                .containsOnly(LightDay.Sky.SUN);
    }

    private static LightWindow window(String call, String light, Location place) {
        Shot s = Shots.of(Map.of("light", light), Shots.illusion(IllusionKind.FLOATS, "the lantern")).withSetting(x -> x.withPlace(place));
        Production p = new Production("p", List.of(s), HouseRules.DEFAULT).withDay(d -> d.calledAt(call).on("2026-06-21"));
        return LightWindow.of(RunningOrder.cheapest(p), p).stream().findFirst().orElse(null);
    }

    @Test
    void platesInTheSunAreJudgedByHowFarItTurns() {
        LightWindow w = window("10:00", "sun", yard());
        assertThat(w.verdict()).isEqualTo(Verdict.REDO);
        assertThat(w.turnDeg()).isGreaterThan(12);
        assertThat(w.trouble()).isEqualTo(LightWindow.Trouble.TURN);
        assertThat(w.to() - w.from()).isGreaterThan(30);
        assertThat(window("00:30", "sun", yard()).trouble()).isEqualTo(LightWindow.Trouble.NIGHT);
        assertThat(window("10:00", "sun", yard(new Location.Obstruction(0, 360, 90))).trouble()).isEqualTo(LightWindow.Trouble.SHADE);
        assertThat(window("10:00", "sun", null).trouble()).isEqualTo(LightWindow.Trouble.PLACE);
        assertThat(window("10:00", "lamps", yard())).isNull();
    }

    @Test
    void aPlaceOutsideTheWorldIsRefused() {
        assertThatThrownBy(() -> new Location("x", Double.NaN, 0, "UTC", List.of())).hasMessageContaining("latitude");
        assertThatThrownBy(() -> new Location("x", 0, 0, "here", List.of())).hasMessageContaining("here");
        assertThatThrownBy(() -> ShootDay.DEFAULT.on("yesterday")).hasMessageContaining("yesterday");
    }
}
