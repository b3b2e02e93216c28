package org.scenothesis.core.optics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.picture.Point;

/// Check values of the project's formula sheet.
class OpticsTest {
    @Test
    void aThirtyFiveOnFullFrameSeesFiftyFourDegrees() {
        Lens lens = new Lens(0.035, 0.036, 2.8);
        assertThat(lens.horizontalViewDeg()).isCloseTo(54.432, Offset.offset(1e-3));
        assertThat(lens.focalPx(1920)).isCloseTo(1866.67, Offset.offset(0.01));
    }

    @Test
    void blurCircleAndHyperfocal() {
        Lens lens = new Lens(0.050, 0.0236, 2.8);
        double circle = lens.blurCircleM(4, 2);
        assertThat(circle * 1000).isCloseTo(0.22894, Offset.offset(1e-5));
        assertThat(circle / 0.0236 * 1920).isCloseTo(18.63, Offset.offset(0.01));
        assertThat(lens.hyperfocalM(0.00002)).isCloseTo(44.693, Offset.offset(1e-3));
        assertThat(lens.blurCircleM(2, 2)).isZero();
        assertThat(lens.apertureRadiusM()).isCloseTo(0.05 / 5.6, Offset.offset(1e-9));
    }

    @Test
    void eyelineSizeAndTime() {
        assertThat(Staging.eyelineDeg(1.1, 3)).isCloseTo(20.14, Offset.offset(0.01));
        assertThat(Staging.sizePx(1.8, 1866.67, 4)).isCloseTo(840, Offset.offset(0.1));
        assertThat(Staging.timeFactor(12)).isCloseTo(3.464, Offset.offset(1e-3));
        assertThat(Staging.timeFactor(1 / 8.0)).isCloseTo(0.3536, Offset.offset(1e-4));
        assertThatIllegalArgumentException().isThrownBy(() -> Staging.eyelineDeg(1, 0));
    }

    @Test
    void overscanOfAWobble() {
        assertThat(Staging.overscan(1920, 1080, new Staging.Wobble(12, 8, 0.5))).isCloseTo(1.0305, Offset.offset(5e-4));
        assertThat(Staging.overscan(1920, 1080, new Staging.Wobble(0, 0, 0))).isEqualTo(1);
    }

    @ParameterizedTest
    @CsvSource({"0,0,0", "20,-8,0", "-35,12,3", "5,0,-7"})
    void whatIsProjectedIsFoundAgainAlongItsRay(double pan, double tilt, double roll) {
        CameraPose c = new CameraPose(new Vec(0.3, 1.5, -2), pan, tilt, roll, 1200, 1280, 720);
        Vec p = c.position().plus(c.ray(new Point(400, 300)).times(5));
        Point seen = c.project(p);
        assertThat(seen.x()).isCloseTo(400, Offset.offset(1e-6));
        assertThat(seen.y()).isCloseTo(300, Offset.offset(1e-6));
    }

    @Test
    void lookingUpMovesThePictureDown() {
        CameraPose level = new CameraPose(new Vec(0, 1, 0), 0, 0, 0, 1000, 1000, 1000);
        Vec ahead = new Vec(0, 1, 5);
        assertThat(level.turned(0, 5, 0).project(ahead).y()).isGreaterThan(level.project(ahead).y());
        assertThat(level.turned(5, 0, 0).project(ahead).x()).isLessThan(level.project(ahead).x());
    }

    @Test
    void rayMeetsTheFloorInFrontAndNotAboveTheHorizon() {
        CameraPose c = new CameraPose(new Vec(0, 1.5, 0), 0, 0, 0, 1000, 1000, 1000);
        Vec floor = c.onLevel(new Point(500, 800), 0);
        assertThat(floor).isNotNull();
        assertThat(floor.z()).isCloseTo(5, Offset.offset(1e-6));
        assertThat(c.onLevel(new Point(500, 300), 0)).isNull();
    }

    @Test
    void impossibleCamerasAreRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> new CameraPose(Vec.ZERO, 0, 0, 0, 0, 10, 10));
        assertThatIllegalArgumentException().isThrownBy(() -> new CameraPose(Vec.ZERO, 0, 91, 0, 10, 10, 10));
        assertThatIllegalArgumentException().isThrownBy(() -> new Lens(Double.NaN, 0.036, 2));
    }
}
