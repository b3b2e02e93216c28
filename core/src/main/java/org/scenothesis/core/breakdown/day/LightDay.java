package org.scenothesis.core.breakdown.day;

import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.scenothesis.core.shot.Location;

/// The light of one day at one place, in steps of five minutes: when the sun shines there, when something hides it, when it is down.
///
/// Times are minutes after midnight by the place's own clock.
public record LightDay(Location place, LocalDate date, List<Span> spans, List<Sun> suns) {
    public static final int STEP = 5;
    private static final int DAY = 24 * 60;
    /// Lower, the sun is red and its shadows run out of every frame.
    private static final double USABLE_DEG = 10;

    public enum Sky {
        NIGHT,
        SHADE,
        SUN
    }

    /// A stretch of one kind of light.
    public record Span(int from, int to, Sky sky) {}

    public LightDay {
        spans = List.copyOf(spans);
        suns = List.copyOf(suns);
    }

    /// Where the sun stands through one day at a place, and whether it shines, in steps of a few minutes.
    public static LightDay of(Location place, LocalDate date) {
        List<Sun> suns = new ArrayList<>();
        List<Span> spans = new ArrayList<>();
        for (int m = 0; m < DAY; m += STEP) {
            Sun s = Sun.at(place, at(place, date, m));
            suns.add(s);
            Sky sky = s.elevationDeg() <= 0 ? Sky.NIGHT : place.hides(s.azimuthDeg(), s.elevationDeg()) ? Sky.SHADE : Sky.SUN;
            if (!spans.isEmpty() && spans.getLast().sky == sky) {
                spans.set(spans.size() - 1, new Span(spans.getLast().from, m + STEP, sky));
            } else {
                spans.add(new Span(m, m + STEP, sky));
            }
        }
        return new LightDay(place, date, spans, suns);
    }

    private static ZonedDateTime at(Location place, LocalDate date, int minutes) {
        // By the clock on the wall, also on days on which it is put forward or back.
        return date.atStartOfDay().plusMinutes(minutes).atZone(place.zoneId());
    }

    /// When the sun goes through a height, in minutes after midnight; upwards or downwards.
    public record Crossing(double minutes, boolean upwards) {}

    /// The sun's upper edge on the level horizon, bent by standard air. Source: the usual definition of sunrise and sunset.
    public static final double HORIZON_DEG = -0.8333;
    /// The low warm sun, from one of these heights to the other; below its lower end the blue hour, down to the third.
    public static final double GOLDEN_DEG = 6;
    public static final double BLUE_DEG = -4;
    public static final double DARK_DEG = -6;

    /// When the sun's middle goes through a height of so many degrees, not counting the bending of air, in order; between two steps in a
    /// straight line.
    public List<Crossing> crossings(double elevationDeg) {
        List<Crossing> out = new ArrayList<>();
        double a = Sun.without(place, at(place, date, 0)).elevationDeg() - elevationDeg;
        for (int m = STEP; m < DAY; m += STEP) {
            double b = Sun.without(place, at(place, date, m)).elevationDeg() - elevationDeg;
            if (a < 0 != b < 0) {
                out.add(new Crossing(m - STEP + STEP * a / (a - b), b >= 0));
            }
            a = b;
        }
        return out;
    }

    /// Where the sun stands, at minutes after midnight, to the nearest step.
    public Sun sun(double minutes) {
        return suns.get(Math.clamp((int) Math.round(minutes / STEP), 0, suns.size() - 1));
    }

    /// What the sky gives, at minutes after midnight.
    public Sky sky(double minutes) {
        return spans.stream().filter(s -> minutes >= s.from && minutes < s.to).map(Span::sky).findFirst().orElse(Sky.NIGHT);
    }

    /// How far the sun turns at most between two moments of the day, seen from the first.
    public double turn(double from, double to) {
        double most = 0;
        for (double m = from; m <= to; m += STEP) {
            most = Math.max(most, sun(from).turnedFrom(sun(m)));
        }
        return Math.max(most, sun(from).turnedFrom(sun(to)));
    }

    /// Until when the sun, still shining, has turned no more than `limitDeg` from where it stood at a moment; the moment itself if it does
    /// not shine.
    public double holdsUntil(double from, double limitDeg) {
        double m = from;
        while (m < DAY && sky(m) == Sky.SUN && sun(from).turnedFrom(sun(m)) <= limitDeg) {
            m += STEP;
        }
        return m;
    }

    /// When `minutes` of work are best begun in the sun: the start from which it turns least while it stands high enough to light anything,
    /// or, where it never does, at all;
    /// none if it never shines that long.
    public Optional<Integer> best(double minutes) {
        Optional<Integer> high = best(minutes, USABLE_DEG);
        return high.isPresent() ? high : best(minutes, 0);
    }

    private Optional<Integer> best(double minutes, double aboveDeg) {
        int best = -1;
        double least = Double.POSITIVE_INFINITY;
        for (int m = 0; m + minutes < DAY; m += STEP) {
            boolean high = sun(m).elevationDeg() >= aboveDeg && sun(m + minutes).elevationDeg() >= aboveDeg;
            if (high && shines(m, m + minutes) && turn(m, m + minutes) < least - 1e-9) {
                least = turn(m, m + minutes);
                best = m;
            }
        }
        return best < 0 ? Optional.empty() : Optional.of(best);
    }

    /// Whether the sun is up high enough all the while, both in minutes after midnight.
    public boolean shines(double from, double to) {
        for (double m = from; m <= to; m += STEP) {
            if (sky(m) != Sky.SUN) {
                return false;
            }
        }
        return true;
    }
}
