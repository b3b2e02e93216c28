package org.scenothesis.core.stage;

import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Point;

/// What somebody showed in the picture of a stage, from which the camera follows: kept, so that what follows can be found again once something else is told.
public sealed interface Evidence {
    /// Something upright on the ground: where it stands and its top, in shares of the picture, and how high it is.
    record Upright(Point foot, Point top, double heightM) implements Evidence {
        public Upright {
            Check.range("heightM", heightM, 0.01, 100);
            Check.range("foot", Math.max(Math.abs(foot.x()), Math.abs(foot.y())), 0, 20);
            Check.range("top", Math.max(Math.abs(top.x()), Math.abs(top.y())), 0, 20);
        }
    }
}
