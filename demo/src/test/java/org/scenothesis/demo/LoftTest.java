package org.scenothesis.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.rehearsal.Roll;
import org.scenothesis.demo.loft.LiftingShoot;
import org.scenothesis.demo.loft.Loft;
import org.scenothesis.demo.loft.Maker;

class LoftTest {
    @Test
    void theDemoShootHasItsTakesAndItsBump() {
        List<Roll> rolls = LiftingShoot.rolls(320, 180);
        assertThat(rolls).extracting(Roll::name).contains("clean-1", "clean-2", "maker-1", "lantern-1", "screen-only", "card-ruler",
                "lamp-pass");
        Roll bumped = rolls.stream().filter(r -> r.name().equals("clean-1")).findFirst().orElseThrow();
        assertThat(bumped.views()).hasSize(2);
        assertThat(bumped.views().get(1).fromFrame()).isEqualTo(LiftingShoot.BUMP_FRAME);
        CameraPose a = bumped.views().get(0).view().pose();
        CameraPose b = bumped.views().get(1).view().pose();
        Vec far = new Vec(0.2, 1.2, 1);
        assertThat(b.project(far).minus(a.project(far)).length() * 1280 / 320).isBetween(1.0, 2.0);
    }

    @Test
    void theMakerReachesAndTheClothWrinkles() {
        assertThat(Maker.lifting(0).rightHand()).isNotEqualTo(Maker.lifting(2).rightHand());
        assertThat(Maker.lifting(1).stage(1).solids()).allSatisfy(s -> assertThat(s.owner()).isEqualTo(1));
        assertThat(Loft.CLOTH.wrinkle()).isPositive();
        assertThat(Loft.set().lamps()).isNotEmpty();
        assertThat(Loft.SUN.length()).isCloseTo(1, Offset.offset(1e-9));
    }
}
