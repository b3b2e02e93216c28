package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Judgement;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.match.Gains;
import org.scenothesis.core.match.LockJudge;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Point;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.measure.LockCheck;
import org.scenothesis.production.measure.LockReading;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

@Command(name = "lock", description = "${bundle:lock-command.measures-whether-the-camera-stood}", mixinStandardHelpOptions = true)
final class LockCommand implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "REFERENCE", description = "${bundle:lock-command.video-still-or-folder-of}")
    Path reference;

    @Parameters(index = "1", paramLabel = "TAKE", description = "${bundle:info-command.video-still-or-folder-of}")
    Path take;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        try (Bands bands = Bands.allCores()) {
            LockReading read = LockCheck.read(FootageSource.of(reference), FootageSource.of(take), bands, output.progress("lock check"));
            LockReport r = read.report();
            Subject subject = new Subject.OfTake("", "");
            List<Finding> findings = new ArrayList<>(LockJudge.judge(r, subject, HouseRules.DEFAULT, false));
            read.asked(subject).ifPresent(findings::add);
            output.print(json(r, findings).put("matrix_that_agrees", read.matrix() == null ? null : read.matrix().name()
                    .toLowerCase(Locale.ROOT)));
            say(r, findings);
            return 0;
        }
    }

    /// Values of where the camera stands in the end; null where nothing could be placed or compared.
    private static ObjectNode json(LockReport r, List<Finding> findings) {
        ObjectNode o = Output.object();
        o.put("frames", r.frames());
        o.put("placed_frames", r.placedFrames());
        if (r.found()) {
            segment(o, r.settled());
        } else {
            for (String name : new String[] {"used_share", "shift_px", "corner_shift_px", "roll_deg", "zoom_percent", "residual_px",
                    "deviation_px", "exposure_stops", "white_balance_mired", "gain"}) {
                o.putNull(name);
            }
        }
        if (r.bumpFrame() == null) {
            o.putNull("bump_frame");
        } else {
            o.put("bump_frame", r.bumpFrame());
        }
        Output.number(o, "drift_stops", r.driftStops());
        Output.number(o, "jump_stops", r.jumpStops());
        ArrayNode segments = o.putArray("segments");
        for (LockReport.Segment s : r.segments()) {
            ObjectNode at = segments.addObject();
            at.put("from", s.from());
            at.put("to", s.to());
            segment(at, s);
        }
        ArrayNode series = o.putArray("series");
        for (LockReport.Sample s : r.series()) {
            ObjectNode at = series.addObject();
            at.put("frame", s.frame());
            Output.number(at, "x", s.x());
            Output.number(at, "y", s.y());
            Output.number(at, "exposure_stops", s.exposureStops());
        }
        o.put("verdict", Words.verdict(new Judgement(findings).verdict()));
        o.set("findings", Output.findings(findings));
        return o;
    }

    private static void segment(ObjectNode o, LockReport.Segment s) {
        Gains g = s.gains();
        Output.number(o, "used_share", s.usedShare());
        o.set("shift_px", point(s.shift()));
        ArrayNode corners = o.putArray("corner_shift_px");
        s.corners().forEach(p -> corners.add(point(p)));
        Output.number(o, "roll_deg", s.rollDeg());
        Output.number(o, "zoom_percent", s.zoomPercent());
        Output.number(o, "residual_px", s.residualPx());
        Output.number(o, "deviation_px", s.deviationPx());
        Output.number(o, "exposure_stops", g == null ? null : g.stops());
        Output.number(o, "white_balance_mired", g == null ? null : g.mired());
        if (g == null) {
            o.putNull("gain");
        } else {
            ObjectNode gain = o.putObject("gain");
            Output.number(gain, "r", g.r());
            Output.number(gain, "g", g.g());
            Output.number(gain, "b", g.b());
        }
    }

    private static ObjectNode point(Point p) {
        ObjectNode o = Output.object();
        Output.number(o, "x", p.x());
        Output.number(o, "y", p.y());
        return o;
    }

    private void say(LockReport r, List<Finding> findings) {
        output.say(Words.of("lock-command.the-camera-placed-in", Words.frames(r.frames()), r.placedFrames()));
        for (LockReport.Segment g : r.segments()) {
            Gains gains = g.gains();
            output.say(String.format(
                    Words.of("lock-command.frames-to-shift-px-roll"),
                    g.from(), g.to(), Words.signed(g.shift().x(), 3), Words.signed(g.shift().y(), 3), Words.signed(g.rollDeg(), 4),
                    Words.signed(g.zoomPercent(), 3), Words.number(g.residualPx(), 3), gains == null ? "not measured"
                    : Words.stops(gains.stops()), 100 * g.usedShare()));
        }
        output.sayFindings(findings);
    }
}
