package org.scenothesis.studio.parts;

import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.VBox;

/// A slip of words that does something when it is clicked, or with Enter or Space while it has the focus. Lines in it break as in any
/// column.
public final class PaperSlip extends VBox {
    public PaperSlip(String style, Runnable action, Node... content) {
        super(3, content);
        getStyleClass().add(style);
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.BUTTON);
        setMinWidth(0);
        addEventHandler(MouseEvent.MOUSE_PRESSED, e -> {
            requestFocus();
            // Else the scroll pane around takes the focus.
            e.consume();
        });
        addEventHandler(MouseEvent.MOUSE_CLICKED, e -> {
            if (e.getButton() == MouseButton.PRIMARY && e.isStillSincePress()) {
                action.run();
                e.consume();
            }
        });
        addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            if (e.getTarget() == this && (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE)) {
                action.run();
                e.consume();
            }
        });
    }
}
