package org.scenothesis.core.rehearsal.staged;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.DoubleFunction;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.rehearsal.Handling;
import org.scenothesis.core.rehearsal.Roll;
import org.scenothesis.core.rehearsal.Scenery;
import org.scenothesis.core.rehearsal.Sensor;
import org.scenothesis.core.rehearsal.View;
import org.scenothesis.core.rehearsal.trace.Rgb;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.proof.SetView;

/// A plate of a staged set as a roll of the simulated camera, with the faults that were asked for.
///
/// - `seconds`: 0 for one frame. `fromS`: where in the shot the roll begins, for what moves.
public record StagedRoll(String name, SetView view, double seconds, double fromS, double rate, Set<Fault> faults, long seed) {
    public StagedRoll {
        Check.range("seconds", seconds, 0, 600);
        Check.range("rate", rate, 1, 240);
        faults = Set.copyOf(faults);
    }

    /// The set with the faults that lie in it.
    public Stage faultyStage() {
        Stage s = view.stage();
        for (Fault f : faults) {
            s = f.in(s);
        }
        return s;
    }

    private SetView faulty() {
        return new SetView(faultyStage(), view.plate(), view.widthPx(), view.heightPx());
    }

    private SetScenery scenery() {
        // Exposed and balanced on the set as it was meant.
        SetScenery meant = SetScenery.metered(view);
        return new SetScenery(faulty(), meant.whiteLux(), meant.kelvin(), faults.contains(Fault.CLOTHES) ? SetScenery.Look.IN_SCREEN
                : SetScenery.Look.USUAL);
    }

    /// How many it has.
    public int frames() {
        int whole = Math.max(1, (int) Math.round(seconds * rate));
        return faults.contains(Fault.SHORT) ? Math.max(1, whole / 2) : whole;
    }

    /// The light that comes from everywhere on it.
    public Rgb ambient() {
        return scenery().ambient();
    }

    /// The roll; a set that is seen from one place is rendered once for all rolls that share it.
    public Roll roll() {
        SetScenery s = scenery();
        boolean moves = faulty().bodies().stream().anyMatch(b -> ((Body) b.thing()).way().size() > 1);
        @Nullable DoubleFunction<Scenery> moving = moves ? t -> s.bodies(fromS + t) : null;
        int n = frames();
        // Whoever stays is part of the set, and rendered once.
        return new Roll(name, n, rate, moves ? s.still() : s.still().with(s.bodies(fromS)), moving, stations(s.camera(), n), handling(),
                Sensor.USUAL.seeded(seed));
    }

    /// What happens to its frames on the way.
    public Handling handling() {
        int frames = frames();
        return new Handling(
                i -> faults.stream().mapToDouble(f -> f.stops(share(i, frames))).sum(),
                i -> faults.stream().map(f -> f.balance(share(i, frames))).reduce(Rgb.grey(1), Rgb::times),
                i -> faults.stream().map(f -> f.sway(i / rate, view.widthPx())).reduce(Handling.Sway.NONE, Handling.Sway::plus));
    }

    private static double share(int frame, int frames) {
        return frames < 2 ? 0 : frame / (frames - 1.0);
    }

    private List<Roll.Station> stations(View v, int frames) {
        List<Roll.Station> out = new ArrayList<>(List.of(new Roll.Station(0, v)));
        if (frames > 1 && (faults.contains(Fault.BUMP) || faults.contains(Fault.REFOCUS))) {
            View then = v;
            if (faults.contains(Fault.BUMP)) {
                Vec px = Fault.bumpPx();
                then = then.with(v.pose().turned(-Math.toDegrees(px.x() / v.pose().focalPx()), Math.toDegrees(px.y() / v.pose().focalPx()),
                        0));
            }
            if (faults.contains(Fault.REFOCUS)) {
                then = then.focusedAt(Fault.REFOCUSED * v.focusM());
            }
            out.add(new Roll.Station(frames / 2, then));
        }
        return out;
    }
}
