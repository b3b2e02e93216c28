package org.scenothesis.studio.house;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;
import static org.awaitility.Awaitility.await;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import javafx.beans.InvalidationListener;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.step.Grade;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.demo.LanternWorks;
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

    @Test
    void whoHearsOfAChangeFindsItJudged() throws Exception {
        List<Boolean> judged = Collections.synchronizedList(new ArrayList<>());
        InvalidationListener heard = o -> judged.add(session.judgement().get().equals(
                new Judge(session.folder()).of(session.shot(), session.measured().get(), session.store().now().houseRules())));
        session.measured().addListener(heard);
        session.production().addListener(heard);
        measured();
        session.change("circle", s -> s.withPlate("clean", p -> p.circling("clean-1")));
        session.change("add", s -> s.withPlates(s.plates().subList(0, 3)));
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
        session.changeLayer("move it", "lantern", l -> l.with(new Grade(0.5, false)));
        assertThat(session.shot().layer("lantern").orElseThrow().step(Grade.class)).contains(new Grade(0.5, false));
        session.store().undo();
        assertThat(session.shot().layer("lantern").orElseThrow().step(Grade.class)).isEmpty();
    }

    @Test
    void footageOfAPlateWithoutATakeIsNone() {
        session.change("take away", s -> s.withPlate("card", p -> p.withTakes(List.of())));
        assertThat(session.footage(session.shot().plate("card").orElseThrow())).isNull();
        assertThat(session.footage((Plate) null)).isNull();
        assertThat(session.footage(session.shot().plate("clean").orElseThrow())).isEqualTo(FootageSource.of(demo.resolve("footage/clean-2.mp4")));
    }

    @Test
    void framesComeFromTheDeskOnceAndTheLastIsHeld() throws Exception {
        FootageSource take = FootageSource.of(demo.resolve("footage/maker-1.mp4"));
        Picture first = session.frames().frame(take, 3);
        assertThat(session.frames().frame(take, 3)).isSameAs(first);
        assertThat(session.frames().at(take, 3 / 24.0)).isSameAs(first);
        assertThat(session.frames().frame(take, 400)).isSameAs(session.frames().frame(take, TinyShoot.FRAMES - 1));
        assertThat(session.frames().at(take, -1)).isSameAs(session.frames().frame(take, 0));
    }

    @Test
    void theDeskIsAskedFromManyThreads() throws Exception {
        FootageSource take = FootageSource.of(demo.resolve("footage/maker-1.mp4"));
        List<Throwable> failures = Collections.synchronizedList(new ArrayList<>());
        List<Thread> threads = new ArrayList<>();
        for (int t = 0; t < 4; t++) {
            int seed = t;
            threads.add(Thread.ofPlatform().start(() -> {
                for (int i = 0; i < 40; i++) {
                    try {
                        int frame = (i * 7 + seed) % TinyShoot.FRAMES;
                        // The bright patch wanders to the right, a pixel a frame.
                        float there = session.frames().frame(take, frame).g().at(50 + frame + 6, 48);
                        assertThat(there).isBetween(0.4f, 0.6f);
                    } catch (Throwable e) {
                        failures.add(e);
                    }
                }
            }));
        }
        for (Thread t : threads) {
            t.join();
        }
        assertThat(failures).isEmpty();
    }

    @Test
    void brokenFootageIsSaidByTheDesk() throws Exception {
        Path broken = Files.writeString(demo.resolve("footage/broken.mov"), "no film");
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> session.frames().frame(FootageSource.of(broken), 0)).withMessageContaining("broken.mov");
        assertThat(session.frames().frame(FootageSource.of(demo.resolve("footage/clean-2.mp4")), 0).width()).isEqualTo(TinyShoot.WIDTH);
    }

    /// A file that was replaced or removed while it was open used to show its old frames under the asked numbers.
    @Test
    void footageThatChangesWhileItIsOpenIsNoticed() throws Exception {
        Path file = demo.resolve("footage/maker-1.mp4");
        FootageSource take = FootageSource.of(file);
        AtomicLong clock = new AtomicLong();
        try (FrameDesk desk = new FrameDesk(p -> null, clock::get)) {
            Picture before = desk.frame(take, 3);
            clock.addAndGet(FrameDesk.LOOK_NS);
            Files.copy(demo.resolve("footage/lantern-1.mp4"), file, StandardCopyOption.REPLACE_EXISTING);
            assertThat(desk.frame(take, 3)).isNotEqualTo(before);
            assertThat(desk.frame(take, 3).g().at(5, 5)).isGreaterThan(2 * desk.frame(take, 3).r().at(5, 5));
            clock.addAndGet(FrameDesk.LOOK_NS);
            Files.delete(file);
            assertThatExceptionOfType(FootageException.class).isThrownBy(() -> desk.frame(take, 3)).withMessageContaining("maker-1.mp4").withMessageContaining("find it again");
        }
    }

    @Test
    void manyFilesAreOpenedAndOnlySomeStayOpen() throws Exception {
        for (int i = 0; i < 40; i++) {
            Path copy = demo.resolve("footage/copy-" + i + ".png");
            Files.copy(demo.resolve("footage/card-ruler.png"), copy);
            assertThat(session.frames().frame(FootageSource.of(copy), 0).width()).isEqualTo(TinyShoot.WIDTH);
        }
        try (var open = Files.list(Path.of("/proc/self/fd"))) {
            assertThat(open.filter(Files::exists).filter(p -> {
                try {
                    return p.toRealPath().toString().contains("copy-");
                } catch (IOException e) {
                    return false;
                }
            }).count()).isLessThanOrEqualTo(6);
        } catch (NoSuchFileException e) {
            // Only some systems tell which files are open.
        }
        assertThat(session.frames().held()).isLessThan(330L << 20);
    }

    /// Anything thrown while measuring or keying is an answer: nothing waits for ever.
    @Test
    void everyFailureIsToldEvenAnError() throws Exception {
        Worker worker = session.worker();
        List<String> told = Collections.synchronizedList(new ArrayList<>());
        for (Throwable t : List.of(new OutOfMemoryError("heap"), new StackOverflowError(), new IllegalStateException("odd"), new IOException("disk"))) {
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
