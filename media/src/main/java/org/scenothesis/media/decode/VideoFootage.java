package org.scenothesis.media.decode;

import static org.bytedeco.ffmpeg.global.avcodec.*;
import static org.bytedeco.ffmpeg.global.avformat.*;
import static org.bytedeco.ffmpeg.global.avutil.*;

import java.nio.file.Path;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVDictionaryEntry;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.javacpp.PointerPointer;
import org.scenothesis.core.match.LockFrame;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.media.Av;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageInfo;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.MemoryAtHand;
import org.scenothesis.media.code.FrameCoding;

/// One file decoded by FFmpeg: a video, or a still as a video of one frame.
///
/// Seeking is exact: all packets are listed once without decoding, and reading goes on only from the very key frame a frame can be decoded from. Where a container
/// lands elsewhere, an earlier key frame, the byte position, and at last the start of the file are tried.
final class VideoFootage implements Footage {
    private static final int FORWARD = 24;
    private static final int SEEKS = 3;

    private final Path path;
    private AVFormatContext container;
    private final AVCodecContext decoder;
    private final AVPacket packet = av_packet_alloc();
    private final AVFrame frame = av_frame_alloc();
    private final int stream;
    private final PacketList list;
    private final FrameReader reader;
    private final FootageInfo info;
    /// Frame decoded last, −1 for none; place in the order of decoding of the packet fed last; frames decoded since the start.
    private int held = -1;
    private int fed = -1;
    private int counted;
    private boolean draining;
    /// How many key frames before the nearest decoding begins: pictures that are refreshed piece by piece are whole only after a second one.
    private int lead;

    VideoFootage(FootageSource source) throws FootageException {
        path = source.path();
        AVFormatContext opened = Containers.open(path);
        AVCodecContext started = null;
        try {
            stream = av_find_best_stream(opened, AVMEDIA_TYPE_VIDEO, -1, -1, (AVCodec) null, 0);
            if (stream < 0) {
                throw new FootageException(path, "the file holds no picture; choose a video or a still.");
            }
            started = openDecoder(opened.streams(stream));
            list = PacketList.of(opened, stream);
            if (list.frames() == 0) {
                throw new FootageException(path, "the file holds no frames; it may be cut short, copy it again from the camera.");
            }
        } catch (FootageException e) {
            avcodec_free_context(started);
            avformat_close_input(opened);
            closeFrames();
            throw e;
        }
        container = opened;
        decoder = started;
        boolean ready = false;
        try {
            restart();
            if (!decodeNext()) {
                throw new FootageException(path, "no frame can be decoded; the file is damaged or cut short, copy it again from the camera.");
            }
            placed();
            FrameCoding coding = FrameCoding.of(container.streams(stream), decoder, frame, source.reading());
            reader = new FrameReader(path, coding);
            info = FootageFacts.of(path, coding, list, container, stream);
            ready = true;
        } finally {
            if (!ready) {
                closeNative();
            }
        }
    }

    private AVCodecContext openDecoder(AVStream s) throws FootageException {
        long pixels = (long) s.codecpar().width() * s.codecpar().height();
        if (pixels > Plane.MAX_PIXELS) {
            throw new FootageException(path, "the picture is too large (" + pixels / 1_000_000 + " megapixels); scale it below 268.");
        }
        AVCodec codec = decoderFor(s);
        if (codec == null || codec.isNull()) {
            throw new FootageException(
                    path, "its picture coding (" + avcodec_get_name(s.codecpar().codec_id()).getString() + ") is not supported.");
        }
        AVCodecContext c = Av.some(avcodec_alloc_context3(codec), path);
        int code = avcodec_parameters_to_context(c, s.codecpar());
        c.thread_count(Math.max(1, Runtime.getRuntime().availableProcessors()));
        c.pkt_timebase(s.time_base());
        code = code < 0 ? code : avcodec_open2(c, codec, (PointerPointer<?>) null);
        if (code < 0) {
            avcodec_free_context(c);
            throw new FootageException(path, "its decoder did not start (" + Av.words(code) + ").");
        }
        return c;
    }

    /// Transparency of VP8 and VP9 lies beside the picture, where only one decoder looks.
    private static AVCodec decoderFor(AVStream s) {
        int id = s.codecpar().codec_id();
        AVDictionaryEntry alpha = av_dict_get(s.metadata(), "alpha_mode", null, 0);
        if ((id == AV_CODEC_ID_VP9 || id == AV_CODEC_ID_VP8) && alpha != null && !alpha.isNull() && "1".equals(alpha.value().getString())) {
            AVCodec own = avcodec_find_decoder_by_name(id == AV_CODEC_ID_VP9 ? "libvpx-vp9" : "libvpx");
            if (own != null && !own.isNull()) {
                return own;
            }
        }
        return avcodec_find_decoder(id);
    }

    /// Opens the file anew: the readers of single pictures do not seek, and no seek finds a start as surely.
    private void restart() throws FootageException {
        AVFormatContext again = Containers.open(path);
        avformat_close_input(container);
        container = again;
        flush();
    }

    private void flush() {
        avcodec_flush_buffers(decoder);
        draining = false;
        held = -1;
        fed = -1;
        counted = 0;
    }

    /// Makes ready to decode a frame: the next packet fed is a key frame it can be decoded from.
    private void seek(int frame) throws FootageException {
        if (list.timed() && list.frames() > 1) {
            int key = list.keyFor(frame);
            for (int i = 0; i < lead && list.keyBefore(key) >= 0; i++) {
                key = list.keyBefore(key);
            }
            int to = key;
            for (int tries = 0; tries < SEEKS && to >= 0; tries++, to = list.keyBefore(to)) {
                if (av_seek_frame(container, stream, list.stamp(to), AVSEEK_FLAG_BACKWARD) >= 0 && forwardTo(key)) {
                    return;
                }
            }
            if (list.place(key) >= 0 && av_seek_frame(container, stream, list.place(key), AVSEEK_FLAG_BYTE) >= 0 && forwardTo(key)) {
                return;
            }
            restart();
            if (forwardTo(key)) {
                return;
            }
        }
        restart();
    }

    /// Reads on to a packet and feeds it; false when the container lands behind it.
    private boolean forwardTo(int key) {
        flush();
        while (av_read_frame(container, packet) >= 0) {
            if (packet.stream_index() == stream) {
                int at = list.decodedAt(packet.pts());
                if (at >= key) {
                    if (at == key) {
                        fed = at;
                        avcodec_send_packet(decoder, packet);
                    }
                    av_packet_unref(packet);
                    return at == key;
                }
            }
            av_packet_unref(packet);
        }
        return false;
    }

    private boolean decodeNext() {
        while (true) {
            int code = avcodec_receive_frame(decoder, frame);
            if (code >= 0) {
                return true;
            }
            if (draining) {
                return false;
            }
            feed();
        }
    }

    private void feed() {
        while (true) {
            if (av_read_frame(container, packet) < 0) {
                draining = true;
                avcodec_send_packet(decoder, null);
                return;
            }
            boolean ours = packet.stream_index() == stream;
            if (ours) {
                fed = list.timed() ? list.decodedAt(packet.pts()) : fed + 1;
                avcodec_send_packet(decoder, packet);
            }
            av_packet_unref(packet);
            if (ours) {
                return;
            }
        }
    }

    /// Says which frame was decoded last.
    private void placed() {
        held = list.frames() == 1 ? 0 : list.timed() ? list.frameAt(frame.best_effort_timestamp()) : counted;
        counted++;
    }

    private void bring(int index) throws FootageException {
        if (!(index >= 0 && index < list.frames())) {
            throw new FootageException(path, index, "there are only frames 0 to " + (list.frames() - 1) + ".");
        }
        if (held == index) {
            return;
        }
        boolean ahead = held >= 0 && index > held && (!list.timed() || index - held <= FORWARD || list.keyFor(index) <= fed);
        if (!ahead) {
            seek(index);
            if (fed > 0 && lead == 0 && decodeNext()) {
                placed();
                if (frame.pict_type() != AV_PICTURE_TYPE_I) {
                    lead = 2;
                    seek(index);
                }
            }
        }
        if (held != index && !decodeUntil(index)) {
            restart();
            if (!decodeUntil(index)) {
                throw new FootageException(path, index, "the frame cannot be decoded; the file is damaged there, use frames before it or copy it again.");
            }
        }
    }

    private boolean decodeUntil(int index) {
        while (decodeNext()) {
            placed();
            if (held >= index) {
                return held == index;
            }
        }
        held = -1;
        return false;
    }

    @Override
    public FootageInfo info() {
        return info;
    }

    @Override
    public Picture frame(int index) throws FootageException {
        MemoryAtHand.require(path, (long) info.width() * info.height(), MemoryAtHand.WHOLE);
        bring(index);
        return reader.picture(frame, index);
    }

    @Override
    public Picture reduced(int index, int times) throws FootageException {
        if (times <= 1) {
            return frame(index);
        }
        bring(index);
        return reader.reduced(frame, index, times);
    }

    @Override
    public LockFrame lockFrame(int index) throws FootageException {
        bring(index);
        return reader.lockFrame(frame, index);
    }

    private void closeFrames() {
        av_frame_free(frame);
        av_packet_free(packet);
    }

    private void closeNative() {
        closeFrames();
        avcodec_free_context(decoder);
        avformat_close_input(container);
    }

    @Override
    public void close() {
        reader.close();
        closeNative();
    }
}
