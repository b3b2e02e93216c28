package org.scenothesis.media.sound;

import static org.bytedeco.ffmpeg.global.avcodec.*;
import static org.bytedeco.ffmpeg.global.avformat.*;
import static org.bytedeco.ffmpeg.global.avutil.*;
import static org.bytedeco.ffmpeg.global.swresample.*;

import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVChannelLayout;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.swresample.SwrContext;
import org.jspecify.annotations.Nullable;
import org.scenothesis.media.Av;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.decode.Containers;
import org.scenothesis.media.decode.Footages;

/// A sound track as an endless row of stereo samples: silence before it begins and behind its end. For one thread.
public final class SoundFeed implements AutoCloseable {
    /// Samples a second of what is read.
    public static final int RATE = 48_000;
    /// Seeking lands somewhat before what was asked for.
    private static final double RUN_UP_S = 1;

    private final Path path;
    private final SoundTrack track;
    private final AVFormatContext file;
    private final int index;
    private final AVPacket packet = av_packet_alloc();
    private final AVFrame decoded = av_frame_alloc();
    private @Nullable AVCodecContext decoder;
    private @Nullable SwrContext converter;
    private float[] left = {};
    private float[] right = {};
    private int used;
    private int sides = 2;
    private long given;
    /// Sample of the film at which what is kept begins; unknown before the first frame.
    private long at = Long.MIN_VALUE;
    private boolean ended;

    private SoundFeed(SoundTrack track, AVFormatContext file, int index) {
        path = track.from();
        this.track = track;
        this.file = file;
        this.index = index;
    }

    /// Whether a file can be heard; stills and folders of them cannot.
    ///
    /// @throws FootageException if it cannot be opened
    public static boolean sounds(Path path) throws FootageException {
        if (Files.isDirectory(path) || Footages.isStill(path)) {
            return false;
        }
        AVFormatContext f = Containers.openSound(path);
        boolean any = av_find_best_stream(f, AVMEDIA_TYPE_AUDIO, -1, -1, (AVCodec) null, 0) >= 0;
        avformat_close_input(f);
        return any;
    }

    /// @throws FootageException if the file cannot be opened, has no sound, or its coding is unknown
    public static SoundFeed open(SoundTrack track) throws FootageException {
        AVFormatContext f = Containers.openSound(track.from());
        int i = av_find_best_stream(f, AVMEDIA_TYPE_AUDIO, -1, -1, (AVCodec) null, 0);
        SoundFeed feed = new SoundFeed(track, f, i);
        boolean ready = false;
        try {
            if (i < 0) {
                throw new FootageException(track.from(), "there is no sound in it; choose another take or file.");
            }
            feed.begin();
            ready = true;
        } finally {
            if (!ready) {
                feed.close();
            }
        }
        return feed;
    }

    private AVStream stream() {
        return file.streams(index);
    }

    /// Second at which the file's picture begins, on the clock of its packets.
    private double zero() {
        int picture = av_find_best_stream(file, AVMEDIA_TYPE_VIDEO, -1, -1, (AVCodec) null, 0);
        return picture < 0 || file.streams(picture).start_time() == AV_NOPTS_VALUE ? 0 : file.streams(picture).start_time() * av_q2d(file.streams(picture).time_base());
    }

    private void begin() throws FootageException {
        AVCodec codec = avcodec_find_decoder(stream().codecpar().codec_id());
        if (codec == null || codec.isNull()) {
            throw new FootageException(path, "the coding of its sound is not known here; convert it to WAV or FLAC.");
        }
        AVCodecContext c = Av.some(avcodec_alloc_context3(codec), path);
        decoder = c;
        Av.check(avcodec_parameters_to_context(c, stream().codecpar()), path, "its sound cannot be read");
        c.pkt_timebase(stream().time_base());
        Av.check(avcodec_open2(c, codec, (AVDictionary) null), path, "its sound cannot be read");
        double wanted = track.start() + zero();
        if (wanted > RUN_UP_S) {
            av_seek_frame(file, index, (long) ((wanted - RUN_UP_S) / av_q2d(stream().time_base())), AVSEEK_FLAG_BACKWARD);
        }
    }

    /// Fills with the next samples of both sides, at the track's loudness.
    ///
    /// @throws FootageException if the sound is broken
    public void fill(float[] l, float[] r) throws FootageException {
        int n = l.length;
        Arrays.fill(l, 0);
        Arrays.fill(r, 0);
        int i = 0;
        while (i < n) {
            if (used == left.length && !more()) {
                break;
            }
            long ahead = at - given - i;
            if (ahead > 0) {
                i += (int) Math.min(ahead, n - i);
            } else if (ahead < 0) {
                int skip = (int) Math.min(-ahead, left.length - used);
                used += skip;
                at += skip;
            } else {
                int k = Math.min(n - i, left.length - used);
                System.arraycopy(left, used, l, i, k);
                System.arraycopy(right, used, r, i, k);
                used += k;
                at += k;
                i += k;
            }
        }
        SoundTrack.Loudness loud = track.loudness();
        if (loud != null) {
            for (int k = 0; k < n; k++) {
                float by = (float) loud.at((given + k) / (double) RATE);
                l[k] *= by;
                r[k] *= by;
            }
        }
        given += n;
    }

    /// Decodes the next piece; false at the end.
    private boolean more() throws FootageException {
        AVCodecContext c = decoder;
        while (c != null && !ended) {
            int code = avcodec_receive_frame(c, decoded);
            if (code >= 0) {
                convert(c);
                if (left.length > 0) {
                    return true;
                }
            } else if (code == AVERROR_EOF) {
                ended = true;
            } else {
                send(c);
            }
        }
        return false;
    }

    private void send(AVCodecContext c) throws FootageException {
        while (av_read_frame(file, packet) >= 0) {
            boolean own = packet.stream_index() == index;
            int code = own ? avcodec_send_packet(c, packet) : 0;
            av_packet_unref(packet);
            // A damaged packet is a moment of silence.
            if (own && code >= 0) {
                return;
            }
        }
        avcodec_send_packet(c, null);
    }

    private void convert(AVCodecContext c) throws FootageException {
        SwrContext s = converter;
        if (s == null) {
            s = new SwrContext(null);
            AVChannelLayout of = decoded.ch_layout();
            if (of.nb_channels() == 0) {
                of = c.ch_layout();
            }
            // One channel is heard as loud on both sides.
            sides = of.nb_channels() == 1 ? 1 : 2;
            AVChannelLayout wanted = new AVChannelLayout();
            av_channel_layout_default(wanted, sides);
            Av.check(swr_alloc_set_opts2(s, wanted, AV_SAMPLE_FMT_FLTP, RATE, of, decoded.format(), decoded.sample_rate(), 0, null), path, "its sound cannot be converted");
            Av.check(swr_init(s), path, "its sound cannot be converted");
            converter = s;
        }
        if (at == Long.MIN_VALUE) {
            double seconds = decoded.best_effort_timestamp() == AV_NOPTS_VALUE ? 0 : decoded.best_effort_timestamp() * av_q2d(stream().time_base());
            at = Math.round((seconds - zero() - track.start()) * RATE);
        }
        int room = swr_get_out_samples(s, decoded.nb_samples());
        AVFrame out = av_frame_alloc();
        out.format(AV_SAMPLE_FMT_FLTP);
        av_channel_layout_default(out.ch_layout(), sides);
        out.sample_rate(RATE);
        out.nb_samples(Math.max(1, room));
        try {
            Av.check(av_frame_get_buffer(out, 0), path, "there is no memory left for its sound");
            int n = Av.check(swr_convert(s, out.data(), room, decoded.data(), decoded.nb_samples()), path, "its sound cannot be converted");
            left = samples(out, 0, n);
            right = sides == 1 ? left : samples(out, 1, n);
            used = 0;
        } finally {
            av_frame_free(out);
        }
    }

    private static float[] samples(AVFrame f, int side, int n) {
        float[] v = new float[n];
        f.data(side).limit(4L * n).asByteBuffer().order(ByteOrder.nativeOrder()).asFloatBuffer().get(v);
        return v;
    }

    @Override
    public void close() {
        av_packet_free(packet);
        av_frame_free(decoded);
        if (decoder != null) {
            avcodec_free_context(decoder);
            decoder = null;
        }
        if (converter != null) {
            swr_free(converter);
            converter = null;
        }
        avformat_close_input(file);
    }
}
