package org.scenothesis.core.breakdown.staging;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.camera.CameraCard;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.illusion.Rules;
import org.scenothesis.core.breakdown.kit.OwnedKit;
import org.scenothesis.core.breakdown.light.KeyFacts;
import org.scenothesis.core.breakdown.number.Resolution;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Region;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.stage.Floor;
import org.scenothesis.core.stage.HandCamera;
import org.scenothesis.core.stage.KeyLight;
import org.scenothesis.core.stage.LensSetting;
import org.scenothesis.core.stage.SetUp;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.StageCamera;
import org.scenothesis.core.stage.proof.Question;
import org.scenothesis.core.stage.suggest.AvailableKit;
import org.scenothesis.core.value.Given;

/// The sets of a shot: those that were staged by hand, and for every other camera of its plan the one that follows from it.
public final class Stagings {
    /// Why a number of a set is what it is: it follows from the plan.
    public static final String PLANNED = "planned";
    private static final double LARGE_M = 6;
    private static final int FINISH_WIDE = 16;
    private static final int FINISH_HIGH = 9;

    private Stagings() {}

    /// One for every camera, in the order of the plan.
    public static List<Staged> of(Shot shot, BreakdownPlan plan, HouseRules rules) {
        Shot known = Rules.assuming(shot, rules);
        Map<String, List<PlateNeed>> groups = new LinkedHashMap<>();
        plan.needs().stream().filter(PlateNeed::filmed).forEach(n -> groups.computeIfAbsent(n.lockGroup(), k -> new ArrayList<>()).add(n));
        List<Staged> out = new ArrayList<>();
        groups.forEach((group, needs) -> plan.cards().stream().filter(c -> c.group().equals(group)).findFirst()
                .ifPresent(card -> out.add(staged(shot, known, card, needs, rules, plan))));
        SetUp home = shot.setUp();
        if (!groups.containsKey(Case.HOME) && home != null && home.stage().floor().staged()) {
            out.addFirst(new Staged(Case.HOME, home, true, List.of(), Map.of(), background(shot), wide(known), high(known),
                    Resolution.crop(Answers.of(known.setting()), rules)));
        }
        shot.elsewhere().forEach((group, setUp) -> {
            if (!groups.containsKey(group)) {
                out.add(new Staged(group, setUp, true, List.of(), Map.of(), background(shot), wide(known), high(known),
                        Resolution.crop(Answers.of(known.setting()), rules)));
            }
        });
        return out;
    }

    /// The shot's own frame with nothing in it, to be staged by hand before anything is told.
    public static Staged bare(Shot shot, HouseRules rules) {
        SetUp own = shot.setUp();
        SetUp home = own != null ? own : new SetUp("set-of-" + shot.id(), "Set of shot " + shot.number(),
                HandCamera.FRESH.stage(null, Case.WIDE_HIGH));
        Shot known = Rules.assuming(shot, rules);
        return new Staged(Case.HOME, home, false, List.of(), Map.of(), null, wide(known), high(known),
                Resolution.crop(Answers.of(known.setting()), rules));
    }

    /// The shot with this set staged by hand.
    public static Shot kept(Shot shot, Staged s) {
        if (s.group().equals(Case.HOME)) {
            return shot.withSetUp(s.setUp());
        }
        Map<String, SetUp> more = new LinkedHashMap<>(shot.elsewhere());
        more.put(s.group(), s.setUp());
        return shot.withElsewhere(more);
    }

    /// The shot with a set as the plan has it again; what was told of its camera in the picture stays.
    public static Shot planned(Shot shot, String group) {
        if (group.equals(Case.HOME)) {
            SetUp own = shot.setUp();
            // A camera that nobody told or showed was the plan's own, and follows it again.
            boolean plans = own != null && own.stage().evidence().isEmpty() && own.stage().camera().position() instanceof Given.Assumed
                    && own.stage().camera().aim() instanceof Given.Assumed
                    && own.stage().camera().widthShareFocal() instanceof Given.Assumed;
            return plans ? shot.withSetUp(null) : shot.withStage(st -> st.withFloor(Floor.BARE));
        }
        Map<String, SetUp> less = new LinkedHashMap<>(shot.elsewhere());
        less.remove(group);
        return shot.withElsewhere(less);
    }

    /// What there is to stage with, as it was told with the shot and as the crew owns it: cloth and stands of these sizes, its lenses, and
    /// its lamps; without owned lamps so many of any size.
    public static AvailableKit means(Shot shot, int lamps, OwnedKit kit) {
        Answers t = Answers.of(shot.setting());
        List<Double> faces = kit.lampsM();
        // A cloth that nobody told the size of can be bought in any usual one.
        return new AvailableKit(
                faces.isEmpty() ? lamps : faces.size(), t.number(Fact.STAND_M), t.given(Fact.CLOTH_WIDE_M) ? t.number(Fact.CLOTH_WIDE_M)
                : LARGE_M,
                t.given(Fact.CLOTH_HIGH_M) ? t.number(Fact.CLOTH_HIGH_M) : LARGE_M, kit.lenses().stream()
                .map(l -> new AvailableKit.OwnedLens(l.size(Fact.FOCAL_MM), l.size(Fact.F_NUMBER))).toList(), faces);
    }

    private static int high(Shot known) {
        return (int) Answers.of(known.setting()).number(Fact.FINISH_PX);
    }

    private static int wide(Shot known) {
        return (int) Math.round(high(known) * FINISH_WIDE / (double) FINISH_HIGH);
    }

    private static Staged staged(Shot shot, Shot known, CameraCard card, List<PlateNeed> needs, HouseRules rules, BreakdownPlan plan) {
        String group = card.group();
        SetUp own = group.equals(Case.HOME) ? shot.setUp() : shot.elsewhere().get(group);
        boolean byHand = own != null && own.stage().floor().staged();
        FloorPlan floor = new FloorPlan(shot, known, rules, card, needs, plan);
        Map<String, Question.Sight> wanted = new HashMap<>();
        needs.stream().filter(n -> !group.equals(Case.HOME) && n.region().sweep().awayM() > 0)
                .forEach(n -> wanted.put(n.key().code(), new Question.Sight(n.region().sweep().awayM(), n.region().sweep().lensM(),
                floor.asideDeg(n))));
        SetUp setUp;
        if (own != null && byHand) {
            setUp = own;
        } else {
            Stage camera = own != null ? own.stage() : stage(shot, known, card, needs);
            String id = own != null ? own.id() : "set-of-" + shot.id() + (group.equals(Case.HOME) ? ""
                    : "-" + group.toLowerCase(Locale.ROOT));
            String name = own != null ? own.name() : "Set of shot " + shot.number() + (group.equals(Case.HOME) ? "" : ", camera " + group);
            setUp = new SetUp(id, name, floor.on(camera, own != null));
        }
        return new Staged(group, setUp, byHand, needs, wanted, background(shot), wide(known), high(known),
                Resolution.crop(Answers.of(known.setting()), rules));
    }

    /// The light of the shot's own frame as it was staged, or as it was told; null where nobody said anything of it.
    private static Question.@Nullable Lit background(Shot shot) {
        Stage stage = shot.stage();
        if (stage != null) {
            return new Question.Lit(stage.light(), stage.panDeg());
        }
        Answers t = Answers.of(shot.setting());
        boolean told = t.given(Fact.KEY_FROM) || t.given(Fact.KEY_UP_DEG);
        return told ? new Question.Lit(light(shot), 0) : null;
    }

    private static KeyLight light(Shot shot) {
        KeyLight usual = HandCamera.FRESH.stage(null, Case.WIDE_HIGH).light();
        return new KeyFacts(Answers.of(shot.setting())).light(usual, 0);
    }

    /// A stage of the plan's camera card: where its lens is, and how wide it sees.
    private static Stage stage(Shot shot, Shot known, CameraCard card, List<PlateNeed> needs) {
        boolean told = card.assumed().isEmpty();
        double sensor = Answers.of(known.setting()).number(Fact.SENSOR_MM);
        double share = Math.clamp(card.focalMm() / sensor, StageCamera.SHORTEST, StageCamera.LONGEST);
        Optional<Region.Sweep> sweep = needs.stream().map(n -> n.region().sweep()).filter(s -> s.awayM() > 0).findFirst();
        double middle = sweep.map(s -> (s.bottomM() + s.topM()) / 2).orElse(card.lensM());
        double down = Math.toDegrees(Math.atan2(middle - card.lensM(), card.awayM()));
        double quarter = Math.toDegrees(Math.atan(0.25 / share / Case.WIDE_HIGH));
        // Level, unless what is filmed would then be near the picture's edge.
        double tilt = Math.abs(down) <= quarter ? 0 : down;
        // A lens that cuts off what is filmed is none to film it with.
        double widest = needs.stream().map(n -> n.region().sweep()).filter(s -> s.awayM() > 0)
                .mapToDouble(s -> holding(s, card.lensM(), tilt)).min().orElse(share);
        Given<Double> view = widest < share ? new Given.Assumed<>(Math.max(StageCamera.SHORTEST, widest), "lens-widened")
                : given(share, told);
        StageCamera camera = new StageCamera(
                given(new Vec(0, card.lensM(), 0), told), new Given.Assumed<>(new StageCamera.Aim(0, tilt, 0), tilt == 0 ? "camera-level"
                : "camera-aimed"), view, StageCamera.MIDDLE);
        Stage fresh = HandCamera.FRESH.stage(null, Case.WIDE_HIGH);
        return fresh.withCamera(camera).withLight(light(shot));
    }

    /// The longest focal length, as a share of the picture's width, that holds a movement with a little air.
    private static double holding(Region.Sweep s, double lensM, double tiltDeg) {
        double air = 1.12;
        double up = Math.tan(Math.abs(Math.atan2(s.topM() - lensM, s.awayM()) - Math.toRadians(tiltDeg)));
        double down = Math.tan(Math.abs(Math.atan2(s.bottomM() - lensM, s.awayM()) - Math.toRadians(tiltDeg)));
        double high = 0.5 / Case.WIDE_HIGH / (air * Math.max(1e-3, Math.max(up, down)));
        double wide = 0.5 / (air * Math.max(1e-3, s.wideM() / 2 / s.awayM()));
        return Math.min(high, wide);
    }

    static <T> Given<T> given(T value, boolean told) {
        return told ? Given.entered(value) : new Given.Assumed<>(value, PLANNED);
    }

    /// What the lens is set to, by what was told of the camera.
    static LensSetting lens(Shot known, Shot shot, double focusM) {
        Answers all = Answers.of(known.setting());
        Answers said = Answers.of(shot.setting());
        Given<Double> sensor = said.given(Fact.SENSOR_MM) ? Given.entered(all.number(Fact.SENSOR_MM))
                : new Given.Assumed<>(all.number(Fact.SENSOR_MM), "sensor-small");
        Given<Double> stop = said.given(Fact.F_NUMBER) ? Given.entered(all.number(Fact.F_NUMBER))
                : new Given.Assumed<>(all.number(Fact.F_NUMBER), "aperture-usual");
        return new LensSetting(sensor, stop, new Given.Assumed<>(Math.max(0.1, focusM), "focus-body"));
    }
}
