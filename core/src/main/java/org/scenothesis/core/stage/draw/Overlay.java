package org.scenothesis.core.stage.draw;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.proof.ClothMap;
import org.scenothesis.core.stage.proof.ClothReturn;
import org.scenothesis.core.stage.proof.Coverage;
import org.scenothesis.core.stage.proof.LightField;
import org.scenothesis.core.stage.proof.Polygon;
import org.scenothesis.core.stage.proof.Question;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.core.stage.proof.Sheet;

/// What is drawn over the camera's picture of a set: outlines and spots in shares of the picture, x right, y down.
///
/// - `outlines`: closed ones, `dashed` where something goes in time. `spots`: points of the screen with a strength from 0 to 1. `values`:
///   numbers at places with their units.
public record Overlay(List<Outline> outlines, List<Spot> spots, List<Value> values) {
    /// What is shown.
    public enum Kind {
        ROOM,
        SHADOW,
        EVENNESS,
        /// The screen's colour on the sides of those before it.
        SPILL,
        FOCUS,
        /// What is left of the picture in the end.
        FRAME,
        NONE
    }

    public record Outline(List<Point> corners, boolean dashed) {}

    public record Spot(Point at, double strength) {}

    public record Value(Point at, double value, String unit) {}

    public static final Overlay EMPTY = new Overlay(List.of(), List.of(), List.of());

    public Overlay {
        outlines = List.copyOf(outlines);
        spots = List.copyOf(spots);
        values = List.copyOf(values);
    }

    /// Of one kind for a set while a plate is filmed.
    public static Overlay of(Question q, Kind kind) {
        SetView view = q.view();
        return switch (kind) {
            case ROOM -> room(view);
            case SHADOW, EVENNESS -> light(view, kind == Kind.SHADOW);
            case SPILL -> spill(q);
            case FOCUS -> focus(view);
            case FRAME -> frame(q);
            case NONE -> EMPTY;
        };
    }

    private static Point share(SetView v, Vec at) {
        Point p = v.pose().project(at);
        return new Point(p.x() / v.widthPx(), p.y() / v.heightPx());
    }

    private static boolean before(SetView v, Vec at) {
        CameraPose pose = v.pose();
        return at.minus(v.eye()).dot(pose.worldToCamera()[2]) > 0.05;
    }

    private static Overlay room(SetView v) {
        List<Outline> out = new ArrayList<>();
        List<Value> values = new ArrayList<>();
        for (SetView.Pair pair : v.pairs()) {
            Sheet s = pair.sheet();
            Coverage c = new Coverage(v, pair);
            Polygon behind = c.behind();
            if (behind.empty()) {
                continue;
            }
            out.add(new Outline(behind.corners().stream().map(p -> share(v, s.world(p))).toList(), true));
            List<Vec> edge = List.of(s.world(new Point(0, s.lowM())), s.world(new Point(s.wideM(), s.lowM())),
                    s.world(new Point(s.wideM(), s.topM())), s.world(new Point(0, s.topM())));
            if (edge.stream().allMatch(p -> before(v, p))) {
                out.add(new Outline(edge.stream().map(p -> share(v, p)).toList(), false));
            }
            double x0 = behind.corners().stream().mapToDouble(Point::x).min().orElse(0);
            double x1 = behind.corners().stream().mapToDouble(Point::x).max().orElse(0);
            double y0 = behind.corners().stream().mapToDouble(Point::y).min().orElse(0);
            double y1 = behind.corners().stream().mapToDouble(Point::y).max().orElse(0);
            for (Coverage.Room r : c.sides()) {
                if (Double.isFinite(r.metres())) {
                    Point at = switch (r.side()) {
                        case LEFT -> new Point(x0, (y0 + y1) / 2);
                        case RIGHT -> new Point(x1, (y0 + y1) / 2);
                        case TOP -> new Point((x0 + x1) / 2, y1);
                        case LOW -> new Point((x0 + x1) / 2, y0);
                    };
                    values.add(new Value(share(v, s.world(at)), r.metres(), "m"));
                }
            }
        }
        return new Overlay(out, List.of(), values);
    }

    private static Overlay light(SetView v, boolean shadow) {
        List<Spot> spots = new ArrayList<>();
        List<Value> values = new ArrayList<>();
        LightField field = new LightField(v.lamps(), v.stage().floor().around().value());
        for (SetView.Pair pair : v.pairs()) {
            ClothMap map = ClothMap.of(v, pair, field);
            double mean = map.meanLux();
            ClothMap.Cell low = null;
            ClothMap.Cell high = null;
            for (ClothMap.Cell c : map.cells()) {
                double stops = Math.log(c.litLux() / mean) / Math.log(2);
                spots.add(new Spot(share(v, pair.sheet().world(c.at())), shadow ? Math.clamp(c.shadeStops(), 0, 1)
                        : Math.clamp(0.5 + stops, 0, 1)));
                low = low == null || c.litLux() < low.litLux() ? c : low;
                high = high == null || c.litLux() > high.litLux() ? c : high;
            }
            if (shadow && map.darkestShadowStops() > 0.02) {
                values.add(new Value(share(v, pair.sheet().world(map.shadowAt())), -map.darkestShadowStops(), "stop"));
            } else if (!shadow && low != null && high != null) {
                values.add(new Value(share(v, pair.sheet().world(low.at())), Math.log(low.litLux() / mean) / Math.log(2), "stop"));
                values.add(new Value(share(v, pair.sheet().world(high.at())), Math.log(high.litLux() / mean) / Math.log(2), "stop"));
            }
        }
        return new Overlay(List.of(), spots, values);
    }

    private static Overlay spill(Question q) {
        List<Value> values = new ArrayList<>();
        for (SetView.Pair pair : q.view().pairs()) {
            ClothReturn.of(q, pair).stream().filter(r -> before(q.view(), r.at()))
                    .forEach(r -> values.add(new Value(share(q.view(), r.at()), 100 * r.share(), "%")));
        }
        return new Overlay(List.of(), List.of(), values);
    }

    private static Overlay frame(Question q) {
        double edge = (1 - 1 / q.crop()) / 2;
        double far = 1 - edge;
        Outline left = new Outline(List.of(new Point(edge, edge), new Point(far, edge), new Point(far, far), new Point(edge, far)), false);
        return new Overlay(List.of(left), List.of(), List.of(new Value(new Point(edge, far), 100 / q.crop(), "% of its width")));
    }

    private static Overlay focus(SetView v) {
        List<Outline> out = new ArrayList<>();
        List<Value> values = new ArrayList<>();
        v.bodies().forEach(b -> {
            for (Body.Moment m : ((Body) b.thing()).moments()) {
                List<Vec> corners = SetView.box(b, m.seconds()).corners();
                if (corners.stream().allMatch(c -> before(v, c))) {
                    out.add(new Outline(Polygon.around(corners.stream().map(c -> share(v, c)).toList()).corners(), true));
                    Vec mid = SetView.middle(b, m.seconds());
                    values.add(new Value(share(v, mid), mid.minus(v.eye()).dot(v.pose().worldToCamera()[2]), "m"));
                }
            }
        });
        return new Overlay(out, List.of(), values);
    }
}
