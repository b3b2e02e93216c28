package org.scenothesis.studio.parts;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.scene.Node;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.draw.Mark;

/// A set from above or from the side on a sheet at scale: where its metres lie, its grid, and what is drawn of it.
public final class ScaleSheet {
    /// Metres narrower than this are not ruled one by one.
    private static final double CLOSE_PX = 9;

    private final boolean above;
    private double wide = 1;
    private double high = 1;
    private double scale = 60;
    private double lowX;
    private double lowY;

    /// - `above`: in the middle of the sheet; otherwise it stands on its lower edge.
    public ScaleSheet(boolean above) {
        this.above = above;
    }

    /// A sheet of so many pixels.
    public void sized(double width, double height) {
        wide = width;
        high = height;
    }

    /// As large as it goes, from one corner in metres to the other.
    public void fit(Point low, Point to) {
        double w = to.x() - low.x();
        double h = to.y() - low.y();
        scale = Math.min(wide / w, (high - 8) / h);
        lowX = low.x() - (wide / scale - w) / 2;
        lowY = low.y() - (above ? (high / scale - h) / 2 : 0);
    }

    /// Pixels of a metre.
    public double scale() {
        return scale;
    }

    public double px(double x) {
        return (x - lowX) * scale;
    }

    public double py(double y) {
        return high - (y - lowY) * scale;
    }

    public double worldX(double px) {
        return lowX + px / scale;
    }

    public double worldY(double py) {
        return lowY + (high - py) / scale;
    }

    /// How far apart the lines of its grid lie, in metres.
    public int step() {
        return scale < CLOSE_PX ? 5 : 1;
    }

    /// The lines of its grid.
    public List<Node> grid() {
        List<Node> out = new ArrayList<>();
        for (int m = step() * (int) Math.ceil(lowX / step()); px(m) < wide; m += step()) {
            out.add(styled(new Line(px(m), 0, px(m), high), "plot-grid"));
        }
        for (int m = step() * (int) Math.ceil(lowY / step()); py(m) > 0; m += step()) {
            out.add(styled(new Line(0, py(m), wide, py(m)), "plot-grid"));
        }
        return out;
    }

    /// Something drawn of a set; `faint`: as it was before.
    public Node node(Mark m, boolean faint) {
        String style = "floor-" + m.style().name().toLowerCase(Locale.ROOT);
        Node n = switch (m) {
            case Mark.Line l -> styled(new Line(px(l.from().x()), py(l.from().y()), px(l.to().x()), py(l.to().y())), style + "-line");
            case Mark.Area a -> {
                Polygon p = new Polygon();
                a.corners().forEach(c -> p.getPoints().addAll(px(c.x()), py(c.y())));
                yield styled(p, style);
            }
        };
        n.setOpacity(faint ? 0.3 : 1);
        return n;
    }

    private static Node styled(Node n, String style) {
        n.getStyleClass().add(style);
        n.setMouseTransparent(true);
        return n;
    }
}
