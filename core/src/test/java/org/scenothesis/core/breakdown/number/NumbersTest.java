package org.scenothesis.core.breakdown.number;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.plate.Storage;
import org.scenothesis.core.picture.Point;

class NumbersTest {
    @ParameterizedTest
    @CsvSource({"12, 0.25, 3.4641", "0.125, 24, 0.35355", "1, 3, 1"})
    void sizeSetsDistanceAndTime(double k, double distance, double time) {
        assertThat(new Scale(k).distanceM(3)).isCloseTo(distance, within(1e-9));
        assertThat(new Scale(k).lensM(3, 0)).isCloseTo(distance, within(1e-9));
        assertThat(new Scale(k).time()).isCloseTo(time, within(5e-5));
    }

    @Test
    void aShortRoomLeavesTheForeshorteningItSays() {
        // Wanted 30 m, only 6 there: 0.6 / 6 - 0.6 / 30.
        assertThat(new Scale(0.1).foreshortening(0.6, 3, 6)).isCloseTo(0.08, within(1e-12));
        assertThat(new Scale(0.1).foreshortening(0.6, 3, 40)).isZero();
        assertThatThrownBy(() -> new Scale(Double.NaN)).isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest
    @CsvSource({"12, 1, 0.25", "30, 3, 0.3", "7, 2, 0.4", "100, 5, 0.2"})
    void repeatsInACrowdStayAsFarApartAsAsked(int count, int rows, double apart) {
        List<Point> places = Crowd.places(count, rows);
        assertThat(places).hasSize(count).allSatisfy(p -> assertThat(p.x()).isBetween(0.0, 1.0));
        Crowd c = Crowd.fewest(places, apart);
        assertThat(c.nearest()).isGreaterThanOrEqualTo(apart - 1e-9);
        assertThat(c.uniques()).isLessThan(count);
        assertThat(c.performance()).hasSize(count).allSatisfy(p -> assertThat(p).isBetween(0, c.uniques() - 1));
    }

    @Test
    void oneRowNeedsExactlyAsManyAsFitIntoTheDistance() {
        // Twelve places a twelfth apart: a quarter of the picture spans three, so three performances in turn suffice and two do not.
        assertThat(Crowd.fewest(Crowd.places(12, 1), 0.25).uniques()).isEqualTo(3);
        assertThat(Crowd.spread(Crowd.places(12, 1), 3).nearest()).isCloseTo(0.25, within(1e-9));
        assertThat(Crowd.spread(Crowd.places(12, 1), 12).uniques()).isEqualTo(12);
    }

    @Test
    void stillsAreCountedWithSparesAndTheEmptyBase() {
        Stills s = Stills.of(6, 12, 30);
        assertThat(s.frames()).isEqualTo(72);
        assertThat(s.spares()).as("a quarter").isEqualTo(18);
        assertThat(s.empties()).isEqualTo(2);
        assertThat(s.minutes()).isCloseTo(92 * 0.5, within(1e-9));
    }

    @Test
    void resolutionCountsPushInAndPlacedSize() {
        assertThat(Resolution.background(2160, 1080, 1.5)).isCloseTo(0.75, within(1e-12));
        assertThat(Resolution.element(1080, 0.8, 1080, 0.4, 1)).isCloseTo(0.5, within(1e-12));
        Answers hand = new Answers(Map.of(), Map.of("camera", "handheld", "wobblePx", "12", "finishPx", "1080"));
        assertThat(Resolution.crop(hand)).isCloseTo(1.0305, within(5e-4));
        assertThat(Resolution.crop(new Answers(Map.of(), Map.of("camera", "push", "pushIn", "1.4")))).isEqualTo(1.4);
        assertThat(Resolution.crop(new Answers(Map.of(), Map.of()))).isEqualTo(1);
    }

    @ParameterizedTest
    @CsvSource({"10, 32, 1", "27, 64, 1", "300, 512, 1", "2000, 1024, 3"})
    void cardsHoldTheDayWithAFifthToSpare(double gb, int card, int cards) {
        assertThat(Storage.forGigabytes(gb).cardGigabytes()).isEqualTo(card);
        assertThat(Storage.forGigabytes(gb).cards()).isEqualTo(cards);
    }
}
