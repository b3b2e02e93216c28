package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.rehearsal.Quality;
import org.scenothesis.demo.DemoFilming;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(name = "rehearse", description = "${bundle:rehearse-command.films-the-demo-shoot-with}", mixinStandardHelpOptions = true)
final class RehearseCommand implements Callable<Integer> {
    @Option(names = "--out", required = true, paramLabel = "DIR", description = "${bundle:rehearse-command.the-production-folder-to-film}")
    Path out;

    @Option(names = "--width", defaultValue = "1280", paramLabel = "PX",
            description = "${bundle:rehearse-command.picture-width-the-shape-is}")
    int width;

    @Option(names = "--samples", defaultValue = "40", paramLabel = "N", description = "${bundle:rehearse-command.light-paths-per-pixel-of}")
    int samples;

    @Option(names = "--moving-samples", defaultValue = "14", paramLabel = "N",
            description = "${bundle:rehearse-command.light-paths-per-pixel-where}")
    int movingSamples;

    @Option(names = "--seed", defaultValue = "1", description = "${bundle:rehearse-command.the-same-seed-films-the}")
    long seed;

    @Option(names = "--only", split = ",", paramLabel = "TAKE", description = "${bundle:rehearse-command.only-these-takes-for-example}")
    Set<String> only = Set.of();

    @Option(names = "--video", defaultValue = "H264_MP4", description = "${bundle:rehearse-command.one-of} ${COMPLETION-CANDIDATES}.")
    VideoFormat video;

    @Option(names = "--readings", description = "${bundle:rehearse-command.film-nothing-measure-the-takes}")
    boolean readings;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        if (width < 64 || width > 7680) {
            throw new InputException(Words.of("rehearse-command.width-choose-between-and-pixels", width));
        }
        if (readings) {
            return measure();
        }
        try (Bands bands = Bands.allCores()) {
            var wish = new DemoFilming.Wish(width / 2 * 2, new Quality(samples, movingSamples, 0.5, seed), only, video);
            List<Path> files = DemoFilming.film(out, wish, bands, output.progress("rehearse"));
            if (files.isEmpty()) {
                throw new InputException(Words.of("rehearse-command.only-there-is-no-such", only));
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
            int n = DemoFilming.ship(out, work, bands);
            output.print(Output.object().put("readings", n));
            output.say(n + " readings in " + out.resolve("readings"));
            return 0;
        }
    }
}
