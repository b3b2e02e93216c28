package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.scenothesis.core.Check;

/// Bends a layer that was filmed with one lens as if it had been filmed with another: its own bend is taken out, the plate's is put in.
///
/// - `own`, `plate`: both lenses; what was drawn stays where it is in the middle of the picture.
@RecordBuilder
public record LensMatch(Drawn own, Drawn plate) implements Step, LensMatchBuilder.With {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<LensMatch>> PARAMETERS = List.of(
            new Parameter<>(LensMatch.class, "lens-own-bend", "", new Parameter.Span(-0.6, 0.6, 0.005, 3), (l, t) -> l.own().k1(),
            (l, t, v) -> l.withOwn(l.own().withK1(v))).keyed(Parameter.Keying.LENS),
            new Parameter<>(LensMatch.class, "lens-own-view", "\u00b0", new Parameter.Span(3, 150, 0.5, 1), (l, t) -> l.own().viewDeg(),
            (l, t, v) -> l.withOwn(l.own().withViewDeg(v))).keyed(Parameter.Keying.LENS),
            new Parameter<>(LensMatch.class, "lens-plate-bend", "", new Parameter.Span(-0.6, 0.6, 0.005, 3), (l, t) -> l.plate().k1(),
            (l, t, v) -> l.withPlate(l.plate().withK1(v))).keyed(Parameter.Keying.LENS),
            new Parameter<>(LensMatch.class, "lens-plate-view", "\u00b0", new Parameter.Span(3, 150, 0.5, 1), (l, t) -> l.plate()
            .viewDeg(), (l, t, v) -> l.withPlate(l.plate().withViewDeg(v))).keyed(Parameter.Keying.LENS));

    /// Neither bends anything.
    public static final LensMatch STRAIGHT = new LensMatch(new Drawn(0, 55), new Drawn(0, 55));

    /// How a lens draws: its bend (k1 in focal lengths, negative for a barrel) and how much it sees across the picture, in degrees.
    @RecordBuilder
    public record Drawn(double k1, double viewDeg) implements LensMatchDrawnBuilder.With {
        public Drawn {
            Check.range("k1", k1, -0.6, 0.6);
            Check.range("viewDeg", viewDeg, 3, 150);
        }

        /// Its focal length in widths of the picture.
        public double focal() {
            return 0.5 / Math.tan(Math.toRadians(viewDeg) / 2);
        }
    }
}
