package org.scenothesis.studio.handover;

import org.jspecify.annotations.Nullable;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.media.encode.VideoFormat;

/// What can be made, with its words and the ending of what is written.
enum OutputKind {
    VP9("WebM video (VP9)", ".webm", VideoFormat.VP9_WEBM, null),
    MP4("MP4 video (H.264)", ".mp4", VideoFormat.H264_MP4, null),
    PRORES("Editing video (ProRes in MOV)", ".mov", VideoFormat.PRORES_MOV, null),
    FFV1("Lossless video (FFV1 in MKV)", ".mkv", VideoFormat.FFV1_MKV, null),
    AV1("Small video (AV1 in MKV)", "-av1.mkv", VideoFormat.AV1_MKV, null),
    PNG16("Stills, PNG 16 bit", "-png16", null, Stills.Format.PNG16),
    PNG8("Stills, PNG 8 bit", "-png8", null, Stills.Format.PNG8),
    EXR("Stills, EXR half float, linear", "-exr", null, Stills.Format.EXR);

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
