package org.scenothesis.core.breakdown.camera;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.Shots;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Shot;

class CameraCardTest {
    private static final Map<String, String> SET = Map.of("frameM", "2", "behindM", "2", "sensorMm", "23.6", "fNumber", "2.8", "finishPx",
            "1080");

    private static BreakdownPlan plan(Shot s) {
        return Breakdown.plan(s, HouseRules.DEFAULT);
    }

    private static CameraCard card(Shot s, String group) {
        return plan(s).cards().stream().filter(c -> c.group().equals(group)).findFirst().orElseThrow();
    }

    /// 23.6 mm wide and 13.275 mm high, a frame 2 m high in 3 m: 19.9 mm. Two pixels of 1920 are 24.58 micrometres.
    @Test
    void theTableOfALensFollowsFromTheToldFrame() {
        CameraCard c = card(Shots.of(SET, Shots.illusion(IllusionKind.ELSEWHERE, "the maker", "backgroundM", "3", "lensM", "1.2")), "B");
        assertThat(c.focalMm()).isCloseTo(13.275 * 3 / 2, within(1e-6));
        assertThat(c.lensM()).isEqualTo(1.2);
        assertThat(c.awayM()).isEqualTo(3);
        double f = c.focalMm() / 1000;
        double circle = 2 * 0.0236 / 1920;
        double hyperfocal = f * f / (2.8 * circle) + f;
        assertThat(c.nearM()).isCloseTo(3 * (hyperfocal - f) / (hyperfocal + 3 - 2 * f), within(1e-9));
        assertThat(c.farM()).isCloseTo(3 * (hyperfocal - f) / (hyperfocal - 3), within(1e-9));
        // Formulas: f²/(N(s−f))·|d−s|/d on the sensor, in pixels of 1920.
        assertThat(c.clothBlurPx()).isCloseTo(f * f / (2.8 * (3 - f)) * 2 / 5 / 0.0236 * 1920, within(1e-9));
    }

    @Test
    void aSmallOnesCameraStandsFartherWithTheSameView() {
        Shot s = Shots.of(SET, Shots.illusion(IllusionKind.OTHER_SIZE, "the maker", "factor", "0.5", "backgroundM", "3", "roomM", "20",
                "lensM", "1.4", "restM", "0.9"));
        CameraCard own = card(s, "B");
        assertThat(own.awayM()).isCloseTo(6, within(1e-9));
        assertThat(own.lensM()).isCloseTo(1, within(1e-9));
        assertThat(own.focalMm()).as("the same angle of view").isCloseTo(card(s, "A").focalMm(), within(1e-6));
        assertThat(own.outline()).isEqualTo(PlateKey.CLEAN);
        assertThat(card(s, "A").clothBlurPx()).as("no cloth hangs in the place").isZero();
    }

    @Test
    void stoppedDownMoreIsSharp() {
        Shot open = Shots.of(SET, Shots.illusion(IllusionKind.ELSEWHERE, "the maker"));
        Shot down = open.withSetting(x -> x.withFact("fNumber", "11"));
        assertThat(card(down, "B").nearM()).isLessThan(card(open, "B").nearM());
        assertThat(card(down, "B").farM()).isGreaterThan(card(open, "B").farM());
        assertThat(card(down, "B").clothBlurPx()).isLessThan(card(open, "B").clothBlurPx());
    }

    @Test
    void aChildLeadsAndItsOutlineStaysOnTheMonitor() {
        Shot s = Shots.of(Shots.illusion(IllusionKind.ELSEWHERE, "the apprentice", "who", "child"),
                Shots.illusion(IllusionKind.FLOATS, "the lantern", "performer", "yes", "actor", "the maker"));
        BreakdownPlan p = plan(s);
        assertThat(p.cards()).allSatisfy(c -> assertThat(c.leads()).isEqualTo(PlateKey.thing("the-apprentice")));
        assertThat(card(s, "A").outline()).isEqualTo(PlateKey.thing("the-apprentice"));
        assertThat(p.need("acting").orElseThrow().after()).contains(PlateKey.thing("the-apprentice"));
    }
}
