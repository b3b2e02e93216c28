package org.scenothesis.studio.parts;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyEvent;

/// Arrows go from one toggle of a group to the next without choosing it: the toolkit would show it as chosen before anybody chose.
public final class ToggleArrows {
    private ToggleArrows() {}

    public static void in(Scene scene) {
        scene.addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            boolean plain = !e.isShortcutDown() && !e.isAltDown() && !e.isShiftDown();
            if (plain && e.getTarget() instanceof ToggleButton b && b.getToggleGroup() != null && b.getParent() != null) {
                int by = switch (e.getCode()) {
                    case LEFT, UP -> -1;
                    case RIGHT, DOWN -> 1;
                    default -> 0;
                };
                if (by != 0) {
                    step(b, by);
                    e.consume();
                }
            }
        });
    }

    private static void step(ToggleButton from, int by) {
        List<Node> row = from.getParent().getChildrenUnmodifiable().stream().filter(n -> n instanceof ToggleButton b
                && b.getToggleGroup() == from.getToggleGroup() && !b.isDisabled()).toList();
        int to = row.indexOf(from) + by;
        if (to >= 0 && to < row.size()) {
            row.get(to).requestFocus();
        }
    }
}
