package org.scenothesis.studio.parts;

import java.util.Arrays;
import java.util.List;
import java.util.function.DoubleConsumer;
import javafx.scene.Cursor;
import javafx.scene.control.Label;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Beat;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.production.words.Words;

/// The shot's seconds from left to right: ribbons, beats, a measured line, the playhead. Dragging moves the playhead.
public final class TimeStrip extends Pane {
    private static final double RIBBON = 18;
    private static final double GRIP = 7;
    private static final double REDO = 5;
    /// With more ribbons than this they are thinner.
    private static final int ROOMY = 4;

    /// A coloured stretch of time with a name.
    public record Ribbon(String name, double from, double to, @Nullable Spike spike) {}

    /// What is told when the first ribbon is taken hold of: at its beginning, its end, or with Shift as a whole, which is slid by seconds.
    public interface Hold {
        void begins(double seconds);

        void ends(double seconds);

        void slides(double by);
    }

    private final Rectangle playhead = new Rectangle(2, 10);
    private final Label clock = Text.of("", "small");
    private DoubleConsumer moved = s -> {};
    private @Nullable Hold hold;
    private double slidFrom = Double.NaN;
    private double seconds = 1;
    private double at;
    private List<Ribbon> ribbons = List.of();
    private List<Beat> beats = List.of();
    private List<Double> ticks = List.of();
    private List<Double> redo = List.of();
    private double[] line = {};
    private double[] looped = {0, 0};

    public TimeStrip() {
        getStyleClass().add("strip");
        playhead.getStyleClass().add("playhead");
        playhead.setMouseTransparent(true);
        clock.setMouseTransparent(true);
        setMinHeight(56);
        setPrefHeight(64);
        setFocusTraversable(false);
        addEventHandler(MouseEvent.MOUSE_PRESSED, e -> {
            slidFrom = hold != null && e.isShiftDown() ? e.getX() : Double.NaN;
            take(e);
        });
        addEventHandler(MouseEvent.MOUSE_DRAGGED, this::take);
        addEventHandler(MouseEvent.MOUSE_RELEASED, e -> {
            double by = seconds(e.getX()) - seconds(slidFrom);
            if (hold != null && Math.abs(by) > 0) {
                hold.slides(by);
            }
            slidFrom = Double.NaN;
        });
        widthProperty().addListener(o -> draw());
        heightProperty().addListener(o -> draw());
    }

    public void whenMoved(DoubleConsumer action) {
        moved = action;
    }

    /// Lets the first ribbon be taken hold of.
    public void holds(Hold by) {
        hold = by;
    }

    private void take(MouseEvent e) {
        if (Double.isNaN(slidFrom)) {
            moved.accept(Math.clamp(seconds(e.getX()), 0, seconds));
        }
    }

    private double seconds(double x) {
        return x / Math.max(1, getWidth()) * seconds;
    }

    /// A grip at an end of the first ribbon; let go, it tells where.
    private Rectangle grip(String id, double atSeconds, double y, DoubleConsumer let) {
        Rectangle g = new Rectangle(x(atSeconds) - GRIP / 2, y, GRIP, ribbon());
        g.setId(id);
        g.getStyleClass().add("handle");
        g.setCursor(Cursor.H_RESIZE);
        g.addEventHandler(MouseEvent.ANY, e -> {
            if (e.getEventType() == MouseEvent.MOUSE_DRAGGED) {
                g.setX(Math.clamp(e.getX(), 0, getWidth()) - GRIP / 2);
            } else if (e.getEventType() == MouseEvent.MOUSE_RELEASED && Math.abs(seconds(g.getX() + GRIP / 2) - atSeconds) > 1e-6) {
                let.accept(Math.clamp(seconds(g.getX() + GRIP / 2), 0, seconds));
            }
            e.consume();
        });
        return g;
    }

    public void show(double total, List<Ribbon> what, List<Beat> marked) {
        seconds = Math.max(0.01, total);
        ribbons = List.copyOf(what);
        beats = List.copyOf(marked);
        draw();
    }

    /// The stretch that is played again and again, in seconds; nothing where it begins at its end.
    public void loop(double from, double to) {
        looped = new double[] {from, to};
        draw();
    }

    /// Small marks on the strip, for keyframes.
    public void ticks(List<Double> when) {
        ticks = List.copyOf(when);
        draw();
    }

    /// Moments that are to be done again, with the shape of that verdict.
    public void redo(List<Double> when) {
        redo = List.copyOf(when);
        draw();
    }

    /// A line of values over the whole time, scaled to its own largest.
    public void line(double[] values) {
        line = values.clone();
        draw();
    }

    public void at(double s) {
        at = s;
        place();
    }

    private double ribbon() {
        return ribbons.size() > ROOMY ? RIBBON - 5 : RIBBON;
    }

    /// How high the strip has to be for its ribbons, the clock and the names of the beats.
    public static double height(int ribbons) {
        return 38 + (ribbons > ROOMY ? RIBBON - 2 : RIBBON + 3) * Math.max(1, ribbons);
    }

    private double x(double s) {
        return s / seconds * getWidth();
    }

    private void draw() {
        getChildren().clear();
        double y = 4;
        for (Ribbon r : ribbons) {
            Rectangle bar = new Rectangle(x(r.from), y, Math.max(2, x(r.to) - x(r.from)), ribbon());
            bar.getStyleClass().add(r.spike == null ? "plot-solid" : "spike-" + r.spike.ordinal());
            bar.setMouseTransparent(true);
            Label name = Text.of(r.name, "small", "ribbon-name");
            name.setMaxWidth(Math.max(10, x(r.to) - x(r.from) - 10));
            name.relocate(x(r.from) + 6, y + (ribbons.size() > ROOMY ? -2 : 1));
            name.setMouseTransparent(true);
            getChildren().addAll(bar, name);
            Hold by = hold;
            if (by != null && r == ribbons.getFirst()) {
                getChildren().addAll(grip("ribbon-begins", r.from, y, by::begins), grip("ribbon-ends", r.to, y, by::ends));
            }
            y += ribbon() + 3;
        }
        if (looped[1] > looped[0]) {
            Rectangle again = new Rectangle(x(looped[0]), 0, Math.max(2, x(Math.min(seconds, looped[1])) - x(looped[0])), 3);
            again.getStyleClass().add("cut");
            again.setMouseTransparent(true);
            getChildren().add(again);
        }
        for (double t : ticks) {
            Rectangle tick = new Rectangle(x(t) - 2.5, y, 5, 9);
            tick.getStyleClass().add("cut");
            tick.setMouseTransparent(true);
            getChildren().add(tick);
        }
        for (double t : redo) {
            Rectangle mark = new Rectangle(Math.clamp(x(t) - REDO / 2, 0, Math.max(0, getWidth() - REDO)), y, REDO, REDO);
            mark.getStyleClass().add("mark-redo");
            mark.setMouseTransparent(true);
            getChildren().add(mark);
        }
        drawLine();
        drawBeats();
        getChildren().addAll(playhead, clock);
        place();
    }

    private void drawLine() {
        double most = Arrays.stream(line).max().orElse(0);
        if (line.length < 2 || most <= 0) {
            return;
        }
        Polyline p = new Polyline();
        p.getStyleClass().add("plot-line-c");
        for (int i = 0; i < line.length; i++) {
            p.getPoints().addAll(i * getWidth() / (line.length - 1), getHeight() - 18 - line[i] / most * (getHeight() - 50));
        }
        p.setMouseTransparent(true);
        getChildren().add(p);
    }

    private void drawBeats() {
        double free = -1;
        for (Beat b : beats) {
            Rectangle tick = new Rectangle(x(b.seconds()), 0, 1, getHeight());
            tick.getStyleClass().add("beat-tick");
            tick.setOpacity(0.5);
            tick.setMouseTransparent(true);
            Label name = Text.of(b.name(), "small");
            name.setMouseTransparent(true);
            boolean rightmost = x(b.seconds()) > getWidth() - 90;
            name.relocate(x(b.seconds()) + (rightmost ? -84 : 5), getHeight() - 18);
            getChildren().add(tick);
            // A name that would lie on the one before it is left to its tick.
            double left = x(b.seconds()) + (rightmost ? -84 : 5);
            if (left > free) {
                getChildren().add(name);
                free = left + 6.3 * b.name().length();
            }
        }
    }

    private void place() {
        playhead.setX(Math.clamp(x(at) - 1, 0, Math.max(0, getWidth() - 2)));
        playhead.setHeight(getHeight());
        clock.setText(Words.time(at));
        clock.setMinWidth(Region.USE_PREF_SIZE);
        double right = Math.max(0, getWidth() - 52);
        // Between the ribbons and the names of the beats.
        double below = 3 + ribbons.size() * (ribbon() + 3);
        clock.relocate(Math.min(right, x(at) + 5), Math.max(0, Math.min(below, getHeight() - 33)));
    }
}
