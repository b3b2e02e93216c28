package org.scenothesis.studio.layer;

import java.util.List;
import java.util.function.Consumer;
import javafx.scene.Cursor;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.FramePlace;
import org.scenothesis.core.value.Animated;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.PictureView;

/// Takes a layer by hand in the picture: drag its cross to move it, the arm's end to turn and size it; with Shift the cross itself, which
/// it is turned about.
///
/// - The way of the cross is drawn with a dot for every frame, where it moves.
/// - By keyboard: arrows move (with shift ten times as far), plus and minus size, comma and full stop turn.
final class FrameHandles {
    private static final double ARM = 80;
    private static final double GRIP = 10;
    /// Share of the picture that an arrow key moves.
    private static final double STEP = 0.002;
    private static final int MOST_DOTS = 1000;

    private final Pane over;
    private final Group marks = new Group();
    private final Group way = new Group();
    private final Circle cross = new Circle(7);
    private final Line arm = new Line();
    private final Rectangle end = new Rectangle(GRIP, GRIP);
    private final Consumer<FramePlace> moving;
    private final Consumer<FramePlace> done;
    private @Nullable FramePlace put;
    private @Nullable FramePlace dragged;
    private List<Object> drawn = List.of();
    private double at;
    private double rate = 25;
    private PlanarMap carry = PlanarMap.identity();

    /// - `moving`: how it would lie, while it is dragged; `done`: how it lies once it is let go.
    FrameHandles(PictureView picture, Consumer<FramePlace> moving, Consumer<FramePlace> done) {
        over = picture.overlay();
        this.moving = moving;
        this.done = done;
        cross.setId("put-cross");
        cross.setAccessibleText(Words.of("frame-handles.move-the-layer"));
        end.setId("put-arm");
        end.setAccessibleText(Words.of("frame-handles.turn-and-size-the-layer"));
        arm.getStyleClass().add("outline");
        arm.setMouseTransparent(true);
        way.setMouseTransparent(true);
        for (Node n : new Node[] {cross, end}) {
            n.getStyleClass().add("handle");
            n.setCursor(Cursor.MOVE);
            n.setFocusTraversable(true);
            n.addEventHandler(KeyEvent.KEY_PRESSED, this::key);
            n.setOnMouseReleased(e -> release());
        }
        cross.setOnMouseDragged(e -> drag(e, e.isShiftDown() ? this::about : this::moved));
        end.setOnMouseDragged(e -> drag(e, this::armed));
        marks.getChildren().addAll(way, arm, cross, end);
        over.getChildren().add(marks);
        marks.setVisible(false);
        over.widthProperty().addListener(o -> draw());
        over.heightProperty().addListener(o -> draw());
    }

    /// Shows where a layer lies at a moment, in seconds; nothing for a layer that is not put anywhere. `carried`: what carries it along
    /// afterwards, in shares.
    void show(@Nullable FramePlace now, double seconds, double framesPerSecond, PlanarMap carried) {
        carry = carried;
        put = now;
        at = seconds;
        rate = framesPerSecond;
        draw();
    }

    void focus() {
        cross.requestFocus();
    }

    private Point place(FramePlace p, double seconds) {
        Point there = carry.map(p.about().plus(p.at(seconds).by()));
        return new Point(there.x() * over.getWidth(), there.y() * over.getHeight());
    }

    private void draw() {
        FramePlace p = dragged != null ? dragged : put;
        marks.setVisible(p != null);
        if (p == null) {
            return;
        }
        Point c = place(p, at);
        cross.setCenterX(c.x());
        cross.setCenterY(c.y());
        FramePlace.Lie lie = p.at(at);
        double r = ARM * Math.clamp(lie.size(), 0.25, 4);
        double turn = Math.toRadians(lie.turnDeg());
        Point tip = new Point(c.x() + r * Math.cos(turn), c.y() + r * Math.sin(turn));
        arm.setStartX(c.x());
        arm.setStartY(c.y());
        arm.setEndX(tip.x());
        arm.setEndY(tip.y());
        end.setX(tip.x() - GRIP / 2);
        end.setY(tip.y() - GRIP / 2);
        List<Object> form = List.of(p.about(), p.by(), rate, carry, over.getWidth(), over.getHeight());
        if (!form.equals(drawn)) {
            drawn = form;
            way(p);
        }
    }

    /// Drawn when it is another one, not for every frame that is played.
    private void way(FramePlace p) {
        way.getChildren().clear();
        var keys = p.by().keys();
        if (keys.size() < 2) {
            return;
        }
        double from = keys.getFirst().seconds();
        double to = keys.getLast().seconds();
        int frames = (int) Math.min(MOST_DOTS, Math.round((to - from) * rate));
        for (int i = 0; i <= frames; i++) {
            Point c = place(p, from + i / rate);
            Circle dot = new Circle(c.x(), c.y(), 1.5);
            dot.getStyleClass().add("way-dot");
            way.getChildren().add(dot);
        }
        for (Animated.At<Point> k : keys) {
            Point c = place(p, k.seconds());
            Circle dot = new Circle(c.x(), c.y(), 4);
            dot.getStyleClass().add("way-key");
            way.getChildren().add(dot);
        }
    }

    private void drag(MouseEvent e, Hand hand) {
        FramePlace p = put;
        if (p != null && over.getWidth() > 0) {
            dragged = hand.take(p, new Point(e.getX(), e.getY()));
            draw();
            moving.accept(dragged);
        }
        e.consume();
    }

    /// What a hand at a point of the overlay makes of a layer.
    @FunctionalInterface
    private interface Hand {
        FramePlace take(FramePlace p, Point hand);
    }

    private Point share(Point hand) {
        return carry.inverse().map(hand.x() / over.getWidth(), hand.y() / over.getHeight());
    }

    private FramePlace moved(FramePlace p, Point hand) {
        FramePlace.Lie l = p.at(at);
        return p.with(at, new FramePlace.Lie(share(hand).minus(p.about()), l.turnDeg(), l.size()));
    }

    /// Another point to turn about; at this moment the layer stays where it is when it is neither turned nor sized.
    private FramePlace about(FramePlace p, Point hand) {
        return p.withAbout(share(hand).minus(p.at(at).by()));
    }

    private FramePlace armed(FramePlace p, Point hand) {
        Point from = hand.minus(place(p, at));
        FramePlace.Lie l = p.at(at);
        double turned = Math.toDegrees(Math.atan2(from.y(), from.x()));
        // The nearest of the turns that look alike, so that it never spins back.
        double turn = turned + 360 * Math.round((l.turnDeg() - turned) / 360);
        return p.with(at, new FramePlace.Lie(l.by(), turn, Math.clamp(from.length() / ARM, 0.02, 50)));
    }

    private void release() {
        FramePlace p = dragged;
        dragged = null;
        if (p != null && !p.equals(put)) {
            done.accept(p);
        }
    }

    private void key(KeyEvent e) {
        FramePlace p = put;
        if (p == null) {
            return;
        }
        double step = e.isShiftDown() ? 10 * STEP : STEP;
        FramePlace.Lie l = p.at(at);
        FramePlace.Lie now = switch (e.getCode()) {
            case LEFT -> new FramePlace.Lie(l.by().plus(new Point(-step, 0)), l.turnDeg(), l.size());
            case RIGHT -> new FramePlace.Lie(l.by().plus(new Point(step, 0)), l.turnDeg(), l.size());
            case UP -> new FramePlace.Lie(l.by().plus(new Point(0, -step)), l.turnDeg(), l.size());
            case DOWN -> new FramePlace.Lie(l.by().plus(new Point(0, step)), l.turnDeg(), l.size());
            case PLUS, EQUALS, ADD -> new FramePlace.Lie(l.by(), l.turnDeg(), l.size() * 1.02);
            case MINUS, SUBTRACT -> new FramePlace.Lie(l.by(), l.turnDeg(), l.size() / 1.02);
            case COMMA -> new FramePlace.Lie(l.by(), l.turnDeg() - 1, l.size());
            case PERIOD -> new FramePlace.Lie(l.by(), l.turnDeg() + 1, l.size());
            default -> l;
        };
        if (now != l && e.getCode() != KeyCode.UNDEFINED) {
            done.accept(p.with(at, now));
            e.consume();
        }
    }
}
