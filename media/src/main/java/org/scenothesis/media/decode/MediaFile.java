package org.scenothesis.media.decode;

import static org.bytedeco.ffmpeg.global.avformat.AV_DISPOSITION_ATTACHED_PIC;
import static org.bytedeco.ffmpeg.global.avformat.av_find_best_stream;
import static org.bytedeco.ffmpeg.global.avformat.avformat_close_input;
import static org.bytedeco.ffmpeg.global.avutil.AVMEDIA_TYPE_AUDIO;
import static org.bytedeco.ffmpeg.global.avutil.AVMEDIA_TYPE_VIDEO;
import static org.bytedeco.ffmpeg.global.avutil.AV_NOPTS_VALUE;
import static org.bytedeco.ffmpeg.global.avutil.av_q2d;

import java.nio.file.Path;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.jspecify.annotations.Nullable;

/// A file of pictures or sound as FFmpeg opened it. Closing it twice is harmless; it must not be used after that, and says so.
public final class MediaFile implements AutoCloseable {
    private final Path path;
    private final @Nullable PlainPng source;
    private @Nullable AVFormatContext context;

    /// - `source`: what it reads through, closed after it; null where FFmpeg opened the file itself.
    MediaFile(Path path, AVFormatContext context, @Nullable PlainPng source) {
        this.path = path;
        this.context = context;
        this.source = source;
    }

    public Path path() {
        return path;
    }

    /// @throws IllegalStateException if it was closed
    public AVFormatContext context() {
        AVFormatContext c = context;
        if (c == null) {
            throw new IllegalStateException(path + " is closed");
        }
        return c;
    }

    public AVStream stream(int index) {
        return context().streams(index);
    }

    /// The stream of the film or still, −1 where there is none: the cover of a piece of music is no picture.
    public int pictures() {
        AVFormatContext c = context();
        int best = av_find_best_stream(c, AVMEDIA_TYPE_VIDEO, -1, -1, (AVCodec) null, 0);
        if (best < 0 || !cover(best)) {
            return Math.max(-1, best);
        }
        for (int i = 0; i < c.nb_streams(); i++) {
            if (c.streams(i).codecpar().codec_type() == AVMEDIA_TYPE_VIDEO && !cover(i)) {
                return i;
            }
        }
        return -1;
    }

    private boolean cover(int index) {
        return (stream(index).disposition() & AV_DISPOSITION_ATTACHED_PIC) != 0;
    }

    /// The stream of the sound, −1 where there is none.
    public int sound() {
        return Math.max(-1, av_find_best_stream(context(), AVMEDIA_TYPE_AUDIO, -1, -1, (AVCodec) null, 0));
    }

    /// Second at which the film begins on the clock of its packets: that of its pictures, or of its sound where it has none.
    public double begins() {
        int first = pictures() >= 0 ? pictures() : sound();
        return first < 0 || stream(first).start_time() == AV_NOPTS_VALUE ? 0 : stream(first)
                .start_time() * av_q2d(stream(first).time_base());
    }

    @Override
    public void close() {
        AVFormatContext c = context;
        context = null;
        if (c != null) {
            avformat_close_input(c);
            if (source != null) {
                source.close();
            }
        }
    }
}
