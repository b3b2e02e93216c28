package org.scenothesis.demo;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.rehearsal.staged.StagedRoll;
import org.scenothesis.core.stage.Floor;
import org.scenothesis.core.stage.KeyLight;
import org.scenothesis.core.stage.LensSetting;
import org.scenothesis.core.stage.SetUp;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.StageCamera;
import org.scenothesis.core.stage.Surface;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.BackdropKind;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.piece.Dimension;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.LampKind;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.piece.Support;
import org.scenothesis.core.stage.piece.Thing;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.core.value.Given;

/// The sets of the demo's other two shots as the crew put them up: every number was told with the tape in hand.
final class DemoSets {
    private static final double FRAME_S = 1 / 24.0;
    private static final double SENSOR_MM = 23.6;
    private static final double RATE = 24;
    /// What happens, and a second before and after it.
    static final double ROLL_S = 6;

    private DemoSets() {}

    private static Given<Double> m(double v) {
        return Given.entered(v);
    }

    /// A thing with all its numbers told.
    private static Thing told(Thing thing) {
        Thing out = thing;
        for (Dimension d : thing.dimensions()) {
            double v = d.value().value();
            out = out.dimensions().stream().filter(x -> x.code().equals(d.code())).findFirst().orElseThrow().told(v);
        }
        return out;
    }

    private static Piece piece(String id, String name, double x, double z, Thing thing, String... plates) {
        return new Piece(id, name, Given.entered(new Spot(x, z, 0)), Set.of(plates), told(thing));
    }

    private static Lamp lamp(LampKind kind, double high, Vec aim, double dimmer) {
        return Lamp.usual(kind, m(high), Given.entered(aim)).withDimmer(m(dimmer));
    }

    private static Body person(double high, Vec steps, double fromS, double toS) {
        List<Body.Moment> way = List.of(
                new Body.Moment("", 0, Vec.ZERO), new Body.Moment("", fromS, Vec.ZERO), new Body.Moment("", toS, steps),
                new Body.Moment("", toS + FRAME_S, steps));
        return new Body(Body.Form.FIGURE, m(0.5 * high), m(high), m(0.3), m(0), way);
    }

    private static Stage stage(Vec at, double tiltDeg, double focalShare, double fNumber, double focusM, Surroundings around,
            double groundM, KeyLight light, List<Piece> pieces) {
        StageCamera camera = new StageCamera(Given.entered(at), Given.entered(new StageCamera.Aim(0, tiltDeg, 0)), m(focalShare),
                StageCamera.MIDDLE);
        LensSetting lens = new LensSetting(m(SENSOR_MM), m(fNumber), m(focusM));
        Surface ground = new Surface("ground", m(groundM), Given.entered(new Surface.Extent(0.1, 12)));
        return new Stage(camera, List.of(ground), light, List.of(), new Floor(Given.entered(around), lens, pieces, Map.of()));
    }

    private static KeyLight light(double azimuthDeg, double elevationDeg) {
        return KeyLight.told(new KeyLight.Direction(azimuthDeg, elevationDeg), 14, 1.6);
    }

    /// Two of the maker at one bench, a soft lamp from the left.
    static SetUp pairOfHands() {
        Surroundings room = new Surroundings.Room(-3, 3, -1.2, 5.6, 2.7, 0.4);
        return new SetUp("set-of-13", "Set of shot 13", stage(new Vec(0, 1.35, 0), -5, 0.95, 4, 3.6, room, 0, light(-129, 18), List.of(
                piece("bench", "bench", 0, 3.05, new Support("table", m(2.4), m(0.86), m(0.6))),
                piece("lantern", "lantern", 0, 3.0, lamp(LampKind.PRACTICAL, 0.94, new Vec(0, 0.94, 0), 1).withOutput(m(9))),
                piece("maker-1", "the maker 1", -0.78, 3.8, person(1.72, new Vec(0.22, 0, 0), 1.6, 3.0), "figure-the-maker-1"),
                piece("maker-2", "the maker 2", 0.86, 3.8, person(1.72, new Vec(-0.20, 0, 0), 2.2, 3.4), "figure-the-maker-2"),
                piece("key", "key", -2.6, 1.5, lamp(LampKind.SOFT_BOX, 2.3, new Vec(0, 1.2, 3.6), 1)),
                piece("fill", "fill", 2.5, 0.6, lamp(LampKind.SOFT_BOX, 1.8, new Vec(0, 1.2, 3.6), 0.45)))));
    }

    /// The bench before the lantern, close.
    static SetUp lanternWall() {
        Surroundings room = new Surroundings.Room(-3, 3, -1.2, 5.6, 2.7, 0.4);
        return new SetUp("set-of-14", "Set of shot 14", stage(new Vec(0, 1.02, 0), -6, 1.5, 5.6, 0.75, room, 0.86, light(-117, 29), List.of(
                piece("bench", "bench", 0, 0.95, new Support("table", m(2.4), m(0.86), m(0.9))),
                piece("lantern", "lantern", 0.09, 0.82, lamp(LampKind.PRACTICAL, 0.95, new Vec(0.09, 0.95, 0), 1).withWideM(m(0.12))
                .withHighM(m(0.17)).withOutput(m(2.2))),
                piece("key", "key", -1.6, 0.1, lamp(LampKind.SOFT_BOX, 1.9, new Vec(0, 0.9, 0.9), 0.2)))));
    }

    /// The maker before the cloth, so far away that the lens looks at him as it looks at a thumb.
    static SetUp smallMaker() {
        Surroundings hall = new Surroundings.Room(-5, 5, -1.5, 16, 4.2, 0.35);
        return new SetUp("set-of-14-B", "Set of shot 14, camera B", stage(new Vec(0, 1.67, 0), -5.5, 2.0, 2.8, 8.3, hall, 0,
                light(-117, 29), List.of(
                piece("maker", "the small maker", 0.4, 8.33, person(1.70, new Vec(-0.8, 0, 0), 1.2, 4.6), "thing-the-small-maker"),
                piece("cloth", "green cloth", 0, 14.2, new Backdrop(BackdropKind.ROLL, Backdrop.Dye.GREEN, m(5), m(3.2), m(0), m(6.4),
                m(0.02)), "screen-B-green", "thing-the-small-maker"),
                piece("key", "key", -3.6, 6.5, lamp(LampKind.SOFT_BOX, 3.3, new Vec(0, 1.1, 8.3), 1).withWideM(m(1)).withHighM(m(1))),
                piece("fill", "fill", 3.4, 3.0, lamp(LampKind.SOFT_BOX, 2.0, new Vec(0, 1.1, 8.3), 0.62)),
                piece("cloth-left", "cloth lamp left", -3.9, 11.6, lamp(LampKind.SOFT_BOX, 2.6, new Vec(0.8, 1.2, 14), 0.3),
                "screen-B-green", "thing-the-small-maker"),
                piece("cloth-right", "cloth lamp right", 3.9, 11.6, lamp(LampKind.SOFT_BOX, 2.6, new Vec(-0.8, 1.2, 14), 0.3),
                "screen-B-green", "thing-the-small-maker"))));
    }

    /// What is filmed on them for the demo, by the names of its files.
    static List<StagedRoll> rolls(int width, int height) {
        return List.of(
                roll("hands-clean", pairOfHands(), "clean-A", 0, width, height), roll("hands-left", pairOfHands(), "figure-the-maker-1",
                ROLL_S, width, height),
                roll("hands-right", pairOfHands(), "figure-the-maker-2", ROLL_S, width, height),
                roll("wall-clean", lanternWall(), "clean-A", 0, width, height),
                roll("thumb-screen", smallMaker(), "screen-B-green", 0, width, height),
                roll("thumb-1", smallMaker(), "thing-the-small-maker", ROLL_S, width, height));
    }

    private static StagedRoll roll(String name, SetUp on, String plate, double seconds, int width, int height) {
        return new StagedRoll(name, new SetView(on.stage(), plate, width, height), seconds, 0, RATE, Set.of(), name.hashCode() & 0xffff);
    }
}
