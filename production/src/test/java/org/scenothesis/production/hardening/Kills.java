package org.scenothesis.production.hardening;

import static org.awaitility.Awaitility.await;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.Lantern;
import org.scenothesis.production.render.Leftovers;
import org.scenothesis.production.store.Copies;
import org.scenothesis.production.store.Earlier;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.testkit.TinyShoot;

/// Kills a working program at moments of chance and looks at what it leaves.
final class Kills {
    private static final long PROMISE_MS = 1000;
    private static final long SLICE_MS = 20;

    private final Path home;
    private final Random random;
    private final List<String> broken = new ArrayList<>();
    private long worstLostMs;
    private long stalledMs;

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
                Path.of(System.getProperty("java.home"), "bin", "java").toString(), "--enable-native-access=ALL-UNNAMED", "--add-modules",
                "jdk.incubator.vector", "-Xmx400m",
                "-Dscenothesis.user=" + home.resolve("user"), "-cp", System.getProperty("surefire.test.class.path",
                System.getProperty("java.class.path")),
                Victim.class.getName(), what, folder.toString(), log.toString())
                .redirectErrorStream(true).redirectOutput(home.resolve("victim.log").toFile()).start();
    }

    /// Starts a program, waits until it works, and kills it a time after that which chance says; it must not end by itself. Gives the
    /// moment of the kill, less what the machine stood still meanwhile for all its programs.
    private long killed(String what, Path folder, Path log, int leastMs, int mostMs) throws Exception {
        Process p = begun(what, folder, log);
        stalledMs = 0;
        long until = System.currentTimeMillis() + random.nextInt(leastMs, mostMs);
        for (long now = System.currentTimeMillis(); now < until; now = System.currentTimeMillis()) {
            if (p.waitFor(SLICE_MS, TimeUnit.MILLISECONDS)) {
                broken.add("the program ended by itself: " + Files.readString(home.resolve("victim.log")));
                break;
            }
            stalledMs += Math.max(0, System.currentTimeMillis() - now - 2 * SLICE_MS);
        }
        long at = System.currentTimeMillis();
        p.destroyForcibly().waitFor(20, TimeUnit.SECONDS);
        return at - stalledMs;
    }

    private Process begun(String what, Path folder, Path log) throws Exception {
        Process p = start(what, folder, log);
        await().atMost(30, TimeUnit.SECONDS).until(() -> Files.exists(log) || !p.isAlive());
        return p;
    }

    /// Kills a program that saves, over and over.
    void saves(int times) throws Exception {
        saves(times, "saved", Lantern.production());
    }

    /// The same of a document of megabytes, whose saving takes long.
    void savesMuch(int times, int shots) throws Exception {
        Production p = Lantern.production();
        List<Shot> many = new ArrayList<>(p.shots());
        for (int i = 0; i < shots; i++) {
            many.add(p.shot("12").withPlates(List.of()).told("n", "x".repeat(9000), 4).renamed("n" + i, 100 + i));
        }
        saves(times, "saved-much", p.withShots(many));
    }

    private void saves(int times, String name, Production what) throws Exception {
        Path folder = home.resolve(name);
        ProductionFolder.create(folder, what).close();
        for (int i = 0; i < times; i++) {
            Path log = home.resolve(name + "-" + i + ".log");
            long at = killed("save", folder, log, 1300, 2800);
            lookAtDocument(folder, log, at);
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
            Copies.putBack(home.resolve("previous-" + killed), copyOf(folder, killed));
        } catch (StoreException | IOException | NumberFormatException e) {
            broken.add(String.valueOf(e.getMessage()));
        }
    }

    /// The state before, as a production of its own: it must open too.
    private Path copyOf(Path folder, long killed) throws IOException {
        Path to = Files.createDirectories(home.resolve("previous-" + killed));
        return Files.copy(folder.resolve("production.previous.json"), to.resolve("copy.json"));
    }

    /// Kills a program that renders one film over and over; in between the film is whole, or as it was.
    void renders(int times) throws Exception {
        Path folder = home.resolve("rendered");
        ProductionFolder.create(folder, Lantern.production()).close();
        TinyShoot.film(folder);
        for (int i = 0; i < times; i++) {
            killed("render", folder, home.resolve("render-" + i + ".log"), 300, 2800);
            lookAtFilm(folder.resolve("renders/film.mkv"));
        }
        // It goes on from what was left, and tidies up.
        Path log = home.resolve("render-last.log");
        Process p = begun("render", folder, log);
        await().atMost(60, TimeUnit.SECONDS).until(() -> Files.readString(log).contains("ends") || !p.isAlive());
        p.destroyForcibly().waitFor(20, TimeUnit.SECONDS);
        lookAtFilm(folder.resolve("renders/film.mkv"));
        Leftovers.in(folder.resolve("renders")).forEach(l -> {
            try {
                Leftovers.clear(l);
            } catch (FootageException e) {
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
        } catch (FootageException e) {
            broken.add(String.valueOf(e.getMessage()));
        }
    }
}
