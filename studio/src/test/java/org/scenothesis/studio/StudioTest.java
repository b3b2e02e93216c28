package org.scenothesis.studio;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.CheckBox;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.rehearsal.Quality;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.media.Stills;
import org.scenothesis.media.VideoFormat;
import org.scenothesis.production.demo.Rehearsal;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.shoot.ShootBench;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import org.testfx.util.WaitForAsyncUtils;

/// Real clicks and keys on the whole house, over a small rehearsal of the demo shoot.
@ExtendWith(ApplicationExtension.class)
class StudioTest {
    private static Path template;

    private Path folder;
    private OpenHouse house;
    private Session session;
    private Scene scene;

    @BeforeAll
    static void rehearse() throws Exception {
        template = Files.createTempDirectory("studio-test");
        try (var bands = Bands.allCores()) {
            var wish = new Rehearsal.Wish(160, new Quality(3, 4, 0.5, 1), Set.of("clean-1", "clean-2", "screen-only", "lamp-pass", "card-ruler"), VideoFormat.MJPEG_AVI);
            Rehearsal.film(template, wish, bands, Progress.NONE);
            for (String still : List.of("maker-1", "lantern-1")) {
                // Stills stand in for the moving takes: the interface is tested here, not the renderer.
                Files.copy(template.resolve("footage/screen-only.png"), template.resolve("footage/" + still + ".png"));
            }
            String text = Files.readString(template.resolve("production.json")).replace("maker-1.mp4", "maker-1.png").replace("lantern-1.mp4", "lantern-1.png")
                    .replace("clean-1.mp4", "clean-1.avi").replace("clean-2.mp4", "clean-2.avi");
            Files.writeString(template.resolve("production.json"), text);
        }
    }

    @AfterAll
    static void tidy() throws Exception {
        try (var files = Files.walk(template)) {
            files.sorted(Comparator.reverseOrder()).forEach(p -> p.toFile().delete());
        }
    }

    @Start
    void start(Stage stage) throws Exception {
        folder = Files.createTempDirectory("studio");
        Files.createDirectories(folder.resolve("footage"));
        try (var files = Files.walk(template)) {
            for (Path p : files.filter(Files::isRegularFile).toList()) {
                Path to = folder.resolve(template.relativize(p).toString());
                Files.createDirectories(to.getParent());
                Files.copy(p, to, StandardCopyOption.REPLACE_EXISTING);
            }
        }
        house = OpenHouse.on(stage, folder);
        session = house.session();
        scene = house.scene();
        session.begin();
    }

    @Stop
    void stop() {
        session.close();
    }

    private void until(String what, BooleanSupplier holds) {
        house.until(what, holds);
    }

    /// Waits until the window was drawn `n` times more.
    private static void pulses(int n) throws InterruptedException {
        CountDownLatch left = new CountDownLatch(n);
        AnimationTimer count = new AnimationTimer() {
            @Override
            public void handle(long now) {
                left.countDown();
            }
        };
        Platform.runLater(count::start);
        assertThat(left.await(30, TimeUnit.SECONDS)).isTrue();
        Platform.runLater(count::stop);
    }

    private void measured() {
        until("measured", () -> session.worker().idle());
    }

    private String words(Node n) {
        return OpenHouse.words(n);
    }

    @Test
    void theBoardShowsEveryPlateWithItsMeasuredVerdict(FxRobot robot) {
        measured();
        assertThat(words(robot.lookup("#cell-clean-camera").query())).contains("holds").contains("px");
        assertThat(words(robot.lookup("#cell-lamp-exposure").query())).contains("by design");
        assertThat(words(robot.lookup("#cell-card-matte").query())).contains("no key");
        assertThat(robot.lookup(".slip").queryAll()).hasSize(6);
    }

    @Test
    void digitsGoToTheBenchesAndArrowsToThePlates(FxRobot robot) {
        robot.type(KeyCode.DIGIT4);
        assertThat(session.bench().get()).isEqualTo(BenchName.MATCH);
        robot.type(KeyCode.DIGIT1);
        assertThat(session.bench().get()).isEqualTo(BenchName.BOARD);
        robot.type(KeyCode.DOWN, KeyCode.DOWN);
        assertThat(session.plateId().get()).as("the third in running order").isEqualTo(session.plates().get(2).id());
        robot.type(KeyCode.UP);
        assertThat(session.plateId().get()).isEqualTo(session.plates().get(1).id());
    }

    @Test
    void tabsAndSlipsAreClicked(FxRobot robot) {
        robot.clickOn("#bench-shoot");
        assertThat(session.bench().get()).isEqualTo(BenchName.SHOOT);
        robot.clickOn("#slip-card");
        assertThat(session.plateId().get()).isEqualTo("card");
        Node slip = robot.lookup("#slip-card").query();
        measured();
        robot.interact(() -> session.change("a note", s -> s.withPlate("card", p -> p.named("Card on its cloth"))));
        assertThat(robot.lookup("#slip-card").<Node>query()).as("a slip that stays is not made anew under the mouse").isSameAs(slip);
        assertThat(words(slip)).contains("Card on its cloth");
        robot.interact(() -> session.store().undo());
    }

    @Test
    void framesStepAndStayInTheShot(FxRobot robot) {
        measured();
        robot.type(KeyCode.RIGHT, KeyCode.RIGHT, KeyCode.RIGHT, KeyCode.LEFT);
        assertThat(session.frame()).isEqualTo(2);
        robot.press(KeyCode.SHIFT).type(KeyCode.RIGHT).release(KeyCode.SHIFT);
        assertThat(session.frame()).isEqualTo(12);
        robot.type(KeyCode.END);
        assertThat(session.frame()).isEqualTo(95);
        robot.type(KeyCode.RIGHT);
        assertThat(session.frame()).isEqualTo(95);
        robot.type(KeyCode.HOME);
        assertThat(session.frame()).isZero();
    }

    @Test
    void spacePlaysAndStops(FxRobot robot) throws Exception {
        measured();
        robot.type(KeyCode.SPACE);
        until("plays", () -> session.frame() > 4);
        robot.type(KeyCode.SPACE);
        int at = session.frame();
        pulses(15);
        assertThat(session.frame()).isEqualTo(at);
    }

    @Test
    void circlingAnotherTakeIsUndoneAndRedone(FxRobot robot) {
        measured();
        robot.clickOn("#bench-shoot");
        robot.clickOn("#slip-clean");
        robot.clickOn("#circle-clean-1");
        until("first circled", () -> session.plate().orElseThrow().chosen().id().equals("clean-1"));
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        until("second again", () -> session.plate().orElseThrow().chosen().id().equals("clean-2"));
        robot.press(KeyCode.CONTROL, KeyCode.SHIFT).type(KeyCode.Z).release(KeyCode.SHIFT, KeyCode.CONTROL);
        until("first circled", () -> session.plate().orElseThrow().chosen().id().equals("clean-1"));
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
        var before = session.shot().layer("lantern").orElseThrow().mask();
        robot.interact(() -> robot.lookup("#corner-1").query().requestFocus());
        robot.type(KeyCode.RIGHT, KeyCode.RIGHT);
        until("moved", () -> Math.abs(session.shot().layer("lantern").orElseThrow().mask().get(1).x() - before.get(1).x() - 0.004) < 1e-9);
        robot.press(KeyCode.SHIFT).type(KeyCode.DOWN).release(KeyCode.SHIFT);
        until("moved further", () -> Math.abs(session.shot().layer("lantern").orElseThrow().mask().get(1).y() - before.get(1).y() - 0.02) < 1e-9);
        assertThat(session.frame()).as("arrows on a corner are not for the frames").isZero();
        robot.type(KeyCode.INSERT);
        until("one more", () -> session.shot().layer("lantern").orElseThrow().mask().size() == before.size() + 1);
        robot.type(KeyCode.DELETE);
        until("one less", () -> session.shot().layer("lantern").orElseThrow().mask().size() == before.size());
        robot.press(KeyCode.CONTROL).type(KeyCode.Z, KeyCode.Z, KeyCode.Z, KeyCode.Z, KeyCode.Z).release(KeyCode.CONTROL);
        until("all undone", () -> session.shot().layer("lantern").orElseThrow().mask().equals(before));
    }

    @Test
    void aGarbageCornerIsDragged(FxRobot robot) {
        measured();
        robot.clickOn("#bench-key");
        measured();
        var before = session.shot().layer("lantern").orElseThrow().mask();
        robot.drag("#corner-0").moveBy(-14, -9).drop();
        until("corner moved", () -> !session.shot().layer("lantern").orElseThrow().mask().equals(before));
        var after = session.shot().layer("lantern").orElseThrow().mask();
        assertThat(after.getFirst().x()).isLessThan(before.getFirst().x());
        assertThat(after.subList(1, 4)).isEqualTo(before.subList(1, 4));
    }

    @Test
    void numbersOnTheLayerBenchAreTypedAndRefusedOutOfBounds(FxRobot robot) {
        measured();
        robot.clickOn("#bench-layer");
        robot.clickOn("#slip-lantern");
        TextField height = robot.lookup("#tape-height").query();
        robot.doubleClickOn(height).press(KeyCode.CONTROL).type(KeyCode.A).release(KeyCode.CONTROL).write("1.10").type(KeyCode.ENTER);
        until("height taken", () -> Math.abs(session.shot().layer("lantern").orElseThrow().stateAt(0).foot().y() - 1.10) < 1e-9);
        TextField gain = robot.lookup("#tape-gain").query();
        robot.interact(() -> gain.setText("99"));
        robot.interact(() -> gain.fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.ENTER, false, false, false, false)));
        assertThat(session.shot().layer("lantern").orElseThrow().gainStops()).isZero();
    }

    @Test
    void theTokenOnThePlanMovesTheElement(FxRobot robot) {
        measured();
        robot.clickOn("#bench-layer");
        robot.clickOn("#slip-lantern");
        double before = session.shot().layer("lantern").orElseThrow().stateAt(0).foot().x();
        robot.drag("#plan-above-token").moveBy(40, 0).drop();
        until("token moved", () -> session.shot().layer("lantern").orElseThrow().stateAt(0).foot().x() > before + 0.2);
    }

    @Test
    void layersAreSwitchedOff(FxRobot robot) {
        robot.clickOn("#bench-layer");
        CheckBox on = robot.lookup("#on-maker").query();
        robot.clickOn(on);
        until("off", () -> !session.shot().layer("maker").orElseThrow().on());
    }

    @Test
    void aRenderRunsFromTheButtonAndLandsInItsFolder(FxRobot robot) {
        measured();
        robot.clickOn("#bench-hand_over");
        TextField to = robot.lookup("#render-to").query();
        robot.interact(() -> to.setText("1"));
        robot.clickOn("#render-go");
        until("rendered", () -> Files.exists(folder.resolve("renders").resolve("shot-12.webm")));
        measured();
        assertThat(words(scene.getRoot())).contains("Done: shot-12.webm");
    }

    @Test
    void framesOutsideTheShotAreRefusedInWords(FxRobot robot) {
        robot.clickOn("#bench-hand_over");
        robot.interact(() -> ((TextField) robot.lookup("#render-to").query()).setText("4000"));
        robot.clickOn("#render-go");
        until("refused", () -> words(scene.getRoot()).contains("The shot has frames 0 to"));
    }

    @Test
    void footageIsBroughtInAndBrokenFilesAreSaid(FxRobot robot) throws Exception {
        measured();
        robot.clickOn("#bench-shoot");
        robot.clickOn("#slip-card");
        Path good = Files.createTempDirectory("elsewhere").resolve("second card.png");
        Stills.write(good, Picture.filled(160, 90, 0.2f, 0.2f, 0.2f), Stills.Format.PNG8);
        Path bad = Files.writeString(good.resolveSibling("notes.mp4"), "no footage");
        var bench = new ShootBench(session);
        robot.interact(() -> bench.bringIn(List.of(good)));
        until("brought in", () -> session.plate().orElseThrow().takes().size() == 2);
        assertThat(folder.resolve("footage/second card.png")).exists();
        robot.interact(() -> bench.bringIn(List.of(bad)));
        until("said", () -> session.said().get().contains("notes.mp4"));
        assertThat(session.plate().orElseThrow().takes()).hasSize(2);
    }

    @Test
    void anywhereIsReachedByTyping(FxRobot robot) {
        robot.press(KeyCode.CONTROL).type(KeyCode.K).release(KeyCode.CONTROL);
        robot.clickOn("#go-anywhere").write("inside").type(KeyCode.ENTER);
        until("gone there", () -> session.shot().id().equals("14"));
        robot.press(KeyCode.CONTROL).type(KeyCode.K).release(KeyCode.CONTROL);
        robot.clickOn("#go-anywhere").write("hand").type(KeyCode.ENTER);
        until("hand over", () -> session.bench().get() == BenchName.HAND_OVER);
    }

    @Test
    void helpBeatsFullPictureAndFindingsHaveTheirKeys(FxRobot robot) {
        robot.type(KeyCode.F1);
        assertThat(words(scene.getRoot())).contains("go anywhere by typing");
        robot.type(KeyCode.ESCAPE);
        int beats = session.shot().beats().size();
        robot.type(KeyCode.T);
        assertThat(session.shot().beats()).hasSize(beats + 1);
        robot.type(KeyCode.F);
        assertThat(robot.lookup(".slip").queryAll()).isEmpty();
        robot.type(KeyCode.F);
        assertThat(robot.lookup(".slip").queryAll()).hasSize(6);
        measured();
        robot.type(KeyCode.E);
        assertThat(robot.lookup(".finding-row").queryAll()).isNotEmpty();
    }

    @Test
    void aPlateIsAddedFromTheShelf(FxRobot robot) {
        measured();
        robot.clickOn("#add-plate");
        until("added", () -> session.shot().plates().size() == 7);
        assertThat(words(robot.lookup("#cell-" + session.plateId().get() + "-rolled").query())).contains("missing");
    }

    @Test
    void comparisonsAreReachedByKey(FxRobot robot) {
        measured();
        robot.clickOn("#bench-shoot");
        robot.type(KeyCode.D);
        assertThat(((ToggleButton) robot.lookup("#shoot-difference").query()).isSelected()).isTrue();
        robot.type(KeyCode.O);
        assertThat(((ToggleButton) robot.lookup("#shoot-outline").query()).isSelected()).isTrue();
        measured();
        assertThat(robot.lookup(".picture").queryAllAs(PictureView.class)).anyMatch(p -> p.shown() != null);
    }

    @Test
    void thirtyPlatesScrollAndStayInStepWithTheBoard(FxRobot robot) {
        robot.interact(() -> session.change("many", s -> {
            var many = new ArrayList<>(s.plates());
            for (int i = 0; i < 24; i++) {
                many.add(new Plate("m" + i, "A plate with a name that is rather too long for its slip " + i, PlateRole.PRACTICAL,
                        Spike.number(i), "A", "A", 3, List.of()));
            }
            return s.withPlates(many);
        }));
        assertThat(robot.lookup(".slip").queryAll()).hasSize(30);
        for (int i = 0; i < 29; i++) {
            robot.type(KeyCode.DOWN);
        }
        assertThat(session.plateId().get()).isEqualTo("m23");
        double slip = robot.lookup("#slip-m20").query().localToScene(0, 0).getY();
        double cell = robot.lookup("#cell-m20-rolled").query().localToScene(0, 0).getY();
        assertThat(cell).isCloseTo(slip, Offset.offset(8.0));
    }
}
