package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import org.scenothesis.core.finding.Judgement;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.measure.Judge;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(name = "findings", description = "${bundle:findings-command.measures-all-plates-of-shot}", mixinStandardHelpOptions = true)
final class FindingsCommand implements Callable<Integer> {
    @Mixin
    OfShot of;

    @Option(names = "--every-frame", description = "${bundle:findings-command.every-frame}")
    boolean everyFrame;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        return of.open((folder, shot) -> {
            try (Bands bands = Bands.allCores()) {
                Surveyor surveyor = new Surveyor(folder, bands);
                Measured some = surveyor.survey(shot, List.of(), Measured.NOTHING, output.progress("measure"), told -> {});
                Measured m = some;
                // What was not keyed says why among the findings.
                for (Plate plate : shot.plates().stream().filter(p -> everyFrame && some.key(shot, p).isPresent()).toList()) {
                    m = surveyor.keyEveryFrame(shot, plate, m, output.progress("key")).apply(m);
                }
                tell(folder, shot, m);
            }
        });
    }

    private void tell(ProductionFolder folder, Shot shot, Measured m) {
        Judgement all = new Judge(folder).of(shot, m, folder.production().houseRules());
        Judgement.Known known = all.known();
        ObjectNode o = Output.object();
        o.put("shot", shot.id());
        o.put("verdict", Words.verdict(all.verdict()));
        o.put("go", all.go().name().toLowerCase(Locale.ROOT).replace('_', ' '));
        o.put("measured", known.measured());
        o.put("to_measure", known.of());
        o.set("findings", Output.findings(all.findings()));
        output.print(o);
        output.say(known.of() == 0 ? Words.of("findings-command.nothing-to-measure-the-shot") : known.measured() + " of " + known.of()
                + " measured");
        output.sayFindings(all.of("").findings());
        shot.plates().forEach(plate -> {
            output.say(plate.name() + " (" + Words.of("role." + plate.role().name()) + ")");
            output.sayFindings(all.of(plate.id()).findings());
        });
    }
}
