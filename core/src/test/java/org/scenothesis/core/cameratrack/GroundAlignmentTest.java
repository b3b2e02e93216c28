package org.scenothesis.core.cameratrack;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.cameratrack.MovingCamera.Does;
import org.scenothesis.core.cameratrack.MovingCamera.Frame;
import org.scenothesis.core.cameratrack.MovingCamera.Refusal;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.PictureCamera;

/// A path in units of 2.4 m, in the world of a first frame that looks down by 12 degrees and leans by 2, put on its ground.
class GroundAlignmentTest {
    private static final double UNIT_M = 2.4;
    private static final double LENS_M = 1.5;
    private static final CameraPose FIRST = new CameraPose(new Vec(0, LENS_M, 0), 0, -12, 2, 1100, 1280, 720);

    /// A point of the room as the first frame's world has it, in units.
    private static Vec seen(Vec room) {
        Vec[] r = FIRST.worldToCamera();
        Vec d = room.minus(FIRST.position()).times(1 / UNIT_M);
        return new Vec(d.dot(r[0]), -d.dot(r[1]), d.dot(r[2]));
    }

    private static Frame frame(Vec at) {
        return new Frame(at, new Vec(1, 0, 0), new Vec(0, -1, 0), new Vec(0, 0, 1), 1100, 0.2, 0.01, 50);
    }

    private static MovingCamera path(List<Vec> room) {
        Vec last = seen(new Vec(0.8, LENS_M, 0.6));
        return new MovingCamera(1280, 720, Does.TRAVELS, Estimate.exact(1100), List.of(frame(Vec.ZERO), frame(last)), room.stream()
                .map(GroundAlignmentTest::seen).toList(), false, false, 0, 0.2, List.of(new Refusal("scale", "no-marks")));
    }

    /// Some on the ground, more on a table 0.75 m high, most on walls and things.
    private static List<Vec> room(int ground, int table, int other) {
        SplittableRandom r = new SplittableRandom(8);
        List<Vec> out = new ArrayList<>();
        for (int i = 0; i < ground; i++) {
            out.add(new Vec(r.nextDouble(-2, 2), 0.004 * r.nextGaussian(), r.nextDouble(3.5, 8)));
        }
        for (int i = 0; i < table; i++) {
            out.add(new Vec(r.nextDouble(-1, 1), 0.75 + 0.004 * r.nextGaussian(), r.nextDouble(3, 5)));
        }
        for (int i = 0; i < other; i++) {
            out.add(new Vec(r.nextDouble(-3, 3), r.nextDouble(0.05, 2.5), r.nextDouble(4, 9)));
        }
        return out;
    }

    private static PictureCamera camera(Estimate lens) {
        return PictureCamera.known(1280, 720, Estimate.exact(1100), Estimate.exact(-12), Estimate.exact(2), lens);
    }

    @Test
    void theLowestLevelThatManyShareIsTheGround() {
        MovingCamera c = GroundAlignment.by(path(room(60, 80, 200)), camera(new Estimate(LENS_M, 0.015)));
        assertThat(c.scaleKnown()).isTrue();
        assertThat(c.level()).isTrue();
        assertThat(c.scaleShare()).isBetween(0.0099, 0.02);
        assertThat(c.refused()).isEmpty();
        assertThat(c.frames().getFirst().position().minus(new Vec(0, LENS_M, 0)).length()).isLessThan(1e-9);
        Vec last = c.frames().getLast().position();
        assertThat(last.minus(new Vec(0.8, LENS_M, 0.6)).length()).as("%s", last).isLessThan(0.01);
        assertThat(c.places().subList(0, 60)).allSatisfy(p -> assertThat(p.y()).isCloseTo(0, within(0.03)));
        assertThat(c.frames().getFirst().down().y()).as("the first frame looks down")
                .isCloseTo(-Math.cos(Math.toRadians(12)) * Math.cos(Math.toRadians(2)), within(1e-6));
        assertThat(c.length()).isCloseTo(1, within(0.01));
    }

    @Test
    void withoutGroundOrHeightThereIsNoScale() {
        MovingCamera none = GroundAlignment.by(path(room(0, 0, 150)), camera(Estimate.exact(LENS_M)));
        assertThat(none.scaleKnown()).isFalse();
        assertThat(none.level()).isTrue();
        assertThat(none.refused()).extracting(Refusal::why).containsExactly("no-ground");
        MovingCamera bare = GroundAlignment.by(path(room(60, 0, 100)), camera(null));
        assertThat(bare.scaleKnown()).isFalse();
        assertThat(bare.refused()).extracting(Refusal::why).containsExactly("no-height");
        assertThat(bare.frames().getLast().position().length()).as("its size stays").isCloseTo(1 / UNIT_M, within(1e-9));
    }
}
