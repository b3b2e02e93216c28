package org.scenothesis.studio.breakdown;

import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.day.ApproachDefaults;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Text;

/// Matters on which good people disagree: every way with its reason, and what this shot's plan would be under it.
final class RulesView extends PageView {
    private record Asked(Shot shot, HouseRules rules) {}

    private Map<Approach, Map<String, ApproachDefaults.Outcome>> outcomes = Map.of();
    private @Nullable Asked counted;

    RulesView(BreakDownModel model) {
        super(model);
        box.setSpacing(12);
    }

    @Override
    void refresh() {
        count();
        box.getChildren().clear();
        for (Approach s : Approach.values()) {
            box.getChildren().add(approach(s));
        }
    }

    /// Plans the shot under every way, in the background.
    private void count() {
        Asked now = new Asked(model.shot(), model.rules());
        if (now.equals(counted)) {
            return;
        }
        counted = now;
        outcomes = Map.of();
        model.session().worker().ask("schools", ticket -> {
            Map<Approach, Map<String, ApproachDefaults.Outcome>> all = new EnumMap<>(Approach.class);
            for (Approach s : Approach.values()) {
                if (ticket.wanted()) {
                    all.put(s, ApproachDefaults.outcomes(s, now.shot, now.rules));
                }
            }
            return all;
        }, all -> {
            outcomes = all;
            refresh();
        }, e -> model.session().say(Words.of("rules-view.the-approaches-could-not-be", e.getMessage())));
    }

    private Node approach(Approach s) {
        FlowPane ways = new FlowPane(8, 8);
        ToggleGroup group = new ToggleGroup();
        for (String way : s.ways()) {
            VBox card = new VBox(2);
            ToggleButton b = new ToggleButton(Words.of("school." + s + "." + way));
            b.getStyleClass().setAll("toggle-button", "floor-button");
            b.setToggleGroup(group);
            b.setId("school-" + s.name().toLowerCase(Locale.ROOT) + "-" + way);
            b.setSelected(model.rules().follows(s, way));
            b.setOnAction(e -> {
                b.setSelected(true);
                model.approach(s, way);
            });
            card.getChildren().addAll(b, Text.block(Words.of("school." + s + "." + way + ".why"), "muted", "small"));
            ApproachDefaults.Outcome o = outcomes.getOrDefault(s, Map.of()).get(way);
            if (o != null && o.plates() > 0) {
                card.getChildren().add(Text.of(o.plates() + " plates, " + Words.number(o.setMinutes(), 0) + " min, "
                        + Words.number(o.handHours(), 1) + " h later", "number"));
            }
            card.setPrefWidth(212);
            ways.getChildren().add(card);
        }
        VBox out = new VBox(5, Text.of(Words.of("school." + s), "heading"), ways);
        ApproachDefaults.figures(s, model.shot()).forEach(f -> {
            PlanWords.Told t = PlanWords.figure(f);
            out.getChildren().add(Text.block(t.name() + ": " + t.value() + ". " + t.how(), "text-chalk", "small"));
        });
        return out;
    }
}
