package org.scenothesis.core.finding;

import java.util.List;

/// A matter on which good people disagree, and the ways the house may choose; the first is taken until it does.
///
/// Source: the handbook's table of approaches, its rows that touch planning.
public enum Approach {
    CLEAN_WHEN("both", "first", "last"),
    CLEAN_LENGTH("measured", "take", "still"),
    SCREEN_DISTANCE("far", "near"),
    WRINKLES("stretch", "defocus"),
    CLOTH_LIGHT("above", "sides", "shade"),
    COPIES("every", "repeat"),
    WHERE_TO_SCREEN("place", "studio"),
    EFFECT_LIGHT("both", "lamp", "paint"),
    CAMERA_LIFE("locked", "alive"),
    GIANTS("rate", "slow"),
    MOVING_BACKGROUND("imitate", "refuse"),
    SCREEN_COLOUR("measured", "green", "blue");

    private final List<String> ways;

    Approach(String... ways) {
        this.ways = List.of(ways);
    }

    /// The codes of all ways, the usual one first.
    public List<String> ways() {
        return ways;
    }

    /// The code of the usual way.
    public String otherwise() {
        return ways.getFirst();
    }
}
