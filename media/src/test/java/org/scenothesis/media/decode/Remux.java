package org.scenothesis.media.decode;

import static org.bytedeco.ffmpeg.global.avcodec.*;
import static org.bytedeco.ffmpeg.global.avformat.*;
import static org.bytedeco.ffmpeg.global.avutil.av_dict_set;

import java.nio.file.Path;
import java.util.function.LongUnaryOperator;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVIOContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.javacpp.PointerPointer;

/// Copies the picture of a file into a Matroska file with other presentation times: phones write uneven ones.
final class Remux {
    private Remux() {}

    /// - `milliseconds`: time of a frame by its number. `notes`: names and what is noted under each, in turns.
    static void retime(Path from, Path to, LongUnaryOperator milliseconds, String... notes) {
        AVFormatContext in = new AVFormatContext(null);
        check(avformat_open_input(in, from.toString(), null, (AVDictionary) null));
        check(avformat_find_stream_info(in, (PointerPointer<?>) null));
        AVFormatContext out = new AVFormatContext(null);
        check(avformat_alloc_output_context2(out, null, "matroska", to.toString()));
        AVStream stream = avformat_new_stream(out, null);
        check(avcodec_parameters_copy(stream.codecpar(), in.streams(0).codecpar()));
        stream.codecpar().codec_tag(0);
        AVIOContext io = new AVIOContext(null);
        check(avio_open(io, to.toString(), AVIO_FLAG_WRITE));
        out.pb(io);
        AVDictionary noted = new AVDictionary(null);
        for (int i = 0; i < notes.length; i += 2) {
            check(av_dict_set(noted, notes[i], notes[i + 1], 0));
        }
        out.metadata(noted);
        check(avformat_write_header(out, (AVDictionary) null));
        AVPacket p = av_packet_alloc();
        for (long n = 0; av_read_frame(in, p) >= 0; n++) {
            // Matroska counts milliseconds.
            p.pts(milliseconds.applyAsLong(n));
            p.dts(p.pts());
            p.duration(0);
            p.stream_index(0);
            p.pos(-1);
            check(av_write_frame(out, p));
            av_packet_unref(p);
        }
        av_packet_free(p);
        check(av_write_trailer(out));
        avio_closep(io);
        avformat_free_context(out);
        avformat_close_input(in);
    }

    private static void check(int code) {
        if (code < 0) {
            throw new IllegalStateException("FFmpeg said " + code);
        }
    }
}
