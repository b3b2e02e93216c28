package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.background.BackgroundReport;
import org.scenothesis.core.background.Busy;
import org.scenothesis.core.background.Suitability;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.match.BackgroundTake;
import org.scenothesis.production.words.Entered;
import org.scenothesis.production.words.MatchWords;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;

@Command(name = "background", description = "${bundle:background-command.says-what-footage-is-like}", mixinStandardHelpOptions = true)
final class BackgroundCommand implements Callable<Integer> {
    @Parameters(paramLabel = "FOOTAGE", arity = "1..*", description = "${bundle:background-command.video-still-or-folder-of}")
    List<Path> footage;

    @Option(names = "--size", paramLabel = "WxH", description = "${bundle:background-command.the-finished-picture-in-pixels}")
    @Nullable String size;

    @Option(names = "--permitted", negatable = true, description = "${bundle:background-command.whether-leave-to-use-it}")
    @Nullable Boolean permitted;

    @Option(names = "--room", paramLabel = "X,Y,W,H", description = "${bundle:background-command.where-the-element-over-it}")
    @Nullable String room;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        List<Suitability> all = new ArrayList<>();
        try (Bands bands = Bands.allCores()) {
            for (Path p : footage) {
                BackgroundReport r = BackgroundTake.of(FootageSource.of(p), bands, output.progress("background")).report();
                all.add(Suitability.of(p.toString(), r, wanted()));
            }
        }
        List<Suitability> ranked = Suitability.ranked(all);
        if (ranked.size() == 1) {
            output.print(json(ranked.getFirst()));
            say(ranked.getFirst());
            return 0;
        }
        ObjectNode o = Output.object();
        ArrayNode out = o.putArray("ranked");
        for (Suitability s : ranked) {
            out.add(json(s).put("footage", s.name()));
            output.say(s.name());
            say(s);
        }
        output.print(o);
        return 0;
    }

    private Suitability.Wanted wanted() {
        String s = size;
        if (s == null) {
            return new Suitability.Wanted(0, 0, permitted, room());
        }
        String[] sides = s.split("x");
        try {
            return new Suitability.Wanted(side(sides[0]), side(sides[1]), permitted, room());
        } catch (RuntimeException e) {
            throw new ParameterException(output.spec.commandLine(), Words.of("background-command.size-is-two-whole-numbers", s), e);
        }
    }

    private Busy.@Nullable Room room() {
        String r = room;
        if (r == null) {
            return null;
        }
        return Entered.made(() -> {
            double[] v = Stream.of(r.split(",")).mapToDouble(p -> Check.range("a share", Double.parseDouble(p.trim()), 0, 100) / 100)
                    .toArray();
            Check.that(v.length == 4 && v[2] > 0 && v[3] > 0, Words.of("background-command.room-has-four-numbers"));
            return new Busy.Room(v[0], v[1], v[2], v[3]);
        }, why -> new ParameterException(output.spec.commandLine(), Words.of("background-command.room-is-left-top-width", r)));
    }

    private static int side(String px) {
        return (int) Check.range("a side", Integer.parseInt(px.trim()), 1, 100_000);
    }

    private void say(Suitability s) {
        BackgroundReport r = s.report();
        output.say("camera        " + Words.of("background." + r.camera().name()));
        output.say("own motion    " + (Double.isNaN(r.ownMotionShare()) ? Words.of("camera.unknown")
                : Words.of("background-command.of-the-picture", Words.number(100 * r.ownMotionShare(), 1))));
        output.say("flicker       " + (Double.isNaN(r.flickerStops()) ? Words.of("background-command.too-few-frames-to-tell")
                : Words.stops(r.flickerStops())));
        output.say("size          " + r.width() + " \u00d7 " + r.height()
                + (r.bars().none() ? "" : Words.of("background-command.with-black-bars-px-above", r.bars().top(), r.bars().bottom(),
                r.bars().left(), r.bars().right())));
        output.say(Words.of("background." + r.camera().name() + ".what"));
        s.reasons().forEach(x -> output.say("  " + Words.verdict(x.verdict()) + "  " + MatchWords.reason(s, x)));
    }

    private static ObjectNode json(Suitability s) {
        BackgroundReport r = s.report();
        ObjectNode o = Output.object();
        if (r.camera() == BackgroundReport.CameraWork.UNKNOWN) {
            o.putNull("camera");
        } else {
            o.put("camera", r.camera().name().toLowerCase(Locale.ROOT).replace('_', '-'));
        }
        ArrayNode moves = o.putArray("move");
        for (BackgroundReport.Move m : r.moves()) {
            if (m == null) {
                moves.addNull();
                continue;
            }
            ObjectNode at = moves.addObject();
            Output.number(at, "x", m.x());
            Output.number(at, "y", m.y());
            Output.number(at, "roll_deg", m.rollDeg());
            Output.number(at, "zoom_percent", m.zoomPercent());
        }
        Output.number(o, "own_motion_share", r.ownMotionShare());
        Output.number(o, "flicker_stops", r.flickerStops());
        o.putObject("bars_px").put("top", r.bars().top()).put("right", r.bars().right()).put("bottom", r.bars().bottom())
                .put("left", r.bars().left());
        o.putArray("size").add(r.width()).add(r.height());
        s.quieter().ifPresentOrElse(q -> o.putObject("quieter").put("x", q.x()).put("y", q.y()).put("wide", q.wide())
                .put("high", q.high()), () -> o.putNull("quieter"));
        o.put("verdict", s.verdict().name().toLowerCase(Locale.ROOT));
        ArrayNode findings = o.putArray("findings");
        findings.addObject().put("meaning", Words.of("background." + r.camera().name() + ".what"));
        for (Suitability.Reason x : s.reasons()) {
            ObjectNode n = findings.addObject().put("question", x.question().name().toLowerCase(Locale.ROOT));
            Output.number(n, "value", x.value());
            n.put("verdict", x.verdict().name().toLowerCase(Locale.ROOT)).put("meaning", MatchWords.reason(s, x));
        }
        return o;
    }
}
