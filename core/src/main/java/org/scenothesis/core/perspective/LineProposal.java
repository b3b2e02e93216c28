package org.scenothesis.core.perspective;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.Marks.Direction;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.vision.Segments;

/// Proposes edges that run along three square directions.
///
/// - Consensus over cameras (Fischler & Bolles 1981): two edges meet in one vanishing point, a focal length is drawn, a third edge gives
///   the second direction, the third follows. The camera with which most edges agree, by their length, is
///   fitted, and edges that do not fit it are left out.
/// - Deterministic.
public final class LineProposal {
    private static final int TRIES = 6000;
    private static final int MOST = 300;
    /// How far an edge may point beside a vanishing point.
    private static final double GATE_DEG = 1.2;
    private static final int EACH = 14;
    private static final double SHORTEST_SHARE = 0.035;
    private static final double FIT_PX = 1.6;
    /// At first, while a bent lens is not known yet.
    private static final double FIRST_PX = 4;
    /// Fewer than this run alike by chance.
    private static final int FEWEST = 16;
    private static final int FEW = 3;
    private static final int MANY = 8;
    private static final double UPRIGHT = 0.64;

    private final int width;
    private final int height;
    private final List<Segments.Segment> all;
    private final double[] ends;

    private LineProposal(int width, int height, List<Segments.Segment> all) {
        this.width = width;
        this.height = height;
        this.all = all;
        ends = new double[all.size()];
        double sum = 0;
        for (int i = 0; i < ends.length; i++) {
            sum += all.get(i).px();
            ends[i] = sum;
        }
    }

    /// Edges found in code values, grouped; `marks`: what is known besides, whose lines are replaced. No lines where too few agree.
    public static Marks of(Plane luma, Marks marks) {
        List<Segments.Segment> found = Segments.find(luma, SHORTEST_SHARE * marks.width(), MOST);
        return found.size() < 4 ? marks.withLines(List.of()) : new LineProposal(marks.width(), marks.height(), found).grouped(marks);
    }

    private int drawn(SplittableRandom r) {
        double v = r.nextDouble() * ends[ends.length - 1];
        int i = 0;
        while (ends[i] < v) {
            i++;
        }
        return i;
    }

    private Vec homogeneous(Point p) {
        return new Vec(p.x() - width / 2.0, p.y() - height / 2.0, 1);
    }

    private Vec line(int i) {
        return homogeneous(all.get(i).from()).cross(homogeneous(all.get(i).to()));
    }

    /// By how many degrees an edge points beside where a direction vanishes.
    private double beside(Segments.Segment s, Vec d, double focal) {
        Point m = new Point((s.from().x() + s.to().x()) / 2 - width / 2.0, (s.from().y() + s.to().y()) / 2 - height / 2.0);
        double vx = focal * d.x() - d.z() * m.x();
        double vy = focal * d.y() - d.z() * m.y();
        double sx = s.to().x() - s.from().x();
        double sy = s.to().y() - s.from().y();
        return Math.toDegrees(Math.atan2(Math.abs(vx * sy - vy * sx), Math.abs(vx * sx + vy * sy)));
    }

    private double agrees(Vec[] d, double focal) {
        double sum = 0;
        for (Segments.Segment s : all) {
            double least = Math.min(beside(s, d[0], focal), Math.min(beside(s, d[1], focal), beside(s, d[2], focal)));
            sum += s.px() * Math.max(0, 1 - least * least / (GATE_DEG * GATE_DEG));
        }
        return sum;
    }

    private Marks grouped(Marks known) {
        SplittableRandom r = new SplittableRandom(3);
        Vec[] best = null;
        double bestFocal = 0;
        double most = 0;
        Double told = known.focalPx();
        for (int t = 0; t < TRIES; t++) {
            int a = drawn(r);
            int b = drawn(r);
            int c = drawn(r);
            double focal = told != null ? told : width * Math.exp(r.nextDouble(Math.log(0.5), Math.log(2.6)));
            if (a == b || c == a || c == b) {
                continue;
            }
            Vec v = line(a).cross(line(b));
            Vec n = line(c);
            Vec one = new Vec(v.x() / focal, v.y() / focal, v.z());
            Vec two = one.cross(new Vec(n.x() * focal, n.y() * focal, n.z()));
            if (one.length() < 1e-9 || two.length() < 1e-9) {
                continue;
            }
            Vec[] d = {one.unit(), two.unit(), one.unit().cross(two.unit())};
            // One of them is upright for whoever holds a camera as people do.
            if (Math.max(Math.abs(d[0].y()), Math.max(Math.abs(d[1].y()), Math.abs(d[2].y()))) < UPRIGHT) {
                continue;
            }
            double agrees = agrees(d, focal);
            if (agrees > most) {
                most = agrees;
                best = d;
                bestFocal = focal;
            }
        }
        if (best == null) {
            return known.withLines(List.of());
        }
        return fitted(known.withLines(labelled(best, bestFocal)));
    }

    /// The most upright is `Y`, of the others the one that runs more away is `Z`.
    private List<Marks.Line> labelled(Vec[] d, double focal) {
        int up = 0;
        for (int i = 1; i < 3; i++) {
            up = Math.abs(d[i].y()) > Math.abs(d[up].y()) ? i : up;
        }
        int one = (up + 1) % 3;
        int two = (up + 2) % 3;
        boolean away = Math.abs(d[one].z()) >= Math.abs(d[two].z());
        Map<Direction, Vec> by = new EnumMap<>(Direction.class);
        by.put(Direction.Y, d[up]);
        by.put(Direction.Z, d[away ? one : two]);
        by.put(Direction.X, d[away ? two : one]);
        List<Marks.Line> out = new ArrayList<>();
        for (Segments.Segment s : all) {
            Direction near = by.keySet().stream().min(Comparator.comparingDouble(k -> beside(s, by.getOrDefault(k, Vec.UP), focal)))
                    .orElseThrow();
            if (beside(s, by.getOrDefault(near, Vec.UP), focal) < GATE_DEG) {
                out.add(new Marks.Line(near, s.from(), s.to()));
            }
        }
        return out;
    }

    /// Twice: a camera of them all, and without those that do not fit it; then the longest of each direction that lie apart.
    private Marks fitted(Marks m) {
        Marks now = m.withLines(best(m, 3 * EACH));
        for (double gate : new double[] {FIRST_PX, FIT_PX}) {
            PictureCamera c = CameraSolver.solve(now);
            Pinhole by = c.numbers().camera();
            Marks all = now;
            List<Marks.Line> fit = all.lines().stream().filter(l -> Math.abs(by.off(l)) < gate).toList();
            if (fit.size() < 3) {
                return now.withLines(List.of());
            }
            now = now.withLines(fit);
        }
        Marks found = now.withLines(best(now, EACH));
        // Three directions prove one another; two have to be clear by themselves.
        boolean three = Stream.of(Direction.values()).allMatch(d -> found.along(d).size() >= FEW);
        boolean two = Stream.of(Direction.values()).filter(d -> found.along(d).size() >= MANY).count() == 2;
        return found.lines().size() < FEWEST || !three && !two ? now.withLines(List.of()) : found;
    }

    private static List<Marks.Line> best(Marks m, int each) {
        List<Marks.Line> out = new ArrayList<>();
        for (Direction d : Direction.values()) {
            m.lines().stream().filter(l -> l.direction() == d).sorted(Comparator.comparingDouble((Marks.Line l) -> -l.px())).limit(each)
                    .forEach(out::add);
        }
        return out;
    }
}
