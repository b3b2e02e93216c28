package org.scenothesis.production.match;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.light.Neutral;
import org.scenothesis.core.light.PictureLight;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.stage.suggest.LampMatch;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Entered;
import org.scenothesis.production.words.MatchWords;
import org.scenothesis.production.words.Words;

/// The light of a picture as a tree for `--json`; what is not known is null.
public final class LightTree {
    private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;

    private LightTree() {}

    public static ObjectNode of(PictureLight l) {
        ObjectNode o = MAKE.objectNode();
        o.put("has_key", l.hasKey());
        o.put("hinted", l.hinted());
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
        ArrayNode rims = o.putArray("rims");
        for (PictureLight.Rim r : l.rims()) {
            ObjectNode at = rims.addObject();
            CameraTree.put(at, "azimuth_deg", r.azimuthDeg());
            CameraTree.put(at, "elevation_deg", r.elevationDeg());
            at.set("colour", colour(r.colour()));
        }
        ArrayNode refused = o.putArray("refused");
        l.refused().forEach(r -> refused.addObject().put("what", r.what()).put("why", MatchWords.why(r)));
        o.putArray("findings").addObject().put("surer", MatchWords.surer(l));
        return o;
    }

    /// What such a tree says of a background beside its direction, as it was printed into a file.
    ///
    /// @throws StoreException if it is none
    public static LampMatch.Background read(Path file) throws StoreException {
        MarksFile said = MarksFile.read(file);
        List<PictureLight.Rim> rims = said.each(said.root(), "rims", n -> new PictureLight.Rim(MarksFile.number(n.path("azimuth_deg")),
                MarksFile.number(n.path("elevation_deg")), colour(n.path("colour"))));
        return Entered.made(() -> {
            Neutral key = colour(said.root().path("key"));
            Neutral fill = colour(said.root().path("fill"));
            return new LampMatch.Background(key == null || fill == null ? null : new LampMatch.Colours(key.kelvin(), fill.kelvin()), rims);
        }, why -> new StoreException(file, Words.of("light-tree.key-and-fill-are-colours-as")));
    }

    private static @Nullable Neutral colour(JsonNode n) {
        return MarksFile.absent(n) ? null : new Neutral(MarksFile.number(n.path("cct_K")), MarksFile.number(n.path("duv")));
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
