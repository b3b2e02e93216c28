package org.scenothesis.core.breakdown.number;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class ClothGeometryTest {
    private static final ClothGeometry SET = new ClothGeometry(1.2, 4, 2);

    /// The check values of the formulas.
    @Test
    void theCheckValues() {
        assertThat(SET.seenAt(1.8)).isCloseTo(2.10, within(1e-9));
        assertThat(SET.seenAt(2.4)).isCloseTo(3.00, within(1e-9));
        assertThat(SET.wide(1)).isCloseTo(1.50, within(1e-9));
        assertThat(SET.seenAt(0)).as("the feet's ray on the plane of the cloth").isCloseTo(-1.2 * 2 / 4, within(1e-9));
    }

    @Test
    void feetOnTheFloorNeedClothUnderThemBackToTheHangingOne() {
        assertThat(SET.floorBefore(0)).isCloseTo(2, within(1e-9));
        ClothGeometry.Cloth c = SET.behind(0, 1.8, 0.8);
        assertThat(c.bottomM()).isZero();
        assertThat(c.floorM()).isCloseTo(2.15, within(1e-9));
        assertThat(c.topM()).isCloseTo(2.25, within(1e-9));
        assertThat(c.wideM()).isCloseTo(1.5, within(1e-9));
    }

    @Test
    void whatIsHighUpNeedsAClothThatHangsHighAndNoFloor() {
        ClothGeometry.Cloth c = SET.behind(1.4, 2.2, 0.8);
        assertThat(c.floorM()).isZero();
        assertThat(c.bottomM()).isCloseTo(1.2 + 0.2 * 1.5 - 0.15, within(1e-9));
        assertThat(c.highM()).isCloseTo(0.8 * 1.5 + 0.3, within(1e-9));
        assertThat(new ClothGeometry(1.2, 4, 0).behind(0.1, 1, 1).floorM()).as("against the cloth itself nothing lies before it").isZero();
    }

    /// Somewhat above the floor and below the lens the ray may still meet the floor first, farther back.
    @Test
    void aLowThingNeedsAShorterFloorCloth() {
        assertThat(SET.floorBefore(0.3)).isCloseTo(6 - 4 * 1.2 / 0.9, within(1e-9));
        assertThat(SET.floorBefore(1.3)).isZero();
    }
}
