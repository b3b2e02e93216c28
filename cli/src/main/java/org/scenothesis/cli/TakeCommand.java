package org.scenothesis.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.ColourMatrix;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.core.shot.Reading;
import org.scenothesis.core.shot.Take;
import org.scenothesis.production.measure.MissingFootage;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.store.ProductionFolder;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(name = "take", description = "Says how a take is read, changes that, or finds its file again after it was moved.", mixinStandardHelpOptions = true)
final class TakeCommand implements Callable<Integer> {
    /// Black and white at the ends of the codes, or within them.
    enum Range { FULL, LIMITED }

    @Mixin
    OfShot of;

    @Option(names = "--take", required = true, paramLabel = "ID", description = "The take, by its id.")
    String id;

    @Option(names = "--curve", paramLabel = "CURVE", description = "Read with this curve: ${COMPLETION-CANDIDATES}.")
    @Nullable Transfer curve;

    @Option(names = "--matrix", paramLabel = "MATRIX", description = "Read with this colour matrix: ${COMPLETION-CANDIDATES}.")
    @Nullable ColourMatrix matrix;

    @Option(names = "--range", paramLabel = "RANGE", description = "Read with this range: ${COMPLETION-CANDIDATES}.")
    @Nullable Range range;

    @Option(names = "--as-filed", description = "Read as the file says again.")
    boolean asFiled;

    @Option(names = "--find-in", paramLabel = "FOLDER", description = "Look for its file by name and content under this folder.")
    @Nullable Path findIn;

    @Mixin
    Output output;

    @Override
    public Integer call() throws Exception {
        boolean change = curve != null || matrix != null || range != null || asFiled || findIn != null;
        return of.open(change, (f, shot) -> {
            Take take = shot.plates().stream().flatMap(p -> p.takes().stream()).filter(t -> t.id().equals(id)).findFirst()
                    .orElseThrow(() -> new InputException("there is no take " + id + " in shot " + shot.id() + "; findings lists the plates."));
            Take now = changed(f, take);
            if (!now.equals(take)) {
                f.save(f.production().withShot(shot.id(), s -> s.withTake(id, t -> now)));
            }
            tell(now);
        });
    }

    private Take changed(ProductionFolder f, Take take) throws Exception {
        Reading r = asFiled ? Reading.AS_FILED : take.reading();
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
                throw new InputException(findIn + ": there is no file of this name with the same content; look in another folder.");
            }
            return now.found(f.bringIn(found.get()));
        }
    }

    private void tell(Take t) {
        ObjectNode o = Output.object();
        Reading r = t.reading();
        o.put("take", t.id());
        o.put("footage", t.footage());
        o.put("curve", r.curve() == null ? null : r.curve().name());
        o.put("matrix", r.matrix() == null ? null : r.matrix().name());
        Boolean full = r.fullRange();
        o.put("range", full == null ? null : full ? "full" : "limited");
        output.print(o);
        output.say(t.id() + ", " + t.footage() + ": curve " + (r.curve() == null ? "as filed" : r.curve()) + ", matrix " + (r.matrix() == null ? "as filed" : r.matrix())
                + ", range " + (full == null ? "as filed" : full ? "full" : "limited"));
    }
}
