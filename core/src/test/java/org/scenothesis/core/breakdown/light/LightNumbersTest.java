package org.scenothesis.core.breakdown.light;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.plate.Region;
import org.scenothesis.core.optics.Lens;
import org.scenothesis.core.stage.KeyLight;
import org.scenothesis.core.value.Given;

class LightNumbersTest {
    private static final KeyLight USUAL = new KeyLight(new Given.Assumed<>(new KeyLight.Direction(-45, 45), "usual"),
            new Given.Assumed<>(10.0, "usual"), new Given.Assumed<>(1.5, "usual"));

    @Test
    void aClothLitSquareOnFallsOffAsTheFormulasSay() {
        assertThat(Lamps.falloffStops(2, 1.5)).isCloseTo(-1.288, within(5e-4));
    }

    @ParameterizedTest
    @CsvSource({"3, false", "3, true", "1.5, true", "6, false"})
    void clothLampsStandJustFarEnough(double wide, boolean sides) {
        double far = Lamps.clothM(wide, sides, 0.5);
        assertThat(Lamps.unevenStops(far, wide, sides)).isCloseTo(0.5, within(1e-3));
        assertThat(Lamps.unevenStops(far * 0.95, wide, sides)).isGreaterThan(0.5);
    }

    @Test
    void aKeyKeepsToItsStopsOverTheMovement() {
        double d = Lamps.keyM(0.9, 0.5);
        assertThat(2 * Math.log((d + 0.45) / (d - 0.45)) / Math.log(2)).isCloseTo(0.5, within(1e-9));
        assertThat(Lamps.changeStops(d, 0.9)).isCloseTo(0.5, within(1e-9));
    }

    /// Projected by hand: a key 45 degrees aside throws a flat board's near edge b metres sideways at b metres behind it.
    @Test
    void theShadowHasJustLeftThePictureAtTheGap() {
        Region.Sweep s = new Region.Sweep(0, 1.8, 1, 1.2, 4, 2);
        double b = new ShadowGap(s, 45, 1).leastM();
        double seen = 0.5 * (4 + b) / 4;
        assertThat(b - 0.5).isCloseTo(seen, within(1e-9));
        assertThat(new ShadowGap(s, 180, 40).leastM()).isZero();
        assertThat(new ShadowGap(s, 0, 5).leastM()).isInfinite();
        // From high in front it falls under what is seen: its top comes down to the ray past the lowest point.
        Region.Sweep waist = new Region.Sweep(1, 1.8, 1, 1.2, 4, 2);
        double down = new ShadowGap(waist, 0, 60).leastM();
        assertThat(1.8 - down * Math.tan(Math.toRadians(60))).isCloseTo(1.2 + (1 - 1.2) * (4 + down) / 4, within(1e-9));
    }

    @Test
    void whatWasToldIsTheLightOfTheStage() {
        KeyLight l = new KeyFacts(new Answers(Map.of(), Map.of("light", "lamps", "keyFrom", "right", "keyUpDeg", "30", "keyFill", "3")))
                .light(USUAL, 10);
        assertThat(l.direction()).isEqualTo(Given.entered(new KeyLight.Direction(130, 30)));
        assertThat(l.direction().value().asSeen(10)).isEqualTo(120);
        assertThat(l.keyToFillStops()).isEqualTo(Given.entered(3.0));
        assertThat(l.sizeDeg()).as("nobody told it").isEqualTo(USUAL.sizeDeg());
        assertThat(new KeyFacts(new Answers(Map.of(), Map.of("light", "shade", "keyFrom", "right"))).light(USUAL, 0)).isEqualTo(USUAL);
    }

    @Test
    void depthOfFieldEndsWhereTheBlurReachesTheCircle() {
        Lens lens = new Lens(0.05, 0.0236, 2.8);
        for (double focus : new double[] {1, 2, 8}) {
            assertThat(lens.blurCircleM(lens.nearM(focus, 2e-5), focus)).isCloseTo(2e-5, within(1e-9));
            assertThat(lens.blurCircleM(lens.farM(focus, 2e-5), focus)).isCloseTo(2e-5, within(1e-9));
        }
        assertThat(lens.farM(50, 2e-5)).isInfinite();
        assertThat(lens.nearM(lens.hyperfocalM(2e-5), 2e-5)).isCloseTo(lens.hyperfocalM(2e-5) / 2, within(0.05));
    }
}
