package org.scenothesis.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.scenothesis.cli.Ran.run;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Resample;
import org.scenothesis.core.rehearsal.Sensor;
import org.scenothesis.core.rehearsal.trace.Rgb;
import org.scenothesis.demo.LanternWorks;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.media.encode.VideoSink;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.testkit.KeyCase;
import org.scenothesis.testkit.LockCase;

class MainTest {
    @TempDir
    static Path folder;

    private static Path reference;
    private static Path take;
    private static Path keyTake;
    private static Path screen;

    @BeforeAll
    static void film() throws Exception {
        try (Bands bands = Bands.allCores()) {
            Picture light = LockCase.twenty().getFirst().light(false, 320, bands);
            Sensor camera = new Sensor(Rgb.grey(1), 4e-5, 8e-4, 2);
            reference = folder.resolve("reference plate.png");
            Stills.write(reference, camera.record(light, 99, bands), Stills.Format.PNG8);
            take = folder.resolve("take.mp4");
            try (VideoSink s = new VideoSink(take, new VideoSink.Plan(320, 180, 24, VideoFormat.H264_MP4, 9, null))) {
                for (int i = 0; i < 16; i++) {
                    Picture p = i < 9 ? light : Resample.warp(light, PlanarMap.shift(-1.5, 0), bands);
                    s.write(camera.exposed(0.1).record(p, i, bands));
                }
            }
            KeyCase.Shots shots = KeyCase.FLAT.film(256, bands);
            keyTake = folder.resolve("key.png");
            screen = folder.resolve("screen.png");
            Stills.write(keyTake, shots.take(), Stills.Format.PNG8);
            Stills.write(screen, shots.screenOnly(), Stills.Format.PNG8);
        }
        ProductionFolder.create(folder.resolve("production"), LanternWorks.production()).close();
    }

    @Test
    void lockPrintsEverythingItPromises() throws Exception {
        Ran r = run("lock", reference, take, "--json", "--quiet");
        assertThat(r.exit()).isZero();
        JsonNode o = r.json();
        assertThat(o.get("frames").intValue()).isEqualTo(16);
        assertThat(o.at("/shift_px/x").doubleValue()).isBetween(1.4, 1.6);
        assertThat(o.get("bump_frame").intValue()).isEqualTo(9);
        assertThat(o.get("exposure_stops").doubleValue()).isBetween(0.08, 0.12);
        assertThat(o.get("corner_shift_px")).hasSize(4);
        assertThat(o.get("series")).hasSize(16);
        assertThat(o.at("/series/3/frame").intValue()).isEqualTo(3);
        for (String field : new String[] {"used_share", "roll_deg", "zoom_percent", "residual_px", "white_balance_mired", "verdict"}) {
            assertThat(o.has(field)).as(field).isTrue();
        }
        assertThat(o.at("/gain/g").doubleValue()).isBetween(1.05, 1.1);
        assertThat(o.get("findings")).isNotEmpty();
    }

    @Test
    void lockedStillsHaveNoBump() throws Exception {
        JsonNode o = run("lock", reference, reference, "--json").json();
        assertThat(o.get("bump_frame").isNull()).isTrue();
        assertThat(o.get("verdict").asText()).isEqualTo("holds");
    }

    @Test
    void lockSaysItInWordsToo() {
        Ran r = run("lock", reference, take, "--quiet");
        assertThat(r.out()).contains("16 frames").contains("Bump").contains("frame 9");
        assertThat(r.err()).isEmpty();
    }

    @Test
    void keyWritesMattesElementsAndTheirMeasures() throws Exception {
        Path out = folder.resolve("keyed");
        Ran r = run("key", keyTake, "--screen-plate", screen, "--background", screen, "--shadow", "--out", out, "--json", "--quiet");
        assertThat(r.exit()).isZero();
        assertThat(out).isDirectoryContaining("glob:**matte-000000.png").isDirectoryContaining("glob:**element-000000.png")
                .isDirectoryContaining("glob:**comp-000000.png").isDirectoryContaining("glob:**shadow-000000.png");
        JsonNode o = r.json();
        assertThat(o.get("screen_model").asText()).isEqualTo("screen_plate");
        assertThat(o.at("/measures/grey_outside_percent").doubleValue()).isLessThan(1);
        assertThat(o.at("/measures/solid_percent").doubleValue()).isBetween(5.0, 60.0);
        assertThat(o.get("frames_looked_at").intValue()).as("every one").isEqualTo(o.get("frames").intValue());
        assertThat(o.get("frames_need_hand").intValue()).isEqualTo(o.get("need_hand").size());
        JsonNode clean = run("key", keyTake, "--screen-plate", screen, "--edge", "clean", "--out", out, "--json", "--quiet").json();
        assertThat(seeThrough(clean)).as("nothing may be see-through").isLessThan(seeThrough(o));
    }

    private static double seeThrough(JsonNode key) {
        for (JsonNode f : key.get("findings")) {
            if (f.get("measure").asText().equals("see_through")) {
                return f.get("limit").doubleValue();
            }
        }
        throw new AssertionError(key);
    }

    /// A grey card held before the cloth tells how much of the cloth's light is on it; what is no neutral says why.
    @Test
    void aNeutralSetsDespill() throws Exception {
        Picture card = Footages.open(screen).frame(0).withAlpha(null);
        for (int y = 40; y < 100; y++) {
            for (int x = 90; x < 170; x++) {
                for (int c = 0; c < 3; c++) {
                    card.colours().get(c).data()[y * card.width() + x] = c == 1 ? 0.33f : 0.3f;
                }
            }
        }
        Path held = folder.resolve("card.png");
        Stills.write(held, card, Stills.Format.PNG16);
        String[] key = {"key", keyTake.toString(), "--screen-plate", screen.toString(), "--card", held.toString(), "--out",
            folder.resolve("n").toString(), "--json", "--quiet", "--neutral"};
        JsonNode o = run((Object[]) plus(key, "130,70")).json();
        assertThat(o.at("/neutral/lean_percent").doubleValue()).isCloseTo(10, Offset.offset(1.0));
        assertThat(o.at("/neutral/despill").doubleValue()).isBetween(0.5, 4.0);
        assertThat(run((Object[]) plus(key, "10,10")).err()).contains("10,10").contains("not on a solid part");
        assertThat(run((Object[]) plus(key, "ten")).err()).contains("X,Y").contains("ten");
    }

    private static String[] plus(String[] all, String one) {
        String[] out = Arrays.copyOf(all, all.length + 1);
        out[all.length] = one;
        return out;
    }

    @Test
    void garbageOutlinesAreRead() throws Exception {
        Path outline = Files.writeString(folder.resolve("outline.json"), "[[0,0],[128,0],[128,144],[0,144]]");
        Path out = folder.resolve("half");
        assertThat(run("key", keyTake, "--garbage", outline, "--out", out, "--json", "--quiet").exit()).isZero();
        assertThat(Stills.readMatte(out.resolve("matte-000000.png")).at(200, 100)).isZero();
        for (String broken : new String[] {"{", "[[0,0],[1]]", "[[0,0],[1,1]]", "[\"a\"]"}) {
            Path p = Files.writeString(folder.resolve("broken.json"), broken);
            Ran r = run("key", keyTake, "--garbage", p, "--out", out);
            assertThat(r.exit()).isEqualTo(1);
            assertThat(r.err()).contains("broken.json").doesNotContain("Exception");
        }
    }

    @Test
    void aTakeWithoutAScreenIsSaid() {
        Ran r = run("key", reference, "--out", folder.resolve("none"));
        assertThat(r.exit()).isEqualTo(1);
        assertThat(r.err()).contains("no green or blue screen");
    }

    @Test
    void settingsOutOfBoundsAreSaid() {
        Ran r = run("key", keyTake, "--out", folder.resolve("x"), "--despill", "5");
        assertThat(r.exit()).isEqualTo(1);
        assertThat(r.err()).contains("despill");
    }

    @Test
    void breakdownTellsPlatesReasonsAndOrder() throws Exception {
        JsonNode o = run("breakdown", folder.resolve("production"), "--shot", "12", "--json").json();
        assertThat(o.get("plates")).hasSize(6);
        assertThat(o.at("/plates/0/role").asText()).isEqualTo("clean");
        assertThat(o.at("/plates/0/why").asText()).isNotBlank();
        assertThat(o.at("/cautions/0/words").asText()).contains("Local codes");
        assertThat(o.get("order").size()).isGreaterThan(6);
        assertThat(o.get("minutes").asDouble()).isGreaterThan(30);
        assertThat(run("breakdown", folder.resolve("production"), "--shot", "12").out()).contains("If you skip it");
    }

    @Test
    void infoSaysHowAFileIsUnderstood() throws Exception {
        JsonNode o = run("info", take, "--json").json();
        assertThat(o.get("codec").asText()).isEqualTo("h264");
        assertThat(o.get("frames").intValue()).isEqualTo(16);
        assertThat(o.get("transfer").asText()).isEqualTo("srgb");
        assertThat(run("info", take).out()).contains("320x180");
    }

    @Test
    void unknownShotsAndRangesAreSaid() {
        assertThat(run("breakdown", folder.resolve("production"), "--shot", "99").err()).contains("99").contains("12, 13, 14");
        assertThat(run("render", folder.resolve("production"), "--shot", "99", "--out", folder.resolve("r")).exit()).isEqualTo(1);
        assertThat(run("findings", folder.resolve("production")).err()).contains("which shot?").contains("12, 13, 14");
    }

    @ParameterizedTest
    @ValueSource(strings = {"lock", "key", "info", "breakdown", "render", "rehearse", "findings", "shotlist", "sun"})
    void missingArgumentsAreWrongUsage(String command) {
        Ran r = run(command);
        assertThat(r.exit()).isEqualTo(2);
        assertThat(r.err()).contains("Missing");
    }

    @Test
    void unknownWordsAreWrongUsageAndNothingAtAllShowsTheHelp() {
        assertThat(run("dance").exit()).isEqualTo(2);
        Ran r = run();
        assertThat(r.exit()).isEqualTo(2);
        assertThat(r.err()).contains("lock").contains("render");
        assertThat(run("--help").exit()).isZero();
    }

    @Test
    void brokenInputsAreOneSentenceWithoutATrace() throws Exception {
        Path text = Files.writeString(folder.resolve("renamed.mp4"), "hello");
        Path empty = Files.write(folder.resolve("empty.png"), new byte[0]);
        Path none = folder.resolve("none.mp4");
        for (Path p : new Path[] {text, empty, none}) {
            for (Ran r : new Ran[] {run("lock", reference, p, "--json"), run("lock", p, take), run("key", p, "--out", folder.resolve("o")),
                    run("info", p)}) {
                assertThat(r.exit()).isEqualTo(1);
                assertThat(r.err().strip().lines().filter(l -> !l.contains("%")).toList()).hasSize(1);
                assertThat(r.err()).contains(p.getFileName().toString()).doesNotContain("\tat ");
                assertThat(r.out()).isEmpty();
            }
        }
        assertThat(run("breakdown", folder.resolve("nowhere"), "--shot", "1").err()).contains("production.json");
    }

    @Test
    void rehearsingRefusesWhatItCannotFilm() {
        assertThat(run("rehearse", "--out", folder.resolve("reh"), "--width", "3").exit()).isEqualTo(1);
        assertThat(run("rehearse", "--out", folder.resolve("reh2"), "--width", "64", "--samples", "1", "--moving-samples", "4", "--only",
                "nobody").err()).contains("nobody");
    }

    @Test
    void aSmallRehearsalIsFilmed() throws Exception {
        Path to = folder.resolve("rehearsal");
        JsonNode o = run("rehearse", "--out", to, "--width", "96", "--samples", "1", "--moving-samples", "4", "--only", "card-ruler",
                "--json", "--quiet").json();
        assertThat(o.get("files")).hasSize(1);
        assertThat(to.resolve("production.json")).exists();
    }
}
