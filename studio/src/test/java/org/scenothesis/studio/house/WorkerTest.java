package org.scenothesis.studio.house;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import com.sun.management.HotSpotDiagnosticMXBean;
import java.lang.management.ManagementFactory;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/// Who has a turn, and who waits.
class WorkerTest {
    private final Worker worker = new Worker(Runnable::run);
    private final List<String> done = new CopyOnWriteArrayList<>();
    private final AtomicInteger atOnce = new AtomicInteger();
    private final AtomicInteger most = new AtomicInteger();

    @AfterEach
    void end() {
        worker.close();
    }

    private void ask(String lane, CountDownLatch until) {
        worker.ask(lane, ticket -> {
            most.accumulateAndGet(atOnce.incrementAndGet(), Math::max);
            until.await();
            atOnce.decrementAndGet();
            return lane;
        }, done::add, e -> done.add(lane + " failed: " + e));
    }

    private void runTogether(String... lanes) {
        var until = new CountDownLatch(1);
        for (String l : lanes) {
            ask(l, until);
        }
        await().until(() -> atOnce.get() > 0);
        until.countDown();
        await().until(worker::idle);
        assertThat(done).containsExactlyInAnyOrder(lanes);
    }

    @Test
    void picturesTakeTurns() {
        runTogether("layer-picture", "MATCH-picture", "thumbs");
        assertThat(most).hasValue(1);
    }

    @Test
    void longWorksTakeTurns() {
        runTogether("render", "stage-rehearse");
        assertThat(most).hasValue(1);
    }

    /// The collector looks more often while a film is made, and seldom again afterwards.
    @Test
    void memoryIsTakenBackMoreOftenDuringLongWork() {
        var vm = ManagementFactory.getPlatformMXBean(HotSpotDiagnosticMXBean.class);
        List<String> paces = new CopyOnWriteArrayList<>();
        worker.ask("render", ticket -> paces.add(vm.getVMOption("G1PeriodicGCInterval").getValue()), r -> {},
                e -> paces.add(String.valueOf(e)));
        await().until(worker::idle);
        paces.add(vm.getVMOption("G1PeriodicGCInterval").getValue());
        assertThat(paces).containsExactly("300", "15000");
    }

    @Test
    void aPictureDoesNotWaitForALongWork() {
        var until = new CountDownLatch(1);
        ask("render", until);
        await().until(worker::longWorkRuns);
        var at = new CountDownLatch(0);
        ask("layer-picture", at);
        await().until(() -> done.equals(List.of("layer-picture")));
        until.countDown();
        await().until(worker::idle);
        assertThat(worker.longWorkRuns()).isFalse();
    }

    @Test
    void aLongWorkThatWaitsAndIsNotWantedAnyMoreIsNotBegun() {
        var until = new CountDownLatch(1);
        ask("render", until);
        await().until(worker::longWorkRuns);
        ask("stage-rehearse", until);
        worker.cancel("stage-rehearse");
        until.countDown();
        await().until(worker::idle);
        assertThat(done).containsExactly("render");
        assertThat(most).hasValue(1);
    }

    @Test
    void whatWasNotAskedForWaitsForALongWorkAndGoesOnBehindIt() {
        var until = new CountDownLatch(1);
        ask("render", until);
        await().until(worker::longWorkRuns);
        worker.ask("survey", ticket -> {
            done.add("survey begins");
            worker.giveWay(ticket);
            return "survey";
        }, done::add, e -> done.add("failed"));
        await().until(() -> done.contains("survey begins"));
        assertThat(done).doesNotContain("survey");
        until.countDown();
        await().until(() -> done.contains("survey"));
    }

    @Test
    void aLaneKeepsNoThreadWhileItHasNothingToDo() {
        runTogether("rests-1", "rests-2");
        await().until(() -> Thread.getAllStackTraces().keySet().stream().noneMatch(t -> t.getName().startsWith("lane-rests")));
        ask("rests-1", new CountDownLatch(0));
        await().until(() -> done.size() == 3);
    }
}
