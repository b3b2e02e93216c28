package org.scenothesis.core.breakdown;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.scenothesis.core.shot.PlateRole;

/// A plate that a rule asks for.
///
/// - `code`: names the reason; `why.<code>` and `skip.<code>` are its words. `wonders`: ids of the wonders it serves.
/// - `after`: roles that must have been rolled before it. `rollSeconds` 0 asks for a still.
/// - `proposed`: it would help but is not needed.
public record PlateNeed(
        PlateRole role,
        String code,
        Set<String> wonders,
        String lockGroup,
        String lightGroup,
        double rollSeconds,
        SetState state,
        List<PlateRole> after,
        boolean proposed) {
    public PlateNeed {
        wonders = java.util.Collections.unmodifiableSet(new TreeSet<>(wonders));
        after = List.copyOf(after);
    }

    boolean mergesWith(PlateNeed o) {
        return role == o.role && state.equals(o.state) && lockGroup.equals(o.lockGroup) && lightGroup.equals(o.lightGroup);
    }

    /// Both needs in one plate: the longer roll, all wonders, all that must come before.
    PlateNeed merged(PlateNeed o) {
        Set<String> all = new TreeSet<>(wonders);
        all.addAll(o.wonders);
        Set<PlateRole> before = new TreeSet<>(after);
        before.addAll(o.after);
        return new PlateNeed(
                role, code, all, lockGroup, lightGroup, Math.max(rollSeconds, o.rollSeconds), state, List.copyOf(before), proposed && o.proposed);
    }
}
