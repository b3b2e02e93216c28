package org.scenothesis.production.match;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.Marks;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.picture.Point;
import org.scenothesis.production.words.MatchWords;

/// The camera of a picture as a tree for `--json`; what is not known is null.
public final class CameraTree {
    private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;

    private CameraTree() {}

    /// - `asked`: points of the picture whose places on the ground are wanted. `tapes`: what is to be measured. `proposed`: whether its
    ///   lines are the program's, which are then given.
    public static ObjectNode of(PictureCamera c, List<Point> asked, List<MarksFile.Tape> tapes, boolean proposed) {
        ObjectNode o = MAKE.objectNode();
        Estimate f = c.focalPx();
        put(o, "focal_px", value(f));
        put(o, "focal_std_percent", f == null ? null : Double.valueOf(100 * f.share()));
        angle(o, "tilt", c.tiltDeg());
        angle(o, "roll", c.rollDeg());
        angle(o, "heading", c.headingDeg());
        Optional<double[]> h = c.horizonPx();
        if (h.isPresent()) {
            o.putArray("horizon_px").add(0).add(round(h.get()[0])).add(c.marks().width()).add(round(h.get()[1]));
        } else {
            o.putNull("horizon_px");
        }
        Estimate lens = c.lensHeightM();
        put(o, "lens_height_m", value(lens));
        put(o, "lens_height_std_percent", lens == null ? null : Double.valueOf(100 * lens.share()));
        o.set("principal_point_px", point(c.principalPx()));
        o.put("principal_point_found", c.principalFound());
        put(o, "distortion_k1", c.distortion());
        put(o, "residual_px", c.residualPx());
        o.put("lines_used", c.linesUsed());
        ArrayNode ground = o.putArray("ground_m");
        for (Point p : asked) {
            c.ground(p).ifPresentOrElse(g -> {
                ObjectNode at = ground.addObject();
                put(at, "right", g.rightM());
                put(at, "forward", g.forwardM());
                put(at, "std", g.stdM());
            }, ground::addNull);
        }
        ArrayNode tape = o.putArray("tape_m");
        for (MarksFile.Tape t : tapes) {
            t.read(c).ifPresentOrElse(m -> {
                ObjectNode at = tape.addObject();
                put(at, "metres", m.value());
                put(at, "std", m.std());
            }, tape::addNull);
        }
        ArrayNode refused = o.putArray("refused");
        c.refused().forEach(r -> refused.addObject().put("what", r.what()).put("why", MatchWords.why(r)));
        o.putArray("findings").addObject().put("surer", MatchWords.surer(c));
        if (proposed) {
            o.set("lines", lines(c.marks()));
        }
        return o;
    }

    private static ArrayNode lines(Marks m) {
        ArrayNode out = MAKE.arrayNode();
        for (Marks.Line l : m.lines()) {
            ObjectNode o = out.addObject().put("direction", l.direction().name());
            o.putArray("px").add(point(l.from())).add(point(l.to()));
        }
        return out;
    }

    private static void angle(ObjectNode o, String name, @Nullable Estimate e) {
        put(o, name + "_deg", value(e));
        put(o, name + "_std_deg", e == null ? null : Double.valueOf(e.std()));
    }

    private static @Nullable Double value(@Nullable Estimate e) {
        return e == null ? null : Double.valueOf(e.value());
    }

    static ArrayNode point(Point p) {
        return MAKE.arrayNode().add(round(p.x())).add(round(p.y()));
    }

    static double round(double v) {
        return Math.round(v * 1e6) / 1e6;
    }

    static void put(ObjectNode o, String name, @Nullable Double v) {
        if (v == null || !Double.isFinite(v)) {
            o.putNull(name);
        } else {
            o.put(name, round(v));
        }
    }
}
