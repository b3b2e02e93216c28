package org.scenothesis.production.store;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.stage.KeyLight;

/// Set plans of schemas 1 and 2 as stages: all their numbers were told, the lens is taken to look through the middle.
///
/// Their key to fill was what lies between lit and shadowed on the ground; now it is that of a surface facing the key.
final class OlderStages {
    private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;

    private OlderStages() {}

    static void bring(ObjectNode shot) {
        JsonNode plan = shot.remove("plan");
        if (plan == null || shot.has("stage")) {
            return;
        }
        shot.set("stage", plan.isObject() ? stage((ObjectNode) plan) : plan);
    }

    private static ObjectNode stage(ObjectNode plan) {
        ObjectNode out = MAKE.objectNode();
        ObjectNode camera = out.putObject("camera");
        camera.set("position", told(plan.path("camera")));
        camera.set("aim", told(part(plan, List.of("panDeg", "tiltDeg", "rollDeg"))));
        camera.set("widthShareFocal", told(plan.path("widthShareFocal")));
        ObjectNode principal = camera.putObject("principal").put("origin", "assumed").put("why", "uncropped");
        principal.putObject("value").put("x", 0.5).put("y", 0.5);
        ArrayNode surfaces = out.putArray("surfaces");
        ObjectNode ground = surfaces.addObject().put("id", "ground");
        ground.set("heightM", told(plan.path("groundM")));
        ObjectNode extent = MAKE.objectNode();
        extent.set("nearM", plan.path("groundNearM"));
        extent.set("farM", plan.path("groundFarM"));
        ground.set("extent", told(extent));
        out.set("light", light(plan.path("light")));
        return out;
    }

    private static ObjectNode light(JsonNode old) {
        ObjectNode out = MAKE.objectNode();
        out.set("direction", told(part(old, List.of("azimuthDeg", "elevationDeg"))));
        out.set("sizeDeg", told(old.path("sizeDeg")));
        out.set("keyToFillStops", told(keyToFill(old)));
        return out;
    }

    private static JsonNode keyToFill(JsonNode old) {
        JsonNode stops = old.path("keyToFillStops");
        JsonNode height = old.path("elevationDeg");
        boolean known = stops.isNumber() && height.isNumber() && height.asDouble() >= 1 && height.asDouble() <= 90;
        return known ? MAKE.numberNode(KeyLight.keyToFillStops(stops.asDouble(), new KeyLight.Direction(0, height.asDouble()), Vec.UP)) : stops;
    }

    private static ObjectNode part(JsonNode of, List<String> names) {
        ObjectNode out = MAKE.objectNode();
        names.forEach(n -> out.set(n, of.path(n)));
        return out;
    }

    private static ObjectNode told(JsonNode value) {
        ObjectNode out = MAKE.objectNode().put("origin", "told");
        out.set("value", value.isMissingNode() ? MAKE.nullNode() : value);
        return out;
    }
}
