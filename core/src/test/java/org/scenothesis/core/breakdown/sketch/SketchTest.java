package org.scenothesis.core.breakdown.sketch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.Shots;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Shot;

class SketchTest {
    private static double top(Sketch s) {
        return s.shapes().stream().filter(x -> x.illusion() == 0).mapToDouble(Sketch.Shape::y).min().orElseThrow();
    }

    @ParameterizedTest
    @EnumSource(IllusionKind.class)
    void everyIllusionLooksOtherWhenItHappensAndStaysInThePanel(IllusionKind kind) {
        Shot s = Shots.of(Shots.illusion(kind, "the maker"));
        Sketch before = Sketch.of(s, 0);
        Sketch now = Sketch.of(s, 3);
        assertThat(now).isNotEqualTo(before);
        for (Sketch k : List.of(before, now)) {
            assertThat(k.shapes()).allSatisfy(x -> {
                assertThat(x.x()).isBetween(-0.1, Sketch.WIDTH);
                assertThat(x.y()).isBetween(-0.1, Sketch.HEIGHT);
                assertThat(x.illusion()).isBetween(-1, 0);
            });
        }
        assertThat(now.shapes()).anySatisfy(x -> assertThat(x.look()).isNotEqualTo(Sketch.Look.FADED));
    }

    @Test
    void whatFloatsRisesWhatIsSmallIsSmallAndCopiesAreCounted() {
        Shot floats = Shots.of(Shots.illusion(IllusionKind.FLOATS, "the lantern"));
        assertThat(top(Sketch.of(floats, 3))).isLessThan(top(Sketch.of(floats, 0)));
        double small = top(Sketch.of(Shots.of(Shots.illusion(IllusionKind.OTHER_SIZE, "x", "factor", "0.1")), 3));
        double giant = top(Sketch.of(Shots.of(Shots.illusion(IllusionKind.OTHER_SIZE, "x", "factor", "9")), 3));
        assertThat(giant).isLessThan(small);
        Shot four = Shots.of(Shots.illusion(IllusionKind.COPIES, "the maker", "count", "4"));
        assertThat(Sketch.of(four, 3).shapes()).filteredOn(x -> x.kind() == Sketch.Shape.Kind.ELLIPSE).hasSize(4);
        assertThat(Sketch.of(four, 0).shapes()).filteredOn(x -> x.kind() == Sketch.Shape.Kind.ELLIPSE).hasSize(1);
    }

    @Test
    void illusionsStandSideBySide() {
        Shot two = Shots.of(Shots.illusion(IllusionKind.FLOATS, "a"), Shots.illusion(IllusionKind.FLOATS, "b"));
        Sketch s = Sketch.of(two, 3);
        double left = s.shapes().stream().filter(x -> x.illusion() == 0).mapToDouble(x -> x.x() + x.w()).max().orElseThrow();
        double right = s.shapes().stream().filter(x -> x.illusion() == 1).mapToDouble(Sketch.Shape::x).min().orElseThrow();
        assertThat(left).isLessThan(right);
        assertThat(Sketch.of(Shots.of(), 0).shapes()).hasSize(1);
    }

    private static Sketch.Piece piece(Sketch s, String name) {
        return s.pieces().stream().filter(p -> p.name().equals(name)).findFirst().orElseThrow();
    }

    @Test
    void whatIsMovedByMetresIsThatFarFromWhereItWas() {
        Shot s = Shots.of(Shots.illusion(IllusionKind.FLOATS, "the lantern", "heightM", "0.5", "performer", "yes", "actor", "the maker"));
        Sketch now = Sketch.of(s, 3);
        Sketch.Piece lantern = piece(now, "the lantern");
        Sketch moved = Sketch.of(Drawn.moved(s, 3, lantern, 0.4, 0.2), 3);
        assertThat(moved.measures().getFirst().metres()).isCloseTo(now.measures().getFirst().metres() * 0.7 / 0.5, within(0.02));
        double before = (lantern.x() + lantern.w() / 2) / Sketch.WIDTH * now.frame().wideM() + now.frame().leftM();
        Sketch.Piece after = piece(moved, "the lantern");
        assertThat((after.x() + after.w() / 2) / Sketch.WIDTH * moved.frame().wideM() + moved.frame().leftM())
                .isCloseTo(before + 0.4, within(0.011));
        // As tall as it is, at scale.
        assertThat(lantern.h() / Sketch.HEIGHT * now.frame().highM()).isCloseTo(0.4, within(1e-9));
    }

    @Test
    void copiesStandWhereTheyArePutAndWhoeverActsPassesInFront() {
        Shot two = Shots.of(Shots.illusion(IllusionKind.COPIES, "the maker", "count", "2"));
        Shot moved = Drawn.moved(two, 3, piece(Sketch.of(two, 3), "the maker 2"), 0.5, 0);
        assertThat(piece(Sketch.of(moved, 3), "the maker 1").x()).isCloseTo(piece(Sketch.of(two, 3), "the maker 1").x(), within(0.005));
        assertThat(piece(Sketch.of(moved, 3), "the maker 2").x()).isGreaterThan(piece(Sketch.of(two, 3), "the maker 2").x() + 0.05);
        Shot floats = Shots.of(Shots.illusion(IllusionKind.FLOATS, "the lantern", "performer", "yes", "actor", "the maker"));
        Sketch.Piece maker = piece(Sketch.of(floats, 3), "the maker");
        assertThat(Drawn.crosses(maker)).isTrue();
        Shot front = Drawn.crossing(floats, maker, true);
        assertThat(piece(Sketch.of(front, 3), "the maker").front()).isTrue();
        assertThat(Sketch.of(Drawn.crossing(front, maker, false), 3)).isEqualTo(Sketch.of(floats, 3));
    }

    @ParameterizedTest
    @EnumSource(IllusionKind.class)
    void everyPlateIsDrawnWithItsGround(IllusionKind kind) {
        Shot s = Shots.of(Shots.illusion(kind, "the maker"));
        for (PlateNeed n : Breakdown.plan(s, HouseRules.DEFAULT).needs()) {
            Sketch k = PlateSketch.of(s, n);
            assertThat(k.shapes().stream().anyMatch(x -> x.look() == Sketch.Look.GREEN)).as("%s", n.key())
                    .isEqualTo(n.screen() == Screen.GREEN);
            boolean people = n.in().stream().anyMatch(i -> i.sort() == Item.Sort.PERSON);
            assertThat(k.shapes().stream().filter(x -> x.look() != Sketch.Look.PLACE && x.look() != Sketch.Look.LINE
                    && x.look() != Sketch.Look.GREEN)).as("%s", n.key())
                    .hasSizeGreaterThanOrEqualTo(people ? 1 : 0);
        }
    }
}
