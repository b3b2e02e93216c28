package org.scenothesis.media.encode;

import org.jspecify.annotations.Nullable;

/// The open video formats that can be written.
///
/// Only those with a layout for it keep a picture's alpha plane; the others leave it away.
public enum VideoFormat {
    FFV1_MKV("mkv", "ffv1", "gbrp16le", "gbrap16le", false),
    VP9_WEBM("webm", "libvpx-vp9", "yuv420p", null, true),
    AV1_MKV("mkv", "libsvtav1", "yuv420p10le", null, true),
    H264_MP4("mp4", "libopenh264", "yuv420p", null, true),
    MJPEG_AVI("avi", "mjpeg", "yuvj420p", null, true),
    PRORES_MOV("mov", "prores_ks", "yuv422p10le", "yuva444p10le", true);

    private final String extension;
    private final String encoder;
    private final String pixels;
    private final @Nullable String withAlpha;
    private final boolean evenSize;

    VideoFormat(String extension, String encoder, String pixels, @Nullable String withAlpha, boolean evenSize) {
        this.extension = extension;
        this.encoder = encoder;
        this.pixels = pixels;
        this.withAlpha = withAlpha;
        this.evenSize = evenSize;
    }

    public String extension() {
        return extension;
    }

    String encoder() {
        return encoder;
    }

    String pixels(boolean alpha) {
        return alpha && withAlpha != null ? withAlpha : pixels;
    }

    /// Whether a picture's alpha can be kept.
    public boolean alpha() {
        return withAlpha != null;
    }

    /// Whether width and height must be even.
    public boolean evenSize() {
        return evenSize;
    }

    /// The format a file name asks for by its extension, or null when it asks for none.
    public static @Nullable VideoFormat ofExtension(String extension) {
        for (VideoFormat f : values()) {
            if (f.extension.equals(extension)) {
                return f;
            }
        }
        return null;
    }
}
