package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.scenothesis.core.Check;

/// How the matte is cut from the separation, and what is done to edge and spill.
///
/// - `emptyBelow`, `solidAbove`: the two cuts on the separation; between them lies the edge.
/// - `chokePx`: positive pulls the edge inwards, negative outwards; `softnessPx`: deviation of the blur of the edge.
/// - `despill`: 0 leaves the screen's colour on the subject, 1 takes away what was found, each more light that falls evenly, as
///   a neutral tells. `spill`: how.
@RecordBuilder
public record KeySettings(double emptyBelow, double solidAbove, double chokePx, double softnessPx, double despill, Spill spill)
        implements KeySettingsBuilder.With {
    /// The two cuts are at least so far apart.
    public static final double BETWEEN = 0.02;
    public static final KeySettings DEFAULT = new KeySettings(0.10, 0.72, 0, 0, 1, Spill.LIGHT);
    /// The most that despill takes of what was found.
    public static final double MOST_DESPILL = 4;

    /// How the screen's colour is taken off the subject.
    public enum Spill {
        /// As the light of the cloth that it is; a green of its own stays.
        LIGHT,
        /// The screen's channel goes no further than the other two, whatever it is of.
        LIMIT
    }

    public KeySettings {
        Check.range("emptyBelow", emptyBelow, 0, 0.9);
        Check.range("solidAbove", solidAbove, 0.05, 1.5);
        Check.that(solidAbove >= emptyBelow + BETWEEN - 1e-12, "solidAbove must lie at least 0.02 above emptyBelow");
        Check.range("chokePx", chokePx, -6, 6);
        Check.range("softnessPx", softnessPx, 0, 12);
        Check.range("despill", despill, 0, MOST_DESPILL);
    }

    /// The same with another lower cut, which stays 0.02 below the upper one.
    public KeySettings withEmptyBelow(double v) {
        return new KeySettings(Math.min(v, solidAbove - BETWEEN), solidAbove, chokePx, softnessPx, despill, spill);
    }

    /// The same with another upper cut, which stays 0.02 above the lower one.
    public KeySettings withSolidAbove(double v) {
        return new KeySettings(emptyBelow, Math.max(v, emptyBelow + BETWEEN), chokePx, softnessPx, despill, spill);
    }
}
