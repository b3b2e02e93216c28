package org.scenothesis.production.render;

import java.nio.file.Path;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Sound;
import org.scenothesis.core.shot.SoundSource;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.shot.TimeMap;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.sound.SoundFeed;
import org.scenothesis.media.sound.SoundTrack;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Words;

/// What is heard of a shot, from which file.
///
/// - `track`: null for silence. `why`: what should be known about it, in words; empty where it is as expected.
/// - `from`: of what it is the sound, in words; empty for silence.
public record ShotSound(@Nullable SoundTrack track, String from, String why) {
    private static final double AS_FILMED_RATE = 1e-3;

    /// Finds it.
    ///
    /// @throws FootageException if the take or file that was told is missing or has no sound
    public static ShotSound of(ProductionFolder folder, Shot shot) throws FootageException {
        Sound s = shot.sound();
        return switch (s.of()) {
            case SoundSource.Silent x -> new ShotSound(null, "", "");
            case SoundSource.AsFilmed x -> asFilmed(folder, shot);
            case SoundSource.OfTake t -> {
                Plate plate = shot.plates().stream().filter(p -> p.take(t.take()).isPresent()).findFirst().orElse(null);
                if (plate == null) {
                    throw new FootageException(folder.path(), Words.of("shot-sound.the-take-that-the-shot-has", t.take()));
                }
                yield told(shot, readable(folder, folder.footage(plate.take(t.take()).orElseThrow())), plate.name());
            }
            case SoundSource.OfFile f -> told(shot, readable(folder, folder.path().resolve(f.path()).normalize()), f.path());
        };
    }

    /// What lies outside is heard only where its user allowed it, as it is seen.
    private static Path readable(ProductionFolder folder, Path file) throws FootageException {
        String refused = folder.refusal(file);
        if (refused != null) {
            throw new FootageException(file, refused);
        }
        return file;
    }

    private static ShotSound told(Shot shot, Path file, String from) throws FootageException {
        if (!SoundFeed.sounds(file)) {
            throw new FootageException(file, Words.of("shot-sound.there-is-no-sound-in-it"));
        }
        return new ShotSound(track(shot, file, -shot.sound().atSeconds()), from, "");
    }

    private static SoundTrack track(Shot shot, Path file, double start) {
        Sound s = shot.sound();
        double length = shot.seconds();
        return new SoundTrack(file, start, s.plain() ? null : at -> s.factor(at, length));
    }

    private static ShotSound asFilmed(ProductionFolder folder, Shot shot) throws FootageException {
        String why = "";
        for (Layer l : shot.layers()) {
            Take take = l.on() && l.source().isFootage() ? shot.plate(l.plate())
                    .map(Plate::chosen).orElse(null) : null;
            Path file = take == null ? null : readable(folder, folder.footage(take));
            if (file == null || !SoundFeed.sounds(file)) {
                continue;
            }
            if (l.time() instanceof TimeMap.Straight t && Math.abs(t.rate() - 1) < AS_FILMED_RATE) {
                return new ShotSound(track(shot, file, t.fromSeconds() - shot.sound().atSeconds()), l.name(), why);
            }
            why = Words.of("shot-sound.the-sound-of-is-left-out", l.name());
        }
        return new ShotSound(null, "", why);
    }

    /// A file to be heard from now on, which its user may have chosen anywhere: relative where it lies in the production, so that it
    /// travels with it.
    ///
    /// @throws StoreException if it is not there, or the permission cannot be kept
    public static SoundSource file(ProductionFolder folder, Path chosen) throws StoreException {
        Path file = chosen.toAbsolutePath().normalize();
        if (file.startsWith(folder.path())) {
            return new SoundSource.OfFile(folder.path().relativize(file).toString().replace('\\', '/'));
        }
        folder.grant(file);
        return new SoundSource.OfFile(file.toString());
    }

    /// The takes of a shot that have sound, of all its plates; those that cannot be opened have none.
    public static List<Take> takes(ProductionFolder folder, Shot shot) {
        return shot.plates().stream().flatMap(p -> p.takes().stream()).filter(t -> {
            try {
                return SoundFeed.sounds(readable(folder, folder.footage(t)));
            } catch (FootageException e) {
                return false;
            }
        }).toList();
    }
}
