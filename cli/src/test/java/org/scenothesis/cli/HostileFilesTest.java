package org.scenothesis.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.testkit.HostileFiles;

/// No file ends the program, at no door; every one is answered by a result or a sentence.
class HostileFilesTest {
    @TempDir
    Path home;

    @Test
    void everyDoorAnswersEveryFile() throws Exception {
        HostileRun run = new HostileRun(home);
        assertThat(run.set(1)).isGreaterThan(400);
        assertThat(run.wrong()).isEmpty();
    }

    /// A text of two gigabytes in a still of two megabytes: no door unpacks it.
    @Test
    void aPackedTextIsNeverUnpacked() throws Exception {
        Path bomb = Files.write(home.resolve("bomb.png"), HostileFiles.noted(HostileFiles.sound("still.png"), Integer.MAX_VALUE
                - (1 << 20)));
        HostileRun run = new HostileRun(home);
        run.one(bomb);
        assertThat(run.wrong()).isEmpty();
        assertThat(run.mostKilobytes()).as("kilobytes resident").isBetween(1L, 900_000L);
    }
}
