package org.scenothesis.production.match;

import java.util.List;
import org.scenothesis.core.match.AnalysisFrame;
import org.scenothesis.core.perspective.LineProposal;
import org.scenothesis.core.perspective.Marks;
import org.scenothesis.core.picture.Point;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.decode.Footages;

/// Edges proposed in a picture of footage.
public final class CameraOfStill {
    private CameraOfStill() {}

    /// How large the pictures are, as nothing is marked in them yet.
    ///
    /// @throws FootageException if they cannot be read
    public static Marks bare(FootageSource source) throws FootageException {
        try (Footage f = Footages.open(source)) {
            return Marks.none(f.info().width(), f.info().height());
        }
    }

    /// The marks with edges proposed in a frame instead of their lines.
    ///
    /// @throws FootageException if it cannot be read
    public static Marks proposed(FootageSource source, int frame, Marks known) throws FootageException {
        try (Footage f = Footages.open(source)) {
            AnalysisFrame seen = f.lockFrame(Math.clamp(frame, 0, f.info().frames() - 1));
            int k = seen.reduced();
            Double focal = known.focalPx();
            Marks small = Marks.none(seen.luma().width(), seen.luma().height()).withFocalPx(focal == null ? null : focal / k);
            List<Marks.Line> lines = LineProposal.of(seen.luma(), small).lines().stream()
                    .map(l -> new Marks.Line(l.direction(), by(l.from(), k), by(l.to(), k))).toList();
            return known.withLines(lines);
        }
    }

    private static Point by(Point p, int k) {
        return p.times(k);
    }
}
