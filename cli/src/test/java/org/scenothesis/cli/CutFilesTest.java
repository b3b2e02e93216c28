package org.scenothesis.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.testkit.HostileFiles;

/// What a file promises and does not hold is said, wherever the file is met.
class CutFilesTest {
    @TempDir
    Path home;

    @ParameterizedTest
    @ValueSource(strings = {
        "fast.mp4", "film.webm", "film.avi", "film.ts", "av1.mkv", "ffv1.mkv", "prores.mov", "film.mxf", "film.ogv", "film.gif",
                "film.apng", "still.png", "still.jpg", "still.exr", "still.tif",
        "still.bmp", "still.dpx", "still.webp"
    })
    void aCutFileIsNeverWhole(String name) throws Exception {
        byte[] whole = HostileFiles.sound(name);
        Path file = Files.write(home.resolve("cut-" + name), Arrays.copyOf(whole, whole.length * 6 / 10));
        Ran ran = Ran.run("info", file, "--json");
        assertThat(ran.exit() == 1 ? ran.err().contains("cut short") : ran.json().get("cut_short").asBoolean()).as(ran.out() + ran.err())
                .isTrue();
        Path good = Files.write(home.resolve(name), whole);
        assertThat(Ran.run("info", good, "--json").json().get("cut_short").asBoolean()).as("a whole one is").isFalse();
    }

    @Test
    void theFramesThatAreMissingAreCounted() throws Exception {
        byte[] whole = HostileFiles.sound("fast.mp4");
        Path file = Files.write(home.resolve("clean.mp4"), Arrays.copyOf(whole, whole.length * 7 / 10));
        JsonNode info = Ran.run("info", file, "--json").json();
        assertThat(info.get("frames").asInt() + info.get("frames_missing").asInt()).isEqualTo(6);
        assertThat(info.get("frames_missing").asInt()).isPositive();
        Path p = home.resolve("p");
        Ran.run("new", p);
        Ran brought = Ran.run("bring", p, file, "--json");
        assertThat(brought.json().at("/taken/0/fault").asText()).contains("promises 6 frames");
        JsonNode findings = Ran.run("findings", p, "--json").json();
        assertThat(findings.get("verdict").asText()).isEqualTo("redo");
        assertThat(findings.get("findings")).anySatisfy(f -> {
            assertThat(f.get("measure").asText()).isEqualTo("cut_short");
            assertThat(f.get("verdict").asText()).isEqualTo("redo");
            assertThat(f.get("meaning").asText()).contains("of the 6 frames");
        });
    }

    @Test
    void whatIsNotBroughtInIsSaid() throws Exception {
        Path card = Files.createDirectories(home.resolve("card/DCIM/100CAMRA"));
        Path p = home.resolve("p");
        Ran.run("new", p);
        Files.write(card.resolve("a.wav"), HostileFiles.sound("sound.wav"));
        Files.writeString(card.resolve("b.heic"), "x");
        Ran nothing = Ran.run("bring", p, home.resolve("card"));
        assertThat(nothing.exit()).isEqualTo(1);
        assertThat(nothing.out()).contains("a.wav").contains("sound").contains("b.heic");
        assertThat(nothing.err()).contains("nothing was brought in");
        for (String clip : new String[] {"film.mp4", "film.gif", "film.apng", "film.ogv", "still.webp", "still.jp2", "still.ppm"}) {
            Files.write(card.resolve(clip), HostileFiles.sound(clip));
        }
        Ran some = Ran.run("bring", p, home.resolve("card"), "--only-propose", "--json");
        assertThat(some.exit()).isZero();
        assertThat(some.json().get("taken")).as("a card has its clips in folders").hasSize(7);
        assertThat(some.json().get("not_used")).hasSize(2);
    }
}
