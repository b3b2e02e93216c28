package org.scenothesis.production.measure;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.ColourMatrix;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.measure.Measured.LockResult;

/// Whether a take shows what its reference shows: the lock check, or a first look at few frames.
final class LockMeasurement extends Measurement {
    private final Reference reference;
    private final boolean look;
    private final String of;

    /// - `look`: few frames only, kept under what the files look like from outside.
    LockMeasurement(Means means, Measured before, Shot shot, Of o, Reference reference, boolean look) {
        super(means, before, shot, o);
        this.reference = reference;
        this.look = look;
        of = means.briefs().standing(reference.take()) + "|" + means.briefs().standing(o.take()) + "|" + reference.take().reading() + o.take().reading();
    }

    /// A report as it is kept.
    private record Kept(LockReport report, @Nullable ColourMatrix matrix) {}

    private Optional<LockResult> have() {
        return before.lockResult(shot, o.plate(), o.take()).filter(r -> r.of().equals(of) && r.against() == reference.kind());
    }

    private String key(String ref, String take) {
        return Readings.key("lock", List.of(ref, take), List.of(reference.take().reading(), o.take().reading()));
    }

    private String wholeKey(Progress progress) throws IOException {
        return key(means.contents().of(means.folder().footage(reference.take()), progress), means.content(o.take(), progress));
    }

    private void found(Kept k) {
        result = before.withLock(shot, o.plate(), o.take(), new LockResult(k.report, reference.kind(), k.matrix, of));
    }

    @Override
    boolean recall() {
        if (have().filter(r -> !r.report().firstLook()).isPresent()) {
            return true;
        }
        Optional<String> ref = means.contents().known(means.folder().footage(reference.take()));
        Optional<String> take = means.contents().known(means.folder().footage(o.take()));
        Optional<Kept> kept = ref.isEmpty() || take.isEmpty()
                ? Optional.empty() : means.readings().find(key(ref.get(), take.get()), Kept.class);
        kept.ifPresent(this::found);
        return kept.isPresent();
    }

    @Override
    void run(Progress progress) throws FootageException, IOException {
        if (look && have().isPresent() || !look && have().filter(r -> !r.report().firstLook()).isPresent()) {
            return;
        }
        String refused = means.folder().refusal(means.folder().footage(reference.take()));
        if (refused != null) {
            throw new FootageException(means.folder().footage(reference.take()), refused);
        }
        FootageSource ref = means.folder().source(reference.take());
        FootageSource take = means.folder().source(o.take());
        String key = look ? Readings.key("look", List.of(of), List.of()) : wholeKey(progress);
        Optional<Kept> kept = means.readings().find(key, Kept.class);
        if (kept.isEmpty()) {
            LockReport r = look ? LockCheck.look(ref, take, means.bands(), progress) : LockCheck.run(ref, take, means.bands(), progress);
            boolean own = reference.kind() == Reference.Kind.OWN_START;
            kept = Optional.of(new Kept(r, own ? null : LockCheck.betterMatrix(ref, take, means.bands())));
            means.readings().keep(key, kept.get());
        }
        found(kept.get());
    }

    @Override
    Measured trouble(String sentence) {
        return before.withLockTrouble(shot, o.plate(), o.take(), sentence);
    }

    @Override
    void ship(Path into) throws IOException {
        LockResult r = have().orElse(null);
        if (r != null) {
            Readings.ship(into, wholeKey(Progress.NONE), new Kept(r.report(), r.matrix()));
        }
    }
}
