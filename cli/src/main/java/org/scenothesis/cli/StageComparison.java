package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Judgement;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.rehearsal.staged.PredictionCheck;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.FootageException;
import org.scenothesis.production.measure.Judge;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.stage.Rehearsing;
import org.scenothesis.production.stage.StageTree;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.StageWords;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Option;

/// Measures the rehearsed takes against what was predicted of them.
final class StageComparison implements StagePart {
    @Option(names = "--compare", description = "${bundle:stage-command.measures-the-rehearsed-takes-and}")
    boolean compare;

    @Override
    public String name() {
        return "compared";
    }

    @Override
    public boolean asked() {
        return compare;
    }

    @Override
    public ArrayNode of(StageJob job) throws StoreException, FootageException, InputException {
        ProductionFolder folder = job.folder();
        Shot filmed = job.folder().production().shot(job.shot().id());
        HouseRules rules = job.rules();
        Shot shot = Rehearsing.alone(filmed);
        ArrayNode out = Output.object().arrayNode();
        try (Bands bands = Bands.allCores()) {
            Measured m = new Surveyor(folder, bands).survey(shot, List.of(), Measured.NOTHING, job.output().progress("measure"),
                    told -> {});
            Judgement all = new Judge(folder).of(shot, m, rules);
            Map<PlateKey, Plate> plates = Breakdown.matched(shot, Breakdown.plan(shot, rules));
            for (Staged set : job.sets()) {
                for (PlateNeed n : set.needs()) {
                    Plate plate = plates.get(n.key());
                    Take take = plate == null ? null : plate.chosen();
                    List<PredictionCheck> found = plate == null || take == null ? List.of()
                            : Rehearsing.compared(set, n, plate, take, m, all, rules);
                    if (plate != null && take != null && !found.isEmpty()) {
                        out.add(StageTree.compared(plate, take, found));
                        job.output().say("");
                        job.output().say(plate.name() + ", " + take.note());
                        found.forEach(c -> job.output().say(String.format("  %-26s %-12s %-12s %s", Words.title(c.measure()),
                                StageWords.foretold(c), StageWords.measured(c), StageWords.why(c))));
                    }
                }
            }
        }
        return out;
    }
}
