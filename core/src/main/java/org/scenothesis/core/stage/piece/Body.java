package org.scenothesis.core.stage.piece;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.scenothesis.core.Check;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.value.Given;

/// Somebody or something that is filmed: as wide, high and deep as it ever is with arms and hair, its lowest point `baseM` above the floor,
/// and where it goes.
///
/// - `way`: moments in order of time; between two it moves straight. Empty while it stays.
@RecordBuilder
public record Body(Form form, Given<Double> wideM, Given<Double> highM, Given<Double> deepM, Given<Double> baseM, List<Moment> way)
        implements Thing, BodyBuilder.With {
    /// What it looks like when it is rehearsed.
    public enum Form {
        FIGURE,
        BOX,
        BALL
    }

    /// Where it is at a time, by how much it left its spot: to the right, up, and away as its camera sees it.
    public record Moment(String beat, double seconds, Vec by) {
        public Moment {
            Check.range("seconds", seconds, 0, 1e6);
            Check.place("moved", by.x(), by.y(), by.z());
        }
    }

    public Body {
        way = List.copyOf(way);
    }

    @Override
    public List<Dimension> dimensions() {
        return List.of(
                Dimension.metres("wide", 0.005, 50, wideM, this::withWideM), Dimension.metres("high", 0.005, 50, highM, this::withHighM),
                Dimension.metres("deep", 0.005, 50, deepM, this::withDeepM), Dimension.metres("base", -5, 30, baseM, this::withBaseM));
    }

    /// Where it is over time; the spot alone while it stays.
    public List<Moment> moments() {
        return way.isEmpty() ? List.of(new Moment("", 0, Vec.ZERO)) : way;
    }

    /// How far from its spot it is at a time.
    public Vec by(double seconds) {
        List<Moment> m = moments();
        if (seconds <= m.getFirst().seconds) {
            return m.getFirst().by;
        }
        for (int i = 1; i < m.size(); i++) {
            if (seconds <= m.get(i).seconds) {
                double t = (seconds - m.get(i - 1).seconds) / Math.max(1e-9, m.get(i).seconds - m.get(i - 1).seconds);
                return m.get(i - 1).by.towards(m.get(i).by, t);
            }
        }
        return m.getLast().by;
    }
}
