package org.scenothesis.studio.first;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.shot.FrameFormat;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.production.begin.NewProduction;
import org.scenothesis.production.store.RecentProductions;
import org.scenothesis.studio.house.Navigation;
import org.scenothesis.studio.house.Worker;
import org.scenothesis.studio.theme.Theme;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/// Real keys and clicks on the first window; what it leads to is written down instead of opened.
@ExtendWith(ApplicationExtension.class)
class FirstWindowTest {
    @TempDir
    static Path home;

    private final List<String> went = new ArrayList<>();
    private NewProduction begun;
    private Path in;
    private FirstWindow first;
    private Worker worker;
    private String user;

    @BeforeEach
    void nobody() {
        user = System.getProperty("scenothesis.user", "");
    }

    @AfterEach
    void back() {
        worker.close();
        System.setProperty("scenothesis.user", user);
    }

    @Start
    void start(Stage stage) throws Exception {
        System.setProperty("scenothesis.user", Files.createTempDirectory(home, "user").toString());
        worker = new Worker(Platform::runLater);
        first = new FirstWindow(new Written(), new Glimpses(worker), Files.createTempDirectory(home, "films"));
        Scene scene = new Scene(first, 1280, 800);
        Theme.dress(scene);
        stage.setScene(scene);
        stage.show();
        first.shown();
    }

    private final class Written implements Navigation {
        @Override
        public void begin(NewProduction what, Path folder, List<Path> footage) {
            begun = what;
            in = folder;
        }

        @Override
        public void open(Path folder) {
            went.add("open " + folder.getFileName());
        }

        @Override
        public void example(boolean asItWas) {
            went.add(asItWas ? "put back" : "example");
        }

        @Override
        public void first() {
            went.add("first");
        }

        @Override
        public void back() {
            went.add("back");
        }
    }

    @Test
    void aTitleAndEnterBegin(FxRobot robot) {
        robot.write("Paper weather").type(KeyCode.ENTER);
        assertThat(begun).isEqualTo(new NewProduction("Paper weather", null, null));
        assertThat(in.getFileName()).hasToString("paper-weather");
    }

    @Test
    void sizeAndRateAreToldAndNonsenseIsNotBegunWith(FxRobot robot) {
        robot.clickOn("#format-width").press(KeyCode.CONTROL).type(KeyCode.A).release(KeyCode.CONTROL).write("4");
        assertThat(robot.lookup("#begin").<Button>query().isDisabled()).isTrue();
        assertThat(robot.lookup("#new-problem").<Label>query().getText()).contains("from 16 to 16384");
        robot.type(KeyCode.ENTER);
        assertThat(begun).isNull();
        robot.write("096");
        robot.clickOn("#format-rate").press(KeyCode.CONTROL).type(KeyCode.A).release(KeyCode.CONTROL).write("23,976").type(KeyCode.ENTER);
        assertThat(begun.format()).isEqualTo(new FrameFormat(4096, 1080, 23.976));
    }

    @Test
    void aFolderThatHasAProductionIsRefusedInWords(FxRobot robot) throws Exception {
        Path there = Files.createTempDirectory(home, "there");
        Files.writeString(there.resolve("production.json"), "{}");
        robot.interact(() -> first.propose(there));
        assertThat(robot.lookup("#new-problem").<Label>query().getText()).contains("already");
        assertThat(robot.lookup("#begin").<Button>query().isDisabled()).isTrue();
        robot.interact(() -> robot.lookup("#new-folder").<TextField>query().clear());
        assertThat(robot.lookup("#begin").<Button>query().isDisabled()).isFalse();
    }

    @Test
    void anIllusionTheExampleAndTheWayBackAreDoors(FxRobot robot) {
        robot.clickOn("#begin-COPIES");
        assertThat(begun.illusion()).isEqualTo(IllusionKind.COPIES);
        robot.clickOn("#example").clickOn("#example-back");
        robot.press(KeyCode.CONTROL).type(KeyCode.D).release(KeyCode.CONTROL).type(KeyCode.ESCAPE);
        assertThat(went).containsExactly("example", "put back", "example", "back");
    }

    @Test
    void whatWasOpenedLatelyIsNamedByItsTitleAndOpenedAgain(FxRobot robot) throws Exception {
        Path films = Files.createTempDirectory(home, "kept");
        new NewProduction("Ribbon storm", null, null).in(films.resolve("ribbon")).close();
        RecentProductions.opened(films.resolve("gone"), Instant.now(), "Gone");
        RecentProductions.opened(films.resolve("ribbon"), Instant.now(), "Ribbon");
        robot.interact(() -> first.shown());
        await().atMost(20, TimeUnit.SECONDS).untilAsserted(() -> assertThat(robot.lookup("Ribbon storm").tryQuery()).isPresent());
        assertThat(robot.lookup("1 shot, nothing filmed yet").tryQuery()).isPresent();
        robot.clickOn("#lately-ribbon");
        assertThat(went).containsExactly("open ribbon");
        robot.clickOn("#lately-gone");
        assertThat(robot.lookup("#lately-gone").tryQuery()).as("what is not there is let go").isEmpty();
        assertThat(RecentProductions.all()).hasSize(1);
    }

    @ParameterizedTest
    @CsvSource({"2026-11-26T01:00:00Z, today", "2026-11-25T23:59:00Z, yesterday", "2026-11-23T12:00:00Z, Monday",
            "2026-10-02T12:00:00Z, 2 October", "2025-10-02T12:00:00Z, 2 October 2025", "2026-11-27T12:00:00Z, today"})
    void howLongAgoIsSaidAsPeopleSayIt(Instant opened, String words) {
        assertThat(FirstModel.when(opened, LocalDate.of(2026, 11, 26), ZoneOffset.UTC)).isEqualTo(words);
    }

    @Test
    void aNameThatIsTakenGetsANumberAndATypedFolderGivesTheTitle() throws Exception {
        Path films = Files.createTempDirectory(home, "taken");
        Files.createDirectories(films.resolve("untitled"));
        FirstModel m = new FirstModel(films);
        assertThat(m.folder()).isEqualTo(films.resolve("untitled-2"));
        m.folder(films.resolve("Snow day").toString());
        assertThat(m.title()).isEqualTo("Snow day");
        m.folder("\0");
        assertThat(m.problem()).as("what is no path is not begun in").contains("no folder name");
        m.folder("snow/day two");
        assertThat(m.folder()).isEqualTo(films.resolve("snow/day two"));
        assertThat(m.problem()).isNull();
    }
}
