package org.scenothesis.core.breakdown;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Objects;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.stage.HandCamera;
import org.scenothesis.core.stage.KeyLight;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.value.Given;

class FirstStageTest {
    private static final Shot SHOT = Shots.of(Shots.illusion(IllusionKind.FLOATS, "the lantern"));

    private static Stage staged(Shot s) {
        return Objects.requireNonNull(FirstStage.staged(s, HandCamera.FRESH, 16.0 / 9).stage());
    }

    @Test
    void aFirstSetIsLitAsTheShotWasTold() {
        Shot told = SHOT.withSetting(x -> x.withFact("keyFrom", "left").withFact("keyUpDeg", "50").withFact("keyFill", "2"));
        KeyLight light = staged(told).light();
        assertThat(light.direction()).isEqualTo(Given.entered(new KeyLight.Direction(-120, 50)));
        assertThat(light.keyToFillStops()).isEqualTo(Given.entered(2.0));
        assertThat(light.sizeDeg()).as("nobody said how soft").isInstanceOf(Given.Assumed.class);
        assertThat(staged(SHOT).light().direction()).isInstanceOf(Given.Assumed.class);
    }

    @Test
    void aSetThatStandsKeepsItsLight() {
        Shot staged = FirstStage.staged(SHOT, HandCamera.FRESH, 16.0 / 9);
        Shot told = staged.withSetting(x -> x.withFact("keyFrom", "right"));
        assertThat(staged(told).light()).isEqualTo(staged(staged).light());
    }
}
