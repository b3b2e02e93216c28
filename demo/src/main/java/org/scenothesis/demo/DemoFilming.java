package org.scenothesis.demo;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.rehearsal.Filming;
import org.scenothesis.core.rehearsal.Quality;
import org.scenothesis.core.rehearsal.Roll;
import org.scenothesis.demo.loft.LiftingShoot;
import org.scenothesis.demo.loft.Loft;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.Stopped;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.stage.RollFile;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;

/// Films the demo footage with the simulated camera and writes the demo production around it.
public final class DemoFilming {
    private DemoFilming() {}

    /// - `only`: names of the takes to film; empty for all. `video`: how moving takes are stored.
    public record Wish(int width, Quality quality, Set<String> only, VideoFormat video) {}

    private record Filmed(Roll roll, Filming by) {}

    /// Films into `folder/footage` and writes `production.json` if there is none; returns the files written.
    ///
    /// @throws FootageException if a file cannot be written
    /// @throws StoreException if the document cannot be written
    /// @throws Stopped if progress asks for it
    public static List<Path> film(Path folder, Wish wish, Bands bands, Progress progress) throws FootageException, StoreException {
        Path footage = folder.resolve("footage");
        try {
            Files.createDirectories(footage);
        } catch (IOException e) {
            throw new FootageException(footage, "the folder cannot be made; check its permissions.", e);
        }
        int height = wish.width * 9 / 16 / 2 * 2;
        List<Filmed> rolls = new ArrayList<>();
        Filming loft = new Filming(Loft.AMBIENT, wish.quality, bands);
        LiftingShoot.rolls(wish.width, height).forEach(r -> rolls.add(new Filmed(r, loft)));
        DemoSets.rolls(wish.width, height).forEach(r -> rolls.add(new Filmed(r.roll(), new Filming(r.ambient(), wish.quality, bands))));
        rolls.removeIf(r -> !wish.only.isEmpty() && !wish.only.contains(r.roll.name()));
        int frames = rolls.stream().mapToInt(r -> r.roll.frames()).sum();
        List<Path> written = new ArrayList<>();
        int done = 0;
        for (Filmed r : rolls) {
            int before = done;
            written.add(film(r.roll, footage, wish, height, r.by, (i, n) -> progress.at(before + i, frames)));
            done += r.roll.frames();
        }
        if (!Files.exists(folder.resolve(ProductionFolder.FILE))) {
            ProductionFolder.create(folder, LanternWorks.production()).close();
        }
        return written;
    }

    private static Path film(Roll roll, Path folder, Wish wish, int height, Filming filming, Progress progress) throws FootageException {
        // Takes with movement are coded with reference to earlier frames, so that the shipped files stay small.
        return new RollFile(folder, wish.width, height, wish.video, roll.moving() == null ? 9 : 8).film(roll, filming, progress);
    }

    /// Measures the shipped footage anew and lays the readings beside it; `work` is a place for a copy. Gives their number.
    ///
    /// @throws StoreException if the copy cannot be made
    /// @throws FootageException if footage cannot be read
    /// @throws IOException if the readings cannot be written
    public static int ship(Path shipped, Path work, Bands bands) throws StoreException, FootageException, IOException {
        Path readings = shipped.resolve("readings");
        if (Files.isDirectory(readings)) {
            try (var old = Files.list(readings)) {
                for (Path f : old.toList()) {
                    Files.delete(f);
                }
            }
        }
        Path copy = Files.createDirectories(work.resolve("production").resolve("footage"));
        try (var files = Files.list(shipped.resolve("footage"))) {
            for (Path f : files.toList()) {
                Files.copy(f, copy.resolve(f.getFileName().toString()));
            }
        }
        try (ProductionFolder folder = ProductionFolder.create(work.resolve("production"), LanternWorks.production())) {
            for (var shot : folder.production().shots()) {
                new Surveyor(folder, bands).ship(shot, readings);
            }
        }
        try (var made = Files.list(readings)) {
            return (int) made.count();
        }
    }
}
