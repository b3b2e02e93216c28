package org.scenothesis.studio.shoot;

import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Text;

/// The lock of the frame being looked at as three needles: sideways, up and down, brightness.
final class Needles extends HBox {
    private static final double WIDTH = 98;

    Needles() {
        setSpacing(12);
        show(null);
    }

    void show(LockReport.@Nullable Sample s) {
        getChildren().setAll(
                needle("sideways", value(s == null ? null : s.x()), 2, 0.25, "px"),
                needle("up, down", value(s == null ? null : s.y()), 2, 0.25, "px"),
                needle("brightness", value(s == null ? null : s.exposureStops()), 0.4, 0.05, "stop"));
    }

    private static double value(@Nullable Double v) {
        return v == null ? Double.NaN : v;
    }

    private static VBox needle(String name, double value, double most, double holds, String unit) {
        Pane scale = new Pane();
        scale.setMinSize(WIDTH, 16);
        scale.setPrefSize(WIDTH, 16);
        scale.getStyleClass().add("plot");
        double half = WIDTH / 2;
        Rectangle good = new Rectangle(half - holds / most * half, 0, 2 * holds / most * half, 16);
        good.getStyleClass().add("plot-solid");
        scale.getChildren().add(good);
        boolean known = !Double.isNaN(value);
        if (known) {
            double x = half + Math.clamp(value / most, -1, 1) * (half - 1);
            Line l = new Line(x, 0, x, 16);
            l.getStyleClass().add("plot-line-c");
            l.setStrokeWidth(2);
            scale.getChildren().add(l);
        }
        return new VBox(2, Text.of(name, "muted", "small"), scale, Text.of(known ? Words.signed(value, 2) + " " + unit : "not measured",
                "number"));
    }
}
