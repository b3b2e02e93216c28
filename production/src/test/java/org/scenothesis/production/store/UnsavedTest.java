package org.scenothesis.production.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.production.Lantern;

/// Changes that cannot be saved when the program ends.
class UnsavedTest {
    @TempDir
    Path home;

    private static void title(Store store, String words) {
        store.apply("t", p -> p.withShot("12", s -> s.told(words, "", 4)));
    }

    private static void until(Store store, Store.SaveState.Kind kind) {
        await().atMost(Duration.ofSeconds(20)).until(() -> store.saveState().kind() == kind);
    }

    @Test
    void whatAFolderThatWentCannotTakeIsKeptWithTheUserAndOffered() throws Exception {
        Path folder = home.resolve("p");
        Store store = new Store(ProductionFolder.create(folder, Lantern.production()));
        Path away = Files.move(folder, home.resolve("away"));
        title(store, "Not lost");
        until(store, Store.SaveState.Kind.FAILED);
        assertThat(store.saveNow()).isFalse();
        Path kept = store.end();
        assertThat(kept).isNotNull();
        assertThat(kept.startsWith(UserFolder.path())).isTrue();
        assertThat(store.end()).as("ended once").isEqualTo(kept);
        Files.move(away, folder);
        assertThat(Unsaved.of(folder)).containsExactly(kept);
        assertThat(Copies.in(folder)).contains(kept);
        assertThat(Unsaved.read(kept).shot("12").title()).isEqualTo("Not lost");
        try (ProductionFolder f = ProductionFolder.open(folder)) {
            Path there = Unsaved.settle(f, kept);
            assertThat(there).exists().hasParent(folder);
        }
        assertThat(Unsaved.of(folder)).isEmpty();
    }

    @Test
    void anotherPlaceTakesTheProduction() throws Exception {
        Path folder = home.resolve("p");
        Store store = new Store(ProductionFolder.create(folder, Lantern.production()));
        Files.move(folder, home.resolve("away"));
        title(store, "Elsewhere");
        until(store, Store.SaveState.Kind.FAILED);
        store.saveElsewhere(home.resolve("other"));
        assertThat(store.end()).as("nothing is left to be kept").isNull();
        try (ProductionFolder f = ProductionFolder.open(home.resolve("other"))) {
            assertThat(f.production().shot("12").title()).isEqualTo("Elsewhere");
        }
    }

    /// While another program's change stands in the way ours lies beside at every moment: the program may be ended.
    @Test
    void whatIsContestedLiesBesideAtOnce() throws Exception {
        Path folder = home.resolve("p");
        Store store = new Store(ProductionFolder.create(folder, Lantern.production()));
        title(store, "First");
        until(store, Store.SaveState.Kind.SAVED);
        String outside = Files.readString(folder.resolve("production.json")).replace("Lantern Works", "Outside");
        Files.writeString(folder.resolve("production.json"), outside);
        title(store, "Mine");
        until(store, Store.SaveState.Kind.CONTESTED);
        await().until(() -> mine(folder).size() == 1 && Files.readString(mine(folder).getFirst()).contains("\"Mine\""));
        title(store, "Mine again");
        await().until(() -> mine(folder).size() == 1 && Files.readString(mine(folder).getFirst()).contains("Mine again"));
        store.keepMine();
        assertThat(mine(folder)).as("it is in the document now").isEmpty();
        store.close();
    }

    private static List<Path> mine(Path folder) throws Exception {
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(f -> f.getFileName().toString().startsWith("production.mine")).toList();
        }
    }
}
