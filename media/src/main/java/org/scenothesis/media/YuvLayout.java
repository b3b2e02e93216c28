package org.scenothesis.media;

import static org.bytedeco.ffmpeg.global.avutil.AVCOL_SPC_BT2020_NCL;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_SPC_BT709;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_YUV420P;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_YUV422P;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_YUV444P;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_YUVJ420P;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_YUVJ422P;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_YUVJ444P;

import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.match.Glance;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;

/// Turns 8-bit planar luma and chroma into linear light with the file's matrix and range, in float from the first step.
///
/// - Source: ITU-R BT.601, BT.709, BT.2020. The general scaler's whites lie 0.4 % low for such layouts, which these do not.
/// - Chroma is interpolated linearly; sited left for video, in the middle for full-range (JPEG) pictures.
final class YuvLayout {
    private final int width;
    private final int height;
    private final int shiftX;
    private final int shiftY;
    private final boolean full;
    private final float vToR;
    private final float uToB;
    private final float uToG;
    private final float vToG;
    private final float lumaScale;
    private final float lumaOffset;
    private final float[] table;

    private YuvLayout(FrameCoding c, int shiftX, int shiftY, float[] table) {
        width = c.width();
        height = c.height();
        this.shiftX = shiftX;
        this.shiftY = shiftY;
        this.table = table;
        full = c.fullRange();
        lumaScale = full ? 1 / 255f : 1 / 219f;
        lumaOffset = full ? 0 : -16 / 219f;
        double kr = c.matrix() == AVCOL_SPC_BT709 ? 0.2126 : c.matrix() == AVCOL_SPC_BT2020_NCL ? 0.2627 : 0.299;
        double kb = c.matrix() == AVCOL_SPC_BT709 ? 0.0722 : c.matrix() == AVCOL_SPC_BT2020_NCL ? 0.0593 : 0.114;
        vToR = (float) (2 * (1 - kr));
        uToB = (float) (2 * (1 - kb));
        uToG = (float) (2 * kb * (1 - kb) / (1 - kr - kb));
        vToG = (float) (2 * kr * (1 - kr) / (1 - kr - kb));
    }

    /// Null when the layout is not of this kind.
    static @Nullable YuvLayout of(FrameCoding c, float @Nullable [] table) {
        int f = c.format();
        boolean is420 = f == AV_PIX_FMT_YUV420P || f == AV_PIX_FMT_YUVJ420P;
        boolean is422 = f == AV_PIX_FMT_YUV422P || f == AV_PIX_FMT_YUVJ422P;
        boolean is444 = f == AV_PIX_FMT_YUV444P || f == AV_PIX_FMT_YUVJ444P;
        return table != null && (is420 || is422 || is444) ? new YuvLayout(c, is444 ? 0 : 1, is420 ? 1 : 0, table) : null;
    }

    Plane luma(AVFrame f) {
        Plane out = Plane.of(width, height);
        byte[] row = new byte[width];
        FramePlane plane = FramePlane.of(f, 0, height);
        for (int y = 0; y < height; y++) {
            plane.read(y, row);
            int at = y * width;
            for (int x = 0; x < width; x++) {
                out.data()[at + x] = (row[x] & 0xff) * lumaScale + lumaOffset;
            }
        }
        return out;
    }

    private float chroma(float code) {
        return full ? (code - 128f) / 255f : (code - 128f) / 224f;
    }

    Picture picture(AVFrame f) {
        Picture out = Picture.of(width, height);
        Lines l = new Lines(width, chromaWidth());
        FramePlane luma = FramePlane.of(f, 0, height);
        FramePlane blue = FramePlane.of(f, 1, chromaHeight());
        FramePlane red = FramePlane.of(f, 2, chromaHeight());
        for (int row = 0; row < height; row++) {
            luma.read(row, l.bytes);
            for (int x = 0; x < width; x++) {
                l.y[x] = l.bytes[x] & 0xff;
            }
            scale(l.y, lumaScale, lumaOffset);
            chromaRow(blue, row, l, l.u);
            chromaRow(red, row, l, l.v);
            int at = row * width;
            weigh(l, vToR, 0);
            look(l, out.r().data(), at);
            weigh(l, -vToG, -uToG);
            look(l, out.g().data(), at);
            weigh(l, 0, uToB);
            look(l, out.b().data(), at);
        }
        return out;
    }

    /// Room for one row.
    private record Lines(byte[] bytes, byte[] above, byte[] below, float[] chroma, float[] y, float[] u, float[] v, int[] codes) {
        Lines(int width, int chromaWidth) {
            this(
                    new byte[width], new byte[chromaWidth], new byte[chromaWidth], new float[chromaWidth + 2], new float[width], new float[width],
                    new float[width], new int[width]);
        }
    }

    private static void scale(float[] row, float factor, float offset) {
        for (int x = 0; x < row.length; x++) {
            row[x] = row[x] * factor + offset;
        }
    }

    /// Codes of one channel, in steps of the table.
    private static void weigh(Lines l, float ofV, float ofU) {
        float[] y = l.y;
        float[] u = l.u;
        float[] v = l.v;
        int[] codes = l.codes;
        for (int x = 0; x < codes.length; x++) {
            int code = (int) ((y[x] + ofV * v[x] + ofU * u[x]) * 65535f + 0.5f);
            codes[x] = Math.max(0, Math.min(65535, code));
        }
    }

    private void look(Lines l, float[] out, int at) {
        int[] codes = l.codes;
        float[] light = table;
        for (int x = 0; x < codes.length; x++) {
            out[at + x] = light[codes[x]];
        }
    }

    private int chromaWidth() {
        return width + shiftX >> shiftX;
    }

    private int chromaHeight() {
        return height + shiftY >> shiftY;
    }

    /// One row of chroma at full size.
    private void chromaRow(FramePlane plane, int row, Lines l, float[] out) {
        int ch = chromaHeight();
        float at = shiftY == 0 ? row : (row + 0.5f) / 2 - 0.5f;
        int y0 = Math.clamp((int) Math.floor(at), 0, ch - 1);
        float low = Math.clamp(at - y0, 0f, 1f);
        plane.read(y0, l.above);
        plane.read(Math.min(ch - 1, y0 + 1), l.below);
        float scale = full ? 1 / 255f : 1 / 224f;
        float[] line = l.chroma;
        int n = l.above.length;
        for (int x = 0; x < n; x++) {
            line[x + 1] = ((l.above[x] & 0xff) * (1 - low) + (l.below[x] & 0xff) * low - 128f) * scale;
        }
        line[0] = line[1];
        line[n + 1] = line[n];
        if (shiftX == 0) {
            System.arraycopy(line, 1, out, 0, width);
        } else {
            widen(line, full ? 0.25f : 0, full ? 0.25f : 0.5f, out);
        }
    }

    /// Twice as wide: the left of each pair leans by `before` on the value before, the right by `after` on the value after.
    private static void widen(float[] line, float before, float after, float[] out) {
        for (int x = 0; x < out.length / 2; x++) {
            out[2 * x] = line[x + 1] + before * (line[x] - line[x + 1]);
            out[2 * x + 1] = line[x + 1] + after * (line[x + 2] - line[x + 1]);
        }
        if (out.length % 2 == 1) {
            int last = out.length / 2;
            out[2 * last] = line[last + 1] + before * (line[last] - line[last + 1]);
        }
    }

    private void put(Picture out, int i, float y, float u, float v) {
        out.r().data()[i] = light(y + vToR * v);
        out.g().data()[i] = light(y - uToG * u - vToG * v);
        out.b().data()[i] = light(y + uToB * u);
    }

    private float light(float code) {
        int i = (int) (code * 65535f + 0.5f);
        return table[i < 0 ? 0 : i > 65535 ? 65535 : i];
    }

    /// Luma as it is, and colour averaged over code values.
    Glance glance(AVFrame f) {
        Plane luma = luma(f);
        int w = Math.max(1, width / Glance.SHRINK);
        int h = Math.max(1, height / Glance.SHRINK);
        Picture small = Picture.of(w, h);
        float[] u = average(f, 1, w, h);
        float[] v = average(f, 2, w, h);
        float[] sum = new float[width];
        for (int y = 0; y < h; y++) {
            int rows = Math.min(Glance.SHRINK, height - y * Glance.SHRINK);
            sumRows(luma.data(), y * Glance.SHRINK * width, rows, sum);
            for (int x = 0; x < w; x++) {
                int from = x * Glance.SHRINK;
                int to = Math.min(width, from + Glance.SHRINK);
                float all = 0;
                for (int i = from; i < to; i++) {
                    all += sum[i];
                }
                put(small, y * w + x, all / (rows * (to - from)), u[y * w + x], v[y * w + x]);
            }
        }
        return new Glance(luma, small);
    }

    private static void sumRows(float[] in, int at, int rows, float[] sum) {
        java.util.Arrays.fill(sum, 0);
        for (int j = 0; j < rows; j++) {
            int row = at + j * sum.length;
            for (int x = 0; x < sum.length; x++) {
                sum[x] += in[row + x];
            }
        }
    }

    private float[] average(AVFrame f, int plane, int w, int h) {
        int cw = chromaWidth();
        int ch = chromaHeight();
        int kx = Glance.SHRINK >> shiftX;
        int ky = Glance.SHRINK >> shiftY;
        float[] out = new float[w * h];
        byte[] row = new byte[cw];
        int[] sum = new int[cw];
        FramePlane bytes = FramePlane.of(f, plane, ch);
        for (int y = 0; y < h; y++) {
            java.util.Arrays.fill(sum, 0);
            for (int j = 0; j < ky; j++) {
                bytes.read(Math.min(ch - 1, y * ky + j), row);
                for (int x = 0; x < cw; x++) {
                    sum[x] += row[x] & 0xff;
                }
            }
            for (int x = 0; x < w; x++) {
                for (int i = 0; i < kx; i++) {
                    out[y * w + x] += sum[Math.min(cw - 1, x * kx + i)];
                }
            }
        }
        for (int i = 0; i < out.length; i++) {
            out[i] = chroma(out[i] / (kx * ky));
        }
        return out;
    }
}
