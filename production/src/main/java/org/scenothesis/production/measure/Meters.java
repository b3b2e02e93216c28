package org.scenothesis.production.measure;

import java.util.List;

/// The meters there are, in the order in which they are run.
final class Meters {
    static final CameraMeter CAMERA = new CameraMeter();
    static final KeyMeter KEY = new KeyMeter();
    static final List<Meter<?>> ALL = List.of(CAMERA, KEY);

    private Meters() {}
}
