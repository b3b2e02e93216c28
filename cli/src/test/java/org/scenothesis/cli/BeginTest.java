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
import org.scenothesis.production.store.ProductionFolder;
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
        JsonNode put = run("layers", there.toString(), "--layer", "ball", "--add", "frame-place", "--set", "across=10", "--set",
                "put-size=0.5", "--json").json();
        assertThat(put.path("layers").get(1).path("steps").get(1).path("numbers").path("across").asDouble()).isEqualTo(10);
        JsonNode shaded = run("layers", there.toString(), "--lay-shadow", "ball", "--json").json();
        assertThat(shaded.path("layers").get(1).path("source").asText()).as("under its element").isEqualTo("kept-light");
        assertThat(run("layers", there.toString(), "--lay-shadow", "street").err()).contains("street").contains("cloth: ball");
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

    @Test
    void takesWaitInTheTrayUntilTheyAreGivenToAPlate() throws Exception {
        String there = home.resolve("tray").toString();
        run("new", there);
        Path card = Files.createDirectories(home.resolve("mixed"));
        Stills.write(card.resolve("a.png"), Picture.filled(64, 36, 0.2f, 0.1f, 0.1f), Stills.Format.PNG8);
        Stills.write(card.resolve("b.png"), Picture.filled(64, 36, 0.6f, 0.6f, 0.5f), Stills.Format.PNG8);
        JsonNode in = run("bring", there, card.toString(), "--json").json().path("taken").get(1);
        assertThat(in.path("plate").asText()).isEqualTo("tray");
        assertThat(in.path("why").asText()).isEqualTo("unknown");
        JsonNode tray = run("findings", there, "--json").json();
        assertThat(tray.toString()).contains("unsorted");
        String take;
        try (ProductionFolder f = ProductionFolder.open(Path.of(there), false)) {
            take = f.production().shots().getFirst().plate("tray").orElseThrow().takes().getFirst().id();
        }
        assertThat(run("take", there, "--take", take, "--to", "gone").err()).contains("no plate gone");
        assertThat(run("take", there, "--take", take, "--as", "UNSORTED").err()).contains("no plate");
        assertThat(run("take", there, "--take", take, "--as", "BACKGROUND", "--json").json().path("plate").asText()).isEqualTo("b");
        assertThat(run("take", there, "--take", take, "--to", "a", "--json").json().path("plate").asText()).isEqualTo("a");
    }

    @Test
    void shotsAreAddedNamedMovedAndTakenAway() throws Exception {
        String there = home.resolve("shots").toString();
        run("new", there);
        assertThat(run("shots", there, "--add", "--json").json().path("shots")).hasSize(2);
        run("shots", there, "--shot", "2", "--title", "The swap", "--seconds", "3.5", "--later", "-1");
        JsonNode first = run("shots", there, "--json").json().path("shots").get(0);
        assertThat(first.path("title").asText()).isEqualTo("The swap");
        assertThat(first.path("seconds").asDouble()).isEqualTo(3.5);
        assertThat(run("shots", there, "--shot", "2", "--copy", "--json").json().path("shots").get(1).path("title").asText())
                .isEqualTo("The swap again");
        assertThat(run("shots", there, "--shot", "2", "--away", "--json").json().path("shots")).hasSize(2);
        assertThat(run("shots", there, "--shot", "9").err()).contains("no shot 9");
    }

    @Test
    void layersBeginEndAndComeLater() throws Exception {
        Path there = home.resolve("time");
        run("new", there.toString());
        Path still = home.resolve("street.png");
        Stills.write(still, Picture.filled(64, 36, 0.2f, 0.1f, 0.1f), Stills.Format.PNG8);
        run("bring", there.toString(), still.toString());
        run("layers", there.toString(), "--lay", "street", "--lay", "street");
        run("layers", there.toString(), "--layer", "street-2", "--begins", "1", "--ends", "2", "--later", "0.5", "--blend", "add");
        for (double[] at : new double[][] {{1.4, 0}, {1.6, 1}, {2.4, 1}, {2.6, 0}}) {
            JsonNode layer = run("layers", there.toString(), "--at", String.valueOf(at[0]), "--json").json().path("layers").get(1);
            assertThat(layer.path("steps").get(0).path("numbers").path("presence").asDouble()).isEqualTo(at[1]);
            assertThat(layer.path("blend").asText()).isEqualTo("add");
        }
        assertThat(run("layers", there.toString(), "--layer", "street", "--set", "grain-amount=3").err())
                .contains("no number grain-amount");
        assertThat(run("layers", there.toString(), "--layer", "street", "--add", "grain", "--set", "grain-amount=300").err())
                .contains("from 0.0 to 50.0 %");
        assertThat(run("layers", there.toString(), "--layer", "street", "--add", "set-place", "--add", "set-place").err())
                .contains("no step set-place can be added");
        assertThat(run("layers", there.toString(), "--layer", "street", "--add", "pinned-corners", "--set", "pin-top-left-across=300")
                .err()).contains("go round one way");
        try (ProductionFolder elsewhere = ProductionFolder.open(there)) {
            assertThat(elsewhere.writable()).isTrue();
            assertThat(run("bring", there.toString(), still.toString()).err()).as("nothing is copied in vain").contains("open elsewhere");
        }
        assertThat(there.resolve("footage/street-2.png")).doesNotExist();
    }
}
