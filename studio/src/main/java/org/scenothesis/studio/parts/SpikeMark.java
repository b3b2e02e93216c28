package org.scenothesis.studio.parts;

import javafx.scene.Group;
import javafx.scene.layout.StackPane;
import javafx.scene.shape.SVGPath;
import org.scenothesis.core.shot.Spike;

/// A plate's tape mark: its own colour and shape. Never the only carrier of a meaning.
public final class SpikeMark extends StackPane {
    public SpikeMark(Spike spike, double size) {
        SVGPath path = new SVGPath();
        path.setContent(shape(spike));
        path.getStyleClass().add("spike-" + spike.ordinal());
        path.setScaleX(size / 16);
        path.setScaleY(size / 16);
        getChildren().add(new Group(path));
        setMinSize(size, size);
        setPrefSize(size, size);
        setMaxSize(size, size);
        setAccessibleText("mark " + spike.name().toLowerCase(java.util.Locale.ROOT));
    }

    private static String shape(Spike s) {
        return switch (s) {
            case T -> "M0 0H16V6H11V16H5V6H0Z";
            case L -> "M0 0H6V10H16V16H0Z";
            case X -> "M4 0 8 4 12 0 16 4 12 8 16 12 12 16 8 12 4 16 0 12 4 8 0 4Z";
            case BARS -> "M1 0H6V16H1Z M10 0H15V16H10Z";
            case BOX -> "M0 0H16V16H0Z M5 5V11H11V5Z";
            case CHEVRON -> "M0 10 8 2 16 10V16L8 8 0 16Z";
            case CORNER -> "M0 0H16V16H10V6H0Z";
            case CROSSBAR -> "M5 0H11V5H16V11H11V16H5V11H0V5H5Z";
        };
    }
}
