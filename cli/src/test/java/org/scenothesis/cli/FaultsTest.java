package org.scenothesis.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assumptions.assumeThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.testkit.HostileFiles;

/// What a disk, a folder or a name can do to a command: one sentence, no trace, nothing lost.
class FaultsTest {
    @TempDir
    Path home;

    private Path production;

    @BeforeEach
    void begin() throws Exception {
        production = home.resolve("p");
        Ran.run("new", production);
        Files.write(home.resolve("good.mp4"), HostileFiles.sound("film.mp4"));
        Ran.run("bring", production, home.resolve("good.mp4"));
    }

    private static void sentences(Ran ran) {
        assertThat(ran.err()).doesNotContain("Exception").doesNotContain("\tat ").doesNotContain("inside Scenothesis");
    }

    private static boolean run(String... command) {
        try {
            Process p = new ProcessBuilder(command).redirectErrorStream(true).start();
            p.getInputStream().readAllBytes();
            return p.waitFor(10, TimeUnit.SECONDS) && p.exitValue() == 0;
        } catch (IOException e) {
            return false;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    /// Four kilobytes left, and none: what the disk says, never that somebody else has the production open.
    @ParameterizedTest
    @ValueSource(ints = {4096, 0})
    void aFullDiskIsCalledAFullDisk(int left) throws Exception {
        Path disk = Files.createDirectories(home.resolve("disk"));
        assumeThat(run("mount", "-t", "tmpfs", "-o", "size=3m", "tmpfs", disk.toString())).as("a small disk can only be mounted by root")
                .isTrue();
        try {
            Path p = disk.resolve("p");
            assertThat(Ran.run("new", p).exit()).isZero();
            fill(disk.resolve("ballast"), left);
            for (String[] words : new String[][] {{"shots", p.toString(), "--add", "--title", "x".repeat(9000)},
                    {"findings", p.toString()}, {"layers", p.toString(), "--lay-whole"}}) {
                Ran ran = Ran.run((Object[]) words);
                sentences(ran);
                if (words[0].equals("shots")) {
                    assertThat(ran.exit()).isEqualTo(1);
                    assertThat(ran.err()).contains("the disk is full").doesNotContain("open elsewhere");
                }
            }
        } finally {
            run("umount", disk.toString());
        }
    }

    private static void fill(Path ballast, int left) throws IOException {
        try (var out = Files.newOutputStream(ballast)) {
            for (int size : new int[] {1 << 16, 4096}) {
                try {
                    while (true) {
                        out.write(new byte[size]);
                    }
                } catch (IOException e) {
                    // Full at this step.
                }
            }
        }
        if (left > 0) {
            Files.write(ballast, new byte[(int) (Files.size(ballast) - left)]);
        }
    }

    /// The program's own places taken by something else.
    @ParameterizedTest
    @ValueSource(strings = {".earlier", ".cache", "production.previous.json", ".journal", ".lock-owner"})
    void whatStandsInTheWayIsNamedAndNothingIsLost(String name) throws Exception {
        Path there = production.resolve(name);
        run("rm", "-rf", there.toString());
        if (name.startsWith("production")) {
            Files.createDirectories(there.resolve("deep"));
        } else {
            Files.writeString(there, "in the way");
        }
        int shots = shots();
        Ran added = Ran.run("shots", production, "--add");
        sentences(added);
        assertThat(added.exit()).isZero();
        sentences(Ran.run("findings", production));
        assertThat(shots()).isEqualTo(shots + 1);
    }

    private int shots() throws Exception {
        return Files.readString(production.resolve("production.json")).split("\"story\"").length;
    }

    @Test
    void listsOfTheUsersThatAreNoTextHarmNothing() throws Exception {
        Path user = Path.of(System.getProperty("scenothesis.user"));
        Files.createDirectories(user);
        byte[] noise = {(byte) 0xff, (byte) 0xfe, 'x', '\t', '/', '\n', (byte) 0x80, '\n'};
        for (String list : new String[] {"granted-places", "lately-opened"}) {
            Files.write(user.resolve(list), noise);
        }
        try {
            Ran ran = Ran.run("findings", production);
            sentences(ran);
            assertThat(ran.exit()).isZero();
        } finally {
            Files.deleteIfExists(user.resolve("granted-places"));
            Files.deleteIfExists(user.resolve("lately-opened"));
        }
    }

    /// A device never ends, a pipe never begins: neither is read.
    @Test
    void devicesAndPipesAmongTheFootageAreNoFiles() throws Exception {
        Path take = production.resolve("footage/good.mp4");
        Files.delete(take);
        assumeThat(run("mknod", take.toString(), "c", "1", "5") || run("mkfifo", take.toString())).isTrue();
        Ran ran = Ran.run("findings", production);
        sentences(ran);
        assertThat(ran.out()).contains("good.mp4");
        assertThat(Ran.run("info", take).err()).contains("device or a pipe");
    }

    @Test
    void namesDoNotSteerTheTerminal() throws Exception {
        Path file = Files.write(home.resolve("red\u001b[31m\u0007.wav"), HostileFiles.sound("sound.wav"));
        Ran ran = Ran.run("bring", production, file, "--only-propose");
        assertThat(ran.out() + ran.err()).contains("red?[31m?.wav").doesNotContain("\u001b").doesNotContain("\u0007");
    }

    @Test
    void whatFailsInsideIsWrittenDown() throws Exception {
        Path log = Path.of(System.getProperty("scenothesis.user")).resolve("log/scenothesis.log");
        long before = Files.exists(log) ? Files.size(log) : 0;
        Path marks = Files.writeString(home.resolve("marks.json"), "{\"lines\": {\"across\": 7}}", StandardCharsets.UTF_8);
        Ran ran = Ran.run("perspective", home.resolve("good.mp4"), "--marks", marks);
        assertThat(ran.exit()).isEqualTo(1);
        assertThat(ran.err().strip().lines().filter(l -> !l.matches("[a-z ]+ \\d+ %"))).hasSize(1);
        assertThat(ran.err().contains("inside Scenothesis")).as("and if it was a fault inside, where it came from is in the log")
                .isEqualTo((Files.exists(log) ? Files.size(log) : 0) > before);
    }

    /// Every number that stands in the file can be set by command, and help lists each with its bounds.
    @Test
    void whatStandsInTheFileIsSetByCommand() throws Exception {
        String help = Ran.run("layers", "--help").out();
        assertThat(help).contains("empty-below").contains("0.00 to 0.90").contains("filmed-away").contains("cast-density")
                .contains("counts (--choose): within, outside, also");
        Ran.run("layers", production, "--lay", "good");
        Ran.run("layers", production, "--layer", "good", "--add", "drawn-shadow", "--add", "set-place", "--add", "outline", "--add",
                "outline");
        Ran set = Ran.run("layers", production, "--layer", "good", "--set", "filmed-away=4.5", "--set", "softness:2=7", "--points",
                "cast-limit=10,10;90,10;50,90", "--points", "outline:2=1,1;9,1;5,9", "--name", "Ball");
        assertThat(set.exit()).as(set.err()).isZero();
        String file = Files.readString(production.resolve("production.json"));
        assertThat(file).contains("\"Ball\"").contains("4.5").contains("\"limit\"");
        assertThat(Ran.run("layers", production, "--layer", "good", "--set", "sideways=1", "--at", "0", "--keyframe").exit()).isZero();
        assertThat(Ran.run("layers", production, "--layer", "good", "--ease", "set-place=hold").exit()).isZero();
        assertThat(Ran.run("layers", production, "--layer", "good", "--ease", "set-place=hold", "--at", "0.2").err()).contains("no key");
        Ran.run("layers", production, "--layer", "good", "--add", "wrap");
        assertThat(Ran.run("layers", production, "--layer", "good", "--set", "wrap-radius=4", "--at", "0", "--keyframe").exit()).isZero();
        assertThat(Ran.run("layers", production, "--layer", "good", "--set", "wrap-radius=12", "--at", "1", "--keyframe").exit()).isZero();
        assertThat(Files.readString(production.resolve("production.json"))).containsSubsequence("\"wrap\"", "\"keyed\"", "\"wrap-radius\"",
                "12.0");
        assertThat(help.replaceAll("\\s+", " ")).contains("wobble-sways").contains("the same all the time");
        Ran.run("stage", production, "--lens-height", "1.4", "--view", "50", "--horizon", "45");
        Ran lit = Ran.run("stage", production, "--key", "-60,35", "--key-size", "2", "--key-to-fill", "1.5", "--ground", "0.5,6", "--json");
        assertThat(lit.exit()).as(lit.err()).isZero();
        assertThat(lit.json().get("light_side_deg").toString()).contains("-60");
        assertThat(lit.json().get("ground_far_m").toString()).contains("6");
        assertThat(Ran.run("stage", production, "--key", "-60,95").err())
                .contains("Elevation, in degrees, goes from 1 to 90; 95 was given.");
    }

    @Test
    void whatAKilledCopyLeftIsListedAndGoesByItself() throws Exception {
        Path part = Files.write(production.resolve("footage/.big.mp4-0123456789abcdef.part"), new byte[3000]);
        Path paper = Files.createDirectories(production.resolve("paper")).resolve(".book.pdf-0123456789abcdef.part");
        Files.write(paper, new byte[10]);
        assertThat(Ran.run("leftovers", production, "--json").out()).contains("big.mp4").contains("book.pdf");
        Ran.run("shots", production, "--add");
        assertThat(part).as("nobody works on it: whoever opens the folder for writing clears it").doesNotExist();
        assertThat(paper).exists();
        assertThat(Ran.run("leftovers", production, "--clear").exit()).isZero();
        assertThat(paper).doesNotExist();
    }
}
