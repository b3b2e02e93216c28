package org.scenothesis.cli;

import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;

/// Finds shots by what was typed.
final class Shots {
    private Shots() {}

    /// @throws InputException naming the shots there are
    static void require(Production p, String id) throws InputException {
        if (!p.hasShot(id)) {
            throw new InputException("there is no shot " + id + "; this production has " + String.join(", ", p.shots().stream().map(Shot::id).toList()) + ".");
        }
    }
}
