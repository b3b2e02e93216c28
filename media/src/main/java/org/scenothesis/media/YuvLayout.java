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
    private final float[] table;

    private YuvLayout(FrameCoding c, int shiftX, int shiftY, float[] table) {
        width = c.width();
        height = c.height();
        this.shiftX = shiftX;
        this.shiftY = shiftY;
        this.table = table;
        full = c.fullRange();
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
        for (int y = 0; y < height; y++) {
            bytes(f, 0, y, row);
            for (int x = 0; x < width; x++) {
                out.data()[y * width + x] = luma(row[x] & 0xff);
            }
        }
        return out;
    }

    private float luma(float code) {
        return full ? code / 255f : (code - 16f) / 219f;
    }

    private float chroma(float code) {
        return full ? (code - 128f) / 255f : (code - 128f) / 224f;
    }

    private static void bytes(AVFrame f, int plane, int y, byte[] row) {
        f.data(plane).position((long) y * f.linesize(plane)).get(row);
        f.data(plane).position(0);
    }

    Picture picture(AVFrame f) {
        Picture out = Picture.of(width, height);
        byte[] y = new byte[width];
        float[] u = new float[width];
        float[] v = new float[width];
        for (int row = 0; row < height; row++) {
            bytes(f, 0, row, y);
            chromaRow(f, 1, row, u);
            chromaRow(f, 2, row, v);
            for (int x = 0; x < width; x++) {
                put(out, row * width + x, luma(y[x] & 0xff), u[x], v[x]);
            }
        }
        return out;
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

    /// One row of chroma at full size.
    private void chromaRow(AVFrame f, int plane, int row, float[] out) {
        int cw = width + shiftX >> shiftX;
        int ch = height + shiftY >> shiftY;
        float at = shiftY == 0 ? row : (row + 0.5f) / 2 - 0.5f;
        int y0 = Math.clamp((int) Math.floor(at), 0, ch - 1);
        int y1 = Math.min(ch - 1, y0 + 1);
        float ty = Math.clamp(at - y0, 0f, 1f);
        byte[] a = new byte[cw];
        byte[] b = new byte[cw];
        bytes(f, plane, y0, a);
        bytes(f, plane, y1, b);
        for (int x = 0; x < width; x++) {
            float cx = shiftX == 0 ? x : full ? (x + 0.5f) / 2 - 0.5f : x / 2f;
            int x0 = Math.max(0, (int) cx);
            int x1 = Math.min(cw - 1, x0 + 1);
            float tx = Math.clamp(cx - x0, 0f, 1f);
            float top = (a[x0] & 0xff) * (1 - tx) + (a[x1] & 0xff) * tx;
            float low = (b[x0] & 0xff) * (1 - tx) + (b[x1] & 0xff) * tx;
            out[x] = chroma(top * (1 - ty) + low * ty);
        }
    }

    /// Luma as it is, and colour averaged over code values.
    Glance glance(AVFrame f) {
        Plane luma = luma(f);
        int w = Math.max(1, width / Glance.SHRINK);
        int h = Math.max(1, height / Glance.SHRINK);
        Picture small = Picture.of(w, h);
        float[] u = average(f, 1, w, h);
        float[] v = average(f, 2, w, h);
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                float sum = 0;
                int n = 0;
                for (int j = y * Glance.SHRINK; j < Math.min(height, (y + 1) * Glance.SHRINK); j++) {
                    for (int i = x * Glance.SHRINK; i < Math.min(width, (x + 1) * Glance.SHRINK); i++) {
                        sum += luma.data()[j * width + i];
                        n++;
                    }
                }
                put(small, y * w + x, sum / n, u[y * w + x], v[y * w + x]);
            }
        }
        return new Glance(luma, small);
    }

    private float[] average(AVFrame f, int plane, int w, int h) {
        int cw = width + shiftX >> shiftX;
        int ch = height + shiftY >> shiftY;
        int kx = Glance.SHRINK >> shiftX;
        int ky = Glance.SHRINK >> shiftY;
        float[] out = new float[w * h];
        byte[] row = new byte[cw];
        for (int y = 0; y < h; y++) {
            for (int j = 0; j < ky; j++) {
                bytes(f, plane, Math.min(ch - 1, y * ky + j), row);
                for (int x = 0; x < w; x++) {
                    for (int i = 0; i < kx; i++) {
                        out[y * w + x] += row[Math.min(cw - 1, x * kx + i)] & 0xff;
                    }
                }
            }
        }
        for (int i = 0; i < out.length; i++) {
            out[i] = chroma(out[i] / (kx * ky));
        }
        return out;
    }
}
