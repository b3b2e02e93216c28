package org.scenothesis.production.measure;

import static org.bytedeco.ffmpeg.global.avcodec.*;
import static org.bytedeco.ffmpeg.global.avformat.*;
import static org.bytedeco.ffmpeg.global.avutil.*;

import java.nio.file.Path;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVIOContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.javacpp.PointerPointer;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Transfer;

/// A lossless clip whose luma and chroma were made with BT.709 and whose file says nothing about it.
final class UntaggedClip {
    private UntaggedClip() {}

    static void write(Path file, Picture p, int frames) {
        AVFormatContext out = new AVFormatContext(null);
        avformat_alloc_output_context2(out, null, "matroska", file.toString());
        AVCodecContext c = avcodec_alloc_context3(avcodec_find_encoder_by_name("ffv1"));
        c.width(p.width());
        c.height(p.height());
        c.pix_fmt(AV_PIX_FMT_YUV444P);
        c.time_base(av_make_q(1, 24));
        c.framerate(av_make_q(24, 1));
        avcodec_open2(c, c.codec(), (PointerPointer<?>) null);
        AVStream stream = avformat_new_stream(out, null);
        avcodec_parameters_from_context(stream.codecpar(), c);
        stream.time_base(c.time_base());
        AVIOContext io = new AVIOContext(null);
        avio_open(io, file.toString(), AVIO_FLAG_WRITE);
        out.pb(io);
        avformat_write_header(out, (PointerPointer<?>) null);
        AVFrame f = av_frame_alloc();
        f.format(AV_PIX_FMT_YUV444P);
        f.width(p.width());
        f.height(p.height());
        av_frame_get_buffer(f, 0);
        AVPacket packet = av_packet_alloc();
        for (int i = 0; i <= frames; i++) {
            if (i < frames) {
                av_frame_make_writable(f);
                fill(f, p);
                f.pts(i);
            }
            avcodec_send_frame(c, i < frames ? f : null);
            while (avcodec_receive_packet(c, packet) >= 0) {
                packet.duration(1);
                av_packet_rescale_ts(packet, c.time_base(), stream.time_base());
                av_interleaved_write_frame(out, packet);
            }
        }
        av_write_trailer(out);
        av_packet_free(packet);
        av_frame_free(f);
        avcodec_free_context(c);
        avio_closep(io);
        avformat_free_context(out);
    }

    private static void fill(AVFrame f, Picture p) {
        for (int y = 0; y < p.height(); y++) {
            for (int x = 0; x < p.width(); x++) {
                double r = Transfer.SRGB.toCode(p.r().at(x, y));
                double g = Transfer.SRGB.toCode(p.g().at(x, y));
                double b = Transfer.SRGB.toCode(p.b().at(x, y));
                double luma = 0.2126 * r + 0.7152 * g + 0.0722 * b;
                put(f, 0, x, y, 16 + 219 * luma);
                put(f, 1, x, y, 128 + 224 * (b - luma) / 1.8556);
                put(f, 2, x, y, 128 + 224 * (r - luma) / 1.5748);
            }
        }
    }

    private static void put(AVFrame f, int plane, int x, int y, double code) {
        f.data(plane).put((long) y * f.linesize(plane) + x, (byte) Math.round(code));
    }
}
