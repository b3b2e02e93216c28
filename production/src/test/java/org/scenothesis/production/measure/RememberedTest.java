package org.scenothesis.production.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.key.Border;
import org.scenothesis.core.key.MatteMeasures;
import org.scenothesis.core.key.ScreenModel;
import org.scenothesis.core.match.Gains;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.Point;

class RememberedTest {
    @TempDir
    Path folder;

    private static final LockReport LOCK = new LockReport(
            3, 0.8, new Point(0.1, -0.2), List.of(Point.ZERO, Point.ZERO, Point.ZERO, new Point(1, 2)), 0.01, 0.02, 0.05, new Gains(1, 1.1, 0.9), 2, 0.4, 0.01, -0.02,
            List.of(new LockReport.Sample(0, 0.1, 0.2, 0.3)), true);

    @Test
    void resultsComeBackEqual() {
        Remembered r = new Remembered(folder);
        r.keep("lock-x", LOCK);
        assertThat(r.find("lock-x", LockReport.class)).contains(LOCK);
        MatteMeasures m = new MatteMeasures(1, 2, 3, 4, 5, 6, new Border(7, Border.Side.TOP));
        KeyReport key = new KeyReport(9, ScreenModel.Source.TAKE, 0.4, m, List.of(new KeyReport.At(3, m)));
        r.keep("key-x", key);
        assertThat(r.find("key-x", KeyReport.class)).contains(key);
        assertThat(r.find("none", KeyReport.class)).isEmpty();
    }

    @Test
    void aDamagedCacheIsNoLoss() throws Exception {
        Remembered r = new Remembered(folder);
        r.keep("lock-x", LOCK);
        Files.writeString(folder.resolve("lock-x.json"), "{\"frames\":");
        assertThat(r.find("lock-x", LockReport.class)).isEmpty();
    }

    @Test
    void keysFollowContentSettingsAndKind() throws Exception {
        Path a = Files.writeString(folder.resolve("a.mp4"), "one");
        Path b = Files.writeString(folder.resolve("b.mp4"), "one");
        Path c = Files.writeString(folder.resolve("c.mp4"), "two");
        assertThat(Remembered.key("lock", List.of(a), "")).isEqualTo(Remembered.key("lock", List.of(b), ""));
        assertThat(Remembered.key("lock", List.of(a), "")).isNotEqualTo(Remembered.key("lock", List.of(c), ""));
        assertThat(Remembered.key("lock", List.of(a), "")).isNotEqualTo(Remembered.key("key", List.of(a), ""));
        assertThat(Remembered.key("lock", List.of(a), "x")).isNotEqualTo(Remembered.key("lock", List.of(a), "y"));
        assertThatThrownBy(() -> Remembered.key("lock", List.of(folder.resolve("none")), "")).isInstanceOf(UncheckedIOException.class);
    }

    @Test
    void foldersOfStillsHaveKeysToo() throws Exception {
        Path stills = Files.createDirectories(folder.resolve("stills"));
        Files.writeString(stills.resolve("1.png"), "a");
        String before = Remembered.key("lock", List.of(stills), "");
        Files.writeString(stills.resolve("2.png"), "b");
        assertThat(Remembered.key("lock", List.of(stills), "")).isNotEqualTo(before);
    }

    @Test
    void aCacheThatCannotBeWrittenIsNotFatal() throws Exception {
        Path file = Files.writeString(folder.resolve("file"), "");
        Remembered r = new Remembered(file.resolve("below"));
        r.keep("lock-x", LOCK);
        assertThat(r.find("lock-x", LockReport.class)).isEmpty();
    }
}
