package org.scenothesis.core.shot.step;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.scenothesis.core.Check;

/// A picture with more room around it, mirrored at its edges: for headroom that was not filmed, or a frame to move in.
///
/// Each in percent of the picture's width or height; the whole is sized to the frame, and where their shapes differ there is more of the mirrored.
@RecordBuilder
public record Extend(double left, double right, double up, double down) implements Step, ExtendBuilder.With {
    public static final Extend HEADROOM = new Extend(0, 0, 20, 0);
    private static final double MOST = 300;

    public Extend {
        Check.range("left", left, 0, MOST);
        Check.range("right", right, 0, MOST);
        Check.range("up", up, 0, MOST);
        Check.range("down", down, 0, MOST);
    }

    /// What the picture is scaled by.
    public double scale() {
        return 1 / (1 + Math.max(left + right, up + down) / 100);
    }
}
