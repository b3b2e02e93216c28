package org.scenothesis.core.finding;

/// What can be measured: its unit, what a failure typically costs, what it belongs to, where it is mended, and the limit until the house sets another.
public enum Measure {
    ROLL("s", 4, 2, Group.FILM, Mend.SHOOT),
    CAMERA("px", 4, 2, Group.CAMERA, Mend.MATCH, 0.25, 40),
    BUMP("px", 4, 2, Group.CAMERA, Mend.SHOOT, 0.25, 40),
    /// What is left after the best planar warp; up to its first limit a moved camera can be warped back.
    PARALLAX("px", 4, 4, Group.CAMERA, Mend.MATCH, 0.3, 0.6),
    EXPOSURE("stop", 3, 0.3, Group.EXPOSURE, Mend.MATCH, 0.05, 0.33),
    DRIFT("stop", 3, 0.5, Group.EXPOSURE, Mend.SHOOT, 0.05, 0.33),
    WHITE_BALANCE("mired", 2, 0.3, Group.COLOUR, Mend.MATCH, 5, 20),
    SCREEN_EVENNESS("stop", 6, 1, Group.SCREEN, Mend.KEY, 0.5, 1),
    GREY_INSIDE("%", 6, 1.5, Group.MATTE, Mend.KEY, 0.1, 1),
    GREY_OUTSIDE("%", 6, 1, Group.MATTE, Mend.KEY, 0.1, 1),
    SPILL("%", 5, 1, Group.MATTE, Mend.KEY, 1, 6),
    /// Nearer to the border of the cloth than this asks for care.
    BORDER("px", 3, 2, Group.SCREEN, Mend.KEY, 0, 8),
    SIZE("px", 5, 1, Group.CAMERA, Mend.SHOOT),
    RATE("/s", 5, 1, Group.FILM, Mend.SHOOT),
    LENGTH("s", 5, 1, Group.FILM, Mend.SHOOT),
    /// Frames of the shot in which what layers hang on was not found.
    FOLLOWED("", 2, 0.5, Group.FILM, Mend.LAYER),
    /// Takes of which nobody said what they are.
    UNSORTED("", 1, 0.3, Group.FILM, Mend.SHOOT),
    MATRIX("mired", 0, 0.3, Group.COLOUR, Mend.SHOOT),
    OUTSIDE("", 1, 0, Group.FILM, Mend.SHOOT),
    /// Planned, and not among the plates.
    NEEDED("", 5, 3, Group.FILM, Mend.BREAK_DOWN),
    /// Never filmed.
    MISSING("", 5, 3, Group.FILM, Mend.BREAK_DOWN),
    /// Filmed, but its file cannot be read.
    BROKEN("", 5, 3, Group.FILM, Mend.SHOOT),
    /// How far the light may turn between plates of one light group.
    KEY_DIRECTION("\u00b0", 4, 2, Group.EXPOSURE, Mend.BREAK_DOWN, 5, 12),
    /// Pixels needed over pixels there are.
    ENLARGEMENT("\u00d7", 5, 1, Group.CAMERA, Mend.BREAK_DOWN, 1, 1.3);

    /// What several measures are summed up as.
    public enum Group {
        FILM,
        CAMERA,
        EXPOSURE,
        COLOUR,
        SCREEN,
        MATTE
    }

    /// The benches where findings are mended.
    public enum Mend {
        BREAK_DOWN,
        SHOOT,
        MATCH,
        KEY,
        LAYER
    }

    private final String unit;
    private final double minutesNow;
    private final double hoursLater;
    private final Group group;
    private final Mend mend;
    private final Limit limit;

    Measure(String unit, double minutesNow, double hoursLater, Group group, Mend mend) {
        this(unit, minutesNow, hoursLater, group, mend, 0, 0);
    }

    Measure(String unit, double minutesNow, double hoursLater, Group group, Mend mend, double holds, double watch) {
        this.unit = unit;
        this.minutesNow = minutesNow;
        this.hoursLater = hoursLater;
        this.group = group;
        this.mend = mend;
        limit = new Limit(holds, watch);
    }

    /// The unit of its values; empty for plain numbers.
    public String unit() {
        return unit;
    }

    /// What it usually costs to mend: minutes now, hours later.
    public Finding.Price price() {
        return new Finding.Price(minutesNow, hoursLater);
    }

    /// What it is summed up with.
    public Group group() {
        return group;
    }

    /// Where it is mended.
    public Mend mend() {
        return mend;
    }

    /// Of the handbook; zero where each finding has its own.
    public Limit limit() {
        return limit;
    }
}
