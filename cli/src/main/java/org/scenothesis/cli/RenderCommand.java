package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.Iterator;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.shot.Excerpt;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.encode.ExportFormat;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.render.RenderJob;
import org.scenothesis.production.render.ShotRenderer;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(name = "render", description = "${bundle:render-command.renders-the-finished-shot-to}", mixinStandardHelpOptions = true)
final class RenderCommand implements Callable<Integer> {
    /// The codes of all formats.
    static final class Formats implements Iterable<String> {
        @Override
        public Iterator<String> iterator() {
            return ExportFormat.all().stream().map(ExportFormat::code).iterator();
        }
    }

    private static final Pattern RANGE = Pattern.compile("(\\d+)-(\\d+)");

    @Mixin
    OfShot of;

    @Option(names = "--out", required = true, paramLabel = "DIR_OR_FILE", description = "${bundle:render-command.folder-for-bit-png-file}")
    Path out;

    @Option(names = "--frames", paramLabel = "A-B", description = "${bundle:render-command.only-these-frames-both-included}")
    @Nullable String frames;

    @Option(names = "--format", paramLabel = "FORMAT", completionCandidates = Formats.class,
            description = "${bundle:render-command.format-otherwise-by-ending}")
    @Nullable String format;

    @Option(names = "--of", paramLabel = "WHAT", defaultValue = "whole", description = "${bundle:render-command.what-of-the-shot-whole}")
    String what;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        return of.open((folder, s) -> {
            folder.grantForNow(out);
            folder.forResult(out);
            try (Bands bands = Bands.allCores()) {
                Surveyor surveyor = new Surveyor(folder, bands);
                try (ShotRenderer early = new ShotRenderer(folder, Measured.NOTHING, surveyor.contents(), bands)) {
                    // What cannot be made is said before anything is measured for it.
                    early.requireMemory(s);
                    job(early, s).check();
                }
                Measured measured = surveyor.survey(s, List.of(), Measured.NOTHING, output.progress("measure"), told -> {});
                try (ShotRenderer renderer = new ShotRenderer(folder, measured, surveyor.contents(), bands)) {
                    render(renderer, s);
                }
            }
        });
    }

    private RenderJob job(ShotRenderer renderer, Shot s) throws FootageException, InputException {
        int[] range = range(renderer.format(s).frames());
        Excerpt excerpt = Excerpt.of(s, what)
                .orElseThrow(() -> new InputException(Words.of("render-command.of-this-shot-has", what, Excerpt.of(s).stream()
                .map(Excerpt::word).collect(Collectors.joining(", ")))));
        return new RenderJob(renderer, s, target(range).withOf(excerpt));
    }

    private RenderJob.Target target(int[] range) throws FootageException, InputException {
        if (format == null) {
            return RenderJob.Target.of(out, range[0], range[1]);
        }
        ExportFormat asked = ExportFormat.of(format)
                .orElseThrow(() -> new InputException(Words.of("render-command.format-there-are", format,
                String.join(", ", new Formats()))));
        return RenderJob.Target.of(out, range[0], range[1], asked);
    }

    private void render(ShotRenderer renderer, Shot s) throws FootageException, InputException {
        ShotRenderer.Format size = renderer.format(s);
        RenderJob job = job(renderer, s);
        int frames = job.frames();
        output.remark("it takes " + job.space().words());
        RenderJob.Done done = job.run(output.progress("render"));
        ObjectNode o = Output.object();
        o.put("out", out.toString());
        o.put("format", job.target().format().code());
        o.put("of", job.target().of().word());
        o.put("frames", frames);
        o.put("width", size.width());
        o.put("height", size.height());
        o.put("rate", size.rate());
        o.put("older_removed", done.removed());
        o.put("older_left", done.older());
        output.print(o);
        output.say("rendered " + Words.frames(frames) + " to " + out);
        if (done.removed() > 0) {
            output.say(Words.of("render-command.removed-of-an-earlier-render", Words.frames(done.removed())));
        }
        if (done.older() > 0) {
            output.say(Words.of("render-command.of-an-earlier-version-of", Words.frames(done.older())));
        }
    }

    private int[] range(int n) throws InputException {
        if (frames == null) {
            return new int[] {0, n - 1};
        }
        Matcher m = RANGE.matcher(frames);
        if (!m.matches() || m.group(1).length() > 9 || m.group(2).length() > 9) {
            throw new InputException(Words.of("render-command.frames-write-the-range-as", frames, (n - 1)));
        }
        int from = Integer.parseInt(m.group(1));
        int to = Integer.parseInt(m.group(2));
        if (from > to || to >= n) {
            throw new InputException(Words.of("render-command.frames-the-shot-has-frames", frames, (n - 1)));
        }
        return new int[] {from, to};
    }
}
