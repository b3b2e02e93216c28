package org.scenothesis.core.stage.proof;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.stage.Floor;
import org.scenothesis.core.stage.KeyLight;
import org.scenothesis.core.stage.LensSetting;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.StageCamera;
import org.scenothesis.core.stage.Surface;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.BackdropKind;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.LampKind;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.piece.Thing;
import org.scenothesis.core.value.Given;

/// Sets made by chance, all told: a room, a camera, somebody who moves before a cloth, two to four lamps.
final class RandomSet {
    private final SplittableRandom random;

    RandomSet(long seed) {
        random = new SplittableRandom(seed * 0x9E3779B97F4A7C15L);
    }

    double in(double low, double high) {
        return random.nextDouble(low, high);
    }

    static Given<Double> told(double v) {
        return Given.entered(v);
    }

    static Stage stage(Vec eye, double pan, double tilt, double focal, Surroundings around, List<Piece> pieces, double fNumber,
            double focus) {
        StageCamera camera = new StageCamera(Given.entered(eye), Given.entered(new StageCamera.Aim(pan, tilt, 0)), told(focal / 23.6),
                StageCamera.MIDDLE);
        Surface ground = new Surface("ground", told(0), Given.entered(new Surface.Extent(0, 20)));
        KeyLight light = KeyLight.told(new KeyLight.Direction(-45, 40), 10, 1.5);
        return new Stage(camera, List.of(ground), light, List.of(),
                new Floor(Given.entered(around), new LensSetting(told(23.6), told(fNumber), told(focus)), pieces, Map.of()));
    }

    static Piece piece(String id, Spot at, Thing thing) {
        return new Piece(id, id, Given.entered(at), Set.of(), thing);
    }

    SetView view() {
        Vec eye = new Vec(in(-0.3, 0.3), in(0.9, 1.7), 0);
        double pan = in(-8, 8);
        double away = in(2, 4);
        double behind = in(0.8, 2.5);
        Spot body = new Spot(in(-0.4, 0.4) + away * Math.sin(Math.toRadians(pan)), away, pan + in(-20, 20));
        Spot cloth = new Spot(body.x() * (away + behind) / away + in(-0.2, 0.2), away + behind, pan + in(-10, 10));
        boolean floor = random.nextBoolean();
        double base = floor ? 0 : in(0.2, 0.8);
        double high = in(0.4, 1.3);
        List<Body.Moment> way = List.of(new Body.Moment("", 0, Vec.ZERO),
                new Body.Moment("", 2, new Vec(in(-0.4, 0.4), floor ? 0 : in(0, 0.4), in(-0.2, 0.2))));
        List<Piece> pieces = new ArrayList<>();
        pieces.add(piece("body", body, new Body(Body.Form.BOX, told(in(0.2, 0.7)), told(high), told(in(0.15, 0.5)), told(base), way)));
        pieces.add(piece("cloth", cloth, new Backdrop(
                BackdropKind.CLOTH, Backdrop.Dye.GREEN, told(in(2, 4.5)), told(in(1.8, 3.2)), told(floor ? 0 : in(0, 0.4)),
                told(floor ? in(1.5, 3.5) : 0), told(0))));
        int lamps = random.nextInt(2, 5);
        for (int i = 0; i < lamps; i++) {
            boolean onCloth = i > 0 && random.nextBoolean();
            double side = in(-2.4, 2.4);
            double z = onCloth ? away + behind * in(0.1, 0.6) : away - in(0.8, 2);
            Vec aim = onCloth ? cloth.up(in(0.8, 1.6)) : body.up(base + high / 2);
            Lamp l = Lamp.usual(LampKind.SOFT_BOX, told(in(1.4, 2.5)), Given.entered(aim)).withWideM(told(in(0.2, 1.1)))
                    .withHighM(told(in(0.2, 1.1))).withBeamDeg(told(in(50, 120))).withOutput(told(in(300, 4000)));
            pieces.add(piece("lamp-" + i, new Spot(side, z, 0), l));
        }
        Surroundings.Room room = new Surroundings.Room(-in(2.6, 4), in(2.6, 4), -in(0.5, 2), away + behind + in(0.3, 2), in(2.6, 3.4),
                in(0.2, 0.6));
        return new SetView(stage(eye, pan, in(-6, 3), in(17, 28), room, pieces, 4, away), "", 1600, 900);
    }
}
