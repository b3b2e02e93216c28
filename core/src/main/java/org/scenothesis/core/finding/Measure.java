package org.scenothesis.core.finding;

/// What can be measured, its unit, and what a failure typically costs.
public enum Measure {
    ROLL("s", 4, 2),
    CAMERA("px", 4, 2),
    BUMP("px", 4, 2),
    PARALLAX("px", 4, 4),
    EXPOSURE("stop", 3, 0.3),
    DRIFT("stop", 3, 0.5),
    WHITE_BALANCE("mired", 2, 0.3),
    SCREEN_EVENNESS("stop", 6, 1),
    GREY_INSIDE("%", 6, 1.5),
    GREY_OUTSIDE("%", 6, 1),
    SPILL("%", 5, 1),
    BORDER("px", 3, 2),
    SIZE("px", 5, 1),
    RATE("/s", 5, 1),
    LENGTH("s", 5, 1),
    MATRIX("mired", 0, 0.3),
    OUTSIDE("", 1, 0),
    MISSING("", 5, 3);

    private final String unit;
    private final double minutesNow;
    private final double hoursLater;

    Measure(String unit, double minutesNow, double hoursLater) {
        this.unit = unit;
        this.minutesNow = minutesNow;
        this.hoursLater = hoursLater;
    }

    public String unit() {
        return unit;
    }

    public Finding.Price price() {
        return new Finding.Price(minutesNow, hoursLater);
    }
}
