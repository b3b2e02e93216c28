package org.scenothesis.core.rehearsal;

import java.util.HashMap;
import java.util.Map;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.rehearsal.trace.Rgb;

/// Films rolls with the simulated camera; a set seen from one place is rendered once and kept for the rolls that share it.
public final class Filming {
    private final Rgb ambient;
    private final Quality quality;
    private final Bands bands;
    private final Map<Seen, Rendered> kept = new HashMap<>();

    private record Seen(Scenery set, View view, long seed) {}

    /// Films with so much light from everywhere.
    public Filming(Rgb ambient, Quality quality, Bands bands) {
        this.ambient = ambient;
        this.quality = quality;
        this.bands = bands;
    }

    /// Takes each frame as the camera records it, with its truth; returns false to stop.
    @FunctionalInterface
    public interface Recorder<E extends Exception> {
        boolean frame(int index, Picture recorded, Rendered truth) throws E;
    }

    /// Films the frames of a roll in order.
    ///
    /// @throws E what the recorder throws
    public <E extends Exception> void film(Roll roll, Recorder<E> recorder) throws E {
        for (int k = 0; k < roll.views().size(); k++) {
            int end = k + 1 < roll.views().size() ? roll.views().get(k + 1).fromFrame() : roll.frames();
            View view = roll.views().get(k).view();
            // Another seed for every camera position: chance must not travel with the sensor.
            Quality q = quality.seeded(quality.seed() + 31 * k);
            Renderer renderer = new Renderer(roll.set(), ambient, view, q, bands);
            Rendered still = kept.computeIfAbsent(new Seen(roll.set(), view, q.seed()), s -> renderer.still());
            for (int i = roll.views().get(k).fromFrame(); i < end; i++) {
                Rendered truth = roll.moving() == null ? still : renderer.moving(still, roll.moving(), i / roll.rate(), roll.rate());
                Handling by = roll.handling();
                truth = by.sway().apply(i).of(truth, bands);
                Sensor sensor = roll.sensor().exposed(by.stops().applyAsDouble(i)).balanced(by.balance().apply(i));
                if (!recorder.frame(i, sensor.record(truth.light(), i, bands), truth)) {
                    return;
                }
            }
        }
    }
}
