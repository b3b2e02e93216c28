package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.scenothesis.core.Check;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.value.Animated;

/// Slope, offset and power of every channel, then saturation: `v = (v · slope + offset) ^ power` of sRGB code values.
///
/// Source: the colour decision list of the American Society of Cinematographers, openly published; luma weights of BT.709.
@RecordBuilder
public record ColourGrade(Channels slope, Channels offset, Channels power, double saturation, Map<String, Animated<Double>> keyed)
        implements Step, Keyable, ColourGradeBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<ColourGrade>> PARAMETERS = parameters();
    public static final ColourGrade NEUTRAL = new ColourGrade(Channels.all(1), Channels.all(0), Channels.all(1), 1);

    /// A number for each channel.
    @RecordBuilder
    public record Channels(double r, double g, double b) implements ColourGradeChannelsBuilder.With {
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

    public ColourGrade {
        keyed = Parameter.checked(PARAMETERS, keyed);
        slope.check("slope", 0, 10);
        offset.check("offset", -1, 1);
        power.check("power", 0.05, 10);
        Check.range("saturation", saturation, 0, 4);
    }

    /// Without keys by code.
    public ColourGrade(Channels slope, Channels offset, Channels power, double saturation) {
        this(slope, offset, power, saturation, Map.of());
    }

    @Override
    public ColourGrade withKeyed(Map<String, Animated<Double>> other) {
        return new ColourGrade(slope, offset, power, saturation, other);
    }

    private static List<Parameter<ColourGrade>> parameters() {
        List<Parameter<ColourGrade>> out = new ArrayList<>();
        for (int c = 0; c < 3; c++) {
            int at = c;
            String colour = List.of("red", "green", "blue").get(c);
            out.add(new Parameter<>(ColourGrade.class, "slope-" + colour, "\u00d7", new Parameter.Span(0, 10, 0.01, 2), (o, t) -> o.slope()
                    .values()[at], (o, t, v) -> o.withSlope(channel(o.slope(), at, v))));
            out.add(new Parameter<>(ColourGrade.class, "offset-" + colour, "", new Parameter.Span(-1, 1, 0.005, 3), (o, t) -> o.offset()
                    .values()[at], (o, t, v) -> o.withOffset(channel(o.offset(), at, v))));
            out.add(new Parameter<>(ColourGrade.class, "power-" + colour, "", new Parameter.Span(0.05, 10, 0.01, 2), (o, t) -> o.power()
                    .values()[at], (o, t, v) -> o.withPower(channel(o.power(), at, v))));
        }
        out.add(new Parameter<>(ColourGrade.class, "saturation", "\u00d7", new Parameter.Span(0, 4, 0.02, 2), (o, t) -> o.saturation(),
                (o, t, v) -> o.withSaturation(v)));
        return out;
    }

    private static Channels channel(Channels c, int at, double v) {
        return at == 0 ? c.withR(v) : at == 1 ? c.withG(v) : c.withB(v);
    }
}
