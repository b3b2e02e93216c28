package org.scenothesis.media;

import static org.bytedeco.ffmpeg.global.avcodec.*;
import static org.bytedeco.ffmpeg.global.avformat.*;
import static org.bytedeco.ffmpeg.global.avutil.*;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVIOContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.avutil.AVRational;
import org.bytedeco.javacpp.PointerPointer;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Picture;

/// Encodes frames into one video file, tagged BT.709 matrix with the sRGB curve; sound is carried over unchanged if given.
///
/// The file is written beside its name as `.part` and takes its name when closed.
public final class VideoSink implements FrameSink {
    private static final int ALL_INTRA = 9;

    private final Path path;
    private final Path part;
    private final AVFormatContext container;
    private final AVCodecContext encoder;
    private final AVStream stream;
    private final AVPacket packet = av_packet_alloc();
    private final EncoderFrame frame;
    private final @Nullable SoundCarrier sound;
    private long written;
    private boolean closed;

    /// What is to be written.
    ///
    /// - `quality` 0 (smallest) to 10 (best) for lossy formats; ignored by lossless ones.
    /// - `soundFrom`: footage whose first sound track is copied, or null.
    public record Plan(int width, int height, double framesPerSecond, VideoFormat format, int quality, @Nullable Path soundFrom) {}

    /// @throws FootageException if the encoder or the file cannot be opened
    public VideoSink(Path path, Plan plan) throws FootageException {
        this.path = path;
        part = path.toAbsolutePath().resolveSibling(path.getFileName() + ".part");
        if (plan.format().evenSize() && (plan.width() % 2 != 0 || plan.height() % 2 != 0)) {
            throw new FootageException(path, "this format needs an even width and height, not " + plan.width() + "x" + plan.height() + "; choose FFV1 or stills.");
        }
        container = new AVFormatContext(null);
        String name = switch (plan.format().extension()) {
            case "mkv" -> "matroska";
            default -> plan.format().extension();
        };
        avformat_alloc_output_context2(container, null, name, Av.address(part));
        AVCodec codec = avcodec_find_encoder_by_name(plan.format().encoder());
        if (codec == null || codec.isNull()) {
            throw new FootageException(path, "the encoder " + plan.format().encoder() + " is missing from this build.");
        }
        encoder = avcodec_alloc_context3(codec);
        configure(plan);
        AVDictionary options = options(plan);
        check(avcodec_open2(encoder, codec, options), "the encoder did not start");
        av_dict_free(options);
        stream = avformat_new_stream(container, null);
        avcodec_parameters_from_context(stream.codecpar(), encoder);
        stream.time_base(encoder.time_base());
        stream.avg_frame_rate(encoder.framerate());
        sound = plan.soundFrom() == null ? null : SoundCarrier.open(plan.soundFrom(), container);
        AVIOContext io = new AVIOContext(null);
        check(avio_open(io, Av.address(part), AVIO_FLAG_WRITE), "the file cannot be opened for writing; check the folder and its permissions");
        container.pb(io);
        check(avformat_write_header(container, (PointerPointer<?>) null), "the container refused the streams");
        frame = new EncoderFrame(plan.width(), plan.height(), encoder.pix_fmt());
    }

    private void configure(Plan plan) {
        encoder.width(plan.width());
        encoder.height(plan.height());
        encoder.pix_fmt(av_get_pix_fmt(plan.format().pixels()));
        AVRational rate = av_d2q(plan.framesPerSecond(), 100_000);
        encoder.framerate(rate);
        encoder.time_base(av_inv_q(rate));
        // The H.264 encoder freezes what hardly changes, noise and small bumps with it; at high quality every frame stands for itself.
        encoder.gop_size(plan.format() == VideoFormat.H264_MP4 && plan.quality() >= ALL_INTRA ? 1 : 24);
        encoder.thread_count(Math.max(1, Runtime.getRuntime().availableProcessors()));
        boolean rgb = (av_pix_fmt_desc_get(encoder.pix_fmt()).flags() & AV_PIX_FMT_FLAG_RGB) != 0;
        boolean jpeg = plan.format() == VideoFormat.MJPEG_AVI;
        encoder.color_primaries(AVCOL_PRI_BT709);
        encoder.color_trc(AVCOL_TRC_IEC61966_2_1);
        encoder.colorspace(rgb ? AVCOL_SPC_RGB : jpeg ? AVCOL_SPC_BT470BG : AVCOL_SPC_BT709);
        encoder.color_range(rgb || jpeg ? AVCOL_RANGE_JPEG : AVCOL_RANGE_MPEG);
        if ((container.oformat().flags() & AVFMT_GLOBALHEADER) != 0) {
            encoder.flags(encoder.flags() | AV_CODEC_FLAG_GLOBAL_HEADER);
        }
        if (plan.format() == VideoFormat.MJPEG_AVI) {
            encoder.flags(encoder.flags() | AV_CODEC_FLAG_QSCALE);
            encoder.global_quality(FF_QP2LAMBDA * Math.max(2, 12 - plan.quality()));
        }
        if (plan.format() == VideoFormat.H264_MP4) {
            double bitsPerPixel = plan.quality() >= ALL_INTRA ? 0.29 + 0.3 * (plan.quality() - ALL_INTRA) : 0.02 * Math.pow(1.45, plan.quality());
            encoder.bit_rate((long) (bitsPerPixel * plan.width() * plan.height() * plan.framesPerSecond()));
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
            case MJPEG_AVI, PRORES_MOV -> {}
        }
        return o;
    }

    private void check(int code, String what) throws FootageException {
        if (code < 0) {
            throw new FootageException(path, what + " (" + Av.words(code) + ").");
        }
    }

    @Override
    public void write(Picture p) throws FootageException {
        AVFrame f = frame.fill(p);
        f.pts(written++);
        check(avcodec_send_frame(encoder, f), "the frame could not be encoded");
        drain();
    }

    private void drain() throws FootageException {
        while (avcodec_receive_packet(encoder, packet) >= 0) {
            av_packet_rescale_ts(packet, encoder.time_base(), stream.time_base());
            if (packet.duration() <= 0) {
                packet.duration(av_rescale_q(1, encoder.time_base(), stream.time_base()));
            }
            packet.stream_index(stream.index());
            check(av_interleaved_write_frame(container, packet), "the file cannot be written; check the space left on the disk");
        }
    }

    @Override
    public void close() throws FootageException {
        if (closed) {
            return;
        }
        closed = true;
        try {
            avcodec_send_frame(encoder, null);
            drain();
            if (sound != null) {
                sound.copyTo(container, written * av_q2d(encoder.time_base()));
            }
            check(av_write_trailer(container), "the end of the file cannot be written");
        } finally {
            avio_closep(container.pb());
            av_packet_free(packet);
            avcodec_free_context(encoder);
            avformat_free_context(container);
            frame.close();
            if (sound != null) {
                sound.close();
            }
        }
        rename();
    }

    private void rename() throws FootageException {
        try {
            Files.move(part, path, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            throw new FootageException(path, "the finished file cannot take its name; close whatever holds it open.", e);
        }
    }

    /// Gives up: nothing is left under the final name.
    public void abandon() {
        try {
            close();
            Files.deleteIfExists(path);
        } catch (FootageException | IOException e) {
            // The part file is already useless; there is nothing more to save.
            part.toFile().delete();
        }
    }
}
