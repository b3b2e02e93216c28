package org.scenothesis.production.measure;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.stage.HandCamera;
import org.scenothesis.core.value.Given;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.store.ProductionFolder;

/// How wide a shot's camera sees by what the file of its lowest layer notes; empty where it notes no lens, or one that no picture can have.
public final class FileLens {
    private FileLens() {}

    /// By what is known of the takes already.
    public static Optional<Given<Double>> view(Shot shot, Measured m) {
        return base(shot).flatMap(m::brief).filter(FootageBrief::usable).flatMap(b -> view(b.equivalentMm(), b.width(), b.height()));
    }

    /// By opening the file.
    public static Optional<Given<Double>> view(Shot shot, ProductionFolder folder) {
        Optional<Take> take = base(shot).filter(t -> folder.refusal(folder.footage(t)) == null);
        if (take.isEmpty()) {
            return Optional.empty();
        }
        try (Footage f = Footages.open(folder.source(take.get()))) {
            return view(f.info().equivalentMm(), f.info().width(), f.info().height());
        } catch (FootageException e) {
            // Said where the take is looked at.
            return Optional.empty();
        }
    }

    private static Optional<Take> base(Shot shot) {
        return shot.layers().stream().findFirst().flatMap(l -> shot.plate(l.plate())).flatMap(p -> Optional.ofNullable(p.chosen()));
    }

    private static Optional<Given<Double>> view(@Nullable Double mm, int width, int height) {
        return mm == null ? Optional.empty() : HandCamera.noted(mm, width / (double) height);
    }
}
