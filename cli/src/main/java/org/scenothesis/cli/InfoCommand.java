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

@Command(name = "info", description = "${bundle:info-command.says-what-piece-of-footage}", mixinStandardHelpOptions = true)
final class InfoCommand implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "FILE", description = "${bundle:info-command.video-still-or-folder-of}")
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
                    Locale.ENGLISH, Words.of("info-command.dx-at-frames"), o.get("kind").asText(), i.width(), i.height(),
                    Words.frames(i.frames()), i.seconds(),
                    i.rate().framesPerSecond(), i.rate().variable() ? " (varies)" : ""));
            output.say(String.format(
                    Words.of("info-command.in-range-matrix-transfer-turned"), c.codec(), c.container(), c.pixelFormat(), o.get("range")
                    .asText(), c.matrix(),
                    o.get("transfer").asText(), c.rotationDeg(), c.alpha() ? ", alpha" : "", c.audio() ? ", sound" : ""));
            if (i.equivalentMm() != null) {
                output.say(Words.of("info-command.lens-mm-as-on-full", Words.number(i.equivalentMm(), 1)));
            }
            i.notes().forEach(n -> output.say("note: " + n));
            return 0;
        }
    }
}
