package org.scenothesis.core.shot;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.scenothesis.core.Check;
import org.scenothesis.core.value.Animated;

/// What is heard of a shot.
///
/// - `atSeconds`: when in the shot the sound begins, later (positive) or earlier than it would; of a take or file its first moment.
/// - `levelDb`: louder or softer, in decibels. `fadeInSeconds`, `fadeOutSeconds`: how long it comes and goes at the shot's ends, straight
///   in amplitude.
@RecordBuilder
public record Sound(SoundSource of, double atSeconds, double levelDb, double fadeInSeconds, double fadeOutSeconds)
        implements SoundBuilder.With {
    public static final Sound AS_FILMED = new Sound(new SoundSource.AsFilmed(), 0, 0, 0, 0);
    /// Softer than this nothing is heard; louder than the same nothing is meant.
    public static final double MOST_DB = 60;

    public Sound {
        Check.range("atSeconds", atSeconds, -Animated.LONGEST_S, Animated.LONGEST_S);
        Check.range("levelDb", levelDb, -MOST_DB, MOST_DB);
        Check.range("fadeInSeconds", fadeInSeconds, 0, Animated.LONGEST_S);
        Check.range("fadeOutSeconds", fadeOutSeconds, 0, Animated.LONGEST_S);
    }

    /// Whether it is heard as loud as it was recorded.
    public boolean plain() {
        return levelDb == 0 && fadeInSeconds == 0 && fadeOutSeconds == 0;
    }

    /// What amplitudes are multiplied by at a moment of a shot of `length` seconds.
    public double factor(double seconds, double length) {
        double in = fadeInSeconds == 0 ? 1 : Math.clamp(seconds / fadeInSeconds, 0.0, 1.0);
        double out = fadeOutSeconds == 0 ? 1 : Math.clamp((length - seconds) / fadeOutSeconds, 0.0, 1.0);
        return Math.pow(10, levelDb / 20) * in * out;
    }
}
