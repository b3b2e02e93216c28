package org.scenothesis.studio.parts;

import java.util.List;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.ComboBox;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/// One of several words, with what it is for beside it.
public final class ChoiceRow extends HBox {
    private final ComboBox<String> box = new ComboBox<>();
    private String shown = "";

    /// - `id`: of the box, after `choice-`; `chosen`: called when a person has chosen another.
    public ChoiceRow(String id, String name, List<String> words, Consumer<String> chosen) {
        super(6);
        box.getItems().addAll(words);
        box.setId("choice-" + id);
        box.setAccessibleText(name);
        box.setMaxWidth(190);
        box.setOnAction(e -> {
            String word = box.getValue();
            if (word != null && !word.equals(shown)) {
                shown = word;
                chosen.accept(word);
            }
        });
        Region room = new Region();
        HBox.setHgrow(room, Priority.ALWAYS);
        getChildren().addAll(Text.of(name, "muted"), room, box);
        setAlignment(Pos.CENTER_LEFT);
    }

    public void show(String word) {
        shown = word;
        box.setValue(word);
    }
}
