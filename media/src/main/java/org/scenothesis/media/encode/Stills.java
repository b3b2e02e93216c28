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

    /// How a still is stored.
    public enum Format {
        PNG8("png", "rgb24", "rgba"),
        PNG16("png", "rgb48be", "rgba64be"),
        JPEG("mjpeg", "yuvj420p", "yuvj420p"),
        EXR("exr", "gbrpf32le", "gbrapf32le");

        private final String encoder;
        private final String opaque;
        private final String withAlpha;

        Format(String encoder, String opaque, String withAlpha) {
            this.encoder = encoder;
            this.opaque = opaque;
            this.withAlpha = withAlpha;
        }

        /// The format a file name asks for by its extension, PNG with 16 bits; null when it asks for none.
        public static @Nullable Format ofExtension(String extension) {
            return switch (extension) {
                case "png" -> PNG16;
                case "exr" -> EXR;
                case "jpg", "jpeg" -> JPEG;
                default -> null;
            };
        }

        public String extension() {
            return switch (this) {
                case PNG8, PNG16 -> "png";
                case JPEG -> "jpg";
                case EXR -> "exr";
            };
        }
    }

    /// Writes a picture, straight alpha; linear for EXR, sRGB codes otherwise.
    ///
    /// @throws FootageException if the file cannot be written
    public static void write(Path path, Picture p, Format format) throws FootageException {
        String layout = p.a() == null ? format.opaque : format.withAlpha;
        try (EncoderFrame frame = new EncoderFrame(path, p.width(), p.height(), av_get_pix_fmt(layout), format == Format.JPEG)) {
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
