package org.scenothesis.studio;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Pane;
import javafx.stage.Stage;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.Blend;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.step.DrawnShadow;
import org.scenothesis.core.shot.step.FramePlace;
import org.scenothesis.core.shot.step.Join;
import org.scenothesis.core.shot.step.PinnedCorners;
import org.scenothesis.media.Footage;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.testkit.IllusionShoot;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;

/// Five shots from an empty production to a rendered film, by clicks and keys alone, out of clips filmed for the purpose.
@ExtendWith(ApplicationExtension.class)
class JourneysTest {
    private static Path clips;

    private Path home;
    private OpenHouse house;
    private Session session;
    private FxRobot robot;

    @BeforeAll
    static void film() throws Exception {
        clips = Files.createTempDirectory("clips");
        try (Bands bands = Bands.allCores()) {
            IllusionShoot.film(clips, bands);
        }
    }

    @AfterAll
    static void clear() throws Exception {
        OpenHouse.clear(clips);
    }

    @Start
    void start(Stage stage) throws Exception {
        home = Files.createTempDirectory("journey");
        house = OpenHouse.fresh(stage, home.resolve("p"), "Paper weather");
        session = house.session();
    }

    @Stop
    void stop() throws Exception {
        session.close();
        OpenHouse.clear(home);
    }

    private void calm() {
        house.until("calm", () -> session.worker().idle());
    }

    private Layer layer(String id) {
        return session.shot().layer(id).orElseThrow();
    }

    /// Brings clips in as proposed, what nothing tells of as backgrounds, and lays them from the bottom up, each by a click on its slip and
    /// a key.
    private void lay(FxRobot with, String... names) throws Exception {
        bring(with, names);
        robot.clickOn("#bench-layer");
        calm();
    }

    private void bring(FxRobot with, String... names) throws Exception {
        robot = with;
        Path card = Files.createDirectories(home.resolve("card"));
        for (String n : names) {
            Path clip = Files.exists(clips.resolve("footage/" + n + ".mp4")) ? clips.resolve("footage/" + n + ".mp4")
                    : clips.resolve("footage/" + n + ".png");
            Files.copy(clip, card.resolve(clip.getFileName()), StandardCopyOption.REPLACE_EXISTING);
        }
        robot.interact(() -> session.bringIn(List.of(card)));
        house.until("looked at", () -> robot.lookup("#bring-plate-" + (names.length - 1)).tryQuery().isPresent());
        for (int i = 0; i < names.length; i++) {
            if (robot.lookup("#bring-plate-" + i).queryComboBox().getValue().toString().startsWith("Tray")) {
                option("bring-plate-" + i, "new: background plate");
            }
        }
        robot.type(KeyCode.ENTER);
        house.until("brought in", () -> session.shot().plates().stream().mapToInt(p -> p.takes().size()).sum() == names.length);
    }

    private void lay(String plate) {
        int n = session.shot().layers().size();
        robot.clickOn("#slip-" + plate).type(KeyCode.L);
        house.until(plate + " is laid", () -> session.shot().layers().size() == n + 1);
        calm();
    }

    private void choose(String layer) {
        tab("layer-" + layer).type(KeyCode.ENTER);
        calm();
    }

    /// Presses a button by Tab and the space bar, wherever it is scrolled to.
    private void press(String id) {
        house.until("there is " + id, () -> robot.lookup("#" + id).tryQuery().isPresent());
        tab(id).type(KeyCode.SPACE);
    }

    private void add(String menu, String step) {
        int n = session.shot().layers().stream().mapToInt(l -> l.steps().size()).sum();
        chosen("adding-" + menu, "add-" + step);
        house.until(step + " is there", () -> session.shot().layers().stream().mapToInt(l -> l.steps().size()).sum() == n + 1);
    }

    /// Chooses from a menu by keys.
    private void chosen(String menu, String item) {
        MenuButton b = robot.lookup("#" + menu).query();
        int at = b.getItems().stream().map(MenuItem::getId).toList().indexOf(item);
        tab(menu).type(KeyCode.SPACE);
        house.until("a menu", b::isShowing);
        robot.type(KeyCode.DOWN, at + 1).type(KeyCode.ENTER);
    }

    /// Types a number into the form of a step.
    private void number(String code, double value) {
        house.until("a field for " + code, () -> robot.lookup("#tape-" + code).tryQuery().isPresent());
        tab("tape-" + code).write(String.valueOf(value)).type(KeyCode.ENTER);
    }

    private void frame(int i) {
        robot.interact(() -> session.goToFrame(i));
    }

    /// Renders the shot and hands over its frames, and keeps three of them for looking at.
    private Footage rendered(String name) throws Exception {
        robot.clickOn("#bench-hand_over");
        calm();
        robot.interact(() -> robot.lookup("#render-to").<TextField>query().setText(String.valueOf(IllusionShoot.FRAMES - 1)));
        robot.clickOn("#render-go");
        Path film = home.resolve("p/renders/shot-1.webm");
        house.until("rendered", () -> OpenHouse.words(house.scene().getRoot()).contains("Done: shot-1.webm"));
        Footage f = Footages.open(film);
        Path look = Files.createDirectories(Path.of("target/journeys"));
        for (int i : new int[] {0, 5, 11}) {
            Stills.write(look.resolve(name + "-" + i + ".png"), f.frame(i), Stills.Format.PNG8);
        }
        return f;
    }

    /// The mean of a colour in a box of shares of the picture.
    private static double mean(Picture p, int channel, double left, double top, double right, double bottom) {
        double sum = 0;
        int n = 0;
        for (int y = (int) (top * p.height()); y < bottom * p.height(); y++) {
            for (int x = (int) (left * p.width()); x < right * p.width(); x++) {
                sum += p.colours().get(channel).at(x, y);
                n++;
            }
        }
        return sum / n;
    }

    private static double redness(Picture p, double left, double top, double right, double bottom) {
        return mean(p, 0, left, top, right, bottom) / mean(p, 2, left, top, right, bottom);
    }

    /// Pulls a handle to a place in shares of the picture.
    private void pull(String handle, double x, double y) {
        house.until("handle " + handle, () -> robot.lookup("#" + handle).tryQuery().filter(Node::isVisible).isPresent());
        calm();
        Pane over = robot.lookup("#layer-picture").<PictureView>query().overlay();
        robot.drag("#" + handle).dropTo(over.localToScreen(x * over.getWidth(), y * over.getHeight()));
    }

    /// Chooses a word of a list by the arrow keys.
    private void option(String box, String word) {
        for (KeyCode way : List.of(KeyCode.DOWN, KeyCode.UP)) {
            for (int i = 0; i < 40; i++) {
                tab(box);
                if (((ComboBox<?>) house.scene().getFocusOwner()).getValue().toString().contains(word)) {
                    calm();
                    return;
                }
                robot.type(way);
            }
        }
        throw new AssertionError("there is no " + word + " in " + box);
    }

    @Test
    void aFigureFloatsByHalvesWithItsShadow(FxRobot with) throws Exception {
        lay(with, "room", "upper", "lower", "screen");
        lay("room");
        for (String half : List.of("lower", "upper")) {
            lay(half);
            number("gain", -0.75);
            add("place", "join");
            pull("pin-0", 0.455, 0.577);
            pull("pin-1", 0.545, 0.577);
            option("choice-keeps", half.equals("lower") ? "below" : "above");
        }
        assertThat(layer("lower").step(Join.class).orElseThrow().points(0).get(1).x()).isBetween(0.53, 0.56);
        add("place", "frame-place");
        frame(0);
        press("key-frame-place");
        frame(11);
        number("down", -22);
        chosen("treat-alike", "move-lower");
        house.until("moves alike", () -> layer("lower").step(FramePlace.class).equals(layer("upper").step(FramePlace.class)));
        for (String half : List.of("upper", "lower")) {
            choose(half);
            frame(0);
            add("light", "drawn-shadow");
            pull("pin-0", 0.44, 0.949);
            pull("pin-1", 0.56, 0.949);
            pull("pin-2", 0.5, 0.17);
            pull("pin-3", 0.86, 0.87);
            number("cast-softness", 2);
        }
        assertThat(layer("lower").step(DrawnShadow.class).orElseThrow().points(0).get(3).x()).isCloseTo(0.86, Offset.offset(0.01));
        try (Footage f = rendered("floats")) {
            Picture first = f.frame(0);
            Picture last = f.frame(11);
            assertThat(redness(first, 0.46, 0.4, 0.54, 0.5)).as("the red coat where it stood").isGreaterThan(1.8);
            assertThat(redness(last, 0.46, 0.2, 0.54, 0.3)).as("the coat up in the air").isGreaterThan(1.8);
            assertThat(mean(first, 0, 0.53, 0.9, 0.57, 0.94)).as("the shadow begins at the feet")
                    .isLessThan(0.85 * mean(last, 0, 0.53, 0.9, 0.57, 0.94));
            assertThat(mean(last, 1, 0.46, 0.85, 0.54, 0.93)).as("the floor is seen where the feet were")
                    .isGreaterThan(1.5 * mean(first, 1, 0.46, 0.85, 0.5, 0.93));
        }
    }

    @Test
    void twoCopiesStandInABorrowedPicture(FxRobot with) throws Exception {
        lay(with, "street", "actor", "screen");
        lay("street");
        for (String copy : List.of("actor", "actor-2")) {
            lay("actor");
            number("gain", -0.5);
            add("place", "frame-place");
            number("across", copy.equals("actor") ? -22 : 22);
        }
        assertThat(session.shot().layers()).extracting(Layer::id).containsExactly("street", "actor", "actor-2");
        try (Footage f = rendered("copies")) {
            Picture p = f.frame(4);
            assertThat(redness(p, 0.25, 0.4, 0.31, 0.52)).isGreaterThan(2);
            assertThat(redness(p, 0.69, 0.4, 0.75, 0.52)).isGreaterThan(2);
            assertThat(redness(p, 0.47, 0.7, 0.53, 0.9)).as("nobody between").isLessThan(1.4);
        }
    }

    /// The same without a mouse: plates by arrows, steps by letters, fields and menus by Tab.
    @Test
    void twoCopiesByKeyboardAlone(FxRobot with) throws Exception {
        bring(with, "street", "actor", "screen");
        robot.type(KeyCode.DIGIT7);
        house.until("on Layer", () -> session.bench().get() == BenchName.LAYER);
        calm();
        layByKeys("street");
        for (String copy : List.of("actor", "actor-2")) {
            layByKeys("actor");
            tab("tape-gain").write("-0.5").type(KeyCode.ENTER);
            chosen("adding-place", "add-frame-place");
            house.until("put is there", () -> layer(copy).step(FramePlace.class).isPresent());
            calm();
            tab("tape-across").write(copy.equals("actor") ? "-22" : "22").type(KeyCode.ENTER);
        }
        robot.type(KeyCode.ESCAPE, KeyCode.DIGIT8);
        house.until("on Hand over", () -> session.bench().get() == BenchName.HAND_OVER);
        calm();
        tab("render-to").write(String.valueOf(IllusionShoot.FRAMES - 1)).type(KeyCode.ENTER);
        tab("render-go").type(KeyCode.SPACE);
        house.until("rendered", () -> OpenHouse.words(house.scene().getRoot()).contains("Done: shot-1.webm"));
        try (Footage f = Footages.open(home.resolve("p/renders/shot-1.webm"))) {
            assertThat(f.info().frames()).isEqualTo(IllusionShoot.FRAMES);
            assertThat(redness(f.frame(4), 0.25, 0.4, 0.31, 0.52)).isGreaterThan(2);
            assertThat(redness(f.frame(4), 0.69, 0.4, 0.75, 0.52)).isGreaterThan(2);
        }
    }

    private void layByKeys(String plate) {
        int n = session.shot().layers().size();
        for (KeyCode way : List.of(KeyCode.DOWN, KeyCode.UP)) {
            for (int i = 0; i < 8 && !plate.equals(session.plateId().get()); i++) {
                robot.type(way);
            }
        }
        robot.type(KeyCode.L);
        house.until(plate + " is laid", () -> session.shot().layers().size() == n + 1);
        calm();
    }

    /// Goes on with Tab until a control has the focus; what is in a field is chosen then, so that typing replaces it.
    private FxRobot tab(String id) {
        for (int i = 0; i < 120; i++) {
            Node now = house.scene().getFocusOwner();
            if (now != null && id.equals(now.getId())) {
                return now instanceof TextField ? robot.press(KeyCode.CONTROL).type(KeyCode.A).release(KeyCode.CONTROL) : robot;
            }
            robot.type(KeyCode.TAB);
        }
        throw new AssertionError("Tab never comes to " + id);
    }

    @Test
    void lightFadesInOnAMovingHand(FxRobot with) throws Exception {
        lay(with, "talker", "spark", "room");
        lay("talker");
        lay("spark");
        assertThat(layer("spark").blend()).as("filmed on black").isNotEqualTo(Blend.OVER);
        option("choice-time", "held");
        number("held-at", 0.5);
        add("place", "frame-place");
        number("across", -8.8);
        number("down", 5.5);
        add("cut-out", "opacity");
        number("presence", 0);
        press("key-opacity");
        frame(6);
        number("presence", 1);
        frame(0);
        robot.type(KeyCode.G);
        house.until("a ring", () -> robot.lookup("#follow-ring").query().isFocused());
        Pane over = robot.lookup("#layer-picture").<PictureView>query().overlay();
        robot.clickOn(over.localToScreen(0.42 * over.getWidth(), 0.583 * over.getHeight()));
        house.until("followed", () -> session.shot().tracks().size() == 1);
        try (Footage f = rendered("spark")) {
            assertThat(mean(f.frame(0), 0, 0.38, 0.53, 0.46, 0.63)).as("not there yet").isLessThan(0.3);
            assertThat(mean(f.frame(11), 0, 0.29, 0.36, 0.34, 0.47)).as("in the hand that was raised").isGreaterThan(0.5);
            assertThat(mean(f.frame(11), 0, 0.38, 0.53, 0.46, 0.63)).as("not where the hand was").isLessThan(0.3);
        }
    }

    @Test
    void aFigureStepsOutOfAPinnedDisplay(FxRobot with) throws Exception {
        lay(with, "room", "street", "actor", "screen");
        lay("room");
        lay("street-background");
        add("place", "pinned-corners");
        pull("pin-0", 0.203, 0.218);
        pull("pin-1", 0.348, 0.218);
        pull("pin-2", 0.348, 0.387);
        pull("pin-3", 0.203, 0.387);
        lay("actor");
        number("gain", -0.75);
        add("place", "frame-place");
        frame(0);
        number("put-size", 0.14);
        number("across", -22);
        number("down", -20);
        press("key-frame-place");
        frame(9);
        number("put-size", 1);
        number("across", 5);
        number("down", 0);
        assertThat(layer("street-background").step(PinnedCorners.class).orElseThrow().at(0).get(2).x()).isBetween(0.34, 0.36);
        try (Footage f = rendered("display")) {
            assertThat(redness(f.frame(11), 0.5, 0.4, 0.58, 0.5)).as("full size on the floor").isGreaterThan(1.8);
            assertThat(redness(f.frame(0), 0.5, 0.4, 0.58, 0.5)).isLessThan(1.5);
        }
    }

    @Test
    void aThrownThingIsSwappedForALargeOne(FxRobot with) throws Exception {
        lay(with, "room", "ball", "moon", "screen");
        lay("room");
        lay("ball");
        number("gain", -0.75);
        add("place", "frame-place");
        frame(0);
        number("across", -35);
        number("down", -10);
        press("key-frame-place");
        frame(3);
        number("across", -18);
        number("down", -35);
        frame(5);
        number("across", -3);
        number("down", -15);
        frame(5);
        robot.type(KeyCode.CLOSE_BRACKET);
        lay("moon");
        number("gain", -0.75);
        frame(6);
        robot.type(KeyCode.OPEN_BRACKET);
        add("light", "drawn-shadow");
        pull("pin-0", 0.4, 0.949);
        pull("pin-1", 0.6, 0.949);
        pull("pin-2", 0.5, 0.5);
        pull("pin-3", 0.75, 0.99);
        assertThat(layer("moon").presence(5 / session.rate())).isZero();
        try (Footage f = rendered("swapped")) {
            assertThat(redness(f.frame(5), 0.45, 0.6, 0.55, 0.8)).as("the clean plate before it").isLessThan(1.8);
            assertThat(redness(f.frame(6), 0.45, 0.6, 0.55, 0.8)).as("the large one").isGreaterThan(2);
        }
    }
}
