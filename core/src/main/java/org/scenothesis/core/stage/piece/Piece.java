package org.scenothesis.core.stage.piece;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collections;
import java.util.Set;
import java.util.TreeSet;
import org.scenothesis.core.value.Given;

/// A thing and where it stands.
///
/// - `name`: what the crew calls it. `plates`: ids of the plates it is there for, or keys of the planned ones; empty for all that are
///   filmed here.
@RecordBuilder
public record Piece(String id, String name, Given<Spot> spot, Set<String> plates, Thing thing) implements PieceBuilder.With {
    public Piece {
        plates = Collections.unmodifiableSet(new TreeSet<>(plates));
        // Out of bounds is refused where it is made, not where it is drawn.
        thing.dimensions();
    }

    /// Whether it stands there while this plate is filmed.
    public boolean in(String plate) {
        return plates.isEmpty() || plate.isEmpty() || plates.contains(plate);
    }

    /// Where it stands.
    public Spot at() {
        return spot.value();
    }

    /// The same put elsewhere by hand.
    public Piece put(Spot other) {
        return withSpot(Given.entered(other));
    }

    /// Whether any of its numbers was told by nobody.
    public boolean assumed() {
        return spot instanceof Given.Assumed || thing.dimensions().stream().anyMatch(d -> d.value() instanceof Given.Assumed);
    }
}
