package org.scenothesis.studio.breakdown;

import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.method.Method;
import org.scenothesis.core.breakdown.method.Treatment;
import org.scenothesis.core.finding.Estimates;
import org.scenothesis.core.shot.Ids;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.PaperSlip;
import org.scenothesis.studio.parts.Tape;
import org.scenothesis.studio.parts.Text;

/// For every thing that has to be separated, the ways side by side: minutes on set, hours by hand, on what assumption, at what risk. A
/// click chooses.
final class WaysView extends PageView {
    WaysView(BreakDownModel model) {
        super(model);
    }

    @Override
    void refresh() {
        BreakdownPlan plan = model.plan();
        box.getChildren().clear();
        if (plan.treatments().isEmpty()) {
            box.getChildren().add(Text.block(Words.of("ways-view.nothing-has-to-be-separated"), "muted"));
        }
        for (Treatment t : plan.treatments()) {
            box.getChildren().add(Text.of(PlanWords.capital(t.thing()), "heading"));
            box.getChildren().add(Text.block(Words.of("because." + t.because().code())
                    + (t.overridden() ? Words.of("ways-view.the-crew-chose-another-way") : ""), "muted"));
            FlowPane cards = new FlowPane(8, 8);
            t.methods().forEach(m -> cards.getChildren().add(card(t, m)));
            box.getChildren().add(cards);
        }
        box.getChildren().add(estimates());
    }

    private Node card(Treatment t, Method m) {
        PaperSlip card = new PaperSlip(
                "method", () -> model.choose(t, m.way()),
                Text.block(PlanWords.method(m) + (m.recommended() ? ", recommended" : ""), "strong"),
                Text.of(Words.of("ways-view.min-on-set", Words.number(m.setMinutes(), 0)), "number"),
                Text.of(Words.of("ways-view.by-hand-later", Words.number(m.handHours(), 1)), "number"),
                Text.block(PlanWords.assumed(m) + ". " + PlanWords.risks(m), "muted", "small"));
        card.getStyleClass().add(m.chosen() ? "method-recommended" : "method-other");
        card.setPrefWidth(212);
        card.setId("way-" + Ids.slug(t.thing()) + "-" + m.way().code());
        card.setAccessibleText(t.thing() + ": " + PlanWords.method(m) + (m.chosen() ? ", chosen" : ""));
        return card;
    }

    private Node estimates() {
        Estimates e = model.rules().estimates();
        Estimates.Hand h = e.hand();
        VBox b = new VBox(4, Text.of(Words.of("ways-view.assumptions-about-hand-work"), "heading"));
        b.setPadding(new Insets(8, 0, 0, 0));
        b.setMaxWidth(420);
        b.getChildren().addAll(
                hand(Words.of("ways-view.hand-frame-every"), "frames", h.spacing(), 1, v -> new Estimates.Hand((int) v, h.minutes(),
                h.fineSpacing(), h.fineMinutes())),
                hand(Words.of("ways-view.minutes-for-each"), "min", h.minutes(), 0.5,
                v -> new Estimates.Hand(h.spacing(), v, h.fineSpacing(), h.fineMinutes())),
                hand(Words.of("ways-view.with-hair-glass-or-smoke"), "frames", h.fineSpacing(), 1,
                v -> new Estimates.Hand(h.spacing(), h.minutes(), (int) v, h.fineMinutes())),
                hand(Words.of("ways-view.minutes-for-each-of-those"), "min", h.fineMinutes(), 0.5,
                v -> new Estimates.Hand(h.spacing(), h.minutes(), h.fineSpacing(), v)));
        return b;
    }

    private interface Changed {
        Estimates.Hand to(double v);
    }

    private Tape hand(String name, String unit, double now, double step, Changed changed) {
        return StoryPanel.tape(name, unit, 0.5, 240, step, now, v -> model.estimates(model.rules().estimates()
                .withHand(changed.to(Math.max(step, v)))));
    }
}
