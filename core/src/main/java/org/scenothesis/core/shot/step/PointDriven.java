package org.scenothesis.core.shot.step;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.value.Kind;

/// A step that is led by some points in the picture, in shares of its width and height.
public interface PointDriven {
    /// Where the points lie at a moment, in seconds; always as many.
    List<Point> points(double seconds);

    /// The step with the points elsewhere at a moment, in seconds; where nothing is animated, for all time. The same if they cannot lie so.
    Step withPoints(double seconds, List<Point> points);

    /// Which of the points are joined by lines where they are drawn: chains of their numbers.
    List<List<Integer>> lines();

    /// What every point is, as codes of words.
    List<String> names();

    /// With what the codes of its coordinates begin, which scripts use.
    default String prefix() {
        return Kind.word(getClass());
    }

    /// The coordinates of its points, across and down in turns.
    default List<Parameter<Step>> coordinates() {
        List<Parameter<Step>> out = new ArrayList<>();
        String kind = prefix();
        for (int i = 0; i < names().size(); i++) {
            out.add(coordinate(kind + "-" + names().get(i) + "-across", i, false));
            out.add(coordinate(kind + "-" + names().get(i) + "-down", i, true));
        }
        return out;
    }

    private static Parameter<Step> coordinate(String code, int at, boolean down) {
        return new Parameter<>(Step.class, code, "%", new Parameter.Span(-400, 500, 0.1, 1), (s, t) -> {
            Point p = ((PointDriven) s).points(t).get(at);
            return 100 * (down ? p.y() : p.x());
        }, (s, t, v) -> {
            Check.range(code, v, -2000, 2000);
            List<Point> p = new ArrayList<>(((PointDriven) s).points(t));
            p.set(at, down ? new Point(p.get(at).x(), v / 100) : new Point(v / 100, p.get(at).y()));
            return ((PointDriven) s).withPoints(t, List.copyOf(p));
        }, Parameter.Keying.OWN);
    }
}
