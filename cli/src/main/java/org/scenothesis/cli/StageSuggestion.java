package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.kit.OwnedKit;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.core.breakdown.staging.Stagings;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.stage.suggest.Suggestion;
import org.scenothesis.media.FootageException;
import org.scenothesis.production.kit.KitFile;
import org.scenothesis.production.stage.StageTree;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.StageWords;
import picocli.CommandLine.Option;

/// Looks for sets that keep more of the limits.
final class StageSuggestion implements StagePart {
    private static final int LAMPS = 3;

    @Option(names = "--suggest", description = "${bundle:stage-command.looks-for-sets-that-keep}")
    boolean suggest;

    @Option(names = "--keep", description = "${bundle:stage-command.with-suggest-keeps-what-was}")
    boolean keep;

    @Option(names = "--lamps", paramLabel = "N", description = "${bundle:stage-command.with-suggest-how-many-lamps}")
    @Nullable Integer lamps;

    boolean writes() {
        return suggest && keep;
    }

    @Override
    public String name() {
        return "suggestion";
    }

    @Override
    public boolean asked() {
        return suggest;
    }

    @Override
    public ArrayNode of(StageJob job) throws StoreException, FootageException, InputException {
        ProductionFolder folder = job.folder();
        Shot shot = job.shot();
        HouseRules rules = job.rules();
        ArrayNode out = Output.object().arrayNode();
        Shot kept = shot;
        OwnedKit kit = lamps == null ? KitFile.read(KitFile.home()) : OwnedKit.NOTHING;
        for (Staged set : job.sets()) {
            Suggestion found = set.suggested(set.hardest(), rules, Stagings.means(shot, lamps == null ? LAMPS : lamps, kit), () -> true);
            Staged then = set.with(found.stage());
            kept = Stagings.kept(kept, then);
            out.add(StageTree.suggestion(then, set.hardest(), found));
            job.output().say("");
            job.output().say(set.setUp().name() + ", " + StageWords.suggested(found));
            found.unmet().forEach(p -> job.output().say("    " + StageWords.verdict(p) + "  " + StageWords.line(p)));
        }
        if (keep) {
            Shot all = kept;
            folder.save(folder.production().withShot(shot.id(), x -> all));
        }
        return out;
    }
}
