package org.scenothesis.production.match;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.light.Neutral;
import org.scenothesis.core.light.PictureLight;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.production.words.MatchWords;

/// The light of a picture as a tree for `--json`; what is not known is null.
public final class LightTree {
    private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;

    private LightTree() {}

    public static ObjectNode of(PictureLight l) {
        ObjectNode o = MAKE.objectNode();
        o.put("has_key", l.hasKey());
        put(o, "azimuth", "deg", l.azimuthDeg());
        put(o, "elevation", "deg", l.elevationDeg());
        put(o, "angular_size", "deg", l.sizeDeg());
        put(o, "key_to_fill", "stops", l.keyToFillStops());
        ArrayNode neutral = o.putArray("neutral");
        l.neutral().forEach(n -> neutral.add(colour(n)));
        o.set("key", colour(l.key()));
        o.set("fill", colour(l.fill()));
        ArrayNode sources = o.putArray("sources");
        for (PictureLight.Source s : l.sources()) {
            ObjectNode at = sources.addObject();
            CameraTree.put(at, "azimuth_deg", s.azimuthDeg());
            CameraTree.put(at, "elevation_deg", s.elevationDeg());
            CameraTree.put(at, "share", s.share());
        }
        ArrayNode refused = o.putArray("refused");
        l.refused().forEach(r -> refused.addObject().put("what", r.what()).put("why", MatchWords.why(r)));
        o.putArray("findings").addObject().put("surer", MatchWords.surer(l));
        return o;
    }

    private static void put(ObjectNode o, String name, String unit, @Nullable Estimate e) {
        CameraTree.put(o, name + "_" + unit, e == null ? null : Double.valueOf(e.value()));
        CameraTree.put(o, name + "_std_" + unit, e == null ? null : Double.valueOf(e.std()));
    }

    private static @Nullable ObjectNode colour(@Nullable Neutral n) {
        if (n == null) {
            return null;
        }
        ObjectNode o = MAKE.objectNode();
        CameraTree.put(o, "cct_K", n.kelvin());
        CameraTree.put(o, "duv", n.duv());
        return o;
    }
}
