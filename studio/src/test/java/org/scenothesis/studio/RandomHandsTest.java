package org.scenothesis.studio;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.scenothesis.demo.LanternWorks;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.testkit.TinyShoot;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;

/// Whatever is pressed, clicked and dragged: nothing is thrown, and afterwards the window still answers. `./soak` does it for minutes, by
/// other chances.
@ExtendWith(ApplicationExtension.class)
class RandomHandsTest {
    private Path home;
    private OpenHouse house;

    @Start
    void start(Stage stage) throws Exception {
        home = Files.createTempDirectory("random-hands");
        ProductionFolder.create(home.resolve("p"), LanternWorks.production()).close();
        TinyShoot.film(home.resolve("p"));
        house = OpenHouse.begun(stage, home.resolve("p"));
    }

    @Stop
    void stop() throws Exception {
        house.session().close();
        OpenHouse.clear(home);
    }

    @Test
    void nothingIsThrownAndTheWindowStillAnswers(FxRobot robot) {
        long before = heldMegabytes();
        RandomHands hands = new RandomHands(robot, Long.getLong("scenothesis.hands.seed", 3));
        hands.work(house.scene(), Double.parseDouble(System.getProperty("scenothesis.hands.seconds", "20")));
        assertThat(hands.moves()).isGreaterThan(20);
        assertThat(hands.thrown()).isEmpty();
        for (int i = 0; i < 3; i++) {
            robot.type(KeyCode.ESCAPE);
        }
        robot.interact(() -> house.session().bench().set(BenchName.BOARD));
        house.until("the board is there", () -> house.scene().getRoot().lookup("#bench-board") != null);
        house.until("calm", () -> house.session().worker().idle());
        assertThat(heldMegabytes() - before).as("megabytes more than before").isLessThan(400);
    }

    private static long heldMegabytes() {
        System.gc();
        Runtime r = Runtime.getRuntime();
        return (r.totalMemory() - r.freeMemory()) >> 20;
    }
}
