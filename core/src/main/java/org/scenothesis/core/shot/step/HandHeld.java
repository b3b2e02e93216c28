package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.Check;
import org.scenothesis.core.value.Animated;

/// As if held by hand: slow drift and small turns, and the ground's jolts; the picture is enlarged just so far that no edge shows.
///
/// - `across`, `down`: the furthest it goes, in percent of the picture's height; `rollDeg`: how far it turns; `perSecond`: how often it
///   sways.
/// - `jolts`: moments of the shot, in seconds, at which it is shaken by `joltPercent` of the height, dying away within half a second.
@RecordBuilder
public record HandHeld(double across, double down, double rollDeg, double perSecond, double joltPercent, List<Double> jolts,
        Map<String, Animated<Double>> keyed) implements Step, Keyable, HandHeldBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<HandHeld>> PARAMETERS = List.of(
            new Parameter<>(HandHeld.class, "wobble-across", "%", new Parameter.Span(0, 20, 0.05, 2), (w, t) -> w.across(), (w, t, v) ->
            w.withAcross(v)),
            new Parameter<>(HandHeld.class, "wobble-down", "%", new Parameter.Span(0, 20, 0.05, 2), (w, t) -> w.down(), (w, t, v) ->
            w.withDown(v)),
            new Parameter<>(HandHeld.class, "wobble-roll", "\u00b0", new Parameter.Span(0, 20, 0.05, 2), (w, t) -> w.rollDeg(),
            (w, t, v) -> w.withRollDeg(v)),
            new Parameter<>(HandHeld.class, "wobble-sways", "/s", new Parameter.Span(0, 20, 0.05, 2), (w, t) -> w.perSecond(), (w, t, v) ->
            w.withPerSecond(v)).keyed(Parameter.Keying.RUNS),
            new Parameter<>(HandHeld.class, "wobble-jolt", "%", new Parameter.Span(0, 20, 0.1, 1), (w, t) -> w.joltPercent(), (w, t, v) ->
            w.withJoltPercent(v)));
    public static final HandHeld CALM = new HandHeld(0.5, 0.4, 0.2, 0.7, 1, List.of());
    private static final double DIES_S = 0.12;
    private static final double SHAKES_HZ = 9;
    /// Shares of the sways and how much faster than the first each is: no common measure, so that it never comes round.
    private static final double[] SHARES = {0.55, 0.3, 0.15};
    private static final double[] FASTER = {1, 1.93, 3.71};

    public HandHeld {
        keyed = Parameter.checked(PARAMETERS, keyed);
        Check.range("across", across, 0, 20);
        Check.range("down", down, 0, 20);
        Check.range("rollDeg", rollDeg, 0, 20);
        Check.range("perSecond", perSecond, 0, 20);
        Check.range("joltPercent", joltPercent, 0, 20);
        Check.that(jolts.size() <= 1000, "there are at most 1000 jolts");
        jolts.forEach(j -> Check.range("jolts", j, 0, Animated.LONGEST_S));
        jolts = List.copyOf(jolts);
    }

    /// Without keys by code.
    public HandHeld(double across, double down, double rollDeg, double perSecond, double joltPercent, List<Double> jolts) {
        this(across, down, rollDeg, perSecond, joltPercent, jolts, Map.of());
    }

    @Override
    public HandHeld withKeyed(Map<String, Animated<Double>> other) {
        return new HandHeld(across, down, rollDeg, perSecond, joltPercent, jolts, other);
    }

    /// How it is held at a moment: shifts in percent of the height, turn in degrees clockwise.
    public record Held(double across, double down, double rollDeg) {}

    /// How it is held at a moment, in seconds; never further than told.
    public Held at(double seconds) {
        double jolt = 0;
        for (double j : jolts) {
            double t = seconds - j;
            jolt += t < 0 ? 0 : joltPercent * Math.exp(-t / DIES_S) * Math.cos(2 * Math.PI * SHAKES_HZ * t);
        }
        return new Held(across * sway(seconds, 0.3), down * sway(seconds, 2.1) + Math.clamp(jolt, -joltPercent, joltPercent),
                rollDeg * sway(seconds, 4.4));
    }

    private double sway(double seconds, double phase) {
        double sum = 0;
        for (int i = 0; i < SHARES.length; i++) {
            sum += SHARES[i] * Math.sin(2 * Math.PI * perSecond * FASTER[i] * seconds + phase * (i + 1));
        }
        return sum;
    }

    /// How much larger a picture of `width × height` must be for no edge to show: the smallest scale at which every corner, first shifted,
    /// then turned by any extreme, stays inside.
    public double overscan(double width, double height) {
        double x = across / 100 * height;
        double y = (down + (jolts.isEmpty() ? 0 : joltPercent)) / 100 * height;
        return overscan(width, height, x, y, Math.toRadians(rollDeg));
    }

    /// The same of shifts in pixels and a turn in radians.
    static double overscan(double width, double height, double x, double y, double roll) {
        double w = width / 2 + x;
        double h = height / 2 + y;
        double most = 1;
        for (double a : new double[] {-roll, roll}) {
            most = Math.max(most, (w * Math.cos(a) + h * Math.abs(Math.sin(a))) / (width / 2));
            most = Math.max(most, (h * Math.cos(a) + w * Math.abs(Math.sin(a))) / (height / 2));
        }
        return most;
    }

    /// With a jolt more.
    public HandHeld jolted(double seconds) {
        List<Double> more = new ArrayList<>(jolts);
        more.add(seconds);
        more.sort(null);
        return withJolts(more);
    }
}
