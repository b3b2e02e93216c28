package org.scenothesis.core.shot.step;

/// The layer goes along with something that was followed, with all that was done to it before.
public record Follow(TrackBinding by) implements Step {}
