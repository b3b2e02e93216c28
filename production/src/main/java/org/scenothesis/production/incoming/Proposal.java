package org.scenothesis.production.incoming;

import org.scenothesis.core.shot.PlateRole;

/// The plate a file is proposed for.
///
/// - `plate`: the id of one that is there, or of one that will be made for it; empty for the tray: nothing is proposed.
/// - `role`, `name`: of the plate. `why`: what the proposal rests on.
public record Proposal(Seen seen, String plate, PlateRole role, String name, Why why) {
    /// What a proposal rests on.
    public enum Why {
        NAME,
        LIKENESS,
        CLOTH,
        DARK,
        STILL,
        NOTHING_MOVES,
        MOVES,
        TOLD,
        UNREADABLE
    }

    public boolean taken() {
        return !plate.isEmpty();
    }

    /// The same file for another plate, as somebody says.
    public Proposal told(String otherPlate, PlateRole otherRole, String otherName) {
        return new Proposal(seen, otherPlate, otherRole, otherName, Why.TOLD);
    }

    /// The same file for no plate.
    public Proposal left() {
        return new Proposal(seen, "", role, name, Why.TOLD);
    }
}
