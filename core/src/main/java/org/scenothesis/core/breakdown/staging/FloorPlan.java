package org.scenothesis.core.breakdown.staging;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.camera.CameraCard;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.number.Bodies;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Region;
import org.scenothesis.core.breakdown.plate.Subjects;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.shot.Ids;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.stage.Floor;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.BackdropKind;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.piece.Support;
import org.scenothesis.core.stage.proof.Coverage;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.core.stage.proof.Sheet;
import org.scenothesis.core.value.Given;

/// The floor of one camera as the plan has it: bodies where the facts put them, cloth behind them, what carries them, and lamps.
final class FloorPlan {
    private static final double ROUND_M = 1;
    /// From one to the next who act, and from one copy to the next.
    private static final double BESIDE_M = 0.7;
    private static final double APART_M = 0.9;
    private static final Pattern NUMBERED = Pattern.compile("(\\d{1,4})$");
    private static final double DEEP_SHARE = 0.3;
    /// Only to count in.
    private static final double STRAIGHT_DEG = 1;
    static final int WIDE_PX = 1600;
    static final int HIGH_PX = 900;

    private final Shot shot;
    private final Shot known;
    private final HouseRules rules;
    private final CameraCard card;
    private final List<PlateNeed> needs;
    private final BreakdownPlan plan;
    private final Map<String, Piece> pieces = new LinkedHashMap<>();

    FloorPlan(Shot shot, Shot known, HouseRules rules, CameraCard card, List<PlateNeed> needs, BreakdownPlan plan) {
        this.shot = shot;
        this.known = known;
        this.rules = rules;
        this.card = card;
        this.needs = needs;
        this.plan = plan;
    }

    /// The stage with everything on its floor; `solved`: its camera was told or found in the picture of the shot.
    Stage on(Stage stage, boolean solved) {
        pieces.clear();
        for (PlateNeed n : needs) {
            bodies(stage, n);
        }
        for (PlateNeed n : needs) {
            cloth(stage, n);
        }
        needs.forEach(this::screenOnly);
        new LampPlan(shot, known, rules, needs, pieces).on(stage, from(stage, card.awayM(), 0).up(1),
                () -> room(stage, List.copyOf(pieces.values()), solved).value());
        List<Piece> all = List.copyOf(pieces.values());
        double focus = all.stream().filter(p -> p.thing() instanceof Body).mapToDouble(p -> ahead(stage, p.at())).min()
                .orElse(card.awayM());
        Floor floor = new Floor(room(stage, all, solved), Stagings.lens(known, shot, focus), all, turns());
        return stage.withFloor(floor);
    }

    private Answers told(PlateNeed n) {
        return illusion(n).map(w -> Answers.of(w, known.setting())).orElseGet(() -> Answers.of(known.setting()));
    }

    private Optional<Illusion> illusion(PlateNeed n) {
        return known.illusions().stream().filter(w -> Subjects.same(known, w.subject(), n.about()) || n.about().startsWith(w.subject())
                && n.illusions().contains(w.id())).findFirst()
                .or(() -> known.illusions().stream().filter(w -> n.illusions().contains(w.id())).findFirst());
    }

    private boolean said(PlateNeed n, Fact... facts) {
        Answers raw = illusion(n).flatMap(w -> shot.illusions().stream().filter(o -> o.id().equals(w.id())).findFirst())
                .map(w -> Answers.of(w, shot.setting())).orElseGet(() -> Answers.of(shot.setting()));
        for (Fact f : facts) {
            if (!raw.given(f)) {
                return false;
            }
        }
        return true;
    }

    private static Spot from(Stage stage, double awayM, double acrossM) {
        Spot back = new Spot(0, 0, stage.panDeg());
        Vec eye = stage.camera().position().value();
        Vec at = eye.minus(back.ahead().times(awayM)).plus(back.right().times(acrossM));
        return new Spot(at.x(), at.z(), Math.IEEEremainder(stage.panDeg(), 360));
    }

    private static double ahead(Stage stage, Spot s) {
        Vec eye = stage.camera().position().value();
        return -s.up(0).minus(eye).dot(new Spot(0, 0, stage.panDeg()).ahead());
    }

    private void add(Piece p) {
        pieces.merge(p.id(), p, (a, b) -> {
            Set<String> both = new TreeSet<>(a.plates());
            both.addAll(b.plates());
            return a.withPlates(a.plates().isEmpty() || b.plates().isEmpty() ? Set.of() : both);
        });
    }

    private void bodies(Stage stage, PlateNeed n) {
        Region.Sweep s = n.region().sweep();
        boolean home = n.lockGroup().equals(Case.HOME);
        boolean own = s.awayM() > 0 && !n.about().isEmpty();
        if (own) {
            subject(stage, n, s, home);
        }
        List<Item> others = n.in().stream().filter(i -> i.sort() == Item.Sort.PERSON)
                .filter(i -> !own || !i.coded() && !Subjects.same(known, i.name(), n.about()) && !n.about().startsWith(i.name())).toList();
        for (int i = 0; i < others.size(); i++) {
            // A figure of a copy stands where that copy does.
            boolean copy = !own && others.size() == 1 && n.about().startsWith(others.get(i).name()) && !n.about().isEmpty();
            String name = copy ? n.about() : others.get(i).coded() ? "performer" : others.get(i).name();
            double across = copy ? place(n) : (home ? told(n).number(Fact.ACTOR_ACROSS_M) : 0) + BESIDE_M * (i - (others.size() - 1) / 2.0);
            Body figure = new Body(Body.Form.FIGURE, usual(Bodies.PERSON_M * Bodies.WIDE_SHARE), usual(Bodies.PERSON_M),
                    usual(Bodies.PERSON_M * DEEP_SHARE), usual(0.0), List.of());
            add(new Piece("body-" + slug(name), name, usual(from(stage, card.awayM(), across)), Set.of(n.key().code()), figure));
        }
    }

    /// Where a copy stands across: as it was drawn, else beside the others.
    private double place(PlateNeed n) {
        Matcher end = NUMBERED.matcher(n.about());
        int number = end.find() ? Integer.parseInt(end.group(1)) : 1;
        Answers t = told(n);
        List<Double> places = t.places();
        double count = Math.max(1, t.number(Fact.COUNT));
        return number <= places.size() ? places.get(Math.max(1, number) - 1) : APART_M * (number - 1 - (count - 1) / 2);
    }

    /// How far right of straight ahead the picture shows what this plate is filmed for, in degrees, as far as that was told; straight ahead
    /// where nobody said.
    double asideDeg(PlateNeed n) {
        boolean copies = illusion(n).filter(w -> w.kind() == IllusionKind.COPIES).isPresent();
        double across = copies ? place(n) : said(n, Fact.ACROSS_M) ? told(n).number(Fact.ACROSS_M) : 0;
        return Math.toDegrees(Math.atan2(across, told(n).number(Fact.BACKGROUND_M)));
    }

    /// What stands aside in the picture is filmed where the cloth hangs, by a camera that is turned the other way.
    private Map<String, Given<Double>> turns() {
        Map<String, Given<Double>> out = new TreeMap<>();
        needs.stream().filter(n -> !n.lockGroup().equals(Case.HOME) && n.region().sweep().awayM() > 0)
                .filter(n -> Math.abs(asideDeg(n)) > STRAIGHT_DEG)
                .forEach(n -> out.put(n.key().code(), usual(-asideDeg(n))));
        return out;
    }

    static <T> Given<T> usual(T v) {
        return new Given.Assumed<>(v, Stagings.PLANNED);
    }

    private static String slug(String name) {
        String s = Ids.slug(name);
        return s.isEmpty() ? "thing" : s;
    }

    private void subject(Stage stage, PlateNeed n, Region.Sweep s, boolean home) {
        Answers t = told(n);
        boolean living = !t.is(Answer.Who.THING);
        double all = s.topM() - s.bottomM();
        double high = Math.clamp(living ? all : Math.min(t.number(Fact.SIZE_M), all), 0.01, Math.max(0.01, all));
        double wide = Math.clamp(high * (living ? Bodies.WIDE_SHARE : 1), 0.01, Math.max(0.01, s.wideM()));
        double travel = Math.max(0, s.wideM() - wide);
        double climb = Math.max(0, all - high);
        List<Body.Moment> way = new ArrayList<>();
        if (travel > 1e-6 || climb > 1e-6) {
            double from = illusion(n).map(Illusion::fromSeconds).orElse(0.0);
            double to = Math.max(from + 0.1, illusion(n).map(Illusion::toSeconds).orElse(0.0));
            way.add(new Body.Moment("", from, new Vec(-travel / 2, 0, 0)));
            way.add(new Body.Moment("", to, new Vec(travel / 2, climb, 0)));
        }
        boolean sized = said(n, Fact.SIZE_M);
        Given<Double> base = Stagings.given(s.bottomM(), said(n, Fact.REST_M) || said(n, Fact.HEIGHT_M));
        Body body = new Body(living ? Body.Form.FIGURE : Body.Form.BALL, usual(wide), Stagings.given(high, sized),
                usual(Math.max(0.02, living ? high * DEEP_SHARE : wide)), base, way);
        Given<Spot> at = filmed(stage, n).orElseGet(() -> Stagings.given(from(stage, s.awayM(), home ? t.number(Fact.ACROSS_M) : 0),
                said(n, Fact.BACKGROUND_M) && (!home || said(n, Fact.ACROSS_M))));
        String id = "body-" + slug(n.about());
        add(new Piece(id, n.about(), at, Set.of(n.key().code()), body));
        if (s.bottomM() > 0.05 && n.in().stream().anyMatch(i -> i.sort() == Item.Sort.SUPPORT)) {
            String kind = n.in().stream().filter(i -> i.sort() == Item.Sort.SUPPORT).findFirst().map(Item::name).orElse("box");
            boolean thin = kind.equals("rod") || kind.equals("line") || kind.equals("hand");
            double w = thin ? 0.02 : Math.max(0.35, 0.6 * wide);
            add(new Piece("support-" + slug(n.about()), kind, at, Set.of(n.key().code()),
                    new Support(kind, usual(w), base, usual(thin ? 0.02 : w))));
        }
    }

    /// Where a layer says its plate was filmed, by hand.
    private Optional<Given<Spot>> filmed(Stage stage, PlateNeed n) {
        Plate plate = n.lockGroup().equals(Case.HOME) ? Breakdown.matched(shot, plan).get(n.key()) : null;
        return plate == null ? Optional.empty() : shot.layers().stream().filter(l -> l.plate().equals(plate.id()))
                .flatMap((Layer l) -> l.steps().stream()).filter(SetPlace.class::isInstance).map(SetPlace.class::cast)
                .filter(p -> p.filmedFoot() instanceof Given.Entered).findFirst()
                .map(p -> Given.entered(new Spot(p.filmedFoot().value().x(), p.filmedFoot().value().z(),
                Math.IEEEremainder(stage.panDeg(), 360))));
    }

    static Backdrop.@Nullable Dye dye(PlateNeed n) {
        return switch (n.screen()) {
            case GREEN -> Backdrop.Dye.GREEN;
            case BLUE -> Backdrop.Dye.BLUE;
            case BLACK -> Backdrop.Dye.BLACK;
            case WHITE -> Backdrop.Dye.WHITE;
            case NONE -> null;
        };
    }

    private void cloth(Stage stage, PlateNeed n) {
        Backdrop.Dye dye = dye(n);
        Region.Sweep s = n.region().sweep();
        Piece body = pieces.get("body-" + slug(n.about()));
        if (dye == null || n.region().clothWideM() <= 0 || s.awayM() <= 0 || body == null) {
            return;
        }
        Answers t = Answers.of(known.setting());
        boolean owned = said(n, Fact.CLOTH_WIDE_M, Fact.CLOTH_HIGH_M);
        double away = ahead(stage, body.at());
        double across = body.at().up(0).minus(from(stage, away, 0).up(0)).dot(body.at().right());
        // Behind the body as the lens sees it, not beside it.
        double spread = (away + s.behindM()) / away;
        double need = n.region().cloth().topM();
        double wide = owned ? t.number(Fact.CLOTH_WIDE_M) : n.region().clothWideM();
        double bottom = n.region().cloth().floorM() > 0 ? 0 : owned ? Math.max(0, need - t.number(Fact.CLOTH_HIGH_M)) : n.region().cloth()
                .bottomM();
        double high = owned ? Math.min(t.number(Fact.CLOTH_HIGH_M), Math.max(need, 0.1)) : need - bottom;
        String colour = n.screen().name().toLowerCase(Locale.ROOT);
        Backdrop hung = new Backdrop(
                BackdropKind.CLOTH, dye, Stagings.given(wide, owned), Stagings.given(Math.max(0.1, high), owned),
                usual(Math.max(0, bottom)), usual(n.region().cloth().floorM()),
                new Given.Assumed<>(BackdropKind.CLOTH.usualWrinkle(), "cloth-hung"));
        Piece placed = new Piece("cloth-" + colour + "-" + slug(n.about()), colour + " cloth",
                Stagings.given(from(stage, away + s.behindM(), across * spread), said(n, Fact.BEHIND_M)), Set.of(n.key().code()), hung);
        add(fitted(stage, placed, body, owned));
    }

    /// Cut to what the camera sees behind the body, with its margin; a cloth that the crew owns is as large as it is.
    private Piece fitted(Stage stage, Piece cloth, Piece body, boolean owned) {
        SetView view = new SetView(stage.withFloor(f -> f.withPieces(List.of(cloth, body))), "", WIDE_PX, HIGH_PX);
        Sheet sheet = Sheet.of(cloth).orElseThrow();
        Coverage.Part part = new Coverage(view, new SetView.Pair(body, sheet)).needed();
        if (part.wideM() <= 0 || part.highM() <= 0) {
            return cloth;
        }
        Spot at = cloth.at();
        double middle = (part.x0() + part.x1()) / 2 - sheet.wideM() / 2;
        Vec to = at.up(0).plus(at.right().times(middle));
        Backdrop b = (Backdrop) cloth.thing();
        // What is not hung of an owned cloth lies on the floor, as far as it goes.
        Coverage.Cut cut = part.cut(Double.MAX_VALUE, owned ? Answers.of(known.setting()).number(Fact.CLOTH_HIGH_M) : Double.MAX_VALUE);
        Backdrop made = b.withWideM(owned ? b.wideM() : usual(cut.wideM())).withBottomM(usual(cut.bottomM())).withHighM(usual(cut.highM()))
                .withFloorM(usual(cut.floorM()));
        return cloth.withSpot(owned ? cloth.spot() : usual(at.at(to.x(), to.z()))).withThing(made);
    }

    /// The frame of a screen without anybody is filmed before the cloths of the others.
    private void screenOnly(PlateNeed n) {
        Backdrop.Dye dye = dye(n);
        if (n.role() == PlateRole.SCREEN_ONLY && dye != null) {
            pieces.replaceAll((id, p) -> p.thing() instanceof Backdrop b && b.dye() == dye ? p.withPlates(with(p.plates(), n.key().code()))
                    : p);
        }
    }

    private static Set<String> with(Set<String> some, String more) {
        Set<String> out = new TreeSet<>(some);
        out.add(more);
        return out;
    }

    /// Large enough for what stands in it; as long as it was told.
    private Given<Surroundings> room(Stage stage, List<Piece> all, boolean solved) {
        Answers said = Answers.of(shot.setting());
        if (Answers.of(known.setting()).is(Answer.Light.SUN, Answer.Light.OVERCAST, Answer.Light.SHADE)) {
            return Stagings.given(new Surroundings.Open(), said.given(Fact.LIGHT));
        }
        Vec eye = stage.camera().position().value();
        double left = eye.x() - ROUND_M;
        double right = eye.x() + ROUND_M;
        double near = eye.z() - ROUND_M;
        double far = eye.z() + ROUND_M;
        double high = 2.6;
        for (Piece p : all) {
            double half = p.thing() instanceof Backdrop b ? b.wideM().value() / 2 : 0;
            left = Math.min(left, p.at().x() - Math.max(ROUND_M, half + 0.3));
            right = Math.max(right, p.at().x() + Math.max(ROUND_M, half + 0.3));
            near = Math.min(near, p.at().z() - ROUND_M);
            far = Math.max(far, p.at().z() + ROUND_M / 2);
            high = Math.max(high, p.thing() instanceof Lamp l ? Math.min(l.heightM().value() + 0.4, 8) : 0);
        }
        boolean told = said.given(Fact.ROOM_M) && !solved;
        double end = told ? near + ROUND_M / 2 + said.number(Fact.ROOM_M) : far;
        return Stagings.given(new Surroundings.Room(left, right, told ? near + ROUND_M / 2 : near, Math.max(near + 1, end), high, 0.5),
                told);
    }
}
