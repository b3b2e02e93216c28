package org.scenothesis.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.scenothesis.testkit.HostileFiles;

/// A set of hostile files at every door, in programs of their own whose death is told. Also `./soak`'s, with another set each time.
final class HostileRun {
    private static final int PROCESSES = 2;
    private static final long MOST_MINUTES = 15;

    private final Path home;
    private final List<String> wrong = new ArrayList<>();
    private long mostKilobytes;

    HostileRun(Path home) {
        this.home = home;
    }

    /// Sets of files until the time is over, at least one.
    public static void main(String[] args) throws Exception {
        long end = System.nanoTime() + (long) (Double.parseDouble(args[0]) * 60e9);
        int files = 0;
        int wrong = 0;
        for (long seed = System.nanoTime(), n = 0; n == 0 || System.nanoTime() < end; n++) {
            Path home = Files.createTempDirectory("scenothesis-hostile");
            HostileRun run = new HostileRun(home);
            files += run.set(seed + n);
            run.wrong.forEach(w -> System.out.println("BROKEN " + w));
            wrong += run.wrong.size();
            System.out.printf("%d hostile files at every door (set %d); broken: %d%n", files, seed + n, wrong);
            try (var all = Files.walk(home)) {
                all.sorted(Comparator.reverseOrder()).forEach(p -> p.toFile().delete());
            }
        }
        System.exit(wrong == 0 ? 0 : 1);
    }

    List<String> wrong() {
        return wrong;
    }

    /// The most memory that a program had in use, as far as the system says.
    long mostKilobytes() {
        return mostKilobytes;
    }

    /// Gives how many files there were.
    int set(long seed) throws Exception {
        List<Path> files = HostileFiles.write(home.resolve("hostile"), seed);
        List<Process> running = new ArrayList<>();
        for (int k = 0; k < PROCESSES; k++) {
            int own = k;
            running.add(start(k, IntStream.range(0, files.size()).filter(i -> i % PROCESSES == own).mapToObj(files::get).toList()));
        }
        for (int k = 0; k < PROCESSES; k++) {
            finish(k, running.get(k));
        }
        return files.size();
    }

    /// One file alone.
    void one(Path file) throws Exception {
        finish(0, start(0, List.of(file)));
    }

    private Process start(int k, List<Path> files) throws IOException {
        Path mine = Files.write(home.resolve("files-" + k), files.stream().map(Path::toString).toList());
        Path work = Files.createDirectories(home.resolve("work-" + k));
        Path good = Files.write(work.resolve("good.mp4"), HostileFiles.sound("film.mp4"));
        return new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(), "--enable-native-access=ALL-UNNAMED", "--add-modules",
                "jdk.incubator.vector", "-Xmx1g",
                "-Dscenothesis.user=" + home.resolve("user-" + k), "-cp", System.getProperty("surefire.test.class.path",
                System.getProperty("java.class.path")),
                HostileDoors.class.getName(), work.toString(), good.toString(), home.resolve("log-" + k).toString(), mine.toString())
                .redirectErrorStream(true).redirectOutput(home.resolve("out-" + k).toFile()).start();
    }

    private void finish(int k, Process p) throws Exception {
        long end = System.nanoTime() + TimeUnit.MINUTES.toNanos(MOST_MINUTES);
        while (!p.waitFor(20, TimeUnit.MILLISECONDS) && System.nanoTime() < end) {
            mostKilobytes = Math.max(mostKilobytes, resident(p));
        }
        List<String> log = Files.readAllLines(home.resolve("log-" + k));
        if (p.isAlive()) {
            p.destroyForcibly();
            wrong.add("it waits for ever at " + log.getLast());
        } else if (p.exitValue() != 0) {
            wrong.add("it died at " + log.getLast() + ": " + Files.readString(home.resolve("out-" + k)));
        }
        // Complaints, each with the door before it.
        IntStream.range(1, log.size()).filter(i -> log.get(i).startsWith("WRONG"))
                .forEach(i -> wrong.add(log.get(i - 1) + ": " + log.get(i)));
    }

    private static long resident(Process p) {
        try {
            return Files.readAllLines(Path.of("/proc/" + p.pid() + "/status")).stream().filter(l -> l.startsWith("VmRSS"))
                    .mapToLong(l -> Long.parseLong(l.replaceAll("\\D", ""))).findFirst().orElse(1);
        } catch (IOException e) {
            return 1;
        }
    }
}
