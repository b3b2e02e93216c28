package org.scenothesis.core.shot.step;

import java.util.Optional;

/// What was followed in the layer is held where it was, and everything with it: a camera's own move is taken back.
public record TrackSteady(TrackBinding by) implements Step {
    @Override
    public Optional<TrackBinding> tied() {
        return Optional.of(by);
    }
}
