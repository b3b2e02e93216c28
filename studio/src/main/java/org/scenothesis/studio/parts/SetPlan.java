package org.scenothesis.studio.parts;

import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Rectangle;
import org.scenothesis.core.stage.draw.Mark;

/// A set at scale in metres, from above (X to the right, Z away) or from the side (Z to the right, Y up), drawn anew whenever its size
/// changes. What lies on it and can be moved is its user's.
public abstract class SetPlan extends Pane {
    protected final boolean above;
    protected final ScaleSheet sheet;

    protected SetPlan(boolean above, String id) {
        this.above = above;
        sheet = new ScaleSheet(above);
        setId(id);
        getStyleClass().add("plot");
        widthProperty().addListener(o -> draw());
        heightProperty().addListener(o -> draw());
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
    }

    /// Draws everything; before it is laid out it has no size to be ruled in.
    protected abstract void draw();

    /// A grid, and what stands on it; `pale`: as what it is compared with.
    protected final void lay(List<Mark> marks, boolean pale) {
        marks.forEach(m -> getChildren().add(sheet.node(m, pale)));
    }

    protected final void title(String words) {
        Label name = Text.of(words, "column-head");
        name.relocate(7, 4);
        getChildren().add(name);
    }
}
