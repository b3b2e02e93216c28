package org.scenothesis.production.hardening;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.scenothesis.media.Footage;
import org.scenothesis.media.Footages;
import org.scenothesis.production.demo.LanternWorks;
import org.scenothesis.production.render.Leftovers;
import org.scenothesis.production.store.Earlier;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.testkit.TinyShoot;

/// Kills a working program at moments of chance and looks at what it leaves.
final class Kills {
    private static final long PROMISE_MS = 1000;

    private final Path home;
    private final Random random;
    private final List<String> broken = new ArrayList<>();
    private long worstLostMs;

    Kills(Path home, long seed) {
        this.home = home;
        random = new Random(seed);
    }

    List<String> broken() {
        return broken;
    }

    /// The oldest change that was lost, by its age at the kill.
    long worstLostMs() {
        return worstLostMs;
    }

    private Process start(String what, Path folder, Path log) throws Exception {
        return new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(), "--enable-native-access=ALL-UNNAMED", "--add-modules", "jdk.incubator.vector", "-Xmx400m",
                "-Dscenothesis.user=" + home.resolve("user"), "-cp", System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
                Victim.class.getName(), what, folder.toString(), log.toString())
                .redirectErrorStream(true).redirectOutput(home.resolve("victim.log").toFile()).start();
    }

    private static void waitFor(Path log, Process p) throws Exception {
        for (int i = 0; i < 1200 && !Files.exists(log) && p.isAlive(); i++) {
            Thread.sleep(25);
        }
        if (!Files.exists(log)) {
            throw new IllegalStateException("the victim did not begin");
        }
    }

    /// Kills a program that saves, over and over.
    void saves(int times) throws Exception {
        Path folder = home.resolve("saved");
        ProductionFolder.create(folder, LanternWorks.production()).close();
        for (int i = 0; i < times; i++) {
            Path log = home.resolve("save-" + i + ".log");
            Process p = start("save", folder, log);
            waitFor(log, p);
            Thread.sleep(1300 + random.nextInt(1500));
            p.destroyForcibly().waitFor(20, TimeUnit.SECONDS);
            lookAtDocument(folder, log, System.currentTimeMillis());
        }
    }

    private void lookAtDocument(Path folder, Path log, long killed) {
        try (ProductionFolder f = ProductionFolder.open(folder)) {
            if (!f.writable()) {
                broken.add("the lock outlived the program: " + f.holder());
            }
            int kept = Integer.parseInt(f.production().shot("12").title());
            for (String line : Files.readAllLines(log)) {
                String[] w = line.split(" ");
                if (w.length == 2 && Integer.parseInt(w[0]) > kept) {
                    worstLostMs = Math.max(worstLostMs, killed - Long.parseLong(w[1]));
                }
            }
            if (worstLostMs > PROMISE_MS) {
                broken.add("a change of " + worstLostMs + " ms before the kill was lost");
            }
            for (Earlier.State s : f.earlier()) {
                f.earlier(s);
            }
            ProductionFolder.putBack(home.resolve("previous-" + killed), copyOf(folder, killed));
        } catch (StoreException | java.io.IOException | NumberFormatException e) {
            broken.add(String.valueOf(e.getMessage()));
        }
    }

    /// The state before, as a production of its own: it must open too.
    private Path copyOf(Path folder, long killed) throws java.io.IOException {
        Path to = Files.createDirectories(home.resolve("previous-" + killed));
        return Files.copy(folder.resolve("production.previous.json"), to.resolve("copy.json"));
    }

    /// Kills a program that renders one film over and over; in between the film is whole, or as it was.
    void renders(int times) throws Exception {
        Path folder = home.resolve("rendered");
        ProductionFolder.create(folder, LanternWorks.production()).close();
        TinyShoot.film(folder);
        for (int i = 0; i < times; i++) {
            Path log = home.resolve("render-" + i + ".log");
            Process p = start("render", folder, log);
            waitFor(log, p);
            Thread.sleep(300 + random.nextInt(2500));
            p.destroyForcibly().waitFor(20, TimeUnit.SECONDS);
            lookAtFilm(folder.resolve("renders/film.mkv"));
        }
        // It goes on from what was left, and tidies up.
        Path log = home.resolve("render-last.log");
        Process p = start("render", folder, log);
        waitFor(log, p);
        for (int i = 0; i < 1200 && !Files.readString(log).contains("ends") && p.isAlive(); i++) {
            Thread.sleep(50);
        }
        p.destroyForcibly().waitFor(20, TimeUnit.SECONDS);
        lookAtFilm(folder.resolve("renders/film.mkv"));
        Leftovers.in(folder.resolve("renders")).forEach(l -> {
            try {
                Leftovers.clear(l);
            } catch (org.scenothesis.media.FootageException e) {
                broken.add(String.valueOf(e.getMessage()));
            }
        });
    }

    private void lookAtFilm(Path film) {
        if (!Files.exists(film)) {
            return;
        }
        try (Footage f = Footages.open(film)) {
            if (f.info().frames() != 61) {
                broken.add("the film has " + f.info().frames() + " frames");
            }
            f.frame(60);
        } catch (org.scenothesis.media.FootageException e) {
            broken.add(String.valueOf(e.getMessage()));
        }
    }
}
