package org.scenothesis.studio.board;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Judgement;
import org.scenothesis.core.finding.Limit;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.demo.LanternWorks;

class BoardModelTest {
    private final Shot shot = LanternWorks.production().shot("12");
    private final Plate clean = shot.plate("clean").orElseThrow();
    private final Plate lantern = shot.plate("lantern").orElseThrow();
    private final Plate lamp = shot.plate("lamp").orElseThrow();

    private static Finding finding(String plate, Measure m, double v, Verdict verdict) {
        return Finding.of(m, new Subject.OfPlate(plate), v, new Limit(0.25, 1)).judged(verdict).detailed(47.0);
    }

    @Test
    void aCellShowsTheWorstOfItsMeasures() {
        List<Finding> f = List.of(
                finding("clean", Measure.CAMERA, 0.1, Verdict.HOLDS), finding("clean", Measure.BUMP, 1.8, Verdict.REDO),
                finding("clean", Measure.PARALLAX, 0.1, Verdict.WATCH));
        BoardModel.Cell c = BoardModel.cell(shot, clean, BoardModel.Column.CAMERA, new Judgement(f));
        assertThat(c.verdict()).isEqualTo(Verdict.REDO);
        assertThat(c.words()).isEqualTo("1.80 px from f 47");
        assertThat(c.finding()).isNotNull();
    }

    @Test
    void whatCannotBeMeasuredSaysWhy() {
        assertThat(BoardModel.cell(shot, clean, BoardModel.Column.MATTE, Judgement.NONE).words()).isEqualTo("no key");
        assertThat(BoardModel.cell(shot, lamp, BoardModel.Column.EXPOSURE, Judgement.NONE).words()).isEqualTo("by design");
        assertThat(BoardModel.cell(shot, lantern, BoardModel.Column.MATTE, Judgement.NONE).verdict()).isEqualTo(Verdict.NOT_MEASURED);
    }

    @Test
    void layeredPlatesNameTheirLayer() {
        assertThat(BoardModel.cell(shot, lantern, BoardModel.Column.LAYERED, Judgement.NONE).words()).isEqualTo("Lantern");
        assertThat(BoardModel.cell(shot, shot.plate("card").orElseThrow(), BoardModel.Column.LAYERED, Judgement.NONE).verdict())
                .isEqualTo(Verdict.NOT_MEASURED);
        Shot off = shot.withLayer("lantern", l -> l.withOn(false));
        assertThat(BoardModel.cell(off, lantern, BoardModel.Column.LAYERED, Judgement.NONE).words()).isEqualTo("off");
    }
}
