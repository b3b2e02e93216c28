package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.media.FootageException;
import org.scenothesis.production.stage.StageTree;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.StageWords;
import picocli.CommandLine.Option;

/// Holds the instruments of a set into it.
final class StageInstruments implements StagePart {
    @Option(names = "--instruments", description = "${bundle:stage-command.holds-meters-tape-and-level}")
    boolean instruments;

    @Override
    public String name() {
        return "instruments";
    }

    @Override
    public boolean asked() {
        return instruments;
    }

    @Override
    public ArrayNode of(StageJob job) throws StoreException, FootageException, InputException {
        ArrayNode out = Output.object().arrayNode();
        for (Staged set : job.sets()) {
            SetView view = set.view(set.hardest());
            job.output().say("");
            job.output().say(set.setUp().name() + ". " + StageWords.level(view));
            view.bodies().forEach(b -> job.output().say("  " + b.name() + ". " + StageWords.instruments(view, b)));
            out.add(StageTree.instruments(set.group(), view));
        }
        return out;
    }
}
