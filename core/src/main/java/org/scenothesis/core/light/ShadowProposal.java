package org.scenothesis.core.light;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;

/// Looks on the ground for the shadow of something upright whose foot and top are known: the direction in which a strip from its foot is
/// darkest against what lies on both sides of it, as long as it stays so.
///
/// What is found is offered to be looked at: a joint between boards, or a crack, is dark as well.
public final class ShadowProposal {
    private static final double STEP_DEG = 1;
    private static final int ALONG = 40;
    /// Nearest and farthest part of what is looked at, in heights of what stands.
    private static final double NEAR = 0.12;
    private static final double FAR = 4;
    /// How far beside the strip the ground is taken for lit, in heights of what stands.
    private static final double BESIDE = 0.077;
    /// A shadow is at least so much darker, as a share, over at least so many steps.
    private static final double DARKER = 0.07;
    private static final int LEAST = 5;

    private ShadowProposal() {}

    /// Something upright: where it stands and its top, in pixels.
    public record Stands(Point base, Point top) {}

    private record Found(LightMarks.Shadow shadow, double score) {}

    /// The surest shadow of all that stand; empty where nothing is dark enough, or the camera does not tell where the ground is.
    public static Optional<LightMarks.Shadow> find(Picture picture, PictureCamera camera, List<Stands> all) {
        PictureCamera c = camera.toScale().orElse(null);
        return c == null ? Optional.empty() : all.stream().flatMap(s -> of(picture, c, s).stream())
                .max(Comparator.comparingDouble(Found::score)).map(Found::shadow);
    }

    private static Optional<Found> of(Picture picture, PictureCamera c, Stands s) {
        PictureCamera.Ground g = c.ground(s.base).orElse(null);
        double high = c.height(s.base, s.top).map(Estimate::value).orElse(0.0);
        if (g == null || !(high > 0)) {
            return Optional.empty();
        }
        Vec foot = new Vec(g.rightM(), 0, g.forwardM());
        Found best = null;
        for (double deg = -180; deg < 180; deg += STEP_DEG) {
            Found f = along(picture, c, s, foot, high, deg);
            best = f != null && (best == null || f.score > best.score) ? f : best;
        }
        return Optional.ofNullable(best);
    }

    private static @Nullable Found along(Picture picture, PictureCamera c, Stands s, Vec foot, double high, double deg) {
        Vec away = new Vec(Math.sin(Math.toRadians(deg)), 0, Math.cos(Math.toRadians(deg)));
        Vec side = new Vec(away.z(), 0, -away.x()).times(high * BESIDE);
        List<Double> dark = new ArrayList<>();
        for (int i = 0; i < ALONG; i++) {
            Vec at = foot.plus(away.times(high * (NEAR + (FAR - NEAR) * i / (ALONG - 1.0))));
            double in = light(picture, c, at);
            double beside = Math.min(light(picture, c, at.plus(side)), light(picture, c, at.minus(side)));
            if (Double.isNaN(in) || Double.isNaN(beside) || hides(c, s, at)) {
                break;
            }
            dark.add(beside <= 1e-4 ? 0 : 1 - in / beside);
        }
        // It ends where what follows is on the whole no darker than what lies beside it; a joint of the floor may cross it.
        double sum = 0;
        double most = 0;
        int end = 0;
        for (int i = 0; i < dark.size(); i++) {
            sum += dark.get(i) - DARKER;
            if (sum > most) {
                most = sum;
                end = i + 1;
            }
        }
        if (end < LEAST) {
            return null;
        }
        double length = high * (NEAR + (FAR - NEAR) * (end - 0.5) / (ALONG - 1.0));
        Point tip = c.project(foot.plus(away.times(length))).orElse(null);
        double mean = dark.subList(0, end).stream().mapToDouble(v -> v).average().orElse(0);
        return tip == null || mean < DARKER ? null : new Found(new LightMarks.Shadow(s.base, s.top, tip), most);
    }

    /// Whether what stands there hides that place of the ground.
    private static boolean hides(PictureCamera c, Stands s, Vec at) {
        Point p = c.project(at).orElse(null);
        Point d = s.top.minus(s.base);
        if (p == null) {
            return true;
        }
        Point q = p.minus(s.base);
        double t = (q.x() * d.x() + q.y() * d.y()) / (d.x() * d.x() + d.y() * d.y());
        double off = Math.abs(q.x() * d.y() - q.y() * d.x()) / d.length();
        return t > 0.02 && t < 1 && off < 0.03 * d.length();
    }

    private static double light(Picture p, PictureCamera c, Vec at) {
        Point q = c.project(at).orElse(null);
        if (q == null || q.x() < 0 || q.y() < 0 || q.x() >= p.width() || q.y() >= p.height()) {
            return Double.NaN;
        }
        return p.light((int) q.x(), (int) q.y());
    }
}
