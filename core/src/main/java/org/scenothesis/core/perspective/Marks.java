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
        int width, int height, List<Line> lines, @Nullable Line horizon, List<Length> lengths, List<Tiles> tiles,
        @Nullable Double lensHeightM, @Nullable Double focalPx, @Nullable Point principal)
        implements MarksBuilder.With {
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

    /// A field of square tiles on the ground, their joints along `X` and `Z`.
    ///
    /// - `corners`: near left, near right, far right, far left. `across`, `away`: tiles between them. `metres`: how large one is, 0 where
    ///   nobody knows.
    public record Tiles(List<Point> corners, int across, int away, double metres) {
        public Tiles {
            corners = List.copyOf(corners);
            Check.that(corners.size() == 4, "a field of tiles has four corners");
            Check.range("across", across, 1, MOST);
            Check.range("away", away, 1, MOST);
            Check.range("metres", metres, 0, 100);
            for (int i = 0; i < 4; i++) {
                Check.finite("corner", corners.get(i).x() + corners.get(i).y());
                Check.that(corners.get(i).minus(corners.get((i + 1) % 4)).length() >= SHORTEST_PX,
                        "the corners of a field of tiles are a pixel apart");
            }
        }

        List<Line> edges(Direction d) {
            return switch (d) {
                case X -> List.of(new Line(d, corners.get(0), corners.get(1)), new Line(d, corners.get(3), corners.get(2)));
                case Y -> List.of();
                case Z -> List.of(new Line(d, corners.get(0), corners.get(3)), new Line(d, corners.get(1), corners.get(2)));
            };
        }

        /// Its front and its left side, in metres where the tiles are of known size, else in tiles.
        List<Length> sides() {
            double one = metres > 0 ? metres : 1;
            return List.of(new Length(corners.get(0), corners.get(1), across * one, Stands.GROUND),
                    new Length(corners.get(0), corners.get(3), away * one, Stands.GROUND));
        }
    }

    public Marks {
        Check.range("width", width, 2, 100_000);
        Check.range("height", height, 2, 100_000);
        lines = List.copyOf(lines);
        lengths = List.copyOf(lengths);
        tiles = List.copyOf(tiles);
        Check.range("lines", lines.size() + lengths.size() + tiles.size(), 0, MOST);
        if (lensHeightM != null) {
            Check.range("lensHeightM", lensHeightM, 1e-3, 1e4);
        }
        if (focalPx != null) {
            Check.range("focalPx", focalPx, 0.05 * width, 50.0 * width);
        }
    }

    /// A picture in which nothing is marked.
    public static Marks none(int width, int height) {
        return new Marks(width, height, List.of(), null, List.of(), List.of(), null, null, null);
    }

    /// The edges of one direction; what stands upright is one as well, and so are the joints of tiles.
    List<Line> along(Direction d) {
        List<Line> out = new ArrayList<>(lines.stream().filter(l -> l.direction == d).toList());
        tiles.forEach(t -> out.addAll(t.edges(d)));
        if (d == Direction.Y) {
            lengths.stream().filter(l -> l.stands == Stands.UPRIGHT).forEach(l -> out.add(new Line(d, l.from, l.to)));
        }
        return out;
    }

    /// Whether as many things are marked of each kind: only moved, perhaps.
    public boolean moved(Marks o) {
        return lines.size() == o.lines.size() && lengths.size() == o.lengths.size() && tiles.size() == o.tiles.size()
                && (horizon == null) == (o.horizon == null) && (focalPx == null) == (o.focalPx == null)
                && (lensHeightM == null) == (o.lensHeightM == null);
    }

    /// Whether anything shows which way the set lies.
    boolean level() {
        return !(along(Direction.X).isEmpty() && along(Direction.Z).isEmpty());
    }

    /// Every known length, those of tiles of known size among them.
    public List<Length> known() {
        List<Length> out = new ArrayList<>(lengths);
        tiles.stream().filter(t -> t.metres > 0).forEach(t -> out.addAll(t.sides()));
        return out;
    }

    /// Fields of which only the shape is known.
    List<Tiles> shapes() {
        return tiles.stream().filter(t -> t.metres == 0).toList();
    }

    /// Where the lens looks through the picture: as told, else its middle.
    Point middle() {
        return principal != null ? principal : new Point(width / 2.0, height / 2.0);
    }

    /// Null takes what was there away.
    @Override
    public Marks withHorizon(@Nullable Line other) {
        return new Marks(width, height, lines, other, lengths, tiles, lensHeightM, focalPx, principal);
    }

    @Override
    public Marks withLensHeightM(@Nullable Double other) {
        return new Marks(width, height, lines, horizon, lengths, tiles, other, focalPx, principal);
    }

    @Override
    public Marks withFocalPx(@Nullable Double other) {
        return new Marks(width, height, lines, horizon, lengths, tiles, lensHeightM, other, principal);
    }

    @Override
    public Marks withPrincipal(@Nullable Point other) {
        return new Marks(width, height, lines, horizon, lengths, tiles, lensHeightM, focalPx, other);
    }
}
