package org.scenothesis.core.breakdown.plate;

import org.scenothesis.core.value.Coded;

/// Why a plate is needed: its words are `why.<code>`, what happens without it `skip.<code>`, its own name `name.<code>`.
public enum Reason implements Coded {
    ACTING_BEFORE,
    ACTING_ENERGY,
    ACTING_EVENT,
    ACTING_FRONT,
    ACTING_SEES,
    ACTING_SIZE,
    BASE_EXISTING,
    BASE_PERFORMS,
    BECOMES_APPEARS(true),
    BECOMES_FIRST(true),
    BECOMES_SECOND(true),
    BECOMES_SMOKE,
    BECOMES_VANISHES(true),
    BORROWED,
    CLEAN_APPEARS,
    CLEAN_AROUND,
    CLEAN_BASE,
    CLEAN_BECOMES,
    CLEAN_BEHIND,
    CLEAN_COPIES,
    CLEAN_DIRECTION,
    CLEAN_ELSEWHERE,
    CLEAN_FRAME,
    CLEAN_HIDDEN,
    CLEAN_LIGHT,
    CLEAN_MOVES,
    CLEAN_OPENING,
    CLEAN_OPERATOR,
    CLEAN_RESHAPED,
    CLEAN_RIG,
    CLEAN_SIZE,
    CLEAN_SUPPORT,
    CLEAN_SUPPORT_STAYS,
    CLEAN_WRITTEN,
    COPIES_FIRST,
    COPIES_NEXT,
    COPIES_SCREENED,
    ELEMENT_EXISTING,
    ENERGY_AIR,
    FOREGROUND,
    FRAME_BEHIND,
    FRAME_INSERT,
    FRAMES,
    FRONT(true),
    HALF_LOWER,
    HALF_UPPER,
    HIDDEN_INSIDE,
    LIGHT,
    OPENING_INSIDE,
    REFERENCE,
    REFERENCE_OWN,
    RESHAPED_LIMB,
    RESHAPED_REST,
    RESHAPED_STAGE,
    SCREEN,
    SCREEN_DEFOCUS,
    SIZE_CONTACT_PEOPLE,
    SIZE_CONTACT_THINGS,
    SIZE_DUST,
    SIZE_HEADROOM,
    SIZE_OWN,
    THING(true),
    WIPED(true),
    WIPED_AFTER,
    WIPED_BEFORE,
    WRITTEN(true);

    private final boolean byWay;

    Reason() {
        this(false);
    }

    Reason(boolean byWay) {
        this.byWay = byWay;
    }

    /// Whether the way in which a thing is separated belongs to it.
    public boolean byWay() {
        return byWay;
    }
}
