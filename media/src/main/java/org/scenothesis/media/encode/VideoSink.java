package org.scenothesis.media.encode;

import static org.bytedeco.ffmpeg.global.avcodec.*;
import static org.bytedeco.ffmpeg.global.avutil.*;

import java.nio.file.Path;
import java.util.Objects;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.avutil.AVRational;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.Av;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.sound.SoundTrack;

/// Encodes frames into one video file, tagged BT.709 matrix with the sRGB curve; sound is carried over unchanged if given.
///
/// The file is written beside its name and takes its name when it is whole; [#abandon] leaves an older file of that name as it is.
public final class VideoSink implements FrameSink {
    /// Frames from one key frame to the next.
    public static final int GROUP = 24;
    private static final int ALL_INTRA = 9;

    private final Path path;
    private final FileMuxer muxer;
    private final AVPacket packet = av_packet_alloc();
    private final double framesPerSecond;
    private @Nullable AVCodecContext encoder;
    private @Nullable EncoderFrame frame;
    private long written;
    private boolean closed;

    /// What is to be written.
    ///
    /// - `quality` 0 (smallest) to 10 (best) for lossy formats; ignored by lossless ones. `threads`: how many the encoder may use, 0 for
    ///   all.
    /// - `sound`: what is heard, or null. `alpha`: whether the pictures have alpha that is to be kept, where the format can.
    public record Plan(
            int width, int height, double framesPerSecond, VideoFormat format, int quality, @Nullable SoundTrack sound, int threads,
            boolean alpha) {
        public Plan(int width, int height, double framesPerSecond, VideoFormat format, int quality, @Nullable Path soundFrom) {
            this(width, height, framesPerSecond, format, quality, soundFrom == null ? null : new SoundTrack(soundFrom, 0, null), 0, false);
        }

        /// The same for a part of the film: silent, by an encoder of few threads.
        public Plan part(int encoderThreads) {
            return new Plan(width, height, framesPerSecond, format, quality, null, encoderThreads, alpha);
        }
    }

    /// @throws FootageException if the encoder or the file cannot be opened
    public VideoSink(Path path, Plan plan) throws FootageException {
        this.path = path;
        framesPerSecond = plan.framesPerSecond();
        if (plan.format().evenSize() && (plan.width() % 2 != 0 || plan.height() % 2 != 0)) {
            av_packet_free(packet);
            throw new FootageException(path, "this format needs an even width and height, not " + plan.width() + "x" + plan.height()
                    + "; choose FFV1 or stills.");
        }
        boolean ready = false;
        FileMuxer m = null;
        try {
            m = new FileMuxer(path, plan.format());
            muxer = m;
            open(plan);
            ready = true;
        } finally {
            if (!ready) {
                release();
                if (m != null) {
                    m.close();
                }
            }
        }
    }

    private void open(Plan plan) throws FootageException {
        AVCodec codec = avcodec_find_encoder_by_name(plan.format().encoder());
        if (codec == null || codec.isNull()) {
            throw new FootageException(path, "the encoder " + plan.format().encoder() + " is missing from this build.");
        }
        AVCodecContext c = Av.some(avcodec_alloc_context3(codec), path);
        encoder = c;
        configure(c, plan);
        AVDictionary options = options(plan);
        int code = avcodec_open2(c, codec, options);
        av_dict_free(options);
        Av.check(code, path, "the encoder did not start");
        muxer.begin(c, plan.sound());
        frame = new EncoderFrame(path, plan.width(), plan.height(), c.pix_fmt(), c.color_range() == AVCOL_RANGE_JPEG);
    }

    private AVCodecContext encoder() {
        return Objects.requireNonNull(encoder);
    }

    private void configure(AVCodecContext c, Plan plan) {
        c.width(plan.width());
        c.height(plan.height());
        c.pix_fmt(av_get_pix_fmt(plan.format().pixels(plan.alpha())));
        AVRational rate = av_d2q(plan.framesPerSecond(), 100_000);
        c.framerate(rate);
        c.time_base(av_inv_q(rate));
        // The H.264 encoder freezes what hardly changes, noise and small bumps with it; at high quality every frame stands for itself.
        c.gop_size(plan.format() == VideoFormat.H264_MP4 && plan.quality() >= ALL_INTRA ? 1 : GROUP);
        c.thread_count(plan.threads() > 0 ? plan.threads() : Math.max(1, Runtime.getRuntime().availableProcessors()));
        boolean rgb = (av_pix_fmt_desc_get(c.pix_fmt()).flags() & AV_PIX_FMT_FLAG_RGB) != 0;
        boolean jpeg = plan.format() == VideoFormat.MJPEG_AVI;
        c.color_primaries(AVCOL_PRI_BT709);
        c.color_trc(AVCOL_TRC_IEC61966_2_1);
        c.colorspace(rgb ? AVCOL_SPC_RGB : jpeg ? AVCOL_SPC_BT470BG : AVCOL_SPC_BT709);
        c.color_range(rgb || jpeg ? AVCOL_RANGE_JPEG : AVCOL_RANGE_MPEG);
        if (muxer.globalHeader()) {
            c.flags(c.flags() | AV_CODEC_FLAG_GLOBAL_HEADER);
        }
        if (jpeg) {
            c.flags(c.flags() | AV_CODEC_FLAG_QSCALE);
            c.global_quality(FF_QP2LAMBDA * Math.max(2, 12 - plan.quality()));
        }
        if (plan.format() == VideoFormat.H264_MP4) {
            double bitsPerPixel = plan.quality() >= ALL_INTRA ? 0.29 + 0.3 * (plan.quality() - ALL_INTRA)
                    : 0.02 * Math.pow(1.45, plan.quality());
            c.bit_rate((long) (bitsPerPixel * plan.width() * plan.height() * plan.framesPerSecond()));
        }
    }

    private static AVDictionary options(Plan plan) {
        AVDictionary o = new AVDictionary(null);
        switch (plan.format()) {
            case VP9_WEBM -> {
                av_dict_set(o, "crf", String.valueOf(50 - 4 * plan.quality()), 0);
                av_dict_set(o, "b:v", "0", 0);
                av_dict_set(o, "deadline", "realtime", 0);
                av_dict_set(o, "cpu-used", "5", 0);
                av_dict_set(o, "row-mt", "1", 0);
                // At this pace the encoder does not look ahead; the 25 frames it would keep for it are 60 MB at 1280×720 for nothing.
                av_dict_set(o, "lag-in-frames", "0", 0);
            }
            case AV1_MKV -> {
                av_dict_set(o, "crf", String.valueOf(55 - 4 * plan.quality()), 0);
                av_dict_set(o, "preset", "8", 0);
                av_dict_set(o, "svtav1-params", "fast-decode=1", 0);
            }
            case FFV1_MKV -> {
                av_dict_set(o, "level", "3", 0);
                av_dict_set(o, "slices", "4", 0);
                av_dict_set(o, "slicecrc", "1", 0);
            }
            case H264_MP4 -> {
                av_dict_set(o, "allow_skip_frames", "0", 0);
                av_dict_set(o, "profile", "high", 0);
            }
            case PRORES_MOV -> {
                if (plan.alpha()) {
                    av_dict_set(o, "profile", "4444", 0);
                    av_dict_set(o, "alpha_bits", "16", 0);
                }
            }
            case MJPEG_AVI -> {}
        }
        return o;
    }

    @Override
    public void write(Picture p) throws FootageException {
        AVFrame f = Objects.requireNonNull(frame).fill(p);
        f.pts(written++);
        Av.check(avcodec_send_frame(encoder(), f), path, "the frame could not be encoded");
        drain();
    }

    private void drain() throws FootageException {
        AVCodecContext c = encoder();
        while (avcodec_receive_packet(c, packet) >= 0) {
            av_packet_rescale_ts(packet, c.time_base(), muxer.stream().time_base());
            if (packet.duration() <= 0) {
                packet.duration(av_rescale_q(1, c.time_base(), muxer.stream().time_base()));
            }
            muxer.write(packet);
        }
    }

    @Override
    public void close() throws FootageException {
        if (closed) {
            return;
        }
        closed = true;
        try {
            avcodec_send_frame(encoder(), null);
            drain();
            muxer.finish(written / framesPerSecond);
        } finally {
            release();
            muxer.close();
        }
    }

    private void release() {
        av_packet_free(packet);
        if (encoder != null) {
            avcodec_free_context(encoder);
            encoder = null;
        }
        if (frame != null) {
            frame.close();
            frame = null;
        }
    }

    /// Gives up: what was written is removed, and a file that had the name before keeps it.
    public void abandon() {
        if (!closed) {
            closed = true;
            release();
            muxer.close();
        }
    }
}
