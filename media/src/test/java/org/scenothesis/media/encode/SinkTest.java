package org.scenothesis.media.encode;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.media.decode.TestPictures;

/// What is written appears whole or not at all, never through somebody's link, and never in place of something better.
class SinkTest {
    @TempDir
    Path folder;

    private static VideoSink.Plan plan(VideoFormat format) {
        return new VideoSink.Plan(128, 72, 25, format, 9, null);
    }

    private Path film(String name, VideoFormat format, int from, int to) throws FootageException {
        Path file = folder.resolve(name);
        try (VideoSink s = new VideoSink(file, plan(format))) {
            for (int i = from; i < to; i++) {
                s.write(TestPictures.chart(128, 72, i));
            }
        }
        return file;
    }

    private List<Path> files() throws Exception {
        try (var all = Files.list(folder)) {
            return all.sorted().toList();
        }
    }

    @Test
    void givingUpLeavesTheOldFileAsItWas() throws Exception {
        Path file = film("o.mkv", VideoFormat.FFV1_MKV, 0, 5);
        byte[] before = Files.readAllBytes(file);
        VideoSink s = new VideoSink(file, plan(VideoFormat.FFV1_MKV));
        s.write(TestPictures.chart(128, 72, 0));
        s.abandon();
        assertThat(Files.readAllBytes(file)).isEqualTo(before);
        assertThat(files()).containsExactly(file);
    }

    @Test
    void aPlanThatIsRefusedLeavesTheOldFileAndNothingElse() throws Exception {
        Path file = film("o.mp4", VideoFormat.H264_MP4, 0, 5);
        assertThatExceptionOfType(FootageException.class)
                .isThrownBy(() -> new VideoSink(file, new VideoSink.Plan(127, 71, 24, VideoFormat.H264_MP4, 5, null)));
        assertThatExceptionOfType(FootageException.class)
                .isThrownBy(() -> new VideoSink(file, new VideoSink.Plan(128, 72, 24, VideoFormat.H264_MP4, 5,
                folder.resolve("no-sound.wav"))));
        assertThat(files()).containsExactly(file);
        try (Footage f = Footages.open(file)) {
            assertThat(f.info().frames()).isEqualTo(5);
        }
    }

    @Test
    void aLinkUnderTheNameIsReplacedNotFollowed() throws Exception {
        Path victim = Files.writeString(folder.resolve("victim"), "precious");
        Path target = folder.resolve("still.png");
        Files.createSymbolicLink(target, victim);
        // The name of the file in the making was once known; a link laid there must not be followed either.
        Files.createSymbolicLink(folder.resolve("still.png.part"), victim);
        Stills.write(target, TestPictures.chart(32, 32, 0), Stills.Format.PNG8);
        assertThat(Files.readString(victim)).isEqualTo("precious");
        assertThat(Files.isSymbolicLink(target)).isFalse();
        try (Footage f = Footages.open(target)) {
            assertThat(f.info().width()).isEqualTo(32);
        }
    }

    @ParameterizedTest
    @EnumSource(VideoFormat.class)
    void partsAreJoinedWithoutCodingAgain(VideoFormat format) throws Exception {
        List<Path> parts = new ArrayList<>();
        for (int k = 0; k < 3; k++) {
            parts.add(film("part-" + k + "." + format.extension(), format, 7 * k, 7 * k + 7));
        }
        Path whole = folder.resolve("whole." + format.extension());
        VideoJoin.join(parts, whole, plan(format));
        try (Footage f = Footages.open(whole)) {
            assertThat(f.info().frames()).isEqualTo(21);
            assertThat(f.info().rate().framesPerSecond()).isCloseTo(25, Offset.offset(0.01));
            assertThat(f.info().rate().variable()).isFalse();
            for (int i = 0; i < 21; i++) {
                assertThat(TestPictures.frameOf(f.frame(i))).as("frame " + i).isEqualTo(i % 8);
            }
            try (Footage part = Footages.open(parts.get(1))) {
                assertThat(TestPictures.worst(f.frame(9), part.frame(2))).as("not coded again").isZero();
            }
        }
    }
}
