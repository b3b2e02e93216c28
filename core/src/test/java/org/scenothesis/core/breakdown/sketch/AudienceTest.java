package org.scenothesis.core.breakdown.sketch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.Shots;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Shot;

/// The audience's view at scale, also of shots told at random.
class AudienceTest {
    private static double metres(Sketch s, Sketch.Piece p) {
        return p.h() / Sketch.HEIGHT * s.frame().highM();
    }

    private static Sketch.Piece piece(Sketch s, String name) {
        return s.pieces().stream().filter(p -> p.name().equals(name)).findFirst().orElseThrow();
    }

    @RepeatedTest(3)
    void whateverWasToldIsDrawnInNumbersThatCanBeDrawn(RepetitionInfo round) {
        Random random = new Random(40 + round.getCurrentRepetition());
        for (int i = 0; i < 40; i++) {
            Shot s = Shots.random(random, "s" + i);
            for (double t : new double[] {0, 2, 7.5}) {
                Sketch k = Sketch.of(s, t);
                assertThat(k.shapes()).isNotEmpty().allSatisfy(x -> assertThat(x.x() + x.y() + x.w() + x.h()).isFinite());
                assertThat(k.frame().highM()).isPositive();
                for (Sketch.Piece p : k.pieces()) {
                    assertThat(Drawn.moved(s, t, p, 0, 0)).as("nothing moved").isEqualTo(s);
                    Shot moved = Drawn.moved(s, t, p, 0.3, 0.2);
                    assertThat(moved.setting()).isEqualTo(s.setting());
                    assertThat(moved.illusions()).hasSameSizeAs(s.illusions());
                    // Also what was moved can be planned.
                    assertThat(Breakdown.plan(moved, HouseRules.DEFAULT).shot()).isEqualTo(s.id());
                }
            }
        }
    }

    @Test
    void aGiantIsAsTallAsItIsAndTheFrameHoldsItUntilItIsTold() {
        Shot giant = Shots.of(Shots.illusion(IllusionKind.OTHER_SIZE, "the maker", "factor", "8", "performer", "yes", "actor",
                "the apprentice"));
        Sketch s = Sketch.of(giant, 3);
        assertThat(metres(s, piece(s, "the maker"))).isCloseTo(8 * 1.7, within(1e-9));
        assertThat(metres(s, piece(s, "the apprentice"))).isCloseTo(1.7, within(1e-9));
        assertThat(piece(s, "the maker").y()).as("its head is in the frame").isPositive();
        Shot told = giant.withSetting(x -> x.withFact("frameM", "4"));
        Sketch small = Sketch.of(told, 3);
        assertThat(small.frame().highM()).isEqualTo(4);
        assertThat(piece(small, "the maker").y()).as("a frame too small keeps the head").isPositive();
        assertThat(small.frame().bottomM()).isGreaterThan(9);
    }

    @Test
    void whatFloatsIsUpWhileItFloatsAndItsHeightIsWritten() {
        Shot s = Shots.of(Shots.illusion(IllusionKind.FLOATS, "the lantern", "heightM", "0.8", "performer", "no"));
        assertThat(Sketch.of(s, 0.5).measures()).isEmpty();
        assertThat(Sketch.of(s, 4).measures()).singleElement().satisfies(m -> assertThat(m.metres()).isCloseTo(0.8, within(1e-9)));
        double half = Sketch.of(s, 1.9).measures().getFirst().metres();
        assertThat(half).isBetween(0.2, 0.7);
        assertThat(Sketch.of(s, 5.5).measures()).as("down again").isEmpty();
    }

    @Test
    void whatAppearsIsAnOutlineBeforeAndWhatBecomesAPersonIsAsTallAsThey() {
        Shot appears = Shots.of(Shots.illusion(IllusionKind.BECOMES, "the maker", "who", "person", "turn", "appears", "atS", "3",
                "performer", "no"));
        assertThat(Sketch.of(appears, 2).shapes()).anyMatch(x -> x.look() == Sketch.Look.DASHED)
                .noneMatch(x -> x.look() == Sketch.Look.SOLID);
        assertThat(Sketch.of(appears, 4).shapes()).noneMatch(x -> x.look() == Sketch.Look.DASHED)
                .anyMatch(x -> x.look() == Sketch.Look.SOLID);
        Shot keeper = Shots.of(Shots.illusion(IllusionKind.BECOMES, "the lantern", "second", "the keeper", "secondIs", "person",
                "secondSizeM", "1.8", "sizeM", "0.4", "atS", "3", "performer", "no"));
        assertThat(metres(Sketch.of(keeper, 2), piece(Sketch.of(keeper, 2), "the lantern"))).isCloseTo(0.4, within(1e-9));
        assertThat(metres(Sketch.of(keeper, 4), piece(Sketch.of(keeper, 4), "the lantern"))).isCloseTo(1.8, within(1e-9));
    }

    @Test
    void whoeverActsLooksAtWhatHappensAndStandsAsFarAsWasTold() {
        Shot s = Shots.of(Map.of("frameM", "4"), Shots.illusion(IllusionKind.FLOATS, "the lantern", "performer", "yes", "actor",
                "the maker", "distanceM", "1.2"));
        Sketch k = Sketch.of(s, 3);
        double apart = (piece(k, "the lantern").x() + piece(k, "the lantern").w() / 2 - piece(k, "the maker").x() - piece(k, "the maker")
                .w() / 2) / Sketch.WIDTH * k.frame().wideM();
        assertThat(apart).isCloseTo(1.2, within(1e-9));
        List<Sketch.Shape> sight = k.shapes().stream().filter(x -> x.look() == Sketch.Look.SIGHT).toList();
        assertThat(sight).hasSize(1);
        Sketch.Piece lantern = piece(k, "the lantern");
        assertThat(sight.getFirst().x() + sight.getFirst().w()).isCloseTo(lantern.x() + lantern.w() / 2, within(1e-9));
        assertThat(sight.getFirst().y() + sight.getFirst().h()).isCloseTo(lantern.y() + lantern.h() / 2, within(1e-9));
    }
}
