package org.scenothesis.studio.parts;

import java.util.Locale;
import javafx.scene.Group;
import javafx.scene.layout.StackPane;
import javafx.scene.shape.SVGPath;
import org.scenothesis.core.shot.Spike;

/// A plate's tape mark: its own colour and shape. Never the only carrier of a meaning.
public final class SpikeMark extends StackPane {
    public SpikeMark(Spike spike, double size) {
        SVGPath path = new SVGPath();
        path.setContent(spike.path());
        path.getStyleClass().add("spike-" + spike.ordinal());
        path.setScaleX(size / 16);
        path.setScaleY(size / 16);
        getChildren().add(new Group(path));
        setMinSize(size, size);
        setPrefSize(size, size);
        setMaxSize(size, size);
        setAccessibleText("mark " + spike.name().toLowerCase(Locale.ROOT));
    }
}
