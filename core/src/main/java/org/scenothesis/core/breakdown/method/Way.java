package org.scenothesis.core.breakdown.method;

import java.util.Arrays;
import java.util.Optional;
import org.scenothesis.core.value.Coded;

/// How a thing is separated from what is behind it.
public enum Way implements Coded {
    MASK,
    KEY,
    SUIT,
    BLACK,
    WHITE,
    ROTO;

    /// The way of this name in the file, if there is one.
    public static Optional<Way> byCode(String code) {
        return Arrays.stream(values()).filter(w -> w.code().equals(code)).findFirst();
    }

    /// Whether a cloth of a screen colour has to stand behind it.
    public boolean cloth() {
        return this == KEY;
    }
}
