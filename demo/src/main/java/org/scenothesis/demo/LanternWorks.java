package org.scenothesis.demo;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Beat;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Setting;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.core.shot.step.KeySettings;
import org.scenothesis.core.shot.step.Opacity;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.shot.step.Shadow;
import org.scenothesis.core.stage.KeyLight;
import org.scenothesis.core.stage.SetUp;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.StageCamera;
import org.scenothesis.core.stage.Surface;
import org.scenothesis.core.value.Animated;
import org.scenothesis.core.value.Ease;
import org.scenothesis.core.value.Given;
import org.scenothesis.demo.loft.LiftingShoot;
import org.scenothesis.demo.loft.Loft;
import org.scenothesis.production.illusion.ReadyMadeShot;
import org.scenothesis.production.illusion.ReadyMadeShots;
import org.scenothesis.production.stage.Rehearsing;

/// The document of the demo production. Its verdicts are measured from the footage when it is opened.
public final class LanternWorks {
    private static final double SECONDS = 4;
    /// How high the bench of shot 14 stands, and how large its small maker is against what he would be there: as high as a thumb.
    private static final double BENCH_M = 0.86;
    private static final double THUMB = 0.36;
    /// Stops between lit and shadowed on the bench.
    private static final double LIT_TO_SHADOW = 0.9;

    private LanternWorks() {}

    public static Production production() {
        return new Production("Lantern Works", List.of(lifts(), hands(), thumb()), HouseRules.DEFAULT);
    }

    private static Shot lifts() {
        Illusion floats = new Illusion(
                "lantern-floats", IllusionKind.FLOATS, "the lantern", LiftingShoot.LIFT_S, SECONDS,
                Map.of("heightM", "0.44", "support", "rod", "actor", "the maker", "sizeM", "0.3", "travelM", "0.2", "distanceM", "0.8",
                "restM", "0.9", "glows",
                        "yes", "colours", "#e8d8b0 #6b4a35"));
        List<Beat> beats = List.of(
                new Beat("reach", "reaches out", 0.8), new Beat("touch", "lets go", LiftingShoot.LIFT_S), new Beat("hang", "hangs", 3.4));
        return new Shot(
                "12", 12, "The lantern that lifts",
                "The lantern-maker reaches out; a lantern leaves the bench and hangs in the air, swinging slightly.",
                SECONDS, List.of(floats), beats, plates(), layers(), new SetUp("set-of-12", "Set of shot 12", stage()),
                new Setting(Map.of("frameM", "1.4", "light", "lamps"), null));
    }

    private static List<Plate> plates() {
        return List.of(
                new Plate("clean", "Clean plate", PlateRole.CLEAN, Spike.T, "A", "A", 4, List.of(
                        new Take("clean-1", "footage/clean-1.mp4", false, "tripod touched"),
                        new Take("clean-2", "footage/clean-2.mp4", true, ""))).withMarks(DemoMarks.loft()),
                new Plate("maker", "Maker at bench", PlateRole.PRACTICAL, Spike.L, "A", "A", 4, List.of(
                        new Take("maker-1", "footage/maker-1.mp4", true, "cloud came in"))),
                new Plate("lantern", "Lantern on rod", PlateRole.ELEMENT, Spike.X, "A", "A", 4, List.of(
                        new Take("lantern-1", "footage/lantern-1.mp4", true, ""))),
                new Plate("screen", "Screen only", PlateRole.SCREEN_ONLY, Spike.BARS, "A", "A", 0, List.of(
                        new Take("screen-1", "footage/screen-only.png", true, ""))),
                new Plate("lamp", "Lamp pass", PlateRole.LIGHT_PASS, Spike.CHEVRON, "A", "", 0, List.of(
                        new Take("lamp-1", "footage/lamp-pass.png", true, ""))),
                new Plate("card", "Card and ruler", PlateRole.REFERENCE, Spike.BOX, "A", "A", 0, List.of(
                        new Take("card-1", "footage/card-ruler.png", true, ""))));
    }

    private static List<Layer> layers() {
        Vec rest = Loft.LANTERN_REST;
        Vec hung = rest.plus(new Vec(0, LiftingShoot.HANG_M, 0));
        double let = LiftingShoot.LIFT_S;
        Layer maker = Layer.patch("maker", "Maker", "maker").with(Outline.of(outline(0.30, 0.16, 0.60, 0.16, 0.60, 1, 0.30, 1), 14));
        Layer light = Layer.light("glow", "Light of the lantern", "lamp", "clean")
                .with(Outline.of(outline(0.47, 0, 0.585, 0, 0.592, 0.44, 0.642, 0.44, 0.690, 0, 1, 0, 1, 1, 0.36, 1, 0.40, 0.62, 0.47,
                0.55), 26))
                .with(new Opacity(Animated.of(0.0).key(let, 0.0, Ease.SOFT).key(let + 1.5, 0.9, Ease.SOFT)));
        Layer lantern = Layer.of("lantern", "Lantern", "lantern",
                Outline.of(outline(0.53, 0.20, 0.71, 0.20, 0.71, 0.493, 0.53, 0.493), 0),
                new Key(KeySettings.DEFAULT.withEmptyBelow(0.18)),
                SetPlace.at(Given.entered(hung), rest).withFoot(Animated.of(rest).key(let, rest, Ease.SOFT)
                .key(let + 1.6, hung, Ease.SOFT)),
                Shadow.OF_STAGE);
        return List.of(Layer.of("base", "Clean plate", "clean"), maker, light, lantern);
    }

    private static List<Point> outline(double... xy) {
        List<Point> out = new ArrayList<>();
        for (int i = 0; i < xy.length; i += 2) {
            out.add(new Point(xy[i], xy[i + 1]));
        }
        return out;
    }

    private static Stage stage() {
        var pose = Loft.view(1280, 720).pose();
        StageCamera camera = new StageCamera(
                Given.entered(pose.position()), Given.entered(new StageCamera.Aim(pose.panDeg(), pose.tiltDeg(), pose.rollDeg())),
                Given.entered(pose.focalPx() / pose.width()), StageCamera.MIDDLE);
        Surface bench = new Surface("ground", Given.entered(Loft.BENCH_M), Given.entered(new Surface.Extent(0.28, 1.05)));
        KeyLight.Direction window = new KeyLight.Direction(-78, 36);
        return new Stage(camera, List.of(bench), KeyLight.told(window, 26, KeyLight.keyToFillStops(LIT_TO_SHADOW, window, Vec.UP)));
    }

    /// A shot told by one of the ready-made shots, nothing filmed yet.
    private static Shot told(int number, String illusion) {
        ReadyMadeShot ready = ReadyMadeShots.shipped().all().stream().filter(i -> i.id().equals(illusion)).findFirst().orElseThrow();
        return ready.into(new Shot(String.valueOf(number), number, "", "", 6, List.of(), List.of(), List.of(), List.of(), null));
    }

    private static Plate filmed(String id, String name, PlateRole role, Spike spike, String group, String light, double rollSeconds,
            String need, String file) {
        String take = file.substring(0, file.indexOf('.'));
        return new Plate(id, name, role, spike, group, light, rollSeconds,
                List.of(new Take(take, "footage/" + file, true, Rehearsing.NOTE)), need);
    }

    /// A told shot that is over sooner than its illusion was written for.
    private static Shot lasting(Shot told, double seconds) {
        return told.withSeconds(seconds).withIllusions(told.illusions().stream().map(w -> w.withToSeconds(Math.min(w.toSeconds(), seconds)))
                .toList())
                .withBeats(told.beats().stream().filter(b -> b.seconds() < seconds).toList());
    }

    /// A told shot of whose illusions something else is so.
    private static Shot but(Shot told, Map<String, String> otherwise) {
        return told.withIllusions(told.illusions().stream().map(w -> {
            Map<String, String> facts = new HashMap<>(w.facts());
            facts.putAll(otherwise);
            return w.withFacts(facts);
        }).toList());
    }

    /// Twice the same maker: each take shows through its own half.
    private static Shot hands() {
        Shot told = lasting(told(13, "second-pair-of-hands"), 4).withSetUp(DemoSets.pairOfHands());
        return told.withPlates(List.of(
                filmed("clean", "Clean plate", PlateRole.CLEAN, Spike.T, "A", "A", 0, "clean-A", "hands-clean.png"),
                filmed("left", "The maker 1, in place", PlateRole.PRACTICAL, Spike.L, "A", "A", DemoSets.ROLL_S, "figure-the-maker-1",
                "hands-left.mp4"),
                filmed("right", "The maker 2, in place", PlateRole.PRACTICAL, Spike.X, "A", "A", DemoSets.ROLL_S, "figure-the-maker-2",
                "hands-right.mp4")))
                .withLayers(List.of(
                        Layer.of("base", "Clean plate", "clean"),
                        Layer.patch("left", "The maker 1", "left").with(Outline.of(outline(0, 0, 0.49, 0, 0.49, 1, 0, 1), 16)),
                        Layer.patch("right", "The maker 2", "right").with(Outline.of(outline(0.51, 0, 1, 0, 1, 1, 0.51, 1), 16))));
    }

    /// The maker keyed and set down on the bench as large as a thumb; the lantern goes before him.
    private static Shot thumb() {
        // He touches nothing, and what stands before him is taken from the clean plate.
        Shot told = but(lasting(told(14, "inside-the-lantern"), 5), Map.of("contact", "no", "inFront", "no"))
                .withSetUp(DemoSets.lanternWall()).withElsewhere(Map.of("B", DemoSets.smallMaker()));
        Vec from = new Vec(0.27, BENCH_M, 0.93);
        // Where the bench shows in the one picture what the floor under him shows in the other.
        SetPlace behind = SetPlace.at(Given.entered(new Vec(0.0421, BENCH_M, 0.6533)), from).withSize(Animated.of(THUMB))
                .withFoot(Animated.of(from).key(1.2, from, Ease.SOFT).key(4.6, new Vec(-0.13, BENCH_M, 0.93), Ease.SOFT));
        Layer small = Layer.of("small", "The small maker", "thing",
                Outline.of(outline(0.24, 0.08, 0.76, 0.08, 0.76, 0.9, 0.24, 0.9), 0), new Key(KeySettings.DEFAULT.withEmptyBelow(0.34)),
                behind, Shadow.OF_STAGE);
        Layer front = Layer.patch("front", "The lantern", "clean")
                .with(Outline.of(outline(0.553, 0.165, 0.777, 0.165, 0.772, 0.728, 0.553, 0.728), 2));
        return told.withPlates(List.of(
                filmed("clean", "Clean plate", PlateRole.CLEAN, Spike.T, "A", "A", 0, "clean-A", "wall-clean.png"),
                filmed("thing", "The small maker, on screen", PlateRole.ELEMENT, Spike.X, "B", "B", DemoSets.ROLL_S,
                "thing-the-small-maker", "thumb-1.mp4"),
                filmed("screen", "Screen only, camera B", PlateRole.SCREEN_ONLY, Spike.BARS, "B", "B", 0, "screen-B-green",
                "thumb-screen.png")))
                .withLayers(List.of(Layer.of("base", "Clean plate", "clean"), small, front));
    }
}
