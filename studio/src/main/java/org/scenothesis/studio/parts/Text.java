package org.scenothesis.studio.parts;

import javafx.scene.control.Button;
import javafx.scene.control.Label;

/// Makes labels and buttons of the house's kinds.
public final class Text {
    private Text() {}

    public static Label of(String words, String... styles) {
        Label l = new Label(words);
        l.getStyleClass().addAll(styles);
        return l;
    }

    /// A label that breaks into lines.
    public static Label block(String words, String... styles) {
        Label l = of(words, styles);
        l.setWrapText(true);
        l.setMinHeight(javafx.scene.layout.Region.USE_PREF_SIZE);
        return l;
    }

    public static Button button(String words, String style, Runnable action) {
        Button b = new Button(words);
        b.getStyleClass().setAll("button", style);
        b.setOnAction(e -> action.run());
        return b;
    }
}
