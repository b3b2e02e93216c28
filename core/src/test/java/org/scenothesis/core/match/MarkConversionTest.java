package org.scenothesis.core.match;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.light.LightMarks;
import org.scenothesis.core.light.ShadowProposal;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.LensBend;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.CameraSolver;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.LensMatch;
import org.scenothesis.core.stage.Evidence;

class MarkConversionTest {
    private static final int W = 1280;
    private static final int H = 720;

    /// Edges of a room by a lens that bends by `k1`, as shown in the picture.
    private static List<Evidence> room(double k1) {
        CameraPose pose = new CameraPose(new Vec(0, 1.5, 0), 25, -14, 1, 900, W, H);
        List<Evidence> out = new ArrayList<>();
        for (double a = -2; a <= 2.1; a += 0.8) {
            out.add(edge(pose, k1, Evidence.Runs.ACROSS, new Vec(0, a + 2, 5), new Vec(3.2, a + 2, 5)));
            out.add(edge(pose, k1, Evidence.Runs.UP, new Vec(a + 2, 0.2, 5), new Vec(a + 2, 2.4, 5)));
            out.add(edge(pose, k1, Evidence.Runs.AWAY, new Vec(a + 1, 0, 3.2), new Vec(a + 1, 0, 6)));
        }
        return out;
    }

    private static Evidence edge(CameraPose pose, double k1, Evidence.Runs runs, Vec from, Vec to) {
        return new Evidence.Edge(runs, seen(pose, k1, from), seen(pose, k1, to));
    }

    private static Point seen(CameraPose pose, double k1, Vec v) {
        Point p = pose.project(v).minus(pose.principal()).times(1 / pose.focalPx());
        Point d = pose.principal().plus(new LensBend(k1).bent(p).times(pose.focalPx()));
        return new Point(d.x() / W, d.y() / H);
    }

    private static PictureCamera solved(double k1) {
        return CameraSolver.solve(MarkConversion.camera(room(k1), W, H));
    }

    @Test
    void whatBringsOneLensToAnotherIsReadOfBothPictures() {
        PictureCamera bent = solved(-0.12);
        assertThat(bent.bent()).isTrue();
        LensMatch lens = MarkConversion.lens(bent, solved(0)).orElseThrow();
        assertThat(lens.own().k1()).isCloseTo(-0.12, within(0.01));
        assertThat(lens.plate().k1()).isZero();
        assertThat(lens.own().viewDeg()).isCloseTo(2 * Math.toDegrees(Math.atan(640.0 / 900)), within(0.5));
        assertThat(MarkConversion.lens(solved(0), solved(0))).as("neither bends").isEmpty();
        assertThat(MarkConversion.lens(bent, CameraSolver.solve(MarkConversion.camera(List.of(), W, H))))
                .as("the plate's lens is not known").isEmpty();
    }

    @Test
    void aTapeAndAStaffReadWithWhatAHandIsOff() {
        PictureCamera c = PictureCamera.known(W, H, Estimate.exact(900), Estimate.exact(-14), Estimate.exact(1), Estimate.exact(1.5));
        Vec a = new Vec(-0.5, 0, 3);
        Vec b = new Vec(0.7, 0, 4.6);
        Estimate tape = MarkConversion.read(new Evidence.Tape(share(c, a), share(c, b)), c).orElseThrow();
        assertThat(tape.value()).isCloseTo(2, within(1e-6));
        Estimate staff = MarkConversion.read(new Evidence.Staff(share(c, a), share(c, a.plus(Vec.UP.times(1.2)))), c).orElseThrow();
        assertThat(staff.value()).isCloseTo(1.2, within(1e-6));
        assertThat(staff.std()).as("a hand is 0.7 px off; a metre is some 290 px there").isBetween(0.002, 0.02);
        assertThat(tape.std()).isGreaterThan(staff.std());
        assertThat(MarkConversion.read(new Evidence.Grey(new Point(0.5, 0.5)), c)).as("nothing to read").isEmpty();
        assertThat(MarkConversion.read(new Evidence.Tape(new Point(0.5, 0.01), share(c, a)), c)).as("one end in the sky").isEmpty();
    }

    private static Point share(PictureCamera c, Vec v) {
        Point p = c.project(v).orElseThrow();
        return new Point(p.x() / W, p.y() / H);
    }

    @Test
    void whatCertainlyStandsIsLookedAtForAShadowBeforeWhatMayHang() {
        Evidence edge = new Evidence.Edge(Evidence.Runs.UP, new Point(0.2, 0.3), new Point(0.2, 0.8));
        assertThat(MarkConversion.standing(List.of(edge), W, H)).as("its lower end is its foot")
                .containsExactly(new ShadowProposal.Stands(new Point(0.2 * W, 0.8 * H), new Point(0.2 * W, 0.3 * H)));
        Evidence staff = new Evidence.Staff(new Point(0.5, 0.8), new Point(0.5, 0.4));
        assertThat(MarkConversion.standing(List.of(edge, staff), W, H))
                .containsExactly(new ShadowProposal.Stands(new Point(0.5 * W, 0.8 * H), new Point(0.5 * W, 0.4 * H)));
    }

    @Test
    void everyMarkOfTheLightIsHandedOnInPixels() {
        LightMarks m = MarkConversion.light(
                List.of(
                        new Evidence.Shade(new Point(0.5, 0.5), new Point(0.6, 0.5), Evidence.Lies.FACING),
                        new Evidence.Round(Evidence.Shape.HEAD, new Point(0.25, 0.5), new Point(0.25, 0.6)),
                        new Evidence.Lamp(new Point(0.75, 0.1)),
                        new Evidence.Round(Evidence.Shape.BALL, new Point(0.5, 0.5), new Point(0.5, 0.5))),
                W, H);
        assertThat(m.lit()).hasSize(1);
        assertThat(m.unlit().getFirst().lies()).isEqualTo(Evidence.Lies.FACING);
        assertThat(m.unlit().getFirst().area().holds(0.6 * W, 0.5 * H)).isTrue();
        assertThat(m.rounds()).as("a round thing without size is none")
                .containsExactly(new LightMarks.Round(Evidence.Shape.HEAD, new Point(320, 360), new Point(320, 432)));
        assertThat(m.lamps()).containsExactly(new Point(960, 72));
    }

    @Test
    void aLensHeightMeasuredAtTheTripodGivesTheGroundItsMetres() {
        List<Evidence> marks = room(0);
        assertThat(CameraSolver.solve(MarkConversion.camera(marks, W, H)).metric()).as("without it nothing is").isFalse();
        marks.add(new Evidence.LensHeight(1.5));
        PictureCamera c = CameraSolver.solve(MarkConversion.camera(marks, W, H));
        assertThat(c.lensHeightM().value()).isEqualTo(1.5);
        assertThat(MarkConversion.read(new Evidence.Tape(marks.get(2).points().get(0), marks.get(2).points().get(1)), c).orElseThrow()
                .value()).as("an edge on the floor, from 3.2 to 6 m").isCloseTo(2.8, within(0.02));
    }
}
