package org.scenothesis.studio.parts;

import java.util.List;
import java.util.function.DoubleConsumer;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import org.scenothesis.production.words.Words;

/// Measured values frame by frame, with their limit, their scale in words, and a mark where the camera was bumped.
public final class SeriesPlot extends Pane {
    private static final double LEFT = 76;

    /// One line of values; `style` is a plot-line style.
    public record Series(String name, String style, double[] values) {}

    private List<Series> series = List.of();
    private double limit;
    private String unit = "";
    private String title = "";
    private int bump = -1;
    private double at;
    private DoubleConsumer moved = f -> {};

    public SeriesPlot() {
        getStyleClass().add("plot");
        setMinHeight(70);
        widthProperty().addListener(o -> draw());
        heightProperty().addListener(o -> draw());
        addEventHandler(MouseEvent.MOUSE_PRESSED, e -> go(e.getX()));
        addEventHandler(MouseEvent.MOUSE_DRAGGED, e -> go(e.getX()));
    }

    /// Called with the frame the user points at.
    public void whenMoved(DoubleConsumer action) {
        moved = action;
    }

    private void go(double x) {
        int n = series.isEmpty() ? 0 : series.getFirst().values.length;
        if (n > 1) {
            moved.accept(Math.clamp((x - LEFT) / Math.max(1, getWidth() - LEFT - 8), 0, 1) * (n - 1));
        }
    }

    public void show(String name, String unitName, List<Series> what, double holds, int bumpFrame) {
        title = name;
        unit = unitName;
        series = List.copyOf(what);
        limit = holds;
        bump = bumpFrame;
        draw();
    }

    public void at(double frame) {
        at = frame;
        draw();
    }

    private void draw() {
        getChildren().clear();
        double w = getWidth();
        double h = getHeight();
        Label head = Text.of(title, "column-head");
        head.relocate(LEFT, 3);
        getChildren().add(head);
        double x0 = LEFT + 8 * title.length() * 0.85 + 14;
        for (Series s : series) {
            Line key = styled(new Line(x0, 12, x0 + 14, 12), s.style);
            Label name = Text.of(s.name, "small");
            name.relocate(x0 + 18, 3);
            getChildren().addAll(key, name);
            x0 += 30 + 8 * s.name.length();
        }
        double most = limit * 1.6;
        for (Series s : series) {
            for (double v : s.values) {
                most = Math.max(most, Math.abs(v) * 1.1);
            }
        }
        double top = 24;
        double mid = top + (h - top - 6) / 2;
        double k = (h - top - 6) / 2 / Math.max(1e-9, most);
        // With little room one label must do for both limits.
        boolean roomy = limit * k > 13;
        level(mid, w, "plot-grid", roomy ? "0" : "\u00b1" + Words.number(limit, 2) + " " + unit);
        level(mid - limit * k, w, "plot-limit", roomy ? "+" + Words.number(limit, 2) : "");
        level(mid + limit * k, w, "plot-limit", roomy ? "\u2212" + Words.number(limit, 2) + " " + unit : "");
        int n = series.isEmpty() ? 0 : series.getFirst().values.length;
        double step = n > 1 ? (w - LEFT - 8) / (n - 1) : 0;
        for (Series s : series) {
            if (s.values.length == 1 && !Double.isNaN(s.values[0])) {
                getChildren().add(styled(new Line(LEFT, mid - s.values[0] * k, w - 8, mid - s.values[0] * k), s.style));
            }
            for (int from = 0; from < s.values.length && n > 1; from++) {
                from = stretch(s, from, step, mid, k);
            }
        }
        if (bump >= 0 && n > 1) {
            double x = LEFT + bump * step;
            Label word = Text.of("bump, frame " + bump, "small");
            word.relocate(Math.min(x + 5, w - 110), h - 20);
            getChildren().addAll(styled(new Line(x, top, x, h - 2), "bump"), word);
        }
        if (n > 1) {
            getChildren().add(styled(new Rectangle(LEFT + Math.clamp(at, 0, n - 1) * step - 1, top, 2, h - top), "playhead"));
        }
    }

    /// Draws values up to the next one that is not known, and gives its place; a value between two unknown ones is a dot.
    private int stretch(Series s, int from, double step, double mid, double k) {
        Polyline p = styled(new Polyline(), s.style);
        int i = from;
        for (; i < s.values.length && !Double.isNaN(s.values[i]); i++) {
            p.getPoints().addAll(LEFT + i * step, mid - s.values[i] * k);
        }
        if (i == from + 1) {
            p.getPoints().addAll(LEFT + from * step + 2, mid - s.values[from] * k);
        }
        if (i > from) {
            getChildren().add(p);
        }
        return i;
    }

    private void level(double y, double w, String style, String words) {
        Label l = Text.of(words, "small", "muted");
        l.relocate(4, y - 9);
        getChildren().addAll(styled(new Line(LEFT, y, w - 8, y), style), l);
    }

    private static <T extends Node> T styled(T node, String style) {
        node.getStyleClass().add(style);
        node.setMouseTransparent(true);
        return node;
    }
}
