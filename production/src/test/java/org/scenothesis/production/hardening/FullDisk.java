package org.scenothesis.production.hardening;

import static org.awaitility.Awaitility.await;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.awaitility.core.ConditionTimeoutException;
import org.scenothesis.production.Lantern;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.Store;

/// A disk that fills up while a production is worked on, and later has room again.
final class FullDisk {
    private final Path place;
    private final List<String> broken = new ArrayList<>();

    private FullDisk(Path place) {
        this.place = place;
    }

    List<String> broken() {
        return broken;
    }

    /// A small disk of its own; empty where none may be mounted.
    static Optional<FullDisk> mounted(Path at, int megabytes) throws Exception {
        Files.createDirectories(at);
        try {
            Process p = new ProcessBuilder("mount", "-t", "tmpfs", "-o", "size=" + megabytes + "m", "tmpfs", at.toString())
                    .redirectErrorStream(true).start();
            p.getInputStream().readAllBytes();
            return p.waitFor(10, TimeUnit.SECONDS) && p.exitValue() == 0 ? Optional.of(new FullDisk(at)) : Optional.empty();
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    void unmount() throws Exception {
        new ProcessBuilder("umount", place.toString()).start().waitFor(10, TimeUnit.SECONDS);
    }

    /// Fills the disk between changes, frees it, and looks whether all is there.
    void fill(int rounds) throws Exception {
        Path folder = place.resolve("production");
        try (Store store = new Store(ProductionFolder.create(folder, Lantern.production()))) {
            for (int i = 0; i < rounds; i++) {
                change(store, "room " + i);
                until(store, Store.SaveState.Kind.SAVED);
                Path ballast = place.resolve("ballast");
                fillUp(ballast);
                byte[] before = Files.readAllBytes(folder.resolve("production.json"));
                byte[] previous = Files.readAllBytes(folder.resolve("production.previous.json"));
                change(store, "full " + "y".repeat(150_000) + i);
                until(store, Store.SaveState.Kind.FAILED);
                same("production.json", before, folder);
                if (Files.size(folder.resolve("production.previous.json")) < previous.length / 2) {
                    broken.add("the previous copy was cut short");
                }
                Files.delete(ballast);
                until(store, Store.SaveState.Kind.SAVED);
                try (ProductionFolder f = ProductionFolder.open(folder, false)) {
                    if (!f.production().equals(store.now())) {
                        broken.add("what was changed while the disk was full is not on it");
                    }
                }
            }
        }
    }

    private static void change(Store store, String words) {
        store.apply("change", p -> p.withShot("12", s -> s.told("title", words, 4)));
    }

    private static void fillUp(Path ballast) throws IOException {
        try (var out = Files.newOutputStream(ballast)) {
            for (int size : new int[] {1 << 16, 4096, 1}) {
                byte[] piece = new byte[size];
                try {
                    while (true) {
                        out.write(piece);
                    }
                } catch (IOException e) {
                    // Full at this step.
                }
            }
        }
    }

    private void until(Store store, Store.SaveState.Kind kind) {
        try {
            await().atMost(16, TimeUnit.SECONDS).until(() -> store.saveState().kind() == kind);
        } catch (ConditionTimeoutException e) {
            broken.add("waited in vain for " + kind + ", it is " + store.saveState());
        }
    }

    private void same(String name, byte[] before, Path folder) throws IOException {
        if (!Arrays.equals(before, Files.readAllBytes(folder.resolve(name)))) {
            broken.add(name + " changed on a full disk");
        }
    }
}
