package org.scenothesis.cli;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.moving.MovingCamera;
import org.scenothesis.core.moving.MovingCamera.Does;
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

@Command(name = "solve", description = "Says where the camera of a take went, frame by frame: its focal length, places and turns, and points of the set.", mixinStandardHelpOptions = true)
final class SolveCommand implements Callable<Integer> {
    @Parameters(paramLabel = "FOOTAGE", description = "A video, or a folder of stills.")
    Path footage;

    @Option(
            names = "--marks", paramLabel = "FILE",
            description = "What is marked in its first frame, as JSON like that of perspective: lines make it level, a length or lens_height_m gives it a scale, focal_px a known lens.")
    @Nullable Path marks;

    @Option(names = "--gltf", paramLabel = "FILE", description = "Writes the camera as it moves, and the points, .glb or .gltf.")
    @Nullable Path gltf;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        FootageSource source = FootageSource.of(footage);
        Marks bare = CameraOfStill.bare(source);
        Path told = marks;
        MovingCamera c = MovingTake.solve(source, told == null ? null : MarksFile.read(told).camera(bare.width(), bare.height()), output.progress("solve"));
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
        output.say("focal length  " + (f == null ? Words.of("camera.unknown") : Words.number(f.value(), 0) + " px" + (f.std() > 0 ? " \u00b1 " + Words.number(100 * f.share(), 1) + " %" : ", told")));
        output.say("frames        " + c.placed() + " of " + c.frames().size() + " placed" + (c.does() == Does.TRAVELS ? ", " + Words.number(c.residualPx(), 2) + " px left over, by " + Words.count(c.places().size(), "point", "points") : ""));
        if (c.does() == Does.TRAVELS) {
            output.say("path          " + (c.scaleKnown() ? Words.number(c.length(), 2) + " m long \u00b1 " + Words.number(100 * c.scaleShare(), 1) + " %" : "its length is not known"));
        }
        c.refused().forEach(r -> output.say(r.what() + ": " + MatchWords.why(r)));
    }
}
