package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.rehearsal.Quality;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.production.demo.Rehearsal;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(name = "rehearse", description = "Films the demo shoot with the simulated camera.", mixinStandardHelpOptions = true)
final class RehearseCommand implements Callable<Integer> {
    @Option(names = "--out", required = true, paramLabel = "DIR", description = "The production folder to film into.")
    Path out;

    @Option(names = "--width", defaultValue = "1280", paramLabel = "PX", description = "Picture width; the shape is 16:9.")
    int width;

    @Option(names = "--samples", defaultValue = "40", paramLabel = "N", description = "Light paths per pixel of the set.")
    int samples;

    @Option(names = "--moving-samples", defaultValue = "14", paramLabel = "N", description = "Light paths per pixel where something moves.")
    int movingSamples;

    @Option(names = "--seed", defaultValue = "1", description = "The same seed films the same pictures.")
    long seed;

    @Option(names = "--only", split = ",", paramLabel = "TAKE", description = "Only these takes, for example clean-2,maker-1.")
    Set<String> only = Set.of();

    @Option(names = "--video", defaultValue = "H264_MP4", description = "One of ${COMPLETION-CANDIDATES}.")
    VideoFormat video;

    @Option(names = "--readings", description = "Film nothing; measure what is there and lay the readings beside it, as the application ships them.")
    boolean readings;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        if (width < 64 || width > 7680) {
            throw new InputException("--width " + width + ": choose between 64 and 7680 pixels.");
        }
        if (readings) {
            return measure();
        }
        try (Bands bands = Bands.allCores()) {
            var wish = new Rehearsal.Wish(width / 2 * 2, new Quality(samples, movingSamples, 0.5, seed), only, video);
            List<Path> files = Rehearsal.film(out, wish, bands, output.progress("rehearse"));
            if (files.isEmpty()) {
                throw new InputException("--only " + only + ": there is no such take.");
            }
            ObjectNode o = Output.object();
            o.set("files", Output.tree(files.stream().map(Path::toString).toList()));
            output.print(o);
            files.forEach(f -> output.say(f.toString()));
            return 0;
        }
    }

    private int measure() throws Exception {
        Path work = Files.createTempDirectory("readings");
        try (Bands bands = Bands.allCores()) {
            int n = Rehearsal.ship(out, work, bands);
            output.print(Output.object().put("readings", n));
            output.say(n + " readings in " + out.resolve("readings"));
            return 0;
        }
    }
}
