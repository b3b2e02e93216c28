package org.scenothesis.media.decode;

import static org.bytedeco.ffmpeg.avformat.AVFormatContext.AVFMT_FLAG_CUSTOM_IO;
import static org.bytedeco.ffmpeg.global.avformat.avformat_alloc_context;
import static org.bytedeco.ffmpeg.global.avformat.avformat_find_stream_info;
import static org.bytedeco.ffmpeg.global.avformat.avformat_open_input;
import static org.bytedeco.ffmpeg.global.avutil.av_dict_free;
import static org.bytedeco.ffmpeg.global.avutil.av_dict_set;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.javacpp.PointerPointer;
import org.jspecify.annotations.Nullable;
import org.scenothesis.media.Av;
import org.scenothesis.media.FootageException;

/// Opens files as footage: only picture and sound containers, only from the disk. Text, playlists and network addresses are never opened.
public final class Containers {
    private static final List<String> PICTURES = List.of(
            "mov", "mp4", "m4a", "3gp", "3g2", "mj2", "matroska", "webm", "avi", "image2", "mpegts", "mpeg", "mxf", "wav", "ogg", "dv",
            "gif", "apng",
            "png_pipe", "jpeg_pipe", "tiff_pipe", "exr_pipe", "bmp_pipe", "dpx_pipe", "webp_pipe", "jpegxl_pipe", "j2k_pipe", "ppm_pipe",
            "pgm_pipe");
    private static final List<String> SOUNDS = List.of("flac", "mp3", "aac", "aiff", "w64");

    private Containers() {}

    /// @throws FootageException if it is no footage
    public static MediaFile open(Path path) throws FootageException {
        return open(path, String.join(",", PICTURES));
    }

    /// Opens footage, or a file of sound alone.
    ///
    /// @throws FootageException if it is neither
    public static MediaFile openSound(Path path) throws FootageException {
        return open(path, String.join(",", PICTURES) + "," + String.join(",", SOUNDS));
    }

    private static MediaFile open(Path path, String formats) throws FootageException {
        if (!Files.isRegularFile(path)) {
            throw new FootageException(path, Files.exists(path) ? "this is no file; choose a clip, a still or a file of sound."
                    : "there is no such file; check the path.");
        }
        PlainPng plain = plain(path);
        boolean opened = false;
        try {
            AVFormatContext ctx = Av.some(avformat_alloc_context(), path);
            if (plain != null) {
                ctx.pb(plain.io());
                ctx.flags(ctx.flags() | AVFMT_FLAG_CUSTOM_IO);
            }
            AVDictionary options = new AVDictionary(null);
            av_dict_set(options, "format_whitelist", formats, 0);
            av_dict_set(options, "protocol_whitelist", "file", 0);
            if (Footages.isStill(path) && plain == null) {
                av_dict_set(options, "pattern_type", "none", 0);
            }
            int code = avformat_open_input(ctx, plain == null ? Av.address(path) : "", null, options);
            av_dict_free(options);
            // A failed opening frees the context itself.
            Av.check(code, path, "this is not footage that can be read, it may be cut short or of another kind; choose a video or a still");
            MediaFile file = new MediaFile(path, ctx, plain);
            opened = true;
            understood(file);
            return file;
        } finally {
            if (!opened && plain != null) {
                plain.close();
            }
        }
    }

    private static void understood(MediaFile file) throws FootageException {
        int code = avformat_find_stream_info(file.context(), (PointerPointer<?>) null);
        if (code < 0) {
            file.close();
            throw new FootageException(file.path(), "the file cannot be understood (" + Av.words(code)
                    + "); copy it again from the camera.");
        }
    }

    private static @Nullable PlainPng plain(Path path) throws FootageException {
        try {
            return PlainPng.of(path);
        } catch (IOException e) {
            throw new FootageException(path, "the file cannot be read; check its permissions.", e);
        }
    }
}
