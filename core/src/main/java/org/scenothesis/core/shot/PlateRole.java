package org.scenothesis.core.shot;

/// What a plate is for.
public enum PlateRole {
    CLEAN,
    PRACTICAL,
    ELEMENT,
    SCREEN_ONLY,
    LIGHT_PASS,
    REFERENCE;

    /// Whether the camera check against the lock group's reference makes sense.
    public boolean keyed() {
        return this == ELEMENT;
    }

    /// Whether its light is meant to differ from the group's.
    public boolean lightDiffersByDesign() {
        return this == LIGHT_PASS || this == SCREEN_ONLY;
    }
}
