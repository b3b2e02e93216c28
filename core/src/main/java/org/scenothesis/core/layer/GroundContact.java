package org.scenothesis.core.layer;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.stage.Stage;

/// Where something stands that is seen on the ground of a stage: the ground below the lowest row that it covers.
public final class GroundContact {
    private static final float COVERED = 0.5f;
    /// A row counts once so much of the picture's width is covered in it: a loose pixel is no foot.
    private static final double ROW_SHARE = 0.004;
    /// So high, as a share of what is covered, a foot reaches: its middle is where it stands.
    private static final double FOOT_SHARE = 0.03;

    private GroundContact() {}

    /// - `coverage`: 0 to 1, of a picture of the stage's camera. Empty where nothing is covered, or what is lies above the horizon.
    public static Optional<Vec> of(Plane coverage, Stage stage) {
        Integer low = row(coverage, coverage.height() - 1, -1);
        Integer high = row(coverage, 0, 1);
        if (low == null || high == null) {
            return Optional.empty();
        }
        double sum = 0;
        int n = 0;
        for (int y = low; y >= low - FOOT_SHARE * (low - high); y--) {
            for (int x = 0; x < coverage.width(); x++) {
                if (coverage.at(x, y) > COVERED) {
                    sum += x + 0.5;
                    n++;
                }
            }
        }
        CameraPose pose = stage.pose(coverage.width(), coverage.height());
        return Optional.ofNullable(pose.onLevel(new Point(sum / n, low + 1), stage.groundM()));
    }

    private static @Nullable Integer row(Plane p, int from, int step) {
        for (int y = from; y >= 0 && y < p.height(); y += step) {
            int n = 0;
            for (int x = 0; x < p.width(); x++) {
                n += p.at(x, y) > COVERED ? 1 : 0;
            }
            if (n >= Math.max(1, ROW_SHARE * p.width())) {
                return y;
            }
        }
        return null;
    }
}
