package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.match.LockJudge;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Point;
import org.scenothesis.production.measure.LockCheck;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

@Command(name = "lock", description = "Measures whether the camera stood still between a reference and a take.", mixinStandardHelpOptions = true)
final class LockCommand implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "REFERENCE", description = "A video, a still, or a folder of stills: its start is the reference.")
    Path reference;

    @Parameters(index = "1", paramLabel = "TAKE", description = "A video, a still, or a folder of stills.")
    Path take;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        try (Bands bands = Bands.allCores()) {
            LockReport r = LockCheck.run(reference, take, bands, output.progress("lock check"));
            List<Finding> findings = LockJudge.judge(r, "", HouseRules.DEFAULT, false);
            output.print(json(r, findings));
            say(r, findings);
            return 0;
        }
    }

    private static ObjectNode json(LockReport r, List<Finding> findings) {
        ObjectNode o = Output.object();
        o.put("frames", r.frames());
        Output.number(o, "used_share", r.usedShare());
        o.set("shift_px", point(r.shift()));
        ArrayNode corners = o.putArray("corner_shift_px");
        r.corners().forEach(p -> corners.add(point(p)));
        Output.number(o, "roll_deg", r.rollDeg());
        Output.number(o, "zoom_percent", r.zoomPercent());
        Output.number(o, "residual_px", r.residualPx());
        Output.number(o, "exposure_stops", r.exposureStops());
        Output.number(o, "white_balance_mired", r.gains().mired());
        ObjectNode gain = o.putObject("gain");
        Output.number(gain, "r", r.gains().r());
        Output.number(gain, "g", r.gains().g());
        Output.number(gain, "b", r.gains().b());
        if (r.bumpFrame() == null) {
            o.putNull("bump_frame");
        } else {
            o.put("bump_frame", r.bumpFrame());
        }
        ArrayNode series = o.putArray("series");
        for (LockReport.Sample s : r.series()) {
            ObjectNode at = series.addObject();
            at.put("frame", s.frame());
            Output.number(at, "x", s.x());
            Output.number(at, "y", s.y());
            Output.number(at, "exposure_stops", s.exposureStops());
        }
        o.put("verdict", Words.verdict(LockJudge.worst(findings)));
        o.set("findings", Output.findings(findings));
        return o;
    }

    private static ObjectNode point(Point p) {
        ObjectNode o = Output.object();
        Output.number(o, "x", p.x());
        Output.number(o, "y", p.y());
        return o;
    }

    private void say(LockReport r, List<Finding> findings) {
        output.say(String.format(
                "%s: shift %s, %s px; roll %s°; zoom %s %%; residual %s px; exposure %s; %.0f %% of the points used",
                Words.frames(r.frames()), Words.signed(r.shift().x(), 3), Words.signed(r.shift().y(), 3), Words.signed(r.rollDeg(), 4),
                Words.signed(r.zoomPercent(), 3), Words.number(r.residualPx(), 3), Words.stops(r.exposureStops()), 100 * r.usedShare()));
        output.sayFindings(findings);
    }
}
