package org.scenothesis.core.breakdown.staging;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.camera.CameraCard;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Told;
import org.scenothesis.core.breakdown.light.KeyFacts;
import org.scenothesis.core.breakdown.light.Lamps;
import org.scenothesis.core.breakdown.number.Bodies;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Region;
import org.scenothesis.core.breakdown.plate.Subjects;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.School;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Ids;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Wonder;
import org.scenothesis.core.shot.step.Place;
import org.scenothesis.core.stage.Floor;
import org.scenothesis.core.stage.KeyLight;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.BackdropKind;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.LampKind;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.piece.Support;
import org.scenothesis.core.stage.proof.Coverage;
import org.scenothesis.core.stage.proof.LightField;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.core.stage.proof.Sheet;
import org.scenothesis.core.value.Given;

/// The floor of one camera as the plan has it: bodies where the facts put them, cloth behind them, what carries them, and lamps.
final class FloorPlan {
    private static final double EVEN_STOPS = 0.5;
    private static final double KEY_LEAST_M = 1.5;
    private static final double KEY_MOST_M = 4;
    private static final double ROUND_M = 1;
    private static final double DEEP_SHARE = 0.3;
    /// Only to count in.
    private static final int WIDE_PX = 1600;
    private static final int HIGH_PX = 900;

    private final Shot shot;
    private final Shot known;
    private final HouseRules rules;
    private final CameraCard card;
    private final List<PlateNeed> needs;
    private final Map<String, Piece> pieces = new LinkedHashMap<>();

    FloorPlan(Shot shot, Shot known, HouseRules rules, CameraCard card, List<PlateNeed> needs) {
        this.shot = shot;
        this.known = known;
        this.rules = rules;
        this.card = card;
        this.needs = needs;
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
        lamps(stage);
        List<Piece> all = List.copyOf(pieces.values());
        double focus = all.stream().filter(p -> p.thing() instanceof Body).mapToDouble(p -> ahead(stage, p.at())).min().orElse(card.awayM());
        Floor floor = new Floor(room(stage, all, solved), Stagings.lens(known, shot, focus), all);
        return stage.withFloor(floor);
    }

    private Told told(PlateNeed n) {
        return wonder(n).map(w -> Told.of(w, known.setting())).orElseGet(() -> Told.of(known.setting()));
    }

    private Optional<Wonder> wonder(PlateNeed n) {
        return known.wonders().stream().filter(w -> Subjects.same(known, w.subject(), n.about()) || n.about().startsWith(w.subject()) && n.wonders().contains(w.id())).findFirst()
                .or(() -> known.wonders().stream().filter(w -> n.wonders().contains(w.id())).findFirst());
    }

    private boolean said(PlateNeed n, Fact... facts) {
        Told raw = wonder(n).flatMap(w -> shot.wonders().stream().filter(o -> o.id().equals(w.id())).findFirst()).map(w -> Told.of(w, shot.setting())).orElseGet(() -> Told.of(shot.setting()));
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
        if (s.awayM() > 0 && !n.about().isEmpty()) {
            subject(stage, n, s, home);
        }
        boolean own = s.awayM() > 0 && !n.about().isEmpty();
        List<Item> others = n.in().stream().filter(i -> i.sort() == Item.Sort.PERSON).filter(i -> !own || !i.coded() && !Subjects.same(known, i.name(), n.about()) && !n.about().startsWith(i.name())).toList();
        for (int i = 0; i < others.size(); i++) {
            // A figure of a copy stands where that copy does.
            boolean copy = !own && others.size() == 1 && n.about().startsWith(others.get(i).name()) && !n.about().isEmpty();
            String name = copy ? n.about() : others.get(i).coded() ? "performer" : others.get(i).name();
            double across = copy ? place(n) : home ? told(n).number(Fact.ACTOR_ACROSS_M) + 0.7 * (i - (others.size() - 1) / 2.0) : 0.7 * (i - (others.size() - 1) / 2.0);
            Body figure = new Body(Body.Form.FIGURE, usual(Bodies.PERSON_M * Bodies.WIDE_SHARE), usual(Bodies.PERSON_M), usual(Bodies.PERSON_M * DEEP_SHARE), usual(0.0), List.of());
            add(new Piece("body-" + slug(name), name, usual(from(stage, card.awayM(), across)), Set.of(n.key()), figure));
        }
    }

    /// Where a copy stands across: as it was drawn, else beside the others.
    private double place(PlateNeed n) {
        int number = 1;
        Matcher end = Pattern.compile("(\\d+)$").matcher(n.about());
        if (end.find()) {
            number = Integer.parseInt(end.group(1));
        }
        Told t = told(n);
        List<Double> places = new ArrayList<>();
        Arrays.stream(t.answer(Fact.PLACES).strip().split("\\s+")).filter(p -> p.matches("-?\\d{1,4}(\\.\\d{1,6})?")).map(Double::valueOf).forEach(places::add);
        double count = Math.max(1, t.number(Fact.COUNT));
        return number <= places.size() ? places.get(number - 1) : 0.9 * (number - 1 - (count - 1) / 2);
    }

    private static <T> Given<T> usual(T v) {
        return new Given.Assumed<>(v, Stagings.PLANNED);
    }

    private static String slug(String name) {
        String s = Ids.slug(name);
        return s.isEmpty() ? "thing" : s;
    }

    private void subject(Stage stage, PlateNeed n, Region.Sweep s, boolean home) {
        Told t = told(n);
        boolean living = !t.is(Fact.WHO, "thing");
        double all = s.topM() - s.bottomM();
        double high = Math.clamp(living ? all : Math.min(t.number(Fact.SIZE_M), all), 0.01, Math.max(0.01, all));
        double wide = Math.clamp(high * (living ? Bodies.WIDE_SHARE : 1), 0.01, Math.max(0.01, s.wideM()));
        double travel = Math.max(0, s.wideM() - wide);
        double climb = Math.max(0, all - high);
        List<Body.Moment> way = new ArrayList<>();
        if (travel > 1e-6 || climb > 1e-6) {
            double from = wonder(n).map(Wonder::fromSeconds).orElse(0.0);
            double to = Math.max(from + 0.1, wonder(n).map(Wonder::toSeconds).orElse(0.0));
            way.add(new Body.Moment("", from, new Vec(-travel / 2, 0, 0)));
            way.add(new Body.Moment("", to, new Vec(travel / 2, climb, 0)));
        }
        boolean sized = said(n, Fact.SIZE_M);
        Given<Double> base = Stagings.given(s.bottomM(), said(n, Fact.REST_M) || said(n, Fact.HEIGHT_M));
        Body body = new Body(living ? Body.Form.FIGURE : Body.Form.BALL, usual(wide), Stagings.given(high, sized), usual(Math.max(0.02, living ? high * DEEP_SHARE : wide)), base, way);
        Given<Spot> at = filmed(stage, n).orElseGet(() -> Stagings.given(from(stage, s.awayM(), home ? t.number(Fact.ACROSS_M) : 0), said(n, Fact.BACKGROUND_M) && (!home || said(n, Fact.ACROSS_M))));
        String id = "body-" + slug(n.about());
        add(new Piece(id, n.about(), at, Set.of(n.key()), body));
        if (s.bottomM() > 0.05 && n.in().stream().anyMatch(i -> i.sort() == Item.Sort.SUPPORT)) {
            String kind = n.in().stream().filter(i -> i.sort() == Item.Sort.SUPPORT).findFirst().map(Item::name).orElse("box");
            boolean thin = kind.equals("rod") || kind.equals("line") || kind.equals("hand");
            double w = thin ? 0.02 : Math.max(0.35, 0.6 * wide);
            add(new Piece("support-" + slug(n.about()), kind, at, Set.of(n.key()), new Support(kind, usual(w), base, usual(thin ? 0.02 : w))));
        }
    }

    /// Where a layer says its plate was filmed, by hand.
    private Optional<Given<Spot>> filmed(Stage stage, PlateNeed n) {
        Plate plate = n.lockGroup().equals(Case.HOME) ? Breakdown.matched(shot, planOf(n)).get(n.key()) : null;
        return plate == null ? Optional.empty() : shot.layers().stream().filter(l -> l.plate().equals(plate.id())).flatMap((Layer l) -> l.steps().stream()).filter(Place.class::isInstance).map(Place.class::cast)
                .filter(p -> p.filmedFoot() instanceof Given.Told).findFirst().map(p -> Given.told(new Spot(p.filmedFoot().value().x(), p.filmedFoot().value().z(), Math.IEEEremainder(stage.panDeg(), 360))));
    }

    private BreakdownPlan planOf(PlateNeed n) {
        return new BreakdownPlan(shot.id(), needs, List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of());
    }

    private static Backdrop.@Nullable Dye dye(PlateNeed n) {
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
        Told t = Told.of(known.setting());
        boolean owned = said(n, Fact.CLOTH_WIDE_M, Fact.CLOTH_HIGH_M);
        double away = ahead(stage, body.at());
        double across = body.at().up(0).minus(from(stage, away, 0).up(0)).dot(body.at().right());
        // Behind the body as the lens sees it, not beside it.
        double spread = (away + s.behindM()) / away;
        double need = n.region().cloth().topM();
        double wide = owned ? t.number(Fact.CLOTH_WIDE_M) : n.region().clothWideM();
        double bottom = n.region().cloth().floorM() > 0 ? 0 : owned ? Math.max(0, need - t.number(Fact.CLOTH_HIGH_M)) : n.region().cloth().bottomM();
        double high = owned ? Math.min(t.number(Fact.CLOTH_HIGH_M), Math.max(need, 0.1)) : need - bottom;
        String colour = n.screen().name().toLowerCase(Locale.ROOT);
        Backdrop hung = new Backdrop(
                BackdropKind.CLOTH, dye, Stagings.given(wide, owned), Stagings.given(Math.max(0.1, high), owned), usual(Math.max(0, bottom)), usual(n.region().cloth().floorM()),
                new Given.Assumed<>(BackdropKind.CLOTH.usualWrinkle(), "cloth-hung"));
        Piece placed = new Piece("cloth-" + colour + "-" + slug(n.about()), colour + " cloth", Stagings.given(from(stage, away + s.behindM(), across * spread), said(n, Fact.BEHIND_M)), Set.of(n.key()), hung);
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
        Coverage.Cut cut = part.cut(Double.MAX_VALUE, owned ? Told.of(known.setting()).number(Fact.CLOTH_HIGH_M) : Double.MAX_VALUE);
        Backdrop made = b.withWideM(owned ? b.wideM() : usual(cut.wideM())).withBottomM(usual(cut.bottomM())).withHighM(usual(cut.highM())).withFloorM(usual(cut.floorM()));
        return cloth.withSpot(owned ? cloth.spot() : usual(at.at(to.x(), to.z()))).withThing(made);
    }

    /// The frame of a screen without anybody is filmed before the cloths of the others.
    private void screenOnly(PlateNeed n) {
        Backdrop.Dye dye = dye(n);
        if (n.role() == PlateRole.SCREEN_ONLY && dye != null) {
            pieces.replaceAll((id, p) -> p.thing() instanceof Backdrop b && b.dye() == dye ? p.withPlates(with(p.plates(), n.key())) : p);
        }
    }

    private static Set<String> with(Set<String> some, String more) {
        Set<String> out = new TreeSet<>(some);
        out.add(more);
        return out;
    }

    private Optional<Piece> first(Class<?> thing) {
        return pieces.values().stream().filter(p -> thing.isInstance(p.thing())).findFirst();
    }

    private void lamps(Stage stage) {
        KeyFacts facts = new KeyFacts(Told.of(this.known.setting()));
        Told said = Told.of(shot.setting());
        Optional<Piece> lit = pieces.values().stream().filter(p -> p.thing() instanceof Body && needs.stream().anyMatch(n -> dye(n) != null && p.plates().contains(n.key()))).findFirst().or(() -> first(Body.class));
        Vec middle = lit.map(p -> SetView.middle(p, 0)).orElseGet(() -> from(stage, card.awayM(), 0).up(1));
        if (!facts.any()) {
            add(new Piece("light-sky", "sky", usual(new Spot(middle.x(), middle.z(), 0)), Set.of(), Lamp.usual(LampKind.SKY, usual(5.0), usual(middle))));
            return;
        }
        boolean known = !(stage.light().direction() instanceof Given.Assumed);
        KeyLight.Direction d = known ? stage.light().direction().value() : new KeyLight.Direction(Math.IEEEremainder(180 - facts.fromLensDeg() + stage.panDeg(), 360), facts.upDeg());
        double degrees = stage.light().sizeDeg() instanceof Given.Assumed ? facts.sizeDeg() : stage.light().sizeDeg().value();
        boolean told = known || said.given(Fact.KEY_FROM);
        boolean sun = facts.setting().is(Fact.LIGHT, "sun");
        double travel = needs.stream().mapToDouble(n -> n.region().sweep().wideM()).max().orElse(0.5);
        double far = sun ? 3 : Math.clamp(Lamps.keyM(Math.max(0.1, travel), EVEN_STOPS), KEY_LEAST_M, KEY_MOST_M);
        Vec at = middle.plus(d.towards().times(far));
        LampKind kind = sun ? LampKind.SUN : LampKind.SOFT_BOX;
        Lamp key = Lamp.usual(kind, usual(Math.max(0.1, at.y())), usual(middle));
        if (!sun) {
            double size = Math.clamp(2 * far * Math.tan(Math.toRadians(degrees / 2)), 0.05, 3);
            Given<Double> face = said.given(Fact.LAMP_M) ? Given.told(said.number(Fact.LAMP_M)) : usual(size);
            key = key.withWideM(face).withHighM(face);
        }
        if (said.given(Fact.KEY_K)) {
            key = key.withKelvin(Given.told(said.number(Fact.KEY_K)));
        }
        add(new Piece("lamp-key", "key", Stagings.given(new Spot(at.x(), at.z(), 0).facing(middle.x(), middle.z()), told), Set.of(), key));
        if (!sun) {
            lit.ifPresent(body -> fill(stage, body));
            clothLamps(stage);
        }
    }

    /// As much light from beside the camera, away from the key, as brings key to fill to what it is in the shot's own frame; none where the room gives back more already.
    private void fill(Stage stage, Piece body) {
        Piece key = Check.present(pieces.get("lamp-key"), "no key");
        SetView view = new SetView(stage.withFloor(f -> f.withPieces(List.copyOf(pieces.values()))), "", WIDE_PX, HIGH_PX);
        Vec m = SetView.middle(body, 0);
        Vec to = LightField.towards(key, m);
        LightField light = new LightField(view.lamps(), room(stage, List.copyOf(pieces.values()), false).value());
        double keyLux = light.facing(key, m, List.of());
        double missing = keyLux / Math.pow(2, stage.light().keyToFillStops().value()) - (light.at(m, to, List.of()) - keyLux);
        if (missing <= 0.02 * keyLux) {
            return;
        }
        // Between the key and the lens, so that it reaches what the key lights and what the lens sees.
        Vec eye = stage.camera().position().value();
        Vec back = eye.minus(m).unit();
        Vec half = back.plus(to).length() < 0.2 ? back : back.plus(to).unit();
        Vec at = m.plus(half.times(Math.max(1.5, 0.8 * eye.minus(m).length())));
        Lamp full = Lamp.usual(LampKind.SOFT_BOX, usual(Math.max(1, at.y() + 0.2)), usual(m)).withWideM(usual(1.0)).withHighM(usual(1.0));
        Piece lamp = new Piece("lamp-fill", "fill", usual(new Spot(at.x(), at.z(), 0).facing(m.x(), m.z())), Set.of(), full);
        double gives = new LightField(List.of(lamp), new Surroundings.Open()).at(m, to, List.of());
        if (gives > 0) {
            double share = missing / gives;
            Lamp set = share <= 1 ? full.withDimmer(usual(share)) : full.withOutput(usual(full.output().value() * share));
            add(lamp.withThing(set));
        }
    }

    /// As the house lights its cloths: one at each side, or one above, as near as keeps the cloth even, so that it lights nobody else.
    private void clothLamps(Stage stage) {
        Optional<Piece> cloth = first(Backdrop.class);
        if (cloth.isEmpty() || !(cloth.get().thing() instanceof Backdrop s) || s.dye().excess() <= 0) {
            return;
        }
        boolean sides = !rules.follows(School.CLOTH_LIGHT, "above");
        Spot at = cloth.get().at();
        Optional<Piece> body = pieces.values().stream().filter(p -> p.thing() instanceof Body && p.plates().stream().anyMatch(cloth.get().plates()::contains)).findFirst();
        double gap = body.map(p -> p.at().up(0).minus(at.up(0)).dot(at.ahead())).filter(d -> d > 0.1).orElse(KEY_MOST_M);
        List<Piece> best = List.of();
        double least = Double.MAX_VALUE;
        // Behind whoever stands before the cloth, so that they light nobody else.
        for (double far = 0.2 * gap; far <= 0.95 * gap; far += 0.15 * gap) {
            for (double out = 0.3; out <= 1.5; out += 0.3) {
                List<Piece> lit = sides ? List.of(clothLamp(cloth.get(), s, -1, far, out), clothLamp(cloth.get(), s, 1, far, out)) : List.of(clothLamp(cloth.get(), s, 0, far, out));
                double cost = Math.max(0, uneven(cloth.get(), lit) - 0.8 * EVEN_STOPS) + body.map(p -> 4 * Math.max(0, spilt(p, cloth.get(), lit) - 0.1)).orElse(0.0) + 0.01 * out;
                if (cost < least) {
                    least = cost;
                    best = lit;
                }
            }
        }
        double share = body.map(b -> level(stage, b, cloth.get())).orElse(1.0);
        for (Piece p : best) {
            Lamp l = (Lamp) p.thing();
            double lit = new LightField(best, new Surroundings.Open()).at(at.up(((Backdrop) cloth.get().thing()).topM() / 2), at.ahead(), List.of());
            add(p.withThing(body.isEmpty() || lit <= 0 ? l : l.withDimmer(usual(Math.clamp(share / lit, 0.02, 1)))));
        }
    }

    /// What of the light on a cloth its lamps give to a body as well.
    private static double spilt(Piece body, Piece cloth, List<Piece> lamps) {
        LightField light = new LightField(lamps, new Surroundings.Open());
        Vec m = SetView.middle(body, 0);
        double most = lamps.stream().mapToDouble(l -> light.facing(l, m, List.of())).sum();
        return most / Math.max(1e-9, light.at(cloth.at().up(((Backdrop) cloth.thing()).topM() / 2), cloth.at().ahead(), List.of()));
    }

    /// The light a cloth should get: half a stop less than what its body has to the camera, in lux.
    private double level(Stage stage, Piece body, Piece cloth) {
        List<Piece> lamps = pieces.values().stream().filter(p -> p.thing() instanceof Lamp).toList();
        LightField light = new LightField(lamps, room(stage, List.copyOf(pieces.values()), false).value());
        Vec eye = stage.camera().position().value();
        Vec m = SetView.middle(body, 0);
        Vec to = new Vec(eye.x() - m.x(), 0, eye.z() - m.z()).unit();
        return Math.max(0, light.at(m, to, List.of()) / Math.sqrt(2) - light.at(cloth.at().up(1), cloth.at().ahead(), List.of()));
    }

    private static double uneven(Piece cloth, List<Piece> lamps) {
        LightField light = new LightField(lamps, new Surroundings.Open());
        Sheet sheet = Sheet.of(cloth).orElseThrow();
        double least = Double.MAX_VALUE;
        double most = 0;
        double low = Math.max(0, sheet.lowM());
        for (double x = 0.1; x < 1; x += 0.2) {
            for (double y = 0.1; y < 1; y += 0.2) {
                Point p = new Point(x * sheet.wideM(), low + y * (sheet.topM() - low));
                double lux = light.at(sheet.world(p), sheet.normal(p), List.of());
                least = Math.min(least, lux);
                most = Math.max(most, lux);
            }
        }
        return least <= 0 ? Double.MAX_VALUE : Math.log(most / least) / Math.log(2);
    }

    /// So far before the cloth, and so far beyond its edge: at a side, or above.
    private static Piece clothLamp(Piece cloth, Backdrop s, int side, double far, double out) {
        Spot at = cloth.at();
        double mid = s.bottomM().value() + s.highM().value() / 2;
        Vec stands = at.up(0).plus(at.right().times(side * (s.wideM().value() / 2 + out))).plus(at.ahead().times(far));
        double up = side == 0 ? s.topM() + out : Math.max(0.5, mid);
        // Across to the far half: the near one is lit from closer.
        Vec target = at.up(side == 0 ? s.bottomM().value() + 0.3 * s.highM().value() : mid).plus(at.right().times(-side * 0.15 * s.wideM().value()));
        Lamp usual = Lamp.usual(side == 0 ? LampKind.SOFT_BOX : LampKind.TUBE, usual(up), usual(target));
        Lamp lamp = side == 0 ? usual.withWideM(usual(Math.clamp(0.5 * s.wideM().value(), 0.4, 1.5))).withHighM(usual(0.4)) : usual.withHighM(usual(Math.clamp(0.8 * s.highM().value(), 0.6, 1.8)));
        String name = side == 0 ? "cloth lamp" : side < 0 ? "cloth lamp left" : "cloth lamp right";
        return new Piece("lamp-" + name.replace(' ', '-'), name, usual(new Spot(stands.x(), stands.z(), 0).facing(target.x(), target.z())), cloth.plates(), lamp);
    }

    /// Large enough for what stands in it; as long as it was told.
    private Given<Surroundings> room(Stage stage, List<Piece> all, boolean solved) {
        Told said = Told.of(shot.setting());
        if (Told.of(known.setting()).is(Fact.LIGHT, "sun", "overcast", "shade")) {
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
        return Stagings.given(new Surroundings.Room(left, right, told ? near + ROUND_M / 2 : near, Math.max(near + 1, end), high, 0.5), told);
    }
}
