package org.scenothesis.core.shot;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
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

    /// The shot less a take; its file stays.
    public static Shot takeAway(Shot shot, String take) {
        return shot.withPlates(shot.plates().stream().map(p -> p.take(take).isEmpty() ? p : p.withTakes(p.takes().stream().filter(t -> !t.id().equals(take)).toList())).toList());
    }

    /// The layers that are read from a plate.
    public static List<Layer> users(Shot shot, String plate) {
        return shot.layers().stream().filter(l -> l.plates().contains(plate)).toList();
    }

    /// The shot less a plate that no layer is read from; the same while one is. The files stay.
    public static Shot away(Shot shot, String plate) {
        return users(shot, plate).isEmpty() ? shot.withPlates(shot.plates().stream().filter(p -> !p.id().equals(plate)).toList()) : shot;
    }

    /// The shot with all takes of one plate put to another, which takes its place in the layers too; the same if either is not there or both are one.
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
        return s.withPlates(s.plates().stream().filter(p -> !p.id().equals(from)).toList()).withLayers(s.layers().stream().map(l -> l.withSource(switch (l.source()) {
            case Source.OfPlate o -> new Source.OfPlate(now.apply(o.plate()));
            case Source.LightGained g -> new Source.LightGained(now.apply(g.lit()), now.apply(g.unlit()));
            case Source.Lightest o -> new Source.Lightest(now.apply(o.plate()));
            case Source.Below b -> b;
        }).withSteps(l.steps().stream().map(x -> x instanceof Difference d ? d.withPlate(now.apply(d.plate())) : x).toList())).toList())
                .withTrails(s.trails().stream().map(t -> t.withPlate(now.apply(t.plate()))).toList());
    }
}
