package org.scenothesis.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
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

    /// A text of two gigabytes in a still of two megabytes: no door unpacks it.
    @Test
    void aPackedTextIsNeverUnpacked() throws Exception {
        Path work = Files.createDirectories(home.resolve("bomb"));
        byte[] still = HostileFiles.sound("still.png");
        Path bomb = Files.write(work.resolve("bomb.png"), HostileFiles.noted(still, Integer.MAX_VALUE - (1 << 20)));
        Process p = program(0, HostileDoors.class.getName(), work.toString(), Files.write(work.resolve("good.mp4"), HostileFiles.sound("film.mp4")).toString(), home.resolve("log-0").toString(),
                Files.write(work.resolve("files"), List.of(bomb.toString())).toString());
        long most = 0;
        while (!p.waitFor(20, TimeUnit.MILLISECONDS)) {
            most = Math.max(most, resident(p));
        }
        assertThat(p.exitValue()).as(Files.readString(home.resolve("out-0"))).isZero();
        assertThat(wrong(log(0))).isEmpty();
        assertThat(most).as("kilobytes resident").isBetween(1L, 900_000L);
    }

    /// Kilobytes of memory of a program, 1 where the system does not say.
    private static long resident(Process p) {
        try {
            return Files.readAllLines(Path.of("/proc/" + p.pid() + "/status")).stream().filter(l -> l.startsWith("VmRSS")).mapToLong(l -> Long.parseLong(l.replaceAll("\\D", ""))).findFirst().orElse(1);
        } catch (IOException e) {
            return 1;
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
        return program(k, HostileDoors.class.getName(), work.toString(), good.toString(), home.resolve("log-" + k).toString(), mine.toString());
    }

    private Process program(int k, String main, String... args) throws IOException {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(), "--enable-native-access=ALL-UNNAMED", "--add-modules", "jdk.incubator.vector", "-Xmx1g",
                "-Dscenothesis.user=" + home.resolve("user-" + k), "-cp", System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")), main));
        command.addAll(List.of(args));
        return new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(home.resolve("out-" + k).toFile()).start();
    }
}
