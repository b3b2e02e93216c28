package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import java.util.List;
import java.util.Set;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.rehearsal.staged.Fault;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.media.FootageException;
import org.scenothesis.production.stage.Rehearsing;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Entered;
import picocli.CommandLine.Option;

/// Films every plate of the sets with the simulated camera.
final class StageRehearsal implements StagePart {
    @Option(names = "--rehearse", description = "${bundle:stage-command.films-every-plate-of-the}")
    boolean rehearse;

    @Option(names = "--width", paramLabel = "PX", defaultValue = "640",
            description = "${bundle:stage-command.with-rehearse-width-of-the} (default: ${DEFAULT-VALUE}).")
    int width;

    @Option(names = "--seconds", paramLabel = "S", defaultValue = "3",
            description = "${bundle:stage-command.with-rehearse-the-longest-roll} (default: ${DEFAULT-VALUE}).")
    double seconds;

    @Option(names = "--samples", paramLabel = "N", defaultValue = "24",
            description = "${bundle:stage-command.with-rehearse-light-paths-per} (default: ${DEFAULT-VALUE}).")
    int samples;

    @Option(names = "--fault", split = ",", paramLabel = "NAME",
            description = "${bundle:stage-command.with-rehearse-what-goes-wrong} ${COMPLETION-CANDIDATES}.")
    Set<Fault> faults = Set.of();

    @Override
    public String name() {
        return "rehearsed";
    }

    @Override
    public boolean asked() {
        return rehearse;
    }

    @Override
    public ArrayNode of(StageJob job) throws StoreException, FootageException, InputException {
        ProductionFolder folder = job.folder();
        Shot shot = job.shot();
        HouseRules rules = job.rules();
        ArrayNode out = Output.object().arrayNode();
        Rehearsing.Wish wish = Entered.made(() -> new Rehearsing.Wish(width, seconds, samples, faults), InputException::because);
        try (Bands bands = Bands.allCores()) {
            for (Staged set : job.sets()) {
                List<Rehearsing.Filmed> filmed = Rehearsing.film(folder, shot, set, set.needs(), wish, bands,
                        job.output().progress("rehearsing " + set.setUp().name()));
                Shot now = folder.production().shot(shot.id());
                folder.save(folder.production().withShot(shot.id(), x -> Rehearsing.taken(now, Breakdown.plan(shot, rules), filmed)));
                filmed.forEach(f -> {
                    out.addObject().put("plate", f.need()).put("file", folder.path().resolve(f.footage()).toString());
                    job.output().say("rehearsed: " + f.footage());
                });
            }
        }
        return out;
    }
}
