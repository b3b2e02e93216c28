package org.scenothesis.core.shot;

import java.util.Locale;

/// Identities made from words.
public final class Ids {
    private Ids() {}

    /// Words as an id or a part of a key: small letters and digits of any script, joined by hyphens; `it` where none are left.
    public static String slug(String words) {
        String s = words.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "-").replaceAll("^-+|-+$", "");
        return s.isEmpty() ? "it" : s;
    }
}
