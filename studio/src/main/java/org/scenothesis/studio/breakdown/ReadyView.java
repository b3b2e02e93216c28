package org.scenothesis.studio.breakdown;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.production.illusion.ReadyMadeShots;
import org.scenothesis.production.illusion.Search;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Rows;
import org.scenothesis.studio.parts.Text;

/// One illusion at a time, or a ready-made shot found by the words of a sentence.
final class ReadyView extends PageView {
    private static final int MOST = 40;

    private final Consumer<String> tell;
    private final TextField sentence = new TextField();
    private final VBox found = new VBox(6);
    private final Rows lines = new Rows(found);
    private ReadyMadeShots all = new ReadyMadeShots(List.of(), List.of());

    /// - `tell`: opens the slip of an illusion that was added.
    ReadyView(BreakDownModel model, Consumer<String> tell) {
        super(model);
        this.tell = tell;
        box.setSpacing(10);
        sentence.setId("sentence");
        sentence.setPromptText(Words.of("ready-view.two-makers-pass-lantern-to"));
        sentence.setAccessibleText(Words.of("ready-view.look-for-ready-illusions-by"));
        FlowPane kinds = new FlowPane(6, 6);
        for (IllusionKind k : IllusionKind.values()) {
            Button b = Text.button(Words.of("illusion.add." + k), "floor-button", () -> tell.accept(model.add(k)));
            b.setId("add-" + k.name().toLowerCase(Locale.ROOT));
            kinds.getChildren().add(b);
        }
        var keep = Text.button(Words.of("ready-view.keep-this-shot-as-ready"), "floor-button", () -> {
            model.session().say(model.keep());
            read();
            show();
        });
        keep.setId("keep-illusion");
        box.getChildren().addAll(
                Text.of(Words.of("ready-view.one-impossible-thing"), "heading"), kinds, Text.of(Words.of("ready-view.or-ready-illusion"),
                "heading"), sentence,
                Text.block(Words.of("ready-view.the-words-are-compared-with"), "muted"), found, keep);
        sentence.textProperty().addListener(o -> show());
        read();
    }

    private void read() {
        all = ReadyMadeShots.with(ReadyMadeShots.home());
    }

    @Override
    void refresh() {
        show();
    }

    private void show() {
        List<Rows.Row> out = new ArrayList<>();
        List<Search.Hit> hits = Search.find(all.all(), sentence.getText());
        if (hits.isEmpty()) {
            out.add(new Rows.Row("none", "", () -> Text.block(Words.of("ready-view.none-of-the-ready-made-shots"), "muted")));
        }
        hits.stream().limit(MOST).forEach(h -> out.add(new Rows.Row(h.illusion().id(), h, () -> row(h))));
        all.problems().forEach(p -> out.add(new Rows.Row(List.of("problem", p), p, () -> Text.block(p, "muted"))));
        lines.show(out);
    }

    private Node row(Search.Hit h) {
        VBox words = new VBox(
                1, Text.block(h.illusion().title() + (h.matched().isEmpty() ? "" : " \u00b7 " + String.join(", ", h.matched())),
                "strong-ink", "paper-text"),
                Text.block(h.illusion().story(), "paper-soft"));
        HBox.setHgrow(words, Priority.ALWAYS);
        var lay = Text.button(Words.of("ready-view.put-it-into-the-shot"), "paper-button", () -> {
            int before = model.shot().illusions().size();
            model.lay(h.illusion());
            tell.accept(model.shot().illusions().get(before).id());
        });
        lay.setId("lay-" + h.illusion().id());
        lay.setMinWidth(Region.USE_PREF_SIZE);
        HBox row = new HBox(10, words, lay);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getStyleClass().addAll("paper", "on-paper");
        row.setPadding(new Insets(7, 10, 7, 12));
        return row;
    }
}
