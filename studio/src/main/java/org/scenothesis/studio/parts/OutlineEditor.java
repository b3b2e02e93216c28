package org.scenothesis.studio.parts;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import org.scenothesis.core.picture.Point;

/// An outline in shares of a picture, drawn over it: drag a corner, double-click the picture to add one, right-click a corner to take it
/// away; Insert and Delete do so by keyboard.
///
/// On release, and for every key, the new outline is handed over once.
public final class OutlineEditor {
    private static final int LEAST = 3;
    /// Half the side of the first outline.
    private static final double FIRST = 0.15;

    private final PointHandles corners;
    private final Consumer<List<Point>> accept;
    private List<Point> points = List.of();

    public OutlineEditor(PictureView picture, Consumer<List<Point>> accept) {
        this.accept = accept;
        corners = new PointHandles(picture, "corner-", p -> {}, this::moved);
        corners.keepInside();
        corners.whenRemoved(this::takeAway);
        corners.whenFollowed(i -> accept.accept(with(i + 1, points.get(i).plus(points.get((i + 1) % points.size())).times(0.5))));
        Pane over = picture.overlay();
        over.setPickOnBounds(true);
        over.addEventHandler(MouseEvent.MOUSE_CLICKED, e -> {
            if (e.getClickCount() == 2 && e.getButton() == MouseButton.PRIMARY) {
                accept.accept(added(new Point(e.getX() / over.getWidth(), e.getY() / over.getHeight())));
            }
        });
    }

    public void show(List<Point> outline) {
        points = List.copyOf(outline);
        int n = points.size();
        List<List<Integer>> around = n == 0 ? List.of() : List.of(IntStream.rangeClosed(0, n).mapToObj(i -> i % n).toList());
        corners.show(points, around, IntStream.range(0, n).mapToObj(i -> "corner " + (i + 1) + " of " + n).toList());
    }

    /// Gives the keys to the first corner.
    public void focus() {
        corners.focus();
    }

    private void moved(List<Point> now) {
        if (!now.equals(points)) {
            accept.accept(now);
        }
    }

    /// The outline with a corner put into its nearest side.
    private List<Point> added(Point p) {
        if (points.size() < LEAST) {
            double left = Math.max(0, p.x() - FIRST);
            double right = Math.min(1, p.x() + FIRST);
            double top = Math.max(0, p.y() - FIRST);
            double bottom = Math.min(1, p.y() + FIRST);
            return List.of(new Point(left, top), new Point(right, top), new Point(right, bottom), new Point(left, bottom));
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
        return with(best + 1, p);
    }

    private List<Point> with(int at, Point p) {
        List<Point> more = new ArrayList<>(points);
        more.add(at, p);
        return more;
    }

    private void takeAway(int i) {
        if (points.size() > LEAST) {
            List<Point> fewer = new ArrayList<>(points);
            fewer.remove(i);
            accept.accept(fewer);
        }
    }
}
