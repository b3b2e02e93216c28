package org.scenothesis.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.testkit.HostileFiles;

/// No file ends the program, at no door; every one is answered by a result or a sentence.
class HostileFilesTest {
    private static final int PROCESSES = 2;

    @TempDir
    Path home;

    @Test
    void everyDoorAnswersEveryFile() throws Exception {
        List<Path> files = HostileFiles.write(home.resolve("hostile"), Long.getLong("scenothesis.hostile.seed", 1));
        assertThat(files).hasSizeGreaterThan(400);
        List<Process> running = new ArrayList<>();
        for (int k = 0; k < PROCESSES; k++) {
            running.add(start(k, files));
        }
        for (int k = 0; k < PROCESSES; k++) {
            assertThat(running.get(k).waitFor(15, TimeUnit.MINUTES)).as("it waits for ever at " + log(k).getLast()).isTrue();
            assertThat(running.get(k).exitValue()).as("it died at " + log(k).getLast() + ": " + Files.readString(home.resolve("out-" + k))).isZero();
            assertThat(wrong(log(k))).isEmpty();
        }
    }

    private List<String> log(int k) throws Exception {
        return Files.readAllLines(home.resolve("log-" + k));
    }

    /// Complaints, each with the door before it.
    private static List<String> wrong(List<String> log) {
        return IntStream.range(0, log.size()).filter(i -> log.get(i).startsWith("WRONG")).mapToObj(i -> log.get(i - 1) + ": " + log.get(i)).toList();
    }

    private Process start(int k, List<Path> files) throws Exception {
        Path mine = home.resolve("files-" + k);
        Files.write(mine, IntStream.range(0, files.size()).filter(i -> i % PROCESSES == k).mapToObj(i -> files.get(i).toString()).toList());
        Path work = Files.createDirectories(home.resolve("work-" + k));
        Path good = Files.write(work.resolve("good.mp4"), HostileFiles.sound("film.mp4"));
        return new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(), "--enable-native-access=ALL-UNNAMED", "--add-modules", "jdk.incubator.vector", "-Xmx1g",
                "-Dscenothesis.user=" + home.resolve("user-" + k), "-cp", System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
                HostileDoors.class.getName(), work.toString(), good.toString(), home.resolve("log-" + k).toString(), mine.toString())
                .redirectErrorStream(true).redirectOutput(home.resolve("out-" + k).toFile()).start();
    }
}
