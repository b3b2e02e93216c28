package org.scenothesis.production.store;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Blend;
import org.scenothesis.core.shot.Setting;
import org.scenothesis.core.shot.ShootDay;
import org.scenothesis.core.shot.Sound;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.core.shot.TimeMap;
import org.scenothesis.core.shot.step.Extend;
import org.scenothesis.core.shot.step.KeySettings;
import org.scenothesis.core.shot.step.Keyable;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.stage.Floor;

/// What a document written by hand or by another program may leave unsaid, and what it means then: nothing told, as filmed, laid over.
final class JsonDefaults {
    private final JsonMapper mapper;

    private JsonDefaults(JsonMapper mapper) {
        this.mapper = mapper;
    }

    static void fill(JsonMapper mapper, ObjectNode production) {
        new JsonDefaults(mapper).production(production);
    }

    private void production(ObjectNode p) {
        absent(p, "setUps", mapper.createArrayNode());
        absent(p, "houseRules", mapper.valueToTree(HouseRules.DEFAULT));
        p.path("houseRules").path("limits").forEach(l -> absent(l, "least", mapper.valueToTree(false)));
        absent(p, "day", mapper.valueToTree(ShootDay.DEFAULT));
        absent(p, "permissions", mapper.createArrayNode());
        p.path("setUps").forEach(s -> {
            absent(s.path("stage"), "evidence", mapper.createArrayNode());
            absent(s.path("stage"), "floor", mapper.valueToTree(Floor.BARE));
            floor(s);
        });
        p.path("shots").forEach(this::shot);
    }

    private void shot(JsonNode s) {
        absent(s, "story", mapper.valueToTree(""));
        absent(s, "illusions", mapper.createArrayNode());
        absent(s, "beats", mapper.createArrayNode());
        absent(s, "setUp", mapper.nullNode());
        absent(s, "setting", mapper.valueToTree(Setting.NONE));
        absent(s, "format", mapper.nullNode());
        absent(s, "tracks", mapper.createArrayNode());
        absent(s, "sound", mapper.valueToTree(Sound.AS_FILMED));
        absent(s, "elsewhere", mapper.createObjectNode());
        s.path("elsewhere").forEach(this::floor);
        int i = 0;
        for (JsonNode plate : s.path("plates")) {
            plate(plate, i++);
        }
        s.path("layers").forEach(this::layer);
    }

    private void floor(JsonNode setUp) {
        absent(setUp.path("stage").path("floor"), "turns", mapper.createObjectNode());
    }

    private void plate(JsonNode p, int index) {
        absent(p, "spike", mapper.valueToTree(Spike.number(index)));
        absent(p, "lockGroup", mapper.valueToTree(""));
        absent(p, "lightGroup", mapper.valueToTree(""));
        absent(p, "rollSeconds", mapper.valueToTree(0));
        absent(p, "need", mapper.valueToTree(""));
        absent(p, "marks", mapper.createArrayNode());
        for (JsonNode take : p.path("takes")) {
            absent(take, "circled", mapper.valueToTree(false));
            absent(take, "note", mapper.valueToTree(""));
        }
    }

    private void layer(JsonNode l) {
        absent(l, "on", mapper.valueToTree(true));
        absent(l, "time", mapper.valueToTree(TimeMap.AS_FILMED));
        absent(l, "steps", mapper.createArrayNode());
        absent(l, "blend", mapper.valueToTree(Blend.OVER));
        l.path("steps").forEach(this::step);
    }

    private void step(JsonNode s) {
        if (FileKinds.of(Step.class, s.path("step").asText()).filter(Keyable.class::isAssignableFrom).isPresent()) {
            absent(s, "keyed", mapper.createObjectNode());
        }
        if (s.path("step").asText().equals("outline")) {
            absent(s, "counts", mapper.valueToTree(Outline.Counts.WITHIN));
            absent(s, "curved", mapper.valueToTree(false));
            absent(s, "hung", mapper.nullNode());
        } else if (s.path("step").asText().equals("key")) {
            absent(s.path("settings"), "spill", mapper.valueToTree(KeySettings.Spill.LIGHT));
        } else if (s.path("step").asText().equals("extend")) {
            absent(s, "around", mapper.valueToTree(Extend.HEADROOM.around()));
            absent(s, "seamPx", mapper.valueToTree(Extend.HEADROOM.seamPx()));
        }
    }

    private static void absent(JsonNode in, String name, JsonNode value) {
        if (in instanceof ObjectNode o && !o.has(name)) {
            o.set(name, value);
        }
    }
}
