package org.scenothesis.media.decode;

import static org.bytedeco.ffmpeg.global.avcodec.*;
import static org.bytedeco.ffmpeg.global.avformat.*;
import static org.bytedeco.ffmpeg.global.avutil.*;

import java.nio.file.Path;
import java.util.Map;
import java.util.function.Consumer;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVIOContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.javacpp.PointerPointer;
import org.scenothesis.media.Av;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.code.FramePlane;
import org.scenothesis.media.encode.EncoderFrame;

/// Films by any encoder and container of the shipped library, with whatever a camera might say about them.
final class Clips {
    private Clips() {}

    @FunctionalInterface
    interface Frames {
        void fill(AVFrame frame, int number) throws Exception;
    }

    /// - `setUp`: what is set on the encoder before it opens; `options`: its own.
    record Kind(String muxer, String codec, String pixels, int width, int height, Consumer<AVCodecContext> setUp,
            Map<String, String> options) {
        Kind(String muxer, String codec, String pixels, int width, int height) {
            this(muxer, codec, pixels, width, height, c -> {}, Map.of());
        }

        Kind with(Consumer<AVCodecContext> more) {
            return new Kind(muxer, codec, pixels, width, height, setUp.andThen(more), options);
        }
    }

    static Path write(Path file, Kind kind, int frames, Frames fill) throws Exception {
        AVFormatContext out = new AVFormatContext(null);
        check(avformat_alloc_output_context2(out, null, kind.muxer, file.toString()));
        AVCodec codec = avcodec_find_encoder_by_name(kind.codec);
        AVCodecContext c = avcodec_alloc_context3(codec);
        c.width(kind.width);
        c.height(kind.height);
        c.pix_fmt(av_get_pix_fmt(kind.pixels));
        c.time_base(av_make_q(1, 25));
        c.framerate(av_make_q(25, 1));
        c.gop_size(12);
        c.bit_rate(4_000_000);
        if ((out.oformat().flags() & AVFMT_GLOBALHEADER) != 0) {
            c.flags(c.flags() | AV_CODEC_FLAG_GLOBAL_HEADER);
        }
        kind.setUp.accept(c);
        AVDictionary options = new AVDictionary(null);
        kind.options.forEach((k, v) -> av_dict_set(options, k, v, 0));
        check(avcodec_open2(c, codec, options));
        AVStream stream = avformat_new_stream(out, null);
        check(avcodec_parameters_from_context(stream.codecpar(), c));
        stream.time_base(c.time_base());
        stream.avg_frame_rate(c.framerate());
        stream.r_frame_rate(c.framerate());
        stream.sample_aspect_ratio(c.sample_aspect_ratio());
        if (kind.pixels.startsWith("yuva") && kind.muxer.equals("webm")) {
            AVDictionary said = new AVDictionary(null);
            av_dict_set(said, "alpha_mode", "1", 0);
            stream.metadata(said);
        }
        AVIOContext io = new AVIOContext(null);
        check(avio_open(io, file.toString(), AVIO_FLAG_WRITE));
        out.pb(io);
        check(avformat_write_header(out, (PointerPointer<?>) null));
        AVFrame f = av_frame_alloc();
        f.format(c.pix_fmt());
        f.width(kind.width);
        f.height(kind.height);
        check(av_frame_get_buffer(f, 0));
        AVPacket p = av_packet_alloc();
        for (int i = 0; i < frames; i++) {
            av_frame_make_writable(f);
            fill.fill(f, i);
            f.pts(i);
            check(avcodec_send_frame(c, f));
            drain(c, p, stream, out);
        }
        avcodec_send_frame(c, null);
        drain(c, p, stream, out);
        check(av_write_trailer(out));
        av_packet_free(p);
        av_frame_free(f);
        avcodec_free_context(c);
        avio_closep(io);
        avformat_free_context(out);
        return file;
    }

    private static void drain(AVCodecContext c, AVPacket p, AVStream stream, AVFormatContext out) {
        while (avcodec_receive_packet(c, p) >= 0) {
            p.duration(1);
            av_packet_rescale_ts(p, c.time_base(), stream.time_base());
            p.stream_index(0);
            check(av_interleaved_write_frame(out, p));
        }
    }

    /// Frames of the chart, by the layout's own writer.
    static Frames chart(Kind kind) throws FootageException {
        boolean rgb = kind.pixels.startsWith("gbr") || kind.pixels.startsWith("rgb");
        EncoderFrame layout = new EncoderFrame(Path.of("chart"), kind.width, kind.height,
                av_get_pix_fmt(rgb ? kind.pixels : kind.pixels.replace("yuva", "yuv")), kind.pixels.startsWith("yuvj"));
        return (f, i) -> {
            AVFrame from = layout.fill(TestPictures.chart(kind.width, kind.height, i));
            for (int k = 0; k < 3; k++) {
                if (from.data(k) != null && !from.data(k).isNull()) {
                    int rows = k == 0 || rgb ? kind.height : -(-kind.height >> av_pix_fmt_desc_get(f.format()).log2_chroma_h());
                    FramePlane a = FramePlane.of(from, k, rows);
                    FramePlane b = FramePlane.of(f, k, rows);
                    byte[] row = new byte[Math.min(Math.abs(a.stride()), Math.abs(b.stride()))];
                    for (int y = 0; y < rows; y++) {
                        a.read(y, row);
                        b.write(y, row);
                    }
                }
            }
        };
    }

    static int check(int code) {
        if (code < 0) {
            throw new IllegalStateException("FFmpeg said " + code + ", " + Av.words(code));
        }
        return code;
    }
}
