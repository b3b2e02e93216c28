package org.scenothesis.core.perspective;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Point;

/// What is marked in a picture, in pixels from its outer corner.
///
/// - `horizon`: two points of it; `lensHeightM` above the ground; `focalPx`, `principal`: where they are known. All null where nobody said.
@RecordBuilder
public record Marks(
        int width, int height, List<Line> lines, @Nullable Line horizon, List<Length> lengths, @Nullable Double lensHeightM, @Nullable Double focalPx, @Nullable Point principal) implements MarksBuilder.With {
    private static final int MOST = 2000;
    private static final double SHORTEST_PX = 1;

    /// Which way an edge runs: `X` and `Z` level and square to one another, `Z` rather away from the camera; `Y` upright.
    public enum Direction {
        X,
        Y,
        Z
    }

    /// An edge, or two points of the horizon; of the horizon the direction says nothing.
    public record Line(Direction direction, Point from, Point to) {
        public Line {
            Check.finite("mark", from.x() + from.y() + to.x() + to.y());
            Check.that(from.minus(to).length() >= SHORTEST_PX, "a line needs two points that are a pixel apart");
        }

        /// How long it is, in pixels.
        public double px() {
            return to.minus(from).length();
        }
    }

    /// Where a known length lies.
    public enum Stands {
        GROUND,
        /// From its base on the ground up.
        UPRIGHT
    }

    /// A known length between two points of the picture.
    public record Length(Point from, Point to, double metres, Stands stands) {
        public Length {
            Check.range("metres", metres, 1e-4, 1e5);
            Check.finite("mark", from.x() + from.y() + to.x() + to.y());
            Check.that(from.minus(to).length() >= SHORTEST_PX, "a length needs two points that are a pixel apart");
        }
    }

    public Marks {
        Check.range("width", width, 2, 100_000);
        Check.range("height", height, 2, 100_000);
        lines = List.copyOf(lines);
        lengths = List.copyOf(lengths);
        Check.range("lines", lines.size() + lengths.size(), 0, MOST);
        if (lensHeightM != null) {
            Check.range("lensHeightM", lensHeightM, 1e-3, 1e4);
        }
        if (focalPx != null) {
            Check.range("focalPx", focalPx, 0.05 * width, 50.0 * width);
        }
    }

    /// A picture in which nothing is marked.
    public static Marks none(int width, int height) {
        return new Marks(width, height, List.of(), null, List.of(), null, null, null);
    }

    /// The edges of one direction; what stands upright is one as well.
    List<Line> along(Direction d) {
        List<Line> out = new ArrayList<>(lines.stream().filter(l -> l.direction == d).toList());
        if (d == Direction.Y) {
            lengths.stream().filter(l -> l.stands == Stands.UPRIGHT).forEach(l -> out.add(new Line(d, l.from, l.to)));
        }
        return out;
    }

    /// Where the lens looks through the picture: as told, else its middle.
    Point middle() {
        return principal != null ? principal : new Point(width / 2.0, height / 2.0);
    }

    /// Null takes what was there away.
    @Override
    public Marks withHorizon(@Nullable Line other) {
        return new Marks(width, height, lines, other, lengths, lensHeightM, focalPx, principal);
    }

    @Override
    public Marks withLensHeightM(@Nullable Double other) {
        return new Marks(width, height, lines, horizon, lengths, other, focalPx, principal);
    }

    @Override
    public Marks withFocalPx(@Nullable Double other) {
        return new Marks(width, height, lines, horizon, lengths, lensHeightM, other, principal);
    }

    @Override
    public Marks withPrincipal(@Nullable Point other) {
        return new Marks(width, height, lines, horizon, lengths, lensHeightM, focalPx, other);
    }
}
