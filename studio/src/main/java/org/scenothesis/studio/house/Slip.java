package org.scenothesis.studio.house;

import java.util.Map;
import javafx.beans.property.StringProperty;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.studio.parts.SpikeMark;
import org.scenothesis.studio.parts.Text;

/// One plate on the shelf: picture, name, what it is, and its spike mark; pressed, it is the plate everywhere.
final class Slip extends HBox {
    static final int PICTURE_W = 86;
    static final int PICTURE_H = 50;
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");

    private final StackPane picture = new StackPane();
    private final Label name = Text.of("", "slip-name");
    private final Label kind = Text.block("", "slip-kind");
    private final StackPane right = new StackPane();

    Slip(String plateId, StringProperty chosen) {
        super(8);
        kind.setMaxHeight(34);
        kind.setMinHeight(0);
        VBox words = new VBox(1, name, kind);
        words.setMinWidth(0);
        right.getChildren().add(words);
        right.getStyleClass().add("on-paper");
        right.setMinWidth(0);
        setHgrow(right, Priority.ALWAYS);
        picture.getStyleClass().add("thumb-empty");
        picture.setMinSize(PICTURE_W, PICTURE_H);
        picture.setPrefSize(PICTURE_W, PICTURE_H);
        picture.setMaxSize(PICTURE_W, PICTURE_H);
        getChildren().addAll(picture, right);
        setAlignment(Pos.CENTER_LEFT);
        getStyleClass().add("slip");
        setId("slip-" + plateId);
        setMinHeight(Shelf.ROW - 8);
        setPrefHeight(Shelf.ROW - 8);
        setMaxHeight(Shelf.ROW - 8);
        setFocusTraversable(true);
        setOnMouseClicked(e -> {
            chosen.set(plateId);
            requestFocus();
        });
        setOnDragDetected(e -> {
            startDragAndDrop(TransferMode.COPY).setContent(Map.of(Shelf.PLATE, plateId));
            e.consume();
        });
        setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER) {
                chosen.set(plateId);
            }
        });
        Text.tip(this, () -> name.getText() + " \u00b7 " + kind.getText());
    }

    void show(Plate p, String about) {
        name.setText(p.name());
        kind.setText(about);
        setAccessibleText(p.name() + ", " + about);
        right.getChildren().removeIf(SpikeMark.class::isInstance);
        SpikeMark mark = new SpikeMark(p.spike(), 15);
        StackPane.setAlignment(mark, Pos.BOTTOM_RIGHT);
        right.getChildren().add(mark);
    }

    /// Where its take is pictured.
    StackPane picture() {
        return picture;
    }

    void choose(boolean chosen) {
        pseudoClassStateChanged(CHOSEN, chosen);
    }
}
