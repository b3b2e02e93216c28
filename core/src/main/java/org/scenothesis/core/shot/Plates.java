package org.scenothesis.core.shot;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import org.scenothesis.core.shot.step.Difference;

/// What is done to the plates of a shot and their takes.
public final class Plates {
    private Plates() {}

    /// The shot with a take moved to another plate, where it is not circled; the same if there is no such take or plate.
    public static Shot takeMoved(Shot shot, String take, String plate) {
        Optional<Take> t = shot.plates().stream().flatMap(p -> p.take(take).stream()).findFirst();
        boolean there = shot.plate(plate).filter(p -> p.take(take).isEmpty()).isPresent();
        return t.isEmpty() || !there ? shot : takeAway(shot, take).withPlate(plate, p -> p.withTakeAdded(t.get().circled(false)));
    }

    /// The shot with a new plate, which has the take that was another's.
    ///
    /// - `name`: of the plate; its id is made from it.
    public static Shot takeApart(Shot shot, String take, PlateRole role, String name) {
        Plate made = made(shot, freshId(shot, name), name, role);
        return shot.plates().stream().noneMatch(p -> p.take(take).isPresent()) ? shot
                : takeMoved(shot.withPlateAdded(made), take, made.id());
    }

    /// A plate without takes. Plates filmed together share camera and light until somebody says otherwise.
    public static Plate made(Shot shot, String id, String name, PlateRole role) {
        return new Plate(id, name, role, Spike.number(shot.plates().size()), camera(role), light(role), 0, List.of());
    }

    /// The plate for something else; where nobody told it other groups than are usual, it has those of the new role.
    public static Plate as(Plate p, PlateRole role) {
        Plate other = p.withRole(role);
        other = p.lockGroup().equals(camera(p.role())) ? other.withLockGroup(camera(role)) : other;
        return p.lightGroup().equals(light(p.role())) ? other.withLightGroup(light(role)) : other;
    }

    private static String camera(PlateRole role) {
        return role.apart() ? "" : "A";
    }

    private static String light(PlateRole role) {
        return role == PlateRole.LIGHT_PASS ? "" : camera(role);
    }

    /// An id that no plate of the shot has.
    public static String freshId(Shot shot, String name) {
        String id = Ids.slug(name);
        return shot.plate(id).isEmpty() ? id : IntStream.rangeClosed(2, shot.plates().size() + 2).mapToObj(i -> id + "-" + i)
                .filter(i -> shot.plate(i).isEmpty()).findFirst().orElseThrow();
    }

    /// The shot less a take; its file stays. A tray that is empty then goes too.
    public static Shot takeAway(Shot shot, String take) {
        return shot.withPlates(shot.plates().stream().map(p -> p.take(take).isEmpty() ? p
                : p.withTakes(p.takes().stream().filter(t -> !t.id().equals(take)).toList()))
                .filter(p -> p.role() != PlateRole.UNSORTED || !p.takes().isEmpty()).toList());
    }

    /// The layers that are read from a plate.
    public static List<Layer> users(Shot shot, String plate) {
        return shot.layers().stream().filter(l -> l.plates().contains(plate)).toList();
    }

    /// The shot less a plate that no layer is read from; the same while one is. The files stay.
    public static Shot away(Shot shot, String plate) {
        return users(shot, plate).isEmpty() ? shot.withPlates(shot.plates().stream().filter(p -> !p.id().equals(plate)).toList()) : shot;
    }

    /// The shot with all takes of one plate put to another, which takes its place in the layers too; the same if either is not there or
    /// both are one.
    public static Shot merged(Shot shot, String from, String into) {
        Optional<Plate> gone = shot.plate(from);
        if (gone.isEmpty() || shot.plate(into).isEmpty() || from.equals(into)) {
            return shot;
        }
        Shot s = shot.withPlate(into, p -> {
            List<Take> all = new ArrayList<>(p.takes());
            gone.get().takes().forEach(t -> all.add(t.circled(false)));
            return p.withTakes(all);
        });
        UnaryOperator<String> now = p -> p.equals(from) ? into : p;
        return s.withPlates(s.plates().stream().filter(p -> !p.id().equals(from)).toList())
                .withLayers(s.layers().stream().map(l -> l.withSource(switch (l.source()) {
            case Source.OfPlate o -> new Source.OfPlate(now.apply(o.plate()));
            case Source.LightGained g -> new Source.LightGained(now.apply(g.lit()), now.apply(g.unlit()));
            case Source.Lightest o -> new Source.Lightest(now.apply(o.plate()));
            case Source.KeptLight o -> new Source.KeptLight(now.apply(o.plate()));
            case Source.Below b -> b;
        }).withSteps(l.steps().stream().map(x -> x instanceof Difference d ? d.withPlate(now.apply(d.plate())) : x).toList())).toList())
                .withTracks(s.tracks().stream().map(t -> t.withPlate(now.apply(t.plate()))).toList());
    }
}
