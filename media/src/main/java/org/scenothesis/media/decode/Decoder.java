package org.scenothesis.media.decode;

import static org.bytedeco.ffmpeg.global.avcodec.avcodec_alloc_context3;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_free_context;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_get_name;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_open2;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_to_context;

import java.nio.file.Path;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.media.Av;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.Natives;

/// Starts the decoder of a stream.
public final class Decoder {
    private Decoder() {}

    /// - `codec`: null where the library has none for the stream. `what`: "picture" or "sound". `threads`: 0 for as many as the library
    ///   likes.
    ///
    /// @throws FootageException if the coding is unknown, or the decoder refuses the stream; nothing is left behind then
    public static AVCodecContext open(Natives natives, Path path, AVStream stream, @Nullable AVCodec codec, String what, int threads)
            throws FootageException {
        if (codec == null || codec.isNull()) {
            throw new FootageException(path, "its " + what + " coding (" + avcodec_get_name(stream.codecpar().codec_id()).getString()
                    + ") is not supported; convert it first.");
        }
        AVCodecContext c = natives.own(avcodec_alloc_context3(codec), x -> avcodec_free_context(x), path);
        Av.check(avcodec_parameters_to_context(c, stream.codecpar()), path, "its " + what + " cannot be read");
        c.pkt_timebase(stream.time_base());
        c.thread_count(threads);
        c.max_pixels(Plane.MAX_PIXELS);
        Av.check(avcodec_open2(c, codec, (AVDictionary) null), path, "the decoder of its " + what + " did not start");
        return c;
    }
}
