package org.scenothesis.core.shot.step;

import org.scenothesis.core.key.KeySettings;

/// Takes the screen away. An outline right before it is the garbage matte; without one there is the outline of the cloth.
///
/// Footage with a transparency of its own is not keyed; that counts instead.
public record Key(KeySettings settings) implements Step {}
