package org.scenothesis.media.decode;

import static org.bytedeco.ffmpeg.global.avformat.avformat_alloc_context;
import static org.bytedeco.ffmpeg.global.avformat.avformat_close_input;
import static org.bytedeco.ffmpeg.global.avformat.avformat_find_stream_info;
import static org.bytedeco.ffmpeg.global.avformat.avformat_open_input;
import static org.bytedeco.ffmpeg.global.avutil.av_dict_free;
import static org.bytedeco.ffmpeg.global.avutil.av_dict_set;

import java.nio.file.Path;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.javacpp.PointerPointer;
import org.scenothesis.media.Av;
import org.scenothesis.media.FootageException;

/// Opens files as footage: only picture and sound containers, only from the disk. Text, playlists and network addresses are never opened.
public final class Containers {
    private static final String FORMATS = "mov,mp4,m4a,3gp,3g2,mj2,matroska,webm,avi,image2,mpegts,mpeg,mxf,wav,"
            + "png_pipe,jpeg_pipe,tiff_pipe,exr_pipe,bmp_pipe,dpx_pipe";

    private Containers() {}

    /// @throws FootageException if it is no footage
    public static AVFormatContext open(Path path) throws FootageException {
        return open(path, FORMATS);
    }

    /// Opens footage, or a file of sound alone.
    ///
    /// @throws FootageException if it is neither
    public static AVFormatContext openSound(Path path) throws FootageException {
        return open(path, FORMATS + ",flac,ogg,mp3,aac,aiff,w64");
    }

    private static AVFormatContext open(Path path, String formats) throws FootageException {
        AVFormatContext ctx = Av.some(avformat_alloc_context(), path);
        AVDictionary options = new AVDictionary(null);
        av_dict_set(options, "format_whitelist", formats, 0);
        av_dict_set(options, "protocol_whitelist", "file", 0);
        if (Footages.isStill(path)) {
            av_dict_set(options, "pattern_type", "none", 0);
        }
        int code = avformat_open_input(ctx, Av.address(path), null, options);
        av_dict_free(options);
        // A failed opening frees the context itself.
        Av.check(code, path, "this is not footage that can be read, it may be cut short or of another kind; choose a video or a still");
        code = avformat_find_stream_info(ctx, (PointerPointer<?>) null);
        if (code < 0) {
            avformat_close_input(ctx);
            throw new FootageException(path, "the file cannot be understood (" + Av.words(code) + "); copy it again from the camera.");
        }
        return ctx;
    }
}
