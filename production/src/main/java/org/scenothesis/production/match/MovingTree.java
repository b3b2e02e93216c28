package org.scenothesis.production.match;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Locale;
import org.scenothesis.core.cameratrack.MovingCamera;
import org.scenothesis.core.cameratrack.MovingCamera.Frame;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.production.words.MatchWords;

/// The camera of a take as a tree for `--json`; what is not known is null.
///
/// - World: x right, y up, z ahead. `rotation`: rows right, down, ahead of the camera in the world, so that a place P is seen at focal_px ·
///   (rotation · (P − position)) over its third part, from where the lens looks.
public final class MovingTree {
    private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;

    private MovingTree() {}

    public static ObjectNode of(MovingCamera c) {
        ObjectNode o = MAKE.objectNode();
        o.put("camera", c.does().name().toLowerCase(Locale.ROOT));
        Estimate f = c.focalPx();
        CameraTree.put(o, "focal_px", f == null ? null : Double.valueOf(f.value()));
        CameraTree.put(o, "focal_std_percent", f == null ? null : Double.valueOf(100 * f.share()));
        CameraTree.put(o, "residual_px", c.residualPx());
        ArrayNode frames = o.putArray("frames");
        for (Frame at : c.frames()) {
            if (at == null) {
                frames.addNull();
                continue;
            }
            ObjectNode n = frames.addObject();
            n.set("position", vec(at.position()));
            ArrayNode rotation = n.putArray("rotation");
            rotation.add(vec(at.right())).add(vec(at.down())).add(vec(at.ahead()));
            // Solved with some focal length; where none is known it is no one's.
            CameraTree.put(n, "focal_px", f == null ? null : Double.valueOf(at.focalPx()));
            CameraTree.put(n, "residual_px", at.residualPx());
            CameraTree.put(n, "position_std", at.std());
            n.put("points", at.points());
        }
        ArrayNode points = o.putArray("points");
        c.places().forEach(p -> points.add(vec(p)));
        o.put("level", c.level());
        o.put("scale_known", c.scaleKnown());
        CameraTree.put(o, "scale_std_percent", c.scaleKnown() ? Double.valueOf(100 * c.scaleShare()) : null);
        CameraTree.put(o, "path_length", c.does() == MovingCamera.Does.TRAVELS ? Double.valueOf(c.length()) : null);
        ArrayNode refused = o.putArray("refused");
        c.refused().forEach(r -> refused.addObject().put("what", r.what()).put("why", MatchWords.why(r)));
        return o;
    }

    private static ArrayNode vec(Vec v) {
        return MAKE.arrayNode().add(CameraTree.round(v.x())).add(CameraTree.round(v.y())).add(CameraTree.round(v.z()));
    }
}
