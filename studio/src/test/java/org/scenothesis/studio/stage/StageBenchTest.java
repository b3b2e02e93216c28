package org.scenothesis.studio.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.core.breakdown.staging.Stagings;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.rehearsal.staged.Fault;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.value.Given;
import org.scenothesis.production.illusion.ReadyMadeShots;
import org.scenothesis.production.stage.Rehearsing;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.studio.OpenHouse;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import org.testfx.util.WaitForAsyncUtils;

@ExtendWith(ApplicationExtension.class)
class StageBenchTest {
    @TempDir
    static Path temp;

    private OpenHouse house;
    private Session session;
    private Scene scene;

    @Start
    void start(Stage stage) throws Exception {
        Path folder = Files.createTempDirectory(temp, "production");
        Shot told = ReadyMadeShots.shipped().all().stream().filter(i -> i.id().equals("inside-the-lantern")).findFirst().orElseThrow()
                .into(new Shot("14", 14, "", "", 6, List.of(), List.of(), List.of(), List.of(), null));
        Shot empty = new Shot("15", 15, "Nothing yet", "", 6, List.of(), List.of(), List.of(), List.of(), null);
        ProductionFolder.create(folder, new Production("Lantern Works", List.of(told, empty), HouseRules.DEFAULT)).close();
        house = OpenHouse.on(stage, folder);
        session = house.session();
        scene = house.scene();
    }

    @Stop
    void stop() {
        session.close();
    }

    private void open(FxRobot robot) {
        robot.interact(() -> session.bench().set(BenchName.STAGE));
        house.until("staged", () -> scene.lookup("#piece-cloth-green-the-small-maker") != null);
    }

    private Staged set(String group) {
        Shot s = session.shot();
        return Stagings.of(s, Breakdown.plan(s, HouseRules.DEFAULT), HouseRules.DEFAULT).stream().filter(x -> x.group().equals(group))
                .findFirst().orElseThrow();
    }

    private Piece piece(String id) {
        return set("B").stage().floor().piece(id).orElseThrow();
    }

    private String words(String id) {
        return OpenHouse.words(scene.lookup(id));
    }

    private void settled() {
        house.until("proved", () -> words("#stage-findings").contains("follow"));
        WaitForAsyncUtils.waitForFxEvents();
    }

    @Test
    void whatWasBrokenDownIsStagedAndJudged(FxRobot robot) {
        open(robot);
        settled();
        assertThat(words("#stage-findings")).contains("Cloth round the movement", "Its shadow on the cloth", "Screen colour on its side",
                "assumed").contains("0 of ");
        assertThat(((ButtonBase) scene.lookup("#set-B")).getText()).isEqualTo("camera B");
        assertThat(robot.lookup("#tape-away").<TextField>query().getText()).isEqualTo("6.00 m");
        assertThat(OpenHouse.words(scene.lookup("#bench-stage"))).doesNotContain("not begun");
        robot.clickOn("#set-A");
        house.until("the other set", () -> scene.lookup("#piece-cloth-green-the-small-maker") == null);
        assertThat(session.store().undoable()).as("looking changes nothing").isNull();
    }

    @Test
    void aPieceIsDraggedInOneStepAndGoesBack(FxRobot robot) {
        open(robot);
        Given<?> before = piece("cloth-green-the-small-maker").spot();
        Bounds at = scene.lookup("#piece-cloth-green-the-small-maker").localToScreen(scene.lookup("#piece-cloth-green-the-small-maker")
                .getBoundsInLocal());
        robot.moveTo(at.getCenterX(), at.getCenterY()).press(MouseButton.PRIMARY).moveBy(12, -3).moveBy(12, -3).moveBy(12, -3)
                .release(MouseButton.PRIMARY);
        house.until("kept", () -> set("B").byHand());
        Piece moved = piece("cloth-green-the-small-maker");
        assertThat(moved.spot()).isInstanceOf(Given.Entered.class);
        assertThat(moved.at().x()).isGreaterThan(0.2);
        assertThat(Math.abs(moved.at().x() / 0.05 - Math.rint(moved.at().x() / 0.05))).as("on five centimetres").isLessThan(1e-6);
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        house.until("one step back", () -> !set("B").byHand());
        assertThat(piece("cloth-green-the-small-maker").spot()).isEqualTo(before);
    }

    @Test
    void anotherCameraIsLookedThroughWhileItIsChosen(FxRobot robot) {
        open(robot);
        robot.interact(() -> ((ButtonBase) scene.lookup("#shelf-camera")).fire());
        house.until("it is there", () -> set("B").stage().floor().piece("camera-1").isPresent());
        house.until("seen by it", () -> OpenHouse.words(scene.getRoot()).contains("What camera 2 will see"));
        robot.clickOn("#shelf-back");
        house.until("seen by the first again", () -> OpenHouse.words(scene.getRoot()).contains("What the camera will see"));
    }

    @Test
    void everythingIsReachedByKeys(FxRobot robot) {
        open(robot);
        robot.type(KeyCode.G);
        house.until("the camera is in hand", () -> scene.getFocusOwner() != null && "piece-camera".equals(scene.getFocusOwner().getId()));
        double z = set("B").stage().camera().position().value().z();
        robot.type(KeyCode.DOWN);
        house.until("moved", () -> Math.abs(set("B").stage().camera().position().value().z() - (z - 0.05)) < 1e-9);
        assertThat(scene.getFocusOwner().getId()).as("the focus stays").isEqualTo("piece-camera");
        // Whatever is next by Tab is turned and taken away.
        robot.interact(() -> scene.lookup("#piece-lamp-key").requestFocus());
        double turn = piece("lamp-key").at().turnDeg();
        robot.type(KeyCode.R);
        house.until("turned", () -> Math.abs(Math.IEEEremainder(piece("lamp-key").at().turnDeg() - turn, 360) - 5) < 1e-6);
        robot.type(KeyCode.DELETE);
        house.until("gone", () -> set("B").stage().floor().piece("lamp-key").isEmpty());
        robot.type(KeyCode.M);
        house.until("in feet", () -> robot.lookup("#tape-away").<TextField>query().getText().contains("\u2032"));
        robot.type(KeyCode.V);
        assertThat(((ToggleButton) scene.lookup("#overlay-shadow")).isSelected()).isTrue();
    }

    /// Fields show fewer digits than there are: walking through them tells nothing.
    @Test
    void whoOnlyPassesThroughTheNumbersChangesNone(FxRobot robot) {
        open(robot);
        settled();
        robot.type(KeyCode.G);
        house.until("the camera is in hand", () -> scene.getFocusOwner() != null && "piece-camera".equals(scene.getFocusOwner().getId()));
        for (int i = 0; i < 24; i++) {
            robot.type(KeyCode.TAB);
        }
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(session.store().undoable()).as("walking through changes nothing").isNull();
        assertThat(session.shot().elsewhere()).isEmpty();
    }

    /// What Match knows of the background's light is stood on the set: one click, one step back.
    @Test
    void lampsAreStoodLikeTheBackgroundsFromMatch(FxRobot robot) {
        open(robot);
        // Nobody has said anything of the background's light yet.
        robot.clickOn("#bench-match").clickOn("#match-page-camera");
        house.until("nothing to match", () -> words("#lamps-lines").contains("As soon as the shot has a light"));
        robot.interact(() -> session.change("light told", x -> x.withSetting(p -> p.withFact("keyFrom", "left")
                .withFact("keyUpDeg", "40"))));
        house.until("lamps said", () -> words("#lamps-lines").contains("as the camera sees it"));
        assertThat(words("#lamps-lines")).contains("m from it", "m high").containsAnyOf("Then side, softness", "Then still off");
        assertThat(set("B").byHand()).isFalse();
        house.until("rendered beside the picture", () -> scene.lookup("#lamps-picture") instanceof ImageView v && v.getImage() != null
                && v.getParent().isVisible());
        robot.interact(() -> ((ButtonBase) scene.lookup("#lamps-stand")).fire());
        house.until("stood", () -> set("B").byHand());
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        house.until("one step back", () -> !set("B").byHand());
    }

    @Test
    void aLengthIsTypedOnItsTape(FxRobot robot) {
        open(robot);
        robot.clickOn("#tape-behind").press(KeyCode.CONTROL).type(KeyCode.A).release(KeyCode.CONTROL).write("2.4").type(KeyCode.ENTER);
        house.until("told", () -> set("B").byHand());
        assertThat(piece("cloth-green-the-small-maker").at().z() - piece("body-the-small-maker").at().z()).isCloseTo(2.4, within(1e-6));
        robot.clickOn("#tape-behind").press(KeyCode.CONTROL).type(KeyCode.A).release(KeyCode.CONTROL).write("2..4").type(KeyCode.ENTER);
        house.until("refused", () -> session.said().get().contains("A length is metres"));
        assertThat(piece("cloth-green-the-small-maker").at().z() - piece("body-the-small-maker").at().z()).isCloseTo(2.4, within(1e-6));
    }

    @Test
    void aPieceOfTheShelfIsPutDownAndItsNumbersAreTold(FxRobot robot) {
        open(robot);
        house.until("the shelf", () -> scene.lookup("#shelf-frame") != null);
        robot.clickOn("#shelf-frame");
        house.until("put down and in hand", () -> scene.getFocusOwner() != null && "piece-frame-1".equals(scene.getFocusOwner().getId()));
        TextField wide = robot.lookup("#number-width").query();
        robot.clickOn(wide).press(KeyCode.CONTROL).type(KeyCode.A).release(KeyCode.CONTROL).write("1.8").type(KeyCode.ENTER);
        house.until("as wide", () -> ((Backdrop) piece("frame-1").thing()).wideM().equals(Given.entered(1.8)));
        robot.interact(() -> robot.lookup("#choice-colour").<ComboBox<String>>query().setValue("blue"));
        house.until("blue", () -> ((Backdrop) piece("frame-1").thing()).dye() == Backdrop.Dye.BLUE);
        robot.clickOn("#piece-name").press(KeyCode.CONTROL).type(KeyCode.A).release(KeyCode.CONTROL).write("second cloth")
                .type(KeyCode.ENTER);
        house.until("named", () -> piece("frame-1").name().equals("second cloth"));
        robot.type(KeyCode.ESCAPE);
        Node back = scene.lookup("#shelf-back");
        if (back != null) {
            robot.clickOn(back);
        }
        house.until("the shelf again", () -> scene.lookup("#shelf-frame") != null);
    }

    @Test
    void aBetterSetIsSuggestedComparedAndTakenBack(FxRobot robot) {
        open(robot);
        settled();
        robot.clickOn("#stage-suggest");
        house.until("suggested", () -> session.said().get().startsWith("Suggested: "));
        house.until("kept", () -> set("B").byHand());
        house.until("compared", () -> words("#stage-findings").contains("before "));
        robot.clickOn("#stage-planned");
        house.until("as planned", () -> !set("B").byHand());
    }

    @Test
    void anEmptyShotIsStagedByHand(FxRobot robot) {
        open(robot);
        robot.interact(() -> session.openShot("15"));
        house.until("empty", () -> words("#stage-findings").contains("No plate of this shot is filmed"));
        robot.clickOn("#stage-begin");
        house.until("begun", () -> scene.lookup("#piece-figure-1") != null);
        house.until("the shelf", () -> scene.lookup("#shelf-cloth") != null);
        robot.clickOn("#shelf-cloth");
        house.until("a cloth", () -> scene.lookup("#piece-cloth-1") != null);
        house.until("its light is not known", () -> words("#stage-findings").contains("no lamp lights it yet"));
        robot.clickOn("#overlay-audience");
        assertThat(scene.lookup("#stage-audience")).isNotNull();
    }

    @Test
    void instrumentsAreHeldToWhateverIsChosen(FxRobot robot) {
        open(robot);
        robot.interact(() -> scene.lookup("#piece-body-the-small-maker").requestFocus());
        robot.clickOn("#piece-body-the-small-maker");
        house.until("read", () -> scene.lookup("#piece-readout") != null && words("#piece-readout").contains("Tape from the lens: 6.1"));
        assertThat(words("#piece-readout")).contains("Meter at its middle", " lx \u00b1 ", " K \u00b1 ");
        robot.type(KeyCode.G);
        robot.interact(() -> robot.lookup("#choice-sensor").<ComboBox<String>>query().setValue("phone, usual"));
        house.until("a phone", () -> set("B").stage().floor().lens().sensorMm().equals(Given.entered(7.6)));
        robot.clickOn("#number-view-across").press(KeyCode.CONTROL).type(KeyCode.A).release(KeyCode.CONTROL).write("40")
                .type(KeyCode.ENTER);
        house.until("as wide", () -> Math.abs(set("B").stage().camera().widthShareFocal()
                .value() - 0.5 / Math.tan(Math.toRadians(20))) < 1e-9);
        robot.type(KeyCode.ESCAPE);
        robot.interact(() -> scene.lookup("#piece-camera").requestFocus());
        house.until("level", () -> scene.lookup("#piece-readout") != null && words("#piece-readout").contains("Level on the camera"));
        house.until("a picture", () -> scene.lookup("#overlay-spill") != null);
        robot.clickOn("#overlay-spill");
        assertThat(((ToggleButton) scene.lookup("#overlay-spill")).isSelected()).isTrue();
        house.until("the sides of the body", () -> !scene.getRoot().lookupAll(".seen-word").isEmpty());
        Bounds seen = scene.lookup(".seen-word").getParent().localToScreen(scene.lookup(".seen-word").getParent().getBoundsInLocal());
        robot.clickOn(seen.getMinX() + 30, seen.getMinY() + 30);
        house.until("a spot", () -> scene.lookup("#stage-spot") != null && words("#stage-spot").contains("against grey"));
    }

    @Test
    void whatWasForetoldStandsBesideWhatWasMeasured(FxRobot robot) throws Exception {
        open(robot);
        Staged b = set("B");
        List<PlateNeed> keyed = b.needs().stream().filter(n -> n.key().code().equals(b.hardest())).toList();
        BreakdownPlan plan = Breakdown.plan(session.shot(), HouseRules.DEFAULT);
        List<Rehearsing.Filmed> filmed = Rehearsing.film(session.folder(), session.shot(), b, keyed,
                new Rehearsing.Wish(160, 0.5, 2, Set.of(Fault.DRIFT)), session.bands(), (done, of) -> true);
        robot.interact(() -> {
            session.store().apply("rehearse", p -> p.withShot("14", x -> Rehearsing.taken(x, plan, filmed)));
            session.measure();
        });
        house.until("measured", () -> scene.lookup("#stage-foretold") != null && !words("#stage-foretold").contains(": 0 of")
                && words("#stage-findings").contains("Evenness of the screen"));
        assertThat(words("#stage-findings")).contains("measured in the rehearsed take", "Roll length", "as predicted", "Holes inside");
    }
}
