package org.scenothesis.media.encode;

import static org.bytedeco.ffmpeg.global.avutil.*;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.util.List;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.CodeCurve;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.code.RgbLayout;
import org.scenothesis.media.code.YuvWriter;

/// Brings linear planes into the pixel layout an encoder wants: sRGB codes, or floats as they are.
public final class EncoderFrame implements AutoCloseable {
    private static final CodeCurve CURVE = new CodeCurve();

    private final int width;
    private final int height;
    private final boolean alpha;
    private final @Nullable RgbLayout rgb;
    private final @Nullable YuvWriter yuv;
    private final AVFrame frame = av_frame_alloc();

    /// - `full`: luma and chroma use all codes.
    ///
    /// @throws FootageException if there is no memory for it
    public EncoderFrame(Path path, int width, int height, int format, boolean full) throws FootageException {
        this.width = width;
        this.height = height;
        long flags = av_pix_fmt_desc_get(format).flags();
        alpha = (flags & AV_PIX_FMT_FLAG_ALPHA) != 0;
        boolean floating = (flags & AV_PIX_FMT_FLAG_FLOAT) != 0;
        rgb = floating ? null : RgbLayout.of(format);
        yuv = floating || rgb != null ? null : new YuvWriter(width, height, format, full);
        frame.format(format);
        frame.width(width);
        frame.height(height);
        int code = av_frame_get_buffer(frame, 64);
        if (code < 0) {
            av_frame_free(frame);
            throw new FootageException(path, "there is no memory left for its frames; close other programs.");
        }
    }

    /// Fills the frame; a picture without alpha is opaque.
    public AVFrame fill(Picture p) {
        av_frame_make_writable(frame);
        if (rgb != null) {
            packed(p, rgb);
        } else if (yuv != null) {
            yuv.write(p, frame);
        } else {
            floats(0, p.g());
            floats(1, p.b());
            floats(2, p.r());
            if (alpha) {
                floats(3, coverage(p));
            }
        }
        return frame;
    }

    private void packed(Picture p, RgbLayout to) {
        List<Plane> planes = alpha ? List.of(p.r(), p.g(), p.b(), coverage(p)) : p.colours();
        to.write(frame, planes, (component, run) -> {
            if (component < 3) {
                CURVE.codes(run);
            } else {
                bound(run);
            }
        });
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

    private void floats(int index, Plane p) {
        long stride = frame.linesize(index);
        ByteBuffer bytes = frame.data(index).position(0).limit(stride * height).asByteBuffer();
        float[] run = new float[width];
        for (int y = 0; y < height; y++) {
            System.arraycopy(p.data(), y * width, run, 0, width);
            bytes.position((int) (y * stride)).slice().order(ByteOrder.LITTLE_ENDIAN).asFloatBuffer().put(run);
        }
    }

    @Override
    public void close() {
        av_frame_free(frame);
    }
}
