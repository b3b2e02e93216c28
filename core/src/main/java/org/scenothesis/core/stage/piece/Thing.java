package org.scenothesis.core.stage.piece;

import java.util.List;

/// What a piece is.
public sealed interface Thing permits Backdrop, Body, Support, Wall, Glass, Lamp, Flag, Camera {
    /// Its numbers, each with what it would be with another.
    List<Dimension> dimensions();
}
