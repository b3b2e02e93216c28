package org.scenothesis.core.breakdown.day;

import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.SetState;

/// One thing to roll on the day: a plate, or one end of a clean plate that is rolled at both.
///
/// - `id`: shot, need and part; stays the same while facts change. `sun`: its light is the sun's, so it drifts.
public record Job(String id, String shot, PlateNeed need, Part part, boolean sun) {
    private static final double CLOSING_MINUTES = 2;

    public enum Part {
        WHOLE,
        OPENING,
        CLOSING
    }

    static Job of(String shot, PlateNeed need, Part part, boolean sun) {
        return new Job(shot + "/" + need.key() + (part == Part.CLOSING ? "/closing" : ""), shot, need, part, sun);
    }

    /// Minutes it takes on set once everything stands.
    public double minutes() {
        return part == Part.CLOSING ? CLOSING_MINUTES : need.rollMinutes();
    }

    /// What the set looks like while it is done.
    public SetState state() {
        return need.state(shot);
    }

    /// The camera it must share, over all shots.
    public String lock() {
        return shot + "/" + need.lockGroup();
    }

    /// The light it shares with others, by shot and group; empty if it need not share one.
    public String light() {
        return need.light(shot);
    }
}
