package org.scenothesis.studio.house;

import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Text;

/// The keys of the open bench on a slip of paper, and what the words of the house mean.
final class KeyHelp extends StackPane {
    private final GridPane grid = new GridPane(14, 6);

    KeyHelp(Runnable close) {
        getStyleClass().add("overlay");
        GridPane words = new GridPane(14, 5);
        words.setId("terms");
        int row = 0;
        for (String term : Words.of("terms").split(",")) {
            Label meaning = Text.block(Words.of("term." + term + ".meaning"), "paper-text", "small");
            meaning.setPrefWidth(300);
            words.addRow(row++, whole(Words.of("term." + term)), meaning);
        }
        HBox both = new HBox(24, new VBox(12, Text.of("Keys", "paper-title"), grid), new VBox(12, Text.of("Words", "paper-title"), words));
        ScrollPane scroll = new ScrollPane(both);
        scroll.setFitToWidth(true);
        scroll.getStyleClass().add("paper-scroll");
        VBox box = new VBox(scroll);
        box.getStyleClass().add("paper");
        box.setMaxSize(1000, Region.USE_PREF_SIZE);
        StackPane.setAlignment(box, Pos.CENTER);
        getChildren().add(box);
        setOnMouseClicked(e -> close.run());
    }

    /// Never cut short.
    private static Label whole(String words) {
        Label l = Text.of(words, "paper-number");
        l.setMinWidth(Region.USE_PREF_SIZE);
        return l;
    }

    void show(Map<String, String> keys) {
        grid.getChildren().clear();
        int row = 0;
        for (var e : keys.entrySet()) {
            grid.addRow(row++, whole(e.getKey()), Text.of(e.getValue(), "paper-text"));
        }
    }
}
