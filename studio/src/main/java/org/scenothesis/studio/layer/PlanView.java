package org.scenothesis.studio.layer;

import java.util.List;
import java.util.function.Consumer;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.draw.Mark;
import org.scenothesis.core.stage.draw.SetDrawing;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.SetPlan;
import org.scenothesis.studio.parts.SpikeMark;
import org.scenothesis.studio.parts.Text;

/// The set to scale in metres, from above or from the side, with the element's token on it; dragging the token moves the element.
final class PlanView extends SetPlan {
    private static final double MARGIN_M = 0.5;
    private static final double TOKEN = 18;
    /// The shape of a picture.
    private static final int WIDE = 1600;
    private static final int HIGH = 900;

    /// Below the ground, so that it is seen.
    private static final double BELOW_M = 0.6;

    private Consumer<Vec> moving = v -> {};
    private Consumer<Vec> moved = v -> {};
    private @Nullable Stage plan;
    private @Nullable Layer layer;
    private SetPlace.@Nullable Stand state;
    private Spike spike = Spike.X;

    /// - `above`: X to the right and Z away; otherwise from the side: Z to the right and Y up.
    PlanView(boolean above) {
        super(above, above ? "plan-above" : "plan-side");
        setMinHeight(90);
    }

    void whenMoved(Consumer<Vec> whileMoving, Consumer<Vec> onDone) {
        moving = whileMoving;
        moved = onDone;
    }

    void show(@Nullable Stage set, @Nullable Layer element, SetPlace.@Nullable Stand now, Spike mark) {
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
        return sheet.px(a);
    }

    private double py(double b) {
        return sheet.py(b);
    }

    @Override
    protected void draw() {
        getChildren().clear();
        Stage p = plan;
        if (getWidth() < 1 || getHeight() < 1) {
            return;
        }
        if (p == null) {
            Label none = Text.block(Words.of("plan-view.the-set-is-not-staged"), "muted", "small");
            none.setPrefWidth(Math.max(50, getWidth() - 16));
            none.relocate(8, 8);
            getChildren().add(none);
            return;
        }
        List<Mark> set = set(p);
        getChildren().addAll(sheet.grid());
        if (!p.floor().staged()) {
            ground(p);
        }
        lay(set, false);
        Label metre = Text.of("grid " + sheet.step() + " m", "muted", "small");
        metre.relocate(getWidth() - 54, getHeight() - 18);
        getChildren().add(metre);
        light(p);
        title(above ? "From above" : Words.of("plan-view.from-the-side"));
        token();
        // What is drawn while it is laid out would wear no style until the next time.
        applyCss();
    }

    /// The set as it stands on Stage; before anything was put on its floor the ground and the camera alone.
    private List<Mark> set(Stage p) {
        SetDrawing drawing = SetDrawing.of(new SetView(p, "", WIDE, HIGH), above);
        boolean staged = p.floor().staged();
        Vec eye = p.camera().position().value();
        double near = Math.min(p.groundExtent().nearM(), eye.z());
        Point low = above ? new Point(Math.min(eye.x(), -1.2), near) : new Point(near, Math.min(0, p.groundM()));
        Point high = above ? new Point(Math.max(eye.x(), 1.6), p.groundExtent().farM())
                : new Point(p.groundExtent().farM(), Math.max(2.2, eye.y()));
        sheet.sized(getWidth(), getHeight());
        sheet.fit(
                staged ? new Point(drawing.low().x(), drawing.low().y())
                : new Point(low.x() - MARGIN_M, low.y() - (above ? MARGIN_M : BELOW_M)),
                staged ? new Point(drawing.high().x(), drawing.high().y()) : new Point(high.x() + MARGIN_M, high.y() + MARGIN_M));
        return drawing.marks().stream().filter(m -> staged || m.style() != Mark.Style.WALL).toList();
    }

    private void ground(Stage p) {
        double far = p.groundExtent().farM() - p.groundExtent().nearM();
        Rectangle r = above
                ? new Rectangle(px(-0.85), py(p.groundExtent().farM()), 2.4 * sheet.scale(), far * sheet.scale())
                : new Rectangle(px(p.groundExtent().nearM()), py(p.groundM()), far * sheet.scale(), Math.max(2, 0.05 * sheet.scale()));
        getChildren().add(styled(r, "plan-ground"));
    }

    private void light(Stage p) {
        SetPlace.Stand s = state;
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
        SetPlace.Stand s = state;
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
        double a = Math.round(sheet.worldX(left + TOKEN / 2) * 100) / 100.0;
        double b = Math.round(sheet.worldY(top + TOKEN / 2) * 100) / 100.0;
        mark.relocate(left, top);
        return above ? new Vec(a, before.y(), b) : new Vec(before.x(), b, a);
    }

    private static <T extends Node> T styled(T node, String style) {
        node.getStyleClass().add(style);
        node.setMouseTransparent(true);
        return node;
    }
}
