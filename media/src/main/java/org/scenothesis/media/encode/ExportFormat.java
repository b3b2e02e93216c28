package org.scenothesis.media.encode;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/// A form in which a finished picture leaves: stills or one film, a constant each with all that is known of it.
///
/// The window, the command line and what is estimated before a render read their lists here.
public sealed interface ExportFormat permits VideoFormat, Stills.Format {
    /// The word for it on the command line and in the bundles.
    String code();

    /// The ending of its files, without the dot.
    String extension();

    /// What is put behind the name of a film or folder, from its first dot or hyphen on.
    String ending();

    /// Whether a picture's alpha can be kept.
    boolean alpha();

    /// Whether width and height must be even.
    boolean evenSize();

    /// The bits of a file by pixel, as measured with the demo's pictures at the best quality and rounded up; noisy pictures take more.
    double bitsPerPixel();

    /// Whether each frame is a file of its own.
    default boolean still() {
        return this instanceof Stills.Format;
    }

    /// All of them, as they are offered.
    static List<ExportFormat> all() {
        return Stream.<ExportFormat>concat(Stream.of(VideoFormat.values()), Stream.of(Stills.Format.values())).toList();
    }

    /// The one of a code.
    static Optional<ExportFormat> of(String code) {
        return all().stream().filter(f -> f.code().equals(code)).findFirst();
    }

    /// The first one whose files have an ending; empty for an ending that none has.
    static Optional<ExportFormat> ofExtension(String extension) {
        String usual = extension.equals("jpeg") ? "jpg" : extension;
        return all().stream().filter(f -> f.extension().equals(usual)).findFirst();
    }
}
