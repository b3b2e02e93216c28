package org.scenothesis.production.render;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.media.encode.VideoFormat;

/// How much room on the disk a render will take, estimated before it begins.
///
/// The bits per pixel are of the demo's pictures at the best quality, rounded up; noisy ones take more. A video takes its room twice while its parts are joined.
public record Space(long needed, long free) {
    private static final double SPARE = 1.1;

    static Space of(Path target, ShotRenderer.Format format, int frames, @Nullable VideoFormat video, Stills.@Nullable Format stills) throws FootageException {
        double bits = video != null ? bits(video) : bits(stills == null ? Stills.Format.PNG16 : stills);
        double bytes = bits / 8 * format.width() * format.height() * frames * (video != null ? 2 : 1);
        try {
            Path there = target.toAbsolutePath();
            while (there.getParent() != null && !Files.exists(there)) {
                there = there.getParent();
            }
            return new Space((long) bytes, Files.getFileStore(there).getUsableSpace());
        } catch (IOException e) {
            throw new FootageException(target, "the disk cannot be asked for the space left; check the folder.", e);
        }
    }

    private static double bits(VideoFormat f) {
        return switch (f) {
            case FFV1_MKV -> 30;
            case VP9_WEBM -> 1.2;
            case AV1_MKV -> 1;
            case H264_MP4 -> 1;
            case MJPEG_AVI -> 3;
            case PRORES_MOV -> 6;
        };
    }

    private static double bits(Stills.Format f) {
        return switch (f) {
            case PNG8 -> 14;
            case PNG16 -> 36;
            case JPEG -> 3;
            case EXR -> 50;
        };
    }

    public boolean enough() {
        return free > SPARE * needed;
    }

    /// "about 1.2 GB of 30.4 GB free".
    public String words() {
        return "about " + size(needed) + " of " + size(free) + " free";
    }

    public static String size(long bytes) {
        return bytes >= 1_000_000_000 ? String.format(Locale.ENGLISH, "%.1f GB", bytes / 1e9) : String.format(Locale.ENGLISH, "%.1f MB", bytes / 1e6);
    }
}
