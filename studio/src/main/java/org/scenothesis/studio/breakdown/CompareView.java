package org.scenothesis.studio.breakdown;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.scenothesis.core.breakdown.compare.PlanDifference;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.words.DifferenceWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Text;

/// Two plans beside one another: as the shot was when it was kept, and as it is; or as the house does it, and as the other approach would.
final class CompareView extends PageView {
    private final Map<String, Shot> kept = new HashMap<>();
    private final VBox lines = new VBox(8);
    private Approach matter = Approach.values()[0];
    private String way = "";
    private boolean approaches;

    CompareView(BreakDownModel model) {
        super(model);
        lines.setId("differences");
    }

    @Override
    void refresh() {
        Shot before = kept.get(model.shot().id());
        ToggleGroup group = new ToggleGroup();
        ToggleButton was = toggle("compare-kept", Words.of("compare-view.with-the-plan-that-was"), group, !approaches,
                () -> approaches = false);
        ToggleButton approach = toggle("compare-school", Words.of("compare-view.with-another-approach"), group, approaches,
                () -> approaches = true);
        var keep = Text.button(before == null ? Words.of("compare-view.keep-this-plan") : Words.of("compare-view.keep-this-plan-instead"),
                "floor-button", () -> {
            kept.put(model.shot().id(), model.shot());
            refresh();
        });
        keep.setId("keep-plan");
        FlowPane head = new FlowPane(8, 6, Text.of("This plan", "heading"), was, approach);
        head.setAlignment(Pos.CENTER_LEFT);
        box.getChildren().setAll(head, approaches ? matters() : keep, lines);
        if (approaches) {
            String house = model.rules().approach(matter);
            String other = way.isEmpty() || way.equals(house) ? matter.ways().stream().filter(w -> !w.equals(house)).findFirst()
                    .orElse(house) : way;
            HouseRules rules = model.rules().withApproach(matter, other);
            said(List.of(Text.block(Words.of("compare-view.planning-it-both-ways"), "muted")));
            model.compare(model.shot(), rules, d -> show(d, Words.of("school." + matter + "." + other),
                    Words.of("school." + matter + "." + house)));
        } else if (before == null) {
            said(List.of(Text.block(Words.of("compare-view.keep-the-plan-as-it"), "muted")));
        } else {
            said(List.of(Text.block(Words.of("compare-view.planning-it-both-ways"), "muted")));
            model.compare(before, model.rules(), d -> show(d, Words.of("compare-view.as-it-was-kept"),
                    Words.of("compare-view.as-it-is-now")));
        }
    }

    private ToggleButton toggle(String id, String words, ToggleGroup group, boolean on, Runnable action) {
        ToggleButton b = new ToggleButton(words);
        b.setId(id);
        b.getStyleClass().setAll("toggle-button", "floor-button");
        b.setToggleGroup(group);
        b.setSelected(on);
        b.setOnAction(e -> {
            action.run();
            refresh();
        });
        return b;
    }

    private Node matters() {
        FlowPane ways = new FlowPane(6, 6);
        ToggleGroup group = new ToggleGroup();
        for (Approach s : Approach.values()) {
            ToggleButton b = toggle("matter-" + s.name().toLowerCase(Locale.ROOT), Words.of("school." + s), group, s == matter, () -> {
                matter = s;
                way = "";
            });
            ways.getChildren().add(b);
        }
        FlowPane others = new FlowPane(6, 6, Text.of("the house: " + Words.of("school." + matter + "." + model.rules().approach(matter))
                + "; beside it:", "muted"));
        others.setAlignment(Pos.CENTER_LEFT);
        ToggleGroup of = new ToggleGroup();
        List<String> left = matter.ways().stream().filter(w -> !w.equals(model.rules().approach(matter))).toList();
        left.forEach(w -> others.getChildren().add(toggle("way-" + w, Words.of("school." + matter + "." + w), of, w.equals(way)
                || way.isEmpty() && w.equals(left.getFirst()), () -> way = w)));
        return new VBox(8, ways, others);
    }

    private void said(List<Node> nodes) {
        lines.getChildren().setAll(nodes);
    }

    private void show(PlanDifference d, String from, String to) {
        GridPane g = new GridPane();
        g.setHgap(10);
        g.setVgap(6);
        ColumnConstraints mark = new ColumnConstraints(16);
        ColumnConstraints what = new ColumnConstraints();
        what.setPercentWidth(50);
        ColumnConstraints more = new ColumnConstraints();
        more.setHgrow(Priority.ALWAYS);
        g.getColumnConstraints().addAll(mark, what, more);
        int row = 0;
        for (DifferenceWords.Line l : DifferenceWords.lines(d)) {
            g.add(Text.of(l.mark(), "number"), 0, row);
            g.add(Text.block(l.what(), "text-chalk"), 1, row);
            g.add(Text.block(l.more(), "muted"), 2, row++);
        }
        Label brief = Text.block(DifferenceWords.brief(d), "text-chalk", "strong");
        brief.setId("difference");
        HBox ways = new HBox(8, Text.block("from \u201c" + from + "\u201d to \u201c" + to + "\u201d", "muted"));
        said(List.of(ways, brief, g));
    }
}
