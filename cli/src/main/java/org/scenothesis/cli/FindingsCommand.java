package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.match.LockJudge;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.ShotFindings;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "findings", description = "Measures all plates of a shot and says what holds, what to watch and what to redo.", mixinStandardHelpOptions = true)
final class FindingsCommand implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "PRODUCTION", description = "The production folder.")
    Path folder;

    @Option(names = "--shot", required = true, paramLabel = "ID")
    String shot;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        try (ProductionFolder f = ProductionFolder.open(folder, false); Bands bands = Bands.allCores()) {
            Production p = f.production();
            Shots.require(p, shot);
            Shot s = p.shot(shot);
            Measured m = new Surveyor(f, bands).survey(s, Measured.NOTHING, output.progress("measure"), told -> {});
            List<Finding> all = ShotFindings.of(s, m, p.houseRules());
            ObjectNode o = Output.object();
            o.put("shot", shot);
            o.put("verdict", Words.verdict(LockJudge.worst(all)));
            o.set("findings", Output.findings(all));
            output.print(o);
            s.plates().forEach(plate -> {
                output.say(plate.name() + " (" + Words.of("role." + plate.role().name()) + ")");
                output.sayFindings(ShotFindings.of(s, plate, m, p.houseRules()));
            });
            return 0;
        }
    }
}
