package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import org.scenothesis.core.breakdown.day.LightDay;
import org.scenothesis.core.breakdown.day.Sun;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.shot.Location;
import org.scenothesis.production.place.PlaceClock;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(name = "sun", description = "Says when the sun shines at a place on a day, and how long its direction holds.", mixinStandardHelpOptions = true)
final class SunCommand implements Callable<Integer> {
    private static final Map<String, Double> HEIGHTS = Map.of("horizon", LightDay.HORIZON_DEG, "golden", LightDay.GOLDEN_DEG, "blue", LightDay.BLUE_DEG, "dark", LightDay.DARK_DEG);

    @Option(names = "--lat", required = true, paramLabel = "DEG", description = "Latitude, north positive.")
    double latitude;

    @Option(names = "--lon", required = true, paramLabel = "DEG", description = "Longitude, east positive.")
    double longitude;

    @Option(names = "--date", required = true, paramLabel = "YYYY-MM-DD", description = "The day.")
    String date;

    @Option(names = "--zone", paramLabel = "ZONE", description = "Clock of the place, such as UTC+1; by its coordinates where it is not told.")
    String zone = "";

    @Option(names = "--hidden", paramLabel = "FROM:TO:HEIGHT", description = "Something before the sky, in degrees: from and to clockwise from north, and how high.")
    List<String> hidden = List.of();

    @Option(names = "--minutes", defaultValue = "30", paramLabel = "MIN", description = "How long the work in one light takes.")
    double minutes;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        LocalDate of = day();
        PlaceClock clock = clock();
        LightDay day = LightDay.of(place(clock), of);
        double limit = HouseRules.DEFAULT.limit(Measure.KEY_DIRECTION).holds();
        ObjectNode o = Output.object();
        o.put("zone", clock.zone());
        o.put("zone_from", clock.from().name().toLowerCase(Locale.ROOT));
        output.say("clock of the place: " + Words.of("clock." + clock.from().name(), clock.zone()));
        moments(day, o);
        ArrayNode spans = o.putArray("spans");
        for (LightDay.Span s : day.spans()) {
            String sky = s.sky().name().toLowerCase(Locale.ROOT);
            spans.addObject().put("from", PlanWords.clock(s.from())).put("to", PlanWords.clock(s.to())).put("sky", sky);
            output.say(PlanWords.clock(s.from()) + " to " + PlanWords.clock(s.to()) + "  " + sky);
        }
        ArrayNode hours = o.putArray("hours");
        for (int m = 0; m < 24 * 60; m += 60) {
            if (day.sky(m) == LightDay.Sky.SUN) {
                Sun s = day.sun(m);
                ObjectNode h = hours.addObject().put("at", PlanWords.clock(m)).put("holds_until", PlanWords.clock(day.holdsUntil(m, limit)));
                Output.number(h, "azimuth_deg", s.azimuthDeg());
                Output.number(h, "elevation_deg", s.elevationDeg());
                output.say(String.format(
                        Locale.ENGLISH, "%s  sun at %.0f\u00b0, %.0f\u00b0 high; holds within %s\u00b0 until %s", PlanWords.clock(m), s.azimuthDeg(), s.elevationDeg(),
                        Words.number(limit, 0), PlanWords.clock(day.holdsUntil(m, limit))));
            }
        }
        day.best(minutes).ifPresent(b -> {
            o.put("best_start", PlanWords.clock(b));
            Output.number(o, "best_turn_deg", day.turn(b, b + minutes));
            output.say(Words.number(minutes, 0) + " min turn least from " + PlanWords.clock(b) + ", by " + Words.number(day.turn(b, b + minutes), 1) + "\u00b0.");
        });
        output.print(o);
        return 0;
    }

    private LocalDate day() throws InputException {
        try {
            return LocalDate.parse(date);
        } catch (DateTimeException e) {
            throw new InputException("--date " + date + ": write the day as 2026-06-21.");
        }
    }

    private PlaceClock clock() throws InputException {
        try {
            return PlaceClock.of(zone, latitude, longitude);
        } catch (IllegalArgumentException e) {
            throw new InputException(e.getMessage() + ".");
        }
    }

    private void moments(LightDay day, ObjectNode o) {
        ArrayNode list = o.putArray("moments");
        SortedMap<Double, String> all = new TreeMap<>();
        HEIGHTS.forEach((name, deg) -> day.crossings(deg).forEach(c -> all.put(c.minutes(), Words.of("sun." + name + (c.upwards() ? ".up" : ".down")))));
        all.forEach((at, what) -> {
            list.addObject().put("what", what).put("at", PlanWords.clock(at));
            output.say(PlanWords.clock(at) + "  " + what);
        });
    }

    private Location place(PlaceClock clock) throws InputException {
        List<Location.Obstruction> horizon = new ArrayList<>();
        for (String h : hidden) {
            String[] p = h.split(":");
            try {
                horizon.add(new Location.Obstruction(Double.parseDouble(p[0]), Double.parseDouble(p[1]), Double.parseDouble(p[2])));
            } catch (RuntimeException e) {
                throw new InputException("--hidden " + h + ": give three numbers of degrees, such as 90:140:25.");
            }
        }
        return new Location("", latitude, longitude, clock.zone(), horizon);
    }
}
