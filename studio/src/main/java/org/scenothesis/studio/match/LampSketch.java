package org.scenothesis.studio.match;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import org.scenothesis.core.stage.suggest.LampMatch;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Text;

/// Lamps round whoever is filmed, from above, the camera below.
final class LampSketch extends Pane {
    private static final double W = 300;
    private static final double H = 190;
    private static final double MARGIN = 30;

    LampSketch() {
        setMinSize(W, H);
        setPrefSize(W, H);
        setMaxSize(W, H);
        getStyleClass().add("deep");
        setId("lamp-sketch");
    }

    void show(LampMatch m) {
        getChildren().clear();
        List<double[]> at = new ArrayList<>();
        double far = 1;
        for (LampMatch.Placed p : m.lamps()) {
            double away = Double.isNaN(p.awayM()) ? 3 : p.awayM();
            double a = Math.toRadians(p.sideDeg());
            at.add(new double[] {away * Math.sin(a), -away * Math.cos(a)});
            far = Math.max(far, away);
        }
        double scale = (H / 2 - MARGIN) / far;
        double x = W / 2;
        double y = H / 2;
        Polygon camera = new Polygon(x - 7, H - 6, x + 7, H - 6, x, H - 18);
        camera.setFill(Color.web("#f1ece1"));
        Circle body = new Circle(x, y, 7);
        body.setFill(Color.web("#b79bff"));
        getChildren().addAll(camera, body);
        for (int i = 0; i < at.size(); i++) {
            LampMatch.Placed p = m.lamps().get(i);
            double lx = x + at.get(i)[0] * scale;
            double ly = y + at.get(i)[1] * scale;
            Line ray = new Line(lx, ly, x, y);
            ray.setStroke(Color.web("#f5c542"));
            ray.setOpacity(p.role() == LampMatch.Role.KEY ? 0.9 : 0.45);
            Rectangle lamp = new Rectangle(lx - 6, ly - 6, 12, 12);
            lamp.setFill(Color.web("#f5c542"));
            lamp.setOpacity(p.dimmer() <= 0 ? 0.25 : 1);
            var name = Text.of(Words.of("lamps." + p.role()) + (Double.isNaN(p.awayM()) ? "" : " " + Words.number(p.awayM(), 2) + " m"),
                    "small");
            name.relocate(Math.clamp(lx + 10, 2, W - 80), Math.clamp(ly - 18, 0, H - 18));
            getChildren().addAll(ray, lamp, name);
        }
    }
}
