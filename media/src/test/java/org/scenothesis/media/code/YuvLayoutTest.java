package org.scenothesis.media.code;

import static org.assertj.core.api.Assertions.assertThat;
import static org.bytedeco.ffmpeg.global.avutil.*;

import java.nio.ByteBuffer;
import java.nio.file.Path;
import java.util.List;
import java.util.SplittableRandom;
import org.assertj.core.api.Assertions;
import org.assertj.core.data.Offset;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.javacpp.BytePointer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.picture.ColourMatrix;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.decode.FrameReader;

/// Decoded luma and chroma to linear light against the formulas of ITU-R BT.601 and BT.709, pixel by pixel in double.
class YuvLayoutTest {
    private static AVFrame frame(int format, int width, int height) {
        AVFrame f = av_frame_alloc();
        f.format(format);
        f.width(width);
        f.height(height);
        av_frame_get_buffer(f, 32);
        SplittableRandom r = new SplittableRandom(width * 31L + height);
        for (int p = 0; p < 3; p++) {
            int rows = p == 0 ? height : chroma(format == AV_PIX_FMT_YUV420P || format == AV_PIX_FMT_YUVJ420P, height);
            ByteBuffer bytes = f.data(p).limit((long) f.linesize(p) * rows).asByteBuffer();
            for (int i = 0; i < bytes.capacity(); i++) {
                bytes.put(i, (byte) (p == 0 ? r.nextInt(16, 236) : r.nextInt(100, 156)));
            }
        }
        return f;
    }

    private static int chroma(boolean halved, int n) {
        return halved ? (n + 1) / 2 : n;
    }

    private static FrameCoding coding(AVFrame f, boolean full, ColourMatrix matrix) {
        var colour = new FrameCoding.Colour(full, matrix, true, Transfer.SRGB, false, full);
        return new FrameCoding(f.format(), f.width(), f.height(), colour, FrameCoding.Geometry.PLAIN, false, false, List.of());
    }

    private static double byteAt(AVFrame f, int plane, int x, int y) {
        return f.data(plane).get((long) y * f.linesize(plane) + x) & 0xff;
    }

    /// Chroma between its samples: left-sited for video, in the middle for full range.
    private static double chromaAt(AVFrame f, int plane, int x, int y, boolean acrossHalved, boolean downHalved, boolean middle) {
        int cw = chroma(acrossHalved, f.width());
        int ch = chroma(downHalved, f.height());
        double cx = Math.clamp(!acrossHalved ? x : middle ? (x + 0.5) / 2 - 0.5 : x / 2.0, 0, cw - 1);
        double cy = Math.clamp(!downHalved ? y : (y + 0.5) / 2 - 0.5, 0, ch - 1);
        int x0 = (int) cx;
        int y0 = (int) cy;
        int x1 = Math.min(cw - 1, x0 + 1);
        int y1 = Math.min(ch - 1, y0 + 1);
        double top = byteAt(f, plane, x0, y0) * (1 - cx + x0) + byteAt(f, plane, x1, y0) * (cx - x0);
        double low = byteAt(f, plane, x0, y1) * (1 - cx + x0) + byteAt(f, plane, x1, y1) * (cx - x0);
        return top * (1 - cy + y0) + low * (cy - y0);
    }

    private static double linear(double code) {
        return Transfer.SRGB.toLinear(Math.clamp(code, 0, 1));
    }

    @ParameterizedTest
    @CsvSource({
        "yuv420p, 33, 17, false, 709", "yuv420p, 64, 36, false, 601", "yuvj420p, 33, 17, true, 601", "yuv422p, 19, 9, false, 709",
        "yuvj422p, 20, 8, true, 601", "yuv444p, 21, 11, false, 709", "yuv420p, 2, 2, false, 709", "yuv420p, 1, 1, false, 709"
    })
    void everyPixelFollowsTheStandard(String name, int width, int height, boolean full, int standard) throws FootageException {
        AVFrame f = frame(av_get_pix_fmt(name), width, height);
        double kr = standard == 709 ? 0.2126 : 0.299;
        double kb = standard == 709 ? 0.0722 : 0.114;
        boolean across = !name.contains("444");
        boolean down = name.contains("420");
        try (FrameReader reader = new FrameReader(Path.of("made"), coding(f, full, standard == 709 ? ColourMatrix.BT709
                : ColourMatrix.BT601))) {
            Picture p = reader.picture(f, 0);
            for (int y = 0; y < height; y++) {
                for (int x = 0; x < width; x++) {
                    double luma = full ? byteAt(f, 0, x, y) / 255 : (byteAt(f, 0, x, y) - 16) / 219;
                    double range = full ? 255 : 224;
                    double u = (chromaAt(f, 1, x, y, across, down, full) - 128) / range;
                    double v = (chromaAt(f, 2, x, y, across, down, full) - 128) / range;
                    double r = luma + 2 * (1 - kr) * v;
                    double b = luma + 2 * (1 - kb) * u;
                    double g = (luma - kr * r - kb * b) / (1 - kr - kb);
                    assertThat((double) p.r().at(x, y)).as("red at " + x + ", " + y).isCloseTo(linear(r), Offset.offset(6e-5));
                    assertThat((double) p.g().at(x, y)).as("green at " + x + ", " + y).isCloseTo(linear(g), Offset.offset(6e-5));
                    assertThat((double) p.b().at(x, y)).as("blue at " + x + ", " + y).isCloseTo(linear(b), Offset.offset(6e-5));
                }
            }
        } finally {
            av_frame_free(f);
        }
    }

    @Test
    void planesThatLieUpsideDownInMemoryAreReadFromTheirTop() {
        byte[] rows = {1, 2, 0, 0, 3, 4, 0, 0, 5, 6, 0, 0};
        try (BytePointer memory = new BytePointer(rows)) {
            AVFrame f = av_frame_alloc();
            // The first row is the last in memory.
            f.data(0, new BytePointer(memory).position(8));
            f.linesize(0, -4);
            byte[] row = new byte[2];
            FramePlane plane = FramePlane.of(f, 0, 3);
            plane.read(0, row);
            assertThat(row).containsExactly(5, 6);
            plane.read(2, row);
            assertThat(row).containsExactly(1, 2);
            f.data(0, null);
            av_frame_free(f);
        }
    }

    @Test
    void aPictureThatChangesItsSizePartWayIsSaid() throws FootageException {
        AVFrame f = frame(AV_PIX_FMT_YUV420P, 16, 16);
        AVFrame other = frame(AV_PIX_FMT_YUV420P, 24, 16);
        try (FrameReader reader = new FrameReader(Path.of("take.mp4"), coding(f, false, ColourMatrix.BT709))) {
            assertThat(Assertions.catchThrowable(() -> reader.picture(other, 3)))
                    .isInstanceOf(FootageException.class).hasMessageContaining("16x16").hasMessageContaining("24x16")
                    .hasMessageContaining("take.mp4, frame 3");
        } finally {
            av_frame_free(f);
            av_frame_free(other);
        }
    }
}
