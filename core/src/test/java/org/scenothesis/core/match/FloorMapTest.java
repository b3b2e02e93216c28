package org.scenothesis.core.match;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;

/// What lies on the floor of one picture, laid on that of another, seen by independent pinhole cameras.
class FloorMapTest {
    private static PictureCamera camera(int w, int h, double focal, double tilt, double roll, double high) {
        return PictureCamera.known(w, h, Estimate.exact(focal), Estimate.exact(tilt), Estimate.exact(roll), Estimate.exact(high));
    }

    @ParameterizedTest
    @CsvSource({"900, -8, 0, 1.4", "1500, -3, 2, 1.1", "700, -20, -1.5, 2.2"})
    void whatLiesSoFarAheadOfOneLiesSoFarAheadOfTheOther(double focal, double tilt, double roll, double high) {
        PlanarMap m = FloorMap.between(camera(1280, 720, 1000, -6, 0.5, 1.5), camera(1920, 1080, focal, tilt, roll, high)).orElseThrow();
        CameraPose a = new CameraPose(new Vec(0, 1.5, 0), 0, -6, 0.5, 1000, 1280, 720);
        CameraPose b = new CameraPose(new Vec(0, high, 0), 0, tilt, roll, focal, 1920, 1080);
        for (Vec v : new Vec[] {new Vec(0, 0, 4), new Vec(1.3, 0, 5), new Vec(-2, 0, 12), new Vec(0.4, 0, 2.6)}) {
            Point from = a.project(v);
            Point to = b.project(v);
            Point there = m.map(from.x(), from.y());
            assertThat(there.minus(to).length()).as("%s", v).isCloseTo(0, within(0.01));
        }
    }

    @ParameterizedTest
    @CsvSource({"true, false", "false, true"})
    void withoutBothHeightsThereIsNoWay(boolean own, boolean other) {
        PictureCamera known = camera(1280, 720, 1000, -6, 0, 1.5);
        PictureCamera bare = PictureCamera.known(1280, 720, Estimate.exact(1000), Estimate.exact(-6), Estimate.exact(0), null);
        assertThat(FloorMap.between(own ? bare : known, other ? bare : known)).isEmpty();
    }
}
