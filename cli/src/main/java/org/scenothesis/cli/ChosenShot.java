package org.scenothesis.cli;

import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.words.Words;

/// Finds shots by what was typed.
final class ChosenShot {
    private ChosenShot() {}

    /// The id that was typed, or that of the only shot.
    ///
    /// @throws InputException naming the shots there are
    static String of(Production p, @Nullable String id) throws InputException {
        if (id == null && p.shots().size() == 1) {
            return p.shots().getFirst().id();
        }
        if (id == null) {
            throw new InputException(p.shots().isEmpty() ? Words.of("chosen-shot.this-production-has-no-shot")
                    : Words.of("chosen-shot.which-shot-say-shot-with", ids(p)));
        }
        require(p, id);
        return id;
    }

    private static String ids(Production p) {
        return String.join(", ", p.shots().stream().map(Shot::id).toList());
    }

    /// @throws InputException naming the shots there are
    static void require(Production p, String id) throws InputException {
        if (!p.hasShot(id)) {
            throw new InputException(Words.of("chosen-shot.there-is-no-shot-this", id, ids(p)));
        }
    }
}
