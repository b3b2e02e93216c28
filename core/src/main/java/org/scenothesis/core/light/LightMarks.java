package org.scenothesis.core.light;

import java.util.List;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Point;

/// What is marked of the light in a picture.
///
/// - `grey`: neutral things. `lit` and `unlit`: the same surface in the light and in the shadow of the key, in pairs.
public record LightMarks(List<Shadow> shadows, List<Area> grey, List<Face> lit, List<Face> unlit) {
    /// Something upright on the ground: where it stands, its top, and where the shadow of its top lies on the ground; in pixels.
    public record Shadow(Point base, Point top, Point tip) {
        public Shadow {
            Check.finite("mark", base.x() + base.y() + top.x() + top.y() + tip.x() + tip.y());
            Check.that(base.minus(top).length() >= 1, "what throws a shadow is at least a pixel high");
        }
    }

    /// How a surface lies to the key: level, upright towards the camera, or square to the key.
    public enum Lies {
        GROUND,
        UPRIGHT,
        FACING
    }

    /// A piece of a surface.
    public record Face(Area area, Lies lies) {}

    public LightMarks {
        shadows = List.copyOf(shadows);
        grey = List.copyOf(grey);
        lit = List.copyOf(lit);
        unlit = List.copyOf(unlit);
        Check.that(lit.size() == unlit.size(), "every lit area needs one of the same surface in shadow, and the other way round");
    }
}
