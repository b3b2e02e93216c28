package org.scenothesis.studio.breakdown;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.kit.Owned;
import org.scenothesis.core.breakdown.kit.OwnedKind;
import org.scenothesis.core.breakdown.kit.OwnedKit;
import org.scenothesis.core.breakdown.method.Treatment;
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Location;
import org.scenothesis.core.shot.Permission;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.demo.LanternWorks;
import org.scenothesis.production.illusion.ReadyMadeShots;
import org.scenothesis.production.kit.KitFile;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.house.Worker;

/// What can be told and decided, without a window; every intent is one undo step.
class BreakDownModelTest {
    @TempDir
    Path folder;

    private Session session;
    private BreakDownModel model;

    @BeforeEach
    void open() throws Exception {
        System.setProperty("scenothesis.illusions", folder.resolve("own").toString());
        System.setProperty("scenothesis.kit", folder.resolve("kit.json").toString());
        Path demo = folder.resolve("demo");
        ProductionFolder.create(demo, LanternWorks.production()).close();
        session = new Session(ProductionFolder.open(demo), new Worker(Runnable::run));
        model = new BreakDownModel(session);
        planned();
    }

    @AfterEach
    void close() {
        session.close();
    }

    private void planned() {
        await().until(() -> session.planned().get().production().equals(session.store().now()));
    }

    private Illusion illusion() {
        return model.shot().illusions().getFirst();
    }

    @Test
    void theDemoShotHasAllItsPlatesAlready() {
        assertThat(model.plan().needs()).hasSize(6);
        assertThat(model.missing()).isEmpty();
        assertThat(model.plan().conflicts()).isEmpty();
    }

    @Test
    void everyAnswerIsOneStepBack() throws Exception {
        model.answer(illusion(), Fact.GLOWS, "no");
        model.answer(illusion(), Fact.LIGHT, "sun");
        assertThat(illusion().fact("glows", "")).isEqualTo("no");
        assertThat(model.shot().setting().facts()).containsEntry("light", "sun");
        planned();
        assertThat(model.plan().needs()).hasSize(5);
        session.store().undo();
        assertThat(model.shot().setting().facts()).containsEntry("light", "lamps");
        session.store().undo();
        assertThat(illusion().fact("glows", "")).isEqualTo("yes");
        assertThat(session.store().undoable()).isNull();
    }

    @Test
    void theCrewsChoiceOfAWayIsKeptPerThingAndTakenBackByTheRecommendedOne() throws Exception {
        session.openShot("13");
        planned();
        Treatment t = model.plan().treatments().getFirst();
        assertThat(t.way()).isEqualTo(Way.MASK);
        model.choose(t, Way.KEY);
        planned();
        assertThat(model.plan().treatments().getFirst().way()).isEqualTo(Way.KEY);
        assertThat(illusion().fact("method", "")).isEqualTo(t.key() + "=key");
        assertThat(model.plan().needs()).anySatisfy(n -> assertThat(n.key().kind()).isEqualTo(PlateKey.Kind.SCREEN));
        model.choose(t, Way.MASK);
        planned();
        assertThat(illusion().fact("method", "x")).isEmpty();
        assertThat(model.plan().treatments().getFirst().overridden()).isFalse();
    }

    @Test
    void illusionsAreAddedNamedTimedAndTakenAway() {
        String id = model.add(IllusionKind.FLOATS);
        assertThat(model.add(IllusionKind.FLOATS)).isNotEqualTo(id);
        Illusion added = model.shot().illusions().stream().filter(w -> w.id().equals(id)).findFirst().orElseThrow();
        model.rename(added, "  a feather ");
        model.between(added, 2, 1);
        Illusion now = model.shot().illusions().stream().filter(w -> w.id().equals(id)).findFirst().orElseThrow();
        assertThat(now.subject()).isEqualTo("a feather");
        assertThat(now.toSeconds()).isEqualTo(2);
        model.rename(now, "   ");
        assertThat(model.shot().illusions()).anySatisfy(w -> assertThat(w.subject()).isEqualTo("a feather"));
        model.remove(now);
        assertThat(model.shot().illusions()).noneSatisfy(w -> assertThat(w.id()).isEqualTo(id));
    }

    @Test
    void aPlateDoneWithoutIsRememberedBesideOthers() throws Exception {
        var proposed = model.plan().needs().stream().filter(n -> n.proposed()).toList();
        assertThat(proposed).hasSizeGreaterThan(1);
        model.decline(proposed.get(0), true);
        model.decline(proposed.get(1), true);
        planned();
        assertThat(model.plan().declined()).hasSize(2);
        model.decline(proposed.get(0), false);
        planned();
        assertThat(model.plan().declined()).containsExactly(proposed.get(1));
    }

    @Test
    void whatFollowsIsPutOnTheShelfOnce() throws Exception {
        session.openShot("14");
        session.store().apply("nothing filmed yet", p -> p.withShot("14", s -> s.withPlates(List.of()).withLayers(List.of())));
        planned();
        int missing = model.missing().size();
        assertThat(missing).isEqualTo(model.plan().needs().size());
        model.shelve();
        planned();
        assertThat(model.missing()).isEmpty();
        assertThat(model.shot().plates()).hasSize(missing).extracting(p -> p.id()).doesNotHaveDuplicates();
    }

    @Test
    void theDayItsOrderAndItsCautionsAreTheProductions() throws Exception {
        assertThat(model.when("2026-02-30", "09:00")).contains("2026-02-30");
        assertThat(model.when("2026-06-21", "25:00")).contains("25:00");
        assertThat(model.when(" 2026-06-21 ", "07:45")).isEmpty();
        model.prepare(45);
        assertThat(session.store().now().day().callTime()).isEqualTo("07:45");
        assertThat(session.store().now().day().prepareMinutes()).isEqualTo(45);
        model.acknowledge("lamps", true);
        assertThat(model.acknowledged("lamps")).isTrue();
        session.openShot("13");
        assertThat(model.acknowledged("lamps")).as("another shot's caution is its own").isFalse();
        planned();
        List<String> best = model.day().order().ids();
        model.move(best.getLast(), 0);
        planned();
        assertThat(model.day().order().ids().getFirst()).isEqualTo(best.getLast());
        model.cheapest();
        planned();
        assertThat(model.day().order().ids()).isEqualTo(best);
    }

    @Test
    void placesRulesAndPermissionsAreRecorded() throws Exception {
        model.place(new Location("the yard", 48, 11, "UTC+1", List.of()));
        assertThat(model.shot().setting().place().name()).isEqualTo("the yard");
        model.approach(Approach.CLEAN_WHEN, "last");
        assertThat(model.rules().follows(Approach.CLEAN_WHEN, "last")).isTrue();
        Permission p = new Permission("12/sound", "sound", "", "", "", "");
        model.permission(p);
        model.permission(new Permission("12/sound", "sound", "a recorder", "", "", ""));
        assertThat(session.store().now().permissions()).singleElement().satisfies(x -> assertThat(x.source()).isEqualTo("a recorder"));
    }

    @Test
    void newShotsAreNumberedOnAndTold() {
        model.newShot();
        assertThat(model.shot().id()).isEqualTo("15");
        model.tell("The last one", "Nothing happens.", -4);
        assertThat(model.shot().seconds()).isPositive();
        assertThat(model.shot().title()).isEqualTo("The last one");
        assertThat(model.plan().needs()).isEmpty();
        model.newShot();
        assertThat(session.store().now().shots()).extracting(Shot::id).doesNotHaveDuplicates().contains("16");
    }

    @Test
    void aListOfKitThatCannotBeReadIsSaidAndNotWrittenOver() throws Exception {
        Path list = Files.writeString(KitFile.home(), "[{\"kind\": \"stand\", ");
        OwnedKit lamp = new OwnedKit(List.of(Owned.usual(OwnedKind.LAMP)));
        model.owned().keep(lamp, () -> {});
        await().until(() -> session.said().get().contains("it is no list of kit") && model.owned().known().equals(OwnedKit.NOTHING));
        assertThat(session.said().get()).contains("kit.json");
        assertThat(list).hasContent("[{\"kind\": \"stand\", ");
        Files.delete(list);
        model.owned().keep(lamp, () -> {});
        // What is read while it is still being written is what was before.
        model.owned().read(() -> {});
        assertThat(model.owned().known()).isEqualTo(lamp);
        await().until(() -> Files.exists(list) && session.worker().idle());
        model.owned().read(() -> {});
        await().until(session.worker()::idle);
        assertThat(model.owned().known()).isEqualTo(lamp);
    }

    @Test
    void everythingIsWrittenBesideTheProductionAndOnesOwnIllusionKept() throws Exception {
        model.when("2026-06-21", "09:00");
        List<String> said = model.write();
        assertThat(said).hasSize(7).allSatisfy(s -> assertThat(s).startsWith("Written: "));
        try (var files = Files.list(model.paper())) {
            assertThat(files.map(f -> f.getFileName().toString()).filter(n -> !n.startsWith(".")))
                    .containsExactlyInAnyOrder("book.pdf", "book.html", "day.pdf", "slips.pdf", "plates.csv", "breakdown.json",
                    "order.ics");
        }
        assertThat(model.keep()).contains("the-lantern-that-lifts.json");
        Set<String> ids = ReadyMadeShots.with(ReadyMadeShots.home()).all().stream().map(i -> i.id()).collect(Collectors.toSet());
        assertThat(ids).contains("the-lantern-that-lifts");
        Files.delete(folder.resolve("own").resolve("the-lantern-that-lifts.json"));
        Files.delete(folder.resolve("own"));
        Files.writeString(folder.resolve("own"), "a file where the folder should be");
        assertThat(model.keep()).contains("could not be kept");
    }
}
