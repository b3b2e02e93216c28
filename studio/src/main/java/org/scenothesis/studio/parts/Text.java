package org.scenothesis.studio.parts;

import java.util.function.Supplier;
import javafx.event.EventHandler;
import javafx.geometry.HPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuItem;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import org.jspecify.annotations.Nullable;

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
        l.setMinHeight(Region.USE_PREF_SIZE);
        return l;
    }

    /// Says more while the mouse rests on something; made only when it first comes there, since most are never looked at, and asked again
    /// each time.
    public static void tip(Node on, Supplier<String> words) {
        on.addEventHandler(MouseEvent.MOUSE_ENTERED, new EventHandler<>() {
            private @Nullable Tooltip tip;

            @Override
            public void handle(MouseEvent e) {
                if (tip == null) {
                    tip = new Tooltip();
                    Tooltip.install(on, tip);
                }
                tip.setText(words.get());
            }
        });
    }

    /// An entry of a menu; its words are shown as they are.
    public static MenuItem item(String id, String words, Runnable action) {
        MenuItem m = new MenuItem(words);
        m.setId(id);
        m.setMnemonicParsing(false);
        m.setOnAction(e -> action.run());
        return m;
    }

    public static Button button(String words, String style, Runnable action) {
        Button b = new Button(words);
        b.getStyleClass().setAll("button", style);
        b.setOnAction(e -> action.run());
        return b;
    }

    /// Shows a node, or takes it out of sight and out of the way.
    public static void shown(Node node, boolean now) {
        node.setVisible(now);
        node.setManaged(now);
    }

    /// A row of a table on paper: a name, and its value at the right.
    public static void row(GridPane table, String name, String value) {
        Label v = of(value, "paper-number");
        GridPane.setHalignment(v, HPos.RIGHT);
        GridPane.setHgrow(v, Priority.ALWAYS);
        table.addRow(table.getRowCount(), of(name, "paper-text"), v);
    }
}
