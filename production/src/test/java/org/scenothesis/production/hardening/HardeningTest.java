package org.scenothesis.production.hardening;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// The promises of `docs/reliability.md`, in small.
class HardeningTest {
    @TempDir
    Path home;

    @Test
    void killsWhileSavingLoseAtMostTheLastSecond() throws Exception {
        Kills kills = new Kills(home, 3);
        kills.saves(3);
        assertThat(kills.broken()).isEmpty();
        assertThat(kills.worstLostMs()).isLessThanOrEqualTo(1000);
    }

    /// However large the document: what changed is noted beside it at once.
    @Test
    void killsWhileSavingAMuchLargerDocumentLoseNoMore() throws Exception {
        Kills kills = new Kills(home, 5);
        kills.savesMuch(3, 900);
        assertThat(Files.size(home.resolve("saved-much/production.json"))).isGreaterThan(8_000_000);
        assertThat(kills.broken()).isEmpty();
        assertThat(kills.worstLostMs()).isLessThanOrEqualTo(1000);
    }

    @Test
    void killsWhileRenderingLeaveAWholeFilmOrNone() throws Exception {
        Kills kills = new Kills(home, 4);
        kills.renders(3);
        assertThat(kills.broken()).isEmpty();
    }

    @Test
    void aFullDiskLosesNothing() throws Exception {
        FullDisk disk = FullDisk.mounted(home.resolve("disk"), 4).orElse(null);
        Assumptions.assumeTrue(disk != null, "a small disk can only be mounted by root");
        try {
            disk.fill(2);
            assertThat(disk.broken()).isEmpty();
        } finally {
            disk.unmount();
        }
    }
}
