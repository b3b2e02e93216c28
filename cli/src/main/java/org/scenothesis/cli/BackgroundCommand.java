package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.Locale;
import java.util.concurrent.Callable;
import org.scenothesis.core.background.BackgroundMeter;
import org.scenothesis.core.background.BackgroundReport;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

@Command(name = "background", description = "Says what footage is like as a background: how its camera moves, what moves by itself, flicker, black bars, size.", mixinStandardHelpOptions = true)
final class BackgroundCommand implements Callable<Integer> {
    @Parameters(paramLabel = "FOOTAGE", description = "A video, a still, or a folder of stills.")
    Path footage;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        BackgroundReport r;
        Progress progress = output.progress("background");
        try (Bands bands = Bands.allCores(); Footage f = Footages.open(FootageSource.of(footage))) {
            BackgroundMeter m = new BackgroundMeter(bands);
            int n = f.info().frames();
            for (int i = 0; i < n; i++) {
                progress.at(i, n);
                m.next(f.lockFrame(i));
            }
            progress.at(n, n);
            r = m.report();
        }
        output.print(json(r));
        output.say("camera        " + Words.of("background." + r.camera().name()));
        output.say("own motion    " + (Double.isNaN(r.ownMotionShare()) ? Words.of("camera.unknown") : Words.number(100 * r.ownMotionShare(), 1) + " % of the picture"));
        output.say("flicker       " + (Double.isNaN(r.flickerStops()) ? "too few frames to tell" : Words.stops(r.flickerStops())));
        output.say("size          " + r.width() + " \u00d7 " + r.height() + (r.bars().none() ? "" : ", with black bars: " + r.bars().top() + " px above, " + r.bars().bottom() + " below, " + r.bars().left() + " left, " + r.bars().right() + " right"));
        output.say(Words.of("background." + r.camera().name() + ".what"));
        return 0;
    }

    private static ObjectNode json(BackgroundReport r) {
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
        o.putObject("bars_px").put("top", r.bars().top()).put("right", r.bars().right()).put("bottom", r.bars().bottom()).put("left", r.bars().left());
        o.putArray("size").add(r.width()).add(r.height());
        o.putArray("findings").addObject().put("meaning", Words.of("background." + r.camera().name() + ".what"));
        return o;
    }
}
