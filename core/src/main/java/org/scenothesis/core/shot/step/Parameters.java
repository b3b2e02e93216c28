package org.scenothesis.core.shot.step;

import java.util.List;
import java.util.stream.IntStream;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.value.Animated;

/// The numbers of every kind of step, in the order they are shown.
public final class Parameters {
    private static final List<Parameter<Outline>> OUTLINE = List.of(
            new Parameter<>(Outline.class, "softness", "px", span(0, 200, 1, 0), (o, t) -> o.softnessPx(), (o, t, v) -> o.withSoftnessPx(v)));
    private static final List<Parameter<Key>> KEY = List.of(
            new Parameter<>(Key.class, "choke", "px", span(-6, 6, 0.1, 1), (k, t) -> k.settings().chokePx(), (k, t, v) -> new Key(k.settings().withChokePx(v))),
            new Parameter<>(Key.class, "edge-softness", "px", span(0, 12, 0.1, 1), (k, t) -> k.settings().softnessPx(), (k, t, v) -> new Key(k.settings().withSoftnessPx(v))),
            new Parameter<>(Key.class, "despill", "", span(0, 1, 0.05, 2), (k, t) -> k.settings().despill(), (k, t, v) -> new Key(k.settings().withDespill(v))));
    private static final List<Parameter<Grade>> GRADE = List.of(
            new Parameter<>(Grade.class, "gain", "stop", span(-4, 4, 0.05, 2), (g, t) -> g.gainStops(), (g, t, v) -> g.withGainStops(v)));
    private static final List<Parameter<Grain>> GRAIN = List.of(
            new Parameter<>(Grain.class, "grain-amount", "%", span(0, 50, 0.5, 1), (g, t) -> g.amount(), (g, t, v) -> g.withAmount(v)),
            new Parameter<>(Grain.class, "grain-size", "px", span(0.5, 12, 0.1, 1), (g, t) -> g.sizePx(), (g, t, v) -> g.withSizePx(v)));
    private static final List<Parameter<Pin>> PIN = IntStream.range(0, 8).mapToObj(Parameters::pinned).toList();
    private static final List<Parameter<Put>> PUT = List.of(
            new Parameter<>(Put.class, "across", "%", span(-400, 400, 0.5, 1), (p, t) -> 100 * p.at(t).by().x(), (p, t, v) -> p.withBy(p.by().set(t, new Point(v / 100, p.at(t).by().y())))),
            new Parameter<>(Put.class, "down", "%", span(-400, 400, 0.5, 1), (p, t) -> 100 * p.at(t).by().y(), (p, t, v) -> p.withBy(p.by().set(t, new Point(p.at(t).by().x(), v / 100)))),
            new Parameter<>(Put.class, "put-turn", "\u00b0", span(-3600, 3600, 0.5, 1), (p, t) -> p.at(t).turnDeg(), (p, t, v) -> p.withTurnDeg(p.turnDeg().set(t, v))),
            new Parameter<>(Put.class, "put-size", "\u00d7", span(0.02, 50, 0.01, 2), (p, t) -> p.at(t).size(), (p, t, v) -> p.withSize(p.size().set(t, v))));
    private static final List<Parameter<Place>> PLACE = List.of(
            new Parameter<>(Place.class, "sideways", "m", span(-50, 50, 0.01, 2), (p, t) -> foot(p, t).x(), (p, t, v) -> stood(p, t, new Vec(v, foot(p, t).y(), foot(p, t).z()))),
            new Parameter<>(Place.class, "height", "m", span(-10, 50, 0.01, 2), (p, t) -> foot(p, t).y(), (p, t, v) -> stood(p, t, new Vec(foot(p, t).x(), v, foot(p, t).z()))),
            new Parameter<>(Place.class, "away", "m", span(-50, 100, 0.01, 2), (p, t) -> foot(p, t).z(), (p, t, v) -> stood(p, t, new Vec(foot(p, t).x(), foot(p, t).y(), v))),
            new Parameter<>(Place.class, "turn", "\u00b0", span(-180, 180, 0.5, 1), (p, t) -> p.turnDeg().at(t, Animated::number), (p, t, v) -> p.withTurnDeg(p.turnDeg().set(t, v))),
            new Parameter<>(Place.class, "size", "\u00d7", span(0.05, 20, 0.01, 2), (p, t) -> p.size().at(t, Animated::number), (p, t, v) -> p.withSize(p.size().set(t, v))));
    private static final List<Parameter<Shadow>> SHADOW = List.of(
            new Parameter<>(Shadow.class, "shadow-density", "\u00d7", span(0, 3, 0.05, 2), (s, t) -> s.density(), (s, t, v) -> s.withDensity(v)),
            new Parameter<>(Shadow.class, "shadow-softness", "\u00d7", span(0, 5, 0.05, 2), (s, t) -> s.softness(), (s, t, v) -> s.withSoftness(v)));
    private static final List<Parameter<Presence>> PRESENCE = List.of(
            new Parameter<>(Presence.class, "presence", "", span(0, 1, 0.05, 2), (p, t) -> p.at(t), (p, t, v) -> new Presence(p.share().set(t, v))));

    private Parameters() {}

    /// What can be set by a number, with unit and bounds; empty for a step that has none.
    public static List<? extends Parameter<?>> of(Step step) {
        return switch (step) {
            case Outline o -> OUTLINE;
            case Key k -> KEY;
            case Grade g -> GRADE;
            case Grain g -> GRAIN;
            case Pin p -> PIN;
            case Put p -> PUT;
            case Place p -> PLACE;
            case Shadow s -> SHADOW;
            case Presence p -> PRESENCE;
            case Steady s -> List.of();
            case OwnAlpha a -> List.of();
        };
    }

    /// One of the coordinates of the four corners of a pin, across and down in turns.
    private static Parameter<Pin> pinned(int i) {
        int corner = i / 2;
        boolean down = i % 2 == 1;
        String code = "pin-" + List.of("top-left", "top-right", "bottom-right", "bottom-left").get(corner) + (down ? "-down" : "-across");
        return new Parameter<>(Pin.class, code, "%", span(-400, 500, 0.1, 1), (p, t) -> 100 * (down ? p.at(t).get(corner).y() : p.at(t).get(corner).x()), (p, t, v) -> {
            Point was = p.at(t).get(corner);
            return p.with(t, corner, down ? new Point(was.x(), v / 100) : new Point(v / 100, was.y()));
        });
    }

    private static Parameter.Span span(double low, double high, double by, int decimals) {
        return new Parameter.Span(low, high, by, decimals);
    }

    private static Vec foot(Place p, double seconds) {
        return p.stand(seconds).foot();
    }

    private static Place stood(Place p, double seconds, Vec foot) {
        return p.withFoot(p.foot().set(seconds, foot));
    }
}
