package org.scenothesis.production.store;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.Predicate;

/// Layers of schemas 1 and 2, one record with a kind, as a source with steps.
///
/// - What had no effect on its kind (a mask of a base, the camera shift of a keyed element) is left out, so that the picture is the same.
/// - Keyframes that fused place, turn, size and presence become keys of each value that changed.
final class OlderLayers {
    private static final List<String> GONE = List.of(
            "kind", "plate", "lightAgainst", "key", "mask", "maskSoftnessPx", "filmedFoot", "keyframes", "shadow", "gainStops", "matched");
    /// What Key put in when nobody had said it.
    private static final double MADE_UP_Z = 2;
    private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;

    private OlderLayers() {}

    static void bring(ObjectNode layer) {
        if (!layer.has("kind")) {
            return;
        }
        look(layer);
        ArrayNode steps = MAKE.arrayNode();
        String kind = layer.path("kind").asText();
        switch (kind) {
            case "PATCH" -> patch(layer, steps);
            case "LIGHT" -> {
                outline(layer, steps);
                grade(layer, steps, false);
                presence(layer, steps);
            }
            case "ELEMENT" -> element(layer, steps);
            case "BASE" -> {
                steady(layer, steps);
                grade(layer, steps, layer.path("matched").asBoolean());
            }
            default -> throw new IllegalArgumentException("the kind of the layer " + layer.path("id").asText() + ", \"" + kind + "\", is no word it knows");
        }
        ObjectNode source = MAKE.objectNode().put("source", kind.equals("LIGHT") ? "light-gained" : "plate");
        if (kind.equals("LIGHT")) {
            source.put("lit", layer.path("plate").asText()).put("unlit", layer.path("lightAgainst").asText(""));
        } else {
            source.put("plate", layer.path("plate").asText());
        }
        layer.remove(GONE);
        layer.set("source", source);
        layer.set("time", MAKE.objectNode().put("time", "straight").put("fromSeconds", 0.0).put("rate", 1.0));
        layer.set("steps", steps);
        layer.put("blend", kind.equals("LIGHT") ? "ADD" : "OVER");
    }

    /// What is not there or of another sort must not become a default in silence.
    private static void look(ObjectNode layer) {
        Map<String, Predicate<JsonNode>> parts = Map.of(
                "plate", JsonNode::isTextual, "key", JsonNode::isObject, "mask", JsonNode::isArray, "maskSoftnessPx", JsonNode::isNumber, "filmedFoot", JsonNode::isObject,
                "keyframes", JsonNode::isArray, "shadow", JsonNode::isObject, "gainStops", JsonNode::isNumber, "matched", JsonNode::isBoolean);
        parts.forEach((name, sort) -> {
            if (!sort.test(layer.path(name))) {
                throw new IllegalArgumentException("the layer " + layer.path("id").asText() + " has no " + name + " that can be used; give it a value");
            }
        });
    }

    private static void patch(ObjectNode layer, ArrayNode steps) {
        steady(layer, steps);
        outline(layer, steps);
        grade(layer, steps, layer.path("matched").asBoolean());
        presence(layer, steps);
    }

    private static void element(ObjectNode layer, ArrayNode steps) {
        outline(layer, steps);
        step(steps, "key").set("settings", layer.path("key").deepCopy());
        grade(layer, steps, layer.path("matched").asBoolean());
        JsonNode filmed = layer.path("filmedFoot");
        JsonNode frames = layer.path("keyframes");
        ObjectNode place = step(steps, "place");
        place.set("filmedFoot", origin(filmed));
        place.set("foot", frames.isEmpty() ? still(filmed.deepCopy()) : animated(frames, k -> k.path("foot")));
        place.set("turnDeg", frames.isEmpty() ? still(MAKE.numberNode(0.0)) : animated(frames, k -> k.path("turnDeg")));
        place.set("size", frames.isEmpty() ? still(MAKE.numberNode(1.0)) : animated(frames, k -> k.path("size")));
        if (layer.path("shadow").path("on").asBoolean()) {
            step(steps, "shadow").put("density", layer.path("shadow").path("density").asDouble(1)).put("softness", layer.path("shadow").path("softness").asDouble(1));
        }
        presence(layer, steps);
    }

    private static ObjectNode origin(JsonNode filmed) {
        boolean invented = filmed.path("x").asDouble() == 0 && filmed.path("y").asDouble() == 0 && filmed.path("z").asDouble() == MADE_UP_Z;
        ObjectNode out = MAKE.objectNode().put("origin", invented ? "assumed" : "told");
        out.set("value", filmed.deepCopy());
        return invented ? out.put("why", "filmed-nowhere-said") : out;
    }

    private static void steady(ObjectNode layer, ArrayNode steps) {
        if (layer.path("matched").asBoolean()) {
            step(steps, "steady");
        }
    }

    private static void outline(ObjectNode layer, ArrayNode steps) {
        if (!layer.path("mask").isEmpty()) {
            ObjectNode o = step(steps, "outline");
            o.set("corners", still(layer.path("mask").deepCopy()));
            o.put("softnessPx", layer.path("maskSoftnessPx").asDouble());
        }
    }

    private static void grade(ObjectNode layer, ArrayNode steps, boolean matched) {
        double gain = layer.path("gainStops").asDouble();
        if (matched || gain != 0) {
            step(steps, "grade").put("gainStops", gain).put("matched", matched);
        }
    }

    private static void presence(ObjectNode layer, ArrayNode steps) {
        boolean always = true;
        for (JsonNode k : layer.path("keyframes")) {
            always &= k.path("presence").asDouble(1) == 1;
        }
        if (!always) {
            step(steps, "presence").set("share", animated(layer.path("keyframes"), k -> k.path("presence")));
        }
    }

    private static ObjectNode step(ArrayNode steps, String word) {
        return steps.addObject().put("step", word);
    }

    private static ObjectNode still(JsonNode value) {
        ObjectNode out = MAKE.objectNode();
        out.set("still", value);
        out.putArray("keys");
        return out;
    }

    /// Keys of a value where it changes, else one value for all time.
    private static ObjectNode animated(JsonNode frames, Function<JsonNode, JsonNode> value) {
        JsonNode first = value.apply(frames.get(0));
        ObjectNode out = still(first.deepCopy());
        boolean changes = false;
        for (JsonNode k : frames) {
            changes |= !value.apply(k).equals(first);
        }
        if (changes) {
            ArrayNode keys = (ArrayNode) out.get("keys");
            for (JsonNode k : frames) {
                ObjectNode at = keys.addObject();
                at.set("seconds", k.path("seconds"));
                at.set("value", value.apply(k).deepCopy());
                at.set("ease", k.path("ease"));
            }
        }
        return out;
    }
}
