package org.scenothesis.media.encode;

import static org.bytedeco.ffmpeg.global.avutil.*;

import org.jspecify.annotations.Nullable;

/// The open video formats that can be written. Of those with one file ending the first is what that ending means.
///
/// Only those with a layout for it keep a picture's alpha plane; the others leave it away.
public enum VideoFormat implements ExportFormat {
    VP9_WEBM("vp9", ".webm", "libvpx-vp9", "yuv420p", null, true, Sound.OPUS, 1.2),
    H264_MP4("h264", ".mp4", "libopenh264", "yuv420p", null, true, Sound.AAC, 1),
    PRORES_MOV("prores", ".mov", "prores_ks", "yuv422p10le", "yuva444p10le", true, Sound.PCM, 6),
    FFV1_MKV("ffv1", ".mkv", "ffv1", "gbrp16le", "gbrap16le", false, Sound.FLAC, 30),
    AV1_MKV("av1", "-av1.mkv", "libsvtav1", "yuv420p10le", null, true, Sound.FLAC, 1),
    MJPEG_AVI("mjpeg", ".avi", "mjpeg", "yuvj420p", null, true, Sound.PCM, 3);

    /// How sound that cannot be copied is coded in such a file: free codings that every reader of it knows.
    enum Sound {
        OPUS("libopus", AV_SAMPLE_FMT_FLT),
        AAC("aac", AV_SAMPLE_FMT_FLTP),
        FLAC("flac", AV_SAMPLE_FMT_S16),
        PCM("pcm_s16le", AV_SAMPLE_FMT_S16);

        final String coder;
        final int samples;

        Sound(String coder, int samples) {
            this.coder = coder;
            this.samples = samples;
        }
    }

    private final String code;
    private final String ending;
    private final String encoder;
    private final String pixels;
    private final @Nullable String withAlpha;
    private final boolean evenSize;
    private final Sound sound;
    private final double bitsPerPixel;

    VideoFormat(String code, String ending, String encoder, String pixels, @Nullable String withAlpha, boolean evenSize, Sound sound,
            double bitsPerPixel) {
        this.code = code;
        this.ending = ending;
        this.encoder = encoder;
        this.pixels = pixels;
        this.withAlpha = withAlpha;
        this.evenSize = evenSize;
        this.sound = sound;
        this.bitsPerPixel = bitsPerPixel;
    }

    @Override
    public String code() {
        return code;
    }

    @Override
    public String extension() {
        return ending.substring(ending.indexOf('.') + 1);
    }

    @Override
    public String ending() {
        return ending;
    }

    String encoder() {
        return encoder;
    }

    String pixels(boolean alpha) {
        return alpha && withAlpha != null ? withAlpha : pixels;
    }

    Sound sound() {
        return sound;
    }

    @Override
    public boolean alpha() {
        return withAlpha != null;
    }

    @Override
    public boolean evenSize() {
        return evenSize;
    }

    @Override
    public double bitsPerPixel() {
        return bitsPerPixel;
    }
}
