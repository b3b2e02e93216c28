package org.scenothesis.studio.board;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Limit;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.demo.LanternWorks;

class BoardModelTest {
    private final Shot shot = LanternWorks.production().shot("12");
    private final Plate clean = shot.plate("clean").orElseThrow();
    private final Plate lantern = shot.plate("lantern").orElseThrow();
    private final Plate lamp = shot.plate("lamp").orElseThrow();

    private static Finding finding(String plate, Measure m, double v, Verdict verdict) {
        return Finding.of(m, plate, v, new Limit(0.25, 1)).judged(verdict).detailed(47.0);
    }

    @Test
    void aCellShowsTheWorstOfItsMeasures() {
        List<Finding> f = List.of(
                finding("clean", Measure.CAMERA, 0.1, Verdict.HOLDS), finding("clean", Measure.BUMP, 1.8, Verdict.REDO), finding("clean", Measure.PARALLAX, 0.1, Verdict.WATCH));
        BoardModel.Cell c = BoardModel.cell(shot, clean, BoardModel.Column.CAMERA, f);
        assertThat(c.verdict()).isEqualTo(Verdict.REDO);
        assertThat(c.words()).isEqualTo("1.80 px from f 47");
        assertThat(c.finding()).isNotNull();
    }

    @Test
    void whatCannotBeMeasuredSaysWhy() {
        assertThat(BoardModel.cell(shot, clean, BoardModel.Column.MATTE, List.of()).words()).isEqualTo("no key");
        assertThat(BoardModel.cell(shot, lamp, BoardModel.Column.EXPOSURE, List.of()).words()).isEqualTo("by design");
        assertThat(BoardModel.cell(shot, lantern, BoardModel.Column.MATTE, List.of()).verdict()).isEqualTo(Verdict.NOT_MEASURED);
    }

    @Test
    void layeredPlatesNameTheirLayer() {
        assertThat(BoardModel.cell(shot, lantern, BoardModel.Column.LAYERED, List.of()).words()).isEqualTo("Lantern");
        assertThat(BoardModel.cell(shot, shot.plate("card").orElseThrow(), BoardModel.Column.LAYERED, List.of()).verdict()).isEqualTo(Verdict.NOT_MEASURED);
        Shot off = shot.withLayer("lantern", l -> l.withOn(false));
        assertThat(BoardModel.cell(off, lantern, BoardModel.Column.LAYERED, List.of()).words()).isEqualTo("off");
    }

    @Test
    void theNextThingIsTheWorstAndThenTheDearest() {
        Finding small = finding("clean", Measure.WHITE_BALANCE, 9, Verdict.WATCH);
        Finding dear = finding("clean", Measure.BORDER, 3, Verdict.WATCH);
        Finding redo = finding("maker", Measure.EXPOSURE, 0.5, Verdict.REDO);
        assertThat(BoardModel.next(List.of(small, dear, redo))).contains(redo);
        assertThat(BoardModel.next(List.of(small, dear))).contains(dear);
        assertThat(BoardModel.next(List.of(finding("clean", Measure.CAMERA, 0, Verdict.HOLDS)))).isEmpty();
    }
}
