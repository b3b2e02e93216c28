package org.scenothesis.core.rehearsal;

import java.util.SplittableRandom;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.rehearsal.trace.Noise;
import org.scenothesis.core.rehearsal.trace.Rgb;

/// What a camera makes of light: exposure, white balance and noise of deviation √(a·signal + b²), linear.
///
/// - `gains`: linear multipliers of red, green and blue, exposure included.
/// - Deterministic: the same seed and frame give the same noise for any number of threads.
public record Sensor(Rgb gains, double noiseA, double noiseB, long seed) {
    public Sensor {
        Check.range("noiseA", noiseA, 0, 1);
        Check.range("noiseB", noiseB, 0, 1);
    }

    public static final Sensor CLEAN = new Sensor(Rgb.grey(1), 0, 0, 0);
    /// A small camera in a lit room.
    public static final Sensor USUAL = new Sensor(Rgb.grey(1), 4e-5, 8e-4, 7);

    /// The same with so many stops more light.
    public Sensor exposed(double stops) {
        return new Sensor(gains.times(Math.pow(2, stops)), noiseA, noiseB, seed);
    }

    /// The same with each channel times a factor more.
    public Sensor balanced(Rgb more) {
        return new Sensor(gains.times(more), noiseA, noiseB, seed);
    }

    /// The same with other noise.
    public Sensor seeded(long other) {
        return new Sensor(gains, noiseA, noiseB, other);
    }

    /// The recorded frame, still scene-linear.
    public Picture record(Picture light, int frame, Bands bands) {
        return new Picture(
                record(light.r(), gains.r(), 3L * frame, bands),
                record(light.g(), gains.g(), 3L * frame + 1, bands),
                record(light.b(), gains.b(), 3L * frame + 2, bands),
                null);
    }

    private Plane record(Plane in, double gain, long stream, Bands bands) {
        Plane out = Plane.of(in.width(), in.height());
        bands.run(in.height(), (from, to, band) -> {
            SplittableRandom random = new SplittableRandom(Noise.mix(seed * 1_000_003 + stream) + band);
            for (int i = from * in.width(); i < to * in.width(); i++) {
                double v = in.data()[i] * gain;
                double deviation = Math.sqrt(noiseA * Math.max(0, v) + noiseB * noiseB);
                out.data()[i] = (float) Math.max(0, deviation > 0 ? v + deviation * random.nextGaussian() : v);
            }
        });
        return out;
    }
}
