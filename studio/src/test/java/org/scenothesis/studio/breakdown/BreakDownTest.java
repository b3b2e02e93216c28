package org.scenothesis.studio.breakdown;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.Estimates;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.production.illusion.ReadyMadeShots;
import org.scenothesis.studio.house.BenchName;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import org.testfx.util.WaitForAsyncUtils;

/// Real clicks and keys on Break down, over a production of told shots without footage.
class BreakDownTest extends BreakDownHouse {
    @Start
    void start(Stage stage) throws Exception {
        open(stage);
    }

    @Stop
    void stop() {
        close();
    }

    @Test
    void answersChangeThePlatesThatFollowAndAreUndone(FxRobot robot) {
        until("planned", () -> there("#need-screen-A-green"));
        click(robot, "#answer-motion-still");
        until("no screen", () -> !there("#need-screen-A-green") && there("#need-thing-the-lantern"));
        assertThat(session.shot().illusions().getFirst().fact("motion", "")).isEqualTo("still");
        undo(robot);
        until("undone", () -> there("#need-screen-A-green"));
        click(robot, "#answer-who-person");
        click(robot, "#topic-floats-1-held");
        until("new questions", () -> there("#answer-body-halves") && !there("#answer-support-rod"));
    }

    @Test
    void coloursAreShownWithTheirDistanceFromEachCloth(FxRobot robot) {
        click(robot, "#topic-floats-1-edges");
        retype(robot, "#text-colours", "#4f7f33");
        robot.type(KeyCode.ENTER);
        until("judged", () -> there("#cloth-apart") && ((Label) scene.lookup("#cloth-apart")).getText().contains("from green 0.07 redo"));
        until("blue", () -> there("#need-screen-A-blue"));
    }

    @Test
    void aClickThatAlsoEndsAnotherEditIsNotLostAndTheKeyboardKeepsItsPlace(FxRobot robot) {
        click(robot, "#topic-floats-1-sizes");
        retype(robot, "#number-heightM", "0.8");
        robot.clickOn("#topic-floats-1-people");
        until("both", () -> there("#text-actor") && session.shot().illusions().getFirst().fact("heightM", "").equals("0.8"));
        retype(robot, "#from-floats-1", "1");
        robot.type(KeyCode.TAB);
        until("told", () -> session.shot().illusions().getFirst().fromSeconds() == 1);
        until("on to the next field", () -> scene.getFocusOwner() != null && "to-floats-1".equals(scene.getFocusOwner().getId()));
        robot.write("5").type(KeyCode.ENTER);
        until("told too", () -> session.shot().illusions().getFirst().toSeconds() == 5);
        assertThat(session.shot().illusions().getFirst().fromSeconds()).isEqualTo(1);
        click(robot, "#need-thing-the-lantern");
        robot.type(KeyCode.ENTER);
        until("folded again", () -> !words().contains("If you skip it: It can only be cut out by hand"));
        assertThat(scene.getFocusOwner().getId()).isEqualTo("need-thing-the-lantern");
    }

    @Test
    void aSlipUnfoldsToAllThatMustBeMindedAndAProposedPlateIsDeclined(FxRobot robot) {
        click(robot, "#need-light-the-lantern");
        until("unfolded", () -> words().contains("If you skip it: It glows, but nothing around it does.") && words()
                .contains("In the frame: the bare bulb"));
        robot.clickOn("skip it");
        until("declined", () -> !there("#need-light-the-lantern") && words().contains("Done without"));
        robot.clickOn("plan it again");
        until("back", () -> there("#need-light-the-lantern"));
    }

    @Test
    void anEmptyShotOffersIllusionsAndReadyIllusionsFoundByWords(FxRobot robot) {
        robot.interact(() -> session.openShot("2"));
        click(robot, "#page-ready");
        robot.clickOn("#sentence").write("two makers pass a lantern to each other, one is thumb-high");
        until("found", () -> there("#lay-two-makers-one-small") && words().contains("thumb"));
        click(robot, "#lay-two-makers-one-small");
        until("laid in", () -> session.shot().illusions().size() == 2 && session.shot().title().startsWith("Two makers"));
        undo(robot);
        until("undone", () -> session.shot().illusions().isEmpty());
        retype(robot, "#sentence", "xyzzy");
        until("honest", () -> words().contains("None of the ready-made shots contains"));
        click(robot, "#add-wiped");
        until("one wonder", () -> session.shot().illusions().getFirst().kind() == IllusionKind.WIPED);
        until("its name is in hand", () -> scene.getFocusOwner() != null && "subject-wiped-1".equals(scene.getFocusOwner().getId()));
        click(robot, "#page-plates");
        click(robot, "#shelve");
        until("on the shelf", () -> session.shot().plates().size() == session.planned().get().plan("2").needs().size()
                && !there("#shelve"));
        click(robot, "#page-ready");
        click(robot, "#keep-illusion");
        until("kept", () -> ReadyMadeShots.with(ReadyMadeShots.home()).all().size() > ReadyMadeShots.shipped().all().size());
    }

    @Test
    void aWayIsChosenAndThePlanFollows(FxRobot robot) {
        click(robot, "#page-ways");
        click(robot, "#way-the-lantern-roto");
        until("by hand", () -> words().contains("The crew chose another way") && session.planned().get().plan("1").handHours() > 1);
        double hours = session.planned().get().plan("1").handHours();
        robot.interact(() -> session.store()
                .apply("t", p -> p.withHouseRules(p.houseRules().withEstimates(p.houseRules().estimates().withHand(
                new Estimates.Hand(1, 5, 1, 12))))));
        until("dearer", () -> session.planned().get().plan("1").handHours() > 2 * hours);
        click(robot, "#way-the-lantern-key");
        until("recommended again", () -> session.planned().get().plan("1").treatments().stream().noneMatch(t -> t.overridden()));
    }

    @Test
    void theOrderIsMovedByKeysAndByDraggingAndItsPriceIsSaid(FxRobot robot) {
        click(robot, "#page-order");
        until("planned", () -> session.planned().get().order().steps().size() > 12 && there("#step-1"));
        List<String> best = session.planned().get().order().ids();
        int clean = best.indexOf("1/clean-A");
        click(robot, "#step-" + clean);
        robot.press(KeyCode.ALT).type(KeyCode.DOWN).release(KeyCode.ALT);
        until("moved", () -> session.planned().get().order().ids().get(clean + 1).equals("1/clean-A"));
        until("broken", () -> words().contains("which it needs"));
        click(robot, "#cheapest");
        until("back", () -> session.planned().get().order().ids().equals(best));
        click(robot, "#step-1");
        robot.drag("#step-4").dropTo("#step-1");
        until("dragged", () -> session.planned().get().order().ids().get(1).equals(best.get(4)));
        until("priced", () -> there("#price"));
        undo(robot);
        until("undone", () -> session.planned().get().order().ids().equals(best));
    }

    @Test
    void theDayAndThePlaceGiveTheLightOfTheSun(FxRobot robot) {
        robot.interact(() -> session.openShot("3"));
        click(robot, "#page-order");
        until("asked for", () -> words().contains("Give the place and date"));
        retype(robot, "#day-date", "someday");
        robot.type(KeyCode.ENTER);
        until("refused", () -> words().contains("someday"));
        retype(robot, "#day-date", "2026-06-21");
        robot.type(KeyCode.ENTER);
        until("set", () -> session.store().now().day().date().equals("2026-06-21"));
        click(robot, "#place-lat");
        robot.write("48").clickOn("#place-lon").write("11").clickOn("#place-zone").write("UTC+2").clickOn("#place-hidden")
                .write("230-320:30");
        robot.clickOn("#place-set");
        until("judged", () -> session.planned().get().windows().stream().anyMatch(w -> Double.isFinite(w.turnDeg())) && words()
                .contains("The sun turns"));
        assertThat(session.shot().setting().place().horizon()).hasSize(1);
        retype(robot, "#place-zone", " ");
        robot.clickOn("#place-set");
        until("by the coordinates", () -> session.shot().setting().place().zone().equals("Europe/Berlin"));
        retype(robot, "#place-lon", "-105");
        robot.clickOn("#place-set");
        until("another place has another clock", () -> session.shot().setting().place().zone().startsWith("America/"));
    }

    @Test
    void cautionsAreReadButNeverGo(FxRobot robot) {
        click(robot, "#page-safety");
        click(robot, "#read-lamps");
        until("read", () -> session.store().now().day().acknowledged().contains("1/lamps"));
        assertThat(((CheckBox) scene.lookup("#read-lamps")).isSelected()).isTrue();
        assertThat(words()).contains("Hot lamps burn").contains("Local codes and licensed practice decide");
        robot.interact(() -> session.openShot("3"));
        until("borrowed", () -> there("#permission-holder"));
        click(robot, "#permission-holder");
        robot.write("the town archive").type(KeyCode.ENTER);
        until("recorded", () -> session.store().now().permissions().stream().anyMatch(p -> p.holder().equals("the town archive")));
    }

    @Test
    void aHouseRuleIsChosenAndEveryWayShowsItsPlan(FxRobot robot) {
        click(robot, "#page-rules");
        until("compared", () -> words().contains("plates, "));
        click(robot, "#school-clean_when-first");
        until("chosen", () -> session.store().now().houseRules().follows(Approach.CLEAN_WHEN, "first"));
        until("planned", () -> session.planned().get().order().of("1").stream().filter(s -> s.need().key().equals(PlateKey.CLEAN))
                .count() == 1);
    }

    @Test
    void everyPageIsReachedByTyping(FxRobot robot) {
        robot.interact(() -> session.bench().set(BenchName.BOARD));
        robot.press(KeyCode.CONTROL).type(KeyCode.K).release(KeyCode.CONTROL);
        robot.clickOn("#go-anywhere").write("house rules").type(KeyCode.ENTER);
        until("there", () -> session.bench().get() == BenchName.BREAK_DOWN && there("#school-copies-every"));
    }

    @Test
    void theNumbersAreShownWithTheirVerdicts(FxRobot robot) {
        click(robot, "#page-numbers");
        until("shown", () -> there("#figure-storage") && words().contains("GB"));
        until("a card", () -> there("#card-A") && words().contains("By hand: white balance"));
    }

    @Test
    void theBookIsPreviewedAndWritten(FxRobot robot) {
        click(robot, "#page-book");
        until("pages", () -> scene.getRoot().lookupAll("#book-pages .image-view").size() > 3);
        click(robot, "#paper-day");
        until("one page", () -> scene.getRoot().lookupAll("#book-pages .image-view").size() == 1);
        click(robot, "#paper-slips");
        until("slips", () -> scene.getRoot().lookupAll("#book-pages .image-view").size() > 1);
        click(robot, "#write-book");
        until("written", () -> words().contains("slips.pdf") && words().contains("No calendar"));
        assertThat(session.folder().path().resolve("paper").resolve("plates.csv")).exists();
    }

    @Test
    void theStoryTheBeatsAndTheSubjectAreTold(FxRobot robot) {
        click(robot, "#slip-of-story");
        retype(robot, "#shot-title", "Up and away");
        robot.type(KeyCode.ENTER);
        until("titled", () -> session.shot().title().equals("Up and away"));
        int beats = session.shot().beats().size();
        robot.clickOn("#bench-break_down").type(KeyCode.T);
        until("a beat more", () -> session.shot().beats().size() == beats + 1);
        click(robot, "#slip-of-floats-1");
        retype(robot, "#subject-floats-1", "the red lantern");
        robot.type(KeyCode.ENTER);
        until("renamed", () -> session.shot().illusions().getFirst().subject().equals("the red lantern"));
        click(robot, "#new-shot");
        until("a new shot", () -> session.shot().illusions().isEmpty() && session.store().now().shots().size() == 4);
    }

    @Test
    void aShotListIsBroughtInWithWhatWasNotUnderstood() throws Exception {
        Path csv = Files.writeString(temp.resolve("list.csv"), "shot,wonder,subject\n9,floats,the lantern\n9,teleports,x\n");
        List<String> said = new ArrayList<>();
        WaitForAsyncUtils.asyncFx(() -> said.addAll(new BreakDownModel(session).bringIn(csv))).get();
        assertThat(said).hasSize(2);
        assertThat(said.getLast()).contains("teleports");
        assertThat(session.store().now().hasShot("9")).isTrue();
        WaitForAsyncUtils.asyncFx(() -> said.addAll(new BreakDownModel(session).bringIn(temp.resolve("gone.csv")))).get();
        assertThat(said.getLast()).contains("cannot be read");
    }
}
