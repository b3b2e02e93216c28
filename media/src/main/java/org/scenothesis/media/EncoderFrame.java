package org.scenothesis.media;

import static org.bytedeco.ffmpeg.global.avutil.*;
import static org.bytedeco.ffmpeg.global.swscale.*;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
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
        plane(0, p.g());
        plane(1, p.b());
        plane(2, p.r());
        Plane a = p.a();
        if (alpha) {
            coverage(a == null ? Plane.filled(width, height, 1) : a);
        }
        if (scaler == null) {
            return planar;
        }
        av_frame_make_writable(out);
        sws_scale(scaler, planar.data(), planar.linesize(), 0, height, out.data(), out.linesize());
        return out;
    }

    private AVFrame packed(Picture p, RgbLayout to) {
        for (int c = 0; c < 3; c++) {
            to.write(planar, c, p.colours().get(c), CURVE::code);
        }
        if (alpha) {
            Plane a = p.a();
            to.write(planar, 3, a == null ? Plane.filled(width, height, 1) : a, v -> v);
        }
        return planar;
    }

    private void plane(int index, Plane p) {
        for (int y = 0; y < height; y++) {
            ByteBuffer row = row(index, y);
            for (int x = 0; x < width; x++) {
                if (floating) {
                    row.putFloat(4 * x, p.data()[y * width + x]);
                } else {
                    row.putShort(2 * x, (short) CURVE.code16(p.data()[y * width + x]));
                }
            }
        }
    }

    private void coverage(Plane a) {
        for (int y = 0; y < height; y++) {
            ByteBuffer row = row(3, y);
            for (int x = 0; x < width; x++) {
                float v = a.data()[y * width + x];
                if (floating) {
                    row.putFloat(4 * x, v);
                } else {
                    row.putShort(2 * x, (short) (Math.clamp(v, 0f, 1f) * 65535f + 0.5f));
                }
            }
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
