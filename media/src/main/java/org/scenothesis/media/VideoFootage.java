package org.scenothesis.media;

import static org.bytedeco.ffmpeg.global.avcodec.*;
import static org.bytedeco.ffmpeg.global.avformat.*;
import static org.bytedeco.ffmpeg.global.avutil.*;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.javacpp.PointerPointer;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.match.Glance;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;

/// One file decoded by FFmpeg: a video, or a still as a video of one frame.
///
/// Seeking is exact: all packets are listed once without decoding, frames are found again by their presentation time.
final class VideoFootage implements Footage {
    // Only picture containers: text, playlists and network addresses must never be opened as footage.
    private static final String FORMATS = "mov,mp4,m4a,3gp,3g2,mj2,matroska,webm,avi,image2,mpegts,mxf,"
            + "png_pipe,jpeg_pipe,tiff_pipe,exr_pipe,bmp_pipe,dpx_pipe";
    private static final int FORWARD = 24;

    private final Path path;
    private AVFormatContext container;
    private final AVCodecContext decoder;
    private final AVPacket packet = av_packet_alloc();
    private final AVFrame frame = av_frame_alloc();
    private final int stream;
    private final long[] stamps;
    private final TreeMap<Long, Integer> byStamp = new TreeMap<>();
    private final FrameReader reader;
    private final FootageInfo info;
    private int next;
    private boolean draining;
    private int held = -1;

    VideoFootage(Path path) throws FootageException {
        this.path = path;
        container = openContainer(path);
        try {
            stream = av_find_best_stream(container, AVMEDIA_TYPE_VIDEO, -1, -1, (AVCodec) null, 0);
            if (stream < 0) {
                throw new FootageException(path, "the file holds no picture; choose a video or a still.");
            }
            decoder = openDecoder();
        } catch (FootageException e) {
            avformat_close_input(container);
            throw e;
        }
        boolean ready = false;
        try {
            PacketList list = PacketList.of(container, stream);
            if (list.size() == 0) {
                throw new FootageException(path, "the file holds no frames; it may be cut short, copy it again from the camera.");
            }
            stamps = list.stamps();
            for (int i = 0; i < stamps.length; i++) {
                byStamp.put(stamps[i], i);
            }
            rewind(0);
            if (!decodeNext()) {
                throw new FootageException(path, "no frame can be decoded; the file is damaged or cut short, copy it again from the camera.");
            }
            FrameCoding coding = FrameCoding.of(container, container.streams(stream), decoder, frame);
            reader = new FrameReader(path, coding);
            info = FootageFacts.of(path, coding, list, container, stream);
            held = 0;
            next = 1;
            ready = true;
        } finally {
            if (!ready) {
                closeNative();
            }
        }
    }

    private static AVFormatContext openContainer(Path path) throws FootageException {
        AVFormatContext ctx = avformat_alloc_context();
        AVDictionary options = new AVDictionary(null);
        av_dict_set(options, "format_whitelist", FORMATS, 0);
        av_dict_set(options, "protocol_whitelist", "file", 0);
        if (Footages.isStill(path)) {
            av_dict_set(options, "pattern_type", "none", 0);
        }
        int code = avformat_open_input(ctx, Av.address(path), null, options);
        av_dict_free(options);
        if (code < 0) {
            throw new FootageException(
                    path,
                    "this is not footage that can be read (" + Av.words(code) + "); it may be cut short or of another kind, choose a video or a still.");
        }
        code = avformat_find_stream_info(ctx, (PointerPointer<?>) null);
        if (code < 0) {
            avformat_close_input(ctx);
            throw new FootageException(path, "the file cannot be understood (" + Av.words(code) + "); copy it again from the camera.");
        }
        return ctx;
    }

    private AVCodecContext openDecoder() throws FootageException {
        AVStream s = container.streams(stream);
        AVCodec codec = avcodec_find_decoder(s.codecpar().codec_id());
        if (codec == null || codec.isNull()) {
            throw new FootageException(
                    path, "its picture coding (" + avcodec_get_name(s.codecpar().codec_id()).getString() + ") is not supported.");
        }
        long pixels = (long) s.codecpar().width() * s.codecpar().height();
        if (pixels > Plane.MAX_PIXELS) {
            throw new FootageException(path, "the picture is too large (" + pixels / 1_000_000 + " megapixels); scale it below 268.");
        }
        AVCodecContext c = avcodec_alloc_context3(codec);
        avcodec_parameters_to_context(c, s.codecpar());
        c.thread_count(Math.max(1, Runtime.getRuntime().availableProcessors()));
        c.pkt_timebase(s.time_base());
        int code = avcodec_open2(c, codec, (PointerPointer<?>) null);
        if (code < 0) {
            avcodec_free_context(c);
            throw new FootageException(path, "its decoder did not start (" + Av.words(code) + ").");
        }
        return c;
    }

    private void rewind(int target) throws FootageException {
        if (stamps.length == 1) {
            // The readers of single pictures do not seek: start anew.
            avformat_close_input(container);
            container = openContainer(path);
        } else if (av_seek_frame(container, stream, stamps[target], AVSEEK_FLAG_BACKWARD) < 0) {
            av_seek_frame(container, stream, 0, AVSEEK_FLAG_BYTE);
        }
        avcodec_flush_buffers(decoder);
        draining = false;
        held = -1;
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
            int code = av_read_frame(container, packet);
            if (code < 0) {
                draining = true;
                avcodec_send_packet(decoder, null);
                return;
            }
            boolean ours = packet.stream_index() == stream;
            if (ours) {
                avcodec_send_packet(decoder, packet);
            }
            av_packet_unref(packet);
            if (ours) {
                return;
            }
        }
    }

    private int indexOfFrame() {
        long stamp = frame.best_effort_timestamp();
        Integer exact = byStamp.get(stamp);
        if (exact != null) {
            return exact;
        }
        var near = byStamp.floorEntry(stamp);
        return near == null ? 0 : near.getValue();
    }

    private void bring(int index) throws FootageException {
        if (!(index >= 0 && index < stamps.length)) {
            throw new FootageException(path, index, "there are only frames 0 to " + (stamps.length - 1) + ".");
        }
        if (held == index) {
            return;
        }
        if (index < next || index > next + FORWARD || draining) {
            rewind(index);
        }
        if (!decodeUntil(index)) {
            // Some containers seek past the wanted frame: start over from the first.
            rewind(0);
            if (!decodeUntil(index)) {
                throw new FootageException(path, index, "the frame cannot be decoded; the file is damaged there, use frames before it or copy it again.");
            }
        }
    }

    private boolean decodeUntil(int index) {
        while (decodeNext()) {
            int at = stamps.length == 1 ? 0 : indexOfFrame();
            held = at;
            next = at + 1;
            if (at == index) {
                return true;
            }
            if (at > index) {
                return false;
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
        bring(index);
        return reader.picture(frame);
    }

    @Override
    public Glance glance(int index) throws FootageException {
        bring(index);
        return reader.glance(frame);
    }

    private void closeNative() {
        av_frame_free(frame);
        av_packet_free(packet);
        avcodec_free_context(decoder);
        avformat_close_input(container);
    }

    @Override
    public void close() {
        reader.close();
        closeNative();
    }

    /// Presentation times of all packets of one stream, sorted.
    record PacketList(long[] stamps, double timeBase) {
        int size() {
            return stamps.length;
        }

        static PacketList of(AVFormatContext container, int stream) {
            List<Long> found = new ArrayList<>();
            AVPacket p = av_packet_alloc();
            while (av_read_frame(container, p) >= 0) {
                boolean shown = p.stream_index() == stream && (p.flags() & AV_PKT_FLAG_DISCARD) == 0;
                if (shown) {
                    found.add(p.pts() != AV_NOPTS_VALUE ? p.pts() : p.dts() != AV_NOPTS_VALUE ? p.dts() : found.size());
                }
                av_packet_unref(p);
            }
            av_packet_free(p);
            long[] stamps = found.stream().mapToLong(Long::longValue).sorted().distinct().toArray();
            return new PacketList(stamps, av_q2d(container.streams(stream).time_base()));
        }
    }
}
