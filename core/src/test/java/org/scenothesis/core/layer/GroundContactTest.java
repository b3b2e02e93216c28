package org.scenothesis.core.layer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.stage.HandCamera;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.value.Animated;
import org.scenothesis.core.value.Given;

class GroundContactTest {
    private static final int W = 640;
    private static final int H = 360;
    private static final Stage STAGE = HandCamera.FRESH.stage(null, 16 / 9.0);

    private static Plane column(double x, double top, double low, double half) {
        Plane p = Plane.of(W, H);
        for (int y = (int) top; y < low; y++) {
            for (int i = (int) (x - half); i < x + half; i++) {
                p.data()[y * W + i] = 1;
            }
        }
        return p;
    }

    @ParameterizedTest
    @CsvSource({"0, 7", "-1.2, 9", "0.8, 8"})
    void whatIsSeenOnTheGroundStandsThere(double side, double away) {
        Vec eye = STAGE.camera().position().value();
        Vec foot = new Vec(eye.x() + side, STAGE.groundM(), eye.z() + away);
        Point seen = STAGE.pose(W, H).project(foot);
        Vec found = GroundContact.of(column(seen.x(), seen.y() - 80, seen.y(), 9), STAGE).orElseThrow();
        assertThat(found.x()).isCloseTo(foot.x(), within(0.06));
        // A row of pixels is so much of the ground there.
        double row = STAGE.pose(W, H).onLevel(new Point(seen.x(), seen.y() + 1), STAGE.groundM()).z() - foot.z();
        assertThat(found.z()).isCloseTo(foot.z(), within(2.5 * Math.abs(row)));
        assertThat(found.y()).isCloseTo(STAGE.groundM(), within(1e-9));
    }

    @Test
    void aLoosePixelIsNoFootAndTheSkyNoGround() {
        Plane p = column(320, 200, 280, 12);
        Vec before = GroundContact.of(p, STAGE).orElseThrow();
        p.data()[350 * W + 10] = 1;
        assertThat(GroundContact.of(p, STAGE)).hasValue(before);
        assertThat(GroundContact.of(Plane.of(W, H), STAGE)).isEmpty();
        assertThat(GroundContact.of(column(320, 5, 60, 12), STAGE)).as("above the horizon").isEmpty();
    }

    @Test
    void whatWasNotMovedGoesAlongWithItsFoot() {
        Given<Vec> found = new Given.Measured<>(new Vec(1, 0, 5), "lowest-point");
        SetPlace still = SetPlace.asFilmed(new Given.Assumed<>(new Vec(0, 0, 7), "filmed-nowhere-said"));
        assertThat(still.stands(found)).isEqualTo(SetPlace.asFilmed(found));
        SetPlace moved = still.withFoot(Animated.of(new Vec(2, 0, 7)));
        assertThat(moved.stands(found).foot()).as("it stays where it was moved to").isEqualTo(moved.foot());
        assertThat(moved.stands(found).filmedFoot()).isEqualTo(found);
    }
}
