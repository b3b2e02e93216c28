package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.compare.Look;
import org.scenothesis.core.compare.Noise;
import org.scenothesis.core.compare.PictureComparison;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.step.ColourGrade;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.match.MarksFile;
import org.scenothesis.production.words.MatchWords;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "compare", description = "${bundle:compare-command.says-how-far-two-pictures}", mixinStandardHelpOptions = true)
final class CompareCommand implements Callable<Integer> {
    private static final int FRAMES = 4;

    @Parameters(index = "0", paramLabel = "PLATE", description = "${bundle:compare-command.still-or-footage}")
    Path plate;

    @Parameters(index = "1", paramLabel = "OTHER", description = "${bundle:compare-command.another-of-the-same-set}")
    Path other;

    @Option(names = "--area", paramLabel = "FILE", description = "${bundle:compare-command.compares-colour-and-contrast-within}")
    @Nullable Path area;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        List<Picture> one = frames(plate);
        List<Picture> two = frames(other);
        Path within = area;
        MarksFile told = within == null ? null : MarksFile.read(within);
        List<MarksFile.Pair> pairs = told == null ? List.of() : told.pairs();
        PictureComparison c = PictureComparison.of(one, two, told == null || !pairs.isEmpty() ? null : told.area());
        if (!pairs.isEmpty()) {
            c = c.by(one.getFirst(), pairs.stream().map(MarksFile.Pair::plate).toList(), two.getFirst(), pairs.stream()
                    .map(MarksFile.Pair::other).toList());
        }
        output.print(json(c));
        say(c);
        return 0;
    }

    private static List<Picture> frames(Path file) throws FootageException {
        try (Footage f = Footages.open(FootageSource.of(file))) {
            List<Picture> out = new ArrayList<>();
            for (int i = 0; i < Math.min(FRAMES, f.info().frames()); i++) {
                out.add(f.frame(i));
            }
            return out;
        }
    }

    private static ObjectNode json(PictureComparison c) {
        ObjectNode o = Output.object();
        ColourGrade t = c.tone();
        o.set("slope", t == null ? null : channels(t.slope()));
        o.set("offset", t == null ? null : channels(t.offset()));
        o.set("power", t == null ? null : channels(t.power()));
        Output.number(o, "saturation", t == null ? null : t.saturation());
        Output.number(o, "blur_ratio", c.blurRatio());
        ArrayNode noise = o.putArray("noise");
        for (Noise n : List.of(c.noise(), c.otherNoise())) {
            ObjectNode at = noise.addObject();
            at.put("a", n.a());
            at.put("b", n.b());
            Output.number(at, "correlation_px", n.correlationPx());
            at.put("from", n.fromTime() ? "time" : "flat areas");
        }
        ArrayNode looks = o.putArray("looks");
        for (Look l : List.of(c.plate(), c.other())) {
            ObjectNode at = looks.addObject();
            Output.number(at, "dark_stops", l.darkStops());
            Output.number(at, "bright_stops", l.brightStops());
            Output.number(at, "blur_px", l.blurPx());
            Output.number(at, "grain_at_middle_grey", l.noise().at(0.18));
        }
        Output.number(o, "contrast_stops", c.contrastStops());
        Output.number(o, "black_stops", c.blackStops());
        ArrayNode findings = o.putArray("findings");
        for (PictureComparison.Judged d : c.judged()) {
            ObjectNode at = findings.addObject().put("measure", d.what());
            Output.number(at, "value", d.value());
            at.put("limit", d.limit().holds()).put("verdict", Words.verdict(d.verdict()));
        }
        return o;
    }

    private static ArrayNode channels(ColourGrade.Channels c) {
        return Output.object().arrayNode().add(round(c.r())).add(round(c.g())).add(round(c.b()));
    }

    private static double round(double v) {
        return Math.round(v * 1e6) / 1e6;
    }

    private void say(PictureComparison c) {
        ColourGrade t = c.tone();
        if (t == null) {
            output.say(Words.of("compare-command.colour-not-measured-the-pictures"));
        } else {
            output.say("slope        " + words(t.slope()));
            output.say("offset       " + words(t.offset()));
            output.say("power        " + words(t.power()));
            output.say("saturation   " + Words.number(t.saturation(), 3));
        }
        c.judged().forEach(d -> output.say(MatchWords.difference(c, d) + ": " + Words.verdict(d.verdict())));
    }

    private static String words(ColourGrade.Channels c) {
        return Words.number(c.r(), 3) + "  " + Words.number(c.g(), 3) + "  " + Words.number(c.b(), 3);
    }
}
