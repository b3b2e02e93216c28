package org.scenothesis.studio.parts;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.Cursor;
import javafx.scene.Group;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import org.scenothesis.core.picture.Point;

/// An outline in shares of a picture, drawn over it: drag a corner, double-click the picture to add one, right-click a corner to take it
/// away.
///
/// - By keyboard: tab to a corner; arrows move it (with shift ten times as far), Insert adds one behind it, Delete takes it away.
/// - On release, and for every key, the new outline is handed over once.
public final class OutlineEditor {
    private static final double GRIP = 9;
    /// Share of the picture that an arrow key moves a corner.
    private static final double STEP = 0.002;

    private final Pane over;
    private final Group marks = new Group();
    private final Polygon line = new Polygon();
    private final Consumer<List<Point>> accept;
    private List<Point> points = List.of();
    private int focused = -1;
    /// A corner was pulled away from where it is known to be.
    private boolean pulled;

    public OutlineEditor(PictureView picture, Consumer<List<Point>> accept) {
        over = picture.overlay();
        this.accept = accept;
        line.getStyleClass().add("outline");
        line.setMouseTransparent(true);
        over.setPickOnBounds(true);
        over.getChildren().add(marks);
        over.addEventHandler(MouseEvent.MOUSE_CLICKED, e -> {
            if (e.getClickCount() == 2 && e.getButton() == MouseButton.PRIMARY) {
                accept.accept(added(new Point(e.getX() / over.getWidth(), e.getY() / over.getHeight())));
            }
        });
        over.widthProperty().addListener(o -> draw());
        over.heightProperty().addListener(o -> draw());
    }

    public void show(List<Point> outline) {
        if (pulled || !points.equals(outline)) {
            points = List.copyOf(outline);
            draw();
        }
    }

    /// Gives the keys to the first corner.
    public void focus() {
        if (!points.isEmpty()) {
            marks.getChildren().get(1).requestFocus();
        }
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
        pulled = false;
        marks.getChildren().clear();
        line.getPoints().clear();
        for (Point p : points) {
            line.getPoints().addAll(p.x() * over.getWidth(), p.y() * over.getHeight());
        }
        marks.getChildren().add(line);
        for (int i = 0; i < points.size(); i++) {
            marks.getChildren().add(grip(i));
        }
        if (focused >= 0 && !points.isEmpty()) {
            // The corner that was moved by key is a new one now.
            marks.getChildren().get(1 + Math.min(focused, points.size() - 1)).requestFocus();
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
            pulled = true;
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
            if (e.getButton() == MouseButton.SECONDARY) {
                takeAway(i);
            }
            e.consume();
        });
        r.setFocusTraversable(true);
        r.setAccessibleText("corner " + (i + 1) + " of " + points.size());
        r.focusedProperty().addListener((o, before, now) -> {
            if (now) {
                focused = i;
            } else if (r.getParent() != null) {
                focused = -1;
            }
        });
        r.setOnKeyPressed(e -> {
            if (key(i, e.getCode(), e.isShiftDown() ? 10 * STEP : STEP)) {
                e.consume();
            }
        });
        return r;
    }

    private boolean key(int i, KeyCode code, double step) {
        switch (code) {
            case LEFT -> move(i, -step, 0);
            case RIGHT -> move(i, step, 0);
            case UP -> move(i, 0, -step);
            case DOWN -> move(i, 0, step);
            case DELETE, BACK_SPACE -> takeAway(i);
            case INSERT -> {
                Point a = points.get(i);
                Point b = points.get((i + 1) % points.size());
                List<Point> more = new ArrayList<>(points);
                more.add(i + 1, new Point((a.x() + b.x()) / 2, (a.y() + b.y()) / 2));
                focused = i + 1;
                accept.accept(more);
            }
            default -> {
                return false;
            }
        }
        return true;
    }

    private void move(int i, double x, double y) {
        Point p = points.get(i);
        List<Point> moved = new ArrayList<>(points);
        Point there = new Point(p.x() + x, p.y() + y);
        moved.set(i, new Point(Math.clamp(there.x(), 0, 1), Math.clamp(there.y(), 0, 1)));
        accept.accept(moved);
    }

    private void takeAway(int i) {
        if (points.size() > 3) {
            List<Point> fewer = new ArrayList<>(points);
            fewer.remove(i);
            accept.accept(fewer);
        }
    }
}
