package org.scenothesis.core.breakdown;

import org.scenothesis.core.value.Coded;

/// What may hurt somebody: `caution.<code>` are its words.
public enum CautionKind implements Coded {
    BLOWN,
    CHILDREN,
    DOLLY,
    FLASHING,
    GLASS,
    HEIGHT,
    HOOD,
    HOT,
    LAMPS,
    LINE,
    OPENING,
    OUTSIDE,
    OVERHEAD,
    POWDER,
    PUBLIC,
    SMOKE,
    STANDS,
    SUSPENDED,
    THROWN,
    WATER,
    WEAPON
}
