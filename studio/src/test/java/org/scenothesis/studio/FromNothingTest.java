package org.scenothesis.studio;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.stage.Stage;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Layers;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Source;
import org.scenothesis.core.shot.Track;
import org.scenothesis.core.shot.step.DrawnShadow;
import org.scenothesis.core.shot.step.Follow;
import org.scenothesis.core.shot.step.FramePlace;
import org.scenothesis.core.shot.step.HandHeld;
import org.scenothesis.core.shot.step.KeySettings;
import org.scenothesis.core.shot.step.PinnedCorners;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.value.Given;
import org.scenothesis.media.Footage;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.testkit.DriftingClip;
import org.scenothesis.testkit.KeyCase;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;

/// From an empty folder to a finished frame, with footage of one's own, by real clicks and keys.
@ExtendWith(ApplicationExtension.class)
class FromNothingTest {
    private Path home;
    private Path card;
    private OpenHouse house;
    private Session session;

    @Start
    void start(Stage stage) throws Exception {
        home = Files.createTempDirectory("from-nothing");
        card = Files.createDirectories(home.resolve("card"));
        Stills.write(card.resolve("street.png"), Picture.filled(256, 144, 0.2f, 0.1f, 0.1f), Stills.Format.PNG8);
        try (Bands bands = Bands.allCores()) {
            Stills.write(card.resolve("ball.png"), KeyCase.FLAT.film(256, bands).take(), Stills.Format.PNG8);
        }
        house = OpenHouse.fresh(stage, home.resolve("p"), "Paper weather");
        session = house.session();
    }

    @Stop
    void stop() throws Exception {
        session.close();
        OpenHouse.clear(home);
    }

    private String words() {
        return OpenHouse.words(house.scene().getRoot());
    }

    private void calm() {
        house.until("calm", () -> session.worker().idle());
    }

    private Layer layer(String id) {
        return session.shot().layer(id).orElseThrow();
    }

    private void laid(FxRobot robot) {
        robot.interact(() -> session.bringIn(List.of(card)));
        house.until("looked at", () -> robot.lookup("#bring-plate-1").tryQuery().isPresent());
        robot.type(KeyCode.ENTER);
        house.until("brought in", () -> session.shot().plates().size() == 2);
        robot.clickOn("#bench-layer");
        calm();
        robot.clickOn("#lay-clean");
        robot.clickOn("#slip-ball").type(KeyCode.L);
        house.until("laid", () -> session.shot().layers().size() == 2);
    }

    /// No bench is void: each says what belongs there and has the button that begins it.
    @Test
    void emptyBenchesInviteAndWordsAreExplained(FxRobot robot) {
        for (BenchName b : List.of(BenchName.SHOOT, BenchName.MATCH, BenchName.KEY, BenchName.LAYER, BenchName.HAND_OVER)) {
            robot.interact(() -> session.bench().set(b));
            house.until(b + " invites", () -> robot.lookup("#begin-here").tryQuery().filter(n -> n.getParent().isVisible()).isPresent());
        }
        robot.clickOn("#begin-here");
        assertThat(session.bench().get()).isEqualTo(BenchName.LAYER);
        robot.clickOn("#begin-here");
        assertThat(session.bench().get()).as("there is nothing to lay yet").isEqualTo(BenchName.SHOOT);
        robot.interact(() -> session.bench().set(BenchName.KEY));
        Label found = robot.lookup(n -> n instanceof Label l && l.getText().startsWith("Matte, grey")).query();
        robot.moveTo(found);
        house.until("explained", () -> found.getProperties().get("javafx.scene.control.Tooltip") instanceof Tooltip t && t.getText()
                .startsWith("matte: how much"));
    }

    @Test
    void anElementIsLaidDraggedAndRendered(FxRobot robot) throws Exception {
        laid(robot);
        assertThat(session.shot().plates()).extracting(p -> p.role()).containsExactlyInAnyOrder(PlateRole.ELEMENT, PlateRole.CLEAN);
        assertThat(layer("ball").keyed()).isTrue();
        robot.clickOn("#adding-place").clickOn("#add-frame-place");
        house.until("handles", () -> robot.lookup("#put-cross").tryQuery().filter(n -> n.getParent().isVisible()).isPresent());
        calm();
        assertThat(house.scene().getFocusOwner().getId()).as("the button that had the focus is gone, and it stays on the bench")
                .isNotEqualTo("shots");
        robot.drag("#put-cross").moveBy(-90, 40).drop();
        house.until("moved", () -> layer("ball").step(FramePlace.class).orElseThrow().at(0).by().x() < -0.05);
        robot.drag("#put-arm").moveBy(0, 60).drop();
        house.until("turned", () -> layer("ball").step(FramePlace.class).orElseThrow().at(0).turnDeg() > 20);
        assertThat(layer("ball").step(FramePlace.class).orElseThrow().at(0).by().y()).isPositive();
        double before = layer("ball").step(FramePlace.class).orElseThrow().at(0).by().x();
        robot.interact(() -> robot.lookup("#put-cross").query().requestFocus());
        robot.type(KeyCode.RIGHT);
        house.until("by key", () -> Math.abs(layer("ball").step(FramePlace.class).orElseThrow().at(0).by().x() - before - 0.002) < 1e-9);
        robot.press(KeyCode.CONTROL).type(KeyCode.Z, KeyCode.Z).release(KeyCode.CONTROL);
        assertThat(layer("ball").step(FramePlace.class).orElseThrow().at(0).turnDeg()).as("each drag is one step of undo").isZero();
        robot.clickOn("#bench-hand_over");
        robot.interact(() -> robot.lookup("#render-to").<TextField>query().setText("0"));
        robot.clickOn("#render-go");
        Path out = home.resolve("p/renders/shot-1.mkv");
        house.until("rendered", () -> Files.exists(out) || OpenHouse.words(house.scene().getRoot()).contains("Done"));
        calm();
        try (var made = Files.list(home.resolve("p/renders"));
                Footage f = Footages.open(made.filter(p -> !p.getFileName().toString().startsWith(".")).findFirst().orElseThrow())) {
            assertThat(f.frame(0).r().at(2, 2)).isCloseTo(0.2f, Offset.offset(0.02f));
        }
    }

    @Test
    void thePileIsWorkedByKeysAndButtons(FxRobot robot) {
        laid(robot);
        robot.type(KeyCode.C);
        house.until("copied, and the copy chosen", () -> session.shot().layers().size() == 3
                && robot.lookup("#layer-name").<TextField>query().getText().equals("Ball again"));
        robot.press(KeyCode.SHIFT).type(KeyCode.DOWN, KeyCode.DOWN).release(KeyCode.SHIFT);
        house.until("moved", () -> session.shot().layers().getFirst().id().equals("ball-2"));
        robot.clickOn("#layer-up");
        house.until("moved back", () -> session.shot().layers().get(1).id().equals("ball-2"));
        robot.clickOn("#layer-name").press(KeyCode.CONTROL).type(KeyCode.A).release(KeyCode.CONTROL).write("The ball").type(KeyCode.ENTER);
        house.until("named", () -> layer("ball-2").name().equals("The ball"));
        robot.clickOn("#layer-alone");
        calm();
        assertThat(session.shot().layers()).as("to look at it alone changes nothing").allMatch(Layer::on);
        robot.clickOn("#layer-away");
        house.until("away", () -> session.shot().layer("ball-2").isEmpty());
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        house.until("back", () -> session.shot().layer("ball-2").isPresent());
        robot.clickOn("#lay").clickOn("#lay-shadow-ball");
        house.until("its shadow, under it", () -> session.shot().layers().get(1).source() instanceof Source.KeptLight);
        calm();
        assertThat(OpenHouse.words(house.scene().getRoot())).contains("Ball, shadow");
        assertThat(session.bench().get()).isEqualTo(BenchName.LAYER);
    }

    @Test
    void aLayerIsStretchedAndSlidOnTheStripAndByKeys(FxRobot robot) {
        laid(robot);
        double frame = 1 / session.rate();
        robot.drag("#ribbon-begins").moveBy(150, 0).drop();
        house.until("begins later", () -> layer("ball").presence(0) == 0);
        double begins = Layers.there(layer("ball"), session.shot().seconds(), session.rate()).from();
        assertThat(begins).isGreaterThan(0.5);
        robot.type(KeyCode.PERIOD);
        house.until("a frame later", () -> Math.abs(Layers.there(layer("ball"), session.shot().seconds(), session.rate()).from() - begins
                - frame) < 1e-6);
        robot.type(KeyCode.HOME);
        for (int i = 0; i < 9; i++) {
            robot.press(KeyCode.SHIFT).type(KeyCode.RIGHT).release(KeyCode.SHIFT);
        }
        double at = session.seconds().get();
        robot.type(KeyCode.CLOSE_BRACKET);
        house.until("ends", () -> layer("ball").presence(at + 1.5 * frame) == 0 && layer("ball").presence(at) == 1);
    }

    @Test
    void fourCornersArePinnedByHandAndNeverFolded(FxRobot robot) {
        laid(robot);
        robot.clickOn("#adding-place").clickOn("#add-pinned-corners");
        house.until("corners", () -> robot.lookup("#pin-0").tryQuery().isPresent());
        calm();
        robot.drag("#pin-0").moveBy(-120, 30).drop();
        house.until("moved", () -> layer("ball").step(PinnedCorners.class).orElseThrow().at(0).getFirst().x() < 0.05);
        PinnedCorners before = layer("ball").step(PinnedCorners.class).orElseThrow();
        robot.drag("#pin-1").moveBy(-700, 260).drop();
        house.until("said", () -> session.said().get().contains("go round one way"));
        assertThat(layer("ball").step(PinnedCorners.class)).contains(before);
    }

    /// A clip that drifts is laid under a ball that goes along with a clicked point, and is put right by hand.
    @Test
    void aLayerGoesAlongWithWhatIsClicked(FxRobot robot) throws Exception {
        Files.delete(card.resolve("street.png"));
        DriftingClip.write(card.resolve("street.mp4"), 10);
        robot.interact(() -> session.bringIn(List.of(card)));
        house.until("looked at", () -> robot.lookup("#bring-plate-1").tryQuery().isPresent());
        robot.type(KeyCode.ENTER);
        house.until("brought in", () -> session.shot().plates().size() == 2);
        robot.clickOn("#bench-layer");
        robot.clickOn("#slip-street").type(KeyCode.L);
        robot.clickOn("#slip-ball").type(KeyCode.L);
        house.until("laid", () -> session.shot().layers().size() == 2);
        calm();
        robot.type(KeyCode.G);
        house.until("asked", () -> robot.lookup("#follow-words").<Label>query().getText().contains("Ball follows"));
        robot.type(KeyCode.ESCAPE);
        house.until("given up", () -> !robot.lookup("#follow-words").query().getParent().isVisible());
        robot.type(KeyCode.G);
        house.until("a ring", () -> robot.lookup("#follow-ring").query().isFocused());
        robot.type(KeyCode.RIGHT, KeyCode.LEFT, KeyCode.ENTER);
        house.until("followed by key", () -> session.shot().tracks().size() == 1);
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        house.until("undone at once", () -> session.shot().tracks().isEmpty() && layer("ball").step(Follow.class).isEmpty());
        robot.clickOn("#follow").clickOn("#layer-picture");
        house.until("followed", () -> session.shot().tracks().size() == 1);
        Track t = session.shot().tracks().getFirst();
        assertThat(t.spots()).hasSize(10);
        double went = t.spots().getLast().places().getFirst().x() - t.spots().getFirst().places().getFirst().x();
        assertThat(went).isCloseTo(9 * DriftingClip.STEP_X / (double) DriftingClip.WIDTH, Offset.offset(0.002));
        assertThat(layer("ball").step(Follow.class).orElseThrow().by().track()).isEqualTo(t.id());
        double width = house.scene().getWindow().getWidth();
        robot.interact(() -> house.scene().getWindow().setWidth(width - 160));
        calm();
        Circle ring = robot.lookup("#trail-" + t.id() + "-0").query();
        Pane over = (Pane) ring.getParent().getParent();
        house.until("drawn where the picture is now", () -> Math.abs(((Circle) robot.lookup("#trail-" + t.id() + "-0").query())
                .getCenterX() - t.at(0).places().getFirst().x() * over.getWidth()) < 1e-6);
        // The window is that of all tests.
        robot.interact(() -> house.scene().getWindow().setWidth(width));
        robot.interact(() -> robot.lookup("#trail-" + t.id() + "-0").query().requestFocus());
        robot.press(KeyCode.SHIFT).type(KeyCode.RIGHT).release(KeyCode.SHIFT);
        house.until("shown by hand", () -> session.shot().tracks().getFirst().at(0).places().getFirst().x() > t.at(0).places().getFirst()
                .x() + 0.005);
        robot.clickOn("#away-" + t.id());
        house.until("away", () -> session.shot().tracks().isEmpty() && layer("ball").step(Follow.class).isEmpty());
    }

    /// Points of every step can be taken hold of, one step after the other; the whole shot is a layer like others.
    @Test
    void whatLeadsAStepIsTakenInHand(FxRobot robot) {
        laid(robot);
        robot.clickOn("#adding-light").clickOn("#add-drawn-shadow");
        house.until("points", () -> robot.lookup("#pin-5").tryQuery().isPresent());
        calm();
        robot.drag("#pin-3").moveBy(-60, -20).drop();
        house.until("thrown elsewhere", () -> layer("ball").step(DrawnShadow.class).orElseThrow().points(0).get(3).x() < 0.72);
        robot.clickOn("#cast-limit");
        house.until("limited", () -> layer("ball").step(DrawnShadow.class).orElseThrow().limit().size() == 4);
        robot.type(KeyCode.H);
        house.until("its limit in hand", () -> robot.lookup("#corner-0").tryQuery().isPresent() && session.said().get()
                .contains("its limit"));
        robot.type(KeyCode.RIGHT);
        house.until("moved by key", () -> layer("ball").step(DrawnShadow.class).orElseThrow().limit().getFirst().x() > 0.301);
        robot.clickOn("#points-drawn-shadow");
        assertThat(robot.lookup("#tape-cast-wall-left-down").query().isVisible()).isTrue();
        robot.press(KeyCode.SHIFT).type(KeyCode.L).release(KeyCode.SHIFT);
        house.until("the whole shot", () -> session.shot().layers().size() == 3 && layer("whole").source() instanceof Source.Below);
        robot.clickOn("#jolt");
        house.until("a jolt", () -> layer("whole").step(HandHeld.class).orElseThrow().jolts().size() == 1);
        robot.type(KeyCode.X);
        Path kept = home.resolve("p/renders/frame-1-0.png");
        house.until("kept", () -> session.said().get().contains("frame-1-0.png"));
        robot.type(KeyCode.W);
        house.until("a line", () -> robot.lookup("#wipe").query().isVisible());
        calm();
        robot.type(KeyCode.W);
        assertThat(robot.lookup("#wipe").query().isVisible()).isFalse();
        assertThat(kept).isNotEmptyFile();
    }

    /// A focal length is meant for the sensor that was told with the shot, and the first light is the told one.
    @Test
    void theSetKnowsWhatTheShotWasTold(FxRobot robot) {
        laid(robot);
        robot.interact(() -> session.change("told", s -> s.withSetting(x -> x.withFact("sensorMm", "23.6").withFact("keyFrom", "right"))));
        robot.type(KeyCode.S);
        house.until("staged", () -> session.shot().stage() != null && robot.lookup("#stage-0").tryQuery().isPresent());
        assertThat(session.shot().stage().light().direction()).isInstanceOf(Given.Entered.class);
        assertThat(session.shot().stage().light().sizeDeg()).as("nobody said how soft").isInstanceOf(Given.Assumed.class);
        type(robot, "#stage-focal-length", "50");
        house.until("of that sensor", () -> Math.abs(session.shot().stage().camera().widthShareFocal().value() - 50 / 23.6) < 1e-6);
    }

    /// The set is told by numbers and by pulling the horizon; then things stand in metres.
    @Test
    void theSetIsStagedByHand(FxRobot robot) {
        laid(robot);
        robot.type(KeyCode.S);
        house.until("staged", () -> session.shot().stage() != null && robot.lookup("#stage-0").tryQuery().isPresent());
        assertThat(session.shot().stage().camera().position()).as("nobody told it").isInstanceOf(Given.Assumed.class);
        calm();
        robot.drag("#stage-0").moveBy(0, 30);
        robot.interact(() -> session.change("told meanwhile", x -> x.withSetting(q -> q.withFact("keyFrom", "right"))));
        robot.moveBy(0, 30).drop();
        house.until("tilted and rolled", () -> session.shot().stage().camera().aim().value().tiltDeg() > 1 && session.shot().stage()
                .camera().aim().value().rollDeg() > 1);
        robot.interact(() -> robot.lookup("#stage-1").query().requestFocus());
        robot.press(KeyCode.SHIFT).type(KeyCode.DOWN).release(KeyCode.SHIFT);
        type(robot, "#stage-lens-height", "0.9");
        house.until("lower", () -> session.shot().stage().camera().position().value().y() == 0.9);
        type(robot, "#stage-focal-length", "50");
        house.until("a longer lens", () -> Math.abs(session.shot().stage().camera().widthShareFocal().value() - 50 / 36.0) < 1e-6);
        type(robot, "#stage-focal-length", "1000");
        house.until("no such lens", () -> session.said().get().contains("sees less than 3\u00b0"));
        assertThat(session.shot().stage().camera().widthShareFocal().value()).as("stays").isCloseTo(50 / 36.0, Offset.offset(1e-6));
        type(robot, "#stage-known-height", "1.7");
        house.until("a known height", () -> robot.lookup("#stage-3").tryQuery().isPresent());
        assertThat(session.shot().stage().evidence()).as("kept with the set").hasSize(1);
        double before = session.shot().stage().camera().position().value().y();
        calm();
        robot.drag("#stage-3").moveBy(0, 40).drop();
        house.until("the lens is higher then", () -> session.shot().stage().camera().position().value().y() > before + 0.02);
        robot.type(KeyCode.S);
        house.until("closed", () -> robot.lookup("#stage-0").tryQuery().isEmpty());
        robot.clickOn("#adding-place").clickOn("#add-set-place");
        house.until("in metres", () -> layer("ball").step(SetPlace.class).isPresent());
        robot.interact(() -> robot.lookup("#stands-on-ground").<Button>query().fire());
        house.until("where its lowest point is seen", () -> session.said().get().contains("It stands on the ground"));
        SetPlace stands = layer("ball").step(SetPlace.class).orElseThrow();
        assertThat(stands.filmedFoot()).isInstanceOf(Given.Measured.class);
        assertThat(stands.stand(0).foot()).as("nobody had moved it, so its picture stays").isEqualTo(stands.filmedFoot().value());
        robot.press(KeyCode.CONTROL).type(KeyCode.Z, KeyCode.Z, KeyCode.Z, KeyCode.Z, KeyCode.Z, KeyCode.Z, KeyCode.Z, KeyCode.Z, KeyCode.Z,
                KeyCode.Z).release(KeyCode.CONTROL);
        house.until("undone", () -> session.shot().stage() == null);
    }

    private static void type(FxRobot robot, String field, String number) {
        robot.interact(() -> {
            TextField f = robot.lookup(field).query();
            f.requestFocus();
            f.selectAll();
        });
        robot.write(number).type(KeyCode.ENTER);
    }

    /// By keys: the next place, before despill, the parts of the matte, a neutral that sets despill, the other way to take spill off.
    @Test
    void theKeyIsLookedThroughAndSetByANeutral(FxRobot robot) {
        laid(robot);
        robot.clickOn("#bench-key").clickOn("#slip-ball");
        house.until("looked at", () -> !robot.lookup("#key-next").<Button>query().isDisabled());
        robot.type(KeyCode.N);
        house.until("close", () -> robot.lookup("#key-zoom").<Button>query().getText().equals("400 %"));
        robot.type(KeyCode.U, KeyCode.M);
        house.until("named", () -> words().contains("Red holes") && words().contains("Before despill, over"));
        robot.type(KeyCode.U, KeyCode.M);
        house.until("grey again", () -> words().contains("grey shown"));
        robot.clickOn("#key-zoom").type(KeyCode.G);
        house.until("a mark", () -> robot.lookup("#neutral-0").tryQuery().isPresent());
        assertThat(session.said().get()).contains("Drag the mark");
        robot.interact(() -> robot.lookup("#neutral-0").query().requestFocus());
        robot.press(KeyCode.SHIFT).type(KeyCode.LEFT).release(KeyCode.SHIFT);
        house.until("it says what it found, or why nothing", () -> session.said().get().contains("under the mark") || session.said().get()
                .contains("leans")
                || session.said().get().contains("not on a solid part"));
        robot.type(KeyCode.G);
        house.until("gone", () -> robot.lookup("#neutral-0").tryQuery().isEmpty());
        robot.clickOn("#key-spill");
        house.until("limited", () -> layer("ball").key().spill() == KeySettings.Spill.LIMIT);
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        house.until("as light", () -> layer("ball").key().spill() == KeySettings.Spill.LIGHT);
    }

    @Test
    void platesAndTakesAreCorrectedOnShoot(FxRobot robot) {
        laid(robot);
        robot.clickOn("#bench-shoot").clickOn("#slip-street");
        calm();
        robot.clickOn("#take-note").write("cloud came in").type(KeyCode.ENTER);
        house.until("noted", () -> session.shot().plate("street").orElseThrow().takes().getFirst().note().equals("cloud came in"));
        robot.clickOn("#plate-name").press(KeyCode.CONTROL).type(KeyCode.A).release(KeyCode.CONTROL).write("The street")
                .type(KeyCode.ENTER);
        house.until("named", () -> session.shot().plate("street").orElseThrow().name().equals("The street"));
        robot.clickOn("#plate-more").clickOn("#plate-away");
        assertThat(session.shot().plate("street")).as("a layer needs it").isPresent();
        house.until("said", () -> session.said().get().contains("used by the layer"));
        robot.clickOn("#take-more").clickOn("#give-ball");
        house.until("given", () -> session.shot().plate("ball").orElseThrow().takes().size() == 2);
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        house.until("back", () -> session.shot().plate("ball").orElseThrow().takes().size() == 1);
        robot.clickOn("#plate-more").clickOn("#merge-ball");
        house.until("merged", () -> session.shot().plates().size() == 1 && session.shot().layer("street").orElseThrow().plate()
                .equals("ball"));
    }

    @Test
    void whatNothingTellsOfWaitsInTheTray(FxRobot robot) throws Exception {
        laid(robot);
        Path other = home.resolve("sky.png");
        Stills.write(other, Picture.filled(256, 144, 0.6f, 0.6f, 0.5f), Stills.Format.PNG8);
        robot.interact(() -> session.bringIn(List.of(other)));
        house.until("looked at", () -> robot.lookup("#bring-plate-0").tryQuery().isPresent());
        assertThat(OpenHouse.words(house.scene().getRoot())).contains("nothing tells what it is");
        robot.type(KeyCode.ENTER);
        house.until("in the tray", () -> session.shot().plate("tray").isPresent());
        robot.clickOn("#bench-shoot").clickOn("#slip-tray");
        calm();
        assertThat(robot.lookup("#plate-lock").query().getParent().isVisible()).as("a tray is for nothing").isFalse();
        robot.clickOn("#take-more").clickOn("#give-apart");
        house.until("sorted", () -> session.shot().plate("tray").isEmpty());
        assertThat(session.plate().orElseThrow()).extracting(p -> p.role(), p -> p.name()).containsExactly(PlateRole.BACKGROUND, "Sky");
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        house.until("back in the tray", () -> session.shot().plate("tray").isPresent());
    }

    @Test
    void theTitleLeadsToAllShots(FxRobot robot) {
        robot.clickOn("#shots").clickOn("#shot-new");
        house.until("a second shot", () -> session.store().now().shots().size() == 2 && session.shot().id().equals("2"));
        robot.clickOn("#shots").clickOn("#shot-earlier");
        assertThat(session.store().now().shots().getFirst().id()).isEqualTo("2");
        robot.clickOn("#shots").clickOn("#shot-copy");
        house.until("its copy", () -> session.shot().id().equals("3"));
        robot.clickOn("#shots").clickOn("#go-shot-1");
        assertThat(session.shot().id()).isEqualTo("1");
        robot.clickOn("#shots").clickOn("#shot-away");
        house.until("away", () -> session.store().now().shots().size() == 2);
        assertThat(session.shot().id()).as("another shot is open").isEqualTo("2");
    }
}
