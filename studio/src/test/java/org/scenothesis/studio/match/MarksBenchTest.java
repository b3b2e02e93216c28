package org.scenothesis.studio.match;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.application.Platform;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.stage.Evidence;
import org.scenothesis.core.value.Given;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.studio.OpenHouse;
import org.scenothesis.studio.house.Session;
import org.scenothesis.testkit.RuledRoom;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;

/// A picture of a room is worked through: edges found, a height and a shadow pulled into place, the shot stood on it.
@ExtendWith(ApplicationExtension.class)
class MarksBenchTest {
    @TempDir
    static Path temp;

    private OpenHouse house;
    private Session session;
    private Scene scene;

    @Start
    void start(Stage stage) throws Exception {
        Path folder = Files.createTempDirectory(temp, "p");
        Plate plate = new Plate("room", "Room", PlateRole.CLEAN, Spike.T, "A", "", 0,
                List.of(new Take("room-1", "footage/room.png", true, "")));
        ProductionFolder.create(folder,
                new Production("Paper weather",
                List.of(new Shot("1", 1, "Room", "", 3, List.of(), List.of(), List.of(plate), List.of(), null)), HouseRules.DEFAULT))
                .close();
        RuledRoom.write(Files.createDirectories(folder.resolve("footage")).resolve("room.png"));
        house = OpenHouse.begun(stage, folder);
        session = house.session();
        scene = house.scene();
    }

    @Stop
    void stop() {
        session.close();
    }

    private String words() {
        return OpenHouse.words(scene.getRoot());
    }

    private List<Evidence> marks() {
        return session.shot().plates().getFirst().marks();
    }

    private void open(FxRobot robot) {
        robot.clickOn("#bench-match").clickOn("#match-page-camera");
        house.until("the picture is there", () -> words().contains("Camera of Room") && words().contains("nothing is marked yet"));
    }

    /// Pulls a point of a mark to where something of the room is.
    private void pull(FxRobot robot, int point, Vec to) {
        Node grip = scene.lookup("#mark-" + point);
        Bounds at = grip.localToScreen(grip.getBoundsInLocal());
        Point p = RuledRoom.px(to);
        Bounds over = grip.getParent().getParent().localToScreen(grip.getParent().getParent().getLayoutBounds());
        robot.moveTo(at.getCenterX(), at.getCenterY()).press(MouseButton.PRIMARY).moveBy(5, 5)
                .moveTo(over.getMinX() + p.x() / RuledRoom.WIDTH * over.getWidth(), over.getMinY()
                + p.y() / RuledRoom.HEIGHT * over.getHeight()).release(MouseButton.PRIMARY);
    }

    @Test
    void theShotIsStoodOnTheCameraOfAPictureByHand(FxRobot robot) {
        open(robot);
        assertThat(robot.lookup("#match-stand").queryButton().isDisabled()).as("nothing is known").isTrue();
        robot.clickOn("#match-propose");
        house.until("edges", () -> marks().size() > 9);
        int edges = marks().size();
        house.until("a camera", () -> words().contains("No length is known"));
        robot.clickOn("#put-upright");
        house.until("put", () -> marks().size() == edges + 1);
        pull(robot, 0, RuledRoom.FOOT);
        house.until("its foot", () -> marks().getFirst() instanceof Evidence.Upright u
                && Math.abs(u.foot().x() * RuledRoom.WIDTH - RuledRoom.px(RuledRoom.FOOT).x()) < 3);
        pull(robot, 1, RuledRoom.FOOT.plus(Vec.UP.times(RuledRoom.POST_M)));
        house.until("measured", () -> words().contains("Nothing more is needed") || words().contains("longer known length") || words()
                .contains("more steeply"));
        house.until("may be stood", () -> !robot.lookup("#match-stand").<Button>query().isDisabled());
        robot.interact(() -> robot.lookup("#match-stand").<Button>query().fire());
        house.until("staged", () -> session.shot().stage() != null);
        var stage = session.shot().stage();
        assertThat(stage.camera().position()).isInstanceOf(Given.Measured.class);
        assertThat(stage.camera().position().value().y()).isCloseTo(RuledRoom.LENS_M, within(0.12));
        assertThat(stage.camera().aim().value().tiltDeg()).isCloseTo(-11, within(1.0));
        assertThat(session.said().get()).contains("The shot stands on this camera");
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        house.until("taken back", () -> session.shot().stage() == null);
        assertThat(marks()).hasSize(edges + 1);
    }

    private static Point share(Vec v) {
        Point p = RuledRoom.px(v);
        return new Point(p.x() / RuledRoom.WIDTH, p.y() / RuledRoom.HEIGHT);
    }

    private static Evidence.Edge edge(Evidence.Runs runs, Vec from, Vec to) {
        return new Evidence.Edge(runs, share(from), share(to));
    }

    /// Marks of the room as a careful hand sets them, a known height of the post last.
    private static List<Evidence> careful() {
        return List.of(
                edge(Evidence.Runs.AWAY, new Vec(0.6, 0, 2.4), new Vec(0.6, 0, 5.4)), edge(Evidence.Runs.AWAY, new Vec(1.8, 0, 2.4),
                new Vec(1.8, 0, 5.4)), edge(Evidence.Runs.ACROSS, new Vec(-0.6, 0, 4.2), new Vec(2.4, 0, 4.2)),
                edge(Evidence.Runs.ACROSS, new Vec(0, 0, 3), new Vec(2.4, 0, 3)), edge(Evidence.Runs.UP, new Vec(-0.4, 0.5, 5.5),
                new Vec(-0.4, 1.9, 5.5)), edge(Evidence.Runs.UP, new Vec(1.9, 0.5, 5.5), new Vec(1.9, 1.9, 5.5)),
                new Evidence.Upright(share(RuledRoom.FOOT), share(RuledRoom.FOOT.plus(Vec.UP.times(RuledRoom.POST_M))), RuledRoom.POST_M));
    }

    private void marked() {
        Platform.runLater(() -> session.change("marks", s -> s.withPlate("room", p -> p.withMarks(careful()))));
        house.until("measured", () -> words().contains("1.50 m \u00b1"));
    }

    @Test
    void aShadowThatIsPulledSaysWhereTheLightComesFrom(FxRobot robot) {
        open(robot);
        marked();
        robot.clickOn("#put-shadow");
        house.until("put", () -> marks().size() == 8);
        pull(robot, 0, RuledRoom.FOOT);
        pull(robot, 1, RuledRoom.FOOT.plus(Vec.UP.times(RuledRoom.POST_M)));
        pull(robot, 2, RuledRoom.tip());
        double side = Math.IEEEremainder(Math.toDegrees(Math.atan2(RuledRoom.TO_LIGHT.x(), RuledRoom.TO_LIGHT.z()))
                - RuledRoom.POSE.panDeg(), 360);
        house.until("the light", () -> words().lines().anyMatch(l -> l.matches("\\d+\u00b0 left, \\d+\u00b0 high")
                && Math.abs(Integer.parseInt(l.substring(0, l.indexOf('\u00b0'))) + side) < 6));
        house.until("the figure throws one too", () -> !scene.getRoot().lookupAll(".figure-shadow").isEmpty());
        house.until("the dial shows it", () -> scene.getRoot().lookupAll(".dial-lamp").size() == 1);
    }

    @Test
    void aKnownHeightIsToldAndTheFigureWalks(FxRobot robot) {
        open(robot);
        marked();
        tell(robot, "#mark-metres-6", "2");
        house.until("twice as high, and so is the lens", () -> words().contains("3.00 m \u00b1"));
        String before = words().lines().filter(l -> l.contains("1.70 m tall")).findFirst().orElseThrow();
        pull(robot, 14, new Vec(1, 0, 2.6));
        house.until("it stands elsewhere", () -> words().lines().anyMatch(l -> l.contains("1.70 m tall") && !l.equals(before)));
        assertThat(marks()).as("a walk is no mark").hasSize(7);
    }

    @Test
    void aKnownLensIsToldInDegreesAndTakenAwayAgain(FxRobot robot) {
        open(robot);
        robot.clickOn("#put-lens");
        house.until("a usual one", () -> words().contains("54.4\u00b0"));
        assertThat(marks()).containsExactly(new Evidence.Lens(54.4));
        robot.interact(() -> {
            TextField f = (TextField) scene.lookup("#mark-metres-0");
            f.requestFocus();
            f.setText("64.5");
        });
        robot.type(KeyCode.ENTER);
        house.until("told", () -> marks().getFirst() instanceof Evidence.Lens l && Math.abs(l.viewDeg() - 64.5) < 1e-9);
        robot.interact(() -> ((Button) scene.lookup("#mark-away-0")).fire());
        house.until("gone", () -> marks().isEmpty() && words().contains("nothing is marked yet"));
    }

    @Test
    void theLoupeIsThereWhileAMarkIsPulledAndEdgesOfOneWayGoTogether(FxRobot robot) {
        open(robot);
        marked();
        Node grip = scene.lookup("#mark-12");
        Bounds at = grip.localToScreen(grip.getBoundsInLocal());
        robot.moveTo(at.getCenterX(), at.getCenterY()).press(MouseButton.PRIMARY).moveBy(8, 3).moveBy(6, 2);
        house.until("the loupe", () -> scene.getRoot().lookupAll(".loupe-frame").stream().anyMatch(n -> n.getParent().isVisible()));
        robot.release(MouseButton.PRIMARY);
        house.until("gone", () -> scene.getRoot().lookupAll(".loupe-frame").stream().noneMatch(n -> n.getParent().isVisible()));
        robot.interact(() -> ((Button) scene.lookup("#mark-away-up")).fire());
        house.until("both uprights gone", () -> marks().size() == 5);
        robot.clickOn("#match-page-moved");
        house.until("the lock check again", () -> words().contains("shift at the centre"));
    }

    @Test
    void marksAreMovedByTenthsAndTakenAwayByKeys(FxRobot robot) {
        open(robot);
        robot.clickOn("#put-shadow");
        house.until("put and in hand", () -> marks().size() == 1 && scene.getFocusOwner() != null
                && "mark-0".equals(scene.getFocusOwner().getId()));
        double x = marks().getFirst().points().getFirst().x();
        robot.type(KeyCode.RIGHT);
        house.until("a tenth of a pixel", () -> Math.abs(marks().getFirst().points().getFirst().x() - x - 0.1 / RuledRoom.WIDTH) < 1e-9);
        robot.press(KeyCode.SHIFT).type(KeyCode.RIGHT).release(KeyCode.SHIFT);
        house.until("a pixel", () -> Math.abs(marks().getFirst().points().getFirst().x() - x - 1.1 / RuledRoom.WIDTH) < 1e-9);
        robot.type(KeyCode.DELETE);
        house.until("gone", () -> marks().isEmpty());
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        house.until("back", () -> marks().size() == 1);
    }

    @Test
    void aTapeAndAStaffReadAndAShadowIsProposed(FxRobot robot) {
        open(robot);
        marked();
        robot.interact(() -> robot.lookup("#put-tape").<Button>query().fire());
        house.until("put", () -> marks().size() == 8);
        pull(robot, 0, new Vec(0.6, 0, 3));
        pull(robot, 1, new Vec(1.8, 0, 3));
        house.until("it reads", () -> reads(0).startsWith("1.2") || reads(0).startsWith("1.19"));
        assertThat(reads(0)).as("with what it may be off").contains("\u00b1");
        robot.interact(() -> robot.lookup("#match-shadow").<Button>query().fire());
        house.until("offered", () -> scene.lookup("#shadow-take") != null);
        assertThat(session.said().get()).contains("A shadow was found");
        assertThat(marks()).as("nobody has looked at it yet").hasSize(8);
        assertThat(scene.getRoot().lookupAll(".mark-offered")).hasSize(2);
        robot.interact(() -> robot.lookup("#shadow-leave").<Button>query().fire());
        house.until("left alone", () -> scene.lookup("#shadow-take") == null && scene.getRoot().lookupAll(".mark-offered").isEmpty());
        robot.interact(() -> robot.lookup("#match-shadow").<Button>query().fire());
        house.until("offered again", () -> scene.lookup("#shadow-take") != null);
        robot.interact(() -> robot.lookup("#shadow-take").<Button>query().fire());
        house.until("taken", () -> marks().getFirst() instanceof Evidence.Shadow);
        Evidence.Shadow s = (Evidence.Shadow) marks().getFirst();
        Point tip = RuledRoom.px(RuledRoom.tip());
        assertThat(Math.hypot(s.tip().x() * RuledRoom.WIDTH - tip.x(), s.tip().y() * RuledRoom.HEIGHT - tip.y())).isLessThan(30);
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        house.until("one undo takes it away", () -> marks().size() == 8);
        assertThat(marks().getFirst()).isInstanceOf(Evidence.Tape.class);
    }

    private String reads(int mark) {
        return scene.lookup("#mark-reads-" + mark) instanceof Label l ? l.getText() : "";
    }

    @Test
    void tilesPairsAndRoundThingsAreToldWhatTheyAre(FxRobot robot) {
        open(robot);
        robot.interact(() -> robot.lookup("#put-tiles").<Button>query().fire());
        house.until("put", () -> marks().size() == 1);
        List<Vec> corners = List.of(new Vec(0.6, 0, 3), new Vec(2.4, 0, 3), new Vec(2.4, 0, 4.8), new Vec(0.6, 0, 4.8));
        for (int i = 0; i < 4; i++) {
            pull(robot, i, corners.get(i));
        }
        tell(robot, "#mark-tiles-across-0", "3");
        tell(robot, "#mark-tiles-away-0", "3");
        tell(robot, "#mark-metres-0", "0.6");
        house.until("the camera follows from them", () -> words().contains("1.5") && words().contains("lens height"));
        assertThat(marks().getFirst()).isInstanceOfSatisfying(Evidence.Tiles.class, t -> assertThat(t.metres()).isEqualTo(0.6));
        assertThat(scene.getRoot().lookupAll(".mark-tiles")).as("four joints each way").hasSize(8);
        robot.interact(() -> robot.lookup("#put-round").<Button>query().fire());
        house.until("put", () -> marks().size() == 2);
        choose(robot, "a head");
        house.until("told", () -> marks().getFirst() instanceof Evidence.Round r && r.shape() == Evidence.Shape.HEAD);
        robot.interact(() -> robot.lookup("#put-shade").<Button>query().fire());
        house.until("put", () -> marks().size() == 3);
        choose(robot, "square to the key");
        house.until("told", () -> marks().getFirst() instanceof Evidence.Shade s && s.lies() == Evidence.Lies.FACING);
        robot.interact(() -> robot.lookup("#put-lamp").<Button>query().fire());
        house.until("a rim", () -> words().contains("rim"));
    }

    /// The list is built after the mark is there: the choice of the one before may still stand in its place.
    private void choose(FxRobot robot, String word) {
        house.until("offered", () -> robot.lookup("#choice-mark-0").<ComboBox<String>>tryQuery().filter(c -> c.getItems().contains(word))
                .isPresent());
        robot.interact(() -> robot.lookup("#choice-mark-0").<ComboBox<String>>query().setValue(word));
    }

    private void tell(FxRobot robot, String field, String number) {
        robot.interact(() -> {
            TextField f = (TextField) scene.lookup(field);
            f.requestFocus();
            f.setText(number);
        });
        robot.type(KeyCode.ENTER);
    }
}
