package org.scenothesis.production.measure;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.key.KeySettings;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.media.FootageException;
import org.scenothesis.production.measure.Measured.KeyResult;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.ProductionJson;

/// What a key of a take leaves to be wished for, with the settings of its layer.
final class KeyMeasurement extends Measurement {
    private final KeySettings settings;
    private final Outline garbage;
    private final @Nullable Take screen;
    private final String of;

    KeyMeasurement(Means means, Measured before, Shot shot, Of o) {
        super(means, before, shot, o);
        Layer layer = shot.keyOf(o.plate().id()).orElse(Layer.of("", "", o.plate().id()));
        settings = layer.key();
        garbage = layer.garbage();
        screen = screenTake(means.folder(), shot, o.plate()).orElse(null);
        of = means.briefs().standing(o.take()) + "|" + (screen == null ? "" : means.briefs().standing(screen) + screen.reading()) + o.take().reading() + settings + outline();
    }

    /// An outline that stands still is its corners only, as it was before outlines could move.
    private Object outline() {
        return garbage.corners().keys().isEmpty() ? garbage.corners().still() : ProductionJson.part(garbage);
    }

    private String key(String take, @Nullable String plate) {
        return Readings.key("key", plate == null ? List.of(take) : List.of(take, plate), Arrays.asList(settings, outline(), o.take().reading(), screen == null ? null : screen.reading()));
    }

    private String wholeKey(Progress progress) throws IOException {
        return key(means.content(o.take(), progress), screen == null ? null : means.contents().of(means.folder().footage(screen), progress));
    }

    private Optional<KeyResult> have() {
        return before.keyResult(shot, o.plate()).filter(r -> r.of().equals(of));
    }

    @Override
    boolean recall() {
        if (have().isPresent()) {
            return true;
        }
        Optional<String> take = means.contents().known(means.folder().footage(o.take()));
        Optional<String> plate = screen == null ? Optional.of("") : means.contents().known(means.folder().footage(screen));
        Optional<KeyReport> kept = take.isEmpty() || plate.isEmpty() ? Optional.empty() : means.readings().find(key(take.get(), screen == null ? null : plate.get()), KeyReport.class);
        kept.ifPresent(r -> result = before.withKey(shot, o.plate(), new KeyResult(r, of)));
        return kept.isPresent();
    }

    @Override
    void run(Progress progress) throws FootageException, IOException {
        if (have().isPresent()) {
            return;
        }
        String key = wholeKey(progress);
        KeyReport r = means.readings().find(key, KeyReport.class).orElse(null);
        if (r == null) {
            r = KeyCheck.run(new KeyCheck.Wish(means.folder().source(o.take()), screen == null ? null : means.folder().source(screen), settings, garbage), means.bands(), progress);
            means.readings().keep(key, r);
        }
        result = before.withKey(shot, o.plate(), new KeyResult(r, of));
    }

    @Override
    Measured trouble(String sentence) {
        return before.withKeyTrouble(shot, o.plate(), sentence);
    }

    @Override
    void ship(Path into) throws IOException {
        KeyResult r = have().orElse(null);
        if (r != null) {
            Readings.ship(into, wholeKey(Progress.NONE), r.report());
        }
    }

    /// The screen-only take of a plate's lock group that may be read.
    static Optional<Take> screenTake(ProductionFolder folder, Shot shot, Plate plate) {
        return shot.plates().stream()
                .filter(p -> p.role() == PlateRole.SCREEN_ONLY && p.lockGroup().equals(plate.lockGroup()) && p.chosen() != null)
                .findFirst().map(Plate::chosen).filter(t -> folder.refusal(folder.footage(t)) == null);
    }
}
