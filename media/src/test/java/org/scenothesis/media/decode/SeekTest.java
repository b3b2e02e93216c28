package org.scenothesis.media.decode;

import static org.assertj.core.api.Assertions.assertThat;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_find_encoder_by_name;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashSet;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;

/// Frame N is frame N, however it is reached: compared with decoding from the start, for every container and coding that can be made here,
/// and for clips by other encoders.
class SeekTest {
    @TempDir
    Path folder;

    private static int picture(Footage f, int i) throws FootageException {
        return Arrays.hashCode(f.frame(i).g().data());
    }

    private static void sameInAnyOrder(Path file, int frames) throws Exception {
        int[] inOrder = new int[frames];
        Set<Integer> different = new HashSet<>();
        try (Footage f = Footages.open(file)) {
            assertThat(f.info().frames()).isEqualTo(frames);
            for (int i = 0; i < frames; i++) {
                inOrder[i] = picture(f, i);
                different.add(inOrder[i]);
            }
        }
        assertThat(different.size()).as("different frames").isGreaterThan(frames / 6);
        Random random = new Random(8);
        try (Footage f = Footages.open(file)) {
            for (int k = 0; k < 30; k++) {
                int i = k == 0 ? frames - 1 : random.nextInt(frames);
                assertThat(picture(f, i)).as("frame " + i).isEqualTo(inOrder[i]);
            }
        }
    }

    @ParameterizedTest
    @CsvSource({
        "mp4, libopenh264, yuv420p, 0", "mov, libopenh264, yuv420p, 0", "mpegts, libopenh264, yuv420p, 0",
                "matroska, libopenh264, yuv420p, 0", "avi, libopenh264, yuv420p, 0",
        "mpegts, mpeg2video, yuv420p, 0", "mpegts, mpeg2video, yuv420p, 2", "matroska, mpeg2video, yuv420p, 2",
        "mxf, mpeg2video, yuv420p, 2", "vob, mpeg2video, yuv420p, 2",
        "mp4, mpeg4, yuv420p, 2", "avi, mpeg4, yuv420p, 2", "mov, mpeg4, yuv420p, 0", "3gp, mpeg4, yuv420p, 0", "webm, libvpx, yuv420p, 0",
        "webm, libvpx-vp9, yuv420p, 0",
        "matroska, ffv1, gbrp16le, 0", "avi, ffv1, yuv420p, 0", "mov, prores_ks, yuv422p10le, 0", "mov, mjpeg, yuvj420p, 0",
        "avi, mjpeg, yuvj420p, 0", "mp4, libsvtav1, yuv420p, 0"
    })
    void everyContainerAndCoding(String muxer, String codec, String pixels, int between) throws Exception {
        Assumptions.assumeTrue(avcodec_find_encoder_by_name(codec) != null);
        Clips.Kind kind = new Clips.Kind(muxer, codec, pixels, 128, 72).with(c -> {
            if (between > 0) {
                c.max_b_frames(between);
            }
        });
        Path file = Clips.write(folder.resolve("clip." + muxer), kind, 40, Clips.chart(kind));
        try (Footage f = Footages.open(file)) {
            for (int i = 0; i < 40; i++) {
                assertThat(TestPictures.frameOf(f.frame(i))).as("frame " + i).isEqualTo(i % 8);
            }
        }
        sameInAnyOrder(file, 40);
    }

    /// Forty frames each, made once by a separate encoder: open groups with pictures in between, fields, gradual refresh, times before
    /// zero, an edit list, no times at all.
    @ParameterizedTest
    @CsvSource({
        "open-gop.ts, 40", "hevc-open.ts, 40", "interlaced.m2ts, 40", "refreshed.ts, 40", "before-zero.mkv, 33", "edited.mp4, 27",
                "untimed.avi, 40"
    })
    void clipsOfOtherEncoders(String name, int frames) throws Exception {
        sameInAnyOrder(Path.of(SeekTest.class.getResource(name).toURI()), frames);
    }

    /// Recording that was cut in the middle of a group begins with the first frame that can be decoded.
    @ParameterizedTest
    @ValueSource(strings = {"open-gop.ts", "hevc-open.ts"})
    void aStreamThatBeginsInTheMiddle(String name) throws Exception {
        byte[] all = Files.readAllBytes(Path.of(SeekTest.class.getResource(name).toURI()));
        Path cut = Files.write(folder.resolve(name), Arrays.copyOfRange(all, 188 * 35, all.length));
        int frames;
        try (Footage f = Footages.open(cut)) {
            frames = f.info().frames();
        }
        assertThat(frames).isBetween(10, 39);
        sameInAnyOrder(cut, frames);
    }
}
