package org.scenothesis.studio.layer;

import java.util.function.Consumer;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.core.shot.step.Place;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.SpikeMark;
import org.scenothesis.studio.parts.Text;

/// The set to scale in metres, from above or from the side, with the element's token on it; dragging the token moves the element.
final class PlanView extends Pane {
    /// Metres narrower than this are not ruled one by one.
    private static final double CLOSE_PX = 6;
    private static final double MARGIN_M = 0.5;
    private static final double TOKEN = 18;

    private final boolean above;
    private Consumer<Vec> moving = v -> {};
    private Consumer<Vec> moved = v -> {};
    private @Nullable Stage plan;
    private @Nullable Layer layer;
    private Place.@Nullable Stand state;
    private Spike spike = Spike.X;
    private double scale = 60;
    private double originA;
    private double originB;

    /// - `above`: X to the right and Z away; otherwise from the side: Z to the right and Y up.
    PlanView(boolean above) {
        this.above = above;
        getStyleClass().add("plot");
        setMinHeight(90);
        setId(above ? "plan-above" : "plan-side");
        widthProperty().addListener(o -> draw());
        heightProperty().addListener(o -> draw());
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
    }

    void whenMoved(Consumer<Vec> whileMoving, Consumer<Vec> onDone) {
        moving = whileMoving;
        moved = onDone;
    }

    void show(@Nullable Stage set, @Nullable Layer element, Place.@Nullable Stand now, Spike mark) {
        plan = set;
        layer = element;
        state = now;
        spike = mark;
        draw();
    }

    private double a(Vec v) {
        return above ? v.x() : v.z();
    }

    private double b(Vec v) {
        return above ? v.z() : v.y();
    }

    private double px(double a) {
        return (a - originA) * scale;
    }

    private double py(double b) {
        return getHeight() - (b - originB) * scale;
    }

    private void draw() {
        getChildren().clear();
        Stage p = plan;
        // Before it is laid out it has no size to be ruled in.
        if (getWidth() < 1 || getHeight() < 1) {
            return;
        }
        if (p == null) {
            Label none = Text.block("The set is not staged yet: elements stay where they were filmed.", "muted", "small");
            none.setPrefWidth(Math.max(50, getWidth() - 16));
            none.relocate(8, 8);
            getChildren().add(none);
            return;
        }
        fit(p);
        grid();
        ground(p);
        drawCamera(p);
        light(p);
        Label name = Text.of(above ? "From above" : "From the side", "column-head");
        name.relocate(6, 3);
        getChildren().add(name);
        token();
        // What is drawn while it is laid out would wear no style until the next time.
        applyCss();
    }

    private void fit(Stage p) {
        double lowA = above ? Math.min(camera(p).x(), -1.2) - MARGIN_M : camera(p).z() - MARGIN_M;
        double highA = above ? Math.max(camera(p).x(), 1.6) + MARGIN_M : p.groundExtent().farM() + 2 * MARGIN_M;
        double lowB = above ? camera(p).z() - MARGIN_M : 0;
        double highB = above ? p.groundExtent().farM() + MARGIN_M : Math.max(2.2, camera(p).y() + MARGIN_M);
        scale = Math.min(getWidth() / (highA - lowA), getHeight() / (highB - lowB));
        originA = lowA - (getWidth() / scale - (highA - lowA)) / 2;
        originB = lowB - (above ? (getHeight() / scale - (highB - lowB)) / 2 : 0.1);
    }

    private void grid() {
        int step = scale < CLOSE_PX ? 5 : 1;
        for (int m = step * (int) Math.ceil(originA / step); px(m) < getWidth(); m += step) {
            getChildren().add(styled(new Line(px(m), 0, px(m), getHeight()), "plot-grid"));
        }
        for (int m = step * (int) Math.ceil(originB / step); py(m) > 0; m += step) {
            getChildren().add(styled(new Line(0, py(m), getWidth(), py(m)), "plot-grid"));
        }
        Label metre = Text.of("grid " + step + " m", "muted", "small");
        metre.relocate(getWidth() - 54, getHeight() - 18);
        getChildren().add(metre);
    }

    private void ground(Stage p) {
        Rectangle r = above
                ? new Rectangle(px(-0.85), py(p.groundExtent().farM()), 2.4 * scale, (p.groundExtent().farM() - p.groundExtent().nearM()) * scale)
                : new Rectangle(px(p.groundExtent().nearM()), py(p.groundM()), (p.groundExtent().farM() - p.groundExtent().nearM()) * scale, Math.max(2, 0.05 * scale));
        getChildren().add(styled(r, "plan-ground"));
    }

    private static Vec camera(Stage p) {
        return p.camera().position().value();
    }

    private void drawCamera(Stage p) {
        double x = px(a(camera(p)));
        double y = py(b(camera(p)));
        Polygon body = above ? new Polygon(x, y - 7, x + 6, y + 5, x - 6, y + 5) : new Polygon(x + 7, y, x - 5, y - 6, x - 5, y + 6);
        double half = above ? Math.atan(0.5 / p.camera().widthShareFocal().value()) : Math.atan(0.5 * 9 / 16 / p.camera().widthShareFocal().value());
        double turn = Math.toRadians(above ? p.panDeg() : p.camera().aim().value().tiltDeg());
        double far = 20 * scale;
        for (double side : new double[] {-1, 1}) {
            double angle = turn + side * half;
            double dx = above ? Math.sin(angle) : Math.cos(angle);
            double dy = above ? Math.cos(angle) : Math.sin(angle);
            getChildren().add(styled(new Line(x, y, x + dx * far, y - dy * far), "plan-view"));
        }
        getChildren().add(styled(body, "plan-camera"));
    }

    private void light(Stage p) {
        Place.Stand s = state;
        Vec at = s == null ? new Vec(0, p.groundM(), (p.groundExtent().nearM() + p.groundExtent().farM()) / 2) : s.foot();
        Vec t = p.light().towards();
        double length = Math.max(1e-3, Math.hypot(a(t), b(t)));
        double x = px(a(at));
        double y = py(b(at));
        double dx = a(t) / length;
        double dy = -b(t) / length;
        getChildren().add(styled(new Line(x + dx * 16, y + dy * 16, x + dx * 62, y + dy * 62), "plan-light"));
        Label word = Text.of("key", "small");
        // Clear of the name of the plan.
        word.relocate(x + dx * 74 - 10, Math.max(22, y + dy * 74 - 9));
        getChildren().add(word);
    }

    private void token() {
        Place.Stand s = state;
        if (s == null || layer == null) {
            return;
        }
        SpikeMark mark = new SpikeMark(spike, TOKEN);
        mark.relocate(px(a(s.foot())) - TOKEN / 2, py(b(s.foot())) - TOKEN / 2);
        mark.setCursor(Cursor.MOVE);
        mark.setPickOnBounds(true);
        mark.setId(getId() + "-token");
        Label at = Text.of(words(s.foot()), "small");
        at.relocate(Math.clamp(px(a(s.foot())) + 14, 4, Math.max(4, getWidth() - 96)), py(b(s.foot())) - 26);
        mark.setOnMouseDragged(e -> {
            Vec v = place(mark, e.getX(), e.getY(), s.foot());
            at.setText(words(v));
            moving.accept(v);
            e.consume();
        });
        mark.setOnMouseReleased(e -> {
            Vec v = place(mark, e.getX(), e.getY(), s.foot());
            if (v.minus(s.foot()).length() > 0.004) {
                moved.accept(v);
            }
        });
        getChildren().addAll(at, mark);
    }

    private String words(Vec v) {
        return above ? Words.number(v.x(), 2) + " m, " + Words.number(v.z(), 2) + " m" : Words.number(v.y(), 2) + " m high";
    }

    private Vec place(Node mark, double x, double y, Vec before) {
        double left = mark.getLayoutX() + x - TOKEN / 2;
        double top = mark.getLayoutY() + y - TOKEN / 2;
        double a = Math.round((originA + (left + TOKEN / 2) / scale) * 100) / 100.0;
        double b = Math.round((originB + (getHeight() - top - TOKEN / 2) / scale) * 100) / 100.0;
        mark.relocate(left, top);
        return above ? new Vec(a, before.y(), b) : new Vec(before.x(), b, a);
    }

    private static <T extends Node> T styled(T node, String style) {
        node.getStyleClass().add(style);
        node.setMouseTransparent(true);
        return node;
    }
}
