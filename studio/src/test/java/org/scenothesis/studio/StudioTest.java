package org.scenothesis.studio;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Sound;
import org.scenothesis.core.shot.SoundSource;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.media.Footage;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.media.encode.ExportFormat;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.parts.PictureView;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;

/// Real clicks and keys on the house: board, shelf, takes, playing, going anywhere, handing over.
class StudioTest extends MainWindowTest {
    @Start
    void start(Stage stage) throws Exception {
        begin(stage);
    }

    @Stop
    void stop() {
        end();
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

    @Test
    void theBoardShowsEveryPlateWithItsMeasuredVerdict(FxRobot robot) {
        measured();
        assertThat(words(robot.lookup("#cell-clean-camera").query())).contains("holds").contains("px");
        assertThat(words(robot.lookup("#cell-lamp-exposure").query())).contains("by design");
        assertThat(words(robot.lookup("#cell-card-matte").query())).contains("no key");
        assertThat(robot.lookup(".slip").queryAll()).hasSize(6);
    }

    @Test
    void theCellsOfTheBoardAreWalkedByKey(FxRobot robot) {
        measured();
        robot.interact(() -> robot.lookup("#cell-clean-rolled").query().requestFocus());
        robot.type(KeyCode.RIGHT);
        assertThat(robot.lookup("#cell-clean-camera").query().isFocused()).isTrue();
        robot.type(KeyCode.DOWN, KeyCode.UP, KeyCode.LEFT, KeyCode.LEFT);
        assertThat(robot.lookup("#cell-clean-rolled").query().isFocused()).as("at the edge they stay").isTrue();
        assertThat(session.plateId().get()).as("walking chooses nothing").isEqualTo("clean");
        robot.type(KeyCode.RIGHT, KeyCode.ENTER);
        assertThat(session.bench().get()).isEqualTo(BenchName.MATCH);
    }

    @Test
    void playGoesRoundBetweenMarks(FxRobot robot) {
        robot.type(KeyCode.RIGHT, KeyCode.RIGHT, KeyCode.P, KeyCode.RIGHT, KeyCode.RIGHT);
        robot.press(KeyCode.SHIFT).type(KeyCode.P).release(KeyCode.SHIFT);
        assertThat(session.said().get()).contains("Loops from");
        double frame = 1 / session.rate();
        robot.type(KeyCode.HOME, KeyCode.SPACE);
        until("at its beginning", () -> session.seconds().get() >= 2 * frame - 1e-9);
        double[] furthest = {0};
        robot.interact(() -> session.seconds().addListener((o, was, now) -> furthest[0] = Math.max(furthest[0], now.doubleValue())));
        until("round", () -> Math.abs(session.seconds().get() - 4 * frame) < 1e-9);
        until("and again", () -> Math.abs(session.seconds().get() - 2 * frame) < 1e-9);
        robot.type(KeyCode.SPACE);
        assertThat(furthest[0]).isLessThan(5 * frame);
    }

    @Test
    void digitsGoToTheBenchesAndArrowsToThePlates(FxRobot robot) {
        robot.type(KeyCode.DIGIT5);
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
        robot.interact(() -> session.change("a note", s -> s.withPlate("card", p -> p.withName("Card on its cloth"))));
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
    void aRenderRunsFromTheButtonAndLandsInItsFolder(FxRobot robot) {
        measured();
        robot.clickOn("#bench-hand_over");
        TextField to = robot.lookup("#render-to").query();
        robot.interact(() -> to.setText("1"));
        robot.clickOn("#render-go");
        until("rendered", () -> Files.exists(folder.resolve("renders").resolve("shot-12.webm")));
        measured();
        until("shown", () -> words(scene.getRoot()).contains("Done: shot-12.webm") && words(scene.getRoot()).contains("Rendered\n"));
        robot.interact(() -> session.changeLayer("off", "lantern", l -> l.withOn(false)));
        until("an older one is said to be one", () -> words(scene.getRoot()).contains("Rendered earlier; the shot may be another since"));
        robot.interact(() -> to.setText("7"));
        until("not of these frames", () -> words(scene.getRoot()).contains("As it will be; not rendered yet"));
    }

    @Test
    void oneFrameOfAnElementIsRenderedWhereOneLikes(FxRobot robot) throws Exception {
        measured();
        Path elsewhere = Files.createTempDirectory("elsewhere").resolve("for the edit");
        robot.interact(() -> session.seconds().set(0.25));
        robot.clickOn("#bench-hand_over");
        robot.interact(() -> {
            ComboBox<?> part = robot.lookup("#render-part").query();
            part.getSelectionModel().select(IntStream.range(0, part.getItems().size()).filter(i -> part.getItems().get(i).toString()
                    .startsWith("element: Lantern")).findFirst().orElseThrow());
            robot.lookup("#render-kind").<ComboBox<ExportFormat>>query().getSelectionModel().select(Stills.Format.PNG16);
        });
        robot.clickOn("#render-one").clickOn("#render-into").write(elsewhere.toString()).type(KeyCode.ENTER);
        robot.clickOn("#render-open");
        until("not there yet", () -> words(scene.getRoot()).contains("is not there yet"));
        robot.clickOn("#render-go");
        Path made = elsewhere.resolve("shot-12-element-lantern-frame-000006.png");
        until("rendered", () -> Files.exists(made));
        measured();
        try (Footage f = Footages.open(made)) {
            assertThat(f.info().coding().alpha()).isTrue();
        }
        assertThat(words(scene.getRoot())).contains("Done: shot-12-element-lantern-frame-000006.png", "with alpha",
                "shot-12-element-lantern-frame-000006.png, ");
        Path beside = Files.writeString(elsewhere.resolveSibling("private.txt"), "not asked for");
        assertThat(session.folder().refusal(beside)).as("the folder is allowed, what it lies in is not").isNotNull();
        robot.clickOn("#render-open");
        until("opened or said", () -> words(scene.getRoot()).contains("No program on this machine") || words(scene.getRoot())
                .contains("Opened " + elsewhere));
    }

    @Test
    void theSoundIsChosenAndMadeSofter(FxRobot robot) {
        measured();
        robot.clickOn("#bench-hand_over");
        until("nothing heard", () -> words(scene.getRoot()).contains("No footage has sound."));
        robot.doubleClickOn("#sound-level").write("-6");
        // A finding, or any other change, takes nothing away of what is being typed.
        robot.interact(() -> session.change("elsewhere", s -> s.told(s.title(), "Another story.", s.seconds())));
        measured();
        assertThat(robot.lookup("#sound-level").<TextField>query().getText()).isEqualTo("-6");
        robot.type(KeyCode.ENTER);
        until("softer", () -> session.shot().sound().levelDb() == -6);
        robot.interact(() -> robot.lookup("#sound-from").<ComboBox<?>>query().getSelectionModel().select(1));
        until("silent", () -> session.shot().sound().of() instanceof SoundSource.Silent);
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        until("as filmed again", () -> session.shot().sound().equals(Sound.AS_FILMED.withLevelDb(-6)));
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
        robot.interact(() -> session.bringIn(List.of(good, bad)));
        until("looked at", () -> robot.lookup("#bring-plate-0").tryQuery().isPresent());
        assertThat(words(scene.getRoot())).contains("Bring 1 file in, 1 cannot be used").contains("notes.mp4");
        robot.type(KeyCode.ENTER);
        until("brought in", () -> session.plate().orElseThrow().takes().size() == 2);
        assertThat(folder.resolve("footage/second card.png")).exists();
        assertThat(robot.lookup("#bring-go").tryQuery()).isEmpty();
        robot.interact(() -> session.bringIn(List.of(bad)));
        until("said", () -> words(scene.getRoot()).contains("None of these files can be used"));
        robot.type(KeyCode.ESCAPE);
        assertThat(session.shot().plate("card").orElseThrow().takes()).hasSize(2);
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
        until("thirty slips", () -> scene.getRoot().lookupAll(".slip").size() == 30);
        for (int i = 0; i < 29; i++) {
            robot.type(KeyCode.DOWN);
        }
        assertThat(session.plateId().get()).isEqualTo("m23");
        double slip = robot.lookup("#slip-m20").query().localToScene(0, 0).getY();
        double cell = robot.lookup("#cell-m20-rolled").query().localToScene(0, 0).getY();
        assertThat(cell).isCloseTo(slip, Offset.offset(8.0));
    }
}
