package org.scenothesis.core.breakdown.sketch;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.scenothesis.core.breakdown.Shots;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.WonderKind;

class SketchTest {
    private static double top(Sketch s) {
        return s.shapes().stream().filter(x -> x.wonder() == 0).mapToDouble(Sketch.Shape::y).min().orElseThrow();
    }

    @ParameterizedTest
    @EnumSource(WonderKind.class)
    void everyWonderLooksOtherWhenItHappensAndStaysInThePanel(WonderKind kind) {
        Shot s = Shots.of(Shots.wonder(kind, "the maker"));
        Sketch before = Sketch.of(s, 0);
        Sketch now = Sketch.of(s, 3);
        assertThat(now).isNotEqualTo(before);
        for (Sketch k : List.of(before, now)) {
            assertThat(k.shapes()).allSatisfy(x -> {
                assertThat(x.x()).isBetween(-0.1, Sketch.WIDTH);
                assertThat(x.y()).isBetween(-0.1, Sketch.HEIGHT);
                assertThat(x.wonder()).isBetween(-1, 0);
            });
        }
        assertThat(now.shapes()).anySatisfy(x -> assertThat(x.look()).isNotEqualTo(Sketch.Look.FADED));
    }

    @Test
    void whatFloatsRisesWhatIsSmallIsSmallAndCopiesAreCounted() {
        Shot floats = Shots.of(Shots.wonder(WonderKind.FLOATS, "the lantern"));
        assertThat(top(Sketch.of(floats, 3))).isLessThan(top(Sketch.of(floats, 0)));
        double small = top(Sketch.of(Shots.of(Shots.wonder(WonderKind.OTHER_SIZE, "x", "factor", "0.1")), 3));
        double giant = top(Sketch.of(Shots.of(Shots.wonder(WonderKind.OTHER_SIZE, "x", "factor", "9")), 3));
        assertThat(giant).isLessThan(small);
        Shot four = Shots.of(Shots.wonder(WonderKind.COPIES, "the maker", "count", "4"));
        assertThat(Sketch.of(four, 3).shapes()).filteredOn(x -> x.kind() == Sketch.Shape.Kind.ELLIPSE).hasSize(4);
        assertThat(Sketch.of(four, 0).shapes()).filteredOn(x -> x.kind() == Sketch.Shape.Kind.ELLIPSE).hasSize(1);
    }

    @Test
    void wondersStandSideBySide() {
        Shot two = Shots.of(Shots.wonder(WonderKind.FLOATS, "a"), Shots.wonder(WonderKind.FLOATS, "b"));
        Sketch s = Sketch.of(two, 3);
        double left = s.shapes().stream().filter(x -> x.wonder() == 0).mapToDouble(x -> x.x() + x.w()).max().orElseThrow();
        double right = s.shapes().stream().filter(x -> x.wonder() == 1).mapToDouble(Sketch.Shape::x).min().orElseThrow();
        assertThat(left).isLessThan(right);
        assertThat(Sketch.of(Shots.of(), 0).shapes()).hasSize(1);
    }
}
