package org.scenothesis.core.value;

import java.util.Locale;

/// What the alternatives of the document are called in its file, in words and in identifiers: a word made from the record's name.
public final class Kind {
    private Kind() {}

    /// `own-alpha` of `OwnAlpha`, `plate` of `OfPlate`.
    public static String word(Class<?> kind) {
        return kind.getSimpleName().replaceFirst("^Of(?=[A-Z])", "").replaceAll("(?<=[a-z])(?=[A-Z])", "-").toLowerCase(Locale.ROOT);
    }
}
