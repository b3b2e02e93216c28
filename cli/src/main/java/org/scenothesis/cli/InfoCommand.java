package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.Locale;
import java.util.concurrent.Callable;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageInfo;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

@Command(name = "info", description = "Says what a piece of footage is and how it will be understood.", mixinStandardHelpOptions = true)
final class InfoCommand implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "FILE", description = "A video, a still, or a folder of stills.")
    Path file;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        try (Footage f = Footages.open(file)) {
            FootageInfo i = f.info();
            FootageInfo.Coding c = i.coding();
            ObjectNode o = Output.object();
            o.put("kind", i.kind().name().toLowerCase(Locale.ROOT));
            o.put("width", i.width());
            o.put("height", i.height());
            o.put("frames", i.frames());
            Output.number(o, "seconds", i.seconds());
            Output.number(o, "rate", i.rate().framesPerSecond());
            o.put("variable_rate", i.rate().variable());
            o.put("container", c.container());
            o.put("codec", c.codec());
            o.put("pixels", c.pixelFormat());
            o.put("range", c.fullRange() ? "full" : "limited");
            o.put("matrix", c.matrix().name().toLowerCase(Locale.ROOT));
            o.put("matrix_named", c.matrixNamed());
            o.put("transfer", c.transfer().name().toLowerCase(Locale.ROOT));
            o.put("rotation_deg", c.rotationDeg());
            o.put("alpha", c.alpha());
            o.put("audio", c.audio());
            o.put("equivalent_mm", i.equivalentMm());
            o.put("cut_short", i.shortfall() != null);
            o.put("frames_missing", i.shortfall() == null ? 0 : i.shortfall().frames());
            o.set("notes", Output.tree(i.notes()));
            output.print(o);
            output.say(String.format(
                    Locale.ENGLISH, "%s %dx%d, %s, %.2f s at %.3f frames/s%s", o.get("kind").asText(), i.width(), i.height(), Words.frames(i.frames()), i.seconds(),
                    i.rate().framesPerSecond(), i.rate().variable() ? " (varies)" : ""));
            output.say(String.format(
                    "%s in %s, %s, %s range, matrix %s, transfer %s, turned %d°%s%s", c.codec(), c.container(), c.pixelFormat(), o.get("range").asText(), c.matrix(),
                    o.get("transfer").asText(), c.rotationDeg(), c.alpha() ? ", alpha" : "", c.audio() ? ", sound" : ""));
            if (i.equivalentMm() != null) {
                output.say("lens " + Words.number(i.equivalentMm(), 1) + " mm as on a full frame, noted in the file");
            }
            i.notes().forEach(n -> output.say("note: " + n));
            return 0;
        }
    }
}
