package org.scenothesis.studio.key;

import java.util.function.BiConsumer;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.StackPane;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.key.KeyViews;
import org.scenothesis.core.shot.step.KeySettings;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Text;

/// How many pixels stand how far from the screen colour, with the two cuts on it. Cuts are dragged, or moved by arrow keys when focused.
final class SeparationCurve extends Pane {
    private static final double FOOT = 22;
    private static final double REACH = 14;

    private final Cut empty = new Cut("empty cut", true);
    private final Cut solid = new Cut("solid cut", false);
    private final Label emptyWord = Text.of("", "number");
    private final Label edgeWord = Text.of("", "muted");
    private final Label solidWord = Text.of("", "number");
    private final Rectangle below = styled(new Rectangle(), "plot-empty");
    private final Rectangle between = styled(new Rectangle(), "plot-middle");
    private final Rectangle beyond = styled(new Rectangle(), "plot-solid");
    private final Polygon hill = styled(new Polygon(), "plot-fill");
    private double[] counts = new double[KeyModel.BINS];
    private @Nullable Cut grabbed;
    private double low = 0.1;
    private double high = 0.7;
    private double edgePx;
    private BiConsumer<Boolean, Double> accept = (e, v) -> {};
    private BiConsumer<Boolean, Double> moving = (e, v) -> {};

    SeparationCurve() {
        setMinHeight(110);
        wire();
        getChildren().addAll(below, between, beyond, hill, emptyWord, edgeWord, solidWord, empty, solid);
        widthProperty().addListener(o -> draw());
        heightProperty().addListener(o -> draw());
    }

    /// The mouse is handled here and not by the cuts, which move away under it: the nearer cut is taken, within reach.
    private void wire() {
        addEventHandler(MouseEvent.MOUSE_PRESSED, e -> {
            double toEmpty = Math.abs(e.getX() - x(low));
            double toSolid = Math.abs(e.getX() - x(high));
            grabbed = Math.min(toEmpty, toSolid) > REACH ? null : toEmpty < toSolid ? empty : solid;
            if (grabbed != null) {
                grabbed.requestFocus();
            }
        });
        addEventHandler(MouseEvent.MOUSE_DRAGGED, e -> {
            if (grabbed != null) {
                grabbed.set(grabbed.bounded(separation(e.getX())));
                moving.accept(grabbed.lower, grabbed.lower ? low : high);
            }
        });
        addEventHandler(MouseEvent.MOUSE_RELEASED, e -> {
            if (grabbed != null) {
                accept.accept(grabbed.lower, grabbed.lower ? low : high);
                grabbed = null;
            }
        });
    }

    /// - `moving` while a cut is dragged, `accept` once it is let go: which cut (true for the empty one) and where.
    void whenMoved(BiConsumer<Boolean, Double> whileMoving, BiConsumer<Boolean, Double> onAccept) {
        moving = whileMoving;
        accept = onAccept;
    }

    void show(double[] bins, double edge) {
        counts = bins;
        edgePx = edge;
        draw();
    }

    void cuts(KeySettings s) {
        low = s.emptyBelow();
        high = s.solidAbove();
        draw();
    }

    private double x(double separation) {
        return (separation - KeyViews.LOW) / (KeyViews.HIGH - KeyViews.LOW) * getWidth();
    }

    private double separation(double x) {
        return Math.round((KeyViews.LOW + x / Math.max(1, getWidth()) * (KeyViews.HIGH - KeyViews.LOW)) * 100) / 100.0;
    }

    /// Moves what is there; nothing is taken out, since a cut under the mouse must stay under it.
    private void draw() {
        double h = getHeight() - FOOT;
        stretch(below, 0, x(low), h);
        stretch(between, x(low), x(high), h);
        stretch(beyond, x(high), getWidth(), h);
        hill.getPoints().setAll(0.0, h);
        for (int i = 0; i < counts.length; i++) {
            hill.getPoints().addAll((i + 0.5) / counts.length * getWidth(), h - counts[i] * (h - 6));
        }
        hill.getPoints().addAll(getWidth(), h);
        empty.place(x(low), h);
        solid.place(x(high), h);
        emptyWord.setText("empty below " + Words.number(low, 2));
        edgeWord.setText(edgePx > 0 ? "edge, " + Words.number(edgePx, 1) + " px wide" : "edge");
        solidWord.setText("solid above " + Words.number(high, 2));
        emptyWord.relocate(Math.max(0, Math.min(x(low) - 50, x(high) - 300)), h + 3);
        edgeWord.setVisible(x(high) - x(low) > 230);
        edgeWord.relocate(x(low) + 62, h + 3);
        solidWord.relocate(Math.min(getWidth() - 112, Math.max(x(high) - 40, x(low) + 230)), h + 3);
    }

    private static void stretch(Rectangle r, double from, double to, double h) {
        r.setX(from);
        r.setWidth(Math.max(0, to - from));
        r.setHeight(Math.max(0, h));
    }

    private static <T extends Node> T styled(T node, String style) {
        node.getStyleClass().add(style);
        node.setMouseTransparent(true);
        return node;
    }

    /// One cut: a strip of yellow tape with a wide grip.
    private final class Cut extends StackPane {
        private final boolean lower;

        Cut(String name, boolean lower) {
            this.lower = lower;
            Rectangle tape = new Rectangle(3, 10);
            tape.getStyleClass().add("cut");
            tape.heightProperty().bind(heightProperty());
            getChildren().add(tape);
            setAlignment(Pos.CENTER);
            setId(lower ? "cut-empty" : "cut-solid");
            setCursor(Cursor.H_RESIZE);
            setFocusTraversable(true);
            setAccessibleRole(AccessibleRole.SLIDER);
            setAccessibleText(name);
            getStyleClass().add("cut-grip");
            addEventHandler(KeyEvent.KEY_PRESSED, e -> {
                if (e.getCode() == KeyCode.LEFT || e.getCode() == KeyCode.RIGHT) {
                    set(bounded((lower ? low : high) + (e.getCode() == KeyCode.LEFT ? -0.01 : 0.01)));
                    accept.accept(lower, lower ? low : high);
                    e.consume();
                }
            });
        }

        private double bounded(double v) {
            double r = Math.round(v * 100) / 100.0;
            return lower ? Math.clamp(r, 0, Math.min(0.9, high - 0.02)) : Math.clamp(r, Math.max(0.05, low + 0.02), 1.18);
        }

        private void set(double v) {
            if (lower) {
                low = v;
            } else {
                high = v;
            }
            draw();
        }

        void place(double at, double h) {
            resizeRelocate(at - 7, -2, 14, h + 6);
        }
    }
}
