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

@Command(name = "perspective", description = "Says which camera took a picture: focal length, tilt, roll, lens height, and where things stand on the ground.", mixinStandardHelpOptions = true)
final class PerspectiveCommand implements Callable<Integer> {
    @Parameters(paramLabel = "STILL", description = "A still, or footage, of which the first frame is taken.")
    Path still;

    @Option(names = "--marks", paramLabel = "FILE", description = "What is marked in it, as JSON: lines, horizon, lengths, lens_height_m, focal_px, principal_point_px, tiles, ask, tape. Without it edges are proposed.")
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
        output.say("from " + Words.count(c.linesUsed(), "edge", "edges") + ", " + Words.number(c.residualPx(), 2) + " px left over");
        output.say("view across   " + MatchWords.view(c));
        output.say("tilt          " + MatchWords.degrees(c.tiltDeg()));
        output.say("roll          " + MatchWords.degrees(c.rollDeg()));
        output.say("lens height   " + MatchWords.metres(c.lensHeightM()));
        output.say("bend          " + (c.bent() ? Words.number(c.distortion(), 3) : "none found"));
        for (Point p : asked) {
            output.say(Words.number(p.x(), 1) + ", " + Words.number(p.y(), 1) + ": " + c.ground(p).map(g -> Words.number(g.rightM(), 2) + " m right, " + Words.number(g.forwardM(), 2) + " m ahead \u00b1 " + Words.number(g.stdM(), 2)).orElse("not on the ground, as far as is known"));
        }
        for (MarksFile.Tape t : tapes) {
            output.say((t.stands() == Marks.Stands.GROUND ? "tape          " : "staff         ") + MatchWords.tape(t.read(c)));
        }
        c.refused().forEach(r -> output.say(r.what() + ": " + MatchWords.why(r)));
        output.say(MatchWords.surer(c));
    }
}
