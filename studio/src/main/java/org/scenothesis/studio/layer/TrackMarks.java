package org.scenothesis.studio.layer;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiConsumer;
import javafx.event.Event;
import javafx.scene.Cursor;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Track;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.PictureView;

/// The way of something that was followed, a dot for every frame in which it was found, and rings where it is now: a ring is pulled to show
/// by hand where it is.
final class TrackMarks {
    private static final double STEP = 0.001;
    private static final int MOST_DOTS = 2000;

    private final Pane over;
    private final Group way = new Group();
    private final Group now = new Group();
    private final BiConsumer<Track, List<Point>> corrected;
    private List<Object> drawn = List.of();
    private List<Track> tracks = List.of();
    private List<Double> moments = List.of();
    private double rate = 25;

    /// - `corrected`: called with the places, in shares of the picture, where the thing of a track really is now.
    TrackMarks(PictureView picture, BiConsumer<Track, List<Point>> corrected) {
        over = picture.overlay();
        this.corrected = corrected;
        way.setMouseTransparent(true);
        over.getChildren().addAll(way, now);
        over.widthProperty().addListener(o -> draw());
        over.heightProperty().addListener(o -> draw());
    }

    /// Shows tracks at moments of their takes, in seconds; `framesPerSecond`: of the shot.
    void show(List<Track> seen, List<Double> at, double framesPerSecond) {
        tracks = seen;
        moments = at;
        rate = framesPerSecond;
        draw();
    }

    private void draw() {
        List<Object> form = List.of(tracks, over.getWidth(), over.getHeight());
        if (!form.equals(drawn)) {
            drawn = form;
            way.getChildren().clear();
            tracks.forEach(this::way);
        }
        String focused = now.getChildren().stream().filter(Node::isFocused).map(Node::getId).findFirst().orElse("");
        now.getChildren().clear();
        for (int i = 0; i < tracks.size(); i++) {
            Track t = tracks.get(i);
            Track.Spot at = t.at(moments.get(i));
            boolean found = t.found(moments.get(i), rate);
            for (int k = 0; k < at.places().size(); k++) {
                now.getChildren().add(ring(t, at.places(), k, found));
            }
        }
        // The ring that was moved by key is a new one now.
        now.getChildren().stream().filter(n -> focused.equals(n.getId())).forEach(Node::requestFocus);
        now.applyCss();
        way.applyCss();
    }

    private void way(Track t) {
        int every = Math.max(1, t.spots().size() * t.spots().getFirst().places().size() / MOST_DOTS);
        for (int i = 0; i < t.spots().size(); i += every) {
            Track.Spot s = t.spots().get(i);
            for (Point p : s.places()) {
                Circle dot = new Circle(p.x() * over.getWidth(), p.y() * over.getHeight(), s.byHand() ? 4 : 1.5);
                dot.getStyleClass().add(s.byHand() ? "way-key" : "way-dot");
                way.getChildren().add(dot);
            }
        }
    }

    private Circle ring(Track t, List<Point> places, int k, boolean found) {
        Circle c = new Circle(places.get(k).x() * over.getWidth(), places.get(k).y() * over.getHeight(), 8);
        c.getStyleClass().add(found ? "trail-ring" : "trail-lost");
        c.setId("trail-" + t.id() + "-" + k);
        c.setCursor(Cursor.CROSSHAIR);
        c.setFocusTraversable(true);
        c.setAccessibleText(found ? t.name() + " is here" : Words.of("track-marks.was-not-found-in-this", t.name()));
        double[] pulled = {0};
        c.setOnMouseDragged(e -> {
            pulled[0] = 1;
            c.setCenterX(e.getX());
            c.setCenterY(e.getY());
            e.consume();
        });
        c.setOnMouseReleased(e -> {
            if (pulled[0] > 0) {
                correct(t, places, k, new Point(c.getCenterX() / over.getWidth(), c.getCenterY() / over.getHeight()));
            }
            e.consume();
        });
        c.setOnMouseClicked(Event::consume);
        c.setOnKeyPressed(e -> {
            Point by = step(e);
            if (by != null) {
                correct(t, places, k, places.get(k).plus(by));
                e.consume();
            }
        });
        return c;
    }

    private static @Nullable Point step(KeyEvent e) {
        double d = e.isShiftDown() ? 10 * STEP : STEP;
        return switch (e.getCode()) {
            case LEFT -> new Point(-d, 0);
            case RIGHT -> new Point(d, 0);
            case UP -> new Point(0, -d);
            case DOWN -> new Point(0, d);
            default -> null;
        };
    }

    private void correct(Track t, List<Point> places, int k, Point to) {
        List<Point> out = new ArrayList<>(places);
        out.set(k, to);
        corrected.accept(t, out);
    }
}
