package org.scenothesis.media.encode;

import static org.bytedeco.ffmpeg.global.avcodec.*;
import static org.bytedeco.ffmpeg.global.avformat.*;
import static org.bytedeco.ffmpeg.global.avutil.*;

import java.nio.file.Path;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.jspecify.annotations.Nullable;
import org.scenothesis.media.Av;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.decode.Containers;
import org.scenothesis.media.decode.MediaFile;
import org.scenothesis.media.sound.SoundTrack;

/// Copies the first sound track of a file into another without re-encoding it, from a moment on.
final class SoundCarrier implements SoundWriter {
    private final MediaFile source;
    private final int from;
    private final AVStream to;
    private final Path target;
    private final double start;

    private SoundCarrier(MediaFile source, int from, AVStream to, Path target, double start) {
        this.source = source;
        this.from = from;
        this.to = to;
        this.target = target;
        this.start = start;
    }

    /// Null when there is no sound, or the target container cannot hold its coding.
    ///
    /// @throws FootageException if the file with the sound cannot be opened
    static @Nullable SoundCarrier open(SoundTrack track, AVFormatContext target, Path targetPath) throws FootageException {
        MediaFile source = Containers.openSound(track.from());
        SoundCarrier made = null;
        try {
            int from = source.sound();
            if (from >= 0 && avformat_query_codec(target.oformat(), source.stream(from).codecpar().codec_id(), FF_COMPLIANCE_NORMAL) == 1) {
                AVStream to = Av.some(avformat_new_stream(target, null), targetPath);
                Av.check(avcodec_parameters_copy(to.codecpar(), source.stream(from).codecpar()), targetPath,
                        "the container refused the sound");
                to.codecpar().codec_tag(0);
                to.time_base(source.stream(from).time_base());
                made = new SoundCarrier(source, from, to, targetPath, track.start());
            }
            return made;
        } finally {
            if (made == null) {
                source.close();
            }
        }
    }

    @Override
    public void copyTo(AVFormatContext into, double seconds) throws FootageException {
        double base = av_q2d(source.stream(from).time_base());
        double zero = source.begins();
        long shift = Math.round((start + zero) / base);
        AVPacket p = Av.some(av_packet_alloc(), target);
        try {
            while (av_read_frame(source.context(), p) >= 0) {
                double at = p.stream_index() == from && p.pts() != AV_NOPTS_VALUE ? p.pts() * base - zero : Double.NaN;
                double length = Math.max(p.duration(), 1) * base;
                if (at + length > start && at < start + seconds) {
                    p.pts(Math.max(0, p.pts() - shift));
                    p.dts(p.dts() == AV_NOPTS_VALUE ? p.pts() : Math.max(0, p.dts() - shift));
                    av_packet_rescale_ts(p, source.stream(from).time_base(), to.time_base());
                    p.stream_index(to.index());
                    p.pos(-1);
                    Av.check(av_interleaved_write_frame(into, p), target, "the sound cannot be written; check the space left on the disk");
                }
                av_packet_unref(p);
            }
        } finally {
            av_packet_free(p);
        }
    }

    @Override
    public void close() {
        source.close();
    }
}
