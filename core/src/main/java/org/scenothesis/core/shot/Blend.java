package org.scenothesis.core.shot;

/// How a layer is laid on what is below it, in scene-linear light.
public enum Blend {
    OVER,
    ADD,
    SCREEN,
    LIGHTEN,
    /// What is below is made as much darker as this is below white.
    MULTIPLY
}
