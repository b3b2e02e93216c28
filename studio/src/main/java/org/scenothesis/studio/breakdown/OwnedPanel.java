package org.scenothesis.studio.breakdown;

import java.io.File;
import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.kit.Owned;
import org.scenothesis.core.breakdown.kit.OwnedKind;
import org.scenothesis.core.breakdown.kit.OwnedKit;
import org.scenothesis.production.words.KitWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Tape;
import org.scenothesis.studio.parts.Text;

/// What the user owns, in one place for all productions: cameras, lenses, cloths, lamps, stands, with their sizes and how many.
final class OwnedPanel {
    private final BreakDownModel model;
    private final Runnable changed;
    private final VBox box = new VBox(6);

    OwnedPanel(BreakDownModel model, Runnable changed) {
        this.model = model;
        this.changed = changed;
        box.setId("owned");
    }

    Node node() {
        return box;
    }

    void refresh() {
        OwnedKit kit = model.owned().known();
        box.getChildren().setAll(Text.of(Words.of("owned-panel.what-you-own-for-all"), "heading"));
        if (kit.things().isEmpty()) {
            box.getChildren().add(Text.block(Words.of("owned-panel.the-list-is-empty-its"), "muted"));
        }
        for (int i = 0; i < kit.things().size(); i++) {
            box.getChildren().add(row(kit, i));
        }
        FlowPane add = new FlowPane(4, 4);
        for (OwnedKind k : OwnedKind.values()) {
            var b = Text.button("+ " + KitWords.kind(k), "floor-button", () -> change(plus(kit, Owned.usual(k))));
            b.setId("own-" + k.code().replace('.', '-'));
            add.getChildren().add(b);
        }
        var tell = Text.button(Words.of("owned-panel.tell-this-shot"), "floor-button", model::tellOwned);
        tell.setId("tell-owned");
        tell.setDisable(kit.facts().isEmpty());
        var out = Text.button("Export\u2026", "quiet-button", this::export);
        var in = Text.button("Import\u2026", "quiet-button", this::bringIn);
        box.getChildren().addAll(add, new HBox(8, tell, out, in));
    }

    private Node row(OwnedKit kit, int index) {
        Owned o = kit.things().get(index);
        HBox row = new HBox(8);
        row.setAlignment(Pos.CENTER_LEFT);
        Tape count = StoryPanel.tape("", "", 1, 999, 1, o.count(), v -> change(with(kit, index, o.withCount((int) v))));
        count.field().setId("own-count-" + index);
        count.setMaxWidth(72);
        var kind = Text.of(KitWords.kind(o.kind()), "text-chalk");
        kind.setMinWidth(84);
        TextField name = StoryPanel.field("own-name-" + index, o.name(), "name", t -> change(with(kit, index, o.withName(t))));
        name.setPrefWidth(120);
        FlowPane sizes = new FlowPane(8, 2);
        for (Fact f : o.kind().sizes()) {
            Tape t = StoryPanel.tape(KitWords.size(f), f.unit(), f.low(), f.high(), f.unit().equals("m") ? 0.05 : f.unit().equals("mm")
                    ? 0.1 : 1, o.size(f), v -> change(with(kit, index, o.with(f, v))));
            t.field().setId("own-" + f.key() + "-" + index);
            sizes.getChildren().add(t);
        }
        HBox.setHgrow(sizes, Priority.ALWAYS);
        row.getChildren().addAll(count, kind, name, sizes, Text.button("\u00d7", "quiet-button", () -> change(without(kit, index))));
        return row;
    }

    private static OwnedKit plus(OwnedKit kit, Owned o) {
        List<Owned> all = new ArrayList<>(kit.things());
        all.add(o);
        return new OwnedKit(all);
    }

    private static OwnedKit with(OwnedKit kit, int index, Owned o) {
        List<Owned> all = new ArrayList<>(kit.things());
        all.set(index, o);
        return new OwnedKit(all);
    }

    private static OwnedKit without(OwnedKit kit, int index) {
        List<Owned> all = new ArrayList<>(kit.things());
        all.remove(index);
        return new OwnedKit(all);
    }

    private void change(OwnedKit kit) {
        model.owned().keep(kit, changed);
    }

    private void export() {
        FileChooser c = new FileChooser();
        c.setTitle(Words.of("owned-panel.export-what-you-own"));
        c.setInitialFileName("kit.json");
        File f = c.showSaveDialog(box.getScene().getWindow());
        if (f != null) {
            model.owned().export(f.toPath());
        }
    }

    private void bringIn() {
        FileChooser c = new FileChooser();
        c.setTitle(Words.of("owned-panel.import-what-you-own"));
        File f = c.showOpenDialog(box.getScene().getWindow());
        if (f != null) {
            model.owned().bringIn(f.toPath(), changed);
        }
    }
}
