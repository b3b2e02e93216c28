package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Limit;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.match.LockJudge;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.ShotFindings;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

@Command(name = "findings", description = "Measures all plates of a shot and says what holds, what to watch and what to redo.", mixinStandardHelpOptions = true)
final class FindingsCommand implements Callable<Integer> {
    @Mixin
    OfShot of;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        return of.open((folder, shot) -> {
            try (Bands bands = Bands.allCores()) {
                tell(folder, shot, new Surveyor(folder, bands).survey(shot, List.of(), Measured.NOTHING, output.progress("measure"), told -> {}), folder.production().houseRules());
            }
        });
    }

    private void tell(ProductionFolder folder, Shot shot, Measured m, HouseRules rules) {
        List<Finding> all = new ArrayList<>(ShotFindings.of(shot, m, rules));
        folder.strayLinks().forEach(link -> all.add(Finding.of(Measure.OUTSIDE, "", 1, new Limit(0, 0)).judged(Verdict.REDO).noted(link)));
        ShotFindings.Known known = ShotFindings.known(all);
        ObjectNode o = Output.object();
        o.put("shot", shot.id());
        o.put("verdict", Words.verdict(LockJudge.worst(all)));
        o.put("measured", known.measured());
        o.put("to_measure", known.of());
        o.set("findings", Output.findings(all));
        output.print(o);
        output.say(known.measured() + " of " + known.of() + " measured");
        output.sayFindings(all.stream().filter(f -> f.plate().isEmpty()).toList());
        shot.plates().forEach(plate -> {
            output.say(plate.name() + " (" + Words.of("role." + plate.role().name()) + ")");
            output.sayFindings(ShotFindings.of(shot, plate, m, rules));
        });
    }
}
