package org.scenothesis.production.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.shot.Take;
import org.scenothesis.production.Lantern;

class ProductionFolderTest {
    @TempDir
    Path folder;

    private Path file() {
        return folder.resolve("production.json");
    }

    private void make() throws StoreException {
        ProductionFolder.create(folder, Lantern.production()).close();
    }

    private ObjectNode tree() throws Exception {
        return (ObjectNode) new ObjectMapper().readTree(file().toFile());
    }

    @Test
    void whatIsWrittenIsReadBackEqual() throws Exception {
        make();
        try (ProductionFolder f = ProductionFolder.open(folder)) {
            assertThat(f.production()).isEqualTo(Lantern.production());
            assertThat(f.writable()).isTrue();
        }
        try (ProductionFolder byFile = ProductionFolder.open(file())) {
            assertThat(byFile.path()).isEqualTo(folder.toAbsolutePath().normalize());
        }
    }

    @Test
    void theFileFollowsThePublishedSchema() throws Exception {
        make();
        Path schema = Path.of("..", "docs", "production.schema.json");
        var validator = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012).getSchema(Files.readString(schema));
        assertThat(validator.validate(tree())).isEmpty();
        ObjectNode wrong = tree();
        wrong.put("schema", "one");
        assertThat(validator.validate(wrong)).isNotEmpty();
        ObjectNode noShots = tree();
        noShots.remove("shots");
        assertThat(validator.validate(noShots)).isNotEmpty();
    }

    @Test
    void aNewerSchemaIsRefusedAndTheFileKept() throws Exception {
        make();
        ObjectNode t = tree();
        t.put("schema", ProductionJson.SCHEMA + 1);
        Files.writeString(file(), t.toString());
        assertThatExceptionOfType(StoreException.class).isThrownBy(() -> ProductionFolder.open(folder)).withMessageContaining("newer");
        assertThat(tree()).isEqualTo(t);
    }

    @Test
    void aBottomlessFileIsRefused() throws Exception {
        Files.writeString(file(), "{\"schema\":1,\"a\":" + "[".repeat(5000) + "]".repeat(5000) + "}");
        assertThatExceptionOfType(StoreException.class).isThrownBy(() -> ProductionFolder.open(folder));
    }

    @Test
    void unknownFieldsAreKeptWhereTheyWere() throws Exception {
        make();
        ObjectNode t = tree();
        t.put("future", 42);
        ((ObjectNode) t.at("/shots/0")).put("mood", "calm");
        ((ObjectNode) t.at("/shots/0/plates/2")).putArray("lenses").add("35");
        Files.writeString(file(), t.toString());
        try (ProductionFolder f = ProductionFolder.open(folder)) {
            f.save(f.production().withShot("12", s -> s.withPlate("clean", p -> p.withName("Empty loft"))));
        }
        assertThat(tree().get("future").intValue()).isEqualTo(42);
        assertThat(tree().at("/shots/0/mood").asText()).isEqualTo("calm");
        assertThat(tree().at("/shots/0/plates/2/lenses/0").asText()).isEqualTo("35");
        assertThat(tree().at("/shots/0/plates/0/name").asText()).isEqualTo("Empty loft");
    }

    @Test
    void onlyOneWrites() throws Exception {
        make();
        try (ProductionFolder first = ProductionFolder.open(folder); ProductionFolder second = ProductionFolder.open(folder)) {
            assertThat(first.writable()).isTrue();
            assertThat(second.writable()).isFalse();
            assertThat(second.holder()).isEqualTo(String.valueOf(ProcessHandle.current().pid()));
            assertThatExceptionOfType(StoreException.class).isThrownBy(() -> second.save(second.production()))
                    .withMessageContaining("open elsewhere");
        }
        try (ProductionFolder again = ProductionFolder.open(folder)) {
            assertThat(again.writable()).isTrue();
        }
    }

    @Test
    void theLastGoodStateIsKeptBeside() throws Exception {
        make();
        String before = Files.readString(file());
        try (ProductionFolder f = ProductionFolder.open(folder)) {
            f.save(f.production().withShots(List.of()));
        }
        assertThat(Files.readString(folder.resolve("production.previous.json"))).isEqualTo(before);
        assertThat(tree().get("shots")).isEmpty();
    }

    @Test
    void footageIsBroughtInUnderAFreeName() throws Exception {
        make();
        Path outside = Files.writeString(Files.createTempDirectory("elsewhere").resolve("take.mp4"), "abc");
        try (ProductionFolder f = ProductionFolder.open(folder)) {
            assertThat(f.footageFolder().bringIn(outside)).isEqualTo("footage/take.mp4");
            assertThat(f.footageFolder().bringIn(outside)).isEqualTo("footage/take-2.mp4");
            assertThat(f.footageFolder().bringIn(folder.resolve("footage").resolve("take.mp4"))).isEqualTo("footage/take.mp4");
            assertThat(f.footage(new Take("x", "footage/take.mp4", false, ""))).hasContent("abc");
            assertThatExceptionOfType(StoreException.class).isThrownBy(() -> f.footageFolder().bringIn(outside.resolveSibling("gone.mp4")));
        }
    }

    @Test
    void aFolderWithoutAProductionIsSaid() {
        assertThatExceptionOfType(StoreException.class).isThrownBy(() -> ProductionFolder.open(folder))
                .withMessageContaining("no production.json");
    }

    @Test
    void anExistingProductionIsNotOverwritten() throws Exception {
        make();
        assertThatExceptionOfType(StoreException.class).isThrownBy(this::make).withMessageContaining("already");
    }

    @Test
    void aNameThatStandsTwiceIsSaidWithItsLine() throws Exception {
        make();
        Files.writeString(file(), Files.readString(file()).replaceFirst("\"schema\" : (\\d+),", "\"schema\" : $1,\n\"title\" : \"x\","));
        assertThatExceptionOfType(StoreException.class).isThrownBy(() -> ProductionFolder.open(folder)).withMessageContaining("title")
                .withMessageContaining("twice").withMessageContaining("line");
    }

    @Test
    void tooMuchIsSaidBeforeItIsTried() throws Exception {
        make();
        ObjectNode t = tree();
        var shots = t.putArray("shots");
        ObjectNode one = (ObjectNode) new ObjectMapper()
                .readTree(ProductionJson.write(Lantern.production()
                .withShot("13", x -> x.withPlates(List.of()).withLayers(List.of())), null)).at("/shots/1");
        for (int i = 0; i < 20_000; i++) {
            shots.add(one.deepCopy().put("id", "s" + i).put("story", ""));
        }
        Files.writeString(file(), t.toString());
        assertThatExceptionOfType(StoreException.class).isThrownBy(() -> ProductionFolder.open(folder))
                .withMessageContaining("20000 shots");
    }

    @Test
    void aProductionWithoutShotsOpens() throws Exception {
        ProductionFolder.create(folder, Lantern.production().withShots(List.of())).close();
        try (ProductionFolder f = ProductionFolder.open(folder)) {
            assertThat(f.production().shots()).isEmpty();
        }
    }

    @Test
    void aBrokenFileNamesTheCopiesAndOneIsPutBack() throws Exception {
        make();
        try (ProductionFolder f = ProductionFolder.open(folder)) {
            f.save(f.production().withShots(List.of()));
        }
        Files.writeString(file(), "{ broken");
        assertThatExceptionOfType(StoreException.class).isThrownBy(() -> ProductionFolder.open(folder))
                .withMessageContaining("line 1").withMessageContaining("production.previous.json").withMessageContaining(".earlier");
        Path newest = Earlier.of(folder).all().getFirst().file();
        Path kept = Copies.putBack(folder, newest);
        assertThat(Files.readString(kept)).isEqualTo("{ broken");
        try (ProductionFolder f = ProductionFolder.open(folder)) {
            assertThat(f.production()).isEqualTo(Lantern.production());
        }
    }

    /// The lock file was removed by a sync: the second program writes, and the first must not write over it.
    @Test
    void aLockThatWasRemovedIsNoticedBeforeTheNextSave() throws Exception {
        make();
        try (ProductionFolder first = ProductionFolder.open(folder)) {
            Files.delete(folder.resolve(".lock"));
            try (ProductionFolder second = ProductionFolder.open(folder)) {
                assertThat(second.writable()).isTrue();
                assertThatExceptionOfType(StoreException.class).isThrownBy(() -> first.save(first.production().withShots(List.of())))
                        .withMessageContaining("open elsewhere");
                second.save(second.production().withShot("12", s -> s.told("Second", "", 4)));
            }
            assertThatExceptionOfType(ChangedOutsideException.class).isThrownBy(() -> first.save(first.production().withShots(List.of())));
            assertThat(tree().at("/shots/0/title").asText()).isEqualTo("Second");
        }
    }

    @Test
    void whatAnotherProgramWroteIsNeverOverwrittenSilently() throws Exception {
        make();
        try (ProductionFolder f = ProductionFolder.open(folder)) {
            ObjectNode t = tree();
            t.put("title", "Synced");
            Files.writeString(file(), t.toString());
            assertThatExceptionOfType(ChangedOutsideException.class).isThrownBy(() -> f.save(f.production().withShots(List.of())));
            assertThat(tree().get("title").asText()).isEqualTo("Synced");
            f.saveOver(f.production().withShots(List.of()));
            assertThat(tree().get("shots")).isEmpty();
            assertThat(f.earlier(f.earlier().getFirst()).title()).isEqualTo("Synced");
        }
    }
}
