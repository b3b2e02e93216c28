package org.scenothesis.production.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.production.Lantern;

/// Results never take the place of what the program did not make.
class ResultFileTest {
    @TempDir
    Path home;

    private static byte[] bytes(String words) {
        return words.getBytes(StandardCharsets.UTF_8);
    }

    @Test
    void whatWasMadeHereIsMadeAgainAndNothingElse() throws Exception {
        Path ours = home.resolve("new folder/plan 1.pdf");
        ResultFile.write(ours, bytes("one"));
        ResultFile.write(ours, bytes("two"));
        assertThat(ours).hasContent("two");
        Files.writeString(ours, "what somebody wrote into it");
        assertThatExceptionOfType(StoreException.class).isThrownBy(() -> ResultFile.write(ours, bytes("three")))
                .withMessageContaining("was changed since");
        Path theirs = Files.writeString(home.resolve("theirs.pdf"), "precious");
        assertThatExceptionOfType(StoreException.class).isThrownBy(() -> ResultFile.write(theirs, bytes("x")))
                .withMessageContaining("not made by this program").withMessageContaining("theirs.pdf");
        Path link = Files.createSymbolicLink(home.resolve("link.pdf"), theirs);
        assertThatExceptionOfType(StoreException.class).isThrownBy(() -> ResultFile.write(link, bytes("x")));
        assertThatExceptionOfType(StoreException.class).isThrownBy(() -> ResultFile.mayBe(home, List.of("free.png", "theirs.pdf")))
                .as("one of several").withMessageContaining("theirs.pdf");
        ResultFile.mayBe(home, List.of("free.png", "also-free.png"));
        assertThat(theirs).hasContent("precious");
    }

    @ParameterizedTest
    @ValueSource(strings = {"production.json", "production.previous.json", ".lock", ".journal", ".results", "footage/new.png",
            ".cache/x.json", ".earlier/x"})
    void aProductionsOwnIsNeverAResult(String name) throws Exception {
        ProductionFolder.create(home, Lantern.production()).close();
        byte[] before = Files.readAllBytes(home.resolve("production.json"));
        assertThatExceptionOfType(StoreException.class).isThrownBy(() -> ResultFile.write(home.resolve(name), bytes("x")))
                .withMessageContaining("production's own");
        assertThat(home.resolve("production.json")).hasBinaryContent(before);
        ResultFile.write(home.resolve("renders/plan.csv"), bytes("x"));
    }

    @Test
    void nothingGoesThroughALinkThatTheFolderBrought() throws Exception {
        Path p = home.resolve("p");
        Path outside = Files.createDirectories(home.resolve("outside"));
        ProductionFolder.create(p, Lantern.production()).close();
        Files.createSymbolicLink(p.resolve("paper"), outside);
        Files.createDirectories(p.resolve("renders"));
        Files.createSymbolicLink(p.resolve("renders/stills"), outside);
        for (String name : new String[] {"paper/book.pdf", "renders/stills/frame-000000.png"}) {
            assertThatExceptionOfType(StoreException.class).isThrownBy(() -> ResultFile.write(p.resolve(name), bytes("x")))
                    .withMessageContaining("leads out");
        }
        assertThat(outside).isEmptyDirectory();
        ResultFile.write(outside.resolve("typed.pdf"), bytes("x"));
        assertThat(outside.resolve("typed.pdf")).exists();
    }
}
