package org.scenothesis.core.background;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.background.BackgroundReport.Bars;
import org.scenothesis.core.background.BackgroundReport.CameraWork;
import org.scenothesis.core.background.BackgroundReport.Move;
import org.scenothesis.core.background.Suitability.Question;
import org.scenothesis.core.background.Suitability.Wanted;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Trail;
import org.scenothesis.core.shot.Trails;
import org.scenothesis.core.shot.step.Follow;
import org.scenothesis.core.shot.step.Hold;

class SuitabilityTest {
    private static BackgroundReport report(CameraWork camera, double own, double flicker, Bars bars, Move... moves) {
        return new BackgroundReport(camera, Arrays.asList(moves), own, flicker, bars, 1920, 1080);
    }

    private static final Bars NONE = new Bars(0, 0, 0, 0);
    private static final Move HERE = new Move(0, 0, 0, 0);

    private static Suitability of(BackgroundReport r) {
        return Suitability.of("b", r, new Wanted(1920, 1080, null));
    }

    private static Verdict verdict(Suitability s, Question q) {
        return s.reasons().stream().filter(r -> r.question() == q).findFirst().orElseThrow().verdict();
    }

    @Test
    void aBackgroundIsAsGoodAsTheWorstThatIsKnownOfIt() {
        assertThat(of(report(CameraWork.STILL, 0.01, 0.01, NONE, HERE, HERE)).verdict()).isEqualTo(Verdict.HOLDS);
        assertThat(of(report(CameraWork.PAN, 0.01, 0.01, NONE, HERE, HERE)).verdict()).isEqualTo(Verdict.WATCH);
        assertThat(of(report(CameraWork.PARALLAX, 0.01, 0.01, NONE, HERE, HERE)).verdict()).isEqualTo(Verdict.REDO);
        assertThat(of(report(CameraWork.STILL, Double.NaN, 0.01, NONE, HERE, HERE)).verdict()).as("not measured is never good").isEqualTo(Verdict.NOT_MEASURED);
        assertThat(of(report(CameraWork.STILL, 0.4, 0.2, NONE, HERE, HERE)).reasons()).extracting(Suitability.Reason::question).startsWith(Question.OWN_MOTION, Question.FLICKER);
        assertThat(of(report(CameraWork.STILL, 0, Double.NaN, NONE, HERE)).verdict()).as("a still cannot flicker").isEqualTo(Verdict.HOLDS);
    }

    @Test
    void barsTakePixelsAwayAndLeaveIsAskedWhereItIsNeeded() {
        Suitability boxed = of(report(CameraWork.STILL, 0, 0, new Bars(140, 0, 140, 0), HERE, HERE));
        assertThat(verdict(boxed, Question.PIXELS)).isEqualTo(Verdict.WATCH);
        assertThat(boxed.reasons().stream().filter(r -> r.question() == Question.PIXELS).findFirst().orElseThrow().value()).isCloseTo(1.35, within(1e-9));
        assertThat(verdict(boxed, Question.BARS)).isEqualTo(Verdict.REDO);
        BackgroundReport good = report(CameraWork.STILL, 0, 0, NONE, HERE, HERE);
        assertThat(Suitability.of("b", good, new Wanted(0, 0, false)).verdict()).isEqualTo(Verdict.REDO);
        assertThat(Suitability.of("b", good, new Wanted(0, 0, true)).verdict()).isEqualTo(Verdict.HOLDS);
    }

    @Test
    void theBestComesFirst() {
        Suitability still = Suitability.of("still", report(CameraWork.STILL, 0.01, 0.01, NONE, HERE, HERE), new Wanted(0, 0, null));
        Suitability busy = Suitability.of("busy", report(CameraWork.STILL, 0.3, 0.01, NONE, HERE, HERE), new Wanted(0, 0, null));
        Suitability pan = Suitability.of("pan", report(CameraWork.PAN, 0.01, 0.01, NONE, HERE, HERE), new Wanted(0, 0, null));
        Suitability unknown = Suitability.of("unknown", report(CameraWork.UNKNOWN, Double.NaN, Double.NaN, NONE, HERE, HERE), new Wanted(0, 0, null));
        assertThat(Suitability.ranked(List.of(busy, unknown, pan, still))).extracting(Suitability::name).containsExactly("still", "pan", "unknown", "busy");
    }

    /// A camera that pans by 19.2 px, turns by half a degree and grows by one percent over two seconds.
    @Test
    void aMoveIsHandedToTheLayersToGoAlongOrToBeTakenBack() {
        BackgroundReport r = report(CameraWork.PAN, 0, 0, NONE, HERE, null, new Move(19.2, -5.4, 0.5, 1));
        Trail t = CameraTrail.of(r, "trail-1", "the camera's move", "clean", i -> i).orElseThrow();
        assertThat(t.spots()).hasSize(2);
        Shot shot = new Shot("s", 1, "", "", 2, List.of(), List.of(), List.of(), List.of(Layer.of("base", "", "clean"), Layer.of("element", "", "lantern")), null);
        Shot along = CameraTrail.used(shot, t, CameraTrail.Use.IMITATE);
        assertThat(along.layers().getFirst().steps()).isEmpty();
        Follow f = along.layers().getLast().step(Follow.class).orElseThrow();
        Point middle = Trails.motion(along, f.by(), 2, 1920, 1080).map(new Point(960, 540));
        assertThat(middle.x()).isCloseTo(979.2, within(1e-6));
        assertThat(middle.y()).isCloseTo(534.6, within(1e-6));
        Shot back = CameraTrail.used(shot, t, CameraTrail.Use.UNDO);
        Hold h = back.layers().getFirst().step(Hold.class).orElseThrow();
        assertThat(back.layers().getLast().steps()).isEmpty();
        Point still = Trails.motion(back, h.by(), 2, 1920, 1080).inverse().map(middle);
        assertThat(still.minus(new Point(960, 540)).length()).isLessThan(1e-6);
        assertThat(Trails.without(back, "trail-1").layers().getFirst().steps()).isEmpty();
        assertThat(CameraTrail.usable(CameraWork.PARALLAX)).isFalse();
    }
}
