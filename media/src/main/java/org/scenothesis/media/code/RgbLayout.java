package org.scenothesis.media.code;

import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_BE;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_BITSTREAM;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_FLOAT;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_PAL;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_RGB;
import static org.bytedeco.ffmpeg.global.avutil.av_pix_fmt_desc_get;

import java.util.Arrays;
import java.util.List;
import java.util.function.BiConsumer;
import org.bytedeco.ffmpeg.avutil.AVComponentDescriptor;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.avutil.AVPixFmtDescriptor;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Luminance;
import org.scenothesis.core.picture.Plane;

/// Reads and writes the code values of red-green-blue and grey layouts directly.
///
/// The general scaler takes such pictures through luma and chroma and back, which costs exactness; these need no arithmetic at all.
public final class RgbLayout implements CodeRows {
    private static final float[] LUMA = {(float) Luminance.RED, (float) Luminance.GREEN, (float) Luminance.BLUE};

    private final int components;
    private final int[] plane;
    private final int[] step;
    private final int[] offset;
    private final int[] shift;
    private final int[] depth;
    private final boolean bigEndian;
    private FramePlane[] planes = {};
    private byte[] bytes = {};

    private RgbLayout(AVPixFmtDescriptor d) {
        components = d.nb_components();
        plane = new int[components];
        step = new int[components];
        offset = new int[components];
        shift = new int[components];
        depth = new int[components];
        for (int c = 0; c < components; c++) {
            AVComponentDescriptor k = d.comp(c);
            plane[c] = k.plane();
            step[c] = k.step();
            offset[c] = k.offset();
            shift[c] = k.shift();
            depth[c] = k.depth();
        }
        bigEndian = (d.flags() & AV_PIX_FMT_FLAG_BE) != 0;
    }

    /// Null when the layout is not of this kind.
    public static @Nullable RgbLayout of(int format) {
        AVPixFmtDescriptor d = av_pix_fmt_desc_get(format);
        long odd = AV_PIX_FMT_FLAG_PAL | AV_PIX_FMT_FLAG_BITSTREAM | AV_PIX_FMT_FLAG_FLOAT;
        boolean rgb = (d.flags() & AV_PIX_FMT_FLAG_RGB) != 0;
        boolean grey = d.nb_components() <= 2;
        boolean whole = d.comp(0).depth() >= 8 && d.comp(0).depth() <= 16;
        return (rgb || grey) && whole && (d.flags() & odd) == 0 ? new RgbLayout(d) : null;
    }

    @Override
    public void of(AVFrame f) {
        planes = new FramePlane[components];
        int widest = 0;
        for (int c = 0; c < components; c++) {
            planes[c] = FramePlane.of(f, plane[c], f.height());
            widest = Math.max(widest, f.width() * step[c] + offset[c] + 2);
        }
        bytes = bytes.length < widest ? new byte[widest] : bytes;
    }

    @Override
    public void row(int y, float[] r, float[] g, float[] b, float @Nullable [] a) {
        codes(0, y, r);
        if (components >= 3) {
            codes(1, y, g);
            codes(2, y, b);
        } else {
            System.arraycopy(r, 0, g, 0, r.length);
            System.arraycopy(r, 0, b, 0, r.length);
        }
        // An even number of components ends in alpha, which has no curve.
        if (a != null && components % 2 == 0) {
            codes(components - 1, y, a);
        }
    }

    @Override
    public void luma(int y, float[] luma) {
        if (components < 3) {
            codes(0, y, luma);
            return;
        }
        float[] one = new float[luma.length];
        Arrays.fill(luma, 0);
        for (int c = 0; c < 3; c++) {
            codes(c, y, one);
            for (int x = 0; x < luma.length; x++) {
                luma[x] += LUMA[c] * one[x];
            }
        }
    }

    /// Code values in [0, 1] of one component of one row.
    private void codes(int component, int y, float[] out) {
        int max = (1 << depth[component]) - 1;
        float unit = 1f / max;
        boolean wide = depth[component] + shift[component] > 8;
        int n = out.length;
        planes[component].read(y, bytes, (n - 1) * step[component] + offset[component] + (wide ? 2 : 1));
        for (int x = 0; x < n; x++) {
            int at = x * step[component] + offset[component];
            int v = wide ? word(bytes, at) : bytes[at] & 0xff;
            out[x] = (v >> shift[component] & max) * unit;
        }
    }

    private int word(byte[] row, int at) {
        return bigEndian ? (row[at] & 0xff) << 8 | row[at + 1] & 0xff : (row[at + 1] & 0xff) << 8 | row[at] & 0xff;
    }

    /// Writes whole planes, one for each component, packed into one plane of the frame or each into its own.
    ///
    /// - `codes`: turns a row of values of a component into code values in [0, 1], in place.
    public void write(AVFrame f, List<Plane> from, BiConsumer<Integer, float[]> codes) {
        int w = from.getFirst().width();
        int h = from.getFirst().height();
        float[] values = new float[w];
        FramePlane[] to = new FramePlane[components];
        byte[][] rows = new byte[components][];
        for (int c = 0; c < components; c++) {
            to[plane[c]] = to[plane[c]] == null ? FramePlane.of(f, plane[c], h) : to[plane[c]];
            rows[plane[c]] = rows[plane[c]] == null ? new byte[w * step[c]] : rows[plane[c]];
        }
        for (int y = 0; y < h; y++) {
            for (int c = 0; c < components; c++) {
                System.arraycopy(from.get(c).data(), y * w, values, 0, w);
                codes.accept(c, values);
                pack(values, c, rows[plane[c]]);
            }
            for (int k = 0; k < components; k++) {
                if (to[k] != null) {
                    to[k].write(y, rows[k]);
                }
            }
        }
    }

    private void pack(float[] values, int component, byte[] row) {
        int max = (1 << depth[component]) - 1;
        int left = shift[component];
        int apart = step[component];
        int high = offset[component] + (bigEndian ? 0 : 1);
        int low = offset[component] + (bigEndian ? 1 : 0);
        if (depth[component] + left > 8) {
            for (int x = 0; x < values.length; x++) {
                int v = (int) (values[x] * max + 0.5f) << left;
                row[x * apart + high] = (byte) (v >> 8);
                row[x * apart + low] = (byte) v;
            }
        } else {
            for (int x = 0; x < values.length; x++) {
                row[x * apart + offset[component]] = (byte) ((int) (values[x] * max + 0.5f) << left);
            }
        }
    }
}
