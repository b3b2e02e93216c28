package org.scenothesis.core.breakdown.fact;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/// Everything that can be told about an illusion without knowing the technique: one vocabulary for all illusions.
///
/// A fact is a choice (its first answer is assumed until another is given), a number with a unit, or free text. Facts of the setting hold
/// for a whole shot.
public enum Fact {
    WHO(of(Answer.Who.values())),
    SIZE_M(number(0.4, 0.01, 30, "m")),
    HEIGHT_M(number(0.4, 0, 50, "m")),
    REST_M(number(0.9, 0, 50, "m")),
    MOTION(of(Answer.Motion.values())),
    TRAVEL_M(number(0.5, 0, 50, "m")),
    EDGE(of(Answer.Edge.values())),
    SUPPORT(several(Answer.Support.values())),
    /// How many of each support, and whether they may be seen in the end.
    SUPPORT_COUNT(number(1, 1, 8, "")),
    SUPPORT_STAYS(no()),
    BODY(of(Answer.Body.values())),
    FEET(yes()),
    FILMED_AT(of(Answer.FilmedAt.values())),
    PERFORMER(yes()),
    ACTOR(text("")),
    EYES_M(number(1.6, 0.2, 3, "m")),
    DISTANCE_M(number(1.5, 0.2, 50, "m")),
    CROSSED(no()),
    /// Who passes in front, and what kind of a front that is.
    FRONT(text("")),
    FRONT_IS(of(Answer.FrontIs.values())),
    IN_FRONT(no()),
    SHADOW(yes()),
    SHADOW_ON(of(Answer.ShadowOn.values())),
    GLOWS(no()),
    GREEN_NEAR(no()),
    COLOURS(text("")),
    COSTUME(of(Answer.Costume.values())),
    /// In how many sizes a costume is worn, one after the other.
    STAGES(number(1, 1, 8, "")),
    COUNT(number(2, 1, 500, "")),
    ROWS(number(1, 1, 40, "")),
    /// From how many directions of the camera a crowd is seen.
    DIRECTIONS(number(1, 1, 5, "")),
    TOUCH(of(Answer.Touch.values())),
    LOOKS(no()),
    APART_SHARE(number(25, 1, 100, "%")),
    /// Where it is across the frame, from its middle; where those are who act; where copies stand, parted by spaces.
    ACROSS_M(number(0, -200, 200, "m")),
    ACTOR_ACROSS_M(number(0, -200, 200, "m")),
    PLACES(text("")),
    FACTOR(number(0.1, 0.005, 200, "\u00d7")),
    PACE(of(Answer.Pace.values())),
    /// Whether it is seen to change its size.
    CHANGES(no()),
    CONTACT(of(Answer.Contact.values())),
    ROOM_M(number(5, 0.5, 200, "m")),
    BACKGROUND_M(number(3, 0.2, 500, "m")),
    LENS_M(number(1.2, 0.02, 20, "m")),
    BY(of(Answer.By.values())),
    /// Gone, or seen through as a ghost is.
    HIDDEN_AS(of(Answer.HiddenAs.values())),
    PART(of(Answer.Part.values())),
    SURFACE(of(Answer.Surface.values())),
    INSIDE_SEEN(no()),
    OVER_CLOTHES(no()),
    OPERATOR(of(Answer.Operator.values())),
    HAND_SEEN(no()),
    SECOND(text("")),
    SECOND_IS(of(Answer.SecondIs.values())),
    SECOND_SIZE_M(number(1.7, 0.01, 30, "m")),
    SECOND_WEARS(of(Answer.SecondWears.values())),
    /// Becomes another, or appears, or vanishes, or becomes another and comes back.
    TURN(of(Answer.Turn.values())),
    AT_S(number(2, 0, 600, "s")),
    BACK_S(number(4, 0, 600, "s")),
    EVENT(of(Answer.Event.values())),
    SOURCE(of(Answer.Source.values())),
    /// Where a glow, a rim, smoke, a transition, writing comes from.
    ELEMENT(of(Answer.Element.values())),
    ELEMENT_GROUND(of(Answer.ElementGround.values())),
    ELEMENT_PX(number(1080, 100, 20_000, "px")),
    BACKGROUND_CAMERA(of(Answer.BackgroundCamera.values())),
    BARS(no()),
    BACKGROUND_PX(number(1080, 100, 20_000, "px")),
    EMPTY_ROOM(yes()),
    FRAME_KIND(of(Answer.FrameKind.values())),
    LIMBS(yes()),
    /// Whether it goes back in.
    BACK(no()),
    REFLECTS(no()),
    CORNERS(yes()),
    ENERGY(of(Answer.Energy.values())),
    POINT(of(Answer.Point.values())),
    LIGHTS(yes()),
    FLASHES(number(0, 0, 60, "per s")),
    GROUND(of(Answer.Ground.values())),
    BEHIND(no()),
    NEAREST_M(number(0.5, 0.1, 50, "m")),
    FARTHEST_M(number(6, 0.1, 500, "m")),
    MATERIAL(of(Answer.Material.values())),
    WIPE_S(number(1.5, 0.1, 60, "s")),
    FILMED_S(number(4, 0.1, 600, "s")),
    AFTER(of(Answer.After.values())),
    WRITTEN_ON(of(Answer.WrittenOn.values())),
    /// What is written, parted by semicolons.
    TITLES(text("")),
    HIGH(no()),
    RATE(number(12, 1, 60, "per s")),
    PER_FRAME_S(number(30, 1, 3600, "s")),
    RIG(of(Answer.Rig.values())),
    /// Photographed where it stands, or on a cloth.
    STILLS_ON(of(Answer.StillsOn.values())),
    RIM(yes()),
    AMOUNT(number(1.5, 0.1, 10, "\u00d7")),
    FILLS(number(30, 1, 300, "%")),
    FILMED_FILLS(number(80, 1, 100, "%")),
    METHOD(text("")),

    BASE(of(Answer.Base.values()), true),
    BASE_CAMERA(of(Answer.BaseCamera.values()), true),
    BASE_EMPTY(yes(), true),
    BASE_PX(number(1080, 100, 20_000, "px"), true),
    BASE_M(number(3, 0.2, 500, "m"), true),
    BASE_LENS_M(number(1.2, 0.02, 20, "m"), true),
    /// The borrowed scene, where several shots use it.
    SCENE(text(""), true),
    /// Who is in the picture already.
    IN_IT(text(""), true),
    IN_IT_BY(of(Answer.InItBy.values()), true),
    PLACE(of(Answer.Place.values()), true),
    BACKGROUND(of(Answer.Background.values()), true),
    CAMERA(of(Answer.Camera.values()), true),
    PUSH_IN(number(1.2, 1, 10, "\u00d7"), true),
    WOBBLE_PX(number(12, 0, 400, "px"), true),
    LIGHT(of(Answer.Light.values()), true),
    HOT_LAMPS(yes(), true),
    /// Where the main light comes from, as the camera sees it, how high and how hard it is, and how far it is above the rest.
    KEY_FROM(of(Answer.KeyFrom.values()), true),
    KEY_UP_DEG(number(40, 5, 89, "\u00b0"), true),
    KEY_HARD(of(Answer.KeyHard.values()), true),
    KEY_K(number(5600, 1700, 15_000, "K"), true),
    KEY_FILL(number(1.5, -1, 8, "stops"), true),
    LAMPS_SEEN(no(), true),
    SHADES(of(Answer.Shades.values()), true),
    MIXED(no(), true),
    WEAPON(no(), true),
    CLOTHS(of(Answer.Cloths.values()), true),
    /// The colours in which there are suits, hoods, sleeves.
    SUITS(of(Answer.Suits.values()), true),
    CLOTH_WIDE_M(number(3, 0.3, 60, "m"), true),
    CLOTH_HIGH_M(number(2.7, 0.3, 30, "m"), true),
    BEHIND_M(number(1.5, 0, 60, "m"), true),
    FOLIAGE(no(), true),
    FRAME_M(number(2.2, 0.02, 200, "m"), true),
    FLOOR(of(Answer.Floor.values()), true),
    DOLLY(of(Answer.Dolly.values()), true),
    PUBLIC(no(), true),
    BORROWED_SOUND(no(), true),
    TAKES(number(3, 1, 50, ""), true),
    RECORD_PX(number(1080, 240, 20_000, "px"), true),
    FINISH_PX(number(1080, 240, 20_000, "px"), true),
    RATE_PER_S(number(24, 1, 240, "per s"), true),
    /// The most pictures a second the camera makes, how wide its sensor is, and what the lens is stopped to.
    MAX_RATE(number(60, 1, 10_000, "per s"), true),
    SENSOR_MM(number(23.6, 2, 70, "mm"), true),
    F_NUMBER(number(4, 0.7, 64, ""), true),
    FOCAL_MM(number(35, 1, 2000, "mm"), true),
    /// How high a stand reaches, and how large a lamp's face is.
    STAND_M(number(3, 0.3, 12, "m"), true),
    LAMP_M(number(0.3, 0.01, 6, "m"), true),
    RECORDS(of(Answer.Records.values()), true),
    MEGABITS(number(50, 0.5, 20_000, "Mbit/s"), true),
    STILL_MEGABYTES(number(25, 0.1, 500, "MB"), true),
    /// Keys of proposed plates the crew does without, separated by spaces.
    DECLINED(text(""), true);

    private record Shape(List<String> answers, @Nullable Class<?> kind, boolean several, double otherwise, double low, double high,
            String unit) {}

    private static final Map<Class<?>, Fact> OF_KIND = Arrays.stream(values()).filter(f -> f.shape.kind != null)
            .collect(Collectors.toMap(f -> Objects.requireNonNull(f.shape.kind), f -> f));

    private final Shape shape;
    private final boolean ofSetting;
    private final String key;

    Fact(Shape shape) {
        this(shape, false);
    }

    Fact(Shape shape, boolean ofSetting) {
        this.shape = shape;
        this.ofSetting = ofSetting;
        StringBuilder k = new StringBuilder();
        for (String word : name().toLowerCase(Locale.ROOT).split("_")) {
            k.append(k.isEmpty() ? word : Character.toUpperCase(word.charAt(0)) + word.substring(1));
        }
        key = k.toString();
    }

    private static Shape of(Answer... answers) {
        return choice(false, answers);
    }

    private static Shape several(Answer... answers) {
        return choice(true, answers);
    }

    private static Shape choice(boolean several, Answer... answers) {
        return new Shape(Arrays.stream(answers).map(Answer::code).toList(), ((Enum<?>) answers[0]).getDeclaringClass(), several, 0, 0, 0,
                "");
    }

    private static Shape yes() {
        return new Shape(List.of("yes", "no"), null, false, 0, 0, 0, "");
    }

    private static Shape no() {
        return new Shape(List.of("no", "yes"), null, false, 0, 0, 0, "");
    }

    private static Shape number(double otherwise, double low, double high, String unit) {
        return new Shape(List.of(), null, false, otherwise, low, high, unit);
    }

    private static Shape text(String unused) {
        return new Shape(List.of(), null, false, Double.NaN, 0, 0, unused);
    }

    /// The fact of this name in the file, if there is one.
    public static Optional<Fact> byKey(String key) {
        return Arrays.stream(values()).filter(f -> f.key.equals(key)).findFirst();
    }

    /// The fact that an answer is one of.
    public static Fact of(Answer answer) {
        return Objects.requireNonNull(OF_KIND.get(((Enum<?>) answer).getDeclaringClass()));
    }

    /// What it is called in documents.
    public String key() {
        return key;
    }

    /// Told once for the whole shot, not for each illusion.
    public boolean ofSetting() {
        return ofSetting;
    }

    /// The codes that may be answered; empty for numbers and words.
    public List<String> answers() {
        return shape.answers;
    }

    /// Answered by yes or no.
    public boolean isYesNo() {
        return shape.kind == null && !shape.answers.isEmpty();
    }

    /// Whether more than one of its answers may hold, parted by spaces.
    public boolean several() {
        return shape.several;
    }

    /// Answered by a number in its unit.
    public boolean isNumber() {
        return shape.answers.isEmpty() && !Double.isNaN(shape.otherwise);
    }

    /// Answered in the person's own words.
    public boolean isText() {
        return Double.isNaN(shape.otherwise);
    }

    /// The unit of a number; empty where there is none.
    public String unit() {
        return shape.unit;
    }

    /// The least number that is accepted, in its unit.
    public double low() {
        return shape.low;
    }

    /// The greatest number that is accepted, in its unit.
    public double high() {
        return shape.high;
    }

    /// What is assumed until something is told.
    public String otherwise() {
        return isText() ? "" : isNumber() ? String.valueOf(shape.otherwise) : shape.answers.getFirst();
    }

    /// Whether a value can be an answer.
    public boolean accepts(String value) {
        if (isText()) {
            return value.length() <= 2000;
        }
        if (!isNumber()) {
            return shape.several ? !value.isBlank() && shape.answers.containsAll(List.of(value.strip().split("\\s+")))
                    : shape.answers.contains(value);
        }
        try {
            double v = Double.parseDouble(value);
            return v >= shape.low && v <= shape.high;
        } catch (NumberFormatException e) {
            return false;
        }
    }
}
