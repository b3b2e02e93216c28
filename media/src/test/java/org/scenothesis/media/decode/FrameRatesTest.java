package org.scenothesis.media.decode;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// The rate of a film from uneven times.
class FrameRatesTest {
    private static final double UNKNOWN = 0;

    private static List<Double> every(double rate, int n) {
        return IntStream.range(0, n).mapToObj(i -> i / rate).toList();
    }

    @ParameterizedTest
    @ValueSource(doubles = {10, 24000 / 1001.0, 24, 25, 30000 / 1001.0, 30, 50, 60000 / 1001.0, 120})
    void evenTimesAreTheirRate(double rate) {
        assertThat(FrameRates.of(every(rate, 200), UNKNOWN)).isCloseTo(rate, Offset.offset(0.001 * rate));
    }

    /// A phone leaves frames out in the dark: what is left lies on the grid of the rate it was set to.
    @Test
    void framesThatAreMissingDoNotSlowTheFilm() {
        List<Double> times = IntStream.range(0, 60).filter(i -> i % 7 != 5).mapToObj(i -> i / 25.0).toList();
        assertThat(FrameRates.of(times, UNKNOWN)).isEqualTo(25);
        double mean = (times.size() - 1) / times.getLast();
        assertThat(mean).as("what the container says of it").isLessThan(22);
        assertThat(FrameRates.of(times, mean)).isEqualTo(25);
    }

    @Test
    void trembleIsNoRate() {
        SplittableRandom r = new SplittableRandom(2);
        List<Double> times = IntStream.range(0, 90).mapToObj(i -> i / 30.0 + (i == 0 ? 0 : r.nextDouble(-0.006, 0.006))).toList();
        assertThat(FrameRates.of(times, UNKNOWN)).isCloseTo(30, Offset.offset(0.04));
    }

    @Test
    void oneFrameHasTheRateThatIsSaidOrTheUsual() {
        assertThat(FrameRates.of(List.of(0.0), 50)).isEqualTo(50);
        assertThat(FrameRates.of(List.of(0.0), 90_000)).isEqualTo(24);
    }
}
