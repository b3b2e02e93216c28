package org.scenothesis.core.stage.suggest;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Limit;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.stage.Floor;
import org.scenothesis.core.stage.LensSetting;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.StageCamera;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.piece.Camera;
import org.scenothesis.core.stage.piece.Flag;
import org.scenothesis.core.stage.piece.Glass;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.LampKind;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.piece.Support;
import org.scenothesis.core.stage.piece.Wall;
import org.scenothesis.core.stage.proof.Coverage;
import org.scenothesis.core.stage.proof.Proofs;
import org.scenothesis.core.stage.proof.Proved;
import org.scenothesis.core.stage.proof.Question;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.core.value.Given;

/// Looks for a set that keeps all limits: one thing after the other is moved a little, and stays where that helps; then by less.
///
/// Source: pattern search, Hooke & Jeeves 1961, from several beginnings. What was told of a size stays; places may change.
public final class Suggester {
    /// Why its numbers are what they are.
    public static final String WHY = "suggested";
    private static final double WORST = 4;
    private static final double FAR = 0.004;
    private static final double WALL_M = 0.25;
    private static final double[] STEPS = {1, 0.5, 0.25, 0.12, 0.06};
    private static final Set<Measure> NOT_PLACES = Set.of(Measure.STAND_WEIGHT, Measure.CIRCUIT, Measure.LAMP_COLOURS,
            Measure.GLASS_LIGHTS, Measure.GLASS_BARE);

    private static final Set<Measure> AT_ALL = Set.of(Measure.CLOTH_ROOM, Measure.BODY_FRAMED);

    private final Function<Stage, Question> question;
    private final AvailableKit means;
    private final BooleanSupplier wanted;

    /// - `question`: what is asked of a stage; `wanted`: false to stop with what was found.
    public Suggester(Function<Stage, Question> question, AvailableKit means, BooleanSupplier wanted) {
        this.question = s -> question.apply(s).judged();
        this.means = means;
        this.wanted = wanted;
    }

    /// The best set found from this one.
    public Suggestion from(Stage before) {
        Stage best = null;
        double least = Double.MAX_VALUE;
        for (Stage start : beginnings(before)) {
            Stage s = improved(before, start);
            double c = cost(before, s);
            if (c < least) {
                least = c;
                best = s;
            }
            if (!wanted.getAsBoolean() || unmet(s).isEmpty()) {
                break;
            }
        }
        Stage found = best == null || cost(before, before) <= least ? before : best;
        List<String> moved = new ArrayList<>();
        List<String> added = new ArrayList<>();
        for (Piece p : found.floor().pieces()) {
            Optional<Piece> was = before.floor().piece(p.id());
            if (was.isEmpty()) {
                added.add(p.id());
            } else if (!was.get().equals(p)) {
                moved.add(p.id());
            }
        }
        if (!found.camera().equals(before.camera()) || !found.floor().lens().equals(before.floor().lens())) {
            moved.add("camera");
        }
        return new Suggestion(found, moved, added, unmet(found));
    }

    private List<Proved> unmet(Stage s) {
        return Proofs.of(question.apply(s)).stream().filter(p -> !NOT_PLACES.contains(p.finding().measure()) && p.finding()
                .verdict() != Verdict.HOLDS).toList();
    }

    /// How far a finding is over its limit, in limits; what is not known counts as far over.
    private static double over(Finding f) {
        if (NOT_PLACES.contains(f.measure()) || f.verdict() == Verdict.HOLDS) {
            return 0;
        }
        if (f.verdict() == Verdict.NOT_MEASURED) {
            return AT_ALL.contains(f.measure()) ? 10 * WORST : WORST;
        }
        if (f.measure() == Measure.LAMP_SEEN) {
            return 0.8 * f.value();
        }
        Limit l = f.limit();
        double v = l.least() ? (l.holds() - f.value()) / l.holds() : Math.abs(f.value()) / Math.max(1e-6, l.holds()) - 1;
        // Without cloth behind it, or out of the picture, nothing else counts.
        return Math.min(AT_ALL.contains(f.measure()) ? 10 * WORST : WORST, 0.2 + v);
    }

    private double cost(Stage before, Stage s) {
        double sum = 0;
        Question q = question.apply(s);
        for (Proved p : Proofs.of(q)) {
            sum += over(p.finding());
        }
        SetView view = q.view();
        // Nothing is won by a cloth before whoever is filmed.
        sum += view.pairs().stream().mapToDouble(pair -> new Coverage(view, pair).gap() > 0 ? 0 : 20 * WORST).sum();
        sum += outside(s) + WORST * borrowed(s);
        // Of sets as good the one with the least carrying.
        for (Piece p : s.floor().pieces()) {
            sum += FAR * before.floor().piece(p.id()).map(b -> b.at().up(0).minus(p.at().up(0)).length()).orElse(2.0);
        }
        return sum;
    }

    /// By how many metres things stand in walls, or higher than a stand reaches.
    private double outside(Stage s) {
        double sum = 0;
        for (Piece p : s.floor().pieces()) {
            if (p.thing() instanceof Lamp l && l.kind().carried()) {
                sum += 4 * Math.max(0, l.heightM().value() - means.standM());
            }
            if (s.floor().around().value() instanceof Surroundings.Room r && !(p.thing() instanceof Lamp l && !l.kind().carried())) {
                sum += 4 * (beyond(p.at().x(), r.leftM(), r.rightM()) + beyond(p.at().z(), r.nearM(), r.farM()));
                if (p.thing() instanceof Backdrop b) {
                    sum += 4 * (Math.max(0, b.wideM().value() - r.wideM()) + Math.max(0, b.topM() - r.highM()));
                }
                if (p.thing() instanceof Lamp l) {
                    sum += 4 * Math.max(0, l.heightM().value() + 0.1 - r.highM());
                }
            }
        }
        if (s.floor().around().value() instanceof Surroundings.Room r) {
            Vec e = s.camera().position().value();
            sum += 4 * (beyond(e.x(), r.leftM(), r.rightM()) + beyond(e.z(), r.nearM(), r.farM()));
        }
        return sum;
    }

    /// How many things of a size that nobody told would have to be borrowed.
    private int borrowed(Stage s) {
        double focal = s.floor().lens().focalMm(s.camera().widthShareFocal().value());
        boolean free = s.camera().widthShareFocal() instanceof Given.Assumed;
        int n = !means.lenses().isEmpty() && free && means.lenses().stream().noneMatch(l -> Math.abs(l.focalMm() - focal) < 1e-3) ? 1 : 0;
        List<Double> left = new ArrayList<>(means.facesM());
        for (Piece p : s.floor().pieces()) {
            if (!means.facesM().isEmpty() && p.thing() instanceof Lamp l && l.kind().carried() && !left.remove(l.wideM().value())
                    && l.wideM() instanceof Given.Assumed) {
                n++;
            }
        }
        return n;
    }

    private static double beyond(double v, double low, double high) {
        return Math.max(0, low + WALL_M - v) + Math.max(0, v - high + WALL_M);
    }

    /// As it is; with the lamps it lacks; with the key where the background has it.
    private List<Stage> beginnings(Stage s) {
        List<Stage> out = new ArrayList<>();
        Stage lit = lit(owned(s));
        out.add(lit);
        Question q = question.apply(lit);
        SetView.Pair pair = q.view().pairs().stream().findFirst().orElse(null);
        if (pair != null) {
            // The cloth lamps crossed in from both sides, and the cloth farther back.
            Stage back = lit.withFloor(f ->
                    f.with(pair.sheet().piece().id(),
                    p -> p.withSpot(suggested(p.at().at(p.at().x() - p.at().ahead().x(), p.at().z() - p.at().ahead().z())))));
            out.add(fitted(back));
        }
        return out;
    }

    private static <T> Given<T> suggested(T v) {
        return new Given.Assumed<>(v, WHY);
    }

    /// A key and two lamps for the cloth, as far as there are any.
    private Stage lit(Stage s) {
        Question q = question.apply(s);
        SetView.Pair pair = q.view().pairs().stream().findFirst().orElse(null);
        Piece body = pair != null ? pair.body() : q.view().bodies().stream().findFirst().orElse(null);
        boolean sky = s.floor().pieces().stream().anyMatch(p -> p.thing() instanceof Lamp l
                && (l.kind().everywhere() || l.kind().distant()));
        if (body == null || sky) {
            return s;
        }
        Stage out = s;
        Vec m = SetView.middle(body, 0);
        int have = (int) s.floor().pieces().stream().filter(p -> p.thing() instanceof Lamp).count();
        if (have == 0 && means.lamps() > 0) {
            Question.Lit lit = q.background();
            Vec to = lit != null ? lit.light().direction().value().seenAt(lit.light().direction().value().asSeen(lit.panDeg()), s.panDeg())
                    .towards() : new Spot(0, 0, s.panDeg() + 45).ahead().plus(Vec.UP.times(0.8)).unit();
            out = put(out, "key", m.plus(to.times(2.2)), m, 0.8, 0.8);
            have++;
        }
        if (pair != null && pair.sheet().screen().dye().excess() > 0) {
            for (int side = -1; side <= 1 && have < means.lamps(); side += 2) {
                boolean there = lights(out, pair, side);
                if (!there) {
                    Backdrop b = pair.sheet().screen();
                    Spot at = pair.sheet().piece().at();
                    double gap = Math.max(0.6, m.minus(at.up(0)).dot(at.ahead()));
                    Vec stands = at.up(b.bottomM().value() + b.highM().value() / 2)
                            .plus(at.right().times(side * (b.wideM().value() / 2 + 0.5))).plus(at.ahead().times(0.6 * gap));
                    Vec aim = at.up(b.bottomM().value() + b.highM().value() / 2).plus(at.right().times(-side * 0.15 * b.wideM().value()));
                    out = put(out, side < 0 ? "cloth lamp left" : "cloth lamp right", stands, aim, 0.3, Math.min(1.8, b.highM().value()));
                    have++;
                }
            }
        }
        return out;
    }

    private static boolean lights(Stage s, SetView.Pair pair, int side) {
        Spot at = pair.sheet().piece().at();
        return s.floor().pieces().stream().anyMatch(p -> p.thing() instanceof Lamp l && l.aim().value().minus(at.up(l.aim().value().y()))
                .length() < 1.5 && (p.at().up(0).minus(at.up(0)).dot(at.right()) * side >= -0.3));
    }

    private Stage put(Stage s, String name, Vec at, Vec aim, double wide, double high) {
        // Of what is owned the face nearest in size.
        double area = Math.sqrt(wide * high);
        Optional<Double> own = faces(s, "").stream().min(Comparator.comparingDouble(f -> Math.abs(f - area)));
        Lamp l = Lamp.usual(LampKind.SOFT_BOX, suggested(Math.max(0.3, at.y())), suggested(aim)).withWideM(suggested(own.orElse(wide)))
                .withHighM(suggested(own.orElse(high)));
        String id = s.floor().freeId("lamp-" + name.replace(' ', '-'));
        return s.withFloor(f -> f.plus(new Piece(id, name, suggested(new Spot(at.x(), at.z(), 0).facing(aim.x(), aim.z())), Set.of(), l)));
    }

    private Stage improved(Stage before, Stage start) {
        Stage now = fitted(start);
        double c = cost(before, now);
        for (double step : STEPS) {
            for (int round = 0; round < 3; round++) {
                double was = c;
                for (UnaryOperator<Stage> move : moves(now, step)) {
                    if (!wanted.getAsBoolean() || c < 0.05) {
                        return now;
                    }
                    Stage tried;
                    try {
                        tried = fitted(move.apply(now));
                    } catch (IllegalArgumentException e) {
                        // Not a set: higher than anything, nearer than nothing.
                        continue;
                    }
                    double d = cost(before, tried);
                    if (d < c - 1e-6) {
                        c = d;
                        now = tried;
                    }
                }
                if (was - c < 0.01) {
                    break;
                }
            }
        }
        return now;
    }

    /// Every single thing that can be done, by a step: in metres, in half radians, in stops.
    private List<UnaryOperator<Stage>> moves(Stage s, double step) {
        List<UnaryOperator<Stage>> out = new ArrayList<>();
        for (Piece p : s.floor().pieces()) {
            for (int sign = -1; sign <= 1; sign += 2) {
                double by = sign * step;
                switch (p.thing()) {
                    case Backdrop b -> {
                        out.add(st -> st.withFloor(f ->
                                f.with(p.id(), q ->
                                q.withSpot(suggested(q.at().at(q.at().x() - q.at().ahead().x() * by, q.at().z() - q.at().ahead()
                                .z() * by))))));
                        out.add(st -> st.withFloor(f ->
                                f.with(p.id(), q ->
                                q.withSpot(suggested(q.at().at(q.at().x() + q.at().right().x() * by / 2, q.at().z() + q.at().right()
                                .z() * by / 2))))));
                    }
                    case Body b -> out.add(st -> together(st, p.id(), by));
                    case Lamp l when l.kind().carried() -> lamp(out, s, p, by);
                    case Lamp _, Support _, Wall _, Glass _, Flag _, Camera _ -> {}
                }
            }
        }
        means.lenses().forEach(l -> out.add(st -> with(st, l)));
        for (int sign = -1; sign <= 1; sign += 2) {
            double by = sign * step;
            out.add(st -> st.withFloor(f -> f.withLens(focus(f.lens(), by))));
            out.add(st -> st.withFloor(f ->
                    f.withLens(f.lens().withFNumber(suggested(Math.clamp(f.lens().fNumber().value() * Math.pow(2, by / 2), means.widest(),
                    16))))));
            if (question.apply(s).wanted() != null) {
                out.add(st -> camera(st, new Vec(0, by / 2, 0)));
                out.add(st -> camera(st, new Spot(0, 0, st.panDeg()).ahead().times(by)));
            }
        }
        return out;
    }

    /// The camera with an owned lens, no wider open than that goes; a view that somebody told stays.
    private static Stage with(Stage s, AvailableKit.OwnedLens lens) {
        StageCamera c = s.camera();
        if (!(c.widthShareFocal() instanceof Given.Assumed)) {
            return s;
        }
        LensSetting l = s.floor().lens();
        double share = Math.clamp(lens.focalMm() / l.sensorMm().value(), StageCamera.SHORTEST, StageCamera.LONGEST);
        LensSetting stopped = l.fNumber().value() >= lens.fNumber() ? l : l.withFNumber(suggested(lens.fNumber()));
        return s.withCamera(new StageCamera(c.position(), c.aim(), suggested(share), c.principal())).withFloor(f -> f.withLens(stopped));
    }

    /// With the owned lens that sees most nearly what was meant.
    private Stage owned(Stage s) {
        double meant = s.floor().lens().focalMm(s.camera().widthShareFocal().value());
        return means.lenses().stream().min(Comparator.comparingDouble(l -> Math.abs(Math.log(l.focalMm() / meant)))).map(l -> with(s, l))
                .orElse(s);
    }

    /// Faces of owned lamps that no other lamp of the set has yet, each size once.
    private List<Double> faces(Stage s, String but) {
        List<Double> left = new ArrayList<>(means.facesM());
        s.floor().pieces().stream().filter(p -> !p.id().equals(but)).forEach(p -> {
            if (p.thing() instanceof Lamp l && l.kind().carried()) {
                left.remove(l.wideM().value());
            }
        });
        return left.stream().distinct().toList();
    }

    private static LensSetting focus(LensSetting l, double by) {
        return l.withFocusM(suggested(Math.max(0.2, l.focusM().value() + by / 2)));
    }

    private static Stage camera(Stage s, Vec by) {
        StageCamera c = s.camera();
        Vec p = c.position().value().plus(by);
        return s.withCamera(new StageCamera(suggested(new Vec(p.x(), Math.max(0.05, p.y()), p.z())), c.aim(), c.widthShareFocal(),
                c.principal()));
    }

    /// Whoever is filmed and the camera go together: the view stays, the room behind changes. Lamps that look at them go along.
    private static Stage together(Stage s, String id, double by) {
        Vec d = new Spot(0, 0, s.panDeg()).ahead().times(by);
        Vec m = s.floor().piece(id).map(p -> p.at().up(0)).orElse(Vec.ZERO);
        Stage moved = camera(s, d);
        return moved.withFloor(f -> f.withPieces(f.pieces().stream().map(p -> {
            boolean lights = p.thing() instanceof Lamp l && new Vec(l.aim().value().x() - m.x(), 0, l.aim().value().z() - m.z())
                    .length() < 0.6;
            boolean goes = p.id().equals(id) || lights || p.thing() instanceof Support && p.at().up(0).minus(m).length() < 0.5;
            Piece q = goes ? p.withSpot(suggested(p.at().at(p.at().x() + d.x(), p.at().z() + d.z()))) : p;
            return lights && q.thing() instanceof Lamp l ? q.withThing(l.withAim(suggested(l.aim().value().plus(d)))) : q;
        }).toList()));
    }

    /// Round what it looks at, nearer and farther, higher and lower, dimmed and larger.
    private void lamp(List<UnaryOperator<Stage>> out, Stage s, Piece p, double by) {
        out.add(st -> st.withFloor(f -> f.with(p.id(), q -> round(q, by / 2, 1))));
        out.add(st -> st.withFloor(f -> f.with(p.id(), q -> round(q, 0, Math.pow(2, by / 2)))));
        out.add(st -> st.withFloor(f -> f.with(p.id(), q -> {
            Lamp l = (Lamp) q.thing();
            return q.withThing(l.withHeightM(suggested(Math.max(0.2, l.heightM().value() + by / 2))));
        })));
        out.add(st -> st.withFloor(f -> f.with(p.id(), q -> {
            Lamp l = (Lamp) q.thing();
            return q.withThing(l.withDimmer(suggested(Math.clamp(l.dimmer().value() * Math.pow(2, 2 * by), 0.01, 1))));
        })));
        out.add(st -> st.withFloor(f -> f.with(p.id(), q -> {
            Lamp l = (Lamp) q.thing();
            Vec a = l.aim().value();
            Vec side = new Spot(0, 0, 0).facing(a.x() - q.at().x(), a.z() - q.at().z()).right();
            return q.withThing(l.withAim(suggested(a.plus(side.times(by / 2)))));
        })));
        boolean any = ((Lamp) p.thing()).wideM() instanceof Given.Assumed;
        if (any && !means.facesM().isEmpty()) {
            faces(s, p.id()).forEach(w ->
                    out.add(st -> st.withFloor(f ->
                    f.with(p.id(), q -> q.withThing(((Lamp) q.thing()).withWideM(suggested(w)).withHighM(suggested(w)))))));
        } else if (any) {
            out.add(st -> st.withFloor(f -> f.with(p.id(), q -> {
                Lamp l = (Lamp) q.thing();
                double k = Math.pow(2, by / 2);
                return q.withThing(l.withWideM(suggested(Math.clamp(l.wideM().value() * k, 0.1, 1.6)))
                        .withHighM(suggested(Math.clamp(l.highM().value() * k, 0.1, 1.8))));
            })));
        }
    }

    private static Piece round(Piece p, double radians, double nearer) {
        Lamp l = (Lamp) p.thing();
        Vec a = l.aim().value();
        double dx = p.at().x() - a.x();
        double dz = p.at().z() - a.z();
        double far = Math.max(0.4, Math.hypot(dx, dz) * nearer);
        double angle = Math.atan2(dx, dz) + radians;
        return p.withSpot(suggested(new Spot(a.x() + far * Math.sin(angle), a.z() + far * Math.cos(angle), 0).facing(a.x(), a.z())));
    }

    /// Cloths whose size nobody told are as large as they have to be, and no larger than the largest there is.
    private Stage fitted(Stage s) {
        SetView view = question.apply(s).view();
        Stage out = s;
        for (SetView.Pair pair : view.pairs()) {
            Backdrop b = pair.sheet().screen();
            if (!(b.wideM() instanceof Given.Assumed) || !b.kind().upright()) {
                continue;
            }
            Coverage.Part part = new Coverage(view, pair).needed();
            if (part.wideM() <= 0) {
                continue;
            }
            Coverage.Cut c = part.cut(means.clothWideM(), means.clothHighM());
            double middle = (part.x0() + part.x1()) / 2 - pair.sheet().wideM() / 2;
            Spot at = pair.sheet().piece().at();
            Vec to = at.up(0).plus(at.right().times(middle));
            Backdrop cut = b.withWideM(suggested(c.wideM())).withHighM(suggested(c.highM())).withBottomM(suggested(c.bottomM()))
                    .withFloorM(suggested(c.floorM()));
            out = out.withFloor((Floor f) -> f.with(pair.sheet().piece().id(), p -> p.withSpot(suggested(at.at(to.x(), to.z())))
                    .withThing(cut)));
        }
        return out;
    }
}
