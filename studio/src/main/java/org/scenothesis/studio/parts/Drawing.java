package org.scenothesis.studio.parts;

import java.util.Locale;
import javafx.scene.Group;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Ellipse;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import org.scenothesis.core.breakdown.sketch.Sketch;
import org.scenothesis.production.words.Words;

/// A sketch on paper, as wide as it is told to be.
public class Drawing extends Pane {
    /// Lengths are written where there is room for words.
    private static final double ROOMY = 180;
    private final Group drawn = new Group();
    private double scale;

    public Drawing(double width) {
        getStyleClass().add("sketch-paper");
        drawn.setManaged(false);
        drawn.setMouseTransparent(true);
        getChildren().add(drawn);
        wide(width);
    }

    public final void wide(double width) {
        scale = width / Sketch.WIDTH;
        setMinSize(width, Sketch.HEIGHT * scale);
        setPrefSize(width, Sketch.HEIGHT * scale);
        setMaxSize(width, Sketch.HEIGHT * scale);
        setClip(new Rectangle(width, Sketch.HEIGHT * scale));
    }

    /// Pixels for one unit of the panel.
    public final double scale() {
        return scale;
    }

    /// Draws it anew; whatever else lies on the paper stays.
    public final void draw(Sketch sketch) {
        drawn.getChildren().clear();
        for (Sketch.Shape s : sketch.shapes()) {
            Shape shape = switch (s.kind()) {
                case BOX -> new Rectangle(s.x() * scale, s.y() * scale, s.w() * scale, s.h() * scale);
                case ELLIPSE -> new Ellipse((s.x() + s.w() / 2) * scale, (s.y() + s.h() / 2) * scale, s.w() / 2 * scale, s.h() / 2 * scale);
                case LINE -> new Line(s.x() * scale, s.y() * scale, (s.x() + s.w()) * scale, (s.y() + s.h()) * scale);
            };
            shape.getStyleClass().add("sketch-" + s.look().name().toLowerCase(Locale.ROOT));
            if (s.look() == Sketch.Look.SOLID && s.kind() != Sketch.Shape.Kind.LINE) {
                shape.getStyleClass().add("spike-" + Math.floorMod(s.illusion() + 2, 8));
            }
            drawn.getChildren().add(shape);
        }
        sketch.measures().forEach(this::measure);
    }

    private void measure(Sketch.Measure m) {
        double x = m.x1() * scale;
        double top = Math.min(m.y1(), m.y2()) * scale;
        double foot = Math.max(m.y1(), m.y2()) * scale;
        for (Line l : new Line[] {new Line(x, top, x, foot), new Line(x - 3, top, x + 3, top), new Line(x - 3, foot, x + 3, foot)}) {
            l.getStyleClass().add("sketch-line");
            drawn.getChildren().add(l);
        }
        if (getPrefWidth() >= ROOMY) {
            var words = Text.of(Words.number(m.metres(), 2) + "\u00a0m", "sketch-words");
            words.relocate(Math.min(x + 6, getPrefWidth() - 46), (top + foot) / 2 - 9);
            drawn.getChildren().add(words);
        }
    }
}
