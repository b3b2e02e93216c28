package org.scenothesis.core.rehearsal.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.Floor;
import org.scenothesis.core.stage.HandCamera;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.StageCamera;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.LampKind;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.PieceShelf;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.core.value.Given;

class StandInsTest {
    private static Piece lamp(String id, double x, double kelvin, double candela) {
        return lamp(id, x, 3, kelvin, candela);
    }

    private static Piece lamp(String id, double x, double z, double kelvin, double candela) {
        Lamp l = Lamp.usual(LampKind.POINT, Given.entered(1.0), Given.entered(new Vec(0, 1, 3))).withKelvin(Given.entered(kelvin))
                .withOutput(Given.entered(candela)).withWideM(Given.entered(0.01)).withHighM(Given.entered(0.01));
        return new Piece(id, id, Given.entered(new Spot(x, z, 0)), Set.of(), l);
    }

    private static Instruments instruments(Piece... lamps) {
        Stage s = HandCamera.FRESH.stage(null, 16 / 9.0);
        Floor open = s.floor().withAround(Given.entered(new Surroundings.Open()))
                .plus(PieceShelf.make("box", "box", new Spot(0, 3, 0), Vec.ZERO));
        for (Piece p : lamps) {
            open = open.plus(p);
        }
        Floor f = open;
        StageCamera c = s.camera();
        return StandIns.of(new SetView(s.withFloor(x -> f)
                .withCamera(new StageCamera(c.position(), Given.entered(new StageCamera.Aim(0, -3.26, 0.44)), c.widthShareFocal(),
                c.principal())), "", 96, 54));
    }

    /// 1000 cd in 2 m are 250 lx on a face turned to them.
    @Test
    void lightFallsWithTheSquareOfTheDistance() {
        Instruments i = instruments(lamp("a", -2, 5600, 1000));
        InstrumentReading near = i.incident().at(new Vec(0, 1, 3), new Vec(-1, 0, 0));
        assertThat(near.value()).isCloseTo(250, within(2.0));
        assertThat(near.unit()).isEqualTo("lx");
        assertThat(near.deviation()).isCloseTo(12.5, within(0.2));
        assertThat(i.incident().at(new Vec(0, 1, 3), new Vec(1, 0, 0)).value()).isZero();
    }

    /// Two lamps of 3000 and 6000 K that light a place alike make 4000 K: the mean of 333 and 167 mired.
    @Test
    void coloursMixByTheirReciprocals() {
        Instruments i = instruments(lamp("warm", -2, 3000, 1000), lamp("cold", 2, 6000, 1000));
        assertThat(i.colour().at(new Vec(0, 1, 2.9), new Vec(0, 0, -1))).isEmpty();
        Instruments front = instruments(lamp("warm", -2, 3000, 1000), lamp("cold", 2, 6000, 1000));
        assertThat(front.colour().at(new Vec(0, 0, 3), new Vec(0, 1, 0)).orElseThrow().value()).isCloseTo(4000, within(15.0));
        assertThat(instruments().colour().at(new Vec(0, 1, 3), new Vec(0, 0, -1))).isEmpty();
    }

    @Test
    void levelAndTapeAreRoundedAsTheirScalesAre() {
        Instruments i = instruments();
        assertThat(i.level().tilt().value()).isCloseTo(-3.3, within(1e-9));
        assertThat(i.level().roll().value()).isCloseTo(0.4, within(1e-9));
        InstrumentReading tape = i.tape().between(Vec.ZERO, new Vec(3, 4, 0.01));
        assertThat(tape.value()).isCloseTo(5, within(0.0011));
        assertThat(tape.deviation()).isEqualTo(0.005);
    }

    @Test
    void aSpotBesideTheBoxIsDarkerThanTheLitBox() {
        Instruments i = instruments(lamp("a", -1, 1, 5600, 2000));
        SetView view = new SetView(HandCamera.FRESH.stage(null, 16 / 9.0), "", 96, 54);
        Point middle = view.pose().project(new Vec(0, 0.2, 2.8));
        assertThat(i.spot().at(new Point(0.5, 0.02)).value()).isLessThan(i.spot().at(new Point(middle.x() / 96, middle.y() / 54)).value());
    }

    @Test
    void whatIsNotLockedDriftsAndWhatIsLockedStays() {
        Instruments.CameraFeed all = instruments(lamp("a", -1.5, 5600, 2000)).feed();
        assertThat(all.locked()).isEqualTo(EnumSet.allOf(Instruments.Lock.class));
        try (Bands bands = Bands.sequential()) {
            double before = green(all.frame(0, bands));
            assertThat(green(all.frame(9, bands))).isCloseTo(before, within(0.02 * before));
            Instruments.CameraFeed loose = all.locking(EnumSet.of(Instruments.Lock.WHITE, Instruments.Lock.FOCUS,
                    Instruments.Lock.STABILISER));
            assertThat(green(loose.frame(9, bands))).isLessThan(0.85 * before);
            Instruments.CameraFeed unfocused = all.locking(EnumSet.complementOf(EnumSet.of(Instruments.Lock.FOCUS)));
            assertThat(unfocused.frame(1, bands).g().data()).as("until the focus is let go").isEqualTo(all.frame(1, bands).g().data());
            assertThat(unfocused.frame(9, bands).g().data()).isNotEqualTo(all.frame(9, bands).g().data());
            Picture warm = all.locking(EnumSet.of(Instruments.Lock.EXPOSURE)).frame(9, bands);
            assertThat(sum(warm.r().data()) / sum(warm.b().data()))
                    .isGreaterThan(1.05 * sum(all.frame(9, bands).r().data()) / sum(all.frame(9, bands).b().data()));
        }
    }

    private static double green(Picture p) {
        return sum(p.g().data());
    }

    private static double sum(float[] data) {
        double s = 0;
        for (float v : data) {
            s += v;
        }
        return s;
    }
}
