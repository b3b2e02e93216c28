package org.scenothesis.production.measure;

import java.util.Objects;
import java.util.Optional;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;

/// What a take is proved against: the start of the circled clean plate of its lock group; that very take against its own start, so that
/// both its ends are compared.
public record Reference(Plate plate, Take take, Kind kind) {
    public enum Kind {
        /// The circled clean plate of the lock group.
        CLEAN_PLATE,
        /// Its own beginning.
        OWN_START
    }

    /// Empty where there is nothing to compare with: no lock group, or no clean plate filmed in it.
    public static Optional<Reference> of(Shot shot, Plate plate, Take take) {
        if (plate.lockGroup().isEmpty()) {
            return Optional.empty();
        }
        return clean(shot, plate.lockGroup()).map(c -> {
            Take against = Objects.requireNonNull(c.chosen());
            boolean own = c.id().equals(plate.id()) && against.id().equals(take.id());
            return new Reference(c, against, own ? Kind.OWN_START : Kind.CLEAN_PLATE);
        });
    }

    /// The clean plate of a lock group: the first that was filmed.
    public static Optional<Plate> clean(Shot shot, String lockGroup) {
        return shot.plates().stream().filter(p -> p.role() == PlateRole.CLEAN && p.lockGroup().equals(lockGroup) && p.chosen() != null)
                .findFirst();
    }
}
