package org.scenothesis.core.shot.step;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.Check;
import org.scenothesis.core.key.KeySettings;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.value.Animated;
import org.scenothesis.core.value.Given;
import org.scenothesis.core.value.Kind;

/// The numbers of every kind of step, in the order they are shown.
public final class Parameters {
    private static final List<Parameter<Outline>> OUTLINE = List.of(
            new Parameter<>(Outline.class, "softness", "px", span(0, 200, 1, 0), (o, t) -> o.softnessPx(), (o, t, v) -> o.withSoftnessPx(v)));
    private static final List<Parameter<Key>> KEY = List.of(
            new Parameter<>(Key.class, "empty-below", "", span(0, 0.9, 0.01, 2), (k, t) -> k.settings().emptyBelow(), (k, t, v) -> cut(k, v, Math.max(k.settings().solidAbove(), v + KeySettings.BETWEEN))),
            new Parameter<>(Key.class, "solid-above", "", span(0.05, 1.5, 0.01, 2), (k, t) -> k.settings().solidAbove(), (k, t, v) -> cut(k, Math.min(k.settings().emptyBelow(), v - KeySettings.BETWEEN), v)),
            new Parameter<>(Key.class, "choke", "px", span(-6, 6, 0.1, 1), (k, t) -> k.settings().chokePx(), (k, t, v) -> new Key(k.settings().withChokePx(v))),
            new Parameter<>(Key.class, "edge-softness", "px", span(0, 12, 0.1, 1), (k, t) -> k.settings().softnessPx(), (k, t, v) -> new Key(k.settings().withSoftnessPx(v))),
            new Parameter<>(Key.class, "despill", "", span(0, 1, 0.05, 2), (k, t) -> k.settings().despill(), (k, t, v) -> new Key(k.settings().withDespill(v))));
    private static final List<Parameter<Grade>> GRADE = List.of(
            new Parameter<>(Grade.class, "gain", "stop", span(-4, 4, 0.05, 2), (g, t) -> g.gainStops(), (g, t, v) -> g.withGainStops(v)));
    private static final List<Parameter<Grain>> GRAIN = List.of(
            new Parameter<>(Grain.class, "grain-amount", "%", span(0, 50, 0.5, 1), (g, t) -> g.amount(), (g, t, v) -> g.withAmount(v)),
            new Parameter<>(Grain.class, "grain-size", "px", span(0.5, 12, 0.1, 1), (g, t) -> g.sizePx(), (g, t, v) -> g.withSizePx(v)));
    private static final List<Parameter<Tone>> TONE = tone();
    private static final List<Parameter<Soften>> SOFTEN = List.of(
            new Parameter<>(Soften.class, "blur", "px", span(0, 200, 0.25, 2), (s, t) -> s.radiusPx().at(t, Animated::number), (s, t, v) -> s.withRadiusPx(s.radiusPx().set(t, v))),
            new Parameter<>(Soften.class, "blur-along", "px", span(0, 400, 0.5, 1), (s, t) -> s.alongPx().at(t, Animated::number), (s, t, v) -> s.withAlongPx(s.alongPx().set(t, v))),
            new Parameter<>(Soften.class, "blur-towards", "\u00b0", span(-360, 360, 1, 0), (s, t) -> s.towardsDeg(), (s, t, v) -> s.withTowardsDeg(v)));
    private static final List<Parameter<Luma>> LUMA = List.of(
            new Parameter<>(Luma.class, "luma-low", "", span(0, 1, 0.01, 2), (l, t) -> l.low(), (l, t, v) -> l.withLow(v)),
            new Parameter<>(Luma.class, "luma-high", "", span(0, 1, 0.01, 2), (l, t) -> l.high(), (l, t, v) -> l.withHigh(v)));
    private static final List<Parameter<Difference>> DIFFERENCE = List.of(
            new Parameter<>(Difference.class, "difference-low", "", span(0, 1, 0.005, 3), (d, t) -> d.low(), (d, t, v) -> d.withLow(v)),
            new Parameter<>(Difference.class, "difference-high", "", span(0, 1, 0.005, 3), (d, t) -> d.high(), (d, t, v) -> d.withHigh(v)));
    private static final List<Parameter<Wrap>> WRAP = List.of(
            new Parameter<>(Wrap.class, "wrap-radius", "px", span(0.5, 200, 0.5, 1), (w, t) -> w.radiusPx(), (w, t, v) -> w.withRadiusPx(v)),
            new Parameter<>(Wrap.class, "wrap-amount", "", span(0, 1, 0.02, 2), (w, t) -> w.amount(), (w, t, v) -> w.withAmount(v)));
    private static final List<Parameter<Glow>> GLOW = List.of(
            new Parameter<>(Glow.class, "glow-radius", "px", span(0.5, 400, 0.5, 1), (g, t) -> g.radiusPx(), (g, t, v) -> g.withRadiusPx(v)),
            new Parameter<>(Glow.class, "glow-amount", "", span(0, 20, 0.05, 2), (g, t) -> g.amount().at(t, Animated::number), (g, t, v) -> g.withAmount(g.amount().set(t, v))),
            new Parameter<>(Glow.class, "glow-red", "", span(0, 4, 0.02, 2), (g, t) -> g.r(), (g, t, v) -> g.withR(v)),
            new Parameter<>(Glow.class, "glow-green", "", span(0, 4, 0.02, 2), (g, t) -> g.g(), (g, t, v) -> g.withG(v)),
            new Parameter<>(Glow.class, "glow-blue", "", span(0, 4, 0.02, 2), (g, t) -> g.b(), (g, t, v) -> g.withB(v)));
    private static final List<Parameter<Join>> JOIN = List.of(
            new Parameter<>(Join.class, "seam-softness", "px", span(0, 400, 0.5, 1), (j, t) -> j.softnessPx(), (j, t, v) -> j.with(j.keeps(), v)));
    private static final List<Parameter<Cast>> CAST = List.of(
            new Parameter<>(Cast.class, "cast-density", "", span(0, 1, 0.02, 2), (c, t) -> c.density(), (c, t, v) -> c.withDensity(v)),
            new Parameter<>(Cast.class, "cast-softness", "px", span(0, 400, 1, 0), (c, t) -> c.softnessPx(), (c, t, v) -> c.withSoftnessPx(v)));
    private static final List<Parameter<Ripple>> RIPPLE = List.of(
            new Parameter<>(Ripple.class, "ripple-height", "px", span(0, 200, 0.5, 1), (r, t) -> r.heightPx().at(t, Animated::number), (r, t, v) -> r.withHeightPx(r.heightPx().set(t, v))),
            new Parameter<>(Ripple.class, "ripple-length", "px", span(2, 4000, 1, 0), (r, t) -> r.lengthPx(), (r, t, v) -> r.withLengthPx(v)),
            new Parameter<>(Ripple.class, "ripple-speed", "/s", span(-50, 50, 0.1, 1), (r, t) -> r.perSecond(), (r, t, v) -> r.withPerSecond(v)));
    private static final List<Parameter<Lens>> LENS = List.of(
            new Parameter<>(Lens.class, "lens-own-bend", "", span(-0.6, 0.6, 0.005, 3), (l, t) -> l.own().k1(), (l, t, v) -> l.withOwn(l.own().withK1(v))),
            new Parameter<>(Lens.class, "lens-own-view", "\u00b0", span(3, 150, 0.5, 1), (l, t) -> l.own().viewDeg(), (l, t, v) -> l.withOwn(l.own().withViewDeg(v))),
            new Parameter<>(Lens.class, "lens-plate-bend", "", span(-0.6, 0.6, 0.005, 3), (l, t) -> l.plate().k1(), (l, t, v) -> l.withPlate(l.plate().withK1(v))),
            new Parameter<>(Lens.class, "lens-plate-view", "\u00b0", span(3, 150, 0.5, 1), (l, t) -> l.plate().viewDeg(), (l, t, v) -> l.withPlate(l.plate().withViewDeg(v))));
    private static final List<Parameter<Wobble>> WOBBLE = List.of(
            new Parameter<>(Wobble.class, "wobble-across", "%", span(0, 20, 0.05, 2), (w, t) -> w.across(), (w, t, v) -> w.withAcross(v)),
            new Parameter<>(Wobble.class, "wobble-down", "%", span(0, 20, 0.05, 2), (w, t) -> w.down(), (w, t, v) -> w.withDown(v)),
            new Parameter<>(Wobble.class, "wobble-roll", "\u00b0", span(0, 20, 0.05, 2), (w, t) -> w.rollDeg(), (w, t, v) -> w.withRollDeg(v)),
            new Parameter<>(Wobble.class, "wobble-sways", "/s", span(0, 20, 0.05, 2), (w, t) -> w.perSecond(), (w, t, v) -> w.withPerSecond(v)),
            new Parameter<>(Wobble.class, "wobble-jolt", "%", span(0, 20, 0.1, 1), (w, t) -> w.joltPercent(), (w, t, v) -> w.withJoltPercent(v)));
    private static final List<Parameter<Extend>> EXTEND = List.of(
            new Parameter<>(Extend.class, "extend-left", "%", span(0, 300, 1, 0), (e, t) -> e.left(), (e, t, v) -> e.withLeft(v)),
            new Parameter<>(Extend.class, "extend-right", "%", span(0, 300, 1, 0), (e, t) -> e.right(), (e, t, v) -> e.withRight(v)),
            new Parameter<>(Extend.class, "extend-up", "%", span(0, 300, 1, 0), (e, t) -> e.up(), (e, t, v) -> e.withUp(v)),
            new Parameter<>(Extend.class, "extend-down", "%", span(0, 300, 1, 0), (e, t) -> e.down(), (e, t, v) -> e.withDown(v)),
            new Parameter<>(Extend.class, "extend-seam", "px", span(0, 400, 1, 0), (e, t) -> e.seamPx(), (e, t, v) -> e.withSeamPx(v)));
    private static final List<Parameter<Letterbox>> LETTERBOX = List.of(
            new Parameter<>(Letterbox.class, "letterbox-ratio", ": 1", span(0.2, 10, 0.01, 2), (l, t) -> l.ratio(), (l, t, v) -> l.withRatio(v)));
    private static final List<Parameter<Put>> PUT = List.of(
            new Parameter<>(Put.class, "across", "%", span(-400, 400, 0.5, 1), (p, t) -> 100 * p.at(t).by().x(), (p, t, v) -> p.withBy(p.by().set(t, new Point(v / 100, p.at(t).by().y())))),
            new Parameter<>(Put.class, "down", "%", span(-400, 400, 0.5, 1), (p, t) -> 100 * p.at(t).by().y(), (p, t, v) -> p.withBy(p.by().set(t, new Point(p.at(t).by().x(), v / 100)))),
            new Parameter<>(Put.class, "put-turn", "\u00b0", span(-3600, 3600, 0.5, 1), (p, t) -> p.at(t).turnDeg(), (p, t, v) -> p.withTurnDeg(p.turnDeg().set(t, v))),
            new Parameter<>(Put.class, "put-size", "\u00d7", span(0.02, 50, 0.01, 2), (p, t) -> p.at(t).size(), (p, t, v) -> p.withSize(p.size().set(t, v))));
    private static final List<Parameter<Place>> PLACE = List.of(
            new Parameter<>(Place.class, "sideways", "m", span(-50, 50, 0.01, 2), (p, t) -> foot(p, t).x(), (p, t, v) -> stood(p, t, new Vec(v, foot(p, t).y(), foot(p, t).z()))),
            new Parameter<>(Place.class, "height", "m", span(-10, 50, 0.01, 2), (p, t) -> foot(p, t).y(), (p, t, v) -> stood(p, t, new Vec(foot(p, t).x(), v, foot(p, t).z()))),
            new Parameter<>(Place.class, "away", "m", span(-50, 100, 0.01, 2), (p, t) -> foot(p, t).z(), (p, t, v) -> stood(p, t, new Vec(foot(p, t).x(), foot(p, t).y(), v))),
            new Parameter<>(Place.class, "filmed-sideways", "m", span(-50, 50, 0.01, 2), (p, t) -> filmed(p).x(), (p, t, v) -> filmedAt(p, new Vec(v, filmed(p).y(), filmed(p).z()))),
            new Parameter<>(Place.class, "filmed-height", "m", span(-10, 50, 0.01, 2), (p, t) -> filmed(p).y(), (p, t, v) -> filmedAt(p, new Vec(filmed(p).x(), v, filmed(p).z()))),
            new Parameter<>(Place.class, "filmed-away", "m", span(-50, 100, 0.01, 2), (p, t) -> filmed(p).z(), (p, t, v) -> filmedAt(p, new Vec(filmed(p).x(), filmed(p).y(), v))),
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
            case Luma l -> LUMA;
            case Difference d -> DIFFERENCE;
            case Tone t -> TONE;
            case Soften s -> SOFTEN;
            case Wrap w -> WRAP;
            case Glow g -> GLOW;
            case Lens l -> LENS;
            case Wobble w -> WOBBLE;
            case Extend e -> EXTEND;
            case Letterbox l -> LETTERBOX;
            case Pin p -> points(p);
            case Join j -> both(j, JOIN);
            case Cast c -> both(c, CAST);
            case Warp w -> points(w);
            case Ripple r -> both(r, RIPPLE);
            case Put p -> PUT;
            case Place p -> PLACE;
            case Shadow s -> SHADOW;
            case Presence p -> PRESENCE;
            case Steady s -> List.of();
            case OwnAlpha a -> List.of();
            case Follow f -> List.of();
            case Hold h -> List.of();
        };
    }

    /// The coordinates of the points that lead a step, across and down in turns; whoever shows the numbers of a step knows how many there are.
    private static List<Parameter<Step>> points(Led led) {
        List<Parameter<Step>> out = new ArrayList<>();
        String kind = Kind.word(led.getClass());
        for (int i = 0; i < led.names().size(); i++) {
            int at = i;
            for (boolean down : new boolean[] {false, true}) {
                String code = kind + "-" + led.names().get(i) + (down ? "-down" : "-across");
                out.add(new Parameter<>(Step.class, code, "%", span(-400, 500, 0.1, 1), (s, t) -> 100 * part(((Led) s).points(t).get(at), down), (s, t, v) -> {
                    Check.range(code, v, -2000, 2000);
                    List<Point> p = new ArrayList<>(((Led) s).points(t));
                    p.set(at, down ? new Point(p.get(at).x(), v / 100) : new Point(v / 100, p.get(at).y()));
                    return ((Led) s).withPoints(t, List.copyOf(p));
                }));
            }
        }
        return out;
    }

    private static double part(Point p, boolean down) {
        return down ? p.y() : p.x();
    }

    /// Numbers of its own and those of the points that lead it.
    private static List<Parameter<?>> both(Led led, List<? extends Parameter<?>> own) {
        List<Parameter<?>> out = new ArrayList<>(own);
        out.addAll(points(led));
        return out;
    }

    private static List<Parameter<Tone>> tone() {
        List<Parameter<Tone>> out = new ArrayList<>();
        for (int c = 0; c < 3; c++) {
            int at = c;
            String colour = List.of("red", "green", "blue").get(c);
            out.add(new Parameter<>(Tone.class, "slope-" + colour, "\u00d7", span(0, 10, 0.01, 2), (o, t) -> o.slope().values()[at], (o, t, v) -> o.withSlope(channel(o.slope(), at, v))));
            out.add(new Parameter<>(Tone.class, "offset-" + colour, "", span(-1, 1, 0.005, 3), (o, t) -> o.offset().values()[at], (o, t, v) -> o.withOffset(channel(o.offset(), at, v))));
            out.add(new Parameter<>(Tone.class, "power-" + colour, "", span(0.05, 10, 0.01, 2), (o, t) -> o.power().values()[at], (o, t, v) -> o.withPower(channel(o.power(), at, v))));
        }
        out.add(new Parameter<>(Tone.class, "saturation", "\u00d7", span(0, 4, 0.02, 2), (o, t) -> o.saturation(), (o, t, v) -> o.withSaturation(v)));
        return out;
    }

    private static Tone.Channels channel(Tone.Channels c, int at, double v) {
        return at == 0 ? c.withR(v) : at == 1 ? c.withG(v) : c.withB(v);
    }

    private static Parameter.Span span(double low, double high, double by, int decimals) {
        return new Parameter.Span(low, high, by, decimals);
    }

    private static Vec foot(Place p, double seconds) {
        return p.stand(seconds).foot();
    }

    /// The two cuts; the one that is not set makes room.
    private static Key cut(Key k, double emptyBelow, double solidAbove) {
        KeySettings s = k.settings();
        return new Key(new KeySettings(emptyBelow, solidAbove, s.chokePx(), s.softnessPx(), s.despill()));
    }

    private static Vec filmed(Place p) {
        return p.filmedFoot().value();
    }

    private static Place filmedAt(Place p, Vec foot) {
        return p.stands(Given.told(foot));
    }

    private static Place stood(Place p, double seconds, Vec foot) {
        return p.withFoot(p.foot().set(seconds, foot));
    }
}
