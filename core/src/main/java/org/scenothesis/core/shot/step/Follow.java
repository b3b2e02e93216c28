package org.scenothesis.core.shot.step;

import java.util.Optional;

/// The layer goes along with something that was followed, with all that was done to it before.
public record Follow(TrackBinding by) implements Step {
    @Override
    public Optional<TrackBinding> tied() {
        return Optional.of(by);
    }
}
