package org.scenothesis.production.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// Earlier states: one a minute, thinned to one an hour and one a day, and few in all.
class EarlierTest {
    private static final Instant START = Instant.parse("2026-03-01T08:00:00Z");

    @TempDir
    Path folder;

    @Test
    void statesOfMinutesHoursAndDaysAreKeptAndFewInAll() throws Exception {
        Instant[] now = {START};
        Earlier earlier = new Earlier(folder, () -> now[0]);
        int n = 0;
        for (Duration at = Duration.ZERO; at.toDays() < 40; at = at.plus(at.toHours() == 40 * 24 - 1 ? Duration.ofSeconds(20)
                : Duration.ofMinutes(41))) {
            now[0] = START.plus(at);
            earlier.keep("state " + n++);
        }
        var all = earlier.all();
        assertThat(all.size()).isBetween(45, 10 + 25 + 31);
        assertThat(Duration.between(all.get(1).at(), all.get(0).at())).isGreaterThanOrEqualTo(Duration.ofMinutes(1))
                .isLessThan(Duration.ofMinutes(2));
        assertThat(Duration.between(all.getLast().at(), now[0]).toDays()).isBetween(28L, 30L);
        assertThat(Earlier.text(all.getLast().file())).startsWith("state ");
    }

    /// A camera's or a laptop's clock was years ahead once: today's states are kept all the same.
    @Test
    void statesDatedInTheFutureTakeNoPlaceOfTodays() throws Exception {
        Instant[] now = {START.plus(Duration.ofDays(900))};
        Earlier earlier = new Earlier(folder, () -> now[0]);
        for (int i = 0; i < 12; i++) {
            now[0] = now[0].plusSeconds(90);
            earlier.keep("future " + i);
        }
        for (int i = 0; i < 8; i++) {
            now[0] = START.plusSeconds(90L * i);
            earlier.keep("today " + i);
        }
        assertThat(earlier.all().stream().filter(s -> s.at().isBefore(START.plus(Duration.ofDays(1))))).hasSize(8);
    }

    @Test
    void withinAMinuteTheFirstStays() throws Exception {
        Instant[] now = {START};
        Earlier earlier = new Earlier(folder, () -> now[0]);
        earlier.keep("first");
        now[0] = START.plusSeconds(30);
        earlier.keep("second");
        assertThat(earlier.all()).hasSize(1);
        assertThat(Earlier.text(earlier.all().getFirst().file())).isEqualTo("first");
    }
}
