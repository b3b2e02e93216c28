package org.scenothesis.core.background;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
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
import org.scenothesis.core.shot.Track;
import org.scenothesis.core.shot.Tracks;
import org.scenothesis.core.shot.step.Follow;
import org.scenothesis.core.shot.step.TrackSteady;

class SuitabilityTest {
    private static BackgroundReport report(CameraWork camera, double own, double flicker, Bars bars, Move... moves) {
        return new BackgroundReport(camera, Arrays.asList(moves), own, flicker, bars, 1920, 1080, null);
    }

    private static final Bars NONE = new Bars(0, 0, 0, 0);
    private static final Move HERE = new Move(0, 0, 0, 0);

    private static Suitability of(BackgroundReport r) {
        return Suitability.of("b", r, new Wanted(1920, 1080, null, null));
    }

    private static Verdict verdict(Suitability s, Question q) {
        return s.reasons().stream().filter(r -> r.question() == q).findFirst().orElseThrow().verdict();
    }

    @Test
    void aBackgroundIsAsGoodAsTheWorstThatIsKnownOfIt() {
        assertThat(of(report(CameraWork.STILL, 0.01, 0.01, NONE, HERE, HERE)).verdict()).isEqualTo(Verdict.HOLDS);
        assertThat(of(report(CameraWork.PAN, 0.01, 0.01, NONE, HERE, HERE)).verdict()).isEqualTo(Verdict.WATCH);
        assertThat(of(report(CameraWork.PARALLAX, 0.01, 0.01, NONE, HERE, HERE)).verdict()).isEqualTo(Verdict.REDO);
        assertThat(of(report(CameraWork.STILL, Double.NaN, 0.01, NONE, HERE, HERE)).verdict()).as("not measured is never good")
                .isEqualTo(Verdict.NOT_MEASURED);
        assertThat(of(report(CameraWork.STILL, 0.4, 0.2, NONE, HERE, HERE)).reasons()).extracting(Suitability.Reason::question)
                .startsWith(Question.OWN_MOTION, Question.FLICKER);
        assertThat(of(report(CameraWork.STILL, 0, Double.NaN, NONE, HERE)).verdict()).as("a still cannot flicker").isEqualTo(Verdict.HOLDS);
    }

    @Test
    void barsTakePixelsAwayAndLeaveIsAskedWhereItIsNeeded() {
        Suitability boxed = of(report(CameraWork.STILL, 0, 0, new Bars(140, 0, 140, 0), HERE, HERE));
        assertThat(verdict(boxed, Question.PIXELS)).isEqualTo(Verdict.WATCH);
        assertThat(boxed.reasons().stream().filter(r -> r.question() == Question.PIXELS).findFirst().orElseThrow().value())
                .isCloseTo(1.35, within(1e-9));
        assertThat(verdict(boxed, Question.BARS)).isEqualTo(Verdict.REDO);
        BackgroundReport good = report(CameraWork.STILL, 0, 0, NONE, HERE, HERE);
        assertThat(Suitability.of("b", good, new Wanted(0, 0, false, null)).verdict()).isEqualTo(Verdict.REDO);
        assertThat(Suitability.of("b", good, new Wanted(0, 0, true, null)).verdict()).isEqualTo(Verdict.HOLDS);
    }

    @Test
    void theBestComesFirst() {
        Suitability still = Suitability.of("still", report(CameraWork.STILL, 0.01, 0.01, NONE, HERE, HERE), new Wanted(0, 0, null, null));
        Suitability busy = Suitability.of("busy", report(CameraWork.STILL, 0.3, 0.01, NONE, HERE, HERE), new Wanted(0, 0, null, null));
        Suitability pan = Suitability.of("pan", report(CameraWork.PAN, 0.01, 0.01, NONE, HERE, HERE), new Wanted(0, 0, null, null));
        Suitability unknown = Suitability.of("unknown", report(CameraWork.UNKNOWN, Double.NaN, Double.NaN, NONE, HERE, HERE),
                new Wanted(0, 0, null, null));
        assertThat(Suitability.ranked(List.of(busy, unknown, pan, still))).extracting(Suitability::name)
                .containsExactly("still", "pan", "unknown", "busy");
    }

    /// A camera that pans by 19.2 px, turns by half a degree and grows by one percent over two seconds.
    @Test
    void aMoveIsHandedToTheLayersToGoAlongOrToBeTakenBack() {
        BackgroundReport r = report(CameraWork.PAN, 0, 0, NONE, HERE, null, new Move(19.2, -5.4, 0.5, 1));
        Track t = CameraTrack.of(r, "track-1", "the camera's move", "clean", i -> i).orElseThrow();
        assertThat(t.spots()).hasSize(2);
        Shot shot = new Shot("s", 1, "", "", 2, List.of(), List.of(), List.of(),
                List.of(Layer.of("base", "", "clean"), Layer.of("element", "", "lantern")), null);
        Shot along = CameraTrack.used(shot, t, CameraTrack.Use.IMITATE);
        assertThat(along.layers().getFirst().steps()).isEmpty();
        Follow f = along.layers().getLast().step(Follow.class).orElseThrow();
        Point middle = Tracks.motion(along, f.by(), 2, 1920, 1080).map(new Point(960, 540));
        assertThat(middle.x()).isCloseTo(979.2, within(1e-6));
        assertThat(middle.y()).isCloseTo(534.6, within(1e-6));
        Shot back = CameraTrack.used(shot, t, CameraTrack.Use.UNDO);
        TrackSteady h = back.layers().getFirst().step(TrackSteady.class).orElseThrow();
        assertThat(back.layers().getLast().steps()).isEmpty();
        Point still = Tracks.motion(back, h.by(), 2, 1920, 1080).inverse().map(middle);
        assertThat(still.minus(new Point(960, 540)).length()).isLessThan(1e-6);
        assertThat(Tracks.without(back, "track-1").layers().getFirst().steps()).isEmpty();
        assertThat(CameraTrack.usable(CameraWork.PARALLAX)).isFalse();
    }

    /// Left quarter busy, the rest quiet, its last row never seen.
    private static Busy river() {
        List<Double> cells = new ArrayList<>();
        for (int y = 0; y < 4; y++) {
            for (int x = 0; x < 8; x++) {
                cells.add(y == 3 ? Double.NaN : x < 2 ? 0.6 : 0.0);
            }
        }
        return new Busy(8, 4, cells);
    }

    @Test
    void theRoomWhereTheElementGoesIsAskedByItself() {
        BackgroundReport still = report(CameraWork.STILL, 0.01, 0.01, NONE, HERE, HERE);
        BackgroundReport r = new BackgroundReport(still.camera(), still.moves(), 0.15, 0.01, NONE, 1920, 1080, river());
        Busy.Room left = new Busy.Room(0, 0.1, 0.25, 0.5);
        Suitability bad = Suitability.of("b", r, new Wanted(0, 0, null, left));
        assertThat(verdict(bad, Question.ROOM)).isEqualTo(Verdict.REDO);
        Busy.Room quieter = bad.quieter().orElseThrow();
        assertThat(river().in(quieter)).isZero();
        assertThat(quieter.x()).as("no farther than it has to").isCloseTo(0.25, within(0.04));
        assertThat(quieter.y()).isCloseTo(0.1, within(0.05));
        Suitability good = Suitability.of("b", r, new Wanted(0, 0, null, new Busy.Room(0.4, 0.1, 0.3, 0.5)));
        assertThat(verdict(good, Question.ROOM)).isEqualTo(Verdict.HOLDS);
        assertThat(good.quieter()).isEmpty();
        assertThat(verdict(Suitability.of("b", r, new Wanted(0, 0, null, new Busy.Room(0.4, 0.75, 0.3, 0.25))), Question.ROOM))
                .as("never seen").isEqualTo(Verdict.NOT_MEASURED);
        assertThat(verdict(Suitability.of("b", still, new Wanted(0, 0, null, left)), Question.ROOM)).as("nothing is known")
                .isEqualTo(Verdict.NOT_MEASURED);
        assertThat(Busy.none(4, 4).in(left)).as("a still picture").isZero();
    }
}
