package org.scenothesis.studio.match;

import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polyline;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.cameratrack.MovingCamera;
import org.scenothesis.core.cameratrack.MovingCamera.Does;
import org.scenothesis.core.cameratrack.MovingCamera.Frame;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Text;

/// The way of a camera seen from above, ahead upwards, with the points it was solved from.
final class PathSketch extends Pane {
    private static final double W = 300;
    private static final double H = 230;
    private static final double MARGIN = 16;

    PathSketch() {
        setMinSize(W, H);
        setPrefSize(W, H);
        setMaxSize(W, H);
        getStyleClass().add("deep");
        setId("path-sketch");
    }

    void show(@Nullable MovingCamera c) {
        getChildren().clear();
        if (c == null || c.does() != Does.TRAVELS) {
            return;
        }
        List<Frame> way = c.frames().stream().filter(Objects::nonNull).toList();
        // The nearest nine of ten points are drawn; the farthest would shrink the way to a dot.
        Vec first = way.getFirst().position();
        List<Vec> places = c.places().stream().sorted(Comparator.comparingDouble(p -> p.minus(first).length()))
                .limit(Math.max(1, c.places().size() * 9 / 10)).toList();
        double[] box = {Double.MAX_VALUE, Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE};
        way.forEach(f -> grow(box, f.position()));
        places.forEach(p -> grow(box, p));
        double scale = Math.min((W - 2 * MARGIN) / Math.max(1e-9, box[2] - box[0]), (H - 2 * MARGIN) / Math.max(1e-9, box[3] - box[1]));
        for (Vec p : places) {
            Circle dot = new Circle(x(p, box, scale), y(p, box, scale), 1);
            dot.setFill(Color.web("#8a8983"));
            getChildren().add(dot);
        }
        Polyline line = new Polyline();
        line.setStroke(Color.web("#f5c542"));
        line.setStrokeWidth(2);
        way.forEach(f -> line.getPoints().addAll(x(f.position(), box, scale), y(f.position(), box, scale)));
        getChildren().add(line);
        for (Frame f : List.of(way.getFirst(), way.getLast())) {
            Vec to = f.position().plus(f.ahead().times(22 / scale));
            Line looks = new Line(x(f.position(), box, scale), y(f.position(), box, scale), x(to, box, scale), y(to, box, scale));
            looks.setStroke(Color.web("#f1ece1"));
            Circle at = new Circle(x(f.position(), box, scale), y(f.position(), box, scale), 3.5);
            at.setFill(f == way.getFirst() ? Color.web("#f1ece1") : Color.web("#f5c542"));
            getChildren().addAll(looks, at);
        }
        var name = Text.of(c.scaleKnown() ? "from above, " + Words.number((box[2] - box[0]), 1) + " m across"
                : Words.of("path-sketch.from-above-its-size-not"), "small", "muted");
        name.relocate(8, 4);
        getChildren().add(name);
    }

    private static void grow(double[] box, Vec p) {
        box[0] = Math.min(box[0], p.x());
        box[1] = Math.min(box[1], p.z());
        box[2] = Math.max(box[2], p.x());
        box[3] = Math.max(box[3], p.z());
    }

    private static double x(Vec p, double[] box, double scale) {
        return W / 2 + (p.x() - (box[0] + box[2]) / 2) * scale;
    }

    private static double y(Vec p, double[] box, double scale) {
        return H / 2 + MARGIN / 2 - (p.z() - (box[1] + box[3]) / 2) * scale;
    }
}
