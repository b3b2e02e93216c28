package org.scenothesis.core.breakdown.plate;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.scenothesis.core.Check;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.method.Treatment;
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.breakdown.number.Bodies;
import org.scenothesis.core.breakdown.number.ClothGeometry;
import org.scenothesis.core.breakdown.number.Scale;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;

/// One illusion with everything known around it, and the plates that many illusions share the making of.
///
/// - `treatments`: how each thing of the shot is separated; empty while demands are still being gathered.
public record Case(Illusion illusion, Shot shot, HouseRules rules, Map<String, Treatment> treatments) {
    /// The lock and light group of the shot's own frame.
    public static final String HOME = "A";
    public static final double HANDLES_S = 1;
    /// How long a quiet background is rolled to be averaged into one still.
    public static final double QUIET_S = 5;

    /// Width of a picture by its height, where nobody told another.
    public static final double WIDE_HIGH = 16.0 / 9;
    private static final Set<Answer.Support> ONLY_THINGS = EnumSet.of(Answer.Support.ROD, Answer.Support.HAND, Answer.Support.LINE);
    private static final double MARGIN = 1.15;
    /// Where a mask may end a body whose feet are not seen.
    private static final double KNEE_SHARE = 0.25;

    /// Whether a kind of illusion happens to somebody or something that is asked for.
    public static boolean takesWho(IllusionKind k) {
        return switch (k) {
            case FLOATS, COPIES, OTHER_SIZE, HIDDEN, BECOMES, ELSEWHERE, THROUGH_FRAME, RESHAPED -> true;
            case MOVED, ENERGY, PASSES_AROUND, WIPED, WRITTEN, FRAME_BY_FRAME, OPENING -> false;
        };
    }

    /// What was told of the illusion and its shot.
    public Answers told() {
        return Answers.of(illusion, shot.setting());
    }

    /// The answer's code, the usual one where nothing was told.
    public String answer(Fact f) {
        return told().answer(f);
    }

    /// Whether the answer is one of these.
    public boolean is(Answer... any) {
        return told().is(any);
    }

    /// Whether a fact that is answered by yes or no is answered by yes.
    public boolean yes(Fact f) {
        return told().yes(f);
    }

    /// The answer of this kind, the usual one where nothing was told.
    public <A extends Enum<A> & Answer> A choice(Class<A> kind) {
        return told().choice(kind);
    }

    /// The answer in the fact's unit, the usual one where nothing was told.
    public double number(Fact f) {
        return told().number(f);
    }

    /// Who or what it happens to, in the person's words.
    public String subject() {
        return illusion.subject();
    }

    /// It happens to a person, grown or not.
    public boolean person() {
        return is(Answer.Who.PERSON, Answer.Who.CHILD);
    }

    /// It happens to somebody who can move by themselves.
    public boolean living() {
        return !is(Answer.Who.THING);
    }

    /// What holds the subject up, one or several; what was said of a thing is not believed of a person.
    public List<Answer.Support> supports() {
        return told().choices(Answer.Support.class).stream().map(s -> person() && ONLY_THINGS.contains(s) ? Answer.Support.STOOL : s)
                .distinct().toList();
    }

    /// Whether the supports are seen in the end and need not go.
    public boolean supportsStay() {
        return yes(Fact.SUPPORT_STAYS);
    }

    /// The same case about those who act in it: people, who walk through the frame on the floor.
    public Case acted() {
        return about(Answer.Who.PERSON, String.valueOf(Bodies.PERSON_M)).with(Fact.HEIGHT_M, "0")
                .with(Fact.MOTION, Answer.Motion.WALKS.code());
    }

    /// The same case about somebody or something else of this kind and height.
    public Case about(Answer.Who who, String tallM) {
        return with(Fact.WHO, who.code()).with(Fact.SIZE_M, tallM);
    }

    private Case with(Fact f, String answer) {
        return new Case(illusion.withFact(f.key(), answer), shot, rules, treatments);
    }

    /// What its subject is called in a state that it has at this time alone: with the state's name where something else happens to it at
    /// other times, which is filmed apart.
    public String inState(String state) {
        boolean apart = shot.illusions().stream().anyMatch(w -> !w.id().equals(illusion.id()) && w.kind() != illusion.kind()
                && id(w.subject()).equals(id(subject()))
                && (w.fromSeconds() >= illusion.toSeconds() || w.toSeconds() <= illusion.fromSeconds()));
        return apart ? subject() + ", " + state : subject();
    }

    /// The take with a handle at each end.
    public double roll() {
        return Math.max(0, illusion.toSeconds() - illusion.fromSeconds()) + 2 * HANDLES_S;
    }

    /// How many takes are wanted of each plate: more of what is hard to get right.
    public int takes() {
        boolean poured = illusion.kind() == IllusionKind.WIPED || illusion.kind() == IllusionKind.ENERGY && is(Answer.Energy.FIRE);
        int more = is(Answer.Motion.THROWN) || poured ? 2 : 0;
        return (int) number(Fact.TAKES) + Math.max(more, is(Answer.Who.ANIMAL) ? 3 : is(Answer.Who.CHILD) ? 1 : 0);
    }

    /// The clean plate's least length: the shot with handles, or 0 (a still) where nothing in the background moves.
    public double cleanRoll() {
        boolean full = switch (rules.approach(Approach.CLEAN_LENGTH)) {
            case "take" -> true;
            case "still" -> false;
            default -> is(Answer.Background.MOVES);
        };
        return full ? Math.max(roll(), shot.seconds() + 2 * HANDLES_S) : 0;
    }

    /// The identity of something named in the shot, which stays when it is called otherwise.
    public String id(String thing) {
        return Subjects.id(shot, thing);
    }

    /// How a thing is separated.
    ///
    /// @throws IllegalArgumentException if no illusion demanded it
    public Treatment treatment(String thing) {
        return Check.present(treatments.get(id(thing)), "nothing demanded " + thing);
    }

    /// A plate of the shot's own frame.
    public PlateNeed here(PlateKey key, PlateRole role, Reason reason, String about) {
        return new PlateNeed(
                key, role, reason, List.of(), null, about, Set.of(illusion.id()), Set.of(), Set.of(), Screen.NONE, Region.NONE, HOME, HOME,
                new PlateNeed.Length(roll(), 1, 0), PlateNeed.Notes.NONE, Set.of(), false);
    }

    /// The locked frame without anything that should not be there.
    public PlateNeed clean(Reason reason, Item... gone) {
        return here(PlateKey.CLEAN, PlateRole.CLEAN, reason, "")
                .withAlso(is(Answer.Background.MOVES) ? List.of(Reason.CLEAN_MOVES) : List.of())
                .lasting(cleanRoll(), 1)
                .without(gone)
                .without(Item.coded("crew", Item.Sort.CREW))
                .hearing("room");
    }

    /// Those who act in the real place, all in one plate; a figure that also appears a second time acts in its own.
    public PlateNeed acting(Reason reason) {
        String actor = answer(Fact.ACTOR);
        Optional<Illusion> twice = copies(actor);
        PlateNeed n = twice.isPresent() ? figure(actor, 1, reason) : here(PlateKey.ACTING, PlateRole.PRACTICAL, reason, "");
        return n.lasting(Math.max(roll(), shot.seconds() + 2 * HANDLES_S), takes()).with(actors()).hearing("action");
    }

    /// Distance and height of the lens are asked once, of the setting; of an illusion only where it was told its own.
    public List<Question> ownCamera() {
        return Stream.of(Fact.BACKGROUND_M, Fact.LENS_M).filter(f -> illusion.facts().containsKey(f.key())).map(Question::about).toList();
    }

    /// Those who act, as they were listed: parted by commas, or by *and*.
    public Item[] actors() {
        List<String> named = named(answer(Fact.ACTOR));
        return named.isEmpty() ? new Item[] {Item.person("")} : named.stream().map(Item::person).toArray(Item[]::new);
    }

    /// Names out of a list of them.
    public static List<String> named(String list) {
        return Arrays.stream(list.split("\\s*(?:[,;]|\\band\\b)\\s*")).map(String::strip).filter(a -> !a.isEmpty()).toList();
    }

    /// The illusion that makes more than one of someone, if there is one.
    public Optional<Illusion> copies(String who) {
        return shot.illusions().stream().filter(w -> w.kind() == IllusionKind.COPIES && id(w.subject()).equals(id(who))).findFirst();
    }

    /// One of several figures of the same person, performing where it will stand.
    public PlateNeed figure(String who, int number, Reason reason) {
        return here(PlateKey.figure(id(who), number), PlateRole.PRACTICAL, reason, who + " " + number).with(Item.person(who));
    }

    /// The key of the plate of a thing, alike in all illusions, so that they share it.
    public PlateKey elementKey(String thing) {
        return PlateKey.thing(id(thing));
    }

    /// The key of a plate that belongs to the subject.
    public PlateKey key(PlateKey.Kind kind) {
        return new PlateKey(kind, id(subject()));
    }

    /// The plate in which a thing is filmed so that it can be separated, as its treatment says.
    public PlateNeed separated(String thing, Reason reason) {
        Treatment t = treatment(thing);
        PlateRole role = switch (t.way()) {
            case KEY, SUIT -> living() || t.way() == Way.SUIT ? PlateRole.ON_SCREEN : PlateRole.ELEMENT;
            case BLACK -> PlateRole.ON_BLACK;
            case WHITE -> PlateRole.ON_WHITE;
            case MASK, ROTO -> PlateRole.PRACTICAL;
        };
        PlateNeed n = here(elementKey(thing), role, reason, thing).withWay(t.way())
                .inGroups(t.lock(), t.light())
                .lasting(roll(), takes())
                .with(person() ? Item.person(thing) : Item.prop(thing))
                .without(Item.coded("crew", Item.Sort.CREW));
        if (t.cloth() != Screen.NONE) {
            n = n.on(t.cloth(), region());
        }
        if (!t.lock().equals(HOME)) {
            n = n.following(PlateKey.CLEAN);
            // Moved sideways afterwards it would show the wrong side of itself.
            n = living() && !is(Answer.Motion.STILL) ? n.positions("left", "middle", "right") : n;
        }
        return n;
    }

    /// How many times its real size the subject is seen, by whatever illusion says so.
    private Answers sized() {
        return shot.illusions().stream().filter(w -> w.kind() == IllusionKind.OTHER_SIZE && id(w.subject()).equals(id(subject())))
                .findFirst()
                .map(w -> Answers.of(w, shot.setting())).orElse(told());
    }

    private double factor() {
        Answers t = sized();
        return t.given(Fact.FACTOR) ? t.number(Fact.FACTOR) : 1;
    }

    /// The part of the picture the subject sweeps, and the cloth behind it.
    public Region region() {
        return region(feet() ? 0 : KNEE_SHARE, 1);
    }

    /// Whether its feet, or its underside, are seen.
    private boolean feet() {
        return yes(Fact.FEET);
    }

    /// The same of a part of it, in shares of its height from its foot. What is seen at another size is filmed from another distance, where
    /// the same picture shows more or less.
    public Region region(double fromShare, double toShare) {
        double k = factor();
        double frame = number(Fact.FRAME_M) / k;
        double away = Math.min(sized().number(Fact.BACKGROUND_M) / k, k == 1 ? Double.MAX_VALUE : sized().number(Fact.ROOM_M));
        double size = number(Fact.SIZE_M);
        // Of a size other than its own it stands on the floor of its set, which the lens is as much nearer to.
        double stands = k == 1 ? stands() : 0;
        boolean floats = illusion.kind() == IllusionKind.FLOATS;
        boolean lowered = floats && person() && is(Answer.FilmedAt.FLOOR);
        double own = number(Fact.LENS_M) - (lowered ? number(Fact.HEIGHT_M) : 0);
        double lens = Math.max(0, k == 1 ? own : new Scale(k).lensM(sized().number(Fact.LENS_M), sized().number(Fact.REST_M)));
        double lift = floats && !lowered ? number(Fact.HEIGHT_M) : 0;
        // Whoever floats is up on the support all the time; a thing is seen rising from where it was.
        double bottom = stands + (person() ? lift : 0) + size * fromShare;
        double top = stands + lift + size * toShare;
        double wide = size * (living() ? Bodies.WIDE_SHARE : 1) + (is(Answer.Motion.STILL) ? 0 : number(Fact.TRAVEL_M));
        ClothGeometry.Cloth cloth = new ClothGeometry(lens, away, number(Fact.BEHIND_M)).behind(bottom, top, wide);
        return new Region(Math.min(1, MARGIN * wide / (frame * WIDE_HIGH)), Math.min(1, MARGIN * (top - bottom) / frame), cloth,
                new Region.Sweep(bottom, top, wide, lens, away, number(Fact.BEHIND_M)));
    }

    /// How high above the floor it is before anything happens: people stand on it, things on what is there.
    private double stands() {
        return person() ? 0 : illusion.kind() == IllusionKind.FLOATS ? number(Fact.REST_M) : 0;
    }

    /// Where the eyes of those who act must be when it begins and when it ends.
    public Eyeline[] eyelines(double fromM, double toM) {
        String who = answer(Fact.ACTOR);
        double eyes = number(Fact.EYES_M);
        double distance = number(Fact.DISTANCE_M);
        return new Eyeline[] {
            Eyeline.of(who, subject(), illusion.fromSeconds(), eyes, fromM, distance), Eyeline.of(who, subject(), illusion.toSeconds(),
                    eyes, toM, distance)
        };
    }

    /// A picture that exists already: nothing to film, but to be judged, brought in, and allowed.
    public PlateNeed borrowed() {
        return here(key(PlateKey.Kind.BORROWED), PlateRole.BACKGROUND, Reason.BORROWED, subject()).inGroups("W", "").lasting(0, 1);
    }

    /// All supports and operators of the illusion, to be out of a clean plate.
    public Item[] gone(String... codes) {
        Set<Item> all = new TreeSet<>();
        for (String c : codes) {
            if (!c.equals("none")) {
                all.add(Item.support(c));
            }
        }
        all.add(person() ? Item.person(subject()) : Item.prop(subject()));
        return all.toArray(Item[]::new);
    }
}
