package org.scenothesis.media.code;

import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_GBRAPF16LE;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_GBRAPF32LE;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_GBRPF16LE;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_GBRPF32LE;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.CodeCurve;
import org.scenothesis.core.picture.Luminance;

/// Reads floats that lie plane by plane, taken as they are: the general scaler clips light to [0, 1].
public final class FloatLayout implements CodeRows {
    private static final CodeCurve CURVE = new CodeCurve();

    private final boolean half;
    private final int height;
    private final byte[] bytes;
    private FramePlane[] planes = {};

    private FloatLayout(boolean half, int width, int height) {
        this.half = half;
        this.height = height;
        bytes = new byte[width * (half ? 2 : 4)];
    }

    /// Null when the layout is not of this kind.
    public static @Nullable FloatLayout of(int format, int width, int height) {
        boolean half = format == AV_PIX_FMT_GBRPF16LE || format == AV_PIX_FMT_GBRAPF16LE;
        boolean whole = format == AV_PIX_FMT_GBRPF32LE || format == AV_PIX_FMT_GBRAPF32LE;
        return half || whole ? new FloatLayout(half, width, height) : null;
    }

    @Override
    public void of(AVFrame f) {
        boolean alpha = f.format() == AV_PIX_FMT_GBRAPF32LE || f.format() == AV_PIX_FMT_GBRAPF16LE;
        planes = new FramePlane[alpha ? 4 : 3];
        for (int i = 0; i < planes.length; i++) {
            planes[i] = FramePlane.of(f, i, height);
        }
    }

    @Override
    public void row(int y, float[] r, float[] g, float[] b, float @Nullable [] a) {
        // Planar RGB is stored green, blue, red.
        values(0, y, g);
        values(1, y, b);
        values(2, y, r);
        if (a != null && planes.length == 4) {
            values(3, y, a);
        }
    }

    @Override
    public void luma(int y, float[] luma) {
        float[] b = new float[luma.length];
        float[] r = new float[luma.length];
        row(y, r, luma, b, null);
        for (int x = 0; x < luma.length; x++) {
            luma[x] = (float) Luminance.of(CURVE.code(r[x]), CURVE.code(luma[x]), CURVE.code(b[x]));
        }
    }

    private void values(int plane, int y, float[] out) {
        planes[plane].read(y, bytes);
        ByteBuffer in = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
        for (int x = 0; x < out.length; x++) {
            out[x] = finite(half ? Float.float16ToFloat(in.getShort(2 * x)) : in.getFloat(4 * x));
        }
    }

    /// What is no number is black, and no light is brighter than half floats tell: one bad pixel must not spoil the sums of a whole row.
    private static float finite(float v) {
        return Float.isNaN(v) ? 0 : Math.max(-65504f, Math.min(65504f, v));
    }
}
