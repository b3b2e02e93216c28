package org.scenothesis.core.breakdown.number;

/// Proportions that hold for people nobody measured.
public final class Bodies {
    /// How tall a grown person is taken to be, in metres, and a child.
    public static final double PERSON_M = 1.7;
    public static final double CHILD_M = 1.2;
    /// Eyes of a standing body, and how wide one is, as shares of its height.
    public static final double EYES_SHARE = 0.93;
    public static final double WIDE_SHARE = 0.5;

    private Bodies() {}
}
