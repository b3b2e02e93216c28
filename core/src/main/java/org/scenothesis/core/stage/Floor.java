package org.scenothesis.core.stage;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import org.scenothesis.core.Check;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.value.Given;

/// What stands around the camera of a stage: the room, what the lens is set to, and the pieces.
///
/// - `turns`: by how many degrees the camera is panned to the right of where it usually looks, by id or planned key of the plate: copies
///   that stand aside in the picture are filmed in the same place by a turned camera.
@RecordBuilder
public record Floor(Given<Surroundings> around, LensSetting lens, List<Piece> pieces, Map<String, Given<Double>> turns)
        implements FloorBuilder.With {
    private static final int MOST = 400;
    private static final Given<Double> STRAIGHT = new Given.Assumed<>(0.0, "camera-straight");

    /// Nothing staged yet: a room and a lens of usual numbers.
    public static final Floor BARE = new Floor(
            new Given.Assumed<>(new Surroundings.Room(-2.5, 2.5, -1, 6, 2.6, 0.5), "room-usual"),
            new LensSetting(new Given.Assumed<>(23.6, "sensor-small"), new Given.Assumed<>(4.0, "aperture-usual"),
            new Given.Assumed<>(3.0, "focus-usual")), List.of(), Map.of());

    public Floor {
        pieces = List.copyOf(pieces);
        turns = Collections.unmodifiableMap(new TreeMap<>(turns));
        turns.values().forEach(t -> Check.range("turn", t.value(), -180, 180));
        Check.range("pieces", pieces.size(), 0, MOST);
        Set<String> ids = new HashSet<>();
        pieces.forEach(p -> Check.that(ids.add(p.id()), "two pieces have the id " + p.id()));
    }

    /// Whether anybody put anything on it.
    public boolean staged() {
        return !pieces.isEmpty();
    }

    /// The piece with this id, if it is there.
    public Optional<Piece> piece(String id) {
        return pieces.stream().filter(p -> p.id().equals(id)).findFirst();
    }

    /// The floor with one piece changed.
    public Floor with(String id, UnaryOperator<Piece> change) {
        return withPieces(pieces.stream().map(p -> p.id().equals(id) ? change.apply(p) : p).toList());
    }

    /// The floor with one piece more.
    public Floor plus(Piece p) {
        List<Piece> more = new ArrayList<>(pieces);
        more.add(p);
        return withPieces(more);
    }

    /// The floor without a piece.
    public Floor without(String id) {
        return withPieces(pieces.stream().filter(p -> !p.id().equals(id)).toList());
    }

    /// How far the camera is turned for a plate, in degrees to the right.
    public Given<Double> turn(String plate) {
        return turns.getOrDefault(plate, STRAIGHT);
    }

    /// The floor with the camera turned for one plate, by hand.
    public Floor turned(String plate, double deg) {
        Map<String, Given<Double>> all = new TreeMap<>(turns);
        all.put(plate, Given.entered(deg));
        return withTurns(all);
    }

    /// An id for one piece more of this name.
    public String freeId(String base) {
        int i = 1;
        while (piece(base + "-" + i).isPresent()) {
            i++;
        }
        return base + "-" + i;
    }
}
