package org.scenothesis.studio.house;

import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.scenothesis.studio.parts.Text;

/// The keys of the open bench on a slip of paper.
final class KeyHelp extends StackPane {
    private final GridPane grid = new GridPane(22, 6);

    KeyHelp(Runnable close) {
        getStyleClass().add("overlay");
        VBox box = new VBox(12, Text.of("Keys", "paper-title"), grid);
        box.getStyleClass().add("paper");
        box.setMaxSize(430, Region.USE_PREF_SIZE);
        StackPane.setAlignment(box, Pos.CENTER);
        getChildren().add(box);
        setOnMouseClicked(e -> close.run());
    }

    void show(Map<String, String> keys) {
        grid.getChildren().clear();
        int row = 0;
        for (var e : keys.entrySet()) {
            grid.addRow(row++, Text.of(e.getKey(), "paper-number"), Text.of(e.getValue(), "paper-text"));
        }
    }
}
