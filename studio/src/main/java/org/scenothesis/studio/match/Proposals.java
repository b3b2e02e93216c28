package org.scenothesis.studio.match;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.light.ShadowProposal;
import org.scenothesis.core.match.MarkConversion;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.stage.Evidence;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.match.CameraOfStill;
import org.scenothesis.production.measure.FootageBrief;
import org.scenothesis.production.words.Words;

/// What is looked for in a picture instead of being marked by hand: edges, which are marks at once, and a shadow, which is offered first.
final class Proposals {
    /// The end of a shadow, among its points.
    private static final int TIP = 2;

    private final MarksModel model;
    private @Nullable Offer offered;

    Proposals(MarksModel model) {
        this.model = model;
    }

    /// A shadow that was found in the picture of a plate and that nobody has looked at yet.
    private record Offer(String plate, Evidence shadow) {}

    /// Edges found in the picture instead of those that are marked.
    void edges() {
        FootageSource source = model.watch().take().map(model.session()::footage).orElse(null);
        if (source == null) {
            model.session().say(Words.of("proposals.there-is-no-picture-to"));
            return;
        }
        int frame = model.session().frame();
        String plate = model.watch().plate().orElseThrow().id();
        List<Evidence> others = model.kept().stream().filter(e -> !(e instanceof Evidence.Edge)).toList();
        model.session().say(Words.of("proposals.looking-for-edges"));
        model.session().worker()
                .ask("match-propose", ticket -> MarkConversion.edges(CameraOfStill.proposed(source, frame, CameraOfStill.bare(source))),
                found -> {
            List<Evidence> now = new ArrayList<>(others);
            now.addAll(found);
            model.session().say(found.isEmpty() ? Words.of("proposals.no-parallel-edges-were-found")
                    : Words.of("proposals.edges-are-proposed-take-away", found.size()));
            if (!found.isEmpty()) {
                model.keep("edges proposed", plate, now);
            }
        }, e -> model.session().say(String.valueOf(e.getMessage())));
    }

    /// What is offered for the plate on the shelf: shown, and part of nothing.
    Optional<Evidence> offered() {
        Offer o = offered;
        return o != null && model.watch().plate().filter(p -> p.id().equals(o.plate)).isPresent() ? Optional.of(o.shadow)
                : Optional.empty();
    }

    /// Keeps what is offered as a mark.
    void take() {
        offered().ifPresent(e -> {
            offered = null;
            model.putOnTop("shadow proposed", e, TIP);
        });
    }

    void leave() {
        offered = null;
        model.show();
    }

    /// Offers the shadow of something upright that is marked, to be looked at.
    void shadow() {
        FootageSource source = model.watch().take().map(model.session()::footage).orElse(null);
        PictureCamera c = model.camera().orElse(null);
        FootageBrief b = model.brief().orElse(null);
        if (source == null || b == null || c == null || c.toScale().isEmpty()) {
            model.session().say(Words.of("mark.find.shadow.camera"));
            return;
        }
        List<Evidence> now = model.kept();
        String plate = model.watch().plate().orElseThrow().id();
        double seconds = model.session().seconds().get();
        model.session().worker().ask("match-shadow", ticket -> ShadowProposal.find(model.session().frames().at(source, seconds), c,
                MarkConversion.standing(now, b.width(), b.height())), found -> {
            model.session().say(Words.of(found.isPresent() ? "mark.find.shadow.found" : "mark.find.shadow.none"));
            offered = found.map(f -> new Offer(plate, MarkConversion.shadow(f, b.width(), b.height()))).orElse(null);
            model.show();
        }, e -> model.session().say(String.valueOf(e.getMessage())));
    }
}
