package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.follow.Followed;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Point;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.measure.FollowTake;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "track", description = "${bundle:track-command.follows-point-or-the-four}", mixinStandardHelpOptions = true)
final class TrackCommand implements Callable<Integer> {
    @Parameters(paramLabel = "FOOTAGE", description = "${bundle:track-command.video-or-folder-of-stills}")
    Path footage;

    @Option(names = "--point", paramLabel = "X,Y", description = "${bundle:track-command.what-to-follow-pixels-from}")
    @Nullable String point;

    @Option(names = "--corners", arity = "4", paramLabel = "X,Y", description = "${bundle:track-command.four-corners-top-left-top}")
    List<String> corners = List.of();

    @Option(names = "--from", paramLabel = "FRAME", description = "${bundle:track-command.the-frame-in-which-it}")
    int from;

    @Option(names = "--to", paramLabel = "FRAME", description = "${bundle:track-command.the-last-frame-to-follow}")
    @Nullable Integer to;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        List<Point> points = points();
        try (Bands bands = Bands.allCores()) {
            FootageSource source = FootageSource.of(footage);
            Integer end = to;
            var seed = new FollowTake.Seed(points, from, end == null ? last(source) : end);
            List<Followed> series = FollowTake.run(source, seed, bands, output.progress("following"), f -> {});
            output.print(json(series));
            say(series);
            return 0;
        }
    }

    private static int last(FootageSource source) throws FootageException {
        try (Footage f = Footages.open(source)) {
            return f.info().frames() - 1;
        }
    }

    private List<Point> points() throws InputException {
        String one = point;
        if ((one == null) == corners.isEmpty()) {
            throw new InputException(Words.of("track-command.say-what-to-follow-either"));
        }
        return points(one == null ? corners : List.of(one));
    }

    static List<Point> points(List<String> words) throws InputException {
        List<Point> out = new ArrayList<>();
        for (String s : words) {
            out.add(point(s));
        }
        return out;
    }

    private static Point point(String s) throws InputException {
        String[] parts = s.trim().split("\\s*,\\s*");
        try {
            if (parts.length == 2) {
                var p = new Point(Double.parseDouble(parts[0]), Double.parseDouble(parts[1]));
                if (Double.isFinite(p.length())) {
                    return p;
                }
            }
        } catch (NumberFormatException e) {
            // Said below.
        }
        throw new InputException(Words.of("track-command.is-no-point-write-two", s));
    }

    private static ObjectNode json(List<Followed> series) {
        ObjectNode o = Output.object();
        ArrayNode out = o.putArray("series");
        for (Followed f : series) {
            ObjectNode at = out.addObject();
            Point middle = f.found() ? middle(f.places()) : null;
            at.put("frame", f.frame());
            Output.number(at, "x", middle == null ? null : middle.x());
            Output.number(at, "y", middle == null ? null : middle.y());
            Output.number(at, "scale", middle == null ? null : f.size());
            Output.number(at, "turn_deg", middle == null ? null : f.turnDeg());
            Output.number(at, "confidence", f.confidence());
            at.put("found", f.found());
            if (f.places().size() != 1 && series.getFirst().places().size() == 4) {
                ArrayNode four = at.putArray("corners");
                for (int i = 0; i < 4; i++) {
                    ObjectNode c = four.addObject();
                    Output.number(c, "x", f.found() ? f.places().get(i).x() : null);
                    Output.number(c, "y", f.found() ? f.places().get(i).y() : null);
                }
            }
        }
        return o;
    }

    /// The point itself; of four corners where their diagonals cross, which is the middle of the flat thing.
    private static Point middle(List<Point> p) {
        if (p.size() == 1) {
            return p.getFirst();
        }
        Point a = p.get(2).minus(p.get(0));
        Point b = p.get(3).minus(p.get(1));
        Point c = p.get(1).minus(p.get(0));
        double t = (c.x() * b.y() - c.y() * b.x()) / (a.x() * b.y() - a.y() * b.x());
        return p.get(0).plus(a.times(t));
    }

    private void say(List<Followed> series) {
        long found = series.stream().filter(Followed::found).count();
        output.say("found in " + found + " of " + Words.frames(series.size()));
        for (Followed f : series) {
            if (f.found()) {
                Point p = middle(f.places());
                output.say(String.format(Words.of("track-command.frame-px-size-turned-sure"), f.frame(), Words.number(p.x(), 2),
                        Words.number(p.y(), 2), Words.number(f.size(), 3), Words.signed(f.turnDeg(), 2), 100 * f.confidence()));
            } else {
                output.say(String.format(Words.of("track-command.frame-not-found"), f.frame()));
            }
        }
    }
}
