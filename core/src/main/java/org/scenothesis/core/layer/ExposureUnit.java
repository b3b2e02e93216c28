package org.scenothesis.core.layer;

import org.scenothesis.core.match.Gains;
import org.scenothesis.core.shot.step.Exposure;

/// What brings exposure and colour to the base's, times the gain wished for.
final class ExposureUnit {
    private ExposureUnit() {}

    static LayerState apply(Exposure g, LayerState l, Gains toBase) {
        double k = Math.pow(2, g.gainStops());
        Gains m = g.matched() ? toBase : Gains.UNITY;
        Gains before = l.gains();
        return l.withGains(new Gains(before.r() * (m.r() * k), before.g() * (m.g() * k), before.b() * (m.b() * k)));
    }
}
