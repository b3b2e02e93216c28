package org.scenothesis.production.hardening;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.concurrent.locks.LockSupport;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.render.RenderJob;
import org.scenothesis.production.render.ShotRenderer;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.Store;

/// A program that works on a production until it is killed: changes the document several times a second, or renders one film over and over.
final class Victim {
    private Victim() {}

    /// - `args`: `save` or `render`, the production folder, and a file that is told of every change with its time.
    public static void main(String[] args) throws Exception {
        Path log = Path.of(args[2]);
        if (args[0].equals("save")) {
            save(Path.of(args[1]), log);
        } else {
            render(Path.of(args[1]), log);
        }
    }

    private static void save(Path folder, Path log) throws Exception {
        Store store = new Store(ProductionFolder.open(folder));
        for (int i = next(store); ; i++) {
            int n = i;
            store.apply("change", p -> p.withShot("12", s -> s.told(String.valueOf(n), "story " + "x".repeat(n % 900), 4)));
            Files.writeString(log, n + " " + System.currentTimeMillis() + "\n", StandardOpenOption.CREATE, StandardOpenOption.APPEND);
            // The pace of a hasty user: sometimes at once, sometimes within the wait before a save, sometimes after it.
            LockSupport.parkNanos(n % 7 * 9_000_000L);
        }
    }

    private static int next(Store store) {
        try {
            return Integer.parseInt(store.now().shot("12").title()) + 1;
        } catch (NumberFormatException e) {
            return 1;
        }
    }

    private static void render(Path folder, Path log) throws Exception {
        try (ProductionFolder f = ProductionFolder.open(folder, false); Bands bands = Bands.pooled(2)) {
            Surveyor s = new Surveyor(f, bands);
            for (int i = 0; ; i++) {
                Shot shot = f.production().shot("12").told("", "", 3).withLayer("lantern", l -> l.withOn(false));
                Files.writeString(log, "begins\n", StandardOpenOption.CREATE, StandardOpenOption.APPEND);
                try (ShotRenderer r = new ShotRenderer(f, Measured.NOTHING, s.contents(), bands)) {
                    new RenderJob(r, shot, RenderJob.Target.of(f.renders().resolve("film.mkv"), 0, 60)).run(Progress.NONE);
                }
                Files.writeString(log, "ends\n", StandardOpenOption.APPEND);
            }
        }
    }
}
