package org.scenothesis.cli;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.cameratrack.MovingCamera;
import org.scenothesis.core.cameratrack.MovingCamera.Does;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.Marks;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.match.CameraOfStill;
import org.scenothesis.production.match.MarksFile;
import org.scenothesis.production.match.MovingScene;
import org.scenothesis.production.match.MovingTake;
import org.scenothesis.production.match.MovingTree;
import org.scenothesis.production.words.MatchWords;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "solve", description = "${bundle:solve-command.says-where-the-camera-of}", mixinStandardHelpOptions = true)
final class SolveCommand implements Callable<Integer> {
    @Parameters(paramLabel = "FOOTAGE", description = "${bundle:solve-command.video-or-folder-of-stills}")
    Path footage;

    @Option(
            names = "--marks", paramLabel = "FILE",
            description = "${bundle:solve-command.marks-in-its-first-frame}")
    @Nullable Path marks;

    @Option(names = "--gltf", paramLabel = "FILE", description = "${bundle:solve-command.writes-the-camera-as-it}")
    @Nullable Path gltf;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        FootageSource source = FootageSource.of(footage);
        Marks bare = CameraOfStill.bare(source);
        Path told = marks;
        MovingCamera c = MovingTake.solve(source, told == null ? null : MarksFile.read(told).camera(bare.width(), bare.height()),
                output.progress("solve"));
        Path to = gltf;
        if (to != null) {
            try (Footage f = Footages.open(source)) {
                MovingScene.write(c, f.info()::secondsAt, to);
            }
        }
        output.print(MovingTree.of(c));
        say(c);
        if (to != null) {
            output.say("written: " + to);
        }
        return 0;
    }

    private void say(MovingCamera c) {
        output.say("camera        " + Words.of("moving." + c.does()));
        Estimate f = c.focalPx();
        output.say("focal length  " + (f == null ? Words.of("camera.unknown") : Words.number(f.value(), 0) + " px"
                + (f.std() > 0 ? " \u00b1 " + Words.number(100 * f.share(), 1) + " %" : ", entered")));
        output.say("frames        " + c.placed() + " of " + c.frames().size() + " placed" + (c.does() == Does.TRAVELS
                ? Words.of("solve-command.px-left-over-by", Words.number(c.residualPx(), 2),
                Words.count(c.places().size(), "point", "points")) : ""));
        if (c.does() == Does.TRAVELS) {
            output.say("path          " + (c.scaleKnown() ? Words.number(c.length(), 2) + " m long \u00b1 "
                    + Words.number(100 * c.scaleShare(), 1) + " %" : Words.of("solve-command.its-length-is-not-known")));
        }
        c.refused().forEach(r -> output.say(r.what() + ": " + MatchWords.why(r)));
    }
}
