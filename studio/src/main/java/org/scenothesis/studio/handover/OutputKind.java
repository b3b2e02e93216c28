package org.scenothesis.studio.handover;

import org.jspecify.annotations.Nullable;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.production.words.Words;

/// What can be made, with its words and the ending of what is written.
enum OutputKind {
    VP9(Words.of("output-kind.webm-video-vp"), ".webm", VideoFormat.VP9_WEBM, null),
    MP4("MP4 video (H.264)", ".mp4", VideoFormat.H264_MP4, null),
    PRORES(Words.of("output-kind.editing-video-prores-in-mov"), ".mov", VideoFormat.PRORES_MOV, null),
    FFV1(Words.of("output-kind.lossless-video-ffv-in-mkv"), ".mkv", VideoFormat.FFV1_MKV, null),
    AV1(Words.of("output-kind.small-video-av-in-mkv"), "-av1.mkv", VideoFormat.AV1_MKV, null),
    PNG16(Words.of("output-kind.stills-png-bit"), "-png16", null, Stills.Format.PNG16),
    PNG8(Words.of("output-kind.stills-png-bit-2"), "-png8", null, Stills.Format.PNG8),
    EXR(Words.of("output-kind.stills-exr-half-float-linear"), "-exr", null, Stills.Format.EXR);

    private final String words;
    private final String ending;
    private final @Nullable VideoFormat video;
    private final Stills.@Nullable Format stills;

    OutputKind(String words, String ending, @Nullable VideoFormat video, Stills.@Nullable Format stills) {
        this.words = words;
        this.ending = ending;
        this.video = video;
        this.stills = stills;
    }

    @Nullable VideoFormat video() {
        return video;
    }

    Stills.@Nullable Format stills() {
        return stills;
    }

    /// Whether what is cut out keeps its transparency.
    boolean alpha() {
        return video == null || video.alpha();
    }

    /// The name of what is written; one still is a file by itself.
    String named(String stem, int from, int to) {
        return stills != null && from == to ? String.format("%s-frame-%06d.%s", stem, from, stills.extension()) : stem + ending;
    }

    @Override
    public String toString() {
        return words;
    }
}
