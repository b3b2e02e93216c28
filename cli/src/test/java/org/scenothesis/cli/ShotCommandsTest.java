package org.scenothesis.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.scenothesis.cli.Ran.run;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.demo.LanternWorks;
import org.scenothesis.media.Footage;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.words.Words;
import org.scenothesis.testkit.TinyShoot;

/// The commands that work on a shot, over a tiny shoot in a folder with an awkward name.
class ShotCommandsTest {
    @TempDir
    static Path home;

    private static Path production;

    @BeforeAll
    static void lay() throws Exception {
        production = home.resolve("Große Laterne, Schuß 12 %20");
        ProductionFolder.create(production, LanternWorks.production()).close();
        TinyShoot.film(production);
    }

    @Test
    void findingsNameEveryPlateAndSayWhatWhereAndWhatToDo() throws Exception {
        Ran r = run("findings", production, "--shot", "12", "--json", "--quiet");
        assertThat(r.exit()).isZero();
        assertThat(r.err()).isEmpty();
        Set<String> plates = new HashSet<>();
        for (JsonNode f : r.json().get("findings")) {
            plates.add(f.get("plate").asText());
            assertThat(f.get("meaning").asText()).endsWith(".");
            assertThat(f.get("verdict").asText()).isIn("holds", "watch", "redo", "not measured");
            if (f.get("verdict").asText().equals("redo")) {
                assertThat(f.get("remedy").asText()).as(f.get("measure").asText()).isNotBlank();
            }
        }
        assertThat(plates).contains("clean", "maker", "lantern", "screen", "lamp", "card");
        assertThat(r.json().get("verdict").asText()).isEqualTo("redo");
    }

    @Test
    void aShortTakeIsFoundShort() throws Exception {
        JsonNode all = run("findings", production, "--shot", "12", "--json", "--quiet").json().get("findings");
        boolean found = false;
        for (JsonNode f : all) {
            if (f.get("measure").asText().equals("roll") && f.get("plate").asText().equals("maker")) {
                assertThat(f.get("value").asDouble()).isEqualTo(0.5);
                assertThat(f.get("limit").asDouble()).isEqualTo(4);
                assertThat(f.get("verdict").asText()).isEqualTo("redo");
                found = true;
            }
        }
        assertThat(found).isTrue();
    }

    @Test
    void findingsAreSaidInWordsToo() {
        Ran r = run("findings", production, "--shot", "12", "--quiet");
        assertThat(r.out()).contains("Clean plate").contains("Lantern on rod").contains("px");
    }

    @Test
    void aShotIsRenderedToStillsOfSixteenBits() throws Exception {
        Path out = home.resolve("stills");
        Ran r = run("render", production, "--shot", "12", "--out", out, "--frames", "4-6", "--json");
        assertThat(r.exit()).as(r.err()).isZero();
        assertThat(r.json().get("frames").asInt()).isEqualTo(3);
        assertThat(r.json().get("width").asInt()).isEqualTo(TinyShoot.WIDTH);
        assertThat(r.json().get("rate").asDouble()).isEqualTo(24);
        assertThat(r.err()).contains("render");
        try (Footage f = Footages.open(out.resolve("frame-000005.png"))) {
            assertThat(f.info().coding().pixelFormat()).isEqualTo("rgb48be");
            assertThat(f.info().width()).isEqualTo(TinyShoot.WIDTH);
        }
    }

    @Test
    void aShotIsRenderedToAFileByItsEnding() throws Exception {
        Path out = home.resolve("clip.webm");
        assertThat(run("render", production, "--shot", "12", "--out", out, "--frames", "0-3", "--quiet").exit()).isZero();
        try (Footage f = Footages.open(out)) {
            assertThat(f.info().frames()).isEqualTo(4);
            assertThat(f.info().coding().codec()).isEqualTo("vp9");
        }
    }

    /// Every format there is, by its code: what is written has the coding that was asked for, and the window has words for it.
    @ParameterizedTest
    @CsvSource({"vp9, webm, vp9", "h264, mp4, h264", "prores, mov, prores", "ffv1, mkv, ffv1", "av1, mkv, av1", "mjpeg, avi, mjpeg",
            "png16, '', png", "png8, '', png", "exr, '', exr", "jpeg, '', mjpeg"})
    void aFormatIsChosenByItsCode(String code, String ending, String coding) throws Exception {
        Path out = home.resolve(ending.isEmpty() ? "stills-" + code : "film." + ending);
        Ran r = run("render", production, "--shot", "12", "--out", out, "--frames", "0-1", "--format", code, "--json", "--quiet");
        assertThat(r.exit()).as(r.err()).isZero();
        assertThat(r.json().path("format").asText()).isEqualTo(code);
        try (Footage f = Footages.open(out)) {
            assertThat(f.info().frames()).isEqualTo(2);
            assertThat(f.info().coding().codec()).isEqualTo(coding);
        }
        assertThat(Words.has("export." + code)).isTrue();
    }

    @ParameterizedTest
    @CsvSource({"av1, film.webm, .mkv", "jpeg, film.mkv, .jpg", "png8, still.png, one frame", "gif, film.gif, vp9", "vp9, folder, .webm"})
    void aFormatThatDoesNotFitIsOneSentence(String code, String name, String said) {
        Ran r = run("render", production, "--shot", "12", "--out", home.resolve(name), "--frames", "0-1", "--format", code, "--quiet");
        assertThat(r.exit()).isEqualTo(1);
        assertThat(r.err().strip().lines()).hasSize(1);
        assertThat(r.err()).contains(said);
    }

    @ParameterizedTest
    @CsvSource({"9-4", "0-96", "-3-4", "a-b", "7", "99999999999-99999999999"})
    void rangesThatCannotBeAreSaidWithTheFramesThereAre(String frames) {
        Ran r = run("render", production, "--shot", "12", "--out", home.resolve("none"), "--frames=" + frames, "--quiet");
        assertThat(r.exit()).isEqualTo(1);
        assertThat(r.err()).contains("95").doesNotContain("\tat ");
        assertThat(home.resolve("none")).doesNotExist();
    }

    @ParameterizedTest
    @ValueSource(strings = {"breakdown", "findings", "render"})
    void aFolderThatIsNoProductionIsOneSentence(String command) throws Exception {
        Path empty = Files.createDirectories(home.resolve("empty"));
        Ran r = command.equals("render") ? run(command, empty, "--shot", "12", "--out", home.resolve("x"))
                : run(command, empty, "--shot", "12");
        assertThat(r.exit()).isEqualTo(1);
        assertThat(r.err().strip().lines()).hasSize(1);
        assertThat(r.err()).contains("empty");
    }

    @ParameterizedTest
    @ValueSource(strings = {"findings", "render"})
    void amongSeveralShotsOneHasToBeSaid(String command) {
        Ran r = command.equals("render") ? run(command, production, "--out", home.resolve("y")) : run(command, production);
        assertThat(r.exit()).isEqualTo(1);
        assertThat(r.err()).contains("--shot");
        assertThat(r.out()).isEmpty();
    }

    @Test
    void foldersOfStillsAreKeyedAsTakes() throws Exception {
        Path stills = Files.createDirectories(home.resolve("lantern stills"));
        try (Footage f = Footages.open(production.resolve("footage/lantern-1.mp4"))) {
            for (int i = 0; i < 3; i++) {
                Stills.write(stills.resolve("l" + i + ".png"), f.frame(i), Stills.Format.PNG16);
            }
        }
        Path out = home.resolve("keyed");
        Ran r = run("key", stills, "--screen-plate", production.resolve("footage/screen-only.png"), "--out", out, "--json", "--quiet");
        assertThat(r.exit()).as(r.err()).isZero();
        assertThat(out.resolve("matte-000002.png")).exists();
        assertThat(out.resolve("element-000002.png")).exists();
        var matte = Stills.readMatte(out.resolve("matte-000001.png"));
        assertThat(matte.at((int) (0.616 * TinyShoot.WIDTH), (int) (0.36 * TinyShoot.HEIGHT))).isEqualTo(1);
        assertThat(matte.at(5, 5)).isZero();
        double sum = 0;
        for (float v : matte.data()) {
            sum += v;
        }
        // The ball is nine pixels in radius.
        assertThat(sum).isBetween(0.9 * Math.PI * 81, 1.1 * Math.PI * 81);
    }

    @Test
    void anElementMadeByKeyIsLaidOverABackgroundAsWritten() throws Exception {
        Path out = home.resolve("over");
        Ran r = run(
                "key", production.resolve("footage/lantern-1.mp4"), "--background", production.resolve("footage/card-ruler.png"), "--out",
                out, "--quiet");
        assertThat(r.exit()).as(r.err()).isZero();
        try (Footage comp = Footages.open(out.resolve("comp-000000.png"));
                Footage back = Footages.open(production.resolve("footage/card-ruler.png"))) {
            var c = comp.frame(0);
            var b = back.frame(0);
            assertThat(c.g().at(10, 80)).isCloseTo(b.g().at(10, 80), Offset.offset(0.01f));
            assertThat(c.r().at((int) (0.616 * TinyShoot.WIDTH), (int) (0.36 * TinyShoot.HEIGHT))).isBetween(0.6f, 0.8f);
        }
    }

    @Test
    void lockOfAFolderOfStillsAgainstAVideo() throws Exception {
        JsonNode o = run("lock", production.resolve("footage/clean-1.mp4"), production.resolve("footage/maker-1.mp4"), "--json", "--quiet")
                .json();
        assertThat(o.get("frames").asInt()).isEqualTo(TinyShoot.FRAMES);
        assertThat(Math.abs(o.at("/shift_px/x").asDouble())).isLessThan(0.1);
        assertThat(o.get("verdict").asText()).isNotBlank();
    }

    @Test
    void whatCannotBeWrittenToIsSaid() throws Exception {
        Path file = Files.writeString(home.resolve("in the way"), "x");
        Ran r = run("render", production, "--shot", "12", "--out", file.resolve("sub"), "--frames", "0-1", "--quiet");
        assertThat(r.exit()).isEqualTo(1);
        assertThat(r.err().strip().lines()).hasSize(1);
        assertThat(run("render", production, "--shot", "12", "--out", home.resolve("clip.xyz"), "--quiet").err()).contains(".webm");
    }

    @Test
    void anElementAndItsMatteAreRenderedByThemselves() throws Exception {
        Path element = home.resolve("element.exr");
        Ran r = run("render", production, "--shot", "12", "--of", "element:lantern", "--frames", "2-2", "--out", element, "--json",
                "--quiet");
        assertThat(r.exit()).as(r.err()).isZero();
        assertThat(r.json().get("of").asText()).isEqualTo("element:lantern");
        try (Footage f = Footages.open(element)) {
            assertThat(f.info().coding().alpha()).isTrue();
        }
        Ran none = run("render", production, "--shot", "12", "--of", "matte:nobody", "--out", home.resolve("m"));
        assertThat(none.exit()).isNotZero();
        assertThat(none.err()).contains("matte:lantern", "whole");
        assertThat(run("render", production, "--shot", "12", "--frames", "0-3", "--out", home.resolve("many.png")).err())
                .contains("a still is one frame");
    }

    @Test
    void theSoundIsToldAndRefusedInWords() throws Exception {
        Ran r = run("sound", production, "--shot", "12", "--of", "silent", "--level", "-6", "--json");
        assertThat(r.exit()).as(r.err()).isZero();
        assertThat(r.json().get("of").asText()).isEqualTo("silent");
        assertThat(r.json().get("level_db").asDouble()).isEqualTo(-6);
        assertThat(run("sound", production, "--shot", "12", "--of", "take:clean-1").err()).contains("there is no sound in it");
        assertThat(run("sound", production, "--shot", "12", "--of", "loud").err()).contains("as-filmed, silent, take:ID or file:PATH");
        assertThat(run("sound", production, "--shot", "12", "--fade-in", "-1").err()).contains("Fade in, in seconds, goes from 0");
        assertThat(run("sound", production, "--shot", "12", "--json").json().get("of").asText()).as("what was refused changed nothing")
                .isEqualTo("silent");
    }

    @Test
    void theSetIsToldByHand() throws Exception {
        Path own = home.resolve("own");
        assertThat(run("new", own, "--title", "Paper weather", "--size", "1280x720").exit()).isZero();
        assertThat(run("stage", own, "--json").json().get("staged").asBoolean()).isFalse();
        JsonNode o = run("stage", own, "--focal", "50", "--horizon", "40", "--known", "1.6", "--foot", "50,90", "--top", "50,40", "--json")
                .json();
        assertThat(o.get("view_deg").get("value").asDouble()).isCloseTo(39.6, Offset.offset(0.05));
        assertThat(o.get("lens_height_m").get("value").asDouble()).as("the horizon cuts off the lens height")
                .isCloseTo(1.6, Offset.offset(0.01));
        assertThat(o.get("tilt_deg").get("value").asDouble()).isLessThan(-1);
        assertThat(o.get("lens_height_m").get("origin").asText()).isEqualTo("follows from what is of known height");
        JsonNode longer = run("stage", own, "--view", "20", "--json").json();
        assertThat(longer.get("lens_height_m").get("value").asDouble()).as("what was shown still counts")
                .isCloseTo(1.6, Offset.offset(0.01));
        assertThat(run("stage", own, "--lens-height", "1.1", "--json").json().get("lens_height_m").get("origin").asText())
                .isEqualTo("entered");
        assertThat(run("stage", own, "--as-noted").err()).contains("notes no lens");
        assertThat(o.get("light_side_deg").get("origin").asText()).startsWith("assumed: ");
        assertThat(run("stage", own, "--known", "1.6").err()).contains("--foot X,Y");
        assertThat(run("stage", own, "--horizon", "high").err()).contains("in percent of the picture");
        assertThat(run("stage", own, "--known", "1.6", "--foot", "50,20", "--top", "50,10").err()).contains("below the horizon");
        assertThat(run("shots", own, "--collect", "--json").json().get("collected").asInt()).isZero();
    }

    @Test
    void aBrokenDownShotIsStagedProvedSuggestedDrawnAndRehearsed() throws Exception {
        Path own = home.resolve("staged");
        assertThat(run("new", own, "--title", "Paper weather").exit()).isZero();
        Ran laid = run("illusions", "--lay", "lantern-in-the-yard", "--into", own, "--shot", "1");
        assertThat(laid.exit()).as(laid.err()).isZero();
        JsonNode o = run("stage", own, "--json").json();
        assertThat(o.get("setups")).isNotEmpty();
        assertThat(o.get("camera").get("focal_mm").asDouble()).isPositive();
        JsonNode f = o.get("findings").get(0);
        for (String name : List.of("measure", "subject", "value", "unit", "limit", "verdict", "remedy", "assumed", "camera_group",
                "plate")) {
            assertThat(f.has(name)).as(name).isTrue();
        }
        String group = o.get("setups").get(0).get("camera_group").asText();
        assertThat(run("stage", own, "--match-lamps").out()).as("nobody said anything of the light yet")
                .contains("As soon as the shot has a light");
        assertThat(run("stage", own, "--camera", "Z").err()).contains("no such camera", group);
        JsonNode found = run("stage", own, "--camera", group, "--suggest", "--keep", "--json").json().get("suggestion").get(0);
        assertThat(found.get("set").get("pieces")).isNotEmpty();
        assertThat(run("stage", own, "--camera", group, "--json").json().get("setups").get(0).get("by_hand").asBoolean()).as("kept")
                .isTrue();
        assertThat(run("stage", own, "--drawing", home.resolve("set.svg"), "--gltf", home.resolve("set.glb"), "--feet").out())
                .contains("set.svg", "set.glb");
        assertThat(Files.readString(home.resolve("set.svg"))).contains("<svg", "\u2032");
        assertThat(run("stage", own, "--drawing", home.resolve("set.txt")).err()).contains(".svg, .pdf or .html");
        assertThat(run("stage", own, "--rehearse", "--width", "9").err()).contains("Width, in pixels, goes from 64 to 3840; 9 was given.");
        Ran filmed = run("stage", own, "--camera", group, "--rehearse", "--width", "64", "--seconds", "0.1", "--samples", "1", "--fault",
                "wrinkles,bump", "--json");
        assertThat(filmed.exit()).as(filmed.err()).isZero();
        JsonNode read = run("stage", own, "--camera", group, "--instruments", "--json").json().get("instruments").get(0);
        assertThat(read.get("tilt").get("unit").asText()).isEqualTo("\u00b0");
        assertThat(read.get("bodies")).allSatisfy(b -> {
            assertThat(b.get("from_lens").get("value").asDouble()).isPositive();
            assertThat(b.get("incident").get("deviation").asDouble()).isPositive();
        });
        JsonNode compared = run("stage", own, "--camera", group, "--compare", "--json").json().get("compared");
        assertThat(compared).isNotEmpty().allSatisfy(c -> {
            assertThat(c.get("faults")).extracting(JsonNode::asText).containsExactly("bump", "wrinkles");
            assertThat(c.get("measures")).isNotEmpty().allSatisfy(m -> assertThat(m.get("why").asText()).isNotBlank());
        });
        assertThat(filmed.json().get("rehearsed")).isNotEmpty().allSatisfy(r -> assertThat(Path.of(r.get("file").asText())).exists());
    }
}
