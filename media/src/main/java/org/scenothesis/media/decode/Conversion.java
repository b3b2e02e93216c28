package org.scenothesis.media.decode;

import static org.bytedeco.ffmpeg.global.avutil.*;
import static org.bytedeco.ffmpeg.global.swscale.*;

import java.nio.file.Path;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.swscale.SwsContext;
import org.bytedeco.javacpp.DoublePointer;
import org.bytedeco.javacpp.IntPointer;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.ColourMatrix;
import org.scenothesis.media.Av;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.code.FrameCoding;

/// Brings pixel layouts that are not read directly (palettes, packed bits) to planar red, green and blue by the general scaler.
final class Conversion implements AutoCloseable {
    private final Path path;
    private final @Nullable SwsContext scaler;
    private final AVFrame out = av_frame_alloc();

    /// @throws FootageException if there is no way from the layout
    Conversion(Path path, FrameCoding coding) throws FootageException {
        this.path = path;
        int to = coding.floating()
                ? (coding.alpha() ? AV_PIX_FMT_GBRAPF32LE : AV_PIX_FMT_GBRPF32LE)
                : (coding.alpha() ? AV_PIX_FMT_GBRAP16LE : AV_PIX_FMT_GBRP16LE);
        int flags = SWS_BICUBIC | SWS_FULL_CHR_H_INT | SWS_FULL_CHR_H_INP | SWS_ACCURATE_RND;
        int w = coding.width();
        int h = coding.height();
        scaler = sws_getContext(w, h, coding.format(), w, h, to, flags, null, null, (DoublePointer) null);
        if (scaler == null || scaler.isNull()) {
            av_frame_free(out);
            throw new FootageException(path, "its pixel layout (" + coding.formatName() + ") cannot be converted.");
        }
        ColourMatrix m = coding.colour().matrix();
        IntPointer matrix = sws_getCoefficients(m == ColourMatrix.BT709 ? SWS_CS_ITU709 : m == ColourMatrix.BT2020 ? SWS_CS_BT2020
                : SWS_CS_ITU601);
        sws_setColorspaceDetails(
                scaler, matrix, coding.colour().fullRange() ? 1 : 0, sws_getCoefficients(SWS_CS_DEFAULT), 1, 0, 1 << 16, 1 << 16);
        out.format(to);
        out.width(w);
        out.height(h);
        int code = av_frame_get_buffer(out, 64);
        if (code < 0) {
            close();
        }
        Av.check(code, path, "there is no memory for its frames");
    }

    int format() {
        return out.format();
    }

    AVFrame convert(AVFrame frame) throws FootageException {
        Av.check(sws_scale(scaler, frame.data(), frame.linesize(), 0, frame.height(), out.data(), out.linesize()), path,
                "its pixels cannot be converted");
        return out;
    }

    @Override
    public void close() {
        sws_freeContext(scaler);
        av_frame_free(out);
    }
}
