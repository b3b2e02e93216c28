package org.scenothesis.studio.house;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.FootageException;
import org.scenothesis.production.demo.LanternWorks;
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
            if (now.key("lantern").isPresent()) {
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
    void whatIsMeasuredIsJudgedAndGoesWithItsPlate() throws Exception {
        measured();
        assertThat(session.findings("maker")).isNotEmpty().allMatch(f -> f.plate().equals("maker"));
        assertThat(session.findings().get()).anyMatch(f -> f.verdict() == Verdict.REDO);
        assertThat(session.findings("nobody")).isEmpty();
    }

    @Test
    void aChangeIsOneStepAndIsUndone() {
        session.changeLayer("move it", "lantern", l -> l.withGainStops(0.5));
        assertThat(session.shot().layer("lantern").orElseThrow().gainStops()).isEqualTo(0.5);
        session.store().undo();
        assertThat(session.shot().layer("lantern").orElseThrow().gainStops()).isZero();
    }

    @Test
    void footageOfAPlateWithoutATakeIsNone() {
        session.change("take away", s -> s.withPlate("card", p -> p.withTakes(List.of())));
        assertThat(session.footage(session.shot().plate("card").orElseThrow())).isNull();
        assertThat(session.footage((org.scenothesis.core.shot.Plate) null)).isNull();
        assertThat(session.footage(session.shot().plate("clean").orElseThrow())).isEqualTo(demo.resolve("footage/clean-2.mp4"));
    }

    @Test
    void framesComeFromTheDeskOnceAndTheLastIsHeld() throws Exception {
        Path take = demo.resolve("footage/maker-1.mp4");
        Picture first = session.frames().frame(take, 3);
        assertThat(session.frames().frame(take, 3)).isSameAs(first);
        assertThat(session.frames().at(take, 3 / 24.0)).isSameAs(first);
        assertThat(session.frames().frame(take, 400)).isSameAs(session.frames().frame(take, TinyShoot.FRAMES - 1));
        assertThat(session.frames().at(take, -1)).isSameAs(session.frames().frame(take, 0));
    }

    @Test
    void theDeskIsAskedFromManyThreads() throws Exception {
        Path take = demo.resolve("footage/maker-1.mp4");
        List<Throwable> failures = java.util.Collections.synchronizedList(new ArrayList<>());
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
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> session.frames().frame(broken, 0)).withMessageContaining("broken.mov");
        assertThat(session.frames().frame(demo.resolve("footage/clean-2.mp4"), 0).width()).isEqualTo(TinyShoot.WIDTH);
    }
}
