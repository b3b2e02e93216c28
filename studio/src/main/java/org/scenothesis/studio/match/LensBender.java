package org.scenothesis.studio.match;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.match.MarkConversion;
import org.scenothesis.core.perspective.Marks;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.shot.step.LensMatch;
import org.scenothesis.production.measure.FootageBrief;
import org.scenothesis.production.words.Words;

/// Brings what was filmed with another lens to the clean plate's: both bends follow from marks.
final class LensBender {
    private final MarksModel model;
    private @Nullable PictureCamera clean;

    LensBender(MarksModel model) {
        this.model = model;
    }

    /// The camera of the clean plate, as its marks say; null where it is not asked.
    void clean(@Nullable PictureCamera camera) {
        clean = camera;
    }

    /// What bends the layers of the plate on the shelf to the clean plate's lens; empty where neither lens bends, one of them is not known,
    /// or it is the clean plate itself.
    Optional<LensMatch> lens() {
        PictureCamera own = model.camera().orElse(null);
        PictureCamera plate = clean;
        return own == null || plate == null ? Optional.empty() : MarkConversion.lens(own, plate);
    }

    /// Whether layers are made of the plate on the shelf.
    private boolean layered(String plate) {
        return model.session().shot().layers().stream().anyMatch(l -> l.plate().equals(plate));
    }

    /// Bends all layers of the plate on the shelf so.
    void bend() {
        String plate = model.watch().plate().map(p -> p.id()).orElse("");
        LensMatch lens = lens().orElse(null);
        if (lens == null) {
            return;
        }
        if (!layered(plate)) {
            model.session().say(Words.of("camera.bend.no-layer"));
            return;
        }
        model.session().change(Words.of("lens-bender.bend-to-the-plates-lens"),
                s -> s.withLayers(s.layers().stream().map(l -> l.plate().equals(plate) ? l.with(lens) : l).toList()));
        model.session().say(Words.of("camera.bend.done"));
    }

    /// Marks and size of the clean plate, where another is on the shelf.
    Optional<Marks> cleanMarks() {
        Plate c = model.session().shot().plateOf(PlateRole.CLEAN).orElse(null);
        Take t = c == null ? null : c.chosen();
        FootageBrief b = t == null ? null : model.session().measured().get().brief(t).filter(FootageBrief::usable).orElse(null);
        return c == null || b == null || model.watch().plate().filter(p -> p.id().equals(c.id())).isPresent() ? Optional.empty()
                : Optional.of(MarkConversion.camera(c.marks(), b.width(), b.height()));
    }
}
