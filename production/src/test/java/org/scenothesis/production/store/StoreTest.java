package org.scenothesis.production.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
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
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Production;
import org.scenothesis.production.demo.LanternWorks;

class StoreTest {
    @TempDir
    Path folder;

    private Store store;

    @BeforeEach
    void open() throws StoreException {
        store = new Store(ProductionFolder.create(folder, LanternWorks.production()));
    }

    @AfterEach
    void close() {
        store.close();
    }

    private void rename(String plate, String name) {
        store.apply("rename", p -> p.withShot("12", s -> s.withPlate(plate, q -> q.named(name))));
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
        Thread.sleep(1000);
        // As after a kill: read what is there, the lock notwithstanding.
        try (ProductionFolder other = ProductionFolder.open(folder, false)) {
            assertThat(name(other.production(), "clean")).isEqualTo("Saved by itself");
        }
        assertThat(store.saveState().kind()).isEqualTo(Store.SaveState.Kind.SAVED);
    }

    @Test
    void closingSavesWhatIsPending() throws Exception {
        rename("clean", "At the last moment");
        store.close();
        try (ProductionFolder other = ProductionFolder.open(folder, false)) {
            assertThat(name(other.production(), "clean")).isEqualTo("At the last moment");
        }
    }

    @Test
    void aDiskThatRefusesIsSaidAndNothingIsLost() throws Exception {
        Files.delete(folder.resolve("production.json"));
        Files.createDirectories(folder.resolve("production.json").resolve("in the way"));
        rename("clean", "Kept in memory");
        Thread.sleep(900);
        assertThat(store.saveState().kind()).isEqualTo(Store.SaveState.Kind.FAILED);
        assertThat(store.saveState().sentence()).contains("could not be saved");
        assertThat(name(store.now(), "clean")).isEqualTo("Kept in memory");
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
            assertThat(other.production()).isEqualTo(LanternWorks.production());
        }
    }
}
