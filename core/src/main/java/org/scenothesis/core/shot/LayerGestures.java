package org.scenothesis.core.shot;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.DrawnShadow;
import org.scenothesis.core.shot.step.Join;
import org.scenothesis.core.shot.step.Opacity;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.PointDriven;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.value.Animated;

/// What of a layer can be taken hold of in the picture: its outlines, and the points that lead its steps.
public final class LayerGestures {
    private LayerGestures() {}

    /// One of them, by the place of its step in the layer; `limit`: the outline within which a drawn shadow stays.
    public record Hand(int step, boolean limit) {}

    /// All of a layer, in the order of its steps.
    public static List<Hand> of(Layer l) {
        List<Hand> out = new ArrayList<>();
        for (int i = 0; i < l.steps().size(); i++) {
            Step s = l.steps().get(i);
            if (s instanceof Outline || s instanceof PointDriven) {
                out.add(new Hand(i, false));
            }
            if (s instanceof DrawnShadow c && c.limit().size() >= 3) {
                out.add(new Hand(i, true));
            }
        }
        return out;
    }

    /// The one behind another, going round; the first for none.
    public static Optional<Hand> next(Layer l, Optional<Hand> now) {
        List<Hand> all = of(l);
        int at = now.map(all::indexOf).orElse(-1);
        return all.isEmpty() ? Optional.empty() : Optional.of(all.get((at + 1) % all.size()));
    }

    /// The outline that a hand holds at a moment, in seconds; empty if it holds points that lead.
    public static Optional<List<Point>> outline(Layer l, Hand h, double seconds) {
        Step s = l.steps().get(h.step);
        return s instanceof Outline o ? Optional.of(o.at(seconds))
                : h.limit && s instanceof DrawnShadow c ? Optional.of(c.limit()) : Optional.empty();
    }

    /// The layer with what a hand holds elsewhere at a moment, in seconds; the same if it cannot lie so.
    public static Layer moved(Layer l, Hand h, double seconds, List<Point> to) {
        Step s = l.steps().get(h.step);
        if (s instanceof Outline o) {
            return l.with(h.step, o.withCorners(seconds, to));
        }
        if (h.limit && s instanceof DrawnShadow c) {
            return l.with(h.step, c.withLimit(to));
        }
        return s instanceof PointDriven led ? l.with(h.step, led.withPoints(seconds, to)) : l;
    }

    /// The points with what lay on one that was moved gone along: the seam of a half and where it is to lie, until they are pulled apart.
    public static List<Point> together(List<Point> before, List<Point> now) {
        List<Point> out = new ArrayList<>(now);
        for (int i = 0; i < now.size(); i++) {
            for (int k = 0; k < now.size() && !now.get(i).equals(before.get(i)); k++) {
                if (k != i && before.get(k).minus(before.get(i)).length() < 1e-6) {
                    out.set(k, now.get(i));
                }
            }
        }
        return List.copyOf(out);
    }

    /// The shot as it helps to lay a seam: the half whole and half there, over what is below.
    public static Shot onion(Shot shot, Layer half) {
        List<Step> steps = new ArrayList<>();
        for (Step s : half.steps()) {
            if (!(s instanceof Opacity)) {
                steps.add(s instanceof Join j ? j.with(Join.Side.WHOLE, j.softnessPx()) : s);
            }
        }
        steps.add(new Opacity(Animated.of(0.5)));
        return shot.withLayer(half.id(), l -> l.withSteps(steps));
    }

    /// The points where a map takes them.
    public static List<Point> mapped(List<Point> points, PlanarMap by) {
        return points.stream().map(by::map).toList();
    }
}
