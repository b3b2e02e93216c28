package org.scenothesis.core.shot;

/// The kinds of impossible things. Each has a rule unit in `breakdown.illusion`.
public enum IllusionKind {
    FLOATS,
    COPIES,
    OTHER_SIZE,
    HIDDEN,
    MOVED,
    BECOMES,
    ELSEWHERE,
    THROUGH_FRAME,
    ENERGY,
    PASSES_AROUND,
    WIPED,
    WRITTEN,
    FRAME_BY_FRAME,
    OPENING,
    RESHAPED
}
