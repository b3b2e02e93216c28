package org.scenothesis.media.sound;

import java.nio.file.Path;
import org.jspecify.annotations.Nullable;

/// The sound of a film: that of a file, from one of its seconds on.
///
/// - `start`: second of the file, counted from where its picture begins, at the film's first; negative for silence before it.
/// - `loudness`: what it is multiplied by; null for as it is, which is copied where the film's file can hold its coding.
public record SoundTrack(Path from, double start, @Nullable Loudness loudness) {
    /// A factor at a moment of the film, in seconds.
    @FunctionalInterface
    public interface Loudness {
        double at(double seconds);
    }

    /// The same from a later moment of the film on.
    public SoundTrack later(double seconds) {
        Loudness l = loudness;
        return new SoundTrack(from, start + seconds, l == null ? null : s -> l.at(s + seconds));
    }
}
