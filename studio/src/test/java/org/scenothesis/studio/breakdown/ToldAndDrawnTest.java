package org.scenothesis.studio.breakdown;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;

/// What is told at the left and drawn above: tried answers, groups, pieces moved, plans compared, what is owned.
class ToldAndDrawnTest extends BreakDownHouse {
    @Start
    void start(Stage stage) throws Exception {
        open(stage);
    }

    @Stop
    void stop() {
        close();
    }

    @Test
    void anAnswerSaysWhatItWouldChangeBeforeItIsGiven(FxRobot robot) {
        until("planned", () -> there("#answer-motion-still"));
        robot.interact(() -> scene.lookup("#answer-motion-still").requestFocus());
        until("said", () -> ((Labeled) scene.lookup("#would-change .label")).getText()
                .matches("(?s).stays still.: \u2212\u00a0\\d plates?, .*without.*Screen only.*"));
        assertThat(session.shot().illusions().getFirst().fact("motion", "")).isNotEqualTo("still");
        // By arrows one goes to the next answer without giving it.
        press(robot, KeyCode.RIGHT);
        until("the next", () -> scene.getFocusOwner() != null && "answer-motion-turns".equals(scene.getFocusOwner().getId()));
        assertThat(((ToggleButton) scene.lookup("#answer-motion-drifts")).isSelected()).as("what was told stays shown").isTrue();
        assertThat(((ToggleButton) scene.lookup("#answer-motion-turns")).isSelected()).isFalse();
        robot.interact(() -> scene.lookup("#need-clean-A").requestFocus());
        until("gone again", () -> ((Labeled) scene.lookup("#would-change .label")).getText().startsWith("Rest on an answer"));
    }

    @Test
    void aPlateLeadsToTheQuestionsItHangsOn(FxRobot robot) {
        until("planned", () -> there("#need-light-the-lantern"));
        click(robot, "#need-light-the-lantern");
        until("found", () -> there("#cause-light-the-lantern-glows"));
        click(robot, "#cause-light-the-lantern-glows");
        until("its group is open and the answer has the focus", () -> scene.getFocusOwner() != null
                && "answer-glows-yes".equals(scene.getFocusOwner().getId()));
    }

    private String piece(String name) {
        return scene.getRoot().lookupAll(".piece").stream().filter(n -> String.valueOf(n.getAccessibleText()).startsWith(name)).findFirst()
                .orElseThrow().getId();
    }

    @Test
    void whatIsDrawnIsMovedByKeysAndByTheMouse(FxRobot robot) {
        until("drawn", () -> scene.getRoot().lookupAll(".piece").size() > 1);
        double was = Double.parseDouble(session.shot().illusions().getFirst().fact("heightM", ""));
        String lantern = piece("The lantern");
        robot.interact(() -> scene.lookup("#" + lantern).requestFocus());
        press(robot, KeyCode.UP, KeyCode.UP);
        until("higher", () -> Math.abs(Double.parseDouble(session.shot().illusions().getFirst().fact("heightM", "")) - was - 0.1) < 1e-9);
        press(robot, KeyCode.RIGHT);
        until("across", () -> !session.shot().illusions().getFirst().fact("acrossM", "").isEmpty());
        robot.interact(() -> scene.lookup("#" + piece("The maker")).requestFocus());
        press(robot, KeyCode.F);
        until("in front, so on cloth", () -> session.shot().illusions().getFirst().fact("crossed", "").equals("yes") && words()
                .contains("The performer who passes in front acts before the cloth"));
        double before = Double.parseDouble(session.shot().illusions().getFirst().fact("acrossM", ""));
        robot.interact(() -> ((ScrollPane) scene.lookup("#audience-scroll")).setHvalue(0));
        robot.drag("#" + piece("The lantern"), MouseButton.PRIMARY).moveBy(30, 0).drop();
        until("dragged", () -> Double.parseDouble(session.shot().illusions().getFirst().fact("acrossM", "")) > before + 0.02);
    }

    @Test
    void aGroupUnfoldsByKeyAndSeveralSupportsHold(FxRobot robot) {
        click(robot, "#answer-who-person");
        until("asked anew", () -> ((Labeled) scene.lookup("#asked-of-floats-1")).getText().matches("\\d+ answered, \\d+ assumed"));
        robot.interact(() -> scene.lookup("#topic-floats-1-held").requestFocus());
        press(robot, KeyCode.ENTER);
        until("unfolded", () -> there("#answer-support-stool"));
        assertThat(scene.getFocusOwner().getId()).isEqualTo("topic-floats-1-held");
        robot.interact(() -> session.change("stool", s -> s.withIllusion("floats-1", w -> w.withFact("support", "stool"))));
        click(robot, "#answer-support-chair");
        until("both", () -> session.shot().illusions().getFirst().fact("support", "").equals("stool chair"));
        click(robot, "#answer-support-stool");
        until("the other", () -> session.shot().illusions().getFirst().fact("support", "").equals("chair"));
        click(robot, "#answer-support-chair");
        until("the last one stays", () -> session.shot().illusions().getFirst().fact("support", "").equals("chair"));
        robot.interact(() -> scene.lookup("#topic-floats-1-held").requestFocus());
        press(robot, KeyCode.SPACE);
        until("folded, with what it holds", () -> !there("#answer-support-stool") && words().contains("a chair"));
    }

    @Test
    void theBaseIsAskedWithTheIllusionAndChangesEverything(FxRobot robot) {
        click(robot, "#answer-base-existing");
        until("planned for it", () -> there("#need-base") && !there("#need-clean-A"));
        assertThat(session.shot().setting().facts()).containsEntry("base", "existing");
        click(robot, "#slip-of-setting");
        until("asked there too", () -> there("#topic-setting-bases"));
        undo(robot);
        until("undone", () -> there("#need-clean-A"));
    }

    @Test
    void aPressOnABeatGoesThere(FxRobot robot) {
        until("drawn", () -> there("#audience") && scene.getRoot().lookupAll(".beat").size() > 2);
        Node second = scene.getRoot().lookupAll(".beat .sketch-paper").stream().toList().get(1);
        robot.clickOn(second.localToScreen(6, 6));
        until("there", () -> session.seconds().get() > 0.4 && second.getParent().getStyleClass().contains("beat-now"));
    }

    @Test
    void plansAreComparedWithOneThatWasKeptAndWithAnotherApproach(FxRobot robot) {
        click(robot, "#page-compare");
        click(robot, "#keep-plan");
        until("the same", () -> there("#difference") && words().contains("nothing changes"));
        click(robot, "#answer-motion-still");
        until("other", () -> there("#difference") && ((Labeled) scene.lookup("#difference")).getText().contains("without"));
        click(robot, "#compare-school");
        click(robot, "#matter-effect_light");
        until("planned both ways", () -> there("#difference"));
    }

    @Test
    void whatIsOwnedIsListedComparedAndTold(FxRobot robot) {
        click(robot, "#page-safety");
        click(robot, "#own-cloth-green");
        until("listed", () -> there("#own-clothWideM-0") && words().contains("you own 1") && Files.exists(temp.resolve("kit.json")));
        retype(robot, "#own-clothWideM-0", "0.6");
        robot.type(KeyCode.ENTER);
        click(robot, "#tell-owned");
        until("told", () -> session.shot().setting().facts().getOrDefault("clothWideM", "").equals("0.6"));
        click(robot, "#page-plates");
        until("too small", () -> words().contains("sweeps") && words().contains("0.60"));
    }
}
