package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Picture;

/// Slope, offset and power of every channel, then saturation: `v = (v · slope + offset) ^ power` of sRGB code values.
///
/// Source: the colour decision list of the American Society of Cinematographers, openly published; luma weights of BT.709.
@RecordBuilder
public record Tone(Channels slope, Channels offset, Channels power, double saturation) implements Step, ToneBuilder.With {
    public static final Tone NEUTRAL = new Tone(Channels.all(1), Channels.all(0), Channels.all(1), 1);

    /// A number for each channel.
    @RecordBuilder
    public record Channels(double r, double g, double b) implements ToneChannelsBuilder.With {
        public static Channels all(double v) {
            return new Channels(v, v, v);
        }

        private void check(String name, double low, double high) {
            Check.range(name, r, low, high);
            Check.range(name, g, low, high);
            Check.range(name, b, low, high);
        }

        /// In the order of [Picture#colours].
        public double[] values() {
            return new double[] {r, g, b};
        }
    }

    public Tone {
        slope.check("slope", 0, 10);
        offset.check("offset", -1, 1);
        power.check("power", 0.05, 10);
        Check.range("saturation", saturation, 0, 4);
    }
}
