package org.scenothesis.media.code;

import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_ALPHA;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_BE;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_BITSTREAM;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_FLOAT;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_PAL;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_RGB;
import static org.bytedeco.ffmpeg.global.avutil.av_get_pix_fmt_name;
import static org.bytedeco.ffmpeg.global.avutil.av_pix_fmt_desc_get;

import org.bytedeco.ffmpeg.avutil.AVComponentDescriptor;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.avutil.AVPixFmtDescriptor;
import org.jspecify.annotations.Nullable;

/// Reads luma and chroma of 8 to 16 bit with the file's matrix and range, in float from the first step.
///
/// - Source: ITU-R BT.601, BT.709, BT.2020. The general scaler's whites lie 0.4 % low for such layouts, which these do not.
/// - Chroma is interpolated linearly; sited left for video, in the middle for pictures that say so (JPEG).
public final class YuvLayout implements CodeRows {
    /// One component of the layout, in bytes.
    private record Part(int plane, int step, int offset, int shift, int depth) {
        static Part of(AVComponentDescriptor c) {
            return new Part(c.plane(), c.step(), c.offset(), c.shift(), c.depth());
        }
    }

    /// Codes of one row of chroma, which several rows of luma share.
    private static final class ChromaRow {
        private final float[] codes;
        private int row = -1;

        ChromaRow(int n) {
            codes = new float[n];
        }
    }

    private final int width;
    private final int height;
    private final int shiftX;
    private final int shiftY;
    private final boolean centred;
    private final Part[] parts;
    private final boolean alpha;
    private final YuvRows.Matrix matrix;
    private final float lumaScale;
    private final float lumaOffset;
    private final float chromaScale;
    private final float grey;
    private final float[] u;
    private final float[] v;
    private final float[] line;
    private final ChromaRow[][] chroma = new ChromaRow[2][2];
    private final byte[] bytes;
    private final FramePlane[] planes;

    private YuvLayout(FrameCoding c, AVPixFmtDescriptor d) {
        width = c.width();
        height = c.height();
        alpha = (d.flags() & AV_PIX_FMT_FLAG_ALPHA) != 0;
        int n = d.nb_components();
        parts = new Part[n];
        for (int i = 0; i < n; i++) {
            parts[i] = Part.of(d.comp(i));
        }
        boolean colour = n >= 3;
        shiftX = colour ? d.log2_chroma_w() : 0;
        shiftY = colour ? d.log2_chroma_h() : 0;
        centred = c.colour().centred();
        boolean full = c.colour().fullRange();
        double unit = 1 << parts[0].depth - 8;
        double most = (1 << parts[0].depth) - 1;
        lumaScale = (float) (full ? 1 / most : 1 / (219 * unit));
        lumaOffset = (float) (full ? 0 : -16 / 219.0);
        chromaScale = (float) (full ? 1 / most : 1 / (224 * unit));
        grey = (float) (128 * unit);
        double kr = c.colour().matrix().red();
        double kb = c.colour().matrix().blue();
        matrix = new YuvRows.Matrix(
                (float) (2 * (1 - kr)), (float) (2 * kb * (1 - kb) / (1 - kr - kb)), (float) (2 * kr * (1 - kr) / (1 - kr - kb)),
                (float) (2 * (1 - kb)));
        int cw = chromaWidth();
        u = new float[width];
        v = new float[width];
        line = new float[cw + 2];
        for (ChromaRow[] pair : chroma) {
            pair[0] = new ChromaRow(cw);
            pair[1] = new ChromaRow(cw);
        }
        int widest = 1;
        for (Part p : parts) {
            widest = Math.max(widest, width * p.step + p.offset + 2);
        }
        bytes = new byte[widest];
        planes = new FramePlane[4];
    }

    /// Null when the layout is not of this kind.
    public static @Nullable YuvLayout of(FrameCoding c) {
        AVPixFmtDescriptor d = av_pix_fmt_desc_get(c.format());
        long odd = AV_PIX_FMT_FLAG_PAL | AV_PIX_FMT_FLAG_BITSTREAM | AV_PIX_FMT_FLAG_FLOAT | AV_PIX_FMT_FLAG_RGB | AV_PIX_FMT_FLAG_BE;
        boolean whole = d.comp(0).depth() >= 8 && d.comp(0).depth() <= 16;
        boolean xyz = av_get_pix_fmt_name(c.format()).getString().startsWith("xyz");
        return d.nb_components() >= 3 && (d.flags() & odd) == 0 && whole && !xyz && d.log2_chroma_w() <= 2 && d.log2_chroma_h() <= 2
                ? new YuvLayout(c, d) : null;
    }

    @Override
    public void of(AVFrame f) {
        for (ChromaRow[] pair : chroma) {
            pair[0].row = -1;
            pair[1].row = -1;
        }
        for (int i = 0; i < parts.length; i++) {
            boolean chroma = i == 1 || i == 2;
            planes[i] = FramePlane.of(f, parts[i].plane, chroma ? chromaHeight() : height);
        }
    }

    private int chromaWidth() {
        return width + (1 << shiftX) - 1 >> shiftX;
    }

    private int chromaHeight() {
        return height + (1 << shiftY) - 1 >> shiftY;
    }

    /// Code values of one component of one row, as they are stored.
    private void codes(int component, int row, int n, float[] out) {
        Part p = parts[component];
        FramePlane plane = planes[component];
        if (p.depth + p.shift <= 8 && p.step == 1) {
            plane.read(row, bytes, n);
            YuvRows.floats(bytes, out, n);
            return;
        }
        boolean wide = p.depth + p.shift > 8;
        plane.read(row, bytes, (n - 1) * p.step + p.offset + (wide ? 2 : 1));
        for (int x = 0; x < n; x++) {
            int at = x * p.step + p.offset;
            int code = wide ? (bytes[at + 1] & 0xff) << 8 | bytes[at] & 0xff : bytes[at] & 0xff;
            out[x] = code >> p.shift & (1 << p.depth) - 1;
        }
    }

    @Override
    public void luma(int y, float[] luma) {
        codes(0, y, width, luma);
        YuvRows.level(luma, lumaScale, lumaOffset, width);
    }

    @Override
    public void row(int y, float[] r, float[] g, float[] b, float @Nullable [] a) {
        luma(y, g);
        chromaRow(1, y, u);
        chromaRow(2, y, v);
        YuvRows.colours(r, g, b, u, v, matrix);
        if (a != null && alpha) {
            codes(3, y, width, a);
            YuvRows.level(a, 1f / ((1 << parts[3].depth) - 1), 0, width);
        }
    }

    /// One row of chroma at full size.
    private void chromaRow(int component, int row, float[] out) {
        int n = chromaWidth();
        int ch = chromaHeight();
        float at = (row + 0.5f) / (1 << shiftY) - 0.5f;
        int y0 = Math.clamp((int) Math.floor(at), 0, ch - 1);
        float low = Math.clamp(at - y0, 0f, 1f);
        float[] above = chroma(component, y0);
        float[] below = low > 0 ? chroma(component, Math.min(ch - 1, y0 + 1)) : above;
        YuvRows.blend(above, below, new YuvRows.Blend(low, grey, chromaScale), line, n);
        line[0] = line[1];
        line[n + 1] = line[n];
        switch (shiftX) {
            case 0 -> System.arraycopy(line, 1, out, 0, width);
            case 1 -> YuvRows.widen(line, centred ? 0.25f : 0, centred ? 0.25f : 0.5f, out, width);
            default -> widenByFour(line, centred, out);
        }
    }

    /// Rows follow each other, so that of two neighbours one is mostly known; they lie in turns.
    private float[] chroma(int component, int row) {
        ChromaRow kept = chroma[component - 1][row & 1];
        if (kept.row != row) {
            codes(component, row, kept.codes.length, kept.codes);
            kept.row = row;
        }
        return kept.codes;
    }

    private static void widenByFour(float[] line, boolean centred, float[] out) {
        for (int x = 0; x < out.length; x++) {
            float at = centred ? (x + 0.5f) / 4 - 0.5f : x / 4f;
            int i = (int) Math.floor(at);
            float t = at - i;
            out[x] = line[i + 1] * (1 - t) + line[Math.min(i + 2, line.length - 1)] * t;
        }
    }
}
