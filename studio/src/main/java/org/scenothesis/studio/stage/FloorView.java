package org.scenothesis.studio.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.Region;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.draw.Reach;
import org.scenothesis.core.stage.draw.SetDrawing;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.piece.Camera;
import org.scenothesis.core.stage.piece.Flag;
import org.scenothesis.core.stage.piece.Glass;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.Support;
import org.scenothesis.core.stage.piece.Wall;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.production.words.StageWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.NumberField;
import org.scenothesis.studio.parts.SetPlan;
import org.scenothesis.studio.parts.Text;

/// The set from above or from the side, at scale. Pieces are dragged or moved by keys; the lengths on its tapes are typed.
final class FloorView extends SetPlan {
    private static final double HOLD = 22;
    private static final double SLIP_W = 58;
    private static final double SLIP_H = 22;
    private static final double STEP_M = 0.05;
    private static final double LEAP_M = 0.5;
    private static final double TURN_DEG = 5;

    private final StageModel model;
    /// While something is dragged the sheet stays as it was.
    private boolean held;
    /// What is drawn is not how it is any more: something was typed meanwhile.
    private boolean stale;
    private double grabX;
    private double grabY;
    private Vec grabbed = Vec.ZERO;

    FloorView(StageModel model, boolean above) {
        super(above, above ? "floor-above" : "floor-side");
        this.model = model;
        setMinSize(120, 90);
        addEventHandler(MouseEvent.MOUSE_PRESSED, e -> {
            if (e.getTarget() == this) {
                model.choose("");
            }
        });
        setOnDragOver(e -> {
            if (above && e.getDragboard().hasContent(PieceBoard.PIECE)) {
                e.acceptTransferModes(TransferMode.COPY);
            }
        });
        setOnDragDropped(e -> {
            if (e.getDragboard().getContent(PieceBoard.PIECE) instanceof String code) {
                model.add(code, new Vec(sheet.worldX(e.getX()), 0, sheet.worldY(e.getY())));
                e.setDropCompleted(true);
            }
        });
    }

    private double px(double x) {
        return sheet.px(x);
    }

    private double py(double y) {
        return sheet.py(y);
    }

    @Override
    protected void draw() {
        if (getWidth() < 40 || getHeight() < 40) {
            return;
        }
        if (typing()) {
            // What is typed is not taken out from under the hands.
            stale = true;
            return;
        }
        stale = false;
        String focused = focusedHold();
        getChildren().clear();
        Optional<SetView> seen = model.view();
        if (seen.isEmpty()) {
            return;
        }
        SetView view = seen.get();
        SetDrawing drawing = SetDrawing.of(view, above);
        sheet.sized(getWidth(), getHeight());
        if (!held) {
            sheet.fit(drawing.low(), drawing.high());
        }
        getChildren().addAll(sheet.grid());
        model.compared().filter(c -> !model.dragging()).ifPresent(c -> lay(SetDrawing.of(c.view(model.plate()), above).marks().stream()
                .filter(m -> !m.piece().isEmpty()).toList(), true));
        lay(drawing.marks(), false);
        title(above ? Words.of("floor-view.from-above-grid") : Words.of("floor-view.from-the-side"));
        List<Reach> reaches = Reach.of(view, model.chosen());
        // Where pieces are taken in hand nothing else is put.
        List<double[]> taken = new ArrayList<>();
        held(view).forEach(h -> taken.add(new double[] {px(SetDrawing.on(above, h.at).x()) - HOLD / 2, py(SetDrawing.on(above, h.at).y())
                - HOLD / 2, HOLD, HOLD}));
        List<Node> slips = reaches.stream().filter(r -> r.upright() != above).<Node>map(r -> tape(r, taken)).toList();
        held(view).forEach(h -> hold(view, h.id, h.words, h.at, taken));
        getChildren().addAll(slips);
        if (!focused.isEmpty()) {
            getChildren().stream().filter(n -> focused.equals(n.getId())).findFirst().ifPresent(Node::requestFocus);
        }
        String fresh = above ? model.fresh() : "";
        if (!fresh.isEmpty()) {
            focus(fresh);
        }
        applyCss();
    }

    private boolean typing() {
        return getScene() != null && getScene().getFocusOwner() instanceof TextField f && f.getParent() == this;
    }

    private String focusedHold() {
        return getScene() != null && getScene().getFocusOwner() != null && getScene().getFocusOwner().getParent() == this && getScene()
                .getFocusOwner().getId() != null ? getScene().getFocusOwner().getId() : "";
    }

    private void add(Node n, String... styles) {
        n.getStyleClass().addAll(styles);
        n.setMouseTransparent(true);
        getChildren().add(n);
    }

    /// A line with a ring at each end and its length on a slip that can be typed on.
    private TextField tape(Reach r, List<double[]> taken) {
        Point a = SetDrawing.on(above, r.from());
        Point b = SetDrawing.on(above, r.to());
        boolean chosen = r.moves().equals(model.chosen());
        double x0 = px(a.x());
        double y0 = py(a.y());
        double x1 = px(b.x());
        double y1 = py(b.y());
        add(new Line(x0, y0, x1, y1), "floor-tape");
        add(new Circle(x0, y0, 3), "floor-tape-end");
        add(new Circle(x1, y1, 3), "floor-tape-end");
        TextField field = new NumberField();
        field.setText(StageWords.length(r.metres(), model.feet()));
        field.getStyleClass().setAll("text-input", "text-field", "tape-slip");
        if (chosen) {
            field.getStyleClass().add("tape-chosen");
        }
        field.setId("tape-" + r.code());
        field.setAccessibleText(switch (r.code()) {
            case "lens" -> Words.of("floor-view.height-of-the-lens");
            case "away" -> Words.of("floor-view.from-the-camera");
            case "behind" -> Words.of("floor-view.from-there-to-the-screen");
            case "key" -> Words.of("floor-view.from-there-to-the-key");
            case "height" -> Words.of("floor-view.height-of-the-lamp");
            default -> Words.of("floor-view.from-the-camera-to-it");
        });
        field.setPrefWidth(SLIP_W);
        field.setMaxWidth(SLIP_W);
        field.setOnAction(e -> typed(field, r));
        field.focusedProperty().addListener((o, was, is) -> {
            if (is) {
                field.setText(model.feet() ? field.getText() : field.getText().replace(" m", ""));
                field.selectAll();
            } else if (stale) {
                Platform.runLater(this::draw);
            }
        });
        field.addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                requestFocus();
                draw();
                e.consume();
            }
        });
        double[] at = free(x0, y0, x1, y1, taken);
        taken.add(new double[] {at[0], at[1], SLIP_W, SLIP_H});
        field.relocate(at[0], at[1]);
        return field;
    }

    /// On the line or beside it, where nothing lies yet.
    private double[] free(double x0, double y0, double x1, double y1, List<double[]> taken) {
        double length = Math.max(1, Math.hypot(x1 - x0, y1 - y0));
        double[] first = null;
        for (double aside : new double[] {0, 40, -40, 66, -66}) {
            for (double t : new double[] {0.5, 0.35, 0.65, 0.2, 0.8}) {
                double x = Math.clamp(x0 + (x1 - x0) * t + aside * (y1 - y0) / length - SLIP_W / 2, 2,
                        Math.max(2, getWidth() - SLIP_W - 2));
                double y = Math.clamp(y0 + (y1 - y0) * t - aside * (x1 - x0) / length - SLIP_H / 2, 20,
                        Math.max(20, getHeight() - SLIP_H - 2));
                double[] at = {x, y};
                first = first == null ? at : first;
                if (!overlaps(taken, x, y, SLIP_W, SLIP_H)) {
                    return at;
                }
            }
        }
        return first == null ? new double[] {2, 20} : first;
    }

    private static boolean overlaps(List<double[]> taken, double x, double y, double w, double h) {
        return taken.stream().anyMatch(t -> x < t[0] + t[2] && t[0] < x + w && y < t[1] + t[3] && t[1] < y + h);
    }

    private void typed(TextField field, Reach r) {
        StageWords.metres(field.getText()).ifPresentOrElse((double m) -> {
            requestFocus();
            model.reach(r, m);
        }, () -> model.session().say(Words.of("floor-view.length-is-metres-like-or")));
    }

    /// What can be taken in hand here: from the side only what can be lifted.
    private record Held(String id, String words, Vec at) {}

    private List<Held> held(SetView view) {
        List<Held> out = new ArrayList<>();
        view.pieces().stream().filter(p -> above ? !(p.thing() instanceof Lamp l && l.kind().everywhere()) : p.thing() instanceof Lamp
                || p.thing() instanceof Body).forEach(p -> out.add(new Held(p.id(), p.name(), place(p))));
        out.add(new Held(Reach.CAMERA, "the camera", view.eye()));
        return out;
    }

    private static Vec place(Piece p) {
        return switch (p.thing()) {
            case Lamp l -> p.at().up(l.heightM().value());
            case Body b -> SetView.middle(p, b.moments().getLast().seconds());
            case Backdrop _, Support _, Wall _, Glass _, Flag _, Camera _ -> p.at().up(0);
        };
    }

    private void hold(SetView view, String id, String words, Vec at, List<double[]> taken) {
        Point p = SetDrawing.on(above, at);
        Region hold = new Region();
        hold.getStyleClass().add("floor-hold");
        if (id.equals(model.chosen())) {
            hold.getStyleClass().add("floor-chosen");
        }
        hold.setId((above ? "piece-" : "side-") + id);
        hold.setAccessibleRole(AccessibleRole.BUTTON);
        hold.setAccessibleText(words);
        hold.setFocusTraversable(true);
        hold.resizeRelocate(px(p.x()) - HOLD / 2, py(p.y()) - HOLD / 2, HOLD, HOLD);
        hold.setPrefSize(HOLD, HOLD);
        Text.tip(hold, () -> words);
        if (above) {
            name(words, px(p.x()), py(p.y()), taken);
        }
        hold.addEventHandler(MouseEvent.MOUSE_PRESSED, e -> {
            held = true;
            grabX = e.getSceneX();
            grabY = e.getSceneY();
            grabbed = id.equals(Reach.CAMERA) ? view.eye() : place(view.stage().floor().piece(id).orElseThrow());
            e.consume();
        });
        hold.addEventHandler(MouseEvent.MOUSE_DRAGGED, e -> {
            if (Math.hypot(e.getSceneX() - grabX, e.getSceneY() - grabY) > 3) {
                model.preview(dragged(view.stage(), id, e));
            }
            e.consume();
        });
        hold.addEventHandler(MouseEvent.MOUSE_RELEASED, e -> {
            held = false;
            if (model.dragging()) {
                Stage to = dragged(view.stage(), id, e);
                model.accept("move a piece", s -> to);
            }
            model.choose(id);
            focus(id);
            e.consume();
        });
        hold.focusedProperty().addListener((o, was, is) -> {
            if (is && !held) {
                model.choose(id);
            }
        });
        hold.addEventHandler(KeyEvent.KEY_PRESSED, e -> key(e, id));
        getChildren().add(hold);
    }

    /// Beside it, where nothing is written yet; where all is full it is left to the tip.
    private void name(String words, double x, double y, List<double[]> taken) {
        Label name = Text.of(words, "floor-name");
        double wide = 6.0 * words.length();
        double[][] places = {{x + 12, y + 4}, {x + 12, y - 17}, {x - 12 - wide, y + 4}, {x - 12 - wide, y - 17}, {x - wide / 2, y + 13},
                {x - wide / 2, y - 27}};
        for (double[] q : places) {
            if (q[0] > 2 && q[0] + wide < getWidth() - 2 && q[1] > 18 && q[1] < getHeight() - 16
                    && !overlaps(taken, q[0], q[1], wide, 14)) {
                taken.add(new double[] {q[0], q[1], wide, 14});
                name.relocate(q[0], q[1]);
                add(name);
                return;
            }
        }
    }

    /// By how much the mouse went since it was pressed: the drawing under it may have been made anew since.
    private Stage dragged(Stage stage, String id, MouseEvent e) {
        double dx = (e.getSceneX() - grabX) / sheet.scale();
        double dy = -(e.getSceneY() - grabY) / sheet.scale();
        return above ? model.moved(stage, id, grabbed.x() + dx, grabbed.z() + dy)
                : model.lifted(stage, id, grabbed.z() + dx, grabbed.y() + dy);
    }

    void focus(String id) {
        getChildren().stream().filter(n -> ((above ? "piece-" : "side-") + id).equals(n.getId())).findFirst().ifPresent(Node::requestFocus);
    }

    private void key(KeyEvent e, String id) {
        double by = e.isShiftDown() ? LEAP_M : STEP_M;
        switch (e.getCode()) {
            case LEFT -> nudge(id, above ? -by : 0, above ? 0 : -by, 0);
            case RIGHT -> nudge(id, above ? by : 0, above ? 0 : by, 0);
            case UP -> nudge(id, 0, above ? by : 0, above ? 0 : by);
            case DOWN -> nudge(id, 0, above ? -by : 0, above ? 0 : -by);
            case R -> model.turn(id, e.isShiftDown() ? -TURN_DEG : TURN_DEG);
            case C -> model.faceCamera(id);
            case DELETE, BACK_SPACE -> {
                if (!id.equals(Reach.CAMERA)) {
                    model.remove(id);
                    requestFocus();
                }
            }
            case ESCAPE -> {
                model.choose("");
                requestFocus();
            }
            default -> {
                return;
            }
        }
        e.consume();
    }

    private void nudge(String id, double right, double away, double up) {
        model.view().ifPresent(v -> {
            Vec at = id.equals(Reach.CAMERA) ? v.eye() : place(v.stage().floor().piece(id).orElseThrow());
            model.accept("move a piece", s -> up != 0 || !above ? model.lifted(s, id, at.z() + away, at.y() + up)
                    : model.moved(s, id, at.x() + right, at.z() + away));
        });
    }
}
