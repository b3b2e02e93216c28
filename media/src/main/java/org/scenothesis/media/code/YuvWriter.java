package org.scenothesis.media.code;

import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_ALPHA;
import static org.bytedeco.ffmpeg.global.avutil.av_pix_fmt_desc_get;

import java.util.Arrays;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.avutil.AVPixFmtDescriptor;
import org.scenothesis.core.picture.CodeCurve;
import org.scenothesis.core.picture.ColourMatrix;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;

/// Writes linear pictures as planar luma and chroma of 8 to 16 bit: sRGB codes, then the matrix in float, rounded once.
///
/// - Source: ITU-R BT.709 for video, BT.601 for full-range (JPEG) pictures.
/// - Alpha, where the layout has it, is written with all codes; a picture without is opaque.
/// - Chroma of halved layouts is the mean over the pixels it stands for: sited left for video (weights 1, 2, 1), in the middle for full
///   range.
public final class YuvWriter {
    private static final CodeCurve CURVE = new CodeCurve();

    private final int width;
    private final int height;
    private final int shiftX;
    private final int shiftY;
    private final int depth;
    private final boolean full;
    private final boolean alpha;
    private final float kr;
    private final float kb;

    public YuvWriter(int width, int height, int format, boolean full) {
        AVPixFmtDescriptor d = av_pix_fmt_desc_get(format);
        this.width = width;
        this.height = height;
        this.full = full;
        shiftX = d.log2_chroma_w();
        shiftY = d.log2_chroma_h();
        depth = d.comp(0).depth();
        alpha = (d.flags() & AV_PIX_FMT_FLAG_ALPHA) != 0;
        ColourMatrix m = full ? ColourMatrix.BT601 : ColourMatrix.BT709;
        kr = (float) m.red();
        kb = (float) m.blue();
    }

    public void write(Picture p, AVFrame to) {
        FramePlane luma = FramePlane.of(to, 0, height);
        int ch = height + (1 << shiftY) - 1 >> shiftY;
        FramePlane blue = FramePlane.of(to, 1, ch);
        FramePlane red = FramePlane.of(to, 2, ch);
        int cw = width + (1 << shiftX) - 1 >> shiftX;
        float[] r = new float[width];
        float[] g = new float[width];
        float[] b = new float[width];
        float[] u = new float[width];
        float[] v = new float[width];
        float[] uSum = new float[cw];
        float[] vSum = new float[cw];
        byte[] row = new byte[width * (depth > 8 ? 2 : 1)];
        byte[] half = new byte[cw * (depth > 8 ? 2 : 1)];
        int rows = 1 << shiftY;
        if (alpha) {
            coverage(p, to);
        }
        for (int y = 0; y < height; y++) {
            codes(p.r().data(), y, r);
            codes(p.g().data(), y, g);
            codes(p.b().data(), y, b);
            YuvRows.differences(r, g, b, new YuvRows.Weights(kr, kb), u, v);
            pack(g, width, true, row);
            luma.write(y, row);
            boolean first = y % rows == 0;
            narrow(u, uSum, first);
            narrow(v, vSum, first);
            if (y % rows == rows - 1 || y == height - 1) {
                float share = 1f / (y % rows + 1);
                YuvRows.level(uSum, share, 0, cw);
                YuvRows.level(vSum, share, 0, cw);
                pack(uSum, cw, false, half);
                blue.write(y >> shiftY, half);
                pack(vSum, cw, false, half);
                red.write(y >> shiftY, half);
            }
        }
    }

    private void coverage(Picture p, AVFrame to) {
        FramePlane out = FramePlane.of(to, 3, height);
        Plane a = p.a();
        float[] run = new float[width];
        byte[] row = new byte[width * (depth > 8 ? 2 : 1)];
        Arrays.fill(run, 1);
        for (int y = 0; y < height; y++) {
            if (a != null) {
                System.arraycopy(a.data(), y * width, run, 0, width);
            }
            float most = (1 << depth) - 1;
            pack(run, width, new YuvRows.Codes(most, 0, most), row);
            out.write(y, row);
        }
    }

    private void codes(float[] plane, int y, float[] out) {
        System.arraycopy(plane, y * width, out, 0, width);
        CURVE.codes(out);
    }

    private void narrow(float[] line, float[] sum, boolean first) {
        if (first) {
            Arrays.fill(sum, 0);
        }
        if (shiftX == 0) {
            YuvRows.add(line, sum);
        } else if (full) {
            YuvRows.addPairs(line, 0.5f, 0.5f, 0, sum);
        } else {
            YuvRows.addPairs(line, 0.5f, 0.25f, 0.25f, sum);
        }
    }

    private void pack(float[] run, int n, boolean luma, byte[] out) {
        float unit = 1 << depth - 8;
        float most = (1 << depth) - 1;
        float factor = full ? most : (luma ? 219 : 224) * unit;
        float zero = luma ? full ? 0 : 16 * unit : 128 * unit;
        pack(run, n, new YuvRows.Codes(factor, zero, most), out);
    }

    private void pack(float[] run, int n, YuvRows.Codes codes, byte[] out) {
        if (depth > 8) {
            YuvRows.words(run, codes, out, n);
        } else {
            YuvRows.bytes(run, codes, out, n);
        }
    }
}
