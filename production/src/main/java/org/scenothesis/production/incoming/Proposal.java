package org.scenothesis.production.incoming;

import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.production.words.Words;

/// The plate a file is proposed for.
///
/// - `plate`: the id of one that is there, or of one that will be made for it; empty where it is left out.
/// - `role`, `name`: of the plate. `why`: what the proposal rests on.
public record Proposal(FileProbe seen, String plate, PlateRole role, String name, Why why) {
    private static final String TRAY = "tray";

    /// What a proposal rests on.
    public enum Why {
        NAME,
        LIKENESS,
        CLOTH,
        DARK,
        STILL,
        NOTHING_MOVES,
        MOVES,
        UNKNOWN,
        TOLD,
        UNREADABLE
    }

    /// The file in the tray, until somebody says what it is.
    static Proposal unsorted(FileProbe seen, Why why) {
        return new Proposal(seen, TRAY, PlateRole.UNSORTED, Words.of("name.UNSORTED"), why);
    }

    /// The same file in the tray, as somebody says.
    public Proposal later() {
        return unsorted(seen, Why.TOLD);
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
