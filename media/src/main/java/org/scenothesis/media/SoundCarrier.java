package org.scenothesis.media;

import static org.bytedeco.ffmpeg.global.avcodec.*;
import static org.bytedeco.ffmpeg.global.avformat.*;
import static org.bytedeco.ffmpeg.global.avutil.*;

import java.nio.file.Path;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.javacpp.PointerPointer;
import org.jspecify.annotations.Nullable;

/// Copies the first sound track of a file into another without re-encoding it.
final class SoundCarrier implements AutoCloseable {
    private final AVFormatContext source;
    private final int from;
    private final AVStream to;

    private SoundCarrier(AVFormatContext source, int from, AVStream to) {
        this.source = source;
        this.from = from;
        this.to = to;
    }

    /// Null when there is no sound, or the target container cannot hold its coding.
    static @Nullable SoundCarrier open(Path path, AVFormatContext target) {
        AVFormatContext source = avformat_alloc_context();
        if (avformat_open_input(source, Av.address(path), null, null) < 0) {
            return null;
        }
        avformat_find_stream_info(source, (PointerPointer<?>) null);
        int from = av_find_best_stream(source, AVMEDIA_TYPE_AUDIO, -1, -1, (AVCodec) null, 0);
        if (from < 0 || avformat_query_codec(target.oformat(), source.streams(from).codecpar().codec_id(), FF_COMPLIANCE_NORMAL) != 1) {
            avformat_close_input(source);
            return null;
        }
        AVStream to = avformat_new_stream(target, null);
        avcodec_parameters_copy(to.codecpar(), source.streams(from).codecpar());
        to.codecpar().codec_tag(0);
        to.time_base(source.streams(from).time_base());
        return new SoundCarrier(source, from, to);
    }

    void copyTo(AVFormatContext target, double seconds) {
        AVPacket p = av_packet_alloc();
        while (av_read_frame(source, p) >= 0) {
            if (p.stream_index() == from && p.pts() * av_q2d(source.streams(from).time_base()) < seconds) {
                av_packet_rescale_ts(p, source.streams(from).time_base(), to.time_base());
                p.stream_index(to.index());
                p.pos(-1);
                av_interleaved_write_frame(target, p);
            }
            av_packet_unref(p);
        }
        av_packet_free(p);
    }

    @Override
    public void close() {
        avformat_close_input(source);
    }
}
