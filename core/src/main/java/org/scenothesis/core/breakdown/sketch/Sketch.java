package org.scenothesis.core.breakdown.sketch;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.shot.Shot;

/// A drawing as plain shapes: what the audience sees at a moment, or what a plate shows, at scale.
///
/// Shapes lie in a panel of width 1.6 and height 0.9; y points down. The first shapes lie behind.
///
/// - `measures`: lengths to be written into it. `pieces`: what can be taken in hand. `frame`: which part of the world it shows.
public record Sketch(List<Shape> shapes, List<Measure> measures, List<Piece> pieces, Frame frame) {
    public static final double WIDTH = 1.6;
    public static final double HEIGHT = 0.9;

    /// How a shape is drawn. SOLID in the illusion's own colour, INK as those it does not happen to; SIGHT is where somebody looks.
    public enum Look {
        SOLID,
        INK,
        DASHED,
        LINE,
        FADED,
        SIGHT,
        SHADOW,
        PLACE,
        GREEN,
        BLUE,
        BLACK,
        WHITE
    }

    /// A box, an ellipse or a line (from its corner to the opposite one) in one look; `illusion` is the number of the illusion it belongs
    /// to, −1 for the set.
    public record Shape(Kind kind, double x, double y, double w, double h, Look look, int illusion) {
        public enum Kind {
            BOX,
            ELLIPSE,
            LINE
        }
    }

    /// A length from one point to another, in metres.
    public record Measure(double x1, double y1, double x2, double y2, double metres) {}

    /// Somebody or something in the picture, with its bounds.
    ///
    /// - `illusion`: id of the illusion whose facts its place belongs to. `across`, `up`: the facts that moving it changes; null where it
    ///   stays. `index`: which of several places, −1 for the only one.
    /// - `front`: whether it lies before what it crosses.
    public record Piece(String illusion, String name, double x, double y, double w, double h, @Nullable Fact across, @Nullable Fact up,
            int index, boolean front) {}

    /// The part of the world that is seen, in metres: its left edge from the middle, its lower edge above the floor.
    public record Frame(double leftM, double bottomM, double wideM, double highM) {
        /// Of a height, with its lower edge there, the world's middle in its middle.
        static Frame of(double bottomM, double highM) {
            double wide = highM * WIDTH / HEIGHT;
            return new Frame(-wide / 2, bottomM, wide, highM);
        }

        double x(double m) {
            return (m - leftM) / wideM * WIDTH;
        }

        double y(double m) {
            return HEIGHT - (m - bottomM) / highM * HEIGHT;
        }

        double length(double m) {
            return m / highM * HEIGHT;
        }

        /// Metres of so much of the panel.
        public double metres(double panel) {
            return panel / HEIGHT * highM;
        }
    }

    public Sketch {
        shapes = List.copyOf(shapes);
        measures = List.copyOf(measures);
        pieces = List.copyOf(pieces);
    }

    /// The picture of the shot at a moment, in seconds, as the audience sees it.
    public static Sketch of(Shot told, double seconds) {
        return new Audience(told, seconds).sketch();
    }
}
