package org.scenothesis.production.incoming;

import java.util.List;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Plates;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;

/// Puts files into the document as takes.
final class Arrivals {
    /// Longer clips than this do not make a shot longer by themselves.
    static final double LONGEST_S = 600;

    private Arrivals() {}

    /// The shot with these files as takes of the proposal's plate, which is made if it is not there.
    static Shot with(Shot shot, Proposal p, List<String> paths) {
        Shot s = shot.plate(p.plate()).isPresent() ? shot : shot.withPlateAdded(Plates.made(shot, p.plate(), p.name(), p.role()));
        return s.withPlate(p.plate(), q -> {
            Plate out = q;
            for (String path : paths) {
                out = out.withTakeAdded(new Take(p.plate() + "-" + (out.takes().size() + 1) + "-" + Integer.toHexString(path.hashCode()),
                        path, false, ""));
            }
            return out;
        });
    }
}
