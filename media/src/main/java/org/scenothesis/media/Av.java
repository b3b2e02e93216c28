package org.scenothesis.media;

import static org.bytedeco.ffmpeg.global.avutil.AV_LOG_QUIET;
import static org.bytedeco.ffmpeg.global.avutil.av_log_set_level;
import static org.bytedeco.ffmpeg.global.avutil.av_strerror;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import org.bytedeco.javacpp.Pointer;
import org.jspecify.annotations.Nullable;

/// Small things shared by the FFmpeg callers: silent logs, error words, paths as addresses.
public final class Av {
    static {
        av_log_set_level(AV_LOG_QUIET);
    }

    private Av() {}

    public static String words(int code) {
        byte[] text = new byte[256];
        av_strerror(code, text, text.length);
        int end = 0;
        while (end < text.length && text[end] != 0) {
            end++;
        }
        return new String(text, 0, end, StandardCharsets.UTF_8);
    }

    /// The `file:` address of a path, so that colons, percent signs and hashes in names stay plain characters.
    public static String address(Path path) {
        return "file:" + path.toAbsolutePath();
    }

    /// What a native call allocated.
    ///
    /// @throws FootageException if it allocated nothing
    public static <P extends Pointer> P some(@Nullable P pointer, Path path) throws FootageException {
        if (pointer == null || pointer.isNull()) {
            throw new FootageException(path, "there is no memory left for it; close other programs, or use smaller pictures.");
        }
        return pointer;
    }

    /// @throws FootageException with `what` and the library's words if `code` is an error
    public static int check(int code, Path path, String what) throws FootageException {
        if (code < 0) {
            throw new FootageException(path, what + " (" + words(code) + ").");
        }
        return code;
    }
}
