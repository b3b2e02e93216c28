package org.scenothesis.core.breakdown.staging;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.DoubleFunction;
import java.util.function.Supplier;
import org.scenothesis.core.Check;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.light.KeyFacts;
import org.scenothesis.core.breakdown.light.Lamps;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.stage.KeyLight;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.LampKind;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.proof.LightField;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.core.stage.proof.Sheet;
import org.scenothesis.core.value.Given;

/// The lamps of one camera as the plan has them: the key where it was told, as much fill as the shot's own frame has, and the cloth lit as
/// the house lights its cloths.
///
/// - `pieces`: what stands on the floor already; lamps are put among them.
record LampPlan(Shot shot, Shot known, HouseRules rules, List<PlateNeed> needs, Map<String, Piece> pieces) {
    private static final double EVEN_STOPS = 0.5;
    private static final double KEY_LEAST_M = 1.5;
    private static final double KEY_MOST_M = 4;
    /// Shares of the usual distance that are tried to get a lamp out of the picture.
    private static final List<Double> FARTHER = List.of(1.0, 1.15, 1.3, 0.87, 1.5, 1.75, 0.75, 2.0);

    private void add(Piece p) {
        pieces.put(p.id(), p);
    }

    private static <T> Given<T> usual(T v) {
        return FloorPlan.usual(v);
    }

    private List<Piece> placed() {
        return pieces.values().stream().filter(p -> p.thing() instanceof Lamp).toList();
    }

    private Optional<Piece> first(Class<?> thing) {
        return pieces.values().stream().filter(p -> thing.isInstance(p.thing())).findFirst();
    }

    /// Puts them; `ahead`: where the camera looks, for a set with nobody in it; `around`: the room as it is with what stands in it.
    void on(Stage stage, Vec ahead, Supplier<Surroundings> around) {
        KeyFacts facts = new KeyFacts(Answers.of(known.setting()));
        Answers said = Answers.of(shot.setting());
        Optional<Piece> lit = pieces.values().stream().filter(p -> p.thing() instanceof Body && needs.stream()
                .anyMatch(n -> FloorPlan.dye(n) != null && p.plates().contains(n.key().code()))).findFirst().or(() -> first(Body.class));
        Vec middle = lit.map(p -> SetView.middle(p, 0)).orElse(ahead);
        if (!facts.any()) {
            add(new Piece("light-sky", "sky", usual(new Spot(middle.x(), middle.z(), 0)), Set.of(),
                    Lamp.usual(LampKind.SKY, usual(5.0), usual(middle))));
            return;
        }
        boolean solved = !(stage.light().direction() instanceof Given.Assumed);
        KeyLight.Direction d = solved ? stage.light().direction().value()
                : new KeyLight.Direction(Math.IEEEremainder(180 - facts.fromLensDeg() + stage.panDeg(), 360), facts.upDeg());
        double degrees = stage.light().sizeDeg() instanceof Given.Assumed ? facts.sizeDeg() : stage.light().sizeDeg().value();
        boolean told = solved || said.given(Fact.KEY_FROM);
        boolean sun = facts.setting().is(Answer.Light.SUN);
        double travel = needs.stream().mapToDouble(n -> n.region().sweep().wideM()).max().orElse(0.5);
        double far = sun ? 3 : Math.clamp(Lamps.keyM(Math.max(0.1, travel), EVEN_STOPS), KEY_LEAST_M, KEY_MOST_M);
        add(unseen(stage, around, far, m -> {
            Vec at = middle.plus(d.towards().times(m));
            LampKind kind = sun ? LampKind.SUN : LampKind.SOFT_BOX;
            Lamp key = Lamp.usual(kind, usual(Math.max(0.1, at.y())), usual(middle));
            if (!sun) {
                double size = Math.clamp(2 * m * Math.tan(Math.toRadians(degrees / 2)), 0.05, 3);
                Given<Double> face = said.given(Fact.LAMP_M) ? Given.entered(said.number(Fact.LAMP_M)) : usual(size);
                // As bright where it shines as one at the usual distance.
                key = key.withWideM(face).withHighM(face).withOutput(usual(key.output().value() * m * m / (far * far)));
            }
            if (said.given(Fact.KEY_K)) {
                key = key.withKelvin(Given.entered(said.number(Fact.KEY_K)));
            }
            return new Piece("lamp-key", "key", Stagings.given(new Spot(at.x(), at.z(), 0).facing(middle.x(), middle.z()), told), Set.of(),
                    key);
        }));
        if (!sun) {
            lit.ifPresent(body -> fill(stage, body, around));
            clothLamps(stage, around);
        }
    }

    /// A lamp so far away, or farther or nearer where the camera would see it; where it would see it anywhere, as far as it was.
    private Piece unseen(Stage stage, Supplier<Surroundings> around, double farM, DoubleFunction<Piece> at) {
        Piece usual = at.apply(farM);
        return ((Lamp) usual.thing()).kind().distant() ? usual : FARTHER.stream().map(k -> at.apply(k * farM))
                .filter(p -> fits(p, around) && !seen(stage, p)).findFirst().orElse(usual);
    }

    /// Rooms that nobody told are as large as what stands in them.
    private boolean fits(Piece p, Supplier<Surroundings> around) {
        return !Answers.of(shot.setting()).given(Fact.ROOM_M)
                || !(around.get() instanceof Surroundings.Room r) || p.at().x() > r.leftM() && p.at().x() < r.rightM()
                && p.at().z() > r.nearM() && p.at().z() < r.farM();
    }

    private boolean seen(Stage stage, Piece lamp) {
        List<Piece> all = new ArrayList<>(pieces.values());
        all.add(lamp);
        return new SetView(stage.withFloor(f -> f.withPieces(all)), "", FloorPlan.WIDE_PX, FloorPlan.HIGH_PX).inPicture(lamp);
    }

    /// As much light from beside the camera, away from the key, as brings key to fill to what it is in the shot's own frame; none where the
    /// room gives back more already.
    private void fill(Stage stage, Piece body, Supplier<Surroundings> around) {
        Piece key = Check.present(pieces.get("lamp-key"), "no key");
        Vec m = SetView.middle(body, 0);
        Vec to = LightField.towards(key, m);
        LightField light = new LightField(placed(), around.get());
        double keyLux = light.facing(key, m, List.of());
        double missing = keyLux / Math.pow(2, stage.light().keyToFillStops().value()) - (light.at(m, to, List.of()) - keyLux);
        if (missing <= 0.02 * keyLux) {
            return;
        }
        // Between the key and the lens, so that it reaches what the key lights and what the lens sees.
        Vec eye = stage.camera().position().value();
        Vec back = eye.minus(m).unit();
        Vec half = back.plus(to).length() < 0.2 ? back : back.plus(to).unit();
        Piece lamp = unseen(stage, around, Math.max(1.5, 0.8 * eye.minus(m).length()), far -> {
            Vec at = m.plus(half.times(far));
            Lamp full = Lamp.usual(LampKind.SOFT_BOX, usual(Math.max(1, at.y() + 0.2)), usual(m)).withWideM(usual(1.0))
                    .withHighM(usual(1.0));
            return new Piece("lamp-fill", "fill", usual(new Spot(at.x(), at.z(), 0).facing(m.x(), m.z())), Set.of(), full);
        });
        Lamp full = (Lamp) lamp.thing();
        double gives = new LightField(List.of(lamp), new Surroundings.Open()).at(m, to, List.of());
        if (gives > 0) {
            double share = missing / gives;
            Lamp set = share <= 1 ? full.withDimmer(usual(share)) : full.withOutput(usual(full.output().value() * share));
            add(lamp.withThing(set));
        }
    }

    /// As the house lights its cloths: one at each side, or one above, as near as keeps the cloth even, so that it lights nobody else.
    private void clothLamps(Stage stage, Supplier<Surroundings> around) {
        Optional<Piece> cloth = first(Backdrop.class);
        if (cloth.isEmpty() || !(cloth.get().thing() instanceof Backdrop s) || s.dye().excess() <= 0) {
            return;
        }
        boolean sides = !rules.follows(Approach.CLOTH_LIGHT, "above");
        Spot at = cloth.get().at();
        Optional<Piece> body = pieces.values().stream().filter(p -> p.thing() instanceof Body && p.plates().stream()
                .anyMatch(cloth.get().plates()::contains)).findFirst();
        double gap = body.map(p -> p.at().up(0).minus(at.up(0)).dot(at.ahead())).filter(d -> d > 0.1).orElse(KEY_MOST_M);
        List<Piece> best = List.of();
        double least = Double.MAX_VALUE;
        // Behind whoever stands before the cloth, so that they light nobody else; out of the picture, the other way where the house's own
        // cannot be.
        for (boolean way : new boolean[] {sides, !sides}) {
            for (double far = 0.2 * gap; far <= 0.95 * gap; far += 0.15 * gap) {
                for (double out = 0.3; out <= 2.4; out += 0.3) {
                    List<Piece> tried = way ? List.of(clothLamp(cloth.get(), s, -1, far, out), clothLamp(cloth.get(), s, 1, far, out))
                            : List.of(clothLamp(cloth.get(), s, 0, far, out));
                    double cost = Math.max(0, uneven(cloth.get(), tried) - 0.8 * EVEN_STOPS)
                            + body.map(p -> 4 * Math.max(0, spilt(p, cloth.get(), tried) - 0.1)).orElse(0.0) + 0.01 * out
                            + (way == sides ? 0 : 0.5) + tried.stream().filter(p -> seen(stage, p)).count();
                    if (cost < least) {
                        least = cost;
                        best = tried;
                    }
                }
            }
        }
        double share = body.map(b -> level(stage, b, cloth.get(), around.get())).orElse(1.0);
        double lit = new LightField(best, new Surroundings.Open()).at(at.up(s.topM() / 2), at.ahead(), List.of());
        for (Piece p : best) {
            Lamp l = (Lamp) p.thing();
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
    private double level(Stage stage, Piece body, Piece cloth, Surroundings around) {
        LightField light = new LightField(placed(), around);
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
        Vec target = at.up(side == 0 ? s.bottomM().value() + 0.3 * s.highM().value() : mid)
                .plus(at.right().times(-side * 0.15 * s.wideM().value()));
        Lamp usual = Lamp.usual(side == 0 ? LampKind.SOFT_BOX : LampKind.TUBE, usual(up), usual(target));
        Lamp lamp = side == 0 ? usual.withWideM(usual(Math.clamp(0.5 * s.wideM().value(), 0.4, 1.5))).withHighM(usual(0.4))
                : usual.withHighM(usual(Math.clamp(0.8 * s.highM().value(), 0.6, 1.8)));
        String name = side == 0 ? "cloth lamp" : side < 0 ? "cloth lamp left" : "cloth lamp right";
        return new Piece("lamp-" + name.replace(' ', '-'), name, usual(new Spot(stands.x(), stands.z(), 0).facing(target.x(), target.z())),
                cloth.plates(), lamp);
    }
}
