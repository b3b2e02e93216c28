package org.scenothesis.core.breakdown.method;

import java.util.List;
import org.scenothesis.core.Check;

/// What an illusion demands of the thing it happens to.
///
/// - `thing`: whose separation is meant; illusions over the same thing share one. `ways`: those that could work, the recommended first.
/// - `because`: why the first. `apart`: whether it can be filmed from where the shot's camera stands.
public record Demand(String thing, List<Way> ways, Because because, Apart apart) {
    /// In the shot's own frame; with a camera of its own in the same light; or with camera and light of its own.
    public enum Apart {
        NO,
        CAMERA,
        LIGHT
    }

    public Demand {
        ways = List.copyOf(ways);
        Check.that(!ways.isEmpty(), "a demand needs a way");
    }
}
