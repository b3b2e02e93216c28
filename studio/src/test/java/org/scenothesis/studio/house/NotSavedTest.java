package org.scenothesis.studio.house;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import javafx.application.Platform;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.scenothesis.demo.LanternWorks;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.Store;
import org.scenothesis.production.store.Unsaved;
import org.scenothesis.studio.OpenHouse;
import org.scenothesis.studio.Studio;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;

/// Closing while the disk takes nothing, what is offered the next time, and a second production in one window.
@ExtendWith(ApplicationExtension.class)
class NotSavedTest {
    private Path home;
    private Path folder;
    private Stage stage;
    private OpenHouse house;

    @Start
    void start(Stage window) throws Exception {
        home = Files.createTempDirectory("not-saved");
        folder = home.resolve("p");
        stage = window;
        ProductionFolder.create(folder, LanternWorks.production()).close();
        house = OpenHouse.on(stage, folder);
    }

    @Stop
    void stop() throws Exception {
        house.session().close();
        OpenHouse.clear(home);
    }

    private void changed(FxRobot robot, String title) {
        robot.interact(() -> house.session().change("t", s -> s.told(title, "", 4)));
    }

    /// The folder goes away under the program, and something is changed.
    private Path gone(FxRobot robot, boolean[] left) throws Exception {
        Path away = Files.move(folder, home.resolve("away"));
        changed(robot, "Not lost");
        house.until("failed", () -> house.session().save().get().kind() == Store.SaveState.Kind.FAILED);
        assertThat(house.session().settled()).isFalse();
        robot.interact(() -> ((MainWindow) house.scene().getRoot()).askUnsaved(() -> left[0] = true));
        house.until("asked", () -> robot.lookup("#not-saved-keep").tryQuery().isPresent());
        return away;
    }

    @Test
    void whatCannotBeSavedIsAskedAboutAndOfferedTheNextTime(FxRobot robot) throws Exception {
        boolean[] left = {false};
        Path away = gone(robot, left);
        robot.type(KeyCode.ESCAPE);
        assertThat(left[0]).as("gone on working").isFalse();
        robot.interact(() -> ((MainWindow) house.scene().getRoot()).askUnsaved(() -> left[0] = true));
        robot.clickOn("#not-saved-again");
        assertThat(left[0]).as("the folder is still gone").isFalse();
        robot.clickOn("#not-saved-keep");
        assertThat(left[0]).isTrue();
        house.session().close();
        Files.move(away, folder);
        robot.interact(() -> {
            try {
                house = OpenHouse.on(stage, folder);
            } catch (Exception e) {
                throw new IllegalStateException(e);
            }
        });
        house.until("offered", () -> robot.lookup("#take-up-unsaved").tryQuery().filter(n -> n.isVisible()).isPresent());
        assertThat(house.session().shot().title()).isNotEqualTo("Not lost");
        robot.clickOn("#take-up-unsaved");
        house.until("taken up", () -> house.session().shot().title().equals("Not lost"));
        assertThat(Unsaved.of(folder)).isEmpty();
        assertThat(robot.lookup("#take-up-unsaved").query().isVisible()).isFalse();
    }

    @Test
    void theWayBackMakesSavingPossible(FxRobot robot) throws Exception {
        boolean[] left = {false};
        Files.move(gone(robot, left), folder);
        robot.clickOn("#not-saved-again");
        assertThat(left[0]).isTrue();
        assertThat(house.session().settled()).isTrue();
    }

    /// The house that was seen before does not answer keys for the one that is seen now.
    @Test
    void keysBelongToTheProductionThatIsSeen(FxRobot robot) throws Exception {
        OpenHouse before = house;
        ProductionFolder.create(home.resolve("q"), LanternWorks.production()).close();
        robot.interact(() -> {
            try {
                Session session = new Session(ProductionFolder.open(home.resolve("q")), new Worker(Platform::runLater));
                before.scene().setRoot(Studio.house(session));
                house = new OpenHouse(session, before.scene());
            } catch (Exception e) {
                throw new IllegalStateException(e);
            }
        });
        robot.type(KeyCode.DIGIT4);
        house.until("the fourth bench", () -> house.session().bench().get() == BenchName.values()[3]);
        assertThat(before.session().bench().get()).isEqualTo(BenchName.BOARD);
        robot.type(KeyCode.DIGIT8).type(KeyCode.R);
        house.until("the key says why it does nothing", () -> house.session().bench().get() == BenchName.HAND_OVER);
        String unfolded = "unfolded findings";
        robot.type(KeyCode.DIGIT1).type(KeyCode.E);
        house.until(unfolded, () -> house.scene().getRoot().lookupAll(".findings-list").stream().anyMatch(n -> n.isVisible()));
        robot.interact(() -> before.session().close());
    }
}
