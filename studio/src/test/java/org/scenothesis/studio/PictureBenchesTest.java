package org.scenothesis.studio;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.shot.Blend;
import org.scenothesis.core.shot.TimeMap;
import org.scenothesis.core.shot.step.ColourGrade;
import org.scenothesis.core.shot.step.Exposure;
import org.scenothesis.core.shot.step.Grain;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.value.Ease;
import org.scenothesis.studio.house.BenchName;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import org.testfx.util.WaitForAsyncUtils;

/// Real clicks, drags and keys on the benches that show a picture: Match, Key, Layer.
class PictureBenchesTest extends MainWindowTest {
    @Start
    void start(Stage stage) throws Exception {
        begin(stage);
    }

    @Stop
    void stop() {
        end();
    }

    @Test
    void theBumpedTakeShowsItsBumpOnMatch(FxRobot robot) {
        measured();
        robot.clickOn("#bench-match");
        robot.clickOn("#slip-clean");
        robot.clickOn("#match-clean-1");
        measured();
        until("bump shown", () -> words(scene.getRoot()).contains("bump, frame "));
    }

    @Test
    void platesAreComparedInColourAndMeasuredAsABackground(FxRobot robot) {
        measured();
        robot.clickOn("#bench-match").clickOn("#match-page-colour");
        until("compared", () -> scene.lookup("#grade-lamp") != null);
        assertThat(words(scene.lookup("#match-colours"))).contains("Maker at bench", "slope", "grain", "contrast",
                "what the others are held against", "stops, black at");
        long plates = scene.getRoot().lookupAll(".strip-contrast").size();
        assertThat(plates).as("a row for every plate").isEqualTo(session.plates().size());
        assertThat(scene.getRoot().lookupAll(".strip-edge")).hasSize((int) plates);
        robot.interact(() -> ((Button) scene.lookup("#grade-lamp")).fire());
        until("graded", () -> session.shot().layer("glow").orElseThrow().steps().stream().anyMatch(ColourGrade.class::isInstance));
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        until("one step back", () -> session.shot().layer("glow").orElseThrow().steps().stream().noneMatch(ColourGrade.class::isInstance));
        robot.clickOn("#match-page-background").clickOn("#backgrounds-measure");
        until("measured", () -> words(scene.lookup("#backgrounds")).contains("the camera stands still"));
    }

    @Test
    void aCutIsMovedByKeysAndIsOneUndoStepEach(FxRobot robot) {
        measured();
        robot.clickOn("#bench-key");
        measured();
        double before = session.shot().layer("lantern").orElseThrow().key().emptyBelow();
        robot.clickOn("#cut-empty").type(KeyCode.RIGHT, KeyCode.RIGHT);
        until("moved twice", () -> Math.abs(session.shot().layer("lantern").orElseThrow().key().emptyBelow() - before - 0.02) < 1e-9);
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        until("one step back", () -> Math.abs(session.shot().layer("lantern").orElseThrow().key().emptyBelow() - before - 0.01) < 1e-9);
    }

    @Test
    void aCutIsDraggedAndLetGoOnce(FxRobot robot) {
        measured();
        robot.clickOn("#bench-key");
        measured();
        robot.moveTo("#cut-solid").press(MouseButton.PRIMARY).moveBy(-60, 0).release(MouseButton.PRIMARY);
        until("let go", () -> session.shot().layer("lantern").orElseThrow().key().solidAbove() < 0.7);
        assertThat(session.store().undoable()).isEqualTo("solid cut");
        Platform.runLater(() -> session.store().undo());
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(session.shot().layer("lantern").orElseThrow().key().solidAbove()).isEqualTo(0.72);
    }

    @Test
    void aGarbageCornerIsMovedAddedAndTakenAwayByKeys(FxRobot robot) {
        measured();
        robot.clickOn("#bench-key");
        robot.clickOn("#slip-lantern");
        until("corners", () -> robot.lookup("#corner-0").tryQuery().isPresent());
        var before = session.shot().layer("lantern").orElseThrow().garbage().at(0);
        robot.interact(() -> robot.lookup("#corner-1").query().requestFocus());
        robot.type(KeyCode.RIGHT, KeyCode.RIGHT);
        until("moved", () -> Math.abs(session.shot().layer("lantern").orElseThrow().garbage().at(0).get(1).x() - before.get(1)
                .x() - 0.004) < 1e-9);
        robot.press(KeyCode.SHIFT).type(KeyCode.DOWN).release(KeyCode.SHIFT);
        until("moved further", () -> Math.abs(session.shot().layer("lantern").orElseThrow().garbage().at(0).get(1).y() - before.get(1)
                .y() - 0.02) < 1e-9);
        assertThat(session.frame()).as("arrows on a corner are not for the frames").isZero();
        robot.type(KeyCode.INSERT);
        until("one more", () -> session.shot().layer("lantern").orElseThrow().garbage().at(0).size() == before.size() + 1);
        robot.type(KeyCode.DELETE);
        until("one less", () -> session.shot().layer("lantern").orElseThrow().garbage().at(0).size() == before.size());
        robot.press(KeyCode.CONTROL).type(KeyCode.Z, KeyCode.Z, KeyCode.Z, KeyCode.Z, KeyCode.Z).release(KeyCode.CONTROL);
        until("all undone", () -> session.shot().layer("lantern").orElseThrow().garbage().at(0).equals(before));
    }

    @Test
    void aGarbageCornerIsDragged(FxRobot robot) {
        measured();
        robot.clickOn("#bench-key");
        measured();
        var before = session.shot().layer("lantern").orElseThrow().garbage().at(0);
        robot.drag("#corner-0").moveBy(-14, -9).drop();
        until("corner moved", () -> !session.shot().layer("lantern").orElseThrow().garbage().at(0).equals(before));
        var after = session.shot().layer("lantern").orElseThrow().garbage().at(0);
        assertThat(after.getFirst().x()).isLessThan(before.getFirst().x());
        assertThat(after.subList(1, 4)).isEqualTo(before.subList(1, 4));
    }

    @Test
    void theKeyIsSeenCloserOverOtherGroundsAndKeptSolid(FxRobot robot) {
        measured();
        robot.clickOn("#bench-key").clickOn("#slip-lantern");
        measured();
        robot.type(KeyCode.B, KeyCode.PLUS, KeyCode.PLUS);
        until("closer", () -> robot.lookup("#key-zoom").<Button>query().getText().equals("200 %"));
        assertThat(robot.lookup("#key-ground").<Button>query().getText()).isEqualTo("over grey");
        measured();
        robot.type(KeyCode.MINUS, KeyCode.MINUS, KeyCode.MINUS);
        until("all", () -> robot.lookup("#key-zoom").<Button>query().getText().equals("fit"));
        robot.type(KeyCode.V, KeyCode.INSERT);
        until("solid", () -> session.shot().layer("lantern").orElseThrow().steps().stream().anyMatch(s -> s instanceof Outline o
                && o.counts() == Outline.Counts.ALSO));
        until("of what was measured", () -> words(scene.getRoot()).contains("Measured for the key alone"));
        robot.type(KeyCode.K);
        until("moves", () -> session.shot().layer("lantern").orElseThrow().steps().stream().anyMatch(s -> s instanceof Outline o
                && o.counts() == Outline.Counts.ALSO && o.corners().keys().size() == 1));
        robot.interact(() -> session.goToFrame(8));
        robot.interact(() -> robot.lookup("#corner-0").query().requestFocus());
        robot.type(KeyCode.RIGHT);
        until("a second keyframe", () -> session.shot().layer("lantern").orElseThrow().steps().stream()
                .anyMatch(s -> s instanceof Outline o && o.corners().keys().size() == 2));
    }

    @Test
    void numbersOnTheLayerBenchAreTypedAndRefusedOutOfBounds(FxRobot robot) {
        measured();
        robot.clickOn("#bench-layer");
        robot.clickOn("#slip-lantern");
        TextField height = robot.lookup("#tape-height").query();
        robot.doubleClickOn(height).press(KeyCode.CONTROL).type(KeyCode.A).release(KeyCode.CONTROL).write("1.10").type(KeyCode.ENTER);
        until("height taken", () -> Math.abs(session.shot().layer("lantern").orElseThrow().step(SetPlace.class).orElseThrow().stand(0)
                .foot().y() - 1.10) < 1e-9);
        TextField gain = robot.lookup("#tape-gain").query();
        robot.interact(() -> gain.setText("99"));
        robot.interact(() -> gain.fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.ENTER, false, false, false, false)));
        assertThat(session.shot().layer("lantern").orElseThrow().step(Exposure.class)).isEmpty();
    }

    @Test
    void theTokenOnThePlanMovesTheElement(FxRobot robot) {
        measured();
        robot.clickOn("#bench-layer");
        robot.clickOn("#slip-lantern");
        double before = session.shot().layer("lantern").orElseThrow().step(SetPlace.class).orElseThrow().stand(0).foot().x();
        robot.drag("#plan-above-token").moveBy(40, 0).drop();
        until("token moved", () -> session.shot().layer("lantern").orElseThrow().step(SetPlace.class).orElseThrow().stand(0).foot()
                .x() > before + 0.2);
    }

    @Test
    void layersAreSwitchedOff(FxRobot robot) {
        robot.clickOn("#bench-layer");
        CheckBox on = robot.lookup("#on-maker").query();
        robot.clickOn(on);
        until("off", () -> !session.shot().layer("maker").orElseThrow().on());
    }

    /// A step is added from the menu, its number typed, and taken away again; each is one step back.
    @Test
    void grainIsAddedTypedAndTakenAway(FxRobot robot) {
        robot.clickOn("#bench-layer");
        robot.clickOn("#slip-maker");
        robot.clickOn("#adding-look").clickOn("#add-grain");
        until("added", () -> session.shot().layer("maker").orElseThrow().step(Grain.class).equals(Optional.of(Grain.FINE)));
        TextField amount = robot.lookup("#tape-grain-amount").query();
        robot.doubleClickOn(amount).press(KeyCode.CONTROL).type(KeyCode.A).release(KeyCode.CONTROL).write("7.5").type(KeyCode.ENTER);
        until("typed", () -> session.shot().layer("maker").orElseThrow().step(Grain.class).equals(Optional.of(new Grain(7.5, 1))));
        robot.clickOn("#remove-grain");
        until("gone", () -> session.shot().layer("maker").orElseThrow().step(Grain.class).isEmpty());
        robot.interact(() -> session.store().undo());
        assertThat(session.shot().layer("maker").orElseThrow().step(Grain.class)).contains(new Grain(7.5, 1));
    }

    /// A patch's outline is pulled on the picture; with keyframes it goes from one shape to the other.
    @Test
    void anOutlineMovesFromKeyframeToKeyframe(FxRobot robot) {
        measured();
        robot.clickOn("#bench-layer");
        robot.clickOn("#slip-maker");
        Outline before = session.shot().layer("maker").orElseThrow().step(Outline.class).orElseThrow();
        robot.interact(() -> session.goToFrame(0));
        robot.clickOn("#key-outline");
        until("a keyframe", () -> session.shot().layer("maker").orElseThrow().keyTimes().equals(List.of(0.0)));
        robot.interact(() -> session.goToFrame(48));
        until("a picture", () -> robot.lookup("#corner-1").tryQuery().isPresent());
        robot.drag("#corner-1").moveBy(40, 0).drop();
        until("two keyframes", () -> session.shot().layer("maker").orElseThrow().keyTimes().equals(List.of(0.0, 2.0)));
        Outline after = session.shot().layer("maker").orElseThrow().step(Outline.class).orElseThrow();
        assertThat(after.at(0)).isEqualTo(before.at(0));
        assertThat(after.at(2).get(1).x()).isGreaterThan(before.at(0).get(1).x() + 0.02);
        assertThat(after.at(1).get(1).x()).isBetween(before.at(0).get(1).x(), after.at(2).get(1).x());
        robot.clickOn("#ease-outline");
        until("another ease", () -> session.shot().layer("maker").orElseThrow().step(Outline.class).orElseThrow().corners()
                .easeAt(2) == Ease.HOLD);
        robot.clickOn("#key-outline");
        until("taken away", () -> session.shot().layer("maker").orElseThrow().keyTimes().equals(List.of(0.0)));
    }

    /// Time and blend are chosen; a number of the new kind takes the place of the old one's.
    @Test
    void aLayerIsHeldLoopedAndLaidOtherwise(FxRobot robot) {
        robot.clickOn("#bench-layer");
        robot.clickOn("#slip-maker");
        ComboBox<String> time = robot.lookup("#choice-time").queryComboBox();
        robot.interact(() -> time.setValue("looped"));
        until("looped", () -> session.shot().layer("maker").orElseThrow().time().equals(new TimeMap.Looped(0, 1)));
        TextField to = robot.lookup("#tape-loop-to").query();
        robot.interact(() -> to.setText("2"));
        robot.interact(() -> to.fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.ENTER, false, false, false, false)));
        until("to two seconds", () -> session.shot().layer("maker").orElseThrow().time().equals(new TimeMap.Looped(0, 2)));
        assertThat(robot.lookup("#tape-speed").tryQuery()).isEmpty();
        robot.interact(() -> session.goToFrame(24));
        robot.interact(() -> robot.lookup("#choice-time").<String>queryComboBox().setValue("held"));
        until("held where it is seen", () -> session.shot().layer("maker").orElseThrow().time().equals(new TimeMap.Held(1)));
        robot.interact(() -> robot.lookup("#choice-time").query().requestFocus());
        robot.type(KeyCode.DIGIT6);
        until("a digit is the bench's", () -> session.bench().get() == BenchName.KEY);
        robot.type(KeyCode.DIGIT7).clickOn("#slip-maker");
        ComboBox<String> blend = robot.lookup("#choice-blend").queryComboBox();
        robot.interact(() -> blend.setValue("lighten"));
        until("lighten", () -> session.shot().layer("maker").orElseThrow().blend() == Blend.LIGHTEN);
        robot.interact(() -> session.store().undo());
        until("undone", () -> "over".equals(blend.getValue()));
    }

    /// The set-up is chosen on Layer; taken away and chosen again, nothing of it is lost.
    @Test
    void aShotIsFilmedWithAnotherSetUp(FxRobot robot) {
        robot.clickOn("#bench-layer");
        robot.clickOn("#slip-lantern");
        var before = session.shot().setUp();
        ComboBox<String> choice = robot.lookup("#choice-set-up").queryComboBox();
        assertThat(choice.getValue()).isEqualTo("Set of shot 12");
        robot.interact(() -> choice.setValue("none yet"));
        until("without", () -> session.shot().stage() == null);
        ComboBox<String> again = robot.lookup("#choice-set-up").queryComboBox();
        robot.interact(() -> again.setValue("Set of shot 12"));
        until("with it again", () -> session.shot().setUp() != null && session.shot().setUp().equals(before));
        robot.interact(() -> session.change("share it", s -> s.withTitle("x")));
        robot.interact(() -> session.store().apply("share it", p -> p.withShot("13", s -> s.withSetUp(before))));
        until("said", () -> robot.lookup(".label").queryAllAs(Label.class).stream()
                .anyMatch(l -> l.getText().startsWith("Shared with shot 13")));
    }

    /// A form that is used for the first time stays under the hand, though its step is put in only now.
    @Test
    void aFormStaysWhereItIsWhenItsStepIsPutIn(FxRobot robot) {
        robot.clickOn("#bench-layer");
        robot.clickOn("#slip-lantern");
        double before = robot.lookup("#tape-gain").query().localToScene(0, 0).getY();
        TextField gain = robot.lookup("#tape-gain").query();
        robot.interact(() -> gain.setText("0.5"));
        robot.interact(() -> gain.fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.ENTER, false, false, false, false)));
        until("put in", () -> session.shot().layer("lantern").orElseThrow().step(Exposure.class).isPresent()
                && robot.lookup("#remove-exposure").tryQuery().isPresent());
        robot.interact(() -> {});
        assertThat(robot.lookup("#tape-gain").query().localToScene(0, 0).getY()).isBetween(before - 2, before + 2);
    }
}
