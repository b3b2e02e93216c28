package org.scenothesis.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.value.Given;

class HandCameraTest {
    private static final double ASPECT = 16 / 9.0;

    private static Point seen(CameraPose pose, Vec p) {
        Point q = pose.project(p);
        return new Point(q.x() / pose.width(), q.y() / pose.height());
    }

    /// Where a camera sees points endlessly far on the ground's level, at the picture's edges.
    private static double horizon(CameraPose pose, double x) {
        double low = -5;
        double high = 6;
        for (int i = 0; i < 60; i++) {
            double y = (low + high) / 2;
            if (pose.ray(new Point(x * pose.width(), y * pose.height())).y() > 0) {
                low = y;
            } else {
                high = y;
            }
        }
        return low;
    }

    /// What a known camera shows of horizon and a person of 1.7 m gives that camera back.
    @ParameterizedTest
    @CsvSource({"1.3, 0, 0, 60, 0, 4", "1.6, -12, 0, 45, 1, 5", "0.4, 8, 3, 70, -0.8, 3", "2.5, -20, -5, 90, 1.5, 6"})
    void aCameraIsFoundFromHorizonAndKnownHeight(double lens, double tilt, double roll, double view, double x, double z) {
        CameraPose pose = new CameraPose(new Vec(0, lens, 0), 0, tilt, roll, 1600 / 2.0 / Math.tan(Math.toRadians(view / 2)), 1600, 900);
        HandCamera.Horizon h = new HandCamera.Horizon(horizon(pose, 0), horizon(pose, 1));
        Evidence.Upright person = new Evidence.Upright(seen(pose, new Vec(x, 0, z)), seen(pose, new Vec(x, 1.7, z)), 1.7);
        HandCamera c = HandCamera.FRESH.withViewDeg(Given.entered(view)).withHorizon(Given.entered(h)).withKnown(person);
        assertThat(c.aim(ASPECT).tiltDeg()).isCloseTo(tilt, Offset.offset(0.02));
        assertThat(c.aim(ASPECT).rollDeg()).isCloseTo(roll, Offset.offset(0.02));
        assertThat(c.height(ASPECT).orElseThrow()).isCloseTo(lens, Offset.offset(0.01));
        Stage s = c.stage(null, ASPECT);
        Point foot = seen(s.pose(1600, 900), new Vec(x, 0, z));
        assertThat(foot.minus(person.foot()).length()).isLessThan(0.002);
        HandCamera back = HandCamera.of(s, ASPECT);
        assertThat(back.lensHeightM().value()).isCloseTo(lens, Offset.offset(0.01));
        assertThat(back.viewDeg().value()).isCloseTo(view, Offset.offset(1e-6));
        assertThat(back.horizon().value().left()).isCloseTo(h.left(), Offset.offset(1e-3));
        assertThat(back.horizon().value().right()).isCloseTo(h.right(), Offset.offset(1e-3));
    }

    /// By the rule of the horizon: of whatever stands on the ground, the lens height is cut off by it.
    @Test
    void aPersonWhoseEyesLieOnTheHorizonIsSeenFromThere() {
        HandCamera c = HandCamera.FRESH.withHorizon(Given.entered(new HandCamera.Horizon(0.4, 0.4)))
                .withKnown(new Evidence.Upright(new Point(0.5, 0.9), new Point(0.5, 0.4), 1.6));
        assertThat(c.height(ASPECT).orElseThrow()).isCloseTo(1.6, Offset.offset(0.01));
    }

    @Test
    void whatWasNotToldStaysAssumed() {
        Stage s = HandCamera.FRESH.withLensHeightM(Given.entered(1.1)).stage(null, ASPECT);
        assertThat(s.camera().position()).isEqualTo(Given.entered(new Vec(0, 1.1, 0)));
        assertThat(s.camera().widthShareFocal()).isInstanceOf(Given.Assumed.class);
        assertThat(s.light().direction()).isInstanceOf(Given.Assumed.class);
        Stage again = HandCamera.of(s, ASPECT).withViewDeg(Given.entered(40.0)).stage(s, ASPECT);
        assertThat(again.light()).isEqualTo(s.light());
        assertThat(again.camera().aim()).isInstanceOf(Given.Assumed.class);
        assertThat(again.camera().widthShareFocal()).isEqualTo(Given.entered(0.5 / Math.tan(Math.toRadians(20))));
    }

    @Test
    void whatFloatsAboveTheHorizonTellsNoHeight() {
        HandCamera c = HandCamera.FRESH.withKnown(new Evidence.Upright(new Point(0.5, 0.4), new Point(0.5, 0.2), 1.7));
        assertThat(c.height(ASPECT)).isEmpty();
        assertThatIllegalArgumentException().isThrownBy(() -> c.stage(null, ASPECT)).withMessageContaining("horizon");
    }

    /// A lens of 50 mm before a sensor of 36 mm sees 39.6 degrees.
    @Test
    void theViewFollowsFromLensAndSensor() {
        assertThat(HandCamera.viewDeg(50, 36).orElseThrow()).isCloseTo(39.6, Offset.offset(0.05));
    }

    @Test
    void theGroundIsRuledInMetres() {
        Stage s = HandCamera.FRESH.stage(null, ASPECT);
        CameraPose pose = s.pose(1000, 563);
        assertThat(GroundGrid.lines(s, ASPECT)).hasSizeGreaterThan(20).allSatisfy(l -> {
            for (Point p : l) {
                Vec on = pose.onLevel(new Point(p.x() * 1000, p.y() * 563), 0);
                assertThat(on).isNotNull();
            }
        }).anySatisfy(l -> assertThat(pose.onLevel(new Point(l.getFirst().x() * 1000, l.getFirst().y() * 563), 0).z())
                .isCloseTo(3, Offset.offset(0.02)));
    }

    /// What was shown stays with the set: told another view, the lens height follows anew.
    @Test
    void theLensHeightFollowsFromWhatWasShownAlsoLater() {
        Evidence.Upright person = new Evidence.Upright(new Point(0.5, 0.9), new Point(0.5, 0.4), 1.6);
        HandCamera first = HandCamera.FRESH.withViewDeg(HandCamera.noted(28, 1.5).orElseThrow())
                .withHorizon(Given.entered(new HandCamera.Horizon(0.45, 0.45))).withKnown(person);
        Stage s = first.stage(null, 1.5);
        assertThat(s.evidence()).containsExactly(person);
        assertThat(s.camera().position()).isInstanceOf(Given.Measured.class);
        HandCamera later = HandCamera.of(s, 1.5);
        assertThat(later.viewDeg()).isInstanceOf(Given.Measured.class);
        assertThat(later.known()).isEqualTo(person);
        Stage higher = later.withHorizon(Given.entered(new HandCamera.Horizon(0.3, 0.3))).stage(s, 1.5);
        assertThat(higher.camera().position().value().y()).isGreaterThan(s.camera().position().value().y() + 0.1);
        assertThat(later.withLensHeightM(Given.entered(1.0)).withKnown(null).stage(s, 1.5).evidence()).isEmpty();
    }

    /// 36 by 24 mm is its own equivalent; a 16 by 9 picture of the same diagonal is wider.
    @Test
    void aNotedLensIsReadByTheDiagonal() {
        assertThat(HandCamera.noted(36, 1.5).orElseThrow().value()).isCloseTo(2 * Math.toDegrees(Math.atan(0.5)), Offset.offset(1e-9));
        assertThat(HandCamera.noted(26, 16 / 9.0).orElseThrow().value()).isCloseTo(71.899, Offset.offset(0.001));
        assertThat(HandCamera.noted(26, 9 / 16.0).orElseThrow().value()).isCloseTo(44.383, Offset.offset(0.001));
    }
}
