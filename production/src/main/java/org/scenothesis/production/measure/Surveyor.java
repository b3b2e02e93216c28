package org.scenothesis.production.measure;

import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.key.KeySettings;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Polygon;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.Footages;
import org.scenothesis.production.store.ProductionFolder;

/// Measures whatever of a shot is not measured yet, quickest first, and tells after every step.
public final class Surveyor {
    private final ProductionFolder folder;
    private final Remembered remembered;
    private final Bands bands;

    public Surveyor(ProductionFolder folder, Bands bands) {
        this.folder = folder;
        this.bands = bands;
        remembered = new Remembered(folder.cache());
    }

    /// What keying settings mean for the cache.
    private record KeyedWith(KeySettings settings, List<Point> mask, boolean screenPlate) {}

    /// Measures the shot; `progress` counts steps in hundredths.
    ///
    /// @throws Stopped if progress asks for it
    public Measured survey(Shot shot, Measured before, Progress progress, Consumer<Measured> told) {
        Measured m = briefs(shot, before);
        told.accept(m);
        List<Task> tasks = tasks(shot, m);
        for (int i = 0; i < tasks.size(); i++) {
            int at = i;
            m = tasks.get(i).run(m, (done, of) -> progress.at(at * 100 + (of == 0 ? 0 : 100 * done / of), tasks.size() * 100));
            told.accept(m);
        }
        return m;
    }

    @FunctionalInterface
    private interface Task {
        Measured run(Measured before, Progress progress);
    }

    private List<Task> tasks(Shot shot, Measured m) {
        List<Task> tasks = new ArrayList<>();
        for (Plate plate : shot.plates()) {
            Optional<Path> reference = reference(shot, plate.lockGroup());
            for (Take take : plate.takes()) {
                boolean usable = m.brief(take.footage()).filter(FootageBrief::usable).isPresent();
                if (usable && reference.isPresent() && !plate.lockGroup().isEmpty()) {
                    tasks.add((before, p) -> lock(before, plate, take, reference.get(), p));
                }
            }
        }
        for (Plate plate : shot.plates()) {
            Take take = plate.chosen();
            if (plate.role().keyed() && take != null && m.brief(take.footage()).filter(FootageBrief::usable).isPresent()) {
                tasks.add((before, p) -> key(before, shot, plate, take, p));
            }
        }
        return tasks;
    }

    /// The shot's first clean plate, as its chosen take shows it.
    public Optional<Path> reference(Shot shot) {
        return shot.plateOf(PlateRole.CLEAN).map(Plate::chosen).map(folder::footage);
    }

    /// The footage all plates of a lock group are compared with: its own clean plate. Another camera's plates have nothing to be compared with.
    private Optional<Path> reference(Shot shot, String lockGroup) {
        return shot.plates().stream()
                .filter(p -> p.role() == PlateRole.CLEAN && p.lockGroup().equals(lockGroup)).findFirst().map(Plate::chosen).map(folder::footage);
    }

    private Measured briefs(Shot shot, Measured m) {
        for (Plate plate : shot.plates()) {
            for (Take take : plate.takes()) {
                if (m.brief(take.footage()).filter(FootageBrief::usable).isEmpty()) {
                    m = m.with(take.footage(), brief(folder.footage(take)));
                }
            }
        }
        return m;
    }

    private static FootageBrief brief(Path path) {
        try (Footage f = Footages.open(path)) {
            var i = f.info();
            return new FootageBrief(i.frames(), i.seconds(), i.width(), i.height(), i.rate().framesPerSecond(), i.frames() == 1, "");
        } catch (FootageException e) {
            return FootageBrief.broken(e.getMessage());
        }
    }

    private Measured lock(Measured m, Plate plate, Take take, Path reference, Progress p) {
        Path path = folder.footage(take);
        // A clean plate is compared with its own beginning, so that a bump in it shows.
        Path against = plate.role() == PlateRole.CLEAN ? path : reference;
        try {
            String key = Remembered.key("lock", List.of(against, path), "");
            LockReport r = remembered.find(key, LockReport.class).orElse(null);
            if (r == null) {
                r = LockCheck.run(against, path, bands, p);
                remembered.keep(key, r);
            }
            return m.with(take.footage(), r);
        } catch (FootageException | UncheckedIOException e) {
            return m.with(take.footage(), FootageBrief.broken(String.valueOf(e.getMessage())));
        }
    }

    private Measured key(Measured m, Shot shot, Plate plate, Take take, Progress p) {
        Layer layer = shot.layers().stream().filter(l -> l.plate().equals(plate.id())).findFirst().orElse(Layer.of("", "", Layer.Kind.ELEMENT, plate.id()));
        Path path = folder.footage(take);
        Path screen = screenPlate(folder, shot, plate);
        List<Path> of = screen == null ? List.of(path) : List.of(path, screen);
        try {
            String key = Remembered.key("key", of, new KeyedWith(layer.key(), layer.mask(), screen != null));
            KeyReport r = remembered.find(key, KeyReport.class).orElse(null);
            if (r == null) {
                FootageBrief b = m.brief(take.footage()).orElseThrow();
                r = KeyCheck.run(path, screen, layer.key(), outline(layer.mask(), b.width(), b.height()), bands, p);
                remembered.keep(key, r);
            }
            return m.withKey(plate.id(), r);
        } catch (FootageException | UncheckedIOException e) {
            return m;
        }
    }

    /// The screen-only footage of the plate's lock and light groups, or null.
    public static @Nullable Path screenPlate(ProductionFolder folder, Shot shot, Plate plate) {
        return shot.plates().stream()
                .filter(p -> p.role() == PlateRole.SCREEN_ONLY && p.lockGroup().equals(plate.lockGroup()) && p.chosen() != null)
                .findFirst()
                .map(p -> folder.footage(java.util.Objects.requireNonNull(p.chosen())))
                .orElse(null);
    }

    /// A mask in shares of the picture as an outline in pixels; null for an empty one.
    public static @Nullable Polygon outline(List<Point> mask, int width, int height) {
        return mask.size() < 3 ? null : new Polygon(mask.stream().map(p -> new Point(p.x() * width, p.y() * height)).toList());
    }
}
