package org.scenothesis.studio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.awaitility.Awaitility.await;

import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.production.measure.Stopped;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Worker;
import picocli.CommandLine.ParameterException;

class LauncherTest {
    @TempDir
    Path folder;

    @ParameterizedTest
    @CsvSource({"board, BOARD", "breakdown, BREAK_DOWN", "Break down, BREAK_DOWN", "hand-over, HAND_OVER", "KEY, KEY"})
    void benchesAreNamedAsPeopleTypeThem(String word, BenchName bench) {
        assertThat(BenchName.called(word)).contains(bench);
    }

    @Test
    void unknownBenchesAndOptionsAreSaid() {
        wrong("kitchen", "demo", "--bench", "kitchen");
        wrong("--colour", "--colour");
        wrong("--snapshot", "demo", "--snapshot");
        wrong("soon", "demo", "--at", "soon");
        wrong("1280x", "demo", "--size", "1280x");
        wrong("elsewhere", "here", "elsewhere");
    }

    private static void wrong(String said, String... args) {
        assertThatExceptionOfType(ParameterException.class).isThrownBy(() -> LaunchOptions.read(args)).withMessageContaining(said);
    }

    @Test
    void theDemoIsLaidOutOnceAndAMissingOneIsSaid() throws Exception {
        System.setProperty("scenothesis.home", Path.of("..").toAbsolutePath().normalize().toString());
        Path to = folder.resolve("Lantern Works");
        Studio.Wish wish = LaunchOptions.read("demo", to.toString(), "--bench", "key", "--at", "2.5", "--plate", "lantern");
        assertThat(wish.folder()).isEqualTo(to);
        assertThat(wish.seconds()).isEqualTo(2.5);
        assertThat(to.resolve("production.json")).exists();
        System.setProperty("scenothesis.home", folder.toString());
        assertThatExceptionOfType(StoreException.class)
                .isThrownBy(() -> LaunchOptions.read("demo", folder.resolve("other").toString()))
                .withMessageContaining("rehearse");
    }

    @Test
    void theNewestRequestOfALaneWins() throws Exception {
        AtomicInteger shown = new AtomicInteger(-1);
        AtomicInteger times = new AtomicInteger();
        try (Worker w = new Worker(Runnable::run)) {
            CountDownLatch allAsked = new CountDownLatch(1);
            for (int i = 0; i < 50; i++) {
                int n = i;
                w.ask("lane", t -> {
                    allAsked.await();
                    return n;
                }, v -> {
                    shown.set(v);
                    times.incrementAndGet();
                }, e -> shown.set(-2));
            }
            allAsked.countDown();
            await().until(w::idle);
        }
        assertThat(shown.get()).isEqualTo(49);
        assertThat(times.get()).isLessThan(10);
    }

    @Test
    void aJobThatFailsIsToldAndOneThatIsCancelledIsNot() throws Exception {
        AtomicInteger failed = new AtomicInteger();
        try (Worker w = new Worker(Runnable::run)) {
            w.ask("a", t -> {
                throw new IOException("broken");
            }, v -> {}, e -> failed.incrementAndGet());
            CountDownLatch runs = new CountDownLatch(1);
            w.ask("b", t -> {
                runs.countDown();
                await().until(() -> !t.wanted());
                throw new Stopped();
            }, v -> failed.addAndGet(100), e -> failed.addAndGet(100));
            assertThat(runs.await(10, TimeUnit.SECONDS)).isTrue();
            w.cancel("b");
            await().until(w::idle);
        }
        assertThat(failed.get()).isEqualTo(1);
    }
}
