package org.scenothesis.core.breakdown.sketch;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.sketch.Sketch.Look;
import org.scenothesis.core.breakdown.sketch.Sketch.Shape;

/// Puts shapes told in metres into a panel. Bodies are as people's proportions are: eight heads, legs nearly half.
final class Easel {
    private static final double HALF = 0.5;
    final Sketch.Frame frame;
    final List<Shape> shapes = new ArrayList<>();

    Easel(Sketch.Frame frame) {
        this.frame = frame;
    }

    /// A box standing at a foot, `x` its middle.
    void box(double x, double foot, double wide, double high, Look look, int illusion) {
        shapes.add(new Shape(Shape.Kind.BOX, frame.x(x - wide * HALF), frame.y(foot + high), frame.length(wide), frame.length(high), look,
                illusion));
    }

    void ellipse(double x, double foot, double wide, double high, Look look, int illusion) {
        shapes.add(new Shape(Shape.Kind.ELLIPSE, frame.x(x - wide * HALF), frame.y(foot + high), frame.length(wide), frame.length(high),
                look, illusion));
    }

    void line(double x1, double y1, double x2, double y2, Look look, int illusion) {
        shapes.add(new Shape(Shape.Kind.LINE, frame.x(x1), frame.y(y1), frame.length(x2 - x1), -frame.length(y2 - y1), look, illusion));
    }

    /// The floor, all across.
    void floor() {
        line(frame.leftM(), 0, frame.leftM() + frame.wideM(), 0, Look.LINE, -1);
    }

    /// A table of a height, as wide as it has to be.
    void table(double x, double high, double wide) {
        double thick = 0.03 * frame.highM() / 2;
        box(x, high - thick, wide, thick, Look.PLACE, -1);
        box(x - wide * 0.42, 0, thick, high - thick, Look.PLACE, -1);
        box(x + wide * 0.42, 0, thick, high - thick, Look.PLACE, -1);
    }

    /// Somebody or something of a height, standing at a foot; `without` names a part that is not seen.
    void body(Answer.Who who, double x, double foot, double high, Look look, int illusion, String without) {
        switch (who) {
            case THING -> ellipse(x, foot, 0.8 * high, high, look, illusion);
            case ANIMAL -> {
                box(x, foot + 0.4 * high, 1.1 * high, 0.4 * high, look, illusion);
                for (double leg : new double[] {-0.5, -0.35, 0.35, 0.5}) {
                    box(x + leg * high, foot, 0.07 * high, 0.42 * high, look, illusion);
                }
                ellipse(x - 0.62 * high, foot + 0.62 * high, 0.36 * high, 0.38 * high, look, illusion);
            }
            case PERSON, CHILD -> person(x, foot, high, who == Answer.Who.CHILD ? 0.2 : 0.14, look, illusion, without);
        }
    }

    private void person(double x, double foot, double high, double head, Look look, int illusion, String without) {
        boolean all = without.equals("all");
        double shoulders = high * (1 - head - 0.03);
        if (!all && !without.equals("legs")) {
            box(x - 0.065 * high, foot, 0.09 * high, 0.48 * high, look, illusion);
            box(x + 0.065 * high, foot, 0.09 * high, 0.48 * high, look, illusion);
        }
        if (!all && !without.equals("torso")) {
            box(x, foot + 0.46 * high, 0.22 * high, shoulders - 0.46 * high, look, illusion);
        }
        if (!all && !without.equals("arms")) {
            box(x - 0.15 * high, foot + 0.44 * high, 0.05 * high, shoulders - 0.46 * high, look, illusion);
            box(x + 0.15 * high, foot + 0.44 * high, 0.05 * high, shoulders - 0.46 * high, look, illusion);
        }
        if (!all && !without.equals("head")) {
            ellipse(x, foot + high * (1 - head), head * 0.85 * high, head * high, look, illusion);
        }
        if (all) {
            box(x, foot, 0.36 * high, shoulders, Look.DASHED, illusion);
            ellipse(x, foot + high * (1 - head), head * 0.85 * high, head * high, Look.DASHED, illusion);
        }
    }
}
