package org.scenothesis.media.encode;

import static org.bytedeco.ffmpeg.global.avcodec.*;
import static org.bytedeco.ffmpeg.global.avformat.*;
import static org.bytedeco.ffmpeg.global.avutil.*;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.scenothesis.media.Av;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.sound.SoundFeed;
import org.scenothesis.media.sound.SoundTrack;

/// Codes a sound track anew: changed in loudness, or of a coding that the file cannot hold.
final class SoundCoder implements SoundWriter {
    private static final int FRAME = 1024;

    private final Path target;
    private final SoundFeed feed;
    private final AVCodecContext coder;
    private final AVStream to;
    private final AVFrame frame = av_frame_alloc();
    private final AVPacket packet = av_packet_alloc();
    private final int length;
    private long given;

    private SoundCoder(Path target, SoundFeed feed, AVCodecContext coder, AVStream to) throws FootageException {
        this.target = target;
        this.feed = feed;
        this.coder = coder;
        this.to = to;
        length = coder.frame_size() > 0 ? coder.frame_size() : FRAME;
    }

    /// @throws FootageException if the sound cannot be read, or the coder does not start
    static SoundCoder open(SoundTrack track, VideoFormat.Sound coding, AVFormatContext container, Path target) throws FootageException {
        SoundFeed feed = SoundFeed.open(track);
        AVCodecContext c = null;
        boolean ready = false;
        try {
            AVCodec codec = avcodec_find_encoder_by_name(coding.coder);
            if (codec == null || codec.isNull()) {
                throw new FootageException(target, "the sound coder " + coding.coder + " is missing from this build.");
            }
            c = Av.some(avcodec_alloc_context3(codec), target);
            c.sample_fmt(coding.samples);
            c.sample_rate(SoundFeed.RATE);
            av_channel_layout_default(c.ch_layout(), 2);
            c.bit_rate(192_000);
            c.time_base(av_make_q(1, SoundFeed.RATE));
            if ((container.oformat().flags() & AVFMT_GLOBALHEADER) != 0) {
                c.flags(c.flags() | AV_CODEC_FLAG_GLOBAL_HEADER);
            }
            Av.check(avcodec_open2(c, codec, (AVDictionary) null), target, "the sound coder did not start");
            AVStream to = Av.some(avformat_new_stream(container, null), target);
            Av.check(avcodec_parameters_from_context(to.codecpar(), c), target, "the container refused the sound");
            to.time_base(c.time_base());
            SoundCoder made = new SoundCoder(target, feed, c, to);
            ready = true;
            return made;
        } finally {
            if (!ready) {
                feed.close();
                if (c != null) {
                    avcodec_free_context(c);
                }
            }
        }
    }

    @Override
    public void copyTo(AVFormatContext into, double seconds) throws FootageException {
        long all = Math.round(seconds * SoundFeed.RATE);
        while (given < all) {
            int n = (int) Math.min(length, all - given);
            float[] l = new float[n];
            float[] r = new float[n];
            feed.fill(l, r);
            send(l, r, n);
            given += n;
            drain(into);
        }
        avcodec_send_frame(coder, null);
        drain(into);
    }

    private void send(float[] l, float[] r, int n) throws FootageException {
        av_frame_unref(frame);
        frame.format(coder.sample_fmt());
        frame.sample_rate(SoundFeed.RATE);
        frame.nb_samples(n);
        av_channel_layout_default(frame.ch_layout(), 2);
        Av.check(av_frame_get_buffer(frame, 0), target, "there is no memory left for its sound");
        if (coder.sample_fmt() == AV_SAMPLE_FMT_FLTP) {
            bytes(0, 4 * n).asFloatBuffer().put(l);
            bytes(1, 4 * n).asFloatBuffer().put(r);
        } else {
            boolean whole = coder.sample_fmt() == AV_SAMPLE_FMT_S16;
            ByteBuffer b = bytes(0, (whole ? 4 : 8) * n);
            for (int i = 0; i < n; i++) {
                put(b, l[i], whole);
                put(b, r[i], whole);
            }
        }
        frame.pts(given);
        Av.check(avcodec_send_frame(coder, frame), target, "the sound could not be coded");
    }

    private ByteBuffer bytes(int plane, int size) {
        return frame.data(plane).limit(size).asByteBuffer().order(ByteOrder.nativeOrder());
    }

    private static void put(ByteBuffer b, float v, boolean whole) {
        if (whole) {
            b.putShort((short) Math.round(Math.clamp(v, -1f, 1f) * Short.MAX_VALUE));
        } else {
            b.putFloat(v);
        }
    }

    private void drain(AVFormatContext into) throws FootageException {
        while (avcodec_receive_packet(coder, packet) >= 0) {
            av_packet_rescale_ts(packet, coder.time_base(), to.time_base());
            packet.stream_index(to.index());
            Av.check(av_interleaved_write_frame(into, packet), target, "the sound cannot be written; check the space left on the disk");
        }
    }

    @Override
    public void close() {
        feed.close();
        avcodec_free_context(coder);
        av_frame_free(frame);
        av_packet_free(packet);
    }
}
