package org.scenothesis.core.shot.step;

/// The transparency that the footage brings with it counts.
public record OwnAlpha() implements Step {}
