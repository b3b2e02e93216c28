package org.scenothesis.studio.breakdown;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.scenothesis.core.breakdown.sketch.Drawn;
import org.scenothesis.core.breakdown.sketch.Sketch;
import org.scenothesis.core.shot.Beat;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Drawing;
import org.scenothesis.studio.parts.Text;

/// What the audience sees at every beat, drawn at scale from what was told. What is in it is dragged, or moved by keys.
final class AudienceView {
    private static final double LEAST = 176;
    private static final double MOST = 262;
    /// What all else needs of the window's height, and how much of the rest is a drawing's width.
    private static final double BELOW = 480;
    private static final double HIGH_SHARE = 0.9;
    private static final double GAP = 10;
    private static final double STEP_M = 0.05;
    private static final double LEAP_M = 0.25;
    private static final int BEATS = 24;
    /// Height of the words under a drawing, and of a scroll bar.
    private static final double WORDS = 26;
    private static final double BAR = 12;

    private final BreakDownModel model;
    private final HBox row = new HBox(GAP);
    private final ScrollPane scroll = new ScrollPane(row);
    private final Label hint = Text.of("", "muted");
    private final VBox box;

    AudienceView(BreakDownModel model) {
        this.model = model;
        row.setId("audience");
        row.setPadding(new Insets(1, 1, 2, 1));
        scroll.setId("audience-scroll");
        scroll.setVbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setFitToHeight(true);
        hint.setMinWidth(0);
        HBox head = new HBox(12, Text.of(Words.of("audience-view.what-the-audience-sees"), "heading"), hint);
        head.setAlignment(Pos.CENTER_LEFT);
        box = new VBox(4, head, scroll);
        box.setMinHeight(Region.USE_PREF_SIZE);
        scroll.widthProperty().addListener(o -> resize());
        hint.setText(Words.of("audience-view.drawn-from-your-entries-at"));
    }

    Region node() {
        return box;
    }

    private double wide(int beats) {
        double room = scroll.getWidth() - 6;
        int shown = Math.clamp(beats, 1, Math.max(1, (int) (room / (LEAST + GAP))));
        // In a low window the questions need the room.
        double most = Math.clamp(((box.getScene() == null ? 0 : box.getScene().getHeight()) - BELOW) * HIGH_SHARE, LEAST, MOST);
        return Math.clamp((room - (shown - 1) * GAP) / Math.min(Math.max(3, shown), Math.max(3, beats)), LEAST, most);
    }

    private void resize() {
        if (!row.getChildren().isEmpty()) {
            refresh();
        }
    }

    /// The beats that are drawn: those that were told, and how it begins.
    private static List<Beat> beats(Shot shot) {
        List<Beat> out = new ArrayList<>(shot.beats());
        if (out.isEmpty() || out.getFirst().seconds() > 0.05) {
            out.addFirst(new Beat("begin", "it begins", 0));
        }
        if (out.size() < 2 && !shot.illusions().isEmpty()) {
            out.add(new Beat("then", "it happens", (shot.illusions().getFirst().fromSeconds() + shot.illusions().getFirst()
                    .toSeconds()) / 2));
        }
        return out.subList(0, Math.min(BEATS, out.size()));
    }

    void refresh() {
        Shot shot = model.shot();
        List<Beat> beats = beats(shot);
        double wide = scroll.getWidth() <= 0 ? LEAST : wide(beats.size());
        List<Node> all = new ArrayList<>();
        for (Beat b : beats) {
            all.add(beat(shot, b, wide));
        }
        row.getChildren().setAll(all);
        double high = wide * Sketch.HEIGHT / Sketch.WIDTH + WORDS;
        boolean wider = (wide + GAP) * all.size() - GAP > scroll.getWidth() + 1;
        scroll.setMinHeight(high + (wider ? BAR : 0));
        scroll.setPrefHeight(high + (wider ? BAR : 0));
        at(model.session().seconds().get());
    }

    /// Marks the beat that is at the playhead.
    void at(double seconds) {
        List<Beat> beats = beats(model.shot());
        int now = 0;
        for (int i = 0; i < beats.size(); i++) {
            now = beats.get(i).seconds() <= seconds + 1e-6 ? i : now;
        }
        for (int i = 0; i < row.getChildren().size(); i++) {
            List<String> styles = row.getChildren().get(i).getStyleClass();
            styles.remove("beat-now");
            if (i == now) {
                styles.add("beat-now");
            }
        }
    }

    private Node beat(Shot shot, Beat b, double wide) {
        Drawing drawing = new Drawing(wide);
        drawing.setId("beat-drawing-" + b.id());
        drawing.setAccessibleText(Words.of("audience-view.what-the-audience-sees-at", b.name()));
        show(drawing, shot, b.seconds());
        drawing.addEventHandler(MouseEvent.MOUSE_PRESSED, e -> model.session().goToFrame(b.seconds() * model.session().rate()));
        HBox words = new HBox(6, Text.of(b.name(), "strong"), Text.of(Words.time(b.seconds()), "muted"));
        words.setPadding(new Insets(2, 0, 0, 4));
        VBox out = new VBox(drawing, words);
        out.getStyleClass().add("beat");
        return out;
    }

    private void show(Drawing drawing, Shot shot, double seconds) {
        Sketch sketch = Sketch.of(shot, seconds);
        drawing.draw(sketch);
        drawing.getChildren().removeIf(n -> n.getStyleClass().contains("piece"));
        for (int i = 0; i < sketch.pieces().size(); i++) {
            if (sketch.pieces().get(i).across() != null || sketch.pieces().get(i).up() != null) {
                drawing.getChildren().add(hold(drawing, sketch, sketch.pieces().get(i), i, seconds));
            }
        }
    }

    /// Where a piece is taken in hand.
    private Region hold(Drawing drawing, Sketch sketch, Sketch.Piece piece, int index, double seconds) {
        Region hold = new Region();
        hold.getStyleClass().add("piece");
        hold.setId("piece-" + drawing.getId() + "-" + index);
        hold.setFocusTraversable(true);
        hold.setAccessibleRole(AccessibleRole.BUTTON);
        hold.setAccessibleText(Words.of("audience-view.to-be-moved", PlanWords.capital(piece.name()), piece.front() ? ", in front" : ""));
        double s = drawing.scale();
        hold.resizeRelocate(piece.x() * s - 3, piece.y() * s - 3, piece.w() * s + 6, piece.h() * s + 6);
        hold.setManaged(false);
        Text.tip(hold, () -> piece.name() + (piece.up() == null ? Words.of("audience-view.drag-it-across")
                : Words.of("audience-view.drag-it-across-and-up"))
                + (Drawn.crosses(piece) ? Words.of("audience-view.brings-it-to-the-front") : ""));
        double[] from = new double[2];
        hold.addEventHandler(MouseEvent.MOUSE_PRESSED, e -> {
            from[0] = e.getSceneX();
            from[1] = e.getSceneY();
            hold.requestFocus();
            e.consume();
        });
        hold.addEventHandler(MouseEvent.MOUSE_DRAGGED, e -> {
            Shot moved = moved(sketch, piece, seconds, (e.getSceneX() - from[0]) / s, (from[1] - e.getSceneY()) / s);
            drawing.draw(Sketch.of(moved, seconds));
            hold.setTranslateX(piece.across() == null ? 0 : e.getSceneX() - from[0]);
            hold.setTranslateY(piece.up() == null ? 0 : e.getSceneY() - from[1]);
            e.consume();
        });
        hold.addEventHandler(MouseEvent.MOUSE_RELEASED, e -> {
            Shot moved = moved(sketch, piece, seconds, (e.getSceneX() - from[0]) / s, (from[1] - e.getSceneY()) / s);
            if (!moved.equals(model.shot())) {
                model.drawn("move " + piece.name(), moved);
            } else {
                show(drawing, model.shot(), seconds);
            }
            e.consume();
        });
        hold.addEventHandler(KeyEvent.KEY_PRESSED, e -> key(e, piece, seconds));
        return hold;
    }

    private Shot moved(Sketch sketch, Sketch.Piece piece, double seconds, double acrossPanel, double upPanel) {
        return Drawn.moved(model.shot(), seconds, piece, sketch.frame().metres(acrossPanel), sketch.frame().metres(upPanel));
    }

    private void key(KeyEvent e, Sketch.Piece piece, double seconds) {
        if (e.isShortcutDown() || e.isAltDown()) {
            return;
        }
        double step = e.isShiftDown() ? LEAP_M : STEP_M;
        switch (e.getCode()) {
            case LEFT -> nudge(piece, seconds, -step, 0);
            case RIGHT -> nudge(piece, seconds, step, 0);
            case UP -> nudge(piece, seconds, 0, step);
            case DOWN -> nudge(piece, seconds, 0, -step);
            case F -> {
                if (Drawn.crosses(piece)) {
                    model.drawn(piece.front() ? "bring " + piece.name() + " behind"
                            : Words.of("audience-view.bring-to-the-front", piece.name()),
                            Drawn.crossing(model.shot(), piece, !piece.front()));
                }
            }
            default -> {
                return;
            }
        }
        e.consume();
    }

    private void nudge(Sketch.Piece piece, double seconds, double across, double up) {
        Shot moved = Drawn.moved(model.shot(), seconds, piece, across, up);
        if (!moved.equals(model.shot())) {
            model.drawn("move " + piece.name(), moved);
        }
    }
}
