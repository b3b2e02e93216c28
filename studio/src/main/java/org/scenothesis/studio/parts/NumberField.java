package org.scenothesis.studio.parts;

import javafx.event.Event;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/// A field for a number: letters and the space bar are no part of one and go on to the bench, so that its keys work while a number is
/// looked at.
public final class NumberField extends TextField {
    public NumberField() {
        addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (leaves(e) && getParent() != null) {
                e.consume();
                Event.fireEvent(getParent(), e.copyFor(getParent(), getParent()));
            }
        });
        addEventFilter(KeyEvent.KEY_TYPED, e -> {
            if (!e.getCharacter().isEmpty() && (Character.isLetter(e.getCharacter().charAt(0)) || e.getCharacter().equals(" "))) {
                e.consume();
            }
        });
    }

    private static boolean leaves(KeyEvent e) {
        return !e.isShortcutDown() && !e.isAltDown() && (e.getCode().isLetterKey() || e.getCode() == KeyCode.SPACE);
    }
}
