package org.scenothesis.studio.watch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.match.Comparison;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.DisplayPicture;
import org.scenothesis.core.shot.Take;
import org.scenothesis.demo.LanternWorks;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.house.Worker;
import org.scenothesis.testkit.TinyShoot;

/// What Shoot and Match watch, without a window.
class WatchModelTest {
    @TempDir
    Path home;

    private Session session;
    private WatchModel model;
    private int changes;

    @BeforeEach
    void open() throws Exception {
        Path folder = home.resolve("watched");
        ProductionFolder.create(folder, LanternWorks.production()).close();
        TinyShoot.film(folder);
        session = new Session(ProductionFolder.open(folder), new Worker(Runnable::run));
        model = new WatchModel(session, Comparison.DIFFERENCE, false);
        model.whenChanged(() -> changes++);
    }

    @AfterEach
    void close() {
        session.close();
    }

    @Test
    void theTakeThatCountsIsWatchedUntilAnotherIsChosenAndAgainAfterAnotherPlateWas() {
        session.plateId().set("clean");
        Take counts = model.take().orElseThrow();
        Take other = model.plate().orElseThrow().takes().stream().filter(t -> !t.id().equals(counts.id())).findFirst().orElseThrow();
        int before = changes;
        model.look(other);
        assertThat(changes).isEqualTo(before + 1);
        assertThat(model.take()).contains(other);
        session.plateId().set("maker");
        session.plateId().set("clean");
        assertThat(model.take()).contains(counts);
    }

    @Test
    void whatIsMissingIsSaidBeforeAndWhatWasMeasuredAfterwards() throws Exception {
        session.plateId().set("maker");
        assertThat(model.unknown()).isEqualTo("Not measured yet.");
        assertThat(model.values(LockReport.Sample::x)).isEmpty();
        assertThat(model.against()).startsWith("against ").contains("take ");
        var done = new CountDownLatch(1);
        session.measured().addListener(o -> model.lock().ifPresent(r -> done.countDown()));
        session.measure();
        assertThat(done.await(60, TimeUnit.SECONDS)).isTrue();
        assertThat(model.unknown()).isEmpty();
        assertThat(model.values(LockReport.Sample::x)).isNotEmpty().hasSize(model.lock().orElseThrow().frames());
        assertThat(model.segment()).isPresent();
        int last = model.lock().orElseThrow().series().getLast().frame();
        session.goToFrame(last);
        assertThat(model.sample().orElseThrow().frame()).isEqualTo(last);
    }

    @Test
    void aLostFileIsAReasonAndAPlateWithoutTakesAnInvitation() throws Exception {
        session.plateId().set("maker");
        assertThat(model.sight()).isInstanceOf(WatchModel.Sight.Pair.class);
        Files.delete(session.folder().footage(model.take().orElseThrow()));
        session.measure();
        await().untilAsserted(() -> assertThat(model.sight()).isInstanceOfSatisfying(WatchModel.Sight.NoPicture.class,
                n -> assertThat(n.why()).isNotBlank()));
        session.store().apply("nothing filmed yet", p -> p.withShot("13", s -> s.withPlates(List.of()).withLayers(List.of())));
        session.openShot("13");
        assertThat(model.sight()).isEqualTo(new WatchModel.Sight.NoTake());
        assertThat(model.unknown()).contains("bring one in");
    }

    @Test
    void theDifferenceOfATakeFromItselfIsGrey() throws Exception {
        session.plateId().set("maker");
        var own = ((WatchModel.Sight.Pair) model.sight()).take();
        session.goToFrame(0);
        var seen = new CompletableFuture<DisplayPicture>();
        model.picture("test", new WatchModel.Sight.Pair(own, own, Comparison.DIFFERENCE), 64, 64, seen::complete,
                why -> seen.completeExceptionally(new IllegalStateException(why)));
        DisplayPicture picture = seen.get(60, TimeUnit.SECONDS);
        int first = picture.argb()[0];
        assertThat(picture.argb()).containsOnly(first);
        assertThat(first & 0xff).isEqualTo(first >> 8 & 0xff).isBetween(100, 130);
    }
}
