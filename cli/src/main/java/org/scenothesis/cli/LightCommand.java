package org.scenothesis.cli;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.light.LightMarks;
import org.scenothesis.core.light.LightSolver;
import org.scenothesis.core.light.Neutral;
import org.scenothesis.core.light.PictureLight;
import org.scenothesis.core.perspective.CameraSolver;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.Marks;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.match.CameraOfStill;
import org.scenothesis.production.match.LightTree;
import org.scenothesis.production.match.MarksFile;
import org.scenothesis.production.words.MatchWords;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "light", description = "${bundle:light-command.says-where-the-light-of}", mixinStandardHelpOptions = true)
final class LightCommand implements Callable<Integer> {
    @Parameters(paramLabel = "STILL", description = "${bundle:light-command.still-or-footage-of-which}")
    Path still;

    @Option(
            names = "--marks", paramLabel = "FILE",
            description = "${bundle:light-command.its-marks-as-json-camera}")
    @Nullable Path marks;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        FootageSource source = FootageSource.of(still);
        Marks bare = CameraOfStill.bare(source);
        Path told = marks;
        PictureCamera camera;
        LightMarks marked;
        if (told == null) {
            camera = CameraSolver.solve(CameraOfStill.proposed(source, 0, bare));
            marked = LightMarks.NONE;
        } else {
            MarksFile file = MarksFile.read(told);
            camera = file.known(bare.width(), bare.height()).orElse(null);
            camera = camera != null ? camera : CameraSolver.solve(file.camera(bare.width(), bare.height()));
            marked = file.light();
        }
        Picture picture;
        try (Footage f = Footages.open(source)) {
            picture = f.frame(0);
        }
        PictureLight l = LightSolver.solve(picture, camera, marked);
        output.print(LightTree.of(l));
        say(l);
        return 0;
    }

    private void say(PictureLight l) {
        output.say("key           " + MatchWords.direction(l));
        Estimate size = l.sizeDeg();
        Estimate fill = l.keyToFillStops();
        output.say("size          " + MatchWords.degrees(size));
        output.say(Words.of("light-command.key-to-fill", (fill == null ? Words.of("camera.unknown") : Words.stops(fill.value())
                + " \u00b1 " + Words.number(fill.std(), 2))));
        output.say("key colour    " + kelvin(l.key()));
        output.say("fill colour   " + kelvin(l.fill()));
        l.neutral().forEach(n -> output.say("neutral       " + kelvin(n)));
        l.rims().forEach(r -> output.say("rim           " + MatchWords.rim(r)));
        l.refused().forEach(r -> output.say(r.what() + ": " + MatchWords.why(r)));
        output.say(MatchWords.surer(l));
    }

    private static String kelvin(@Nullable Neutral n) {
        return n == null ? Words.of("camera.unknown") : Words.number(n.kelvin(), 0) + " K, " + Words.signed(n.duv(), 4) + " Duv";
    }
}
