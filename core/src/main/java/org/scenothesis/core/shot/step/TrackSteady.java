package org.scenothesis.core.shot.step;

/// What was followed in the layer is held where it was, and everything with it: a camera's own move is taken back.
public record TrackSteady(TrackBinding by) implements Step {}
