package org.scenothesis.media.decode;

import static org.assertj.core.api.Assertions.assertThat;
import static org.bytedeco.ffmpeg.global.avutil.*;
import static org.bytedeco.ffmpeg.global.swscale.*;

import java.awt.image.BufferedImage;
import java.nio.file.Path;
import java.util.Map;
import java.util.SplittableRandom;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
import org.assertj.core.data.Offset;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.swscale.SwsContext;
import org.bytedeco.javacpp.DoublePointer;
import org.bytedeco.javacpp.IntPointer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.match.FrameLock;
import org.scenothesis.core.match.LockMeter;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.CodeCurve;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.Footage;
import org.scenothesis.media.code.FramePlane;
import org.scenothesis.media.encode.EncoderFrame;
import org.scenothesis.media.encode.Stills;

/// The same code value means the same light in all footage of a crew: a frame exported from a clip reads like the clip.
class ExportedFrameTest {
    @TempDir
    Path folder;

    /// Soft coloured blotches as 8-bit codes, by rows of red, green and blue.
    private static byte[] scene(int w, int h) {
        SplittableRandom r = new SplittableRandom(3);
        double[] sum = new double[3 * w * h];
        for (int i = 0; i < w * h; i++) {
            sum[3 * i] = 90;
            sum[3 * i + 1] = 80;
            sum[3 * i + 2] = 60;
        }
        for (int k = 0; k < 260; k++) {
            int cx = r.nextInt(w);
            int cy = r.nextInt(h);
            int half = 6 + r.nextInt(30);
            double[] to = {r.nextDouble(20, 230), r.nextDouble(20, 230), r.nextDouble(20, 230)};
            for (int y = Math.max(0, cy - half); y < Math.min(h, cy + half); y++) {
                for (int x = Math.max(0, cx - half); x < Math.min(w, cx + half); x++) {
                    for (int c = 0; c < 3; c++) {
                        sum[3 * (y * w + x) + c] += 0.6 * (to[c] - sum[3 * (y * w + x) + c]);
                    }
                }
            }
        }
        byte[] out = new byte[sum.length];
        for (int i = 0; i < sum.length; i++) {
            out[i] = (byte) Math.round(sum[i]);
        }
        return out;
    }

    private static AVFrame frame(int format, int w, int h) {
        AVFrame f = av_frame_alloc();
        f.format(format);
        f.width(w);
        f.height(h);
        Clips.check(av_frame_get_buffer(f, 32));
        return f;
    }

    private static void convert(AVFrame from, AVFrame to, int matrix, boolean full, boolean intoYuv) {
        int flags = SWS_BICUBIC | SWS_ACCURATE_RND | SWS_FULL_CHR_H_INT | SWS_FULL_CHR_H_INP;
        SwsContext s = sws_getContext(from.width(), from.height(), from.format(), to.width(), to.height(), to.format(), flags, null, null,
                (DoublePointer) null);
        IntPointer yuv = sws_getCoefficients(matrix);
        IntPointer rgb = sws_getCoefficients(SWS_CS_DEFAULT);
        sws_setColorspaceDetails(s, intoYuv ? rgb : yuv, intoYuv || full ? 1 : 0, intoYuv ? yuv : rgb, !intoYuv || full ? 1
                : 0, 0, 1 << 16, 1 << 16);
        Clips.check(sws_scale(s, from.data(), from.linesize(), 0, from.height(), to.data(), to.linesize()));
        sws_freeContext(s);
    }

    /// A clip of six frames with the tags a camera might set, and one of its frames as an editor would export it.
    private Path[] clipAndStill(int w, int h, String matrix, int trc, boolean full, String ending) throws Exception {
        int coefficients = matrix.equals("601") || matrix.isEmpty() && h <= 576 ? SWS_CS_ITU601 : SWS_CS_ITU709;
        AVFrame rgb = frame(AV_PIX_FMT_RGB24, w, h);
        byte[] scene = scene(w, h);
        FramePlane rows = FramePlane.of(rgb, 0, h);
        byte[] row = new byte[3 * w];
        for (int y = 0; y < h; y++) {
            System.arraycopy(scene, 3 * w * y, row, 0, row.length);
            rows.write(y, row);
        }
        AVFrame yuv = frame(AV_PIX_FMT_YUV420P, w, h);
        convert(rgb, yuv, coefficients, full, true);
        Clips.Kind kind = new Clips.Kind("matroska", "ffv1", "yuv420p", w, h, c -> {
            c.colorspace(matrix.isEmpty() ? AVCOL_SPC_UNSPECIFIED : matrix.equals("601") ? AVCOL_SPC_SMPTE170M : AVCOL_SPC_BT709);
            c.color_trc(trc);
            c.color_range(full ? AVCOL_RANGE_JPEG : AVCOL_RANGE_MPEG);
        }, Map.of());
        Path clip = Clips.write(folder.resolve("clip.mkv"), kind, 6, (f, i) -> av_frame_copy(f, yuv));
        AVFrame back = frame(AV_PIX_FMT_RGB24, w, h);
        convert(yuv, back, coefficients, full, false);
        BufferedImage image = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
        FramePlane read = FramePlane.of(back, 0, h);
        for (int y = 0; y < h; y++) {
            read.read(y, row);
            for (int x = 0; x < w; x++) {
                image.setRGB(x, y, (row[3 * x] & 255) << 16 | (row[3 * x + 1] & 255) << 8 | row[3 * x + 2] & 255);
            }
        }
        Path still = folder.resolve("still." + ending);
        export(image, ending, still);
        for (AVFrame f : new AVFrame[] {rgb, yuv, back}) {
            av_frame_free(f);
        }
        return new Path[] {clip, still};
    }

    private static void export(BufferedImage image, String ending, Path still) throws Exception {
        ImageWriter writer = ImageIO.getImageWritersByFormatName(ending).next();
        ImageWriteParam how = writer.getDefaultWriteParam();
        if (ending.equals("jpg")) {
            how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            how.setCompressionQuality(0.95f);
        }
        try (ImageOutputStream out = ImageIO.createImageOutputStream(still.toFile())) {
            writer.setOutput(out);
            writer.write(null, new IIOImage(image, null, null), how);
        }
        writer.dispose();
    }

    @ParameterizedTest
    @CsvSource({
        "640, 360, 709, 1, false, png", "640, 360, 709, 1, false, jpg", "1280, 720, '', 2, false, png", "1280, 720, 709, 13, true, png",
                "720, 576, 601, 6, false, png",
        "720, 576, '', 2, false, png", "720, 576, 601, 6, true, jpg", "1280, 720, 709, 1, true, jpg", "640, 360, 601, 2, false, jpg",
        "720, 480, '', 2, true, png"
    })
    void readsLikeTheClip(int w, int h, String matrix, int trc, boolean full, String ending) throws Exception {
        Path[] made = clipAndStill(w, h, matrix, trc, full, ending);
        try (Footage clip = Footages.open(made[0]); Footage still = Footages.open(made[1])) {
            FrameLock lock = new LockMeter(still.lockFrame(0), Bands.sequential()).measure(clip.lockFrame(3));
            assertThat(lock.found()).isTrue();
            assertThat(lock.gains().stops()).as("stops").isCloseTo(0, Offset.offset(0.02));
            assertThat(lock.gains().mired()).as("mired").isCloseTo(0, Offset.offset(2.0));
        }
    }

    /// Read and written again, every code value is the one that was there.
    @Test
    void anUntouchedStillComesBack() throws Exception {
        Path[] made = clipAndStill(160, 90, "709", 1, false, "png");
        BufferedImage before = ImageIO.read(made[1].toFile());
        Path again = folder.resolve("again.png");
        try (Footage still = Footages.open(made[1])) {
            Stills.write(again, still.frame(0), Stills.Format.PNG8);
        }
        BufferedImage after = ImageIO.read(again.toFile());
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                assertThat(after.getRGB(x, y)).isEqualTo(before.getRGB(x, y));
            }
        }
    }

    /// An untouched clip as WebM's own layout and back: luma and chroma within one code value, in the mean far less.
    @Test
    void lumaAndChromaComeBack() throws Exception {
        Path[] made = clipAndStill(320, 180, "709", 1, false, "png");
        Path again = folder.resolve("again.mkv");
        Clips.Kind kind = new Clips.Kind("matroska", "ffv1", "yuv420p", 320, 180).with(c -> {
            c.colorspace(AVCOL_SPC_BT709);
            c.color_range(AVCOL_RANGE_MPEG);
        });
        CodeCurve curve = new CodeCurve();
        try (Footage clip = Footages.open(made[0])) {
            Picture p = clip.frame(0);
            EncoderFrame layout = new EncoderFrame(again, 320, 180, AV_PIX_FMT_YUV420P, false);
            Clips.write(again, kind, 1, (f, i) -> av_frame_copy(f, layout.fill(p)));
            try (Footage back = Footages.open(again)) {
                Picture q = back.frame(0);
                double sum = 0;
                for (int c = 0; c < 3; c++) {
                    for (int i = 0; i < 320 * 180; i++) {
                        sum += Math.abs(curve.code(p.colours().get(c).data()[i]) - curve.code(q.colours().get(c).data()[i]));
                    }
                }
                assertThat(255 * sum / (3 * 320 * 180)).as("mean difference in 8-bit codes").isLessThan(1);
            }
        }
    }
}
