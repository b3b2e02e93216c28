package org.scenothesis.production.render;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.scenothesis.core.match.FloorMap;
import org.scenothesis.core.match.MarkConversion;
import org.scenothesis.core.perspective.CameraSolver;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.stage.Evidence;
import org.scenothesis.media.FootageInfo;

/// The ways from the floor of one plate to that of another, by the cameras that their marks tell; found once as long as the marks stay.
final class Floors {
    private final Map<String, Known> known = new HashMap<>();

    /// Marks in a picture so large.
    private record Marked(List<Evidence> marks, int width, int height) {
        static Marked of(Plate p, FootageInfo of) {
            return new Marked(p.marks(), of.width(), of.height());
        }

        PictureCamera camera() {
            return CameraSolver.solve(MarkConversion.camera(marks, width, height));
        }
    }

    private record Known(Marked from, Marked to, Optional<PlanarMap> map) {}

    /// Pixels of one plate's footage to those of another's; empty where they are one, or the camera of one is not known.
    Optional<PlanarMap> between(Plate from, FootageInfo there, Plate to, FootageInfo here) {
        if (from.id().equals(to.id()) || from.marks().isEmpty() || to.marks().isEmpty()) {
            return Optional.empty();
        }
        Marked a = Marked.of(from, there);
        Marked b = Marked.of(to, here);
        Known k = known.get(from.id());
        if (k == null || !k.from.equals(a) || !k.to.equals(b)) {
            k = new Known(a, b, FloorMap.between(a.camera(), b.camera()));
            known.put(from.id(), k);
        }
        return k.map;
    }
}
