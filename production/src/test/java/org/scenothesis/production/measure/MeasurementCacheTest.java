package org.scenothesis.production.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.key.Border;
import org.scenothesis.core.key.MatteAreas;
import org.scenothesis.core.key.MatteMeasures;
import org.scenothesis.core.key.ScreenModel;
import org.scenothesis.core.match.Gains;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.Point;

class MeasurementCacheTest {
    private static final LockReport LOCK = new LockReport(
            3,
            List.of(new LockReport.Segment(0, 2, 0.8, new Point(0.1, -0.2), List.of(Point.ZERO, new Point(1, 2)), 0.01, 0.02, 0.05, 0.004,
            new Gains(1, 1.1, 0.9), 0, 0.1, 0.05, new LockReport.Focus(0.98, 1.4))),
            0.01, null, List.of(new LockReport.Sample(0, 0.1, 0.2, 0.3), new LockReport.Sample(1, null, null, null)));

    @TempDir
    Path folder;

    private MeasurementCache mine() {
        return new MeasurementCache(folder, null, new byte[] {1, 2, 3});
    }

    @Test
    void resultsComeBackEqualAndWhatWasNotMeasuredIsNull() {
        MeasurementCache r = mine();
        r.keep("lock-x", LOCK);
        assertThat(r.find("lock-x", LockReport.class)).contains(LOCK);
        MatteMeasures m = new MatteMeasures(1, 2, 9, 3, 4, 5, 6, new Border(7, Border.Side.TOP),
                List.of(new MatteAreas.Place(MatteAreas.Status.HOLE, 0.1, 0.2, 0.3, 0.4)));
        KeyReport key = new KeyReport(9, ScreenModel.Source.TAKE, null, m, List.of(new KeyReport.At(3, m)), 1, true, true);
        r.keep("key-x", key);
        assertThat(r.find("key-x", KeyReport.class)).contains(key);
        assertThat(r.find("none", KeyReport.class)).isEmpty();
    }

    /// A production's cache comes from whoever made it: verdicts in it are believed only if this user's program put them there.
    @Test
    void aStrangersReadingsAreNotBelieved() throws Exception {
        new MeasurementCache(folder, null, new byte[] {9, 9}).keep("lock-x", LOCK);
        assertThat(mine().find("lock-x", LockReport.class)).isEmpty();
        Files.writeString(folder.resolve("lock-y.json"), Files.readString(folder.resolve("lock-x.json")).split("\n")[1]);
        assertThat(mine().find("lock-y", LockReport.class)).as("unsigned").isEmpty();
        mine().keep("lock-z", LOCK);
        Files.copy(folder.resolve("lock-z.json"), folder.resolve("lock-other.json"));
        assertThat(mine().find("lock-other", LockReport.class)).as("passed off as another").isEmpty();
        assertThat(mine().find("lock-z", LockReport.class)).isPresent();
    }

    @Test
    void theApplicationsOwnReadingsAreTrusted() throws Exception {
        Path shipped = folder.resolve("shipped");
        MeasurementCache.ship(shipped, "lock-s", LOCK);
        assertThat(new MeasurementCache(null, shipped, new byte[1]).find("lock-s", LockReport.class)).contains(LOCK);
    }

    @Test
    void damagedOrUnwritableCachesAreNoLoss() throws Exception {
        mine().keep("lock-x", LOCK);
        Files.writeString(folder.resolve("lock-x.json"), "{\"frames\":");
        assertThat(mine().find("lock-x", LockReport.class)).isEmpty();
        Path file = Files.writeString(folder.resolve("file"), "");
        MeasurementCache r = new MeasurementCache(file.resolve("below"), null, new byte[1]);
        r.keep("lock-x", LOCK);
        assertThat(r.find("lock-x", LockReport.class)).isEmpty();
    }

    @Test
    void keysFollowContentSettingsAndKind() {
        assertThat(MeasurementCache.key("lock", 1, List.of("a"), "")).isEqualTo(MeasurementCache.key("lock", 1, List.of("a"), ""));
        assertThat(MeasurementCache.key("lock", 1, List.of("a"), "")).isNotEqualTo(MeasurementCache.key("lock", 1, List.of("b"), ""));
        assertThat(MeasurementCache.key("lock", 1, List.of("a"), "")).isNotEqualTo(MeasurementCache.key("lock", 2, List.of("a"), ""));
        assertThat(MeasurementCache.key("lock", 1, List.of("a"), "")).isNotEqualTo(MeasurementCache.key("key", 1, List.of("a"), ""));
        assertThat(MeasurementCache.key("lock", 1, List.of("a"), "x")).isNotEqualTo(MeasurementCache.key("lock", 1, List.of("a"), "y"));
    }

    /// Same name, same size, even the same time: other bytes are another content.
    @Test
    void everyByteCounts() throws Exception {
        ContentHashes contents = new ContentHashes(mine());
        byte[] bytes = new byte[5 << 20];
        Path a = Files.write(folder.resolve("a.mp4"), bytes);
        String before = contents.of(a, Progress.NONE);
        assertThat(contents.known(a)).contains(before);
        FileTime time = Files.getLastModifiedTime(a);
        bytes[2 << 20] = 1;
        Files.write(a, bytes);
        Files.setLastModifiedTime(a, time);
        assertThat(contents.known(a)).as("known no more").isEmpty();
        assertThat(contents.of(a, Progress.NONE)).isNotEqualTo(before);
    }

    @Test
    void stillsReplacedByOthersOfTheSameSizeAreAnotherContent() throws Exception {
        ContentHashes contents = new ContentHashes(mine());
        Path stills = Files.createDirectories(folder.resolve("stills"));
        Files.writeString(stills.resolve("1.png"), "aaaa");
        Files.writeString(stills.resolve("2.png"), "bbbb");
        String before = contents.of(stills, Progress.NONE);
        Files.writeString(stills.resolve("2.png"), "cccc");
        assertThat(contents.of(stills, Progress.NONE)).isNotEqualTo(before);
        Files.writeString(stills.resolve("2.png"), "bbbb");
        assertThat(contents.of(stills, Progress.NONE)).isEqualTo(before);
    }
}
