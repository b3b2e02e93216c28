package org.scenothesis.cli;

import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.production.stage.SetScene;
import org.scenothesis.production.stage.SetSheet;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Option;

/// Writes plan and side view of a set, and its scene.
final class StageDrawings {
    @Option(names = "--drawing", paramLabel = "FILE", description = "${bundle:stage-command.writes-plan-and-side-view}")
    @Nullable Path drawing;

    @Option(names = "--gltf", paramLabel = "FILE", description = "${bundle:stage-command.writes-set-and-camera-in}")
    @Nullable Path gltf;

    @Option(names = "--feet", description = "${bundle:stage-command.lengths-on-the-drawing-in}")
    boolean feet;

    void write(StageJob job) throws StoreException, InputException {
        if (drawing == null && gltf == null) {
            return;
        }
        Staged set = job.sets().stream().filter(x -> x.stage().floor().staged()).findFirst()
                .orElseThrow(() -> new InputException(Words.of("stage-command.nothing-is-staged-in-this")));
        if (drawing != null) {
            Outputs.apart(drawing, job.folder().path().resolve(ProductionFolder.FILE));
            new SetSheet(set, set.hardest(), job.shot().number() + ", " + job.shot().title() + ": " + set.setUp().name(), feet)
                    .write(drawing, job.rules());
            job.output().say("written: " + drawing);
        }
        if (gltf != null) {
            Outputs.apart(gltf, job.folder().path().resolve(ProductionFolder.FILE));
            SetScene.write(set.view(set.hardest()), gltf);
            job.output().say("written: " + gltf);
        }
    }
}
