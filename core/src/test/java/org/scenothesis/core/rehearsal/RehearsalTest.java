package org.scenothesis.core.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.rehearsal.trace.BoxSolid;
import org.scenothesis.core.rehearsal.trace.Ellipsoid;
import org.scenothesis.core.rehearsal.trace.Emitter;
import org.scenothesis.core.rehearsal.trace.Material;
import org.scenothesis.core.rehearsal.trace.Panel;
import org.scenothesis.core.rehearsal.trace.Rgb;
import org.scenothesis.core.rehearsal.trace.Solid;

class RehearsalTest {
    private static final int W = 96;
    private static final int H = 54;
    private final Bands bands = Bands.sequential();
    private final View view = new View(new CameraPose(new Vec(0, 1, -3), 0, 0, 0, 96, W, H), 0, 3);
    private final Material grey = Material.matte(Rgb.grey(0.5));

    private Scenery floor(Emitter... lamps) {
        return new Scenery(List.of(Panel.flat(new Vec(-5, 0, -5), new Vec(10, 0, 0), new Vec(0, 0, 10), grey, 0)), List.of(lamps));
    }

    private Renderer renderer(Scenery s, Quality q) {
        return new Renderer(s, Rgb.BLACK, view, q, bands);
    }

    @Test
    void aFlatFloorUnderTheSunHasTheRadianceOfLambert() {
        double elevation = Math.toRadians(60);
        Emitter sun = new Emitter.Sun(new Vec(0, Math.sin(elevation), Math.cos(elevation)), 0.001, Rgb.grey(3));
        Picture p = renderer(floor(sun), new Quality(8, 8, 0, 1)).still().light();
        // albedo / π · irradiance · cos(incidence); nothing else to bounce from.
        assertThat((double) p.g().at(W / 2, H - 4)).isCloseTo(0.5 / Math.PI * 3 * Math.sin(elevation), Offset.offset(0.004));
    }

    @Test
    void aSmallBallLightsByTheInverseSquare() {
        Emitter ball = new Emitter.Ball(new Vec(0, 2, 0), 0.05, Rgb.grey(1000), -5);
        View down = new View(new CameraPose(new Vec(0, 3, -0.01), 0, -89.9, 0, 60, W, H), 0, 3);
        Picture p = new Renderer(floor(ball), Rgb.BLACK, down, new Quality(32, 8, 0, 1), bands).still().light();
        double expected = 0.5 / Math.PI * 1000 * Math.PI * 0.05 * 0.05 / 4;
        assertThat((double) p.g().at(W / 2, H / 2)).isCloseTo(expected, Offset.offset(expected * 0.08));
    }

    @Test
    void whatStandsInTheWayShades() {
        Emitter sun = new Emitter.Sun(new Vec(0, 1, 0), 0.001, Rgb.grey(3));
        List<Solid> s = new ArrayList<>(floor(sun).solids());
        s.add(new BoxSolid(new Vec(0, 2.8, 0.5), new Vec(0.8, 0.05, 0.8), 0, grey, 0));
        Picture open = renderer(floor(sun), new Quality(8, 8, 0, 1)).still().light();
        Picture shaded = renderer(new Scenery(s, List.of(sun)), new Quality(8, 8, 0, 1)).still().light();
        int at = H / 2 + (int) (96 * 1.0 / 3.5);
        assertThat(shaded.g().at(W / 2, Math.min(H - 1, at))).isLessThan(open.g().at(W / 2, Math.min(H - 1, at)) * 0.5f);
    }

    @Test
    void theSameSeedGivesTheSamePictureForAnyNumberOfThreads() {
        Scenery s = floor(new Emitter.Ball(new Vec(0, 2, 0), 0.2, Rgb.grey(20), -5));
        Picture one = renderer(s, new Quality(6, 8, 0, 9)).still().light();
        try (Bands many = Bands.pooled(3)) {
            Picture again = new Renderer(s, Rgb.BLACK, view, new Quality(6, 8, 0, 9), many).still().light();
            assertThat(again.r().data()).containsExactly(one.r().data());
        }
        Picture other = renderer(s, new Quality(6, 8, 0, 10)).still().light();
        assertThat(other.r().data()).isNotEqualTo(one.r().data());
    }

    @Test
    void onlyWhatChangesIsRenderedAgainAndItsCoverageIsTrue() {
        Scenery s = floor(new Emitter.Sun(new Vec(0.2, 1, 0).unit(), 0.01, Rgb.grey(3)));
        Renderer r = renderer(s, new Quality(16, 64, 0, 1));
        Rendered still = r.still();
        Rendered with = r.moving(still, t -> new Scenery(List.of(new Ellipsoid(new Vec(0, 1, 0), new Vec(0.3, 0.3, 0.3), 0, grey, 1)),
                List.of()), 0, 24);
        assertThat(with.light().r().at(2, 2)).isEqualTo(still.light().r().at(2, 2));
        double sum = 0;
        for (float v : with.coverage().data()) {
            sum += v;
        }
        // A ball of 0.3 m at 3 m with 96 px of focal length: an ellipse slightly larger than its disc.
        double radius = 96 * 0.3 / Math.sqrt(9 - 0.09);
        assertThat(sum).isCloseTo(Math.PI * radius * radius, Offset.offset(8.0));
        assertThat(with.depthM().at(W / 2, H / 2)).isCloseTo(2.7f, Offset.offset(0.05f));
    }

    /// What is only shaded is followed on every fourth pixel; between them the shadow lies where a render of the whole set has it.
    @Test
    void theSoftShadowOfSomethingThatMovesIsThatOfTheWholeSet() {
        Scenery s = floor(new Emitter.Ball(new Vec(1.2, 3, 0.5), 0.4, Rgb.grey(60), -5));
        Scenery thing = new Scenery(List.of(new Ellipsoid(new Vec(0, 0.7, 1), new Vec(0.35, 0.35, 0.35), 0, grey, 1)), List.of());
        View down = new View(new CameraPose(new Vec(0, 4, 0.99), 0, -89.9, 0, 110, W, H), 0, 3);
        Renderer r = new Renderer(s, Rgb.BLACK, down, new Quality(96, 64, 0, 1), bands);
        Rendered still = r.still();
        Rendered with = r.moving(still, t -> thing, 0, 24);
        Picture truth = new Renderer(s.with(thing), Rgb.BLACK, down, new Quality(192, 8, 0, 5), bands).still().light();
        double off = 0;
        double light = 0;
        int shaded = 0;
        for (int i = 0; i < truth.g().data().length; i++) {
            boolean shade = with.coverage().data()[i] == 0 && truth.g().data()[i] < 0.85 * still.light().g().data()[i];
            if (shade) {
                shaded++;
                off += Math.abs(with.light().g().data()[i] - truth.g().data()[i]);
                light += still.light().g().data()[i];
            }
        }
        assertThat(shaded).isGreaterThan(60);
        assertThat(off / light).isLessThan(0.05);
    }

    @Test
    void somethingFastIsSmearedByTheOpenShutter() {
        Renderer open = renderer(floor(new Emitter.Sun(new Vec(0, 1, 0), 0.01, Rgb.grey(3))), new Quality(4, 64, 1, 1));
        Rendered still = open.still();
        Rendered blurred = open.moving(still,
                t -> new Scenery(List.of(new Ellipsoid(new Vec(-1 + 24 * t, 1, 0), new Vec(0.2, 0.2, 0.2), 0, grey, 1)), List.of()), 0, 24);
        int partial = 0;
        for (float v : blurred.coverage().data()) {
            partial += v > 0.1 && v < 0.9 ? 1 : 0;
        }
        assertThat(partial).isGreaterThan(150);
    }

    @Test
    void aWideApertureBlursWhatIsNotInFocus() {
        List<Solid> s = new ArrayList<>(floor().solids());
        s.add(new BoxSolid(new Vec(0, 1, 4), new Vec(0.5, 0.5, 0.01), 0, Material.matte(Rgb.grey(0.1)).glowing(Rgb.grey(1)), 1));
        Scenery stage = new Scenery(s, List.of());
        Picture sharp = new Renderer(stage, Rgb.BLACK, view, new Quality(32, 8, 0, 1), bands).still().light();
        View wide = new View(view.pose(), 0.15, 2);
        Picture soft = new Renderer(stage, Rgb.BLACK, wide, new Quality(32, 8, 0, 1), bands).still().light();
        assertThat(edges(soft)).isLessThan(edges(sharp) * 0.6);
    }

    private static double edges(Picture p) {
        double most = 0;
        for (int x = 1; x < W; x++) {
            most = Math.max(most, Math.abs(p.g().at(x, H / 2) - p.g().at(x - 1, H / 2)));
        }
        return most;
    }

    @Test
    void theSensorHasTheNoiseItIsGiven() {
        Picture flat = Picture.filled(200, 100, 0.3f, 0.3f, 0.3f);
        Picture p = new Sensor(Rgb.grey(2), 1e-4, 1e-3, 3).record(flat, 5, bands);
        double mean = 0;
        double sq = 0;
        for (float v : p.g().data()) {
            mean += v / p.g().data().length;
            sq += v * v / p.g().data().length;
        }
        assertThat(mean).isCloseTo(0.6, Offset.offset(1e-3));
        assertThat(Math.sqrt(sq - mean * mean)).isCloseTo(Math.sqrt(1e-4 * 0.6 + 1e-6), Offset.offset(3e-4));
        assertThat(new Sensor(Rgb.grey(1), 1e-4, 0, 3).record(flat, 6, bands).g().data()).isNotEqualTo(p.g().data());
        assertThat(Sensor.CLEAN.exposed(1).record(flat, 0, bands).r().at(3, 3)).isCloseTo(0.6f, Offset.offset(1e-6f));
    }

    @Test
    void filmingStopsWhenTheRecorderHasEnough() {
        Roll roll = new Roll("x", 10, 24, floor(), null, List.of(new Roll.Station(0, view)), Handling.STEADY, Sensor.CLEAN);
        List<Integer> seen = new ArrayList<>();
        new Filming(Rgb.grey(0.2), new Quality(1, 4, 0, 1), bands).film(roll, (i, p, truth) -> {
            seen.add(i);
            return i < 3;
        });
        assertThat(seen).containsExactly(0, 1, 2, 3);
    }
}
