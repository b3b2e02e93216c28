package org.scenothesis.media;

import static org.bytedeco.ffmpeg.global.avutil.*;
import static org.bytedeco.ffmpeg.global.swscale.*;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.List;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.swscale.SwsContext;
import org.bytedeco.javacpp.DoublePointer;
import org.scenothesis.core.picture.CodeCurve;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Transfer;

/// Brings linear planes into the pixel layout an encoder wants: sRGB codes at 16 bit, or floats as they are.
final class EncoderFrame implements AutoCloseable {
    private static final CodeCurve CURVE = new CodeCurve(Transfer.SRGB);

    private final int width;
    private final int height;
    private final boolean alpha;
    private final boolean floating;
    private final @org.jspecify.annotations.Nullable RgbLayout layout;
    private final AVFrame planar = av_frame_alloc();
    private final AVFrame out = av_frame_alloc();
    private final @org.jspecify.annotations.Nullable SwsContext scaler;

    EncoderFrame(int width, int height, int format) {
        this.width = width;
        this.height = height;
        long flags = av_pix_fmt_desc_get(format).flags();
        alpha = (flags & AV_PIX_FMT_FLAG_ALPHA) != 0;
        floating = (flags & AV_PIX_FMT_FLAG_FLOAT) != 0;
        layout = floating ? null : RgbLayout.of(format);
        int middle = floating || layout != null ? format : alpha ? AV_PIX_FMT_GBRAP16LE : AV_PIX_FMT_GBRP16LE;
        buffer(planar, middle);
        scaler = middle == format ? null : scaler(middle, format);
        if (scaler != null) {
            buffer(out, format);
        }
    }

    private void buffer(AVFrame f, int format) {
        f.format(format);
        f.width(width);
        f.height(height);
        av_frame_get_buffer(f, 64);
    }

    private SwsContext scaler(int from, int to) {
        SwsContext s = sws_getContext(
                width, height, from, width, height, to, SWS_BICUBIC | SWS_FULL_CHR_H_INP | SWS_ACCURATE_RND, null, null, (DoublePointer) null);
        boolean full = av_get_pix_fmt_name(to).getString().startsWith("yuvj");
        var matrix = sws_getCoefficients(full ? SWS_CS_ITU601 : SWS_CS_ITU709);
        sws_setColorspaceDetails(s, sws_getCoefficients(SWS_CS_DEFAULT), 1, matrix, full ? 1 : 0, 0, 1 << 16, 1 << 16);
        return s;
    }

    /// Fills the frame; a picture without alpha is opaque.
    AVFrame fill(Picture p) {
        av_frame_make_writable(planar);
        if (layout != null) {
            return packed(p, layout);
        }
        plane(0, p.g(), true);
        plane(1, p.b(), true);
        plane(2, p.r(), true);
        if (alpha) {
            plane(3, coverage(p), false);
        }
        if (scaler == null) {
            return planar;
        }
        av_frame_make_writable(out);
        sws_scale(scaler, planar.data(), planar.linesize(), 0, height, out.data(), out.linesize());
        return out;
    }

    private AVFrame packed(Picture p, RgbLayout to) {
        List<Plane> planes = alpha ? List.of(p.r(), p.g(), p.b(), coverage(p)) : p.colours();
        to.write(planar, planes, (component, run) -> {
            if (component < 3) {
                CURVE.codes(run);
            } else {
                bound(run);
            }
        });
        return planar;
    }

    private Plane coverage(Picture p) {
        Plane a = p.a();
        return a == null ? Plane.filled(width, height, 1) : a;
    }

    private static void bound(float[] run) {
        for (int i = 0; i < run.length; i++) {
            run[i] = Math.max(0, Math.min(1, run[i]));
        }
    }

    private void plane(int index, Plane p, boolean coded) {
        float[] run = new float[width];
        short[] codes = new short[width];
        for (int y = 0; y < height; y++) {
            System.arraycopy(p.data(), y * width, run, 0, width);
            if (floating) {
                row(index, y).asFloatBuffer().put(run);
                continue;
            }
            if (coded) {
                CURVE.codes(run);
            } else {
                bound(run);
            }
            for (int x = 0; x < width; x++) {
                codes[x] = (short) (int) (run[x] * 65535f + 0.5f);
            }
            row(index, y).asShortBuffer().put(codes);
        }
    }

    private ByteBuffer row(int index, int y) {
        long stride = planar.linesize(index);
        return planar.data(index).position(0).limit(stride * height).asByteBuffer()
                .position((int) (y * stride)).slice().order(ByteOrder.LITTLE_ENDIAN);
    }

    @Override
    public void close() {
        av_frame_free(planar);
        av_frame_free(out);
        if (scaler != null) {
            sws_freeContext(scaler);
        }
    }
}
