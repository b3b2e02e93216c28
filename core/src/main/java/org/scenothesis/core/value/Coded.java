package org.scenothesis.core.value;

import java.util.Locale;

/// A kind whose words stand in the bundles under its name.
public interface Coded {
    /// Its constant's name.
    String name();

    /// Its name in papers, files and bundles: `CLEAN_SUPPORT` is `clean.support`.
    default String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '.');
    }
}
