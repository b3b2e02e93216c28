package org.scenothesis.core.finding;

/// What can be measured: its unit, what a failure typically costs, what it belongs to, where it is mended, and the limit until the house
/// sets another.
public enum Measure {
    ROLL("s", 4, 2, Group.FILM, Mend.SHOOT),
    CAMERA("px", 4, 2, Group.CAMERA, Mend.MATCH, 0.25, 40),
    BUMP("px", 4, 2, Group.CAMERA, Mend.SHOOT, 0.25, 40),
    /// What is left after the best planar warp; up to its first limit a moved camera can be warped back.
    PARALLAX("px", 4, 4, Group.CAMERA, Mend.MATCH, 0.3, 0.6),
    /// The picture sways as a whole, as a stabiliser or a soft floor makes it.
    WANDER("px", 4, 2, Group.CAMERA, Mend.SHOOT, 0.25, 1.5),
    /// Rows lean and spread from frame to frame, as a sensor read row by row shows of a camera that shakes.
    LEAN("px", 4, 3, Group.CAMERA, Mend.SHOOT, 0.25, 1),
    /// Edges of the set are wider or narrower than in the reference: the lens was refocused, or hunts.
    FOCUS("\u00d7", 4, 2, Group.CAMERA, Mend.SHOOT, 1.35, 1.8),
    EXPOSURE("stop", 3, 0.3, Group.EXPOSURE, Mend.MATCH, 0.05, 0.33),
    DRIFT("stop", 3, 0.5, Group.EXPOSURE, Mend.SHOOT, 0.05, 0.33),
    WHITE_BALANCE("mired", 2, 0.3, Group.COLOUR, Mend.MATCH, 5, 20),
    SCREEN_EVENNESS("stop", 6, 1, Group.SCREEN, Mend.KEY, 0.5, 1),
    GREY_INSIDE("%", 6, 1.5, Group.MATTE, Mend.KEY, 0.1, 1),
    GREY_OUTSIDE("%", 6, 1, Group.MATTE, Mend.KEY, 0.1, 1),
    /// Wide parts of the subject through which the cloth is seen: a veil as well as a coat of its colour, so that a person has to say
    /// which.
    SEE_THROUGH("%", 4, 1, Group.MATTE, Mend.KEY, 15, 100),
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
    /// Its file ends before its own structure does: frames that it promises and does not hold, 0 where it promises no number.
    CUT_SHORT("", 5, 3, Group.FILM, Mend.SHOOT),
    /// How far the light may turn between plates of one light group.
    KEY_DIRECTION("\u00b0", 4, 2, Group.EXPOSURE, Mend.BREAK_DOWN, 5, 12),
    /// Pixels needed over pixels there are.
    ENLARGEMENT("\u00d7", 5, 1, Group.CAMERA, Mend.BREAK_DOWN, 1, 1.3),
    /// Cloth beyond the movement as the camera sees it; at least so much. Negative where it leaves the cloth.
    CLOTH_ROOM("m", 5, 3, Group.STAGED, Mend.STAGE, Limit.least(0.15, 0.05)),
    /// How much darker the cloth gets where a body keeps light from it and does not hide that itself.
    CLOTH_SHADOW("stop", 4, 1.5, Group.STAGED, Mend.STAGE, 0.15, 0.5),
    /// Brightest to darkest of the cloth where the movement goes, with its margin.
    CLOTH_EVEN("stop", 6, 1, Group.STAGED, Mend.STAGE, 0.5, 1),
    /// The cloth's colour that comes back on a body's side, of its key.
    CLOTH_RETURN("%", 5, 1, Group.STAGED, Mend.STAGE, 3, 8),
    /// What the lens leaves of the folds.
    CLOTH_FOLDS("stop", 6, 1, Group.STAGED, Mend.STAGE, 0.1, 0.5),
    /// Light on the cloth over light on the body, either way.
    CLOTH_LEVEL("stop", 4, 0.5, Group.STAGED, Mend.STAGE, 1, 2),
    /// The widest blur of anything the body is.
    BODY_SHARP("px", 2, 1, Group.STAGED, Mend.STAGE, 2, 4),
    /// What of a body's way the picture cuts off.
    BODY_FRAMED("%", 3, 1, Group.STAGED, Mend.STAGE, 0.5, 6),
    /// Between the direction from which a body is seen and that from which it should be.
    VIEW_ANGLE("\u00b0", 8, 2, Group.STAGED, Mend.STAGE, 5, 12),
    /// Between the key and that of the background.
    LAMP_SIDE("\u00b0", 4, 2, Group.STAGED, Mend.STAGE, 5, 12),
    /// The larger of two angular sizes of keys over the smaller.
    LAMP_SIZE("\u00d7", 4, 1, Group.STAGED, Mend.STAGE, 1.5, 2.5),
    /// Key to fill against that of the background.
    LAMP_FILL("stop", 4, 1, Group.STAGED, Mend.STAGE, 0.3, 0.7),
    /// Between the lens and the square on a board.
    BOARD_SQUARE("\u00b0", 5, 1, Group.STAGED, Mend.STAGE, 0.5, 2),
    /// Lights mirrored in glass within the picture.
    GLASS_LIGHTS("", 5, 2, Group.STAGED, Mend.STAGE, 0, 0),
    /// Share of the glass in the picture that mirrors something else than black cloth.
    GLASS_BARE("%", 5, 2, Group.STAGED, Mend.STAGE, 1, 100),
    /// Lamps of the crew that the camera sees.
    LAMP_SEEN("", 3, 0.5, Group.STAGED, Mend.STAGE, 0, 1e9),
    /// Of what a circuit gives.
    CIRCUIT("%", 5, 0, Group.STAGED, Mend.STAGE, 80, 100),
    /// To hold a stand in a gust.
    STAND_WEIGHT("kg", 5, 0, Group.STAGED, Mend.STAGE, 0, 1e9),
    /// Spread of the colours of the lamps on a body.
    LAMP_COLOURS("mired", 3, 0.5, Group.STAGED, Mend.STAGE, 15, 40);

    /// What several measures are summed up as.
    public enum Group {
        FILM,
        CAMERA,
        EXPOSURE,
        COLOUR,
        SCREEN,
        MATTE,
        /// What is known before anything is filmed.
        STAGED
    }

    /// The benches where findings are mended.
    public enum Mend {
        BREAK_DOWN,
        STAGE,
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
        this(unit, minutesNow, hoursLater, group, mend, new Limit(holds, watch));
    }

    Measure(String unit, double minutesNow, double hoursLater, Group group, Mend mend, Limit limit) {
        this.unit = unit;
        this.minutesNow = minutesNow;
        this.hoursLater = hoursLater;
        this.group = group;
        this.mend = mend;
        this.limit = limit;
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
