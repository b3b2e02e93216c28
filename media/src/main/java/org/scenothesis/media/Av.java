package org.scenothesis.media;

import static org.bytedeco.ffmpeg.global.avutil.AV_LOG_FATAL;
import static org.bytedeco.ffmpeg.global.avutil.av_log_set_level;
import static org.bytedeco.ffmpeg.global.avutil.av_strerror;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;

/// Small things shared by the FFmpeg callers: quiet logs, error words, paths as addresses.
final class Av {
    static {
        av_log_set_level(AV_LOG_FATAL);
    }

    private Av() {}

    static String words(int code) {
        byte[] text = new byte[256];
        av_strerror(code, text, text.length);
        int end = 0;
        while (end < text.length && text[end] != 0) {
            end++;
        }
        return new String(text, 0, end, StandardCharsets.UTF_8);
    }

    /// The `file:` address of a path, so that colons, percent signs and hashes in names stay plain characters.
    static String address(Path path) {
        return "file:" + path.toAbsolutePath();
    }
}
