package org.scenothesis.studio.breakdown;

import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Rectangle;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.kit.OwnedKit;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.shot.Permission;
import org.scenothesis.production.words.KitWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Focus;
import org.scenothesis.studio.parts.Text;

/// Cautions, which can be read but not switched off; what to bring; whose leave to get.
final class SafetyView extends PageView {
    private final OwnedPanel owned;

    SafetyView(BreakDownModel model) {
        super(model);
        owned = new OwnedPanel(model, () -> Focus.keeping(box, this::refresh));
    }

    @Override
    void refresh() {
        BreakdownPlan plan = model.plan();
        box.getChildren().setAll(Text.of("Cautions", "heading"));
        if (plan.cautions().isEmpty()) {
            box.getChildren().add(Text.block(Words.of("safety-view.nothing-in-the-plan-triggers"), "muted"));
        }
        plan.cautions().forEach(c -> box.getChildren().add(caution(c)));
        if (!plan.cautions().isEmpty()) {
            box.getChildren().add(Text.block(Words.of("safety-view.cautions-stay-in-force-and", Words.of("caution.local")), "muted"));
        }
        box.getChildren().add(Text.of("Kit", "heading"));
        box.getChildren().add(kit(plan, model.owned().known()));
        owned.refresh();
        // Another window may have changed it.
        model.owned().read(() -> Focus.keeping(box, this::refresh));
        box.getChildren().add(owned.node());
        box.getChildren().add(Text.of("Permissions", "heading"));
        permissions();
    }

    private Node caution(BreakdownPlan.Caution c) {
        Rectangle stripe = new Rectangle(5, 30);
        stripe.getStyleClass().add("cut");
        CheckBox read = new CheckBox("read");
        read.setId("read-" + c.code());
        read.setSelected(model.acknowledged(c.code()));
        read.setMinWidth(60);
        read.setOnAction(e -> model.acknowledge(c.code(), read.isSelected()));
        var words = Text.block("Caution. " + Words.of("caution." + c.code()), "text-chalk");
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMaxWidth(Double.MAX_VALUE);
        HBox row = new HBox(8, stripe, words, read);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private static Node kit(BreakdownPlan plan, OwnedKit owned) {
        GridPane g = new GridPane();
        g.setHgap(24);
        g.setVgap(3);
        int i = 0;
        for (KitItem k : plan.kit()) {
            HBox row = new HBox(8, Text.of(String.valueOf(k.count()), "number"), Text.block(Words.of("kit." + k.code()), "text-chalk"));
            String have = KitWords.owned(owned, k);
            if (!have.isEmpty()) {
                row.getChildren().add(Text.of(have, "muted"));
            }
            ((Label) row.getChildren().getFirst()).setMinWidth(22);
            row.setAlignment(Pos.CENTER_LEFT);
            g.add(row, i % 2, i / 2);
            i++;
        }
        return plan.kit().isEmpty() ? Text.block(Words.of("safety-view.nothing-to-bring-yet"), "muted") : g;
    }

    private void permissions() {
        var all = model.day().permissions().stream().filter(p -> p.id().startsWith(model.shot().id() + "/")).toList();
        if (all.isEmpty()) {
            box.getChildren().add(Text.block(Words.of("safety-view.nothing-borrowed-and-not-in"), "muted"));
        }
        for (Permission p : all) {
            GridPane g = new GridPane();
            g.setHgap(8);
            g.setVgap(4);
            String use = Words.has("permission." + p.use()) ? Words.of("permission." + p.use()) : p.use();
            g.add(Text.of(use + (p.complete() ? ", complete" : ", not complete"), "strong"), 0, 0, 4, 1);
            field(g, 0, p, "Source", p.source(), v -> new Permission(p.id(), p.use(), v, p.holder(), p.licence(), p.proof()));
            field(g, 1, p, "Holder", p.holder(), v -> new Permission(p.id(), p.use(), p.source(), v, p.licence(), p.proof()));
            field(g, 2, p, "Licence", p.licence(), v -> new Permission(p.id(), p.use(), p.source(), p.holder(), v, p.proof()));
            field(g, 3, p, "Proof", p.proof(), v -> new Permission(p.id(), p.use(), p.source(), p.holder(), p.licence(), v));
            box.getChildren().add(g);
        }
    }

    private interface Changed {
        Permission to(String v);
    }

    private void field(GridPane g, int column, Permission p, String name, String now, Changed changed) {
        var f = StoryPanel.field("permission-" + name.toLowerCase(Locale.ROOT), now, name, v -> model.permission(changed.to(v)));
        f.setPrefWidth(156);
        g.add(new VBox(1, Text.of(name, "muted", "small"), f), column, 1);
    }
}
