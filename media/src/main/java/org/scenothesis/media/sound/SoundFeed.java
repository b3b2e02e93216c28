package org.scenothesis.media.sound;

import static org.bytedeco.ffmpeg.global.avcodec.*;
import static org.bytedeco.ffmpeg.global.avformat.*;
import static org.bytedeco.ffmpeg.global.avutil.*;
import static org.bytedeco.ffmpeg.global.swresample.*;

import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVChannelLayout;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.swresample.SwrContext;
import org.jspecify.annotations.Nullable;
import org.scenothesis.media.Av;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.Natives;
import org.scenothesis.media.decode.Containers;
import org.scenothesis.media.decode.Decoder;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.media.decode.MediaFile;

/// A sound track as an endless row of stereo samples: silence before it begins and behind its end. For one thread.
public final class SoundFeed implements AutoCloseable {
    /// Samples a second of what is read.
    public static final int RATE = 48_000;
    /// Seeking lands somewhat before what was asked for.
    private static final double RUN_UP_S = 1;

    private final Path path;
    private final SoundTrack track;
    private final Natives natives;
    private final MediaFile file;
    private final int index;
    private final AVPacket packet;
    private final AVFrame decoded;
    private final AVCodecContext decoder;
    private @Nullable SwrContext converter;
    /// What the converter was made for: channels, samples a second, layout of a sample. Files may change them on their way.
    private String converts = "";
    private float[] left = {};
    private float[] right = {};
    private int used;
    private int sides = 2;
    private long given;
    /// Sample of the film at which what is kept begins; unknown before the first frame.
    private long at = Long.MIN_VALUE;
    private boolean ended;

    /// Whether a file can be heard; stills and folders of them cannot.
    ///
    /// @throws FootageException if it cannot be opened
    public static boolean sounds(Path path) throws FootageException {
        if (Files.isDirectory(path) || Footages.isStill(path)) {
            return false;
        }
        try (MediaFile f = Containers.openSound(path)) {
            return f.sound() >= 0;
        }
    }

    /// @throws FootageException if the file cannot be opened, has no sound, or its coding is unknown
    public static SoundFeed open(SoundTrack track) throws FootageException {
        Natives natives = new Natives();
        boolean ready = false;
        try {
            SoundFeed feed = new SoundFeed(track, natives);
            ready = true;
            return feed;
        } finally {
            if (!ready) {
                natives.close();
            }
        }
    }

    private SoundFeed(SoundTrack track, Natives natives) throws FootageException {
        path = track.from();
        this.track = track;
        this.natives = natives;
        file = natives.keep(Containers.openSound(path), MediaFile::close);
        packet = natives.own(av_packet_alloc(), p -> av_packet_free(p), path);
        decoded = natives.own(av_frame_alloc(), f -> av_frame_free(f), path);
        natives.after(() -> letGo(converter));
        index = file.sound();
        if (index < 0) {
            throw new FootageException(path, "there is no sound in it; choose another take or file.");
        }
        AVStream s = file.stream(index);
        decoder = Decoder.open(natives, path, s, avcodec_find_decoder(s.codecpar().codec_id()), "sound", 1);
        double wanted = track.start() + file.begins();
        if (wanted > RUN_UP_S) {
            av_seek_frame(file.context(), index, (long) ((wanted - RUN_UP_S) / av_q2d(s.time_base())), AVSEEK_FLAG_BACKWARD);
        }
    }

    /// Fills with the next samples of both sides, at the track's loudness.
    ///
    /// @throws FootageException if the sound is broken
    public void fill(float[] l, float[] r) throws FootageException {
        natives.mustBeOpen();
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
        while (!ended) {
            int code = avcodec_receive_frame(decoder, decoded);
            if (code >= 0) {
                convert();
                if (left.length > 0) {
                    return true;
                }
            } else if (code == AVERROR_EOF || !send()) {
                ended = true;
            }
        }
        return false;
    }

    /// Gives the decoder its next packet, or the end; false where it takes neither.
    private boolean send() {
        while (av_read_frame(file.context(), packet) >= 0) {
            boolean own = packet.stream_index() == index;
            int code = own ? avcodec_send_packet(decoder, packet) : 0;
            av_packet_unref(packet);
            // A damaged packet is a moment of silence.
            if (own && code >= 0) {
                return true;
            }
        }
        return avcodec_send_packet(decoder, null) >= 0;
    }

    private static void letGo(@Nullable SwrContext s) {
        if (s != null) {
            swr_free(s);
        }
    }

    private SwrContext converter() throws FootageException {
        AVChannelLayout of = decoded.ch_layout().nb_channels() == 0 ? decoder.ch_layout() : decoded.ch_layout();
        String now = of.nb_channels() + " " + decoded.sample_rate() + " " + decoded.format();
        SwrContext s = converter;
        if (s != null && now.equals(converts)) {
            return s;
        }
        letGo(s);
        converter = null;
        SwrContext made = new SwrContext(null);
        // One channel is heard as loud on both sides.
        sides = of.nb_channels() == 1 ? 1 : 2;
        AVChannelLayout wanted = new AVChannelLayout();
        av_channel_layout_default(wanted, sides);
        Av.check(swr_alloc_set_opts2(made, wanted, AV_SAMPLE_FMT_FLTP, RATE, of, decoded.format(), decoded.sample_rate(), 0, null), path,
                "its sound cannot be converted");
        converter = made;
        converts = now;
        Av.check(swr_init(made), path, "its sound cannot be converted");
        return made;
    }

    private void convert() throws FootageException {
        SwrContext s = converter();
        if (at == Long.MIN_VALUE) {
            double begins = decoded.best_effort_timestamp() == AV_NOPTS_VALUE ? file.begins()
                    : decoded.best_effort_timestamp() * av_q2d(file.stream(index).time_base());
            at = Math.round((begins - file.begins() - track.start()) * RATE);
        }
        int room = swr_get_out_samples(s, decoded.nb_samples());
        AVFrame out = Av.some(av_frame_alloc(), path);
        try {
            out.format(AV_SAMPLE_FMT_FLTP);
            av_channel_layout_default(out.ch_layout(), sides);
            out.sample_rate(RATE);
            out.nb_samples(Math.max(1, room));
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
        natives.close();
    }
}
