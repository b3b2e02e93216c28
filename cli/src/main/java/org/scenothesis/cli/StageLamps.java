package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.stage.suggest.LampMatch;
import org.scenothesis.media.FootageException;
import org.scenothesis.production.match.LightTree;
import org.scenothesis.production.stage.StageTree;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.StageWords;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Option;

/// Says which lamp goes where, so that the light is the background's.
final class StageLamps implements StagePart {
    @Option(names = "--match-lamps", description = "${bundle:stage-command.says-which-lamp-goes-where}")
    boolean matchLamps;

    @Option(names = "--light", paramLabel = "FILE", description = "${bundle:stage-command.with-match-lamps-what-light-json}")
    @Nullable Path light;

    @Override
    public String name() {
        return "lamp_plan";
    }

    @Override
    public boolean asked() {
        return matchLamps;
    }

    @Override
    public ArrayNode of(StageJob job) throws StoreException, FootageException, InputException {
        HouseRules rules = job.rules();
        ArrayNode out = Output.object().arrayNode();
        Path told = light;
        LampMatch.Background background = told == null ? LampMatch.Background.PLAIN : LightTree.read(told);
        for (Staged set : job.sets()) {
            LampMatch.of(set.question(set.hardest(), rules), background).ifPresent(m -> {
                out.add(StageTree.lamps(set.group(), m));
                job.output().say("");
                job.output().say(Words.of("stage-command.lamps-like-the-backgrounds", set.setUp().name()));
                StageWords.plan(m).forEach(line -> job.output().say("  " + line));
            });
        }
        if (out.isEmpty()) {
            job.output().say(Words.of("lamps.none"));
        }
        return out;
    }
}
