package org.scenothesis.core.shot.step;

import java.util.List;
import org.scenothesis.core.picture.Point;

/// A step that is led by some points in the picture, in shares of its width and height.
public interface Led {
    /// Where the points lie at a moment, in seconds; always as many.
    List<Point> points(double seconds);

    /// The step with the points elsewhere at a moment, in seconds; where nothing is animated, for all time. The same if they cannot lie so.
    Step withPoints(double seconds, List<Point> points);

    /// Which of the points are joined by lines where they are drawn: chains of their numbers.
    List<List<Integer>> lines();

    /// What every point is, as codes of words.
    List<String> names();
}
