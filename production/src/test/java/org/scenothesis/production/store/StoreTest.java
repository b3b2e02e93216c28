package org.scenothesis.production.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.contains;
import static org.mockito.ArgumentMatchers.argThat;
import static org.mockito.Mockito.atLeastOnce;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.Lantern;

class StoreTest {
    @TempDir
    Path folder;

    private Store store;

    @BeforeEach
    void open() throws StoreException {
        store = new Store(ProductionFolder.create(folder, Lantern.production()));
    }

    @AfterEach
    void close() {
        store.close();
    }

    private void rename(String plate, String name) {
        store.apply("rename", p -> p.withShot("12", s -> s.withPlate(plate, q -> q.withName(name))));
    }

    private static String name(Production p, String plate) {
        return p.shot("12").plate(plate).map(Plate::name).orElse("");
    }

    @Test
    void undoAndRedoAreExactOpposites() {
        Random random = new Random(5);
        List<Production> states = new ArrayList<>(List.of(store.now()));
        for (int i = 0; i < 40; i++) {
            rename(random.nextBoolean() ? "clean" : "maker", "name " + i);
            states.add(store.now());
        }
        for (int i = states.size() - 2; i >= 0; i--) {
            store.undo();
            assertThat(store.now()).isEqualTo(states.get(i));
        }
        assertThat(store.undoable()).isNull();
        for (int i = 1; i < states.size(); i++) {
            store.redo();
            assertThat(store.now()).isEqualTo(states.get(i));
        }
        assertThat(store.redoable()).isNull();
    }

    @Test
    void aNewChangeEndsTheWayForth() {
        rename("clean", "a");
        store.undo();
        rename("clean", "b");
        assertThat(store.redoable()).isNull();
        store.redo();
        assertThat(name(store.now(), "clean")).isEqualTo("b");
    }

    @Test
    void aChangeToTheSameIsNone() {
        store.apply("nothing", p -> p);
        assertThat(store.undoable()).isNull();
    }

    @Test
    void undoBeyondTheBeginningIsHarmless() {
        Production p = store.now();
        store.undo();
        store.redo();
        assertThat(store.now()).isEqualTo(p);
    }

    @Test
    void observersAreToldOfEveryChange() {
        Store.Observer o = mock(Store.Observer.class);
        store.observe(o);
        rename("clean", "x");
        store.undo();
        verify(o, times(2)).changed(any());
        verify(o, atLeastOnce()).saveChanged(argThat(s -> s.kind() == Store.SaveState.Kind.PENDING));
    }

    @Test
    void aChangeIsOnDiskWithinASecondWithoutClosing() throws Exception {
        rename("clean", "Saved by itself");
        await().atMost(10, TimeUnit.SECONDS).until(() -> store.saveState().kind() == Store.SaveState.Kind.SAVED);
        // As after a kill: read what is there, the lock notwithstanding.
        try (ProductionFolder other = ProductionFolder.open(folder, false)) {
            assertThat(name(other.production(), "clean")).isEqualTo("Saved by itself");
        }
    }

    @Test
    void closingSavesWhatIsPending() throws Exception {
        rename("clean", "At the last moment");
        store.close();
        try (ProductionFolder other = ProductionFolder.open(folder, false)) {
            assertThat(name(other.production(), "clean")).isEqualTo("At the last moment");
        }
    }

    private boolean onDisk(String name) {
        try (ProductionFolder other = ProductionFolder.open(folder, false)) {
            return name(other.production(), "clean").equals(name);
        } catch (StoreException e) {
            return false;
        }
    }

    /// A disk that refused used to be tried only once.
    @Test
    void aDiskThatRefusesIsSaidAndTriedAgainUntilItTakes() throws Exception {
        Path away = folder.resolveSibling(folder.getFileName() + "-away");
        Files.move(folder, away);
        rename("clean", "Kept in memory");
        await().until(() -> store.saveState().kind() == Store.SaveState.Kind.FAILED);
        assertThat(store.saveState().sentence()).contains("not there any more").contains("tried again");
        assertThat(name(store.now(), "clean")).isEqualTo("Kept in memory");
        Files.move(away, folder);
        await().until(() -> store.saveState().kind() == Store.SaveState.Kind.SAVED);
        assertThat(onDisk("Kept in memory")).isTrue();
    }

    /// A change within a blink after a save ends used to be left unsaved while "saved" was shown.
    @Test
    void noChangeFallsBetweenTwoSaves() throws Exception {
        AtomicInteger more = new AtomicInteger();
        store.observe(new Store.Observer() {
            @Override
            public void changed(Production now) {}

            @Override
            public void saveChanged(Store.SaveState s) {
                // As the interface would, the moment it hears of the save.
                if (s.kind() == Store.SaveState.Kind.SAVED && more.get() < 12) {
                    rename("clean", "name " + more.incrementAndGet());
                }
            }
        });
        rename("clean", "begin");
        await().until(() -> more.get() == 12 && store.saveState().kind() == Store.SaveState.Kind.SAVED);
        assertThat(onDisk("name 12")).isTrue();
    }

    @Test
    void aContestedFileIsSettledInOneOfThreeWays() throws Exception {
        Path file = folder.resolve("production.json");
        for (int way = 0; way < 3; way++) {
            String outside = Files.readString(file).replaceFirst("\"title\" : \"[^\"]*\"", "\"title\" : \"Outside " + way + "\"");
            Files.writeString(file, outside);
            rename("clean", "Mine " + way);
            await().until(() -> store.saveState().kind() == Store.SaveState.Kind.CONTESTED);
            assertThat(Files.readString(file)).isEqualTo(outside);
            String mine = "Mine " + way;
            switch (way) {
                case 0 -> {
                    store.keepMine();
                    assertThat(onDisk(mine)).isTrue();
                }
                case 1 -> {
                    store.takeTheirs();
                    assertThat(store.now().title()).isEqualTo("Outside 1");
                    store.undo();
                    assertThat(name(store.now(), "clean")).isEqualTo(mine);
                    store.redo();
                }
                default -> {
                    Path beside = store.saveMineBeside();
                    assertThat(Files.readString(beside)).contains(mine);
                    assertThat(store.now().title()).isEqualTo("Outside 2");
                }
            }
            await().until(() -> store.saveState().kind() == Store.SaveState.Kind.SAVED);
        }
    }

    @Test
    void twoMegabytesAreSavedAtOnce() throws Exception {
        store.apply("much", p -> {
            List<Shot> many = new ArrayList<>(p.shots());
            for (int i = 0; i < 260; i++) {
                many.add(p.shot("12").told("x".repeat(10), "y", 4).withIllusions(List.of()).withPlates(p.shot("12").plates())
                        .renamed("n" + i, 100 + i));
            }
            return p.withShots(many);
        });
        await().until(() -> store.saveState().kind() == Store.SaveState.Kind.SAVED);
        assertThat(Files.size(folder.resolve("production.json"))).isGreaterThan(2_000_000);
        rename("clean", "Late");
        await().atMost(10, TimeUnit.SECONDS).until(() -> store.saveState().kind() == Store.SaveState.Kind.SAVED);
        assertThat(onDisk("Late")).isTrue();
    }

    /// What could not be opened again is not made.
    @Test
    void aChangeThatNoProductionCanHoldIsRefusedWithAReason() {
        Store.Observer o = mock(Store.Observer.class);
        store.observe(o);
        Production before = store.now();
        store.apply("many", p -> {
            List<Shot> many = new ArrayList<>();
            for (int i = 0; i < 2001; i++) {
                many.add(p.shot("12").withPlates(List.of()).renamed("n" + i, i));
            }
            return p.withShots(many);
        });
        assertThat(store.now()).isSameAs(before);
        assertThat(store.undoable()).isNull();
        verify(o).refused(contains("more than the 2000"));
    }

    @Test
    void aSecondWindowMayLookButNotWrite() throws Exception {
        try (Store second = new Store(ProductionFolder.open(folder))) {
            assertThat(second.saveState().kind()).isEqualTo(Store.SaveState.Kind.READ_ONLY);
            Store.Observer o = mock(Store.Observer.class);
            second.observe(o);
            second.apply("change", p -> p.withShots(List.of()));
            verify(o, never()).saveChanged(any());
        }
        try (ProductionFolder other = ProductionFolder.open(folder, false)) {
            assertThat(other.production()).isEqualTo(Lantern.production());
        }
    }
}
