package org.scenothesis.studio.house;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import org.jspecify.annotations.Nullable;
import org.scenothesis.production.words.Words;

/// Says what the words of the house mean while the mouse rests on a label that uses one; what has help of its own keeps that.
final class TermTips {
    /// Where the toolkit keeps a node's tip.
    private static final String HAS = "javafx.scene.control.Tooltip";
    private static final double WIDTH = 340;

    private TermTips() {}

    static void in(Scene scene) {
        scene.addEventFilter(MouseEvent.MOUSE_ENTERED_TARGET, e -> {
            Label l = label(e.getTarget());
            if (l != null && !l.getProperties().containsKey(HAS) && l.getTooltip() == null) {
                List<String> meanings = Words.meanings(l.getText());
                if (!meanings.isEmpty()) {
                    Tooltip tip = new Tooltip(String.join("\n", meanings));
                    tip.setWrapText(true);
                    tip.setMaxWidth(WIDTH);
                    Tooltip.install(l, tip);
                    // Labels are written anew: what was said of other words must not stay.
                    l.textProperty().addListener((o, was, is) -> tip.setText(String.join("\n", Words.meanings(is))));
                }
            }
        });
    }

    private static @Nullable Label label(Object target) {
        return target instanceof Label l ? l : target instanceof Node n && n.getParent() instanceof Label p ? p : null;
    }
}
