package org.scenothesis.core.rehearsal.staged;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Limit;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.stage.Floor;
import org.scenothesis.core.stage.HandCamera;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.PieceShelf;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.proof.Proofs;
import org.scenothesis.core.stage.proof.Proved;
import org.scenothesis.core.stage.proof.Question;
import org.scenothesis.core.stage.proof.SetView;

class PredictionTest {
    private static StagedRoll roll(Fault... faults) {
        Stage s = HandCamera.FRESH.stage(null, 16 / 9.0);
        Floor f = s.floor().plus(PieceShelf.make("figure", "figure", new Spot(0, 3, 0), Vec.ZERO))
                .plus(PieceShelf.make("cloth", "cloth", new Spot(0, 4.5, 0), Vec.ZERO))
                .plus(PieceShelf.make("soft", "key", new Spot(-1.2, 1.5, 0), new Vec(0, 0.5, 3)));
        return new StagedRoll("r", new SetView(s.withFloor(x -> f), "", 640, 360), 2, 0, 24, Set.of(faults), 1);
    }

    private static Prediction of(Measure m, Fault... faults) {
        StagedRoll r = roll(faults);
        SetView there = new SetView(r.faultyStage(), "", 640, 360);
        return Prediction.of(r, Proofs.of(new Question(there, HouseRules.DEFAULT, null, null)), true, 2, HouseRules.DEFAULT).stream()
                .filter(f -> f.measure() == m).findFirst().orElseThrow();
    }

    @ParameterizedTest
    @CsvSource({"CAMERA, BUMP, 3.62", "CAMERA, ROLLING_SHUTTER, 1.28", "DRIFT, DRIFT, 0.5", "DRIFT, AUTO_EXPOSURE, 0.6", "ROLL, SHORT, 1"})
    void aFaultIsForetoldInTheMeasureItShowsIn(Measure m, Fault fault, double value) {
        Prediction f = of(m, fault);
        assertThat(f.value()).isCloseTo(value, within(0.02 * value));
        assertThat(f.by()).containsExactly(fault);
        assertThat(f.verdict()).isIn(Verdict.WATCH, Verdict.REDO);
        assertThat(of(m).verdict()).isEqualTo(Verdict.HOLDS);
        assertThat(of(m).by()).isEmpty();
    }

    @Test
    void whatLiesInTheSetIsForetoldFromItsProofs() {
        assertThat(of(Measure.GREY_INSIDE, Fault.CLOTHES).verdict()).isEqualTo(Verdict.REDO);
        assertThat(of(Measure.SPILL, Fault.SHADOW).value()).isGreaterThan(of(Measure.SPILL).value());
        assertThat(of(Measure.WHITE_BALANCE, Fault.AUTO_WHITE).value()).isGreaterThan(10);
        assertThat(of(Measure.BORDER, Fault.LIMB).verdict().weight()).isGreaterThanOrEqualTo(of(Measure.BORDER).verdict().weight());
    }

    /// A stool before a cloth is in the way of at least some of it, and is not in the frame of the cloth alone; the body ends at 360 lines
    /// smaller than at 1080.
    @Test
    void whatStandsBeforeTheClothAndWhatIsSmallInThePictureIsForetold() {
        Stage s = roll().view().stage();
        Piece rod = PieceShelf.make("stool", "stool", new Spot(0.4, 3, 0), Vec.ZERO);
        SetView with = new SetView(s.withFloor(f -> f.plus(rod)), "", 640, 360);
        assertThat(roll().view().stoodBefore()).isZero();
        assertThat(with.stoodBefore()).isBetween(0.003, 0.2);
        List<Proved> proofs = Proofs.of(new Question(with, HouseRules.DEFAULT, null, null));
        StagedRoll large = new StagedRoll("r", with, 2, 0, 24, Set.of(), 1);
        StagedRoll small = new StagedRoll("r", new SetView(with.stage(), "", 64, 36), 2, 0, 24, Set.of(), 1);
        assertThat(verdict(Measure.GREY_OUTSIDE, large, proofs)).isIn(Verdict.WATCH, Verdict.REDO);
        assertThat(verdict(Measure.GREY_INSIDE, large, proofs)).isEqualTo(Verdict.HOLDS);
        assertThat(verdict(Measure.GREY_INSIDE, small, proofs)).isEqualTo(Verdict.WATCH);
    }

    private static Verdict verdict(Measure m, StagedRoll r, List<Proved> proofs) {
        return Prediction.of(r, proofs, true, 2, HouseRules.DEFAULT).stream().filter(f -> f.measure() == m).findFirst().orElseThrow()
                .verdict();
    }

    private static Finding found(Measure m, double value) {
        return Finding.of(m, new Subject.OfPlate("p"), value, new Limit(1, 2));
    }

    @Test
    void whatAgreesIsTheSameVerdictOrNearlyTheSameValue() {
        List<Prediction> foretold = List.of(
                new Prediction(Measure.CAMERA, 3, Verdict.REDO, List.of()), new Prediction(Measure.SPILL, 0.95, Verdict.HOLDS, List.of()),
                new Prediction(Measure.DRIFT, 0, Verdict.HOLDS, List.of()), new Prediction(Measure.SCREEN_EVENNESS, 5, Verdict.REDO,
                List.of()), new Prediction(Measure.BORDER, Double.NaN, Verdict.HOLDS, List.of()));
        List<Finding> measured = List.of(found(Measure.CAMERA, 8), found(Measure.SPILL, 1.1), found(Measure.DRIFT, 1.9),
                found(Measure.SCREEN_EVENNESS, 0.2), found(Measure.SIZE, 9), found(Measure.RATE, 0.1));
        List<PredictionCheck> all = PredictionCheck.of(foretold, measured);
        assertThat(all).extracting(PredictionCheck::measure).containsExactly(Measure.CAMERA, Measure.SPILL, Measure.DRIFT,
                Measure.SCREEN_EVENNESS, Measure.BORDER, Measure.SIZE);
        assertThat(all).extracting(PredictionCheck::agreement).containsExactly(
                PredictionCheck.Agreement.AGREES, PredictionCheck.Agreement.AGREES, PredictionCheck.Agreement.WORSE,
                PredictionCheck.Agreement.MILDER, PredictionCheck.Agreement.NOT_MEASURED, PredictionCheck.Agreement.UNFORESEEN);
    }
}
