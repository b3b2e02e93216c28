package org.scenothesis.studio.layer;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Trails;
import org.scenothesis.core.shot.step.Cast;
import org.scenothesis.core.shot.step.Follow;
import org.scenothesis.core.shot.step.Hold;
import org.scenothesis.core.shot.step.Join;
import org.scenothesis.core.shot.step.Led;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.Presence;
import org.scenothesis.core.shot.step.Put;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.value.Animated;

/// What of a layer can be taken hold of in the picture: its outlines, and the points that lead its steps.
final class Hands {
    private Hands() {}

    /// One of them, by the place of its step in the layer; `limit`: the outline within which a drawn shadow stays.
    record Hand(int step, boolean limit) {}

    /// All of a layer, in the order of its steps.
    static List<Hand> of(Layer l) {
        List<Hand> out = new ArrayList<>();
        for (int i = 0; i < l.steps().size(); i++) {
            Step s = l.steps().get(i);
            if (s instanceof Outline || s instanceof Led) {
                out.add(new Hand(i, false));
            }
            if (s instanceof Cast c && c.limit().size() >= 3) {
                out.add(new Hand(i, true));
            }
        }
        return out;
    }

    /// The one behind another, going round; the first for none.
    static Optional<Hand> next(Layer l, Optional<Hand> now) {
        List<Hand> all = of(l);
        int at = now.map(all::indexOf).orElse(-1);
        return all.isEmpty() ? Optional.empty() : Optional.of(all.get((at + 1) % all.size()));
    }

    /// The outline that a hand holds at a moment, in seconds; empty if it holds points that lead.
    static Optional<List<Point>> outline(Layer l, Hand h, double seconds) {
        return switch (l.steps().get(h.step)) {
            case Outline o -> Optional.of(o.at(seconds));
            case Cast c when h.limit -> Optional.of(c.limit());
            default -> Optional.empty();
        };
    }

    /// The layer with what a hand holds elsewhere at a moment, in seconds; the same if it cannot lie so.
    static Layer moved(Layer l, Hand h, double seconds, List<Point> to) {
        Step s = l.steps().get(h.step);
        if (s instanceof Outline o) {
            return l.with(h.step, o.withCorners(seconds, to));
        }
        if (h.limit && s instanceof Cast c) {
            return l.with(h.step, c.withLimit(to));
        }
        return s instanceof Led led ? l.with(h.step, led.withPoints(seconds, to)) : l;
    }

    /// The points with what lay on one that was moved gone along: the seam of a half and where it is to lie, until they are pulled apart.
    static List<Point> together(List<Point> before, List<Point> now) {
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
    static Shot onion(Shot shot, Layer half) {
        List<Step> steps = new ArrayList<>();
        for (Step s : half.steps()) {
            if (!(s instanceof Presence)) {
                steps.add(s instanceof Join j ? j.with(Join.Side.WHOLE, j.softnessPx()) : s);
            }
        }
        steps.add(new Presence(Animated.of(0.5)));
        return shot.withLayer(half.id(), l -> l.withSteps(steps));
    }

    /// How what a step holds is carried along at a moment, in seconds, by what it hangs on and what moves it afterwards: shares of the picture to shares of it. `aspect`: width over height.
    static PlanarMap carried(Shot shot, Layer l, int step, double seconds, double aspect) {
        int h = 1000;
        int w = Math.max(1, (int) Math.round(h * aspect));
        PlanarMap all = PlanarMap.identity();
        if (l.steps().get(step) instanceof Outline o && o.hung() != null) {
            all = Trails.motion(shot, o.hung(), seconds, w, h);
        }
        for (int i = step + 1; i < l.steps().size(); i++) {
            if (l.steps().get(i) instanceof Follow f) {
                all = Trails.motion(shot, f.by(), seconds, w, h).after(all);
            }
            if (l.steps().get(i) instanceof Hold k) {
                all = Trails.motion(shot, k.by(), seconds, w, h).inverse().after(all);
            }
            if (l.steps().get(i) instanceof Put p) {
                Put.Lie lie = p.at(seconds);
                Point about = new Point(p.about().x() * w, p.about().y() * h);
                all = PlanarMap.similarity(lie.size(), Math.toRadians(lie.turnDeg()), about, new Point(lie.by().x() * w, lie.by().y() * h)).after(all);
            }
        }
        return new PlanarMap(1.0 / w, 0, 0, 0, 1.0 / h, 0, 0, 0, 1).after(all).after(new PlanarMap(w, 0, 0, 0, h, 0, 0, 0, 1));
    }

    static List<Point> mapped(List<Point> points, PlanarMap by) {
        return points.stream().map(by::map).toList();
    }
}
