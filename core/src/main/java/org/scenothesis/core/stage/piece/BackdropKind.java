package org.scenothesis.core.stage.piece;

/// How a screen is made: what hangs or stands, what lies on the floor, what the wind takes, whether it can be wrinkled.
public enum BackdropKind {
    /// Cloth hung between two stands.
    CLOTH(true, true, 0.15),
    /// Stretched in a frame that folds.
    FRAME(true, true, 0.05),
    /// Paper from a roll, swept on to the floor.
    ROLL(true, true, 0.02),
    PAINTED(true, false, 0),
    /// Cloth that lies on the floor alone.
    FLOOR(false, false, 0.15),
    /// Cloth laid over a thing.
    DRAPED(true, false, 0.4),
    /// Somebody clothed in the screen's colour.
    SUIT(true, false, 0.4),
    /// Lit from within, no cloth at all.
    DISPLAY(true, false, 0);

    private final boolean upright;
    private final boolean onStands;
    private final double usualWrinkle;

    BackdropKind(boolean upright, boolean onStands, double usualWrinkle) {
        this.upright = upright;
        this.onStands = onStands;
        this.usualWrinkle = usualWrinkle;
    }

    /// Whether it is worn by whoever or whatever stands where it is, and nothing is filmed before it.
    public boolean worn() {
        return this == DRAPED || this == SUIT;
    }

    /// Whether any of it stands up.
    public boolean upright() {
        return upright;
    }

    /// Whether stands carry it, which wind throws over.
    public boolean onStands() {
        return onStands;
    }

    /// Slope of its folds where nobody told another.
    public double usualWrinkle() {
        return usualWrinkle;
    }

    /// Whether lamps have to light it.
    public boolean lit() {
        return this != DISPLAY;
    }
}
