package org.scenothesis.media.encode;

import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_copy;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_from_context;
import static org.bytedeco.ffmpeg.global.avformat.*;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Objects;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVIOContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVRational;
import org.bytedeco.javacpp.PointerPointer;
import org.jspecify.annotations.Nullable;
import org.scenothesis.media.Av;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FreshFile;
import org.scenothesis.media.sound.SoundTrack;

/// Writes packets of one picture stream, and perhaps sound, into a file that appears only when it is whole.
final class FileMuxer implements AutoCloseable {
    private final Path path;
    private final VideoFormat format;
    private final FreshFile fresh;
    private final AVFormatContext container = new AVFormatContext(null);
    private @Nullable AVStream stream;
    private @Nullable SoundWriter carrier;
    private boolean open = true;

    /// @throws FootageException if the file cannot be made
    FileMuxer(Path path, VideoFormat format) throws FootageException {
        this.path = path;
        this.format = format;
        try {
            fresh = FreshFile.beside(path);
        } catch (IOException e) {
            throw new FootageException(path,
                    "the file cannot be opened for writing; check the folder, its permissions and the space left.", e);
        }
        boolean ready = false;
        try {
            String name = format.extension().equals("mkv") ? "matroska" : format.extension();
            Av.check(avformat_alloc_output_context2(container, null, name, Av.address(fresh.part())), path,
                    "this kind of file cannot be written");
            // No number by chance: the same film is the same file, whether it was stopped on its way or not.
            container.flags(container.flags() | AVFormatContext.AVFMT_FLAG_BITEXACT);
            ready = true;
        } finally {
            if (!ready) {
                fresh.close();
            }
        }
    }

    AVFormatContext container() {
        return container;
    }

    boolean globalHeader() {
        return (container.oformat().flags() & AVFMT_GLOBALHEADER) != 0;
    }

    /// Begins the file with the stream of an encoder.
    void begin(AVCodecContext encoder, @Nullable SoundTrack sound) throws FootageException {
        AVStream s = Av.some(avformat_new_stream(container, null), path);
        Av.check(avcodec_parameters_from_context(s.codecpar(), encoder), path, "the container refused the stream");
        s.time_base(encoder.time_base());
        s.avg_frame_rate(encoder.framerate());
        begin(s, sound);
    }

    /// Begins the file with a stream as another file has it.
    void begin(AVCodecParameters like, AVRational frameLength, AVRational rate, @Nullable SoundTrack sound) throws FootageException {
        AVStream s = Av.some(avformat_new_stream(container, null), path);
        Av.check(avcodec_parameters_copy(s.codecpar(), like), path, "the container refused the stream");
        s.time_base(frameLength);
        s.avg_frame_rate(rate);
        begin(s, sound);
    }

    private void begin(AVStream s, @Nullable SoundTrack sound) throws FootageException {
        stream = s;
        if (sound != null) {
            SoundWriter copied = sound.loudness() == null ? SoundCarrier.open(sound, container, path) : null;
            carrier = copied == null ? SoundCoder.open(sound, format.sound(), container, path) : copied;
        }
        AVIOContext io = new AVIOContext(null);
        Av.check(avio_open(io, Av.address(fresh.part()), AVIO_FLAG_WRITE), path,
                "the file cannot be opened for writing; check the folder and its permissions");
        container.pb(io);
        Av.check(avformat_write_header(container, (PointerPointer<?>) null), path, "the container refused the streams");
    }

    AVStream stream() {
        return Objects.requireNonNull(stream, "not begun");
    }

    void write(AVPacket p) throws FootageException {
        p.stream_index(stream().index());
        Av.check(av_interleaved_write_frame(container, p), path, "the file cannot be written; check the space left on the disk");
    }

    /// Completes the file, `seconds` long, and gives it its name.
    void finish(double seconds) throws FootageException {
        if (carrier != null) {
            carrier.copyTo(container, seconds);
        }
        Av.check(av_write_trailer(container), path, "the end of the file cannot be written; check the space left on the disk");
        Av.check(closed(), path, "the end of the file cannot be written; check the space left on the disk");
        try {
            fresh.place();
        } catch (IOException e) {
            throw new FootageException(path,
                    "the finished file cannot take its name; check the space left, and close whatever holds it open.", e);
        }
    }

    /// Closes the file below, once: also a failed closing frees it.
    private int closed() {
        AVIOContext io = container.pb();
        container.pb(null);
        return io == null || io.isNull() ? 0 : avio_closep(io);
    }

    @Override
    public void close() {
        if (!open) {
            return;
        }
        open = false;
        closed();
        avformat_free_context(container);
        if (carrier != null) {
            carrier.close();
        }
        fresh.close();
    }
}
