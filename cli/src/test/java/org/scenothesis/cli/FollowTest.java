package org.scenothesis.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.scenothesis.cli.Ran.run;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.testkit.DriftingClip;
import org.scenothesis.testkit.KeyCase;

/// Following from the command line, in a file by itself and in a shot, and the steps that hands do.
class FollowTest {
    private static final int FRAMES = 14;

    @TempDir
    Path home;

    private Path clip;

    @BeforeEach
    void film() throws Exception {
        clip = Files.createDirectories(home.resolve("card")).resolve("street.mp4");
        DriftingClip.write(clip, FRAMES);
    }

    private static void onItsWay(JsonNode at, int frame, double x, double y) {
        assertThat(at.path("frame").asInt()).isEqualTo(frame);
        assertThat(at.path("found").asBoolean()).isTrue();
        assertThat(at.path("x").asDouble()).isCloseTo(x, within(0.15));
        assertThat(at.path("y").asDouble()).isCloseTo(y, within(0.15));
        assertThat(at.path("scale").asDouble()).isCloseTo(1, within(0.01));
        assertThat(at.path("turn_deg").asDouble()).isCloseTo(0, within(1.2));
        assertThat(at.path("confidence").asDouble()).isBetween(0.8, 1.0);
    }

    @Test
    void aPointIsFollowedForwardsAndBackwards() throws Exception {
        JsonNode on = run("track", clip.toString(), "--point", "100.5,70", "--json").json().path("series");
        assertThat(on).hasSize(FRAMES);
        for (int i = 0; i < FRAMES; i++) {
            onItsWay(on.get(i), i, 100.5 + DriftingClip.STEP_X * i, 70 + DriftingClip.STEP_Y * i);
        }
        JsonNode back = run("track", clip.toString(), "--point", "130,75", "--from", "9", "--to", "4", "--json").json().path("series");
        assertThat(back).hasSize(6);
        onItsWay(back.get(5), 4, 130 - 5 * DriftingClip.STEP_X, 75 - 5 * DriftingClip.STEP_Y);
    }

    @Test
    void fourCornersAreFollowed() throws Exception {
        JsonNode on = run("track", clip.toString(), "--corners", "60,40", "140,44", "138,100", "62,98", "--from", "2", "--to", "8",
                "--json").json().path("series");
        assertThat(on).hasSize(7);
        JsonNode last = on.get(6);
        assertThat(last.path("corners").get(2).path("x").asDouble()).isCloseTo(138 + 6 * DriftingClip.STEP_X, within(0.2));
        assertThat(last.path("corners").get(2).path("y").asDouble()).isCloseTo(100 + 6 * DriftingClip.STEP_Y, within(0.2));
        assertThat(on.get(0).path("confidence").asDouble()).isEqualTo(1);
    }

    @Test
    void nonsenseIsSaid() throws Exception {
        String file = clip.toString();
        assertThat(run("track", file).err()).contains("--point X,Y");
        assertThat(run("track", file, "--point", "here").err()).contains("320.5,180");
        assertThat(run("track", file, "--point", "900,20").err()).contains("outside its picture of 256x144");
        assertThat(run("track", file, "--point", "90,20", "--to", "99").err()).contains("frames 0 to 13");
        assertThat(run("track", file, "--corners", "10,10", "20,20", "30,30", "40,40").err()).contains("street.mp4", "go round one way");
        assertThat(run("track", file, "--corners", "-900,-900", "-800,-900", "-800,-800", "-900,-800").err())
                .contains("street.mp4", "at least a few pixels");
        assertThat(run("track", home.resolve("gone.mp4").toString(), "--point", "9,9").err()).contains("gone.mp4");
    }

    @Test
    void aLayerGoesAlongAndHandsStepsAreSet() throws Exception {
        String there = home.resolve("p").toString();
        try (Bands bands = Bands.allCores()) {
            Stills.write(clip.resolveSibling("ball.png"), KeyCase.FLAT.film(256, bands).take(), Stills.Format.PNG8);
        }
        run("new", there);
        run("bring", there, clip.getParent().toString());
        run("layers", there, "--lay", "street", "--lay", "ball", "--lay-whole");
        JsonNode tracks = run("tracks", there, "--follow", "street", "--points", "40,50", "--at", "0.2", "--layer", "ball", "--name",
                "the mark", "--json").json();
        assertThat(tracks.path("tracks").get(0).path("spots").asInt()).as("in both directions").isEqualTo(FRAMES);
        JsonNode l = run(
                "layers", there, "--layer", "ball", "--add", "join", "--points", "join=40,50;60,50;30,60;50,60", "--choose", "keeps=below",
                "--add", "outline", "--choose", "sides=curved", "--choose", "hung=track-1",
                "--source", "lightest", "--json").json().path("layers").get(1);
        assertThat(l.path("steps").toString()).contains("\"keeps\":\"below\"", "\"sides\":\"curved\"", "\"hung\":\"track-1\"",
                "\"follows\":\"track-1\"", "\"join-onto-left-across\":30.0");
        assertThat(run("layers", there, "--layer", "whole", "--jolt", "0.3", "--add", "letterbox", "--set", "letterbox-ratio=2").exit())
                .isZero();
        assertThat(run("tracks", there, "--mend", "track-1", "--at", "0.4", "--points", "41,51", "--json").json().path("tracks").get(0)
                .path("spots").asInt()).isEqualTo(FRAMES);
        assertThat(run("render", there, "--frames", "3-3", "--out", home.resolve("out").toString(), "--quiet").exit()).isZero();
        assertThat(run("layers", there, "--layer", "ball", "--points", "join=40,50;40,50;30,60;50,60").err()).contains("fall together");
        assertThat(run("layers", there, "--layer", "ball", "--choose", "keeps=left").err()).contains("above, below, whole");
        assertThat(run("layers", there, "--layer", "ball", "--source", "below").err()).contains("plate, lightest");
        assertThat(run("tracks", there, "--follow", "ball", "--points", "40,50").err()).contains("it is a still");
        assertThat(run("tracks", there, "--away", "track-1", "--json").json().path("tracks")).isEmpty();
        assertThat(run("layers", there, "--json").json().toString()).doesNotContain("track-1");
    }
}
