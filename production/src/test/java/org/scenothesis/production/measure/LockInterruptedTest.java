package org.scenothesis.production.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.media.FootageSource;
import org.scenothesis.testkit.TinyShoot;

/// A window that closes interrupts what is being measured; nothing may go on reading footage that is closed.
class LockInterruptedTest {
    @TempDir
    Path folder;

    @Test
    void noReaderOutlivesACheckThatIsInterrupted() throws Exception {
        TinyShoot.film(folder);
        Path clean = folder.resolve("footage/clean-2.mp4");
        Path maker = folder.resolve("footage/maker-1.mp4");
        for (int round = 0; round < 12; round++) {
            var reading = new CountDownLatch(1);
            var left = new AtomicBoolean();
            var kept = new AtomicBoolean();
            int at = round % 6;
            Thread t = Thread.ofPlatform().start(() -> {
                try {
                    LockCheck.run(FootageSource.of(clean), FootageSource.of(maker), Bands.sequential(), (done, of) -> {
                        if (done == at) {
                            reading.countDown();
                            Thread.currentThread().interrupt();
                        }
                        return true;
                    });
                } catch (Exception e) {
                    // Stopped or cancelled, as asked.
                }
                kept.set(Thread.currentThread().isInterrupted());
                left.set(Thread.getAllStackTraces().keySet().stream().anyMatch(o -> o.getName().equals("decode-ahead")));
            });
            assertThat(reading.await(30, TimeUnit.SECONDS)).isTrue();
            t.join(30_000);
            assertThat(left).as("a reader still runs, round " + round).isFalse();
            assertThat(kept).as("the interrupt is passed on, round " + round).isTrue();
        }
    }
}
