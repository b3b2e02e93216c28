package org.scenothesis.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/// What happens between the threads of a pool.
class BandsTest {
    private static final int ROWS = 4 * Bands.BAND_ROWS;

    private final Bands bands = Bands.pooled(2);

    @AfterEach
    void close() {
        bands.close();
    }

    @Test
    @Timeout(value = 20, threadMode = Timeout.ThreadMode.SEPARATE_THREAD, unit = TimeUnit.SECONDS)
    void rowsWithinRowsDoNotWaitForThemselves() {
        var rows = new AtomicInteger();
        bands.run(ROWS, (from, to, band) -> bands.run(ROWS, (f, t, b) -> rows.addAndGet(t - f)));
        assertThat(rows).hasValue(4 * ROWS);
    }

    @Test
    void whatABandThrowsIsThrownAsItIs() {
        assertThatThrownBy(() -> bands.run(ROWS, (from, to, band) -> {
            throw new OutOfMemoryError("of a band");
        })).isInstanceOf(OutOfMemoryError.class).hasMessage("of a band");
        assertThatThrownBy(() -> bands.run(ROWS, (from, to, band) -> {
            throw new IllegalArgumentException("of a band");
        })).isInstanceOf(IllegalArgumentException.class);
    }
}
