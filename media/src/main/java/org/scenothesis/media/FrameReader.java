package org.scenothesis.media;

import static org.bytedeco.ffmpeg.global.avutil.*;
import static org.bytedeco.ffmpeg.global.swscale.*;

import java.nio.ByteOrder;
import java.nio.FloatBuffer;
import java.nio.ShortBuffer;
import java.nio.file.Path;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.swscale.SwsContext;
import org.bytedeco.javacpp.DoublePointer;
import org.bytedeco.javacpp.IntPointer;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.match.Glance;
import org.scenothesis.core.picture.CodeCurve;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Transfer;

/// Turns decoded frames into linear planes: matrix and range by the scaler at 16 bit, the transfer curve by table.
final class FrameReader implements AutoCloseable {
    private static final CodeCurve CURVE = new CodeCurve(Transfer.SRGB);
    private static final int EXACT = SWS_BICUBIC | SWS_FULL_CHR_H_INT | SWS_FULL_CHR_H_INP | SWS_ACCURATE_RND;

    private final Path path;
    private final FrameCoding coding;
    private final float @Nullable [] table;
    private final @Nullable RgbLayout layout;
    private final @Nullable YuvLayout yuv;
    private @Nullable Conversion whole;
    private @Nullable Conversion grey;
    private @Nullable Conversion small;

    FrameReader(Path path, FrameCoding coding) {
        this.path = path;
        this.coding = coding;
        table = coding.floating() ? null : coding.transfer().table16();
        layout = RgbLayout.of(coding.format());
        yuv = YuvLayout.of(coding, table);
    }

    Picture picture(AVFrame frame) throws FootageException {
        if (yuv != null) {
            same(frame);
            return turned(yuv.picture(frame));
        }
        RgbLayout direct = coding.floating() || !coding.fullRange() ? null : layout;
        if (direct != null) {
            same(frame);
            return turned(direct(frame, direct));
        }
        if (coding.floating() && planarFloat(frame.format())) {
            same(frame);
            return turned(colours(frame));
        }
        if (whole == null) {
            int format = coding.floating()
                    ? (coding.alpha() ? AV_PIX_FMT_GBRAPF32LE : AV_PIX_FMT_GBRPF32LE)
                    : (coding.alpha() ? AV_PIX_FMT_GBRAP16LE : AV_PIX_FMT_GBRP16LE);
            whole = new Conversion(path, coding, format, coding.width(), coding.height(), EXACT);
        }
        return turned(colours(whole.convert(frame)));
    }

    /// The scaler clips light to [0, 1]; floats that lie plane by plane are taken as they are.
    private static boolean planarFloat(int format) {
        return format == AV_PIX_FMT_GBRPF32LE || format == AV_PIX_FMT_GBRAPF32LE || isHalf(format);
    }

    private static boolean isHalf(int format) {
        return format == AV_PIX_FMT_GBRPF16LE || format == AV_PIX_FMT_GBRAPF16LE;
    }

    private void same(AVFrame frame) throws FootageException {
        Conversion.check(path, coding, frame);
    }

    private Picture direct(AVFrame frame, RgbLayout from) {
        int w = coding.width();
        int h = coding.height();
        int n = from.components();
        Plane[] p = new Plane[n];
        int[] codes = new int[w];
        for (int c = 0; c < n; c++) {
            p[c] = Plane.of(w, h);
            // An even number of components ends in alpha, which has no curve.
            boolean alpha = n % 2 == 0 && c == n - 1;
            for (int y = 0; y < h; y++) {
                from.read(frame, c, y, w, codes);
                for (int x = 0; x < w; x++) {
                    p[c].data()[y * w + x] = alpha ? codes[x] / 65535f : java.util.Objects.requireNonNull(table)[codes[x]];
                }
            }
        }
        return n < 3 ? new Picture(p[0], p[0].copy(), p[0].copy(), n == 2 ? p[1] : null) : new Picture(p[0], p[1], p[2], n == 4 ? p[3] : null);
    }

    Glance glance(AVFrame frame) throws FootageException {
        if (yuv != null) {
            same(frame);
            Glance g = yuv.glance(frame);
            return new Glance(turn(g.luma()), turned(g.small()));
        }
        if (layout != null && coding.fullRange() || coding.floating()) {
            return glanceOf(picture(frame).withAlpha(null));
        }
        if (small == null) {
            int w = Math.max(1, coding.width() / Glance.SHRINK);
            int h = Math.max(1, coding.height() / Glance.SHRINK);
            int format = coding.floating() ? AV_PIX_FMT_GBRPF32LE : AV_PIX_FMT_GBRP16LE;
            small = new Conversion(path, coding, format, w, h, SWS_AREA | SWS_FULL_CHR_H_INT | SWS_ACCURATE_RND);
        }
        Picture colour = colours(small.convert(frame)).withAlpha(null);
        return new Glance(turn(luma(frame)), turned(colour));
    }

    /// As the scaler does for other layouts: luma and averages are taken of code values, so that all kinds of footage compare alike.
    private static Glance glanceOf(Picture p) {
        int w = p.width();
        int h = p.height();
        int sw = Math.max(1, w / Glance.SHRINK);
        int sh = Math.max(1, h / Glance.SHRINK);
        Plane luma = Plane.of(w, h);
        Picture small = Picture.of(sw, sh);
        float[] weights = {0.2126f, 0.7152f, 0.0722f};
        for (int c = 0; c < 3; c++) {
            float[] light = p.colours().get(c).data();
            Plane code = Plane.of(w, h);
            for (int i = 0; i < light.length; i++) {
                code.data()[i] = CURVE.code(light[i]);
                luma.data()[i] += weights[c] * code.data()[i];
            }
            average(code, small.colours().get(c));
        }
        return new Glance(luma, small);
    }

    private static void average(Plane code, Plane small) {
        int kx = Math.max(1, code.width() / small.width());
        int ky = Math.max(1, code.height() / small.height());
        for (int y = 0; y < small.height(); y++) {
            for (int x = 0; x < small.width(); x++) {
                float sum = 0;
                for (int j = 0; j < ky; j++) {
                    for (int i = 0; i < kx; i++) {
                        sum += code.at(x * kx + i, y * ky + j);
                    }
                }
                small.data()[y * small.width() + x] = (float) Transfer.SRGB.toLinear(sum / (kx * ky));
            }
        }
    }

    private Plane luma(AVFrame frame) throws FootageException {
        if (grey == null) {
            grey = new Conversion(path, coding, AV_PIX_FMT_GRAY16LE, coding.width(), coding.height(), SWS_BICUBIC);
        }
        AVFrame g = grey.convert(frame);
        Plane out = Plane.of(coding.width(), coding.height());
        shorts(g, 0, out, 1f / 65535);
        return out;
    }

    private Picture colours(AVFrame f) {
        int w = f.width();
        int h = f.height();
        Plane[] p = new Plane[coding.alpha() && f.data(3) != null && !f.data(3).isNull() ? 4 : 3];
        for (int i = 0; i < p.length; i++) {
            p[i] = Plane.of(w, h);
            if (table == null && isHalf(f.format())) {
                halves(f, i, p[i]);
            } else if (table == null) {
                floats(f, i, p[i]);
            } else if (i == 3) {
                shorts(f, i, p[i], 1f / 65535);
            } else {
                tabled(f, i, p[i], table);
            }
        }
        // Planar RGB is stored green, blue, red.
        return new Picture(p[2], p[0], p[1], p.length == 4 ? p[3] : null);
    }

    private static ShortBuffer row(AVFrame f, int plane, int y) {
        long stride = f.linesize(plane);
        return f.data(plane).position(0).limit(stride * f.height()).asByteBuffer()
                .order(ByteOrder.LITTLE_ENDIAN).position((int) (y * stride)).slice().order(ByteOrder.LITTLE_ENDIAN).asShortBuffer();
    }

    private static void tabled(AVFrame f, int plane, Plane out, float[] table) {
        int w = out.width();
        short[] codes = new short[w];
        for (int y = 0; y < out.height(); y++) {
            row(f, plane, y).get(codes);
            int at = y * w;
            for (int x = 0; x < w; x++) {
                out.data()[at + x] = table[codes[x] & 0xffff];
            }
        }
    }

    private static void shorts(AVFrame f, int plane, Plane out, float scale) {
        int w = out.width();
        short[] codes = new short[w];
        for (int y = 0; y < out.height(); y++) {
            row(f, plane, y).get(codes);
            int at = y * w;
            for (int x = 0; x < w; x++) {
                out.data()[at + x] = (codes[x] & 0xffff) * scale;
            }
        }
    }

    private static void halves(AVFrame f, int plane, Plane out) {
        int w = out.width();
        short[] codes = new short[w];
        for (int y = 0; y < out.height(); y++) {
            row(f, plane, y).get(codes);
            for (int x = 0; x < w; x++) {
                out.data()[y * w + x] = finite(Float.float16ToFloat(codes[x]));
            }
        }
    }

    private static void floats(AVFrame f, int plane, Plane out) {
        long stride = f.linesize(plane);
        for (int y = 0; y < out.height(); y++) {
            FloatBuffer row = f.data(plane).position(0).limit(stride * f.height()).asByteBuffer()
                    .order(ByteOrder.LITTLE_ENDIAN).position((int) (y * stride)).slice().order(ByteOrder.LITTLE_ENDIAN).asFloatBuffer();
            row.get(out.data(), y * out.width(), out.width());
        }
        for (int i = 0; i < out.data().length; i++) {
            out.data()[i] = finite(out.data()[i]);
        }
    }

    /// What is no number is black, and no light is brighter than half floats tell: one bad pixel must not spoil the sums of a whole row.
    private static float finite(float v) {
        return Float.isNaN(v) ? 0 : Math.max(-65504f, Math.min(65504f, v));
    }

    private Picture turned(Picture p) {
        Plane a = p.a();
        return coding.quarterTurns() == 0 ? p : new Picture(turn(p.r()), turn(p.g()), turn(p.b()), a == null ? null : turn(a));
    }

    private Plane turn(Plane p) {
        int w = p.width();
        int h = p.height();
        int turns = coding.quarterTurns();
        if (turns == 0) {
            return p;
        }
        Plane out = turns == 2 ? Plane.of(w, h) : Plane.of(h, w);
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int at = switch (turns) {
                    case 1 -> x * h + (h - 1 - y);
                    case 2 -> (h - 1 - y) * w + (w - 1 - x);
                    default -> (w - 1 - x) * h + y;
                };
                out.data()[at] = p.data()[y * w + x];
            }
        }
        return out;
    }

    @Override
    public void close() {
        for (Conversion c : new Conversion[] {whole, grey, small}) {
            if (c != null) {
                c.close();
            }
        }
    }

    /// One scaler with its output frame.
    private static final class Conversion implements AutoCloseable {
        private final Path path;
        private final FrameCoding coding;
        private final SwsContext scaler;
        private final AVFrame out = av_frame_alloc();

        Conversion(Path path, FrameCoding coding, int format, int width, int height, int flags) throws FootageException {
            this.path = path;
            this.coding = coding;
            int source = plain(coding.format());
            scaler = sws_getContext(coding.width(), coding.height(), source, width, height, format, flags, null, null, (DoublePointer) null);
            if (scaler == null || scaler.isNull()) {
                throw new FootageException(path, "its pixel layout (" + coding.formatName() + ") cannot be converted.");
            }
            IntPointer matrix = sws_getCoefficients(coding.matrix());
            sws_setColorspaceDetails(
                    scaler, matrix, coding.fullRange() ? 1 : 0, sws_getCoefficients(SWS_CS_DEFAULT), 1, 0, 1 << 16, 1 << 16);
            out.format(format);
            out.width(width);
            out.height(height);
            av_frame_get_buffer(out, 64);
        }

        // The old full-range names say by format what is told to the scaler by flag.
        private static int plain(int format) {
            if (format == AV_PIX_FMT_YUVJ420P) {
                return AV_PIX_FMT_YUV420P;
            }
            if (format == AV_PIX_FMT_YUVJ422P) {
                return AV_PIX_FMT_YUV422P;
            }
            return format == AV_PIX_FMT_YUVJ444P ? AV_PIX_FMT_YUV444P : format;
        }

        static void check(Path path, FrameCoding coding, AVFrame frame) throws FootageException {
            if (frame.width() != coding.width() || frame.height() != coding.height() || frame.format() != coding.format()) {
                throw new FootageException(
                        path,
                        "the picture changes from " + coding.width() + "x" + coding.height() + " " + coding.formatName() + " to "
                                + frame.width() + "x" + frame.height() + " part-way; cut the take there.");
            }
        }

        AVFrame convert(AVFrame frame) throws FootageException {
            check(path, coding, frame);
            sws_scale(scaler, frame.data(), frame.linesize(), 0, frame.height(), out.data(), out.linesize());
            return out;
        }

        @Override
        public void close() {
            sws_freeContext(scaler);
            av_frame_free(out);
        }
    }
}
