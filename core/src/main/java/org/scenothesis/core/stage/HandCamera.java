package org.scenothesis.core.stage;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.value.Given;

/// A stage's camera as it can be told without measuring: how high the lens stood, how wide it sees, where the horizon lies in the picture,
/// and one thing of known height.
///
/// - `viewDeg`: angle of view across the picture. `known`: null where nothing of known height is shown; else the lens height follows from
///   it and what was told is not used.
///
/// Source: pinhole geometry with the principal point in the middle; the horizon's height and slope give tilt and roll.
@RecordBuilder
public record HandCamera(Given<Double> lensHeightM, Given<Double> viewDeg, Given<Horizon> horizon, Evidence.@Nullable Upright known)
        implements HandCameraBuilder.With {
    /// Where the horizon crosses the picture's left and right edge, in shares of its height from the top; may lie outside.
    public record Horizon(double left, double right) {
        public Horizon {
            Check.range("horizon", left, -20, 20);
            Check.range("horizon", right, -20, 20);
        }
    }

    /// Nothing told yet: a tripod of usual height, a usual lens, level.
    public static final HandCamera FRESH = new HandCamera(
            new Given.Assumed<>(1.4, "lens-height-usual"), new Given.Assumed<>(60.0, "view-usual"),
            new Given.Assumed<>(new Horizon(0.5, 0.5), "camera-level"), null);

    private static final Surface FLOOR = new Surface("ground", Given.entered(0.0), new Given.Assumed<>(new Surface.Extent(0.5, 15),
            "ground-usual"));
    private static final KeyLight LIGHT = new KeyLight(
            new Given.Assumed<>(new KeyLight.Direction(-45, 45), "light-usual"), new Given.Assumed<>(10.0, "light-usual"),
            new Given.Assumed<>(1.5, "light-usual"));
    private static final double FULL_DIAGONAL_MM = Math.hypot(36, 24);
    /// A wide picture's pixels, only to count in.
    private static final int WIDTH = 1000;

    public HandCamera {
        Check.range("lensHeightM", lensHeightM.value(), 0.01, 100);
        Check.range("viewDeg", viewDeg.value(), 3, 150);
    }

    /// What a stage's camera says, in these terms, and what of known height was shown in its picture.
    ///
    /// - `aspect`: width of the picture by its height.
    public static HandCamera of(Stage s, double aspect) {
        StageCamera c = s.camera();
        double view = Math.toDegrees(2 * Math.atan(0.5 / c.widthShareFocal().value()));
        StageCamera.Aim a = c.aim().value();
        double slope = -Math.tan(Math.toRadians(a.rollDeg()));
        double middle = Math.tan(Math.toRadians(a.tiltDeg())) / Math.cos(Math.toRadians(a.rollDeg())) * c.widthShareFocal()
                .value() * aspect;
        double half = slope * aspect / 2;
        Horizon h = new Horizon(0.5 + middle - half, 0.5 + middle + half);
        return new HandCamera(c.position().like(c.position().value().y() - s.groundM()), c.widthShareFocal().like(view), c.aim().like(h),
                known(s));
    }

    private static Evidence.@Nullable Upright known(Stage s) {
        return s.evidence().stream().filter(Evidence.Upright.class::isInstance).map(Evidence.Upright.class::cast).findFirst().orElse(null);
    }

    @Override
    public HandCamera withKnown(Evidence.@Nullable Upright other) {
        return new HandCamera(lensHeightM, viewDeg, horizon, other);
    }

    /// The angle of view of a lens before a sensor, in degrees, lengths in one unit; empty if it is none that a picture can have.
    public static Optional<Double> viewDeg(double focal, double sensorWidth) {
        double view = Math.toDegrees(2 * Math.atan(sensorWidth / (2 * focal)));
        return focal > 0 && view >= 3 && view <= 150 ? Optional.of(view) : Optional.empty();
    }

    /// The angle of view across a picture, in degrees, by the focal length its file notes: as on a full frame of the same diagonal. Empty
    /// if it is none that a picture can have.
    ///
    /// - `aspect`: width of the picture by its height.
    ///
    /// Source: CIPA DCG-001, equivalence by the diagonal of 43.27 mm.
    public static Optional<Given<Double>> noted(double equivalentMm, double aspect) {
        return viewDeg(equivalentMm, FULL_DIAGONAL_MM * aspect / Math.hypot(aspect, 1)).map(v -> new Given.Measured<>(v, "file-lens"));
    }

    private double widthShareFocal() {
        return 0.5 / Math.tan(Math.toRadians(viewDeg.value() / 2));
    }

    /// Where the camera looks, straight ahead; `aspect`: width of the picture by its height.
    public StageCamera.Aim aim(double aspect) {
        Horizon h = horizon.value();
        double f = widthShareFocal();
        double slope = (h.right - h.left) / aspect;
        double roll = -Math.atan(slope);
        double middle = ((h.left + h.right) / 2 - 0.5) / aspect / f;
        double tilt = Math.atan(middle * Math.cos(roll));
        return new StageCamera.Aim(0, Math.toDegrees(tilt), Math.toDegrees(roll));
    }

    /// How high the lens stood: told, or from what is of known height; empty where that cannot stand on the ground as drawn, at the horizon
    /// or above it.
    public Optional<Double> height(double aspect) {
        Evidence.Upright k = known;
        if (k == null) {
            return Optional.of(lensHeightM.value());
        }
        int h = (int) Math.round(WIDTH / aspect);
        StageCamera.Aim a = aim(aspect);
        // Everything is to scale with the lens height: seen from one metre up, then as often as high as it is.
        CameraPose one = new CameraPose(new Vec(0, 1, 0), 0, a.tiltDeg(), a.rollDeg(), widthShareFocal() * WIDTH, WIDTH, h);
        Vec foot = one.onLevel(new Point(k.foot().x() * WIDTH, k.foot().y() * h), 0);
        if (foot == null) {
            return Optional.empty();
        }
        Vec ray = one.ray(new Point(k.top().x() * WIDTH, k.top().y() * h));
        Vec flat = new Vec(foot.x(), 0, foot.z());
        double along = new Vec(ray.x(), 0, ray.z()).dot(flat) / flat.dot(flat);
        double top = along <= 0 ? 0 : 1 + ray.y() / along;
        double lens = top <= 1e-3 ? Double.NaN : k.heightM() / top;
        return lens >= 0.01 && lens <= 100 ? Optional.of(lens) : Optional.empty();
    }

    /// The stage with this camera; `before` keeps its surfaces, its light, and where the camera stands on the ground.
    ///
    /// @throws IllegalArgumentException if the lens height does not follow from what is of known height
    public Stage stage(@Nullable Stage before, double aspect) {
        double lens = height(aspect)
                .orElseThrow(() -> new IllegalArgumentException(
                "the thing of known height must stand below the horizon, its top above its foot"));
        double ground = before == null ? 0 : before.groundM();
        Vec at = before == null ? new Vec(0, 0, 0) : before.camera().position().value();
        Vec position = new Vec(at.x(), ground + lens, at.z());
        StageCamera.Aim a = aim(aspect);
        StageCamera.Aim turned = new StageCamera.Aim(before == null ? 0 : before.panDeg(), a.tiltDeg(), a.rollDeg());
        StageCamera camera = new StageCamera(known == null ? lensHeightM.like(position) : new Given.Measured<>(position, "known-height"),
                horizon.like(turned), viewDeg.like(widthShareFocal()), StageCamera.MIDDLE);
        List<Evidence> shown = known == null ? List.of() : List.of(known);
        return before == null ? new Stage(camera, List.of(FLOOR), LIGHT, shown, Floor.BARE) : before.withCamera(camera).withEvidence(shown);
    }
}
