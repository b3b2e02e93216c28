package org.scenothesis.core.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Limit;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.step.Exposure;
import org.scenothesis.core.shot.step.Grain;
import org.scenothesis.core.shot.step.Opacity;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.stage.KeyLight;
import org.scenothesis.core.stage.SetUp;
import org.scenothesis.core.stage.StageCamera;
import org.scenothesis.core.stage.Stages;
import org.scenothesis.core.stage.Surface;
import org.scenothesis.core.value.Animated;
import org.scenothesis.core.value.Ease;
import org.scenothesis.core.value.Given;

class DocumentTest {
    private static final Plate PLATE = new Plate(
            "p", "Plate", PlateRole.CLEAN, Spike.T, "A", "A", 4, List.of(new Take("1", "footage/a.mp4", false, ""),
            new Take("2", "footage/b.mp4", true, "good")));

    @Test
    void theCircledTakeCountsElseTheLast() {
        assertThat(PLATE.chosen().id()).isEqualTo("2");
        assertThat(PLATE.circling("2").chosen().id()).isEqualTo("2");
        assertThat(PLATE.circling("1").chosen().id()).isEqualTo("1");
        assertThat(PLATE.circling("1").takes()).filteredOn(Take::circled).hasSize(1);
        assertThat(PLATE.withTakes(List.of()).chosen()).isNull();
    }

    @Test
    void changesLeaveTheOldValueAlone() {
        Shot s = new Shot("1", 1, "t", "", 4, List.of(), List.of(), List.of(PLATE), List.of(), null);
        Shot t = s.withPlate("p", p -> p.withName("Other"));
        assertThat(s.plates().getFirst().name()).isEqualTo("Plate");
        assertThat(t.plates().getFirst().name()).isEqualTo("Other");
        assertThat(t.withPlateAdded(PLATE).plates()).hasSize(2);
        assertThat(s.plate("none")).isEmpty();
        assertThat(s.plateOf(PlateRole.CLEAN)).contains(PLATE);
    }

    @Test
    void listsGivenAreCopied() {
        List<Take> takes = new ArrayList<>(PLATE.takes());
        Plate p = PLATE.withTakes(takes);
        takes.clear();
        assertThat(p.takes()).hasSize(2);
    }

    @Test
    void beatsStayInOrder() {
        Shot s = new Shot("1", 1, "t", "", 4, List.of(), List.of(), List.of(), List.of(), null)
                .withBeats(List.of(new Beat("b", "later", 3), new Beat("a", "first", 1)));
        assertThat(s.beats()).extracting(Beat::name).containsExactly("first", "later");
        assertThat(new Beat("x", "x", 1).at(-5).seconds()).isZero();
        assertThatIllegalArgumentException().isThrownBy(() -> new Beat("x", "x", Double.NaN));
    }

    @Test
    void shotsAreFoundByTheirIds() {
        Production p = new Production("P", List.of(), HouseRules.DEFAULT);
        assertThat(p.hasShot("1")).isFalse();
        assertThatExceptionOfType(NoSuchElementException.class).isThrownBy(() -> p.shot("1"));
    }

    @Test
    void factsAreKeptInOrderAndNeverShared() {
        Illusion w = new Illusion("w", IllusionKind.FLOATS, "it", 0, 1, Map.of("b", "2", "a", "1"));
        assertThat(w.facts().keySet()).containsExactly("a", "b");
        assertThat(w.withFact("c", "3").fact("c", "")).isEqualTo("3");
        assertThat(w.fact("c", "none")).isEqualTo("none");
    }

    @ParameterizedTest
    @CsvSource({"0, HOLDS", "0.25, HOLDS", "-0.25, HOLDS", "0.2501, WATCH", "40, WATCH", "-41, REDO", "NaN, NOT_MEASURED"})
    void limitsJudgeTheSizeOfAValue(double v, Verdict verdict) {
        assertThat(HouseRules.DEFAULT.limit(Measure.CAMERA).judge(v)).isEqualTo(verdict);
    }

    @Test
    void theWorseVerdictWinsAndAWholeIsNeverBetterThanItsLeastKnownPart() {
        assertThat(Verdict.HOLDS.worse(Verdict.NOT_MEASURED)).isEqualTo(Verdict.NOT_MEASURED);
        assertThat(Verdict.WATCH.worse(Verdict.NOT_MEASURED)).isEqualTo(Verdict.WATCH);
        assertThat(Verdict.of(List.of(Verdict.HOLDS, Verdict.WATCH, Verdict.REDO))).isEqualTo(Verdict.REDO);
        assertThat(Verdict.of(List.of(Verdict.HOLDS, Verdict.HOLDS))).isEqualTo(Verdict.HOLDS);
        assertThat(Verdict.of(List.of())).isEqualTo(Verdict.NOT_MEASURED);
        assertThat(Finding.of(Measure.CAMERA, new Subject.OfPlate("p"), 0.1, HouseRules.DEFAULT.limit(Measure.CAMERA)).verdict())
                .isEqualTo(Verdict.HOLDS);
        assertThatIllegalArgumentException().isThrownBy(() -> new Limit(2, 1));
    }

    @Test
    void marksRepeatOnlyAfterEight() {
        assertThat(Spike.number(0)).isNotEqualTo(Spike.number(7));
        assertThat(Spike.number(8)).isEqualTo(Spike.number(0));
    }

    /// Numbers of a document come from strangers: what is no number, or none that a set can have, is refused by name.
    @ParameterizedTest
    @ValueSource(doubles = {Double.NaN, Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY, 1e300})
    void numbersThatNoSetHasAreRefused(double v) {
        KeyLight light = KeyLight.told(new KeyLight.Direction(0, 45), 1, 1);
        Surface.Extent near = new Surface.Extent(1, 2);
        StageCamera.Aim ahead = new StageCamera.Aim(0, 0, 0);
        List<Runnable> all = List.of(
                () -> new Shot("1", 1, "", "", v, List.of(), List.of(), List.of(), List.of(), null),
                () -> new Plate("p", "", PlateRole.CLEAN, Spike.T, "A", "A", v, List.of()),
                () -> new Illusion("w", IllusionKind.FLOATS, "", v, 1, Map.of()),
                () -> Stages.of(new Vec(v, 0, 0), ahead, 0, near, light),
                () -> new StageCamera.Aim(v, 0, 0),
                () -> new StageCamera.Aim(0, 0, v),
                () -> Stages.of(Vec.ZERO, ahead, v, near, light),
                () -> new KeyLight.Direction(v, 45),
                () -> KeyLight.told(new KeyLight.Direction(0, 45), v, 1),
                () -> SetPlace.at(Given.entered(Vec.ZERO), new Vec(0, v, 0)),
                () -> SetPlace.asFilmed(Given.entered(Vec.ZERO)).withTurnDeg(Animated.of(v)),
                () -> new Opacity(Animated.of(1.0).key(0, v, Ease.SOFT)),
                () -> new Grain(v, 1),
                () -> new Exposure(v, false),
                () -> new TimeMap.Straight(v, 1),
                () -> Animated.of(1.0).key(v, 1.0, Ease.SOFT),
                () -> new CameraPose(new Vec(0, 0, v), 0, 0, 0, 1000, 10, 10),
                () -> SetPlace.asFilmed(Given.entered(new Vec(0, 0, v))),
                () -> Outline.of(List.of(new Point(v, 0)), 0));
        for (Runnable make : all) {
            assertThatIllegalArgumentException().isThrownBy(make::run);
        }
    }

    /// Two shots of one set-up: light changed in one is changed in the other, a third keeps its own.
    @Test
    void whatIsChangedInASetUpIsChangedForAllThatShareIt() {
        SetUp one = new SetUp("a", "At the wall", Stages.plain());
        SetUp other = new SetUp("b", "In the yard", Stages.plain());
        Shot bare = new Shot("1", 1, "t", "", 4, List.of(), List.of(), List.of(), List.of(), one);
        Production p = new Production("P", List.of(bare, bare.renamed("2", 2), bare.renamed("3", 3).withSetUp(other), bare.renamed("4", 4)
                .withSetUp(null)), HouseRules.DEFAULT);
        KeyLight low = new KeyLight(Given.entered(new KeyLight.Direction(30, 12)), Given.entered(3.0), Given.entered(2.0));
        Production changed = p.withShot("2", s -> s.withStage(stage -> stage.withLight(low)));
        assertThat(changed.shot("1").stage()).isEqualTo(Stages.plain().withLight(low));
        assertThat(changed.shot("3").stage()).isEqualTo(Stages.plain());
        assertThat(changed.shot("4").withStage(stage -> stage.withLight(low)).stage()).isNull();
        assertThat(changed.setUps()).extracting(SetUp::id).containsExactly("a", "b");
        assertThat(p.withShot("3", s -> s.withSetUp(one)).setUps()).as("one that no shot uses stays").containsExactly(one, other);
    }
}
