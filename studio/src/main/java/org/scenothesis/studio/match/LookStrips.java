package org.scenothesis.studio.match;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.image.ImageView;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.StackPane;
import javafx.scene.paint.Color;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import org.hipparchus.special.Erf;
import org.scenothesis.core.compare.Look;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.studio.parts.Text;

/// A plate's look drawn to be held against another's: all strips of a kind have one scale.
final class LookStrips {
    static final double HIGH = 44;
    static final double WIDE = 112;
    /// Half of what the strip of softness shows, in pixels of the picture.
    private static final double REACH_PX = 6;
    /// A pixel that is off by this share is drawn black or white.
    private static final double GRAIN_FULL = 0.05;
    private static final int GRAIN_TIMES = 2;

    private LookStrips() {}

    private static Pane strip(String id) {
        Pane p = new Pane();
        p.setMinSize(WIDE, HIGH);
        p.setPrefSize(WIDE, HIGH);
        p.setMaxSize(WIDE, HIGH);
        p.getStyleClass().addAll("strip", id);
        return p;
    }

    private static double x(double stops) {
        return WIDE * Math.clamp((stops - Look.LOWEST) / -Look.LOWEST, 0, 1);
    }

    /// How much of the picture is how bright, in stops, and where its darkest and brightest twentieth are.
    static Node contrast(Look l) {
        Pane p = strip("strip-contrast");
        double most = l.shares().stream().mapToDouble(Double::doubleValue).max().orElse(1);
        Polygon hill = new Polygon(0, HIGH);
        for (int i = 0; i < l.shares().size(); i++) {
            // By its root, so that small shares are seen as well.
            hill.getPoints().addAll(WIDE * (i + 0.5) / l.shares().size(),
                    HIGH - (HIGH - 6) * Math.sqrt(l.shares().get(i) / Math.max(1e-9, most)));
        }
        hill.getPoints().addAll(WIDE, HIGH);
        hill.getStyleClass().add("strip-hill");
        p.getChildren().add(hill);
        for (double end : new double[] {l.darkStops(), l.brightStops()}) {
            if (!Double.isNaN(end)) {
                Line tick = new Line(x(end), 0, x(end), HIGH);
                tick.getStyleClass().add("strip-tick");
                p.getChildren().add(tick);
            }
        }
        return p;
    }

    /// Its dark, middle and bright third.
    static Node colours(Look l) {
        HBox row = new HBox();
        row.getStyleClass().add("strip-colours");
        for (Look.Swatch s : l.colours()) {
            row.getChildren().add(new Rectangle(WIDE / 3, HIGH, Color.color(code(s.r()), code(s.g()), code(s.b()))));
        }
        return row;
    }

    private static double code(double light) {
        return Math.clamp(Transfer.SRGB.toCode(Math.max(0, light)), 0, 1);
    }

    /// An edge as wide as its edges are.
    static Node softness(Look l) {
        Pane p = strip("strip-softness");
        if (Double.isNaN(l.blurPx())) {
            return p;
        }
        Polyline edge = new Polyline();
        for (int i = 0; i <= 66; i++) {
            double px = REACH_PX * (2.0 * i / 66 - 1);
            edge.getPoints().addAll(WIDE * i / 66, HIGH / 2 - (HIGH / 2 - 6) * Erf.erf(px / Math.sqrt(2) / Math.max(0.05, l.blurPx())));
        }
        edge.getStyleClass().add("strip-edge");
        p.getChildren().add(edge);
        return p;
    }

    /// A flat piece of it, its unevenness much enlarged.
    static Node grain(Look l) {
        StackPane p = new StackPane();
        p.setMinSize(2 * Look.GRAIN, HIGH);
        p.setAlignment(Pos.CENTER_LEFT);
        p.getStyleClass().add("strip-grain");
        List<Double> g = l.grain();
        if (g.isEmpty()) {
            p.getChildren().add(Text.of("nothing flat", "muted", "small"));
            return p;
        }
        WritableImage image = new WritableImage(GRAIN_TIMES * Look.GRAIN, GRAIN_TIMES * Look.GRAIN);
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                double v = 0.5 + 0.5 * Math.clamp(g.get(y / GRAIN_TIMES * Look.GRAIN + x / GRAIN_TIMES) / GRAIN_FULL, -1, 1);
                image.getPixelWriter().setColor(x, y, Color.gray(v));
            }
        }
        p.getChildren().add(new ImageView(image));
        return p;
    }
}
