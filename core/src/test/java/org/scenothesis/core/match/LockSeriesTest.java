package org.scenothesis.core.match;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.IntFunction;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Judgement;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;

class LockSeriesTest {
    private static final Subject TAKE = new Subject.OfTake("p", "1");
    private static FrameLock at(double x, double y, double stops) {
        double g = Math.pow(2, stops);
        return new FrameLock(PlanarMap.shift(x, y), 0, 0, 0.05, 0.8, 0.004, 0, 0, 1, new Gains(g, g, g), true);
    }

    private static LockReport report(int n, IntFunction<FrameLock> frame) {
        List<FrameLock> frames = new ArrayList<>();
        List<Integer> numbers = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            frames.add(frame.apply(i));
            numbers.add(i);
        }
        return new LockSeries(640, 360, frames, numbers).report();
    }

    @Test
    void aStillTakeIsLocked() {
        SplittableRandom r = new SplittableRandom(2);
        LockReport rep = report(60, i -> at(0.01 * r.nextGaussian(), 0.01 * r.nextGaussian(), 0.003 * r.nextGaussian()));
        assertThat(rep.bumpFrame()).isNull();
        assertThat(rep.settled().shift().length()).isLessThan(0.01);
        assertThat(new Judgement(LockJudge.judge(rep, TAKE, HouseRules.DEFAULT, false)).verdict()).isEqualTo(Verdict.HOLDS);
    }

    @Test
    void aBumpOverThreeFramesStartsAtItsFirst() {
        LockReport rep = report(50, i -> at(i < 20 ? 0 : i == 20 ? 0.6 : i == 21 ? 1.2 : 1.5, 0, 0));
        assertThat(rep.bumpFrame()).isEqualTo(20);
        assertThat(rep.settled().shift().x()).isCloseTo(1.5, Offset.offset(1e-6));
        assertThat(rep.bumpPx()).isGreaterThan(1);
    }

    @Test
    void oneBadFrameIsNoBump() {
        assertThat(report(40, i -> at(i == 17 ? 3 : 0, 0, 0)).bumpFrame()).isNull();
    }

    @Test
    void framesWithoutAnAnswerAreLeftOut() {
        FrameLock lost = FrameLock.lost(Gains.UNITY);
        LockReport rep = report(10, i -> i % 3 == 0 ? lost : at(2, 1, 0));
        assertThat(rep.settled().shift()).isEqualTo(new Point(2, 1));
        assertThat(report(4, i -> lost).found()).isFalse();
    }

    /// Ten frames in which somebody stood before the lens used to count as no shift, so that a camera that stood elsewhere all the time
    /// read as bumped.
    @Test
    void aSteadyOffsetWithLostFramesIsNoBump() {
        LockReport rep = report(60, i -> i >= 20 && i < 30 ? FrameLock.lost(null) : at(1.5, 0, 0));
        assertThat(rep.bumpFrame()).isNull();
        assertThat(rep.settled().shift().x()).isCloseTo(1.5, Offset.offset(1e-9));
        assertThat(rep.series().get(25).x()).isNull();
        assertThat(rep.series().get(25).exposureStops()).isNull();
        assertThat(rep.placedFrames()).isEqualTo(50);
    }

    @Test
    void everyStretchHasItsOwnPlaceAndLight() {
        LockReport rep = report(90, i -> i < 30 ? at(0, 0, 0.1) : i < 60 ? at(2, 0, 0.1) : at(2, -3, 0.4));
        assertThat(rep.segments()).extracting(LockReport.Segment::from).containsExactly(0, 30, 60);
        assertThat(rep.segments()).extracting(LockReport.Segment::to).containsExactly(29, 59, 89);
        assertThat(rep.at(10).shift()).isEqualTo(Point.ZERO);
        assertThat(rep.at(45).shift()).isEqualTo(new Point(2, 0));
        assertThat(rep.at(45).gains().stops()).isCloseTo(0.1, Offset.offset(1e-6));
        assertThat(rep.at(80).gains().stops()).isCloseTo(0.4, Offset.offset(1e-6));
        assertThat(rep.bumpFrame()).isEqualTo(30);
        assertThat(rep.bumpPx()).isCloseTo(3, Offset.offset(1e-9));
        assertThat(rep.exposureStops()).isCloseTo(0.4, Offset.offset(1e-6));
    }

    @Test
    void whatWasSeenInFewFramesIsNotSaidToHold() {
        LockReport rep = report(40, i -> i % 2 == 0 ? at(0, 0, 0) : FrameLock.lost(null));
        assertThat(LockJudge.judge(rep, TAKE, HouseRules.DEFAULT, true)).extracting(Finding::verdict).containsExactly(Verdict.NOT_MEASURED);
    }

    @Test
    void lightThatCouldNotBeComparedIsNotMeasured() {
        LockReport rep = report(9, i -> new FrameLock(PlanarMap.identity(), 0, 0, 0.05, 0.8, 0.004, 0, 0, 1, null, true));
        assertThat(rep.exposureStops()).isNull();
        assertThat(rep.driftStops()).isNull();
        assertThat(LockJudge.judge(rep, TAKE, HouseRules.DEFAULT, false).stream().filter(f -> f.measure() == Measure.EXPOSURE).findFirst()
                .orElseThrow().verdict())
                .isEqualTo(Verdict.NOT_MEASURED);
    }

    @Test
    void driftAndJumpAreToldApart() {
        LockReport drift = report(100, i -> at(0, 0, 0.3 * i / 99));
        assertThat(drift.driftStops()).isCloseTo(0.3, Offset.offset(0.01));
        assertThat(drift.jumpStops()).isLessThan(0.02);
        assertThat(report(100, i -> at(0, 0, i < 50 ? 0 : 0.3)).jumpStops()).isCloseTo(0.3, Offset.offset(0.01));
    }

    @Test
    void verdictsFollowTheLimits() {
        assertThat(verdict(Measure.CAMERA, at(0.2, 0, 0))).isEqualTo(Verdict.HOLDS);
        assertThat(verdict(Measure.CAMERA, at(1.7, 0, 0))).isEqualTo(Verdict.WATCH);
        FrameLock parallax = new FrameLock(PlanarMap.shift(2, 0), 0, 0, 0.9, 0.6, 0.1, 0, 0, 1, Gains.UNITY, true);
        assertThat(verdict(Measure.CAMERA, parallax)).isEqualTo(Verdict.REDO);
        assertThat(verdict(Measure.PARALLAX, parallax)).isEqualTo(Verdict.REDO);
        assertThat(verdict(Measure.EXPOSURE, at(0, 0, -0.12))).isEqualTo(Verdict.WATCH);
        assertThat(verdict(Measure.EXPOSURE, at(0, 0, 0.5))).isEqualTo(Verdict.REDO);
    }

    @Test
    void whatMayBeChanceIsNeitherGoodNorBad() {
        // A few points of a bare room: 0.7 px, give or take 0.2.
        FrameLock bare = new FrameLock(PlanarMap.shift(0.7, 0), 0, 0, 0.26, 0.3, 0.2, 0, 0, 1, Gains.UNITY, true);
        assertThat(verdict(Measure.CAMERA, bare)).isEqualTo(Verdict.NOT_MEASURED);
        FrameLock textured = new FrameLock(PlanarMap.shift(0.7, 0), 0, 0, 0.26, 0.3, 0.02, 0, 0, 1, Gains.UNITY, true);
        assertThat(verdict(Measure.CAMERA, textured)).isEqualTo(Verdict.WATCH);
        LockReport bumped = report(24, i -> new FrameLock(PlanarMap.shift(i < 12 ? 0 : 0.4, 0), 0, 0, 0.26, 0.3, i < 12 ? 0.01 : 0.2, 0, 0,
                1, Gains.UNITY, true));
        assertThat(LockJudge.judge(bumped, TAKE, HouseRules.DEFAULT, false)).extracting(Finding::measure).doesNotContain(Measure.BUMP);
    }

    /// A picture that sways by 0.8 px to either side, and one whose rows lean by as much; what noise makes of a still one is neither.
    @Test
    void aSwayingPictureAndLeaningRowsAreToldApart() {
        SplittableRandom r = new SplittableRandom(5);
        LockReport sways = report(48, i -> new FrameLock(PlanarMap.shift(0.8 * Math.sin(i * 0.9), 0), 0, 0, 0.05, 0.8, 0.01,
                0.02 * r.nextGaussian(), 0.02, 1, Gains.UNITY, true));
        assertThat(found(sways)).contains(Measure.WANDER).doesNotContain(Measure.LEAN);
        assertThat(sways.settled().wanderPx()).isCloseTo(0.8, within(0.06));
        LockReport leans = report(48, i -> new FrameLock(PlanarMap.shift(0.02 * r.nextGaussian(), 0), 0, 0, 0.05, 0.8, 0.01,
                0.8 * Math.sin(i * 1.7), 0.02, 1, Gains.UNITY, true));
        assertThat(found(leans)).contains(Measure.LEAN).doesNotContain(Measure.WANDER);
        LockReport noisy = report(48, i -> new FrameLock(PlanarMap.shift(0.3 * r.nextGaussian(), 0), 0, 0, 0.05, 0.8, 0.3,
                0.3 * r.nextGaussian(), 0.3, 1, Gains.UNITY, true));
        assertThat(found(noisy)).doesNotContain(Measure.WANDER, Measure.LEAN);
        // Points on one side of a bare room know the middle well and the rows hardly.
        LockReport oneSided = report(48, i -> new FrameLock(PlanarMap.shift(0.01 * r.nextGaussian(), 0), 0, 0, 0.05, 0.8, 0.01,
                0.6 * r.nextGaussian(), 0.6, 1, Gains.UNITY, true));
        assertThat(found(oneSided)).doesNotContain(Measure.LEAN);
    }

    /// A stabiliser takes the picture slowly to either side by 3 px: no bump, and every frame is brought back from where it is.
    @Test
    void whatWandersIsNoBumpAndIsTakenBackFrameByFrame() {
        LockReport r = report(60, i -> at(3 * Math.sin(i * 0.11), 0.2 * Math.sin(i * 0.3), 0));
        assertThat(r.segments()).hasSize(1);
        assertThat(r.bumpFrame()).isNull();
        assertThat(found(r)).contains(Measure.WANDER).doesNotContain(Measure.BUMP);
        assertThat(r.at(20).shift().x()).isCloseTo(3 * Math.sin(2.2), within(1e-9));
        assertThat(r.at(20).corners().getFirst().minus(r.at(40).corners().getFirst()).x()).isCloseTo(3 * (Math.sin(2.2) - Math.sin(4.4)),
                within(1e-9));
        LockReport drifts = report(96, i -> at(1.2 * i / 95.0, 0, 0));
        assertThat(drifts.bumpFrame()).as("a slow drift is no bump").isNull();
        assertThat(drifts.at(90).shift().x() - drifts.at(5).shift().x()).isCloseTo(1.2 * 85 / 95.0, within(1e-9));
    }

    private static List<Measure> found(LockReport r) {
        return LockJudge.judge(r, TAKE, HouseRules.DEFAULT, false).stream().map(Finding::measure).toList();
    }

    private static Verdict verdict(Measure m, FrameLock f) {
        return LockJudge.judge(report(6, i -> f), TAKE, HouseRules.DEFAULT, false).stream()
                .filter(x -> x.measure() == m).map(Finding::verdict).findFirst().orElse(Verdict.NOT_MEASURED);
    }

    @Test
    void lightThatDiffersByDesignIsNotJudged() {
        List<Finding> f = LockJudge.judge(report(6, i -> at(0, 0, 2)), TAKE, HouseRules.DEFAULT, true);
        assertThat(f).extracting(Finding::measure).containsExactly(Measure.CAMERA);
    }

    @Test
    void aMoveThatIsAllZoomIsReportedAtTheCorners() {
        PlanarMap zoom = PlanarMap.similarity(1.01, 0, new Point(320, 180), Point.ZERO);
        LockReport rep = report(3, i -> new FrameLock(zoom, 0, 1, 0.05, 0.8, 0.004, 0, 0, 1, Gains.UNITY, true));
        assertThat(rep.settled().shift().length()).isLessThan(1e-9);
        assertThat(rep.settled().largestShiftPx()).isCloseTo(Math.hypot(3.2, 1.8), Offset.offset(1e-6));
    }

    @Test
    void nothingMeasuredIsRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> new LockSeries(10, 10, List.of(), List.of()));
        assertThatIllegalArgumentException().isThrownBy(() -> new LockSeries(10, 10, List.of(at(0, 0, 0)), List.of()));
    }

    private static FrameLock softer(double v) {
        return new FrameLock(PlanarMap.identity(), 0, 0, 0.05, 0.8, 0.004, 0, 0.01, v, Gains.UNITY, true);
    }

    @Test
    void aLensThatIsRefocusedIsSaidWhereverInTheTakeItIs() {
        assertThat(found(report(24, i -> softer(1.1)))).doesNotContain(Measure.FOCUS);
        assertThat(verdict(Measure.FOCUS, softer(1.5))).isEqualTo(Verdict.WATCH);
        assertThat(verdict(Measure.FOCUS, softer(0.5))).as("the clean plate was soft").isEqualTo(Verdict.REDO);
        assertThat(found(report(40, i -> softer(i < 30 ? 1 : 2.4)))).as("let go near its end").contains(Measure.FOCUS);
        assertThat(found(report(24, i -> softer(Double.NaN)))).as("a bare set tells nothing").doesNotContain(Measure.FOCUS);
    }
}
