package org.scenothesis.studio.house;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.awaitility.Awaitility.await;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import javafx.beans.InvalidationListener;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.step.Exposure;
import org.scenothesis.demo.LanternWorks;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.measure.Judge;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.testkit.TinyShoot;

/// The session that all benches share, without a window.
class SessionTest {
    @TempDir
    Path home;

    private Path demo;
    private Session session;

    @BeforeEach
    void open() throws Exception {
        demo = home.resolve("demo");
        ProductionFolder.create(demo, LanternWorks.production()).close();
        TinyShoot.film(demo);
        session = new Session(ProductionFolder.open(demo), new Worker(Runnable::run));
    }

    @AfterEach
    void close() {
        session.close();
    }

    private void measured() throws Exception {
        var done = new CountDownLatch(1);
        session.measured().addListener((o, before, now) -> {
            if (now.key(session.shot(), session.shot().plate("lantern").orElseThrow()).isPresent()) {
                done.countDown();
            }
        });
        session.measure();
        assertThat(done.await(60, TimeUnit.SECONDS)).isTrue();
    }

    @Test
    void aShotIsOpenAtItsFirstPlateAndItsBeginning() {
        assertThat(session.shot().id()).isEqualTo("12");
        assertThat(session.plate().orElseThrow().id()).isEqualTo("clean");
        assertThat(session.frame()).isZero();
        session.goToFrame(40);
        session.openShot("13");
        assertThat(session.shot().id()).isEqualTo("13");
        assertThat(session.frame()).isZero();
    }

    @Test
    void framesAreHeldWithinTheShot() {
        session.goToFrame(-5);
        assertThat(session.frame()).isZero();
        session.goToFrame(1e9);
        assertThat(session.seconds().get()).isCloseTo(95 / 24.0, within(1e-9));
    }

    /// All on one thread, as in the window: what is measured comes in between.
    @Test
    void whoHearsOfAChangeFindsItJudged() throws Exception {
        session.close();
        ExecutorService ui = Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().factory());
        session = ui.submit(() -> new Session(ProductionFolder.open(demo), new Worker(ui))).get();
        // Until it is planned nobody knows what is needed, and that is said.
        await().until(() -> ui.submit(() -> !session.planned().get().plans().isEmpty()).get());
        List<Boolean> judged = Collections.synchronizedList(new ArrayList<>());
        InvalidationListener heard = o -> judged.add(session.judgement().get().equals(
                new Judge(session.folder()).of(session.shot(), session.measured().get(), session.store().now().houseRules())));
        ui.submit(() -> {
            session.measured().addListener(heard);
            session.production().addListener(heard);
        }).get();
        measured();
        ui.submit(() -> {
            session.change("circle", s -> s.withPlate("clean", p -> p.circling("clean-1")));
            session.change("add", s -> s.withPlates(s.plates().subList(0, 3)));
        }).get();
        assertThat(judged.size()).isGreaterThan(3);
        assertThat(judged).doesNotContain(false);
    }

    @Test
    void whatIsAskedAfterTheEndIsLeftAlone() throws Exception {
        measured();
        session.close();
        session.measure();
        session.worker().ask("late", ticket -> 1, n -> session.say("late"), e -> session.say("late"));
        assertThat(session.worker().idle()).isTrue();
        assertThat(session.said().get()).doesNotContain("late");
    }

    @Test
    void whatIsMeasuredIsJudgedAndGoesWithItsPlate() throws Exception {
        measured();
        assertThat(session.judgement("maker").findings()).isNotEmpty().allMatch(f -> f.plate().equals("maker"));
        assertThat(session.judgement().get().findings()).anyMatch(f -> f.verdict() == Verdict.REDO);
        assertThat(session.judgement("nobody").findings()).isEmpty();
    }

    @Test
    void aChangeIsOneStepAndIsUndone() {
        session.changeLayer("move it", "lantern", l -> l.with(new Exposure(0.5, false)));
        assertThat(session.shot().layer("lantern").orElseThrow().step(Exposure.class)).contains(new Exposure(0.5, false));
        session.store().undo();
        assertThat(session.shot().layer("lantern").orElseThrow().step(Exposure.class)).isEmpty();
    }

    @Test
    void footageOfAPlateWithoutATakeIsNone() {
        session.change("take away", s -> s.withPlate("card", p -> p.withTakes(List.of())));
        assertThat(session.footage(session.shot().plate("card").orElseThrow())).isNull();
        assertThat(session.footage((Plate) null)).isNull();
        assertThat(session.footage(session.shot().plate("clean").orElseThrow()))
                .isEqualTo(FootageSource.of(demo.resolve("footage/clean-2.mp4")));
    }

    /// Anything thrown while measuring or keying is an answer: nothing waits for ever.
    @Test
    void everyFailureIsToldEvenAnError() throws Exception {
        Worker worker = session.worker();
        List<String> told = Collections.synchronizedList(new ArrayList<>());
        for (Throwable t : List.of(new OutOfMemoryError("heap"), new StackOverflowError(), new IllegalStateException("odd"),
                new IOException("disk"))) {
            worker.ask("lane", ticket -> {
                if (t instanceof Error e) {
                    throw e;
                }
                throw (Exception) t;
            }, x -> told.add("done"), e -> told.add(e.getMessage()));
            int n = told.size() + 1;
            await().atMost(30, TimeUnit.SECONDS).until(() -> told.size() >= n || worker.idle());
        }
        assertThat(told).hasSize(4).doesNotContain("done");
        assertThat(told.getFirst()).contains("memory");
    }

    @Test
    void aMatteThatCannotBeMeasuredSaysWhy() throws Exception {
        Files.writeString(demo.resolve("footage/screen-only.png"), "no picture");
        session.measure();
        var lantern = session.shot().plate("lantern").orElseThrow();
        await().atMost(30, TimeUnit.SECONDS).until(() -> session.measured().get().keyTrouble(session.shot(), lantern).isPresent());
        assertThat(session.measured().get().keyTrouble(session.shot(), lantern).orElseThrow()).contains("screen-only.png");
        assertThat(session.judgement("lantern").findings()).anySatisfy(f -> {
            assertThat(f.verdict()).isEqualTo(Verdict.NOT_MEASURED);
            assertThat(f.note()).contains("screen-only.png");
        });
    }

    /// A fault of the reference is none of the take.
    @Test
    void abrokenCleanPlateLeavesTheTakesReadable() throws Exception {
        byte[] film = Files.readAllBytes(demo.resolve("footage/clean-2.mp4"));
        Arrays.fill(film, 200, film.length * 3 / 4, (byte) 0);
        Files.write(demo.resolve("footage/clean-2.mp4"), film);
        session.measure();
        var maker = session.shot().plate("maker").orElseThrow();
        var take = Objects.requireNonNull(maker.chosen());
        await().atMost(30, TimeUnit.SECONDS).until(() -> session.measured().get().lockTrouble(session.shot(), maker, take).isPresent());
        assertThat(session.measured().get().brief(take).orElseThrow().usable()).isTrue();
        assertThat(session.measured().get().lockTrouble(session.shot(), maker, take).orElseThrow()).contains("clean-2.mp4");
        assertThat(session.known().all()).isFalse();
    }

    @Test
    void nothingIsSaidToHoldBeforeAllOfItIsMeasured() throws Exception {
        assertThat(session.known().all()).isFalse();
        measured();
        await().atMost(30, TimeUnit.SECONDS).until(() -> session.worker().idle());
        assertThat(session.known().of()).isGreaterThan(10);
        assertThat(session.known().measured()).isGreaterThan(8);
    }

    @Test
    void aProductionWithoutShotsIsShownEmpty() throws Exception {
        Path empty = home.resolve("empty");
        ProductionFolder.create(empty, LanternWorks.production().withShots(List.of())).close();
        try (Session none = new Session(ProductionFolder.open(empty), new Worker(Runnable::run))) {
            assertThat(none.shot().plates()).isEmpty();
            assertThat(none.judgement().get().findings()).isEmpty();
            assertThat(none.plates()).isEmpty();
        }
    }
}
