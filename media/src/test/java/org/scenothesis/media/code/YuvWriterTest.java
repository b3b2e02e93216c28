package org.scenothesis.media.code;

import static org.assertj.core.api.Assertions.assertThat;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_YUV420P;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_YUV422P10;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_YUV444P;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_YUVJ420P;

import java.nio.file.Path;
import java.util.SplittableRandom;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.picture.ColourMatrix;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.encode.EncoderFrame;

/// Linear light to luma and chroma against the formulas of ITU-R BT.601 and BT.709, in double.
class YuvWriterTest {
    private static Picture noise(int w, int h) {
        SplittableRandom r = new SplittableRandom(w * 31L + h);
        Picture p = Picture.of(w, h);
        p.colours().forEach(c -> {
            for (int i = 0; i < c.data().length; i++) {
                c.data()[i] = (float) r.nextDouble(-0.05, 1.1);
            }
        });
        return p;
    }

    /// Luma, and the differences of blue and red from it, of one pixel.
    private static double[] yuv(Picture p, int x, int y, ColourMatrix m) {
        double r = Transfer.SRGB.toCode(Math.clamp(p.r().at(x, y), 0f, 1f));
        double g = Transfer.SRGB.toCode(Math.clamp(p.g().at(x, y), 0f, 1f));
        double b = Transfer.SRGB.toCode(Math.clamp(p.b().at(x, y), 0f, 1f));
        double luma = m.red() * r + (1 - m.red() - m.blue()) * g + m.blue() * b;
        return new double[] {luma, (b - luma) / (2 * (1 - m.blue())), (r - luma) / (2 * (1 - m.red()))};
    }

    /// The mean over the pixels that a chroma sample stands for: weights 1, 2, 1 across for video, two alike for full range.
    private static double chroma(Picture p, int component, int cx, int cy, Kind k) {
        int last = p.width() - 1;
        int[][] across = k.across == 1 ? new int[][] {{cx, 1}} : k.full
                ? new int[][] {{2 * cx, 1}, {Math.min(last, 2 * cx + 1), 1}}
                : new int[][] {{Math.max(0, 2 * cx - 1), 1}, {2 * cx, 2}, {Math.min(last, 2 * cx + 1), 1}};
        double sum = 0;
        double weights = 0;
        for (int y = cy * k.down; y < Math.min(p.height(), (cy + 1) * k.down); y++) {
            for (int[] a : across) {
                sum += a[1] * yuv(p, a[0], y, k.full ? ColourMatrix.BT601 : ColourMatrix.BT709)[component];
                weights += a[1];
            }
        }
        return sum / weights;
    }

    private record Kind(int format, int across, int down, boolean full, int bytes) {
        static Kind of(String name) {
            return switch (name) {
                case "420" -> new Kind(AV_PIX_FMT_YUV420P, 2, 2, false, 1);
                case "420 full" -> new Kind(AV_PIX_FMT_YUVJ420P, 2, 2, true, 1);
                case "422 of 10 bit" -> new Kind(AV_PIX_FMT_YUV422P10, 2, 1, false, 2);
                default -> new Kind(AV_PIX_FMT_YUV444P, 1, 1, false, 1);
            };
        }

        int code(AVFrame f, int plane, int x, int y) {
            long at = (long) y * f.linesize(plane) + (long) x * bytes;
            int low = f.data(plane).get(at) & 0xff;
            return bytes == 1 ? low : low | (f.data(plane).get(at + 1) & 0xff) << 8;
        }
    }

    @ParameterizedTest
    @CsvSource({"420, 45, 9", "420, 64, 4", "420 full, 45, 9", "420 full, 70, 6", "422 of 10 bit, 53, 3", "444, 37, 3", "420, 2, 2",
            "420, 1, 1"})
    void codesAreThoseOfTheFormulas(String kind, int w, int h) throws FootageException {
        Kind k = Kind.of(kind);
        Picture p = noise(w, h);
        double unit = k.bytes == 2 ? 4 : 1;
        double most = k.bytes == 2 ? 1023 : 255;
        try (EncoderFrame out = new EncoderFrame(Path.of("x"), w, h, k.format, k.full)) {
            AVFrame f = out.fill(p);
            for (int y = 0; y < h; y++) {
                for (int x = 0; x < w; x++) {
                    double luma = yuv(p, x, y, k.full ? ColourMatrix.BT601 : ColourMatrix.BT709)[0];
                    double wanted = k.full ? luma * most : (16 + 219 * luma) * unit;
                    assertThat(Math.abs(k.code(f, 0, x, y) - wanted)).as("luma %d, %d", x, y).isLessThan(0.51);
                }
            }
            for (int y = 0; y < (h + k.down - 1) / k.down; y++) {
                for (int x = 0; x < (w + k.across - 1) / k.across; x++) {
                    for (int c = 1; c < 3; c++) {
                        double wanted = 128 * unit + chroma(p, c, x, y, k) * (k.full ? most : 224 * unit);
                        assertThat(Math.abs(k.code(f, c, x, y) - Math.clamp(wanted, 0, most))).as("chroma %d of %d, %d", c, x, y)
                                .isLessThan(0.51);
                    }
                }
            }
        }
    }
}
