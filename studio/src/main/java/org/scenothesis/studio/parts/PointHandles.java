package org.scenothesis.studio.parts;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.IntConsumer;
import javafx.scene.Cursor;
import javafx.scene.Group;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import org.scenothesis.core.picture.Point;

/// Points drawn over a picture, joined by lines, that are pulled to where they belong; as many as there are, in shares of the picture, also
/// outside of it.
///
/// - By keyboard: tab to a point; arrows move it, with shift ten times as far, with Alt alone.
/// - While one is pulled the points are told as they would be; on release, and for every key, once.
public final class PointHandles {
    private static final double GRIP = 9;
    private static final double STEP = 0.002;

    private final Pane over;
    private final Group marks = new Group();
    private final List<Rectangle> grips = new ArrayList<>();
    private final String id;
    private final Consumer<List<Point>> moving;
    private final Consumer<List<Point>> done;
    private List<Point> points = List.of();
    private List<List<Integer>> lines = List.of();
    private List<String> names = List.of();
    private int focused = -1;
    private boolean pulled;
    private boolean alone;
    private double step = STEP;
    private boolean inside;
    private IntConsumer removed = i -> {};
    private IntConsumer followed = i -> {};

    /// - `id`: of the points, before their number.
    public PointHandles(PictureView picture, String id, Consumer<List<Point>> moving, Consumer<List<Point>> done) {
        over = picture.overlay();
        this.id = id;
        this.moving = moving;
        this.done = done;
        over.getChildren().add(marks);
        over.widthProperty().addListener(o -> draw());
        over.heightProperty().addListener(o -> draw());
    }

    /// While one is pulled what is shown waits for the hand to let go.
    ///
    /// - `chains`: which points are joined by lines, by their numbers. `words`: what every point is.
    public void show(List<Point> now, List<List<Integer>> chains, List<String> words) {
        if (!points.equals(now) || !lines.equals(chains) || !names.equals(words)) {
            points = List.copyOf(now);
            lines = chains;
            names = words;
            draw();
        }
    }

    /// Shows none.
    public void hide() {
        show(List.of(), List.of(), List.of());
    }

    /// Whether Shift was held when a point was pulled last: then it is pulled alone, away from what lies on it.
    public boolean alone() {
        return alone;
    }

    /// Whether a point is being pulled now.
    public boolean pulling() {
        return pulled;
    }

    /// How far an arrow moves a point, in shares of the picture's width.
    public void step(double share) {
        step = share;
    }

    /// No point leaves the picture.
    public void keepInside() {
        inside = true;
    }

    /// Told the number of a point behind which Insert asks for another; that one gets the keys once it is there.
    public void whenFollowed(IntConsumer action) {
        followed = action;
    }

    /// Told the number of a point for which Delete was pressed, or which was clicked with the second button.
    public void whenRemoved(IntConsumer action) {
        removed = action;
    }

    /// Gives the keys to a point.
    public void focus(int i) {
        if (i >= 0 && i < points.size()) {
            grips.get(i).requestFocus();
        }
    }

    /// Gives the keys to the first point.
    public void focus() {
        if (!points.isEmpty()) {
            grips.getFirst().requestFocus();
        }
    }

    /// Puts everything where it belongs. The grips stay the same ones, so that neither the keys nor a hand that pulls lose theirs.
    private void draw() {
        if (grips.size() != points.size()) {
            make();
        }
        if (pulled) {
            return;
        }
        drawLines(points);
        for (int i = 0; i < grips.size(); i++) {
            grips.get(i).setX(points.get(i).x() * over.getWidth() - GRIP / 2);
            grips.get(i).setY(points.get(i).y() * over.getHeight() - GRIP / 2);
            grips.get(i).setAccessibleText(name(i));
        }
    }

    private void make() {
        pulled = false;
        int wasFocused = focused;
        grips.clear();
        marks.getChildren().clear();
        // The first lies on top where several lie on one place.
        for (int i = 0; i < points.size(); i++) {
            grips.add(grip(i));
            marks.getChildren().addFirst(grips.get(i));
        }
        focus(Math.min(wasFocused, points.size() - 1));
        // What is drawn while sizes are being found is else not styled before the next time.
        marks.applyCss();
    }

    private String name(int i) {
        return i < names.size() ? names.get(i) : "point " + (i + 1);
    }

    private void drawLines(List<Point> at) {
        marks.getChildren().removeIf(Polyline.class::isInstance);
        for (int c = 0; c < lines.size(); c++) {
            Polyline line = new Polyline();
            line.getStyleClass().add("outline");
            line.setMouseTransparent(true);
            for (int k : lines.get(c)) {
                line.getPoints().addAll(at.get(k).x() * over.getWidth(), at.get(k).y() * over.getHeight());
            }
            marks.getChildren().add(c, line);
        }
    }

    private Rectangle grip(int i) {
        Rectangle r = new Rectangle(GRIP, GRIP);
        r.getStyleClass().add("handle");
        r.setCursor(Cursor.MOVE);
        r.setId(id + i);
        r.setFocusTraversable(true);
        Text.tip(r, () -> name(i));
        r.setOnMouseDragged(e -> {
            if (r.getParent() == null) {
                // There are other points now.
                return;
            }
            pulled = true;
            alone = e.isShiftDown();
            Point to = kept(new Point(e.getX() / over.getWidth(), e.getY() / over.getHeight()));
            r.setX(to.x() * over.getWidth() - GRIP / 2);
            r.setY(to.y() * over.getHeight() - GRIP / 2);
            List<Point> now = with(i, to);
            drawLines(now);
            moving.accept(now);
            e.consume();
        });
        r.setOnMouseReleased(e -> {
            if (pulled) {
                pulled = false;
                done.accept(with(i, new Point((r.getX() + GRIP / 2) / over.getWidth(), (r.getY() + GRIP / 2) / over.getHeight())));
                // What was shown meanwhile, or where it was if that was refused.
                draw();
            }
            e.consume();
        });
        r.setOnMouseClicked(e -> {
            if (e.getButton() == MouseButton.SECONDARY) {
                removed.accept(i);
            }
            e.consume();
        });
        r.focusedProperty().addListener((o, before, now) -> {
            if (now) {
                focused = i;
            } else if (r.getParent() != null) {
                focused = -1;
            }
        });
        r.setOnKeyPressed(e -> {
            double by = e.isShiftDown() ? 10 * step : step;
            alone = e.isAltDown();
            BiConsumer<Double, Double> move = (x, y) -> {
                done.accept(with(i, kept(points.get(i).plus(new Point(x, y)))));
                e.consume();
            };
            switch (e.getCode()) {
                case LEFT -> move.accept(-by, 0.0);
                case RIGHT -> move.accept(by, 0.0);
                case UP -> move.accept(0.0, -by);
                case DOWN -> move.accept(0.0, by);
                case DELETE, BACK_SPACE -> {
                    removed.accept(i);
                    e.consume();
                }
                case INSERT -> {
                    focused = i + 1;
                    followed.accept(i);
                    e.consume();
                }
                default -> {
                    // Not a key of a point.
                }
            }
        });
        return r;
    }

    private Point kept(Point p) {
        return inside ? new Point(Math.clamp(p.x(), 0, 1), Math.clamp(p.y(), 0, 1)) : p;
    }

    private List<Point> with(int i, Point p) {
        List<Point> out = new ArrayList<>(points);
        out.set(i, p);
        return List.copyOf(out);
    }
}
