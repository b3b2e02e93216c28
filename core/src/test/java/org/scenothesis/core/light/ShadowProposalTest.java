package org.scenothesis.core.light;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.perspective.CameraSolver;
import org.scenothesis.core.perspective.Marks;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;

class ShadowProposalTest {
    private static final double[] WHITE = {1, 1, 1};

    @ParameterizedTest
    @CsvSource({"-70, 30", "120, 45", "60, 55", "-110, 25"})
    void theShadowOfWhatStandsIsFoundNearItsEnd(double azimuth, double elevation) {
        LightMarks.Shadow truth = LightSolverTest.shadow(azimuth, elevation);
        ShadowProposal.Stands post = new ShadowProposal.Stands(truth.base(), truth.top());
        // Beside it something that throws none: nothing is found there.
        ShadowProposal.Stands bare = new ShadowProposal.Stands(new Point(120, 420), new Point(122, 300));
        LightMarks.Shadow found = ShadowProposal.find(LightSolverTest.lit(azimuth, elevation, 1, 2, WHITE, WHITE), LightSolverTest.CAMERA,
                List.of(bare, post)).orElseThrow();
        assertThat(found.base()).isEqualTo(truth.base());
        Point along = truth.tip().minus(truth.base());
        Point off = found.tip().minus(truth.base());
        double turned = Math.toDegrees(Math.abs(Math.atan2(along.x() * off.y() - along.y() * off.x(), along.x() * off.x()
                + along.y() * off.y())));
        assertThat(turned).isLessThan(4);
        assertThat(off.length() / along.length()).isBetween(0.75, 1.2);
    }

    @Test
    void withoutADarkStripOrACameraNothingIsOffered() {
        LightMarks.Shadow s = LightSolverTest.shadow(-70, 30);
        List<ShadowProposal.Stands> post = List.of(new ShadowProposal.Stands(s.base(), s.top()));
        Picture even = Picture.filled(960, 540, 0.2f, 0.2f, 0.2f);
        assertThat(ShadowProposal.find(even, LightSolverTest.CAMERA, post)).isEmpty();
        assertThat(ShadowProposal.find(even, LightSolverTest.CAMERA, List.of())).isEmpty();
        Picture lit = LightSolverTest.lit(-70, 30, 1, 2, WHITE, WHITE);
        assertThat(ShadowProposal.find(lit, CameraSolver.solve(Marks.none(960, 540)), post)).as("nobody knows where the ground is")
                .isEmpty();
        assertThat(ShadowProposal.find(lit, LightSolverTest.CAMERA,
                List.of(new ShadowProposal.Stands(new Point(400, 20), new Point(400, 5))))).as("in the sky").isEmpty();
    }
}
