package org.scenothesis.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.value.Given;

class StageTest {
    /// The check value of the formulas: facing 3.00, level ground under a key 40° high 2.619.
    @Test
    void keyToFillIsThatOfASurfaceFacingTheKey() {
        KeyLight l = KeyLight.told(new KeyLight.Direction(20, 40), 10, 3);
        assertThat(l.litToShadowStops(Vec.UP)).isCloseTo(2.619, within(5e-4));
        assertThat(l.litToShadowStops(l.towards())).isCloseTo(Math.log(9) / Math.log(2), within(1e-12));
        assertThat(l.density(Vec.UP)).isCloseTo(1 - Math.pow(2, -2.619), within(1e-3));
        assertThat(l.density(new Vec(0, -1, 0))).isZero();
    }

    @ParameterizedTest
    @CsvSource({"0.9, 36", "3, 80", "0.05, 20", "1, 90"})
    void theWayBackIsTheWayBack(double stops, double height) {
        KeyLight.Direction d = new KeyLight.Direction(-78, height);
        KeyLight l = KeyLight.told(d, 26, KeyLight.keyToFillStops(stops, d, Vec.UP));
        assertThat(l.litToShadowStops(Vec.UP)).isCloseTo(stops, within(1e-9));
        assertThat(KeyLight.keyToFillStops(0, d, Vec.UP)).isEqualTo(-6);
    }

    @Test
    void lightsAreVectorsAndImpossibleOnesRefused() {
        Vec v = new KeyLight.Direction(90, 0.0001 + 45).towards();
        assertThat(v.x()).isPositive();
        assertThat(v.y()).isPositive();
        assertThat(Math.abs(v.z())).isLessThan(1e-6);
        assertThatIllegalArgumentException().isThrownBy(() -> new KeyLight.Direction(0, 0));
        assertThatIllegalArgumentException().isThrownBy(() -> new Surface.Extent(2, 1));
        assertThatIllegalArgumentException().isThrownBy(() -> new Stage(Stages.plain().camera(), List.of(), Stages.plain().light()));
    }

    /// The document knows one frame, the world's; what is shown is told from the camera.
    @Test
    void theSideOfTheLightIsToldFromTheCamera() {
        KeyLight.Direction left = new KeyLight.Direction(-30, 40);
        assertThat(left.asSeen(0)).isEqualTo(-30);
        assertThat(left.asSeen(60)).isEqualTo(-90);
        assertThat(left.asSeen(-170)).isEqualTo(140);
        assertThat(left.seenAt(-90, 60).azimuthDeg()).isEqualTo(-30);
        assertThat(left.seenAt(left.asSeen(75), 75).towards().minus(left.towards()).length()).isLessThan(1e-12);
    }

    /// A crop moves the point the lens looks through: what lay there is found there, and seen again along the same ray.
    @Test
    void aCroppedPictureIsLookedThroughElsewhere() {
        StageCamera c = Stages.plain().camera();
        CameraPose whole = c.pose(1000, 500);
        CameraPose cropped = new StageCamera(c.position(), c.aim(), c.widthShareFocal(), Given.entered(new Point(0.3, 0.6)))
                .pose(1000, 500);
        Vec there = new Vec(0.4, 1.2, 2);
        assertThat(cropped.project(there).minus(whole.project(there)).minus(new Point(-200, 50)).length()).isLessThan(1e-9);
        assertThat(cropped.ray(cropped.project(there)).minus(whole.ray(whole.project(there))).length()).isLessThan(1e-12);
        assertThat(cropped.moved(new Vec(1, 0, 0)).turned(1, 2, 3).zoomed(2).principal()).isEqualTo(new Point(300, 300));
    }
}
