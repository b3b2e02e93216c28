package org.scenothesis.production.measure;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.FootageException;
import org.scenothesis.production.store.ProductionFolder;

/// Measures one thing of takes and judges it. A new one is a unit of this form, its words, its tests and its place in [Meters]; the survey,
/// the cache, the Board, the findings line, the strike list and the command line follow from that.
///
/// - `R`: the reading, plain data that can be kept as JSON; it says how sure its values are where that is known.
interface Meter<R> {
    /// Names the meter in the cache.
    String code();

    /// Raised whenever its results change.
    int version();

    Class<R> kind();

    /// What of a take there is to be measured; empty where there is nothing. The take's file can be read;
    /// what of `folder` may not be read is left out.
    Optional<Target> target(ProductionFolder folder, Shot shot, Plate plate, Take take, FootageBrief brief);

    /// @throws UnsuitableException if it can be read but not measured
    /// @throws FootageException if footage cannot be read
    /// @throws Stopped if progress asks for it
    R measure(Target target, MeasureContext means, Progress progress) throws FootageException, IOException;

    /// A first look at little of it, where the whole takes long; empty where there is no such thing.
    ///
    /// @throws FootageException if footage cannot be read
    /// @throws Stopped if progress asks for it
    default Optional<R> look(Target target, MeasureContext means, Progress progress) throws FootageException, IOException {
        return Optional.empty();
    }

    /// The same of every frame, where `measure` looks at some of them; empty where it looks at all.
    ///
    /// @throws FootageException if footage cannot be read
    /// @throws Stopped if progress asks for it
    default Optional<R> every(Target target, MeasureContext means, Progress progress) throws FootageException {
        return Optional.empty();
    }

    /// What a plate should have measured by this meter and has not; empty where it need not.
    List<Finding> unmeasured(Shot shot, Plate plate, Take take, @Nullable FootageBrief brief, String why);

    List<Finding> judge(R reading, Target target, HouseRules rules);
}
