package org.scenothesis.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.scenothesis.cli.Ran.run;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.testkit.DriftingClip;
import org.scenothesis.testkit.RuledRoom;
import org.scenothesis.testkit.WalkedRoom;

/// The camera and the light of a picture from the command line.
class MatchCommandsTest {
    @TempDir
    Path home;

    private Path still;

    @BeforeEach
    void film() throws Exception {
        still = home.resolve("room.png");
        RuledRoom.write(still);
    }

    private static String px(Vec v) {
        Point p = RuledRoom.px(v);
        return String.format(Locale.ROOT, "[%.4f, %.4f]", p.x(), p.y());
    }

    private static String line(String direction, Vec a, Vec b) {
        return "{\"direction\": \"" + direction + "\", \"px\": [" + px(a) + ", " + px(b) + "]}";
    }

    private Path marks() throws Exception {
        String lines = String.join(", ", line("Z", new Vec(0.6, 0, 2.4), new Vec(0.6, 0, 5.4)),
                line("Z", new Vec(1.8, 0, 2.4), new Vec(1.8, 0, 5.4)), line("X", new Vec(-0.6, 0, 4.2), new Vec(2.4, 0, 4.2)),
                line("X", new Vec(0, 0, 3), new Vec(2.4, 0, 3)),
                line("Y", new Vec(-0.4, 0.5, 5.5), new Vec(-0.4, 1.9, 5.5)), line("Y", new Vec(1.9, 0.5, 5.5), new Vec(1.9, 1.9, 5.5)));
        return Files.writeString(home.resolve("marks.json"), "{\"lines\": [" + lines + "], \"lengths\": [{\"px\": ["
                + px(new Vec(0.6, 0, 3)) + ", " + px(new Vec(1.8, 0, 3)) + "], \"metres\": 1.2, \"stands\": \"ground\"}], \"ask\": ["
                + px(RuledRoom.FOOT) + ", [5, 2]], \"shadow\": [{\"base\": " + px(RuledRoom.FOOT) + ", \"top\": "
                + px(RuledRoom.FOOT.plus(Vec.UP.times(RuledRoom.POST_M))) + ", \"tip\": " + px(RuledRoom.tip()) + "}]}");
    }

    @Test
    void aPictureIsMeasuredFromItsMarks() throws Exception {
        JsonNode o = run("perspective", still, "--marks", marks(), "--json").json();
        assertThat(o.path("focal_px").asDouble()).isCloseTo(760, within(8.0));
        assertThat(o.path("tilt_deg").asDouble()).isCloseTo(-11, within(0.2));
        assertThat(o.path("roll_deg").asDouble()).isCloseTo(2, within(0.2));
        assertThat(o.path("heading_deg").asDouble()).isCloseTo(24, within(0.3));
        assertThat(o.path("lens_height_m").asDouble()).isCloseTo(RuledRoom.LENS_M, within(0.02));
        assertThat(o.path("horizon_px")).hasSize(4);
        double pan = Math.toRadians(24);
        JsonNode foot = o.path("ground_m").get(0);
        assertThat(foot.path("right").asDouble()).isCloseTo(RuledRoom.FOOT.x() * Math.cos(pan) - RuledRoom.FOOT.z() * Math.sin(pan),
                within(0.03));
        assertThat(foot.path("forward").asDouble()).isCloseTo(RuledRoom.FOOT.x() * Math.sin(pan) + RuledRoom.FOOT.z() * Math.cos(pan),
                within(0.05));
        assertThat(o.path("ground_m").get(1).isNull()).as("above the horizon").isTrue();
        assertThat(o.path("refused")).isEmpty();
        assertThat(o.has("lines")).isFalse();
        Ran said = run("perspective", still, "--marks", marks());
        assertThat(said.out()).contains("view across", "lens height", "m ahead");
    }

    @Test
    void withoutMarksEdgesAreProposedAndGiven() throws Exception {
        JsonNode o = run("perspective", still, "--json").json();
        assertThat(o.path("lines").size()).isGreaterThan(9);
        assertThat(o.path("focal_px").asDouble()).isCloseTo(760, within(25.0));
        assertThat(o.path("lens_height_m").isNull()).isTrue();
        assertThat(o.path("refused").get(0).path("why").asText()).contains("No length is known");
        assertThat(run("perspective", home.resolve("gone.png")).exit()).isNotZero();
        Path bad = Files.writeString(home.resolve("bad.json"), "{\"lines\": 3}");
        Ran refused = run("perspective", still, "--marks", bad);
        assertThat(refused.exit()).isNotZero();
        assertThat(refused.err()).contains("\"lines\" is a list");
    }

    @Test
    void twoPicturesAreComparedAndWhatBringsOneToTheOtherIsSaid() throws Exception {
        Path dim = home.resolve("dim.png");
        Picture p = RuledRoom.picture();
        for (Plane c : p.colours()) {
            for (int i = 0; i < c.data().length; i++) {
                c.data()[i] *= 0.5f;
            }
        }
        Stills.write(dim, p, Stills.Format.PNG8);
        JsonNode o = run("compare", still, dim, "--json").json();
        // Half the light is 0.735 of its code value, nearly at every level.
        for (int c = 0; c < 3; c++) {
            double mid = Math.pow(0.5 * o.path("slope").get(c).asDouble() + o.path("offset").get(c).asDouble(), o.path("power").get(c)
                    .asDouble());
            assertThat(mid).isCloseTo(Transfer.SRGB.toCode(0.5 * Transfer.SRGB.toLinear(0.5)), within(0.01));
        }
        assertThat(o.path("blur_ratio").asDouble()).isCloseTo(1, within(0.15));
        assertThat(o.path("noise")).hasSize(2);
        assertThat(o.path("findings").get(0).path("verdict").asText()).isEqualTo("holds");
        assertThat(run("compare", still, dim).out()).contains("slope", "grain", "contrast");
        Path area = Files.writeString(home.resolve("area.json"), "{\"area\": [[1, 1]]}");
        assertThat(run("compare", still, dim, "--area", area).err()).contains("three corners");
        String tile = "[[400, 480], [440, 480], [440, 500], [400, 500]]";
        Path pairs = Files.writeString(home.resolve("pairs.json"), "{\"pairs\": [{\"plate\": " + tile + ", \"other\": " + tile + "}]}");
        JsonNode one = run("compare", still, dim, "--area", pairs, "--json").json();
        assertThat(one.path("offset").get(1).asDouble()).as("one thing tells a slope only").isCloseTo(0, within(1e-3));
        assertThat(one.path("slope").get(1).asDouble()).isBetween(0.65, 0.8);
    }

    @Test
    void aClipIsMeasuredAsABackground() throws Exception {
        Path clip = home.resolve("street.mp4");
        DriftingClip.write(clip, 12);
        JsonNode o = run("background", clip, "--json", "--quiet").json();
        assertThat(o.path("camera").asText()).isIn("pan", "parallax");
        assertThat(o.path("move")).hasSize(12);
        assertThat(Math.abs(o.path("move").get(11).path("x").asDouble())).isCloseTo(11 * DriftingClip.STEP_X, within(1.0));
        assertThat(o.path("size").get(0).asInt()).isEqualTo(DriftingClip.WIDTH);
        JsonNode one = run("background", still, "--json", "--quiet").json();
        assertThat(one.path("camera").asText()).isEqualTo("still");
        assertThat(one.path("flicker_stops").isNull()).as("one frame cannot flicker").isTrue();
        assertThat(run("background", clip, "--quiet").out()).contains("own motion", "256");
    }

    @Test
    void theLightFollowsFromAShadow() throws Exception {
        JsonNode o = run("light", still, "--marks", marks(), "--json").json();
        double side = Math.IEEEremainder(Math.toDegrees(Math.atan2(RuledRoom.TO_LIGHT.x(), RuledRoom.TO_LIGHT.z())) - 24, 360);
        assertThat(o.path("has_key").asBoolean()).isTrue();
        assertThat(o.path("azimuth_deg").asDouble()).isCloseTo(side, within(1.0));
        assertThat(o.path("elevation_deg").asDouble()).isCloseTo(Math.toDegrees(Math.asin(RuledRoom.TO_LIGHT.y())), within(1.0));
        assertThat(o.path("sources").get(0).path("share").asDouble()).isEqualTo(1);
        JsonNode none = run("light", still, "--json").json();
        assertThat(none.path("has_key").asBoolean()).isFalse();
        assertThat(none.path("azimuth_deg").isNull()).isTrue();
        assertThat(run("light", still, "--marks", marks()).out()).contains("key to fill", "high");
    }

    private static CameraPose pose(double x, double pan) {
        return new CameraPose(new Vec(x, 1.5, 0), pan, -10, 0, 420, 480, 270);
    }

    /// A camera that goes 0.9 m to the right and looks back: told with a horizon and its lens height it is measured in metres.
    @Test
    void theCameraOfATakeIsSolvedAndWrittenForOtherPrograms() throws Exception {
        Path walk = home.resolve("walk.mp4");
        List<CameraPose> poses = IntStream.range(0, 19).mapToObj(i -> pose(0.05 * i, -0.6 * i)).toList();
        try (Bands bands = Bands.allCores()) {
            new WalkedRoom(5, 6).write(walk, poses, bands);
        }
        double horizon = 135 - 420 * Math.tan(Math.toRadians(10));
        Path marks = Files.writeString(home.resolve("walk.json"),
                String.format(Locale.ROOT, "{\"focal_px\": 420, \"horizon\": [0, %.3f, 480, %.3f], \"lens_height_m\": 1.5}", horizon,
                horizon));
        Path glb = home.resolve("camera.glb");
        JsonNode o = run("solve", walk, "--marks", marks, "--gltf", glb, "--json", "--quiet").json();
        assertThat(o.path("camera").asText()).isEqualTo("travels");
        assertThat(o.path("focal_px").asDouble()).isEqualTo(420);
        assertThat(o.path("frames")).hasSize(19);
        assertThat(o.path("points").size()).isGreaterThan(100);
        assertThat(o.path("residual_px").asDouble()).isLessThan(0.5);
        assertThat(o.path("level").asBoolean()).isTrue();
        assertThat(o.path("scale_known").asBoolean()).as("%s", o.path("refused")).isTrue();
        JsonNode last = o.path("frames").get(18);
        assertThat(last.path("position").get(0).asDouble()).isCloseTo(0.9, within(0.05));
        assertThat(last.path("position").get(1).asDouble()).isCloseTo(1.5, within(0.05));
        // Rows right, down, ahead: it looks back by 10.8 degrees.
        assertThat(last.path("rotation").get(2).get(0).asDouble())
                .isCloseTo(-Math.sin(Math.toRadians(10.8)) * Math.cos(Math.toRadians(10)), within(0.01));
        assertThat(o.path("path_length").asDouble()).isCloseTo(0.9, within(0.05));
        assertThat(Files.readAllBytes(glb)).startsWith('g', 'l', 'T', 'F');
        assertThat(run("solve", walk, "--quiet").out()).contains("travels", "its length is not known", "mark a known length");
        assertThat(run("solve", still, "--quiet").out()).contains("give a take");
        assertThat(run("solve", walk, "--gltf", home.resolve("camera.obj"), "--quiet").err()).contains(".glb or .gltf");
    }

    @Test
    void severalBackgroundsAreRanked() throws Exception {
        Path pan = home.resolve("pan.mp4");
        try (Bands bands = Bands.allCores()) {
            new WalkedRoom(5, 6).write(pan, IntStream.range(0, 14).mapToObj(i -> pose(0, 0.4 * i)).toList(), bands);
        }
        JsonNode o = run("background", pan, still, "--size", "960x540", "--json", "--quiet").json();
        assertThat(o.path("ranked").get(0).path("footage").asText()).as("a still moves least and fills the picture")
                .isEqualTo(still.toString());
        JsonNode second = o.path("ranked").get(1);
        assertThat(second.path("camera").asText()).isEqualTo("pan");
        assertThat(second.path("verdict").asText()).isEqualTo("redo");
        assertThat(second.path("findings").findValuesAsText("meaning")).anySatisfy(m -> assertThat(m).contains("enlarged 2.00 times"));
        assertThat(run("background", pan, "--permitted", "--quiet").out()).contains("leave to use it is written down");
        JsonNode asked = run("background", pan, "--room", "30,20,25,60", "--json", "--quiet").json();
        assertThat(asked.path("findings").findValuesAsText("question")).contains("room");
        assertThat(run("background", pan, "--room", "30,20,25,60", "--quiet").out()).contains("of where the element goes moves by itself");
        assertThat(run("background", pan, "--room", "30,20", "--quiet").err()).contains("--room is left, top, width and height");
        assertThat(run("background", pan, "--size", "large", "--quiet").err()).contains("--size is two whole numbers");
    }

    /// The room's own tiles, 0.6 m each: from them alone its camera follows, and a tape and a staff measure in it.
    @Test
    void aFieldOfTilesIsEnoughToMeasureWith() throws Exception {
        String field = "[" + String.join(", ", px(new Vec(0, 0, 2.4)), px(new Vec(2.4, 0, 2.4)), px(new Vec(2.4, 0, 4.8)),
                px(new Vec(0, 0, 4.8))) + "]";
        String post = "[" + px(RuledRoom.FOOT) + ", " + px(RuledRoom.FOOT.plus(Vec.UP.times(RuledRoom.POST_M))) + "]";
        String tape = "\"tape\": [{\"px\": " + post + ", \"stands\": \"upright\"}, {\"px\": [" + px(new Vec(0, 0, 3)) + ", "
                + px(new Vec(1.5, 0, 5)) + "]}, {\"px\": [[4, 4], [90, 9]]}]";
        Path known = Files.writeString(home.resolve("tiles.json"), "{\"tiles\": [{\"px\": " + field
                + ", \"across\": 4, \"away\": 4, \"metres\": 0.6}], " + tape + "}");
        JsonNode o = run("perspective", still, "--marks", known, "--json").json();
        assertThat(o.path("focal_px").asDouble()).isCloseTo(760, within(2.0));
        assertThat(o.path("lens_height_m").asDouble()).isCloseTo(RuledRoom.LENS_M, within(0.01));
        assertThat(o.path("tape_m").get(0).path("metres").asDouble()).isCloseTo(RuledRoom.POST_M, within(0.01));
        assertThat(o.path("tape_m").get(0).path("std").asDouble()).isBetween(0.002, 0.2);
        assertThat(o.path("tape_m").get(1).path("metres").asDouble()).isCloseTo(2.5, within(0.02));
        assertThat(o.path("tape_m").get(2).isNull()).as("in the sky").isTrue();
        assertThat(run("perspective", still, "--marks", known).out())
                .contains("staff         1.00 m \u00b1", "tape          2.50 m \u00b1", "no measure yet");
        Path shape = Files.writeString(home.resolve("shape.json"), "{\"tiles\": [{\"px\": " + field + ", \"across\": 4, \"away\": 4}], "
                + tape + "}");
        JsonNode unknown = run("perspective", still, "--marks", shape, "--json").json();
        assertThat(unknown.path("focal_px").asDouble()).isCloseTo(760, within(2.0));
        assertThat(unknown.path("lens_height_m").isNull()).isTrue();
        assertThat(unknown.path("tape_m").get(0).isNull()).as("nobody said how large a tile is").isTrue();
        Path bad = Files.writeString(home.resolve("half.json"), "{\"tiles\": [{\"px\": " + field + ", \"across\": 1.5, \"away\": 4}]}");
        assertThat(run("perspective", still, "--marks", bad).err()).contains("number 1 of \"tiles\"", "whole number");
    }

    @Test
    void whatIsRoundAndWhatShinesIsReadAsWell() throws Exception {
        String camera = "\"camera\": {\"focal_px\": 760, \"tilt_deg\": -11, \"roll_deg\": 2}";
        Path round = Files.writeString(home.resolve("round.json"), "{" + camera
                + ", \"round\": [{\"px\": [[480, 300], [520, 300]], \"shape\": \"ball\"}], \"lamps\": [[700, 100], [60, 80]]}");
        JsonNode o = run("light", still, "--marks", round, "--json").json();
        assertThat(o.path("has_key").asBoolean()).as("tiles are no ball").isFalse();
        assertThat(o.path("refused").get(0).path("why").asText()).contains("matt");
        assertThat(o.path("rims")).hasSize(2);
        assertThat(o.path("rims").get(0).path("azimuth_deg").asDouble()).isPositive();
        assertThat(o.path("rims").get(1).path("azimuth_deg").asDouble()).isNegative();
        assertThat(run("light", still, "--marks", round).out()).contains("rim           ", "left");
        Path bad = Files.writeString(home.resolve("egg.json"), "{" + camera
                + ", \"round\": [{\"px\": [[480, 300], [520, 300]], \"shape\": \"egg\"}]}");
        assertThat(run("light", still, "--marks", bad).err()).contains("a round thing is a \"ball\"");
    }
}
