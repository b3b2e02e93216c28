package org.scenothesis.studio;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.text.Text;
import javafx.stage.Stage;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.demo.LanternWorks;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.MainWindow;
import org.scenothesis.testkit.TinyShoot;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;

/// Words are whole on every page of every bench, in a usual and in a small window; only names in a ribbon as long as its plate may be cut.
@ExtendWith(ApplicationExtension.class)
class NothingCutTest {
    private Path home;
    private OpenHouse house;
    private Stage window;

    @Start
    void start(Stage stage) throws Exception {
        home = Files.createTempDirectory("nothing-cut");
        ProductionFolder.create(home.resolve("p"), LanternWorks.production()).close();
        TinyShoot.film(home.resolve("p"));
        house = OpenHouse.begun(stage, home.resolve("p"));
        window = stage;
    }

    @Stop
    void stop() throws Exception {
        house.session().close();
        OpenHouse.clear(home);
    }

    private void calm() {
        house.until("calm", () -> house.session().worker().idleBut("stage-picture"));
    }

    @ParameterizedTest
    @CsvSource({"1280, 800", "1024, 700"})
    void wordsAreWhole(int width, int height, FxRobot robot) {
        robot.interact(() -> {
            window.setWidth(width);
            window.setHeight(height);
        });
        calm();
        MainWindow root = (MainWindow) house.scene().getRoot();
        List<String> cut = new ArrayList<>();
        for (BenchName b : BenchName.values()) {
            robot.interact(() -> house.session().bench().set(b));
            calm();
            gather(b.word(), root, cut);
            for (String page : root.pagesOf(b)) {
                robot.interact(() -> root.turn(page));
                calm();
                gather(b.word() + ", " + page, root, cut);
            }
        }
        assertThat(cut).isEmpty();
    }

    private static void gather(String where, Node root, List<String> cut) {
        for (Node n : root.lookupAll("*")) {
            if (n instanceof Labeled l && shown(l) && !l.getText().isEmpty() && !l.getStyleClass().contains("ribbon-name")
                    && l.lookup(".text") instanceof Text t && !t.getText().equals(l.getText()) && t.getText()
                    .endsWith("...".equals(l.getEllipsisString()) ? "..." : l.getEllipsisString())) {
                cut.add(where + ": \u201c" + l.getText() + "\u201d is shown as \u201c" + t.getText() + "\u201d");
            }
        }
    }

    private static boolean shown(Node n) {
        for (Node p = n; p != null; p = p.getParent()) {
            if (!p.isVisible()) {
                return false;
            }
        }
        return true;
    }
}
