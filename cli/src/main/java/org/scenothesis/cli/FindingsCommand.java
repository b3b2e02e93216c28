package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.concurrent.Callable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.match.LockJudge;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.ShotFindings;
import org.scenothesis.production.measure.Surveyor;
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
                tell(shot, new Surveyor(folder, bands).survey(shot, Measured.NOTHING, output.progress("measure"), told -> {}), folder.production().houseRules());
            }
        });
    }

    private void tell(Shot shot, Measured m, HouseRules rules) {
        List<Finding> all = ShotFindings.of(shot, m, rules);
        ObjectNode o = Output.object();
        o.put("shot", shot.id());
        o.put("verdict", Words.verdict(LockJudge.worst(all)));
        o.set("findings", Output.findings(all));
        output.print(o);
        shot.plates().forEach(plate -> {
            output.say(plate.name() + " (" + Words.of("role." + plate.role().name()) + ")");
            output.sayFindings(ShotFindings.of(shot, plate, m, rules));
        });
    }
}
