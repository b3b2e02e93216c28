package org.scenothesis.media.encode;

import static org.bytedeco.ffmpeg.global.avcodec.AV_PKT_FLAG_KEY;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_free;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_unref;
import static org.bytedeco.ffmpeg.global.avformat.av_read_frame;
import static org.bytedeco.ffmpeg.global.avutil.av_d2q;
import static org.bytedeco.ffmpeg.global.avutil.av_inv_q;
import static org.bytedeco.ffmpeg.global.avutil.av_rescale_q;

import java.nio.file.Path;
import java.util.List;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avutil.AVRational;
import org.scenothesis.media.Av;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.decode.Containers;
import org.scenothesis.media.decode.MediaFile;

/// Joins films of one coding, each beginning with a key frame, into one without coding anything again.
public final class VideoJoin {
    private VideoJoin() {}

    /// Writes the frames of all `parts` one after another at the plan's rate, with its sound; the file appears when it is whole.
    ///
    /// @throws FootageException if a part cannot be read, or the result cannot be written
    public static void join(List<Path> parts, Path target, VideoSink.Plan plan) throws FootageException {
        AVRational rate = av_d2q(plan.framesPerSecond(), 100_000);
        AVRational length = av_inv_q(rate);
        long frames = 0;
        try (FileMuxer to = new FileMuxer(target, plan.format())) {
            for (Path part : parts) {
                try (MediaFile in = Containers.open(part)) {
                    if (in.pictures() != 0) {
                        throw new FootageException(part, "this part of the film is damaged; remove it and render again.");
                    }
                    if (frames == 0) {
                        to.begin(in.stream(0).codecpar(), length, rate, plan.sound());
                    }
                    frames = append(in, to, length, frames);
                }
            }
            to.finish(frames / plan.framesPerSecond());
        }
    }

    private static long append(MediaFile in, FileMuxer to, AVRational length, long before) throws FootageException {
        AVPacket p = Av.some(av_packet_alloc(), in.path());
        long n = before;
        try {
            while (av_read_frame(in.context(), p) >= 0) {
                if (p.stream_index() == 0) {
                    p.pts(av_rescale_q(n, length, to.stream().time_base()));
                    p.dts(p.pts());
                    p.duration(Math.max(1, av_rescale_q(n + 1, length, to.stream().time_base()) - p.pts()));
                    p.flags(n == before ? p.flags() | AV_PKT_FLAG_KEY : p.flags());
                    p.pos(-1);
                    to.write(p);
                    n++;
                }
                av_packet_unref(p);
            }
            return n;
        } finally {
            av_packet_free(p);
        }
    }
}
