package org.scenothesis.core.stage.piece;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.scenothesis.core.Check;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.value.Given;

/// A source of light at `heightM` above the floor, pointed at `aim`.
///
/// - `output`: along its axis, in candela; of the sun lux square to it, of the sky lux on level ground. `beamDeg`: between the directions
///   of half its output.
/// - `dimmer`: share of its output, `gelMired`: how far a gel shifts its colour, warmer positive. `watts`: from the mains.
@RecordBuilder
public record Lamp(
        LampKind kind, Given<Double> heightM, Given<Vec> aim, Given<Double> wideM, Given<Double> highM, Given<Double> output,
        Given<Double> beamDeg, Given<Double> kelvin, Given<Double> dimmer, Given<Double> gelMired,
        Given<Double> watts) implements Thing, LampBuilder.With {
    private static final String USUAL = "lamp-usual";

    public Lamp {
        Check.place("aim", aim.value().x(), aim.value().y(), aim.value().z());
    }

    /// One of usual numbers.
    public static Lamp usual(LampKind kind, Given<Double> heightM, Given<Vec> aim) {
        return new Lamp(
                kind, heightM, aim, usual(kind.wideM()), usual(kind.highM()), usual(kind.output()), usual(kind.beamDeg()),
                usual(kind.kelvin()), new Given.Assumed<>(1.0, "lamp-full"), new Given.Assumed<>(0.0, "lamp-bare"),
                usual(kind.watts()));
    }

    private static Given<Double> usual(double v) {
        return new Given.Assumed<>(v, USUAL);
    }

    @Override
    public List<Dimension> dimensions() {
        return List.of(
                Dimension.metres("height", 0, 100, heightM, this::withHeightM),
                Dimension.metres("wide", 0.001, 20, wideM, this::withWideM), Dimension.metres("high", 0.001, 20, highM, this::withHighM),
                Dimension.of("output", kind.distant() || kind.everywhere() ? "lx" : "cd", 0, 1e7, output, this::withOutput),
                Dimension.of("beam", "\u00b0", 4, 120, beamDeg, this::withBeamDeg),
                Dimension.of("colour", "K", 1500, 20_000, kelvin, this::withKelvin),
                Dimension.of("dimmer", "", 0, 1, dimmer, this::withDimmer), Dimension.of("gel", "mired", -200, 300, gelMired,
                this::withGelMired),
                Dimension.of("power", "W", 0, 20_000, watts, this::withWatts));
    }

    /// What it gives along its axis as it is dimmed.
    public double given() {
        return output.value() * dimmer.value();
    }

    /// The colour temperature of what leaves it, gel included.
    public double givenKelvin() {
        return 1e6 / Math.max(50, 1e6 / kelvin.value() + gelMired.value());
    }

    /// How fast its light falls beside its axis: intensity ∝ cos^n, with half of it at half the beam; 1 for an even flat source.
    public double power() {
        return Math.log(0.5) / Math.log(Math.cos(Math.toRadians(Math.min(119.999, beamDeg.value()) / 2)));
    }

    /// The edges of its face: one level, across its axis, the other up; as long as the face is.
    public Face face(Spot at) {
        Vec axis = axis(at);
        Vec across = Math.abs(axis.y()) > 0.999 ? new Vec(1, 0, 0) : axis.cross(Vec.UP).unit();
        return new Face(at.up(heightM.value()), axis, across, across.cross(axis).unit());
    }

    /// Its middle, where it looks, and the unit directions of its edges.
    public record Face(Vec middle, Vec axis, Vec across, Vec up) {
        /// A point of it or beside it, by metres along its edges.
        public Vec at(double acrossM, double upM) {
            return middle.plus(across.times(acrossM)).plus(up.times(upM));
        }
    }

    /// Unit direction in which a lamp that stands there shines.
    public Vec axis(Spot at) {
        Vec d = aim.value().minus(at.up(heightM.value()));
        return d.length() < 1e-9 ? new Vec(0, -1, 0) : d.unit();
    }
}
