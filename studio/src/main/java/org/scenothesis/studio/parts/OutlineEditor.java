package org.scenothesis.studio.parts;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.Cursor;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import org.scenothesis.core.picture.Point;

/// An outline in shares of a picture, drawn over it: drag a corner, double-click the picture to add one, right-click a corner to take it away.
///
/// On release the new outline is handed over once.
public final class OutlineEditor {
    private static final double GRIP = 9;

    private final Pane over;
    private final Polygon line = new Polygon();
    private final Consumer<List<Point>> accept;
    private List<Point> points = List.of();

    public OutlineEditor(PictureView picture, Consumer<List<Point>> accept) {
        over = picture.overlay();
        this.accept = accept;
        line.getStyleClass().add("outline");
        line.setMouseTransparent(true);
        over.setPickOnBounds(true);
        over.addEventHandler(MouseEvent.MOUSE_CLICKED, e -> {
            if (e.getClickCount() == 2 && e.getButton() == MouseButton.PRIMARY) {
                accept.accept(added(new Point(e.getX() / over.getWidth(), e.getY() / over.getHeight())));
            }
        });
        over.widthProperty().addListener(o -> draw());
        over.heightProperty().addListener(o -> draw());
    }

    public void show(List<Point> outline) {
        points = List.copyOf(outline);
        draw();
    }

    /// The outline with a corner put into its nearest side.
    private List<Point> added(Point p) {
        if (points.size() < 3) {
            double r = 0.15;
            return List.of(
                    new Point(Math.max(0, p.x() - r), Math.max(0, p.y() - r)), new Point(Math.min(1, p.x() + r), Math.max(0, p.y() - r)),
                    new Point(Math.min(1, p.x() + r), Math.min(1, p.y() + r)), new Point(Math.max(0, p.x() - r), Math.min(1, p.y() + r)));
        }
        int best = 0;
        double least = Double.MAX_VALUE;
        for (int i = 0; i < points.size(); i++) {
            Point a = points.get(i);
            Point b = points.get((i + 1) % points.size());
            double d = p.minus(a).length() + p.minus(b).length() - a.minus(b).length();
            if (d < least) {
                least = d;
                best = i;
            }
        }
        List<Point> more = new ArrayList<>(points);
        more.add(best + 1, p);
        return more;
    }

    private void draw() {
        over.getChildren().clear();
        line.getPoints().clear();
        for (Point p : points) {
            line.getPoints().addAll(p.x() * over.getWidth(), p.y() * over.getHeight());
        }
        over.getChildren().add(line);
        for (int i = 0; i < points.size(); i++) {
            over.getChildren().add(grip(i));
        }
    }

    private Rectangle grip(int i) {
        Point p = points.get(i);
        Rectangle r = new Rectangle(p.x() * over.getWidth() - GRIP / 2, p.y() * over.getHeight() - GRIP / 2, GRIP, GRIP);
        r.getStyleClass().add("handle");
        r.setCursor(Cursor.MOVE);
        r.setId("corner-" + i);
        r.setOnMouseDragged(e -> {
            double x = Math.clamp(e.getX(), 0, over.getWidth());
            double y = Math.clamp(e.getY(), 0, over.getHeight());
            r.setX(x - GRIP / 2);
            r.setY(y - GRIP / 2);
            line.getPoints().set(2 * i, x);
            line.getPoints().set(2 * i + 1, y);
            e.consume();
        });
        r.setOnMouseReleased(e -> {
            List<Point> moved = new ArrayList<>(points);
            moved.set(i, new Point((r.getX() + GRIP / 2) / over.getWidth(), (r.getY() + GRIP / 2) / over.getHeight()));
            if (!moved.equals(points)) {
                accept.accept(moved);
            }
            e.consume();
        });
        r.setOnMouseClicked(e -> {
            if (e.getButton() == MouseButton.SECONDARY && points.size() > 3) {
                List<Point> fewer = new ArrayList<>(points);
                fewer.remove(i);
                accept.accept(fewer);
            }
            e.consume();
        });
        return r;
    }
}
