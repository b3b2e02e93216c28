package org.scenothesis.media.encode;

import static org.bytedeco.ffmpeg.global.avcodec.*;
import static org.bytedeco.ffmpeg.global.avutil.*;

import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.file.Path;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.media.Av;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FreshFile;
import org.scenothesis.media.Natives;
import org.scenothesis.media.decode.Footages;

/// Writes single stills: PNG 8 and 16 bit, JPEG, EXR half. A file appears whole or not at all.
public final class Stills {
    private static final String NOT_ENCODED = "the still could not be encoded";

    private Stills() {}

    /// How a still is stored. Of those with one file ending the first is what that ending means.
    public enum Format implements ExportFormat {
        PNG16("png16", "png", "png", "rgb48be", "rgba64be", 36),
        PNG8("png8", "png", "png", "rgb24", "rgba", 14),
        EXR("exr", "exr", "exr", "gbrpf32le", "gbrapf32le", 50),
        JPEG("jpeg", "jpg", "mjpeg", "yuvj420p", null, 3);

        private final String code;
        private final String extension;
        private final String encoder;
        private final String opaque;
        private final @Nullable String withAlpha;
        private final double bitsPerPixel;

        Format(String code, String extension, String encoder, String opaque, @Nullable String withAlpha, double bitsPerPixel) {
            this.code = code;
            this.extension = extension;
            this.encoder = encoder;
            this.opaque = opaque;
            this.withAlpha = withAlpha;
            this.bitsPerPixel = bitsPerPixel;
        }

        @Override
        public String code() {
            return code;
        }

        @Override
        public String extension() {
            return extension;
        }

        @Override
        public String ending() {
            return "-" + code;
        }

        String layout(boolean transparent) {
            return transparent && withAlpha != null ? withAlpha : opaque;
        }

        @Override
        public boolean alpha() {
            return withAlpha != null;
        }

        @Override
        public boolean evenSize() {
            return false;
        }

        @Override
        public double bitsPerPixel() {
            return bitsPerPixel;
        }
    }

    /// Writes a picture, straight alpha; linear for EXR, sRGB codes otherwise.
    ///
    /// @throws FootageException if the file cannot be written
    public static void write(Path path, Picture p, Format format) throws FootageException {
        try (EncoderFrame frame = new EncoderFrame(path, p.width(), p.height(), av_get_pix_fmt(format.layout(p.a() != null)),
                format == Format.JPEG)) {
            AVFrame filled = frame.fill(p);
            switch (format) {
                case PNG8 -> place(path, PngFile.of(filled, p.a() == null ? PngFile.Pixel.RGB8 : PngFile.Pixel.RGBA8));
                case PNG16 -> place(path, PngFile.of(filled, p.a() == null ? PngFile.Pixel.RGB16 : PngFile.Pixel.RGBA16));
                case JPEG, EXR -> encode(path, filled, format.encoder);
            }
        }
    }

    /// Writes a plane as 16-bit grey, 65535 being 1, no transfer curve: for mattes.
    ///
    /// @throws FootageException if the file cannot be written
    public static void writeMatte(Path path, Plane matte) throws FootageException {
        AVFrame f = Av.some(av_frame_alloc(), path);
        f.format(AV_PIX_FMT_GRAY16BE);
        f.width(matte.width());
        f.height(matte.height());
        try {
            Av.check(av_frame_get_buffer(f, 64), path, "there is no memory left for it; close other programs");
            fill(f, matte);
            place(path, PngFile.of(f, PngFile.Pixel.GREY16));
        } finally {
            av_frame_free(f);
        }
    }

    private static void fill(AVFrame f, Plane matte) {
        long stride = f.linesize(0);
        var bytes = f.data(0).limit(stride * matte.height()).asByteBuffer().order(ByteOrder.BIG_ENDIAN);
        for (int y = 0; y < matte.height(); y++) {
            for (int x = 0; x < matte.width(); x++) {
                int code = (int) (Math.clamp(matte.at(x, y), 0f, 1f) * 65535f + 0.5f);
                bytes.putShort((int) (y * stride + 2L * x), (short) code);
            }
        }
    }

    /// Reads a 16- or 8-bit grey still as stored, 0 to 1 without a transfer curve.
    ///
    /// @throws FootageException if it cannot be read
    public static Plane readMatte(Path path) throws FootageException {
        try (Footage f = Footages.open(path)) {
            Picture p = f.frame(0);
            float[] out = new float[p.g().data().length];
            for (int i = 0; i < out.length; i++) {
                out[i] = Math.round(f.info().coding().transfer().toCode(p.g().data()[i]) * 65535) / 65535f;
            }
            return new Plane(p.width(), p.height(), out);
        }
    }

    private static void encode(Path path, AVFrame frame, String encoder) throws FootageException {
        try (Natives natives = new Natives()) {
            AVCodec codec = Av.some(avcodec_find_encoder_by_name(encoder), path);
            AVCodecContext c = natives.own(avcodec_alloc_context3(codec), x -> avcodec_free_context(x), path);
            AVPacket packet = natives.own(av_packet_alloc(), x -> av_packet_free(x), path);
            c.width(frame.width());
            c.height(frame.height());
            c.pix_fmt(frame.format());
            c.time_base(av_make_q(1, 24));
            c.thread_count(1);
            AVDictionary options = new AVDictionary(null);
            if (encoder.equals("exr")) {
                av_dict_set(options, "format", "half", 0);
            } else {
                c.color_range(AVCOL_RANGE_JPEG);
                c.flags(c.flags() | AV_CODEC_FLAG_QSCALE);
                c.global_quality(FF_QP2LAMBDA * 3);
                frame.quality(FF_QP2LAMBDA * 3);
            }
            int code = avcodec_open2(c, codec, options);
            av_dict_free(options);
            Av.check(code, path, NOT_ENCODED);
            Av.check(avcodec_send_frame(c, frame), path, NOT_ENCODED);
            avcodec_send_frame(c, null);
            Av.check(avcodec_receive_packet(c, packet), path, NOT_ENCODED);
            byte[] bytes = new byte[packet.size()];
            packet.data().get(bytes);
            place(path, bytes);
        }
    }

    private static void place(Path path, byte[] bytes) throws FootageException {
        try {
            FreshFile.write(path, bytes);
        } catch (IOException e) {
            throw new FootageException(path, "the file cannot be written; check the folder, its permissions and the space left.", e);
        }
    }
}
