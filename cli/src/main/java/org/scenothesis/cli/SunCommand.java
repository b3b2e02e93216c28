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
import org.scenothesis.production.words.Entered;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(name = "sun", description = "${bundle:sun-command.says-when-the-sun-shines}", mixinStandardHelpOptions = true)
final class SunCommand implements Callable<Integer> {
    private static final Map<String, Double> HEIGHTS = Map.of("horizon", LightDay.HORIZON_DEG, "golden", LightDay.GOLDEN_DEG, "blue",
            LightDay.BLUE_DEG, "dark", LightDay.DARK_DEG);

    @Option(names = "--lat", required = true, paramLabel = "DEG", description = "${bundle:sun-command.latitude-north-positive}")
    double latitude;

    @Option(names = "--lon", required = true, paramLabel = "DEG", description = "${bundle:sun-command.longitude-east-positive}")
    double longitude;

    @Option(names = "--date", required = true, paramLabel = "YYYY-MM-DD", description = "The day.")
    String date;

    @Option(names = "--zone", paramLabel = "ZONE", description = "${bundle:sun-command.clock-of-the-place-such}")
    String zone = "";

    @Option(names = "--hidden", paramLabel = "FROM:TO:HEIGHT", description = "${bundle:sun-command.something-before-the-sky-in}")
    List<String> hidden = List.of();

    @Option(names = "--minutes", defaultValue = "30", paramLabel = "MIN", description = "${bundle:sun-command.how-long-the-work-in}")
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
        output.say(Words.of("sun-command.clock-of-the-place", Words.of("clock." + clock.from().name(), clock.zone())));
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
                ObjectNode h = hours.addObject().put("at", PlanWords.clock(m))
                        .put("holds_until", PlanWords.clock(day.holdsUntil(m, limit)));
                Output.number(h, "azimuth_deg", s.azimuthDeg());
                Output.number(h, "elevation_deg", s.elevationDeg());
                output.say(String.format(
                        Locale.ENGLISH, Words.of("sun-command.sun-at-high-holds-within"), PlanWords.clock(m), s.azimuthDeg(),
                        s.elevationDeg(),
                        Words.number(limit, 0), PlanWords.clock(day.holdsUntil(m, limit))));
            }
        }
        day.best(minutes).ifPresent(b -> {
            o.put("best_start", PlanWords.clock(b));
            Output.number(o, "best_turn_deg", day.turn(b, b + minutes));
            output.say(Words.of("sun-command.min-turn-least-from-by", Words.number(minutes, 0), PlanWords.clock(b),
                    Words.number(day.turn(b, b + minutes), 1)));
        });
        output.print(o);
        return 0;
    }

    private LocalDate day() throws InputException {
        try {
            return LocalDate.parse(date);
        } catch (DateTimeException e) {
            throw new InputException(Words.of("sun-command.date-write-the-day-as", date));
        }
    }

    private PlaceClock clock() throws InputException {
        return Entered.made(() -> PlaceClock.of(zone, latitude, longitude), InputException::because);
    }

    private void moments(LightDay day, ObjectNode o) {
        ArrayNode list = o.putArray("moments");
        SortedMap<Double, String> all = new TreeMap<>();
        HEIGHTS.forEach((name, deg) -> day.crossings(deg)
                .forEach(c -> all.put(c.minutes(), Words.of("sun." + name + (c.upwards() ? ".up" : ".down")))));
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
                throw new InputException(Words.of("sun-command.hidden-give-three-numbers-of", h));
            }
        }
        return new Location("", latitude, longitude, clock.zone(), horizon);
    }
}
