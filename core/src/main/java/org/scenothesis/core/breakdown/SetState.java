package org.scenothesis.core.breakdown;

/// What stands on the set while a plate is rolled; changing it costs minutes.
public record SetState(Screen screen, boolean performer, boolean prop, boolean card) {
    public enum Screen {
        NONE,
        GREEN,
        BLUE
    }

    /// Minutes from this state to another: a cloth 12, a performer 2, a prop on its support 4, cards 1.
    public double minutesTo(SetState o) {
        return (screen == o.screen ? 0 : screen == Screen.NONE || o.screen == Screen.NONE ? 12 : 18)
                + (performer == o.performer ? 0 : 2)
                + (prop == o.prop ? 0 : 4)
                + (card == o.card ? 0 : 1);
    }
}
