package org.scenothesis.core.shot;

/// What a plate is for.
public enum PlateRole {
    CLEAN,
    PRACTICAL,
    ELEMENT,
    SCREEN_ONLY,
    LIGHT_PASS,
    REFERENCE,
    ON_SCREEN,
    PARTIAL_BODY,
    FOREGROUND,
    ON_BLACK,
    ON_WHITE,
    ATMOSPHERE,
    TRANSITION,
    FRAME_INSERT,
    SURFACE_TITLE,
    STILLS,
    BACKGROUND,
    /// No plate: the tray, in which takes wait until somebody says what they are.
    UNSORTED;

    /// Whether it is separated by the colour of a screen.
    public boolean keyed() {
        return switch (this) {
            case ELEMENT, ON_SCREEN, PARTIAL_BODY, TRANSITION, FRAME_INSERT, SURFACE_TITLE -> true;
            case CLEAN, PRACTICAL, SCREEN_ONLY, LIGHT_PASS, REFERENCE, FOREGROUND, ON_BLACK, ON_WHITE, ATMOSPHERE, STILLS,
                    BACKGROUND, UNSORTED -> false;
        };
    }

    /// Whether its light is meant to differ from the group's.
    public boolean lightDiffersByDesign() {
        return this == LIGHT_PASS || this == SCREEN_ONLY || this == ATMOSPHERE || this == ON_BLACK;
    }

    /// Whether it has camera and light of its own until somebody says otherwise: not those the set was filmed with.
    public boolean apart() {
        return keyed() || this == SCREEN_ONLY || this == ON_BLACK || this == BACKGROUND || this == UNSORTED;
    }

    /// Whether one look is enough when nothing in it moves.
    public boolean mayBeHeld() {
        return this == CLEAN || this == LIGHT_PASS || this == BACKGROUND;
    }
}
