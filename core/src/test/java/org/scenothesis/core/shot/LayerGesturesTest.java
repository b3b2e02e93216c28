package org.scenothesis.core.shot;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.DrawnShadow;
import org.scenothesis.core.shot.step.Exposure;
import org.scenothesis.core.shot.step.Follow;
import org.scenothesis.core.shot.step.FramePlace;
import org.scenothesis.core.shot.step.Join;
import org.scenothesis.core.shot.step.Opacity;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.TrackBinding;
import org.scenothesis.core.value.Animated;

class LayerGesturesTest {
    private static final List<Point> BOX = List.of(new Point(0.1, 0.1), new Point(0.5, 0.1), new Point(0.5, 0.5), new Point(0.1, 0.5));
    private static final Layer LAYER = Layer.of("l", "L", "p", Outline.of(BOX, 1), Exposure.NONE, Join.FRESH,
            FramePlace.AS_FILMED.withBy(Animated.of(new Point(0.2, 0))), DrawnShadow.FRESH.withLimit(BOX));

    private static Shot shot(Layer l) {
        Track t = new Track("t", "", "p", List.of(new Track.Spot(0, List.of(new Point(0.5, 0.5)), 1, 0, 1, true),
                new Track.Spot(1, List.of(new Point(0.5, 0.7)), 1, 0, 1, false)));
        return new Shot("s", 1, "", "", 2, List.of(), List.of(), List.of(), List.of(l), null).withTracks(List.of(t));
    }

    @Test
    void allThatCanBeTakenInHandComesInTurn() {
        List<LayerGestures.Hand> all = LayerGestures.of(LAYER);
        assertThat(all).extracting(LayerGestures.Hand::step).containsExactly(0, 2, 4, 4);
        Optional<LayerGestures.Hand> h = Optional.empty();
        for (LayerGestures.Hand wanted : List.of(all.get(0), all.get(1), all.get(2), all.get(3), all.get(0))) {
            h = LayerGestures.next(LAYER, h);
            assertThat(h).contains(wanted);
        }
        assertThat(LayerGestures.outline(LAYER, all.get(3), 0)).contains(BOX);
        assertThat(LayerGestures.outline(LAYER, all.get(2), 0)).isEmpty();
        Layer moved = LayerGestures.moved(LAYER, all.get(3), 0, BOX.subList(0, 3));
        assertThat(((DrawnShadow) moved.steps().get(4)).limit()).hasSize(3);
        assertThat(LayerGestures.next(Layer.of("x", "", "p"), Optional.empty())).isEmpty();
    }

    /// What is moved afterwards is drawn where it is seen.
    @Test
    void pointsAreDrawnWhereTheyAreCarried() {
        Point there = StepMotions.carried(shot(LAYER), LAYER, 2, 0, 2).map(0.3, 0.5);
        assertThat(there.minus(new Point(0.5, 0.5)).length()).isLessThan(1e-9);
        assertThat(StepMotions.carried(shot(LAYER), LAYER, 4, 0, 2).map(0.3, 0.5).minus(new Point(0.3, 0.5)).length()).as("behind the move")
                .isLessThan(1e-9);
        Layer along = LAYER.with(new Follow(new TrackBinding("t", 0, true)));
        assertThat(StepMotions.carried(shot(along), along, 0, 1, 2).map(0.3, 0.5).minus(new Point(0.5, 0.7)).length()).isLessThan(1e-9);
    }

    @Test
    void whatLiesOnAPulledPointGoesAlong() {
        List<Point> before = Join.FRESH.points(0);
        List<Point> pulled = List.of(new Point(0.2, 0.4), before.get(1), before.get(2), before.get(3));
        assertThat(LayerGestures.together(before, pulled)).containsExactly(new Point(0.2, 0.4), before.get(1), new Point(0.2, 0.4),
                before.get(3));
        assertThat(LayerGestures.together(pulled, List.of(new Point(0.3, 0.4), pulled.get(1), pulled.get(2), pulled.get(3))))
                .as("apart already").element(2).isEqualTo(before.get(2));
    }

    @Test
    void anOnionIsWholeAndHalfThere() {
        Layer l = LayerGestures.onion(shot(LAYER), LAYER).layers().getFirst();
        assertThat(l.step(Join.class).orElseThrow().keeps()).isEqualTo(Join.Side.WHOLE);
        assertThat(l.step(Opacity.class).orElseThrow().at(0)).isEqualTo(0.5);
    }
}
