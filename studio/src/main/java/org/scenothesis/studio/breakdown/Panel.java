package org.scenothesis.studio.breakdown;

import java.util.Locale;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Ellipse;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import org.scenothesis.core.breakdown.sketch.Sketch;
import org.scenothesis.core.shot.Shot;

/// The storyboard panel of the moment at the playhead.
final class Panel extends Pane {
    private final double scale;

    Panel(double width) {
        scale = width / Sketch.WIDTH;
        getStyleClass().add("sketch");
        setMinSize(width, Sketch.HEIGHT * scale);
        setPrefSize(width, Sketch.HEIGHT * scale);
        setMaxSize(width, Sketch.HEIGHT * scale);
        setAccessibleText("what the audience sees now, as a sketch");
    }

    void show(Shot shot, double seconds) {
        getChildren().clear();
        for (Sketch.Shape s : Sketch.of(shot, seconds).shapes()) {
            Shape shape = switch (s.kind()) {
                case BOX -> new Rectangle(s.x() * scale, s.y() * scale, s.w() * scale, s.h() * scale);
                case ELLIPSE -> new Ellipse((s.x() + s.w() / 2) * scale, (s.y() + s.h() / 2) * scale, s.w() / 2 * scale, s.h() / 2 * scale);
                case LINE -> new Line(s.x() * scale, s.y() * scale, (s.x() + s.w()) * scale, (s.y() + s.h()) * scale);
            };
            shape.getStyleClass().add("sketch-" + s.look().name().toLowerCase(Locale.ROOT));
            if (s.look() == Sketch.Look.SOLID && s.kind() != Sketch.Shape.Kind.LINE) {
                shape.getStyleClass().add("spike-" + Math.floorMod(s.wonder() + 2, 8));
            }
            getChildren().add(shape);
        }
        Rectangle edge = new Rectangle(getPrefWidth(), getPrefHeight());
        setClip(edge);
    }
}
