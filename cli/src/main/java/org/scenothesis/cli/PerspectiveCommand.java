package org.scenothesis.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.perspective.CameraSolver;
import org.scenothesis.core.perspective.Marks;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.picture.Point;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.match.CameraOfStill;
import org.scenothesis.production.match.CameraTree;
import org.scenothesis.production.match.MarksFile;
import org.scenothesis.production.words.MatchWords;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "perspective", description = "${bundle:perspective-command.says-which-camera-took-picture}",
        mixinStandardHelpOptions = true)
final class PerspectiveCommand implements Callable<Integer> {
    @Parameters(paramLabel = "STILL", description = "${bundle:light-command.still-or-footage-of-which}")
    Path still;

    @Option(names = "--marks", paramLabel = "FILE", description = "${bundle:perspective-command.its-marks-as-json-lines}")
    @Nullable Path marks;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        FootageSource source = FootageSource.of(still);
        Marks bare = CameraOfStill.bare(source);
        Path told = marks;
        List<Point> asked = List.of();
        List<MarksFile.Tape> tapes = List.of();
        Marks all;
        if (told == null) {
            all = CameraOfStill.proposed(source, 0, bare);
        } else {
            MarksFile file = MarksFile.read(told);
            all = file.camera(bare.width(), bare.height());
            asked = file.asked();
            tapes = file.tapes();
        }
        PictureCamera c = CameraSolver.solve(all);
        output.print(CameraTree.of(c, asked, tapes, told == null));
        say(c, asked, tapes);
        return 0;
    }

    private void say(PictureCamera c, List<Point> asked, List<MarksFile.Tape> tapes) {
        output.say(Words.of("perspective-command.from-px-left-over", Words.count(c.linesUsed(), "edge", "edges"),
                Words.number(c.residualPx(), 2)));
        output.say("view across   " + MatchWords.view(c));
        output.say("tilt          " + MatchWords.degrees(c.tiltDeg()));
        output.say("roll          " + MatchWords.degrees(c.rollDeg()));
        output.say("lens height   " + MatchWords.metres(c.lensHeightM()));
        output.say("bend          " + (c.bent() ? Words.number(c.distortion(), 3) : "none found"));
        for (Point p : asked) {
            output.say(Words.number(p.x(), 1) + ", " + Words.number(p.y(), 1) + ": " + c.ground(p)
                    .map(g -> Words.number(g.rightM(), 2) + " m right, " + Words.number(g.forwardM(), 2) + " m ahead \u00b1 "
                    + Words.number(g.stdM(), 2)).orElse(Words.of("perspective-command.not-on-the-ground-as")));
        }
        for (MarksFile.Tape t : tapes) {
            output.say((t.stands() == Marks.Stands.GROUND ? "tape          " : "staff         ") + MatchWords.tape(t.read(c)));
        }
        c.refused().forEach(r -> output.say(r.what() + ": " + MatchWords.why(r)));
        output.say(MatchWords.surer(c));
    }
}
