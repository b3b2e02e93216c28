package org.scenothesis.production.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.shot.Production;
import org.scenothesis.production.Lantern;

/// What a kill between two saves leaves beside the document, and what is made of it.
class JournalTest {
    @TempDir
    Path folder;

    /// Notes states as a program does that is killed before it saves them: the folder is let go, the document is as it was.
    private void killedAfter(UnaryOperator<Production> change) throws Exception {
        try (ProductionFolder f = ProductionFolder.open(folder)) {
            f.note(3, f.production(), change.apply(f.production()));
        }
    }

    private static UnaryOperator<Production> titled(String shot, String title) {
        return p -> p.withShot(shot, s -> s.told(title, "", 4));
    }

    private Production reopened() throws Exception {
        try (ProductionFolder f = ProductionFolder.open(folder)) {
            return f.production();
        }
    }

    @Test
    void whatWasNotedIsTakenUpAndSaved() throws Exception {
        ProductionFolder.create(folder, Lantern.production()).close();
        killedAfter(p -> titled("13", "Noted").apply(p.withShots(List.of(p.shot("13"), p.shot("12")))));
        assertThat(reopened().shots()).extracting("id").containsExactly("13", "12");
        assertThat(reopened().shot("13").title()).isEqualTo("Noted");
        assertThat(reopened().shot("12")).isEqualTo(Lantern.production().shot("12"));
        assertThat(folder.resolve(Journal.FILE)).doesNotExist();
        assertThat(Files.readString(folder.resolve("production.json"))).contains("Noted");
    }

    @Test
    void aLineCutShortIsNone() throws Exception {
        ProductionFolder.create(folder, Lantern.production()).close();
        killedAfter(titled("12", "Whole line"));
        Files.writeString(folder.resolve(Journal.FILE), "{\"revision\":9,\"hash\":\"\",\"order\":[\"12", StandardOpenOption.APPEND);
        assertThat(reopened().shot("12").title()).isEqualTo("Whole line");
    }

    @Test
    void whatWasSavedSinceIsNotTakenBack() throws Exception {
        ProductionFolder.create(folder, Lantern.production()).close();
        killedAfter(titled("12", "Older"));
        byte[] stale = Files.readAllBytes(folder.resolve(Journal.FILE));
        try (ProductionFolder f = ProductionFolder.open(folder)) {
            f.save(titled("12", "Newer").apply(f.production()));
        }
        Files.write(folder.resolve(Journal.FILE), stale);
        assertThat(reopened().shot("12").title()).as("the journal of another document").isEqualTo("Newer");
        assertThat(folder.resolve("production.mine.journal")).as("and yet it is kept").exists();
    }

    /// Where the document cannot be saved for hours, its journal would outgrow what is read again.
    @Test
    void aLongJournalIsWrittenAnewAndLosesNothing() throws Exception {
        ProductionFolder.create(folder, Lantern.production()).close();
        Path file = folder.resolve(Journal.FILE);
        byte[] document = Files.readAllBytes(folder.resolve("production.json"));
        Production before = Lantern.production();
        var tree = ProductionJson.tree(before, null);
        long largest = 5L * ProductionJson.write(before, null).length();
        var journal = new Journal(folder, largest);
        for (int i = 1; i <= 200; i++) {
            journal.saving(i, ("tried " + i).getBytes(StandardCharsets.UTF_8));
            journal.state(i, document, before, titled("13", "Change " + i).apply(before), tree);
            assertThat(Files.size(file)).isLessThanOrEqualTo(largest);
        }
        journal.state(202, document, before, titled("13", "The last").apply(before), tree);
        assertThat(new Journal(folder, largest).recovered(folder.resolve("production.json"), document, before).shot("13").title())
                .isEqualTo("The last");
        assertThat(reopened().shot("13").title()).isEqualTo("The last");
    }

    @Test
    void aJournalTooLargeIsKeptBeside() throws Exception {
        ProductionFolder.create(folder, Lantern.production()).close();
        try (var file = new RandomAccessFile(folder.resolve(Journal.FILE).toFile(), "rw")) {
            file.setLength(65L << 20);
        }
        assertThat(reopened()).isEqualTo(Lantern.production());
        assertThat(folder.resolve("production.mine.journal")).exists();
    }

    /// What a stranger's journal says is checked like a document, and a link is not followed.
    @Test
    void aJournalThatMakesNoSenseHarmsNothing() throws Exception {
        ProductionFolder.create(folder, Lantern.production()).close();
        String hash = Journal.hash(Files.readAllBytes(folder.resolve("production.json")));
        Files.writeString(folder.resolve(Journal.FILE), "{\"revision\":0,\"hash\":\"" + hash
                + "\",\"order\":[]}\n{\"revision\":2,\"hash\":\"\",\"order\":[\"12\"],\"changed\":{\"schema\":6}}\nnoise\n");
        assertThat(reopened()).isEqualTo(Lantern.production());
        Path outside = Files.write(folder.resolveSibling(folder.getFileName() + "-outside"), "precious".getBytes(StandardCharsets.UTF_8));
        Files.createSymbolicLink(folder.resolve(Journal.FILE), outside);
        try (Store store = new Store(ProductionFolder.open(folder))) {
            store.apply("t", titled("12", "Saved all the same"));
            await().until(() -> store.saveState().kind() == Store.SaveState.Kind.SAVED);
        }
        assertThat(outside).hasContent("precious");
        assertThat(reopened().shot("12").title()).isEqualTo("Saved all the same");
    }
}
