package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.ColourMatrix;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.core.shot.ColourInterpretation;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Plates;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.production.incoming.FileProbe;
import org.scenothesis.production.measure.MissingFootage;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(name = "take", description = "${bundle:take-command.says-how-take-is-read}", mixinStandardHelpOptions = true)
final class TakeCommand implements Callable<Integer> {
    /// Black and white at the ends of the codes, or within them.
    enum Range { FULL, LIMITED }

    @Mixin
    OfShot of;

    @Option(names = "--take", required = true, paramLabel = "ID", description = "${bundle:take-command.the-take-by-its-id}")
    String id;

    @Option(names = "--curve", paramLabel = "CURVE", description = "${bundle:take-command.read-with-this-curve} ${COMPLETION-CANDIDATES}.")
    @Nullable Transfer curve;

    @Option(names = "--matrix", paramLabel = "MATRIX",
            description = "${bundle:take-command.read-with-this-colour-matrix} ${COMPLETION-CANDIDATES}.")
    @Nullable ColourMatrix matrix;

    @Option(names = "--range", paramLabel = "RANGE", description = "${bundle:take-command.read-with-this-range} ${COMPLETION-CANDIDATES}.")
    @Nullable Range range;

    @Option(names = "--as-filed", description = "${bundle:take-command.read-as-the-file-says}")
    boolean asFiled;

    @Option(names = "--find-in", paramLabel = "FOLDER", description = "${bundle:take-command.look-for-its-file-by}")
    @Nullable Path findIn;

    @Option(names = "--to", paramLabel = "PLATE", description = "${bundle:take-command.it-is-take-of-this}")
    @Nullable String to;

    @Option(names = "--as", paramLabel = "ROLE", description = "${bundle:take-command.it-is-plate-of-its} ${COMPLETION-CANDIDATES}.")
    @Nullable PlateRole as;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        boolean change = curve != null || matrix != null || range != null || asFiled || findIn != null || to != null || as != null;
        return of.open(change, (f, shot) -> {
            Take take = shot.plates().stream().flatMap(p -> p.takes().stream()).filter(t -> t.id().equals(id)).findFirst()
                    .orElseThrow(() -> new InputException(Words.of("take-command.there-is-no-take-in", id, shot.id())));
            Take now = changed(f, take);
            Shot given = given(shot.withTake(id, t -> now));
            if (!given.equals(shot)) {
                f.save(f.production().withShot(shot.id(), s -> given));
            }
            tell(now, given);
        });
    }

    private Shot given(Shot shot) throws InputException {
        if (to != null && shot.plate(to).isEmpty()) {
            throw new InputException(Words.of("bring-command.there-is-no-plate-in", to, shot.id(),
                    String.join(", ", shot.plates().stream().map(Plate::id).toList())));
        }
        if (as == PlateRole.UNSORTED) {
            throw new InputException(Words.of("take-command.as-unsorted-the-tray-is"));
        }
        Take take = shot.plates().stream().flatMap(p -> p.takes().stream()).filter(t -> t.id().equals(id)).findFirst().orElseThrow();
        Shot moved = to == null ? shot : Plates.takeMoved(shot, id, to);
        return as == null ? moved : Plates.takeApart(moved, id, as, FileProbe.named(take.footage()));
    }

    private Take changed(ProductionFolder f, Take take) throws Exception {
        ColourInterpretation r = asFiled ? ColourInterpretation.AS_FILED : take.reading();
        r = curve == null ? r : r.withCurve(curve);
        r = matrix == null ? r : r.withMatrix(matrix);
        r = range == null ? r : r.withFullRange(range == Range.FULL);
        Take now = take.read(r);
        if (findIn == null) {
            return now;
        }
        try (Bands bands = Bands.sequential()) {
            Optional<Path> found = new MissingFootage(f, new Surveyor(f, bands).contents()).find(take, findIn);
            if (found.isEmpty()) {
                throw new InputException(Words.of("take-command.there-is-no-file-of", findIn));
            }
            return now.found(f.footageFolder().bringIn(found.get()));
        }
    }

    private void tell(Take t, Shot shot) {
        ObjectNode o = Output.object();
        o.put("plate", shot.plates().stream().filter(p -> p.take(t.id()).isPresent()).map(Plate::id).findFirst().orElse(""));
        ColourInterpretation r = t.reading();
        o.put("take", t.id());
        o.put("footage", t.footage());
        o.put("curve", r.curve() == null ? null : r.curve().name());
        o.put("matrix", r.matrix() == null ? null : r.matrix().name());
        Boolean full = r.fullRange();
        o.put("range", full == null ? null : full ? "full" : "limited");
        output.print(o);
        output.say(t.id() + ", " + t.footage() + ": curve " + (r.curve() == null ? "as filed" : r.curve()) + ", matrix "
                + (r.matrix() == null ? "as filed" : r.matrix())
                + ", range " + (full == null ? "as filed" : full ? "full" : "limited"));
    }
}
