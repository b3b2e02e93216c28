package org.scenothesis.media.decode;

import static org.bytedeco.ffmpeg.global.avcodec.*;
import static org.bytedeco.ffmpeg.global.avformat.*;
import static org.bytedeco.ffmpeg.global.avutil.*;

import java.nio.file.Path;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVDictionaryEntry;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.scenothesis.core.match.AnalysisFrame;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageInfo;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.MemoryAtHand;
import org.scenothesis.media.Natives;
import org.scenothesis.media.code.FrameCoding;

/// One file decoded by FFmpeg: a video, or a still as a video of one frame.
///
/// Seeking is exact: all packets are listed once without decoding, and reading goes on only from the very key frame a frame can be decoded
/// from. Where a container lands elsewhere, an earlier key frame, the byte position, and at last the start of the file are tried.
final class VideoFootage implements Footage {
    private static final int FORWARD = 24;
    private static final int SEEKS = 3;

    private final Path path;
    private final Natives natives = new Natives();
    private MediaFile file;
    private final AVCodecContext decoder;
    private final AVPacket packet;
    private final AVFrame frame;
    private final int stream;
    private final PacketList list;
    private final FrameReader reader;
    private final FootageInfo info;
    /// Frame decoded last, −1 for none; place in the order of decoding of the packet fed last; frames decoded since the start.
    private int held = -1;
    private int fed = -1;
    private int counted;
    private boolean draining;
    /// How many key frames before the nearest decoding begins: pictures that are refreshed piece by piece are whole only after a second
    /// one.
    private int lead;

    /// - `threads`: of the decoder; each holds frames of its own in memory.
    VideoFootage(FootageSource source, int threads) throws FootageException {
        path = source.path();
        boolean ready = false;
        try {
            HeadSize.bounded(path);
            file = Containers.open(path);
            natives.after(() -> file.close());
            packet = natives.own(av_packet_alloc(), p -> av_packet_free(p), path);
            frame = natives.own(av_frame_alloc(), f -> av_frame_free(f), path);
            stream = file.pictures();
            if (stream < 0) {
                throw new FootageException(path, file.sound() >= 0
                        ? "the file holds sound and no picture; choose it as the shot's sound, or another file as footage."
                        : "the file holds no picture; choose a video or a still.");
            }
            AVStream s = file.stream(stream);
            HeadSize.bounded(path, s.codecpar().width(), s.codecpar().height());
            decoder = Decoder.open(natives, path, s, decoderFor(s), "picture", threads);
            list = PacketList.of(file.context(), stream);
            if (list.frames() == 0) {
                throw new FootageException(path, "the file holds no frames; it may be cut short, copy it again from the camera.");
            }
            restart();
            if (!decodeNext()) {
                throw new FootageException(path,
                        "no frame can be decoded; the file is damaged or cut short, copy it again from the camera.");
            }
            placed();
            FrameCoding coding = FrameCoding.of(path, file.stream(stream), decoder, frame, source.reading());
            reader = natives.keep(new FrameReader(path, coding), FrameReader::close);
            info = FootageFacts.of(coding, list, file, stream);
            ready = true;
        } finally {
            if (!ready) {
                natives.close();
            }
        }
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
        MediaFile again = Containers.open(path);
        file.close();
        file = again;
        if (file.pictures() != stream) {
            throw new FootageException(path, "the file became another while it was read; look at it again.");
        }
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
                if (av_seek_frame(file.context(), stream, list.stamp(to), AVSEEK_FLAG_BACKWARD) >= 0 && forwardTo(key)) {
                    return;
                }
            }
            if (list.place(key) >= 0 && av_seek_frame(file.context(), stream, list.place(key), AVSEEK_FLAG_BYTE) >= 0 && forwardTo(key)) {
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
        while (av_read_frame(file.context(), packet) >= 0) {
            if (packet.stream_index() == stream && packet.size() > 0) {
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
            if (av_read_frame(file.context(), packet) < 0) {
                draining = true;
                avcodec_send_packet(decoder, null);
                return;
            }
            boolean ours = packet.stream_index() == stream && packet.size() > 0;
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
        natives.mustBeOpen();
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
                throw new FootageException(path, index,
                        "the frame cannot be decoded; the file is damaged there, use frames before it or copy it again.");
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
    public AnalysisFrame lockFrame(int index) throws FootageException {
        bring(index);
        return reader.lockFrame(frame, index);
    }

    @Override
    public void close() {
        natives.close();
    }
}
