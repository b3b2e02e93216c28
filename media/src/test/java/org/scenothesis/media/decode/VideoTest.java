package org.scenothesis.media.decode;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.core.match.AnalysisFrame;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageInfo;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.media.encode.VideoSink;

class VideoTest {
    private static final int N = 30;

    @TempDir
    Path folder;

    private Path film(String name, VideoFormat format, int frames) throws FootageException {
        Path file = folder.resolve(name);
        try (VideoSink s = new VideoSink(file, new VideoSink.Plan(128, 72, 25, format, 9, null))) {
            for (int i = 0; i < frames; i++) {
                s.write(TestPictures.chart(128, 72, i));
            }
        }
        return file;
    }

    @ParameterizedTest
    @EnumSource(VideoFormat.class)
    void everyFormatIsReadBackInItsColours(VideoFormat format) throws FootageException {
        Path file = film("clip." + format.extension(), format, N);
        try (Footage f = Footages.open(file)) {
            assertThat(f.info().frames()).isEqualTo(N);
            assertThat(f.info().width()).isEqualTo(128);
            assertThat(f.info().rate().framesPerSecond()).isCloseTo(25, Offset.offset(0.01));
            assertThat(f.info().rate().variable()).isFalse();
            for (int i : new int[] {0, 7, 29}) {
                assertThat(TestPictures.mean(f.frame(i), TestPictures.chart(128, 72, i))).as("frame " + i).isLessThan(0.02);
            }
        }
    }

    @ParameterizedTest
    @EnumSource(VideoFormat.class)
    void seekingIsExactInAnyOrder(VideoFormat format) throws FootageException {
        Path file = film("seek." + format.extension(), format, N);
        Random random = new Random(4);
        try (Footage f = Footages.open(file)) {
            for (int k = 0; k < 25; k++) {
                int i = random.nextInt(N);
                assertThat(TestPictures.frameOf(f.frame(i))).as("frame " + i).isEqualTo(i % 8);
            }
        }
    }

    @Test
    void losslessIsLossless() throws FootageException {
        Path file = film("exact.mkv", VideoFormat.FFV1_MKV, 3);
        try (Footage f = Footages.open(file)) {
            assertThat(TestPictures.worst(f.frame(2), TestPictures.chart(128, 72, 2))).isLessThan(5e-5);
        }
    }

    @Test
    void aGlanceIsTheSameFrameSmaller() throws FootageException {
        Path file = film("frame.mp4", VideoFormat.H264_MP4, 4);
        try (Footage f = Footages.open(file)) {
            AnalysisFrame g = f.lockFrame(2);
            Picture p = f.frame(2);
            assertThat(g.luma().width()).isEqualTo(128);
            assertThat(g.small().width()).isEqualTo(128 / AnalysisFrame.SHRINK);
            assertThat(g.small().g().at(16, 12)).isCloseTo(p.g().at(66, 50), Offset.offset(0.03f));
        }
    }

    @Test
    void beyondTheEndIsSaidWithTheFrame() throws FootageException {
        try (Footage f = Footages.open(film("end.mkv", VideoFormat.FFV1_MKV, 3))) {
            assertThatExceptionOfType(FootageException.class).isThrownBy(() -> f.frame(3)).withMessageContaining("frame 3")
                    .withMessageContaining("0 to 2");
            assertThatExceptionOfType(FootageException.class).isThrownBy(() -> f.frame(-1));
        }
    }

    @Test
    void oddSizesAreRefusedWhereTheFormatNeedsEvenOnes() {
        assertThatExceptionOfType(FootageException.class)
                .isThrownBy(() -> new VideoSink(folder.resolve("odd.mp4"), new VideoSink.Plan(127, 72, 24, VideoFormat.H264_MP4, 5, null)))
                .withMessageContaining("127x72");
    }

    @Test
    void whatIsAbandonedLeavesNothing() throws Exception {
        VideoSink s = new VideoSink(folder.resolve("gone.mkv"), new VideoSink.Plan(64, 36, 24, VideoFormat.FFV1_MKV, 5, null));
        s.write(TestPictures.chart(64, 36, 0));
        s.abandon();
        try (var files = Files.list(folder)) {
            assertThat(files).isEmpty();
        }
    }

    @Test
    void brokenFilesAreSaidInASentence() throws Exception {
        Path good = film("good.mp4", VideoFormat.H264_MP4, 12);
        byte[] bytes = Files.readAllBytes(good);
        Path empty = Files.write(folder.resolve("empty.mp4"), new byte[0]);
        Path half = Files.write(folder.resolve("half.mp4"), Arrays.copyOf(bytes, bytes.length / 2));
        Path text = Files.writeString(folder.resolve("text.mp4"), "This is not footage.\n".repeat(50));
        byte[] noise = new byte[5000];
        new Random(1).nextBytes(noise);
        Path chance = Files.write(folder.resolve("chance.mov"), noise);
        Path list = Files.writeString(folder.resolve("list.m3u8"), "#EXTM3U\n#EXTINF:1,\ngood.mp4\n");
        for (Path p : List.of(empty, half, text, chance, list, folder.resolve("none.mp4"))) {
            assertThatExceptionOfType(FootageException.class).as(p.toString()).isThrownBy(() -> Footages.open(p).close())
                    .withMessageContaining(p.getFileName().toString());
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.55, 0.8, 0.97})
    void aMatroskaThatWasCutShortGivesTheFramesItHas(double share) throws Exception {
        Path good = film("whole.mkv", VideoFormat.FFV1_MKV, 12);
        byte[] bytes = Files.readAllBytes(good);
        Path cut = Files.write(folder.resolve("cut.mkv"), Arrays.copyOf(bytes, (int) (bytes.length * share)));
        try (Footage f = Footages.open(cut)) {
            assertThat(f.info().frames()).isBetween(1, 12);
            assertThat(TestPictures.frameOf(f.frame(0))).isZero();
        }
    }

    @Test
    void foldersOfStillsAreTakesToo() throws Exception {
        Path stills = Files.createDirectories(folder.resolve("stills"));
        for (int i : new int[] {1, 2, 9, 10, 12}) {
            Stills.write(stills.resolve("f" + i + ".png"), TestPictures.chart(64, 36, i), Stills.Format.PNG8);
        }
        Files.writeString(stills.resolve("notes.txt"), "not a still");
        try (Footage f = Footages.open(stills)) {
            assertThat(f.info().kind()).isEqualTo(FootageInfo.Kind.SEQUENCE);
            assertThat(f.info().frames()).isEqualTo(5);
            assertThat(TestPictures.frameOf(f.frame(2))).isEqualTo(1);
            assertThat(f.info().notes()).anySatisfy(n -> assertThat(n).contains("missing"));
        }
    }

    @Test
    void mixedSizesInAFolderAreSaidWithBoth() throws Exception {
        Path stills = Files.createDirectories(folder.resolve("mixed"));
        Stills.write(stills.resolve("a1.png"), TestPictures.chart(64, 36, 0), Stills.Format.PNG8);
        Stills.write(stills.resolve("a2.png"), TestPictures.chart(96, 54, 0), Stills.Format.PNG8);
        try (Footage f = Footages.open(stills)) {
            assertThatExceptionOfType(FootageException.class).isThrownBy(() -> f.frame(1)).withMessageContaining("96x54")
                    .withMessageContaining("64x36");
        }
        Path none = Files.createDirectories(folder.resolve("none"));
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> Footages.open(none).close()).withMessageContaining("no stills");
    }

    @Test
    void closingTwiceIsHarmless() throws FootageException, IOException {
        VideoSink s = new VideoSink(folder.resolve("twice.mkv"), new VideoSink.Plan(64, 36, 24, VideoFormat.FFV1_MKV, 5, null));
        s.write(TestPictures.chart(64, 36, 0));
        s.close();
        s.close();
        assertThat(Files.size(folder.resolve("twice.mkv"))).isPositive();
    }
}
