package org.scenothesis.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.scenothesis.cli.Ran.run;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.media.Footage;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.testkit.KeyCase;

/// From nothing to a rendered frame without a window.
class BeginTest {
    @TempDir
    Path home;

    @Test
    void aProductionIsBegunFilledLaidAndRendered() throws Exception {
        Path there = home.resolve("paper weather");
        JsonNode begun = run("new", there.toString(), "--title", "Paper weather", "--size", "320x180", "--rate", "25", "--json").json();
        assertThat(begun.path("title").asText()).isEqualTo("Paper weather");
        Path card = Files.createDirectories(home.resolve("card"));
        Stills.write(card.resolve("street.png"), Picture.filled(160, 90, 0.2f, 0.1f, 0.1f), Stills.Format.PNG8);
        try (Bands bands = Bands.allCores()) {
            Stills.write(card.resolve("ball.png"), KeyCase.FLAT.film(160, bands).take(), Stills.Format.PNG8);
        }
        JsonNode told = run("bring", there.toString(), card.toString(), "--only-propose", "--json").json();
        assertThat(told.path("taken")).hasSize(2);
        assertThat(there.resolve("footage/street.png")).doesNotExist();
        JsonNode in = run("bring", there.toString(), card.toString(), "--json").json();
        assertThat(in.path("taken").get(0).path("role").asText()).isEqualTo("element");
        assertThat(in.path("taken").get(1).path("role").asText()).isEqualTo("clean");
        assertThat(run("layers", there.toString(), "--lay", "street", "--lay", "ball").exit()).isZero();
        JsonNode put = run("layers", there.toString(), "--layer", "ball", "--add", "put", "--set", "across=10", "--set", "put-size=0.5", "--json").json();
        assertThat(put.path("layers").get(1).path("steps").get(1).path("numbers").path("across").asDouble()).isEqualTo(10);
        Path out = home.resolve("frames");
        assertThat(run("render", there.toString(), "--frames", "0-0", "--out", out.toString(), "--quiet").exit()).isZero();
        try (Footage f = Footages.open(out.resolve("frame-000000.png"))) {
            assertThat(f.info().width()).as("as told, not as filmed").isEqualTo(320);
            assertThat(f.frame(0).r().at(4, 4)).isBetween(0.18f, 0.22f);
        }
    }

    @Test
    void theSameIsNotBegunTwiceAndNonsenseIsSaid() throws Exception {
        Path there = home.resolve("one");
        assertThat(run("new", there.toString()).exit()).isZero();
        assertThat(run("new", there.toString()).err()).contains("already");
        assertThat(run("new", home.resolve("two").toString(), "--size", "big").err()).contains("1920x1080");
        assertThat(run("new", home.resolve("two").toString(), "--size", "4x4").err()).contains("16");
        assertThat(home.resolve("two")).doesNotExist();
        assertThat(run("bring", there.toString(), home.resolve("gone.mp4").toString()).out()).contains("no such file");
        assertThat(run("bring", there.toString(), home.toString()).err()).contains("no clips or stills");
        assertThat(run("layers", there.toString(), "--lay", "ball").err()).contains("no plate ball");
        assertThat(run("layers", there.toString(), "--layer", "x", "--away").err()).contains("no layer x");
    }
}
