package org.scenothesis.core.light;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.Evidence;

/// What is marked of the light in a picture.
///
/// - `grey`: neutral things. `lit` and `unlit`: the same surface in the light and in the shadow of the key, in pairs. `rounds`: round
///   things that show the light by how they are shaded. `lamps`: lamps and windows that are seen themselves.
@RecordBuilder
public record LightMarks(List<Shadow> shadows, List<Area> grey, List<Face> lit, List<Face> unlit, List<Round> rounds, List<Point> lamps)
        implements LightMarksBuilder.With {
    /// Nothing is marked.
    public static final LightMarks NONE = new LightMarks(List.of(), List.of(), List.of(), List.of(), List.of(), List.of());

    /// Something upright on the ground: where it stands, its top, and where the shadow of its top lies on the ground; in pixels.
    public record Shadow(Point base, Point top, Point tip) {
        public Shadow {
            Check.finite("mark", base.x() + base.y() + top.x() + top.y() + tip.x() + tip.y());
            Check.that(base.minus(top).length() >= 1, "what throws a shadow is at least a pixel high");
        }
    }

    /// A piece of a surface.
    public record Face(Area area, Evidence.Lies lies) {}

    /// A round thing by its middle and a point of its outline; of a figure, how far its side is from the middle of its body.
    public record Round(Evidence.Shape shape, Point middle, Point edge) {
        public Round {
            Check.finite("mark", middle.x() + middle.y() + edge.x() + edge.y());
            Check.that(middle.minus(edge).length() >= 2, "a round thing is at least four pixels wide");
        }
    }

    public LightMarks {
        shadows = List.copyOf(shadows);
        grey = List.copyOf(grey);
        lit = List.copyOf(lit);
        unlit = List.copyOf(unlit);
        rounds = List.copyOf(rounds);
        lamps = List.copyOf(lamps);
        Check.that(lit.size() == unlit.size(), "every lit area needs one of the same surface in shadow, and the other way round");
        lamps.forEach(p -> Check.finite("lamp", p.x() + p.y()));
    }
}
