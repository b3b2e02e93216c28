package org.scenothesis.core.breakdown.sketch;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Told;
import org.scenothesis.core.breakdown.wonder.Rules;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Wonder;

/// A storyboard panel of a moment, as plain shapes: what the audience sees happening, not how it looks.
///
/// Shapes lie in a panel of width 1.6 and height 0.9; y points down.
public record Sketch(List<Shape> shapes) {
    public static final double WIDTH = 1.6;
    public static final double HEIGHT = 0.9;
    private static final double FLOOR = 0.78;

    public enum Look {
        SOLID,
        DASHED,
        LINE,
        FADED
    }

    /// A box, an ellipse or a line (from its corner to the opposite one) in one look; `wonder` is the number of the wonder it belongs to, −1 for the set.
    public record Shape(Kind kind, double x, double y, double w, double h, Look look, int wonder) {
        public enum Kind {
            BOX,
            ELLIPSE,
            LINE
        }
    }

    public Sketch {
        shapes = List.copyOf(shapes);
    }

    /// The picture of the shot at a moment, in seconds, as outlines.
    public static Sketch of(Shot told, double seconds) {
        Shot shot = Rules.assuming(told);
        List<Shape> out = new ArrayList<>();
        out.add(new Shape(Shape.Kind.LINE, 0, FLOOR, WIDTH, 0, Look.LINE, -1));
        List<Wonder> all = shot.wonders();
        for (int i = 0; i < all.size(); i++) {
            Wonder w = all.get(i);
            boolean now = seconds >= w.fromSeconds() - 1e-9 && seconds <= w.toSeconds() + 1e-9;
            double x = WIDTH * (i + 1) / (all.size() + 1);
            new Panel(out, i, now, Told.of(w, shot.setting()), seconds).draw(w, x);
        }
        return new Sketch(out);
    }

    /// Draws one wonder at a place.
    private record Panel(List<Shape> to, int wonder, boolean now, Told told, double seconds) {
        void draw(Wonder w, double x) {
            Look look = now ? Look.SOLID : Look.FADED;
            switch (w.kind()) {
                case FLOATS -> {
                    double rise = now ? 0.22 : 0;
                    subject(x, FLOOR - rise, 1, look);
                    if (now) {
                        to.add(new Shape(Shape.Kind.ELLIPSE, x - 0.09, FLOOR - 0.015, 0.18, 0.03, Look.DASHED, wonder));
                    }
                }
                case COPIES -> {
                    int many = now ? (int) Math.min(7, told.number(Fact.COUNT)) : 1;
                    for (int k = 0; k < many; k++) {
                        subject(x + (k - (many - 1) / 2.0) * 0.17, FLOOR, 1, look);
                    }
                }
                case OTHER_SIZE -> subject(x, FLOOR, told.number(Fact.FACTOR) > 1 ? 1.8 : 0.35, look);
                case HIDDEN -> subject(x, FLOOR, 1, now ? Look.DASHED : Look.FADED);
                case MOVED -> {
                    subject(x, FLOOR - 0.1, 0.7, look);
                    line(x - 0.25, FLOOR - 0.12, 0.16, 0, now);
                }
                case BECOMES -> {
                    boolean after = seconds >= told.number(Fact.AT_S);
                    if (after) {
                        to.add(new Shape(Shape.Kind.ELLIPSE, x - 0.09, FLOOR - 0.24, 0.18, 0.24, look, wonder));
                    } else {
                        subject(x, FLOOR, 1, look);
                    }
                }
                case ELSEWHERE -> {
                    line(0.05, 0.34, 0.5, -0.14, now);
                    line(0.55, 0.2, 0.6, 0.12, now);
                    subject(x, FLOOR, 1, look);
                }
                case THROUGH_FRAME -> {
                    to.add(new Shape(Shape.Kind.BOX, x - 0.22, 0.14, 0.44, 0.46, Look.LINE, wonder));
                    subject(x + (now ? 0.12 : 0), now ? FLOOR - 0.06 : 0.58, 0.9, look);
                }
                case ENERGY -> {
                    subject(x, FLOOR, 1, Look.LINE);
                    if (now) {
                        to.add(new Shape(Shape.Kind.ELLIPSE, x + 0.06, FLOOR - 0.34, 0.14, 0.14, Look.SOLID, wonder));
                    }
                }
                case PASSES_AROUND -> {
                    for (int k = 0; k < 5; k++) {
                        double size = 0.05 + 0.035 * k;
                        to.add(new Shape(Shape.Kind.ELLIPSE, 0.12 + 0.3 * k, 0.25 + 0.1 * (k % 3), size, size, look, wonder));
                    }
                }
                case WIPED -> {
                    for (int k = 0; k < 6 && now; k++) {
                        line(0.1 + 0.25 * k, 0.85, 0.2, -0.75, true);
                    }
                }
                case WRITTEN -> {
                    for (int k = 0; k < 3; k++) {
                        to.add(new Shape(Shape.Kind.LINE, x - 0.25, 0.25 + 0.1 * k, now ? 0.5 - 0.1 * k : 0.08, 0, now ? Look.SOLID : Look.FADED, wonder));
                    }
                }
                case FRAME_BY_FRAME -> {
                    for (int k = 0; k < 3; k++) {
                        to.add(new Shape(Shape.Kind.BOX, x - 0.2 + 0.13 * k, FLOOR - 0.12 - 0.03 * (k % 2), 0.1, 0.12, k == 2 ? look : Look.FADED, wonder));
                    }
                }
                case OPENING -> to.add(new Shape(Shape.Kind.ELLIPSE, x - 0.16, 0.2, 0.32, 0.56, now ? Look.SOLID : Look.DASHED, wonder));
                case RESHAPED -> {
                    boolean round = told.is(Fact.PART, "torso", "all");
                    subject(x, FLOOR, 1, look);
                    if (now) {
                        to.add(round ? new Shape(Shape.Kind.ELLIPSE, x - 0.13, FLOOR - 0.28, 0.26, 0.24, Look.SOLID, wonder)
                                : new Shape(Shape.Kind.BOX, x, FLOOR - 0.24, 0.4, 0.04, Look.SOLID, wonder));
                    }
                }
            }
        }

        /// A body with a head, or a box, standing at a foot point.
        private void subject(double x, double foot, double scale, Look look) {
            if (told.is(Fact.WHO, "thing")) {
                to.add(new Shape(Shape.Kind.BOX, x - 0.07 * scale, foot - 0.18 * scale, 0.14 * scale, 0.18 * scale, look, wonder));
            } else {
                to.add(new Shape(Shape.Kind.BOX, x - 0.05 * scale, foot - 0.3 * scale, 0.1 * scale, 0.3 * scale, look, wonder));
                to.add(new Shape(Shape.Kind.ELLIPSE, x - 0.04 * scale, foot - 0.4 * scale, 0.08 * scale, 0.09 * scale, look, wonder));
            }
        }

        private void line(double x, double y, double w, double h, boolean strong) {
            to.add(new Shape(Shape.Kind.LINE, x, y, w, h, strong ? Look.LINE : Look.FADED, wonder));
        }
    }
}
