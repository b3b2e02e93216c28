package org.scenothesis.core.light;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;

/// Lamps and windows that are seen in a picture, as what they give to the outline of whoever stands before them.
final class VisibleLamps {
    /// Round a place so much of the picture's width is looked at.
    private static final double NEAR_SHARE = 0.025;
    /// Brighter than this a channel may be clipped, and says nothing of colour.
    private static final double CLIPPED = 0.93;
    /// What is as bright as this share of the brightest counts as the lamp's own.
    private static final double OWN = 0.6;
    private static final int LEAST = 6;

    private VisibleLamps() {}

    static PictureLight.Rim of(@Nullable Picture picture, PictureCamera camera, Point lamp) {
        Vec d = camera.ray(lamp).unit();
        return new PictureLight.Rim(Math.toDegrees(Math.atan2(d.x(), d.z())), Math.toDegrees(Math.asin(d.y())), picture == null ? null
                : colour(picture, lamp));
    }

    private static @Nullable Neutral colour(Picture p, Point at) {
        double r = Math.max(2, NEAR_SHARE * p.width());
        List<double[]> open = new ArrayList<>();
        for (int y = (int) Math.max(0, at.y() - r); y < Math.min(p.height(), at.y() + r); y++) {
            for (int x = (int) Math.max(0, at.x() - r); x < Math.min(p.width(), at.x() + r); x++) {
                double[] v = {p.r().at(x, y), p.g().at(x, y), p.b().at(x, y)};
                if (Math.hypot(x + 0.5 - at.x(), y + 0.5 - at.y()) <= r && Math.max(v[0], Math.max(v[1], v[2])) < CLIPPED) {
                    open.add(v);
                }
            }
        }
        open.sort(Comparator.comparingDouble((double[] v) -> -v[0] - v[1] - v[2]));
        double most = open.size() < LEAST ? 0 : sum(open.get(LEAST - 1));
        double[] mean = new double[3];
        for (double[] v : open) {
            for (int c = 0; c < 3 && sum(v) >= OWN * most; c++) {
                mean[c] += v[c];
            }
        }
        return most <= 0 ? null : Neutral.of(mean[0], mean[1], mean[2]).orElse(null);
    }

    private static double sum(double[] v) {
        return v[0] + v[1] + v[2];
    }
}
