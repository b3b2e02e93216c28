package org.scenothesis.core.layer;

import java.util.Optional;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Source;
import org.scenothesis.core.shot.step.Shadow;
import org.scenothesis.core.stage.Stage;

/// The shadow of an element on the stage's ground: its own matte thrown along the key light.
///
/// - The card to the ground plane to the picture is one homography, found from four points of the card.
/// - Softness grows with the distance along the ray: radius = distance · tan(source angle / 2); the card is cut into strips by height, each
///   blurred by its own. Density = 1 − fill / (key + fill).
/// - Source: formulas of projective shadows, Blinn 1988; penumbra from the size of the source.
public final class CardShadow {
    private static final double LEAST_FACING = 0.7;

    private final Placement placement;
    private final Stage stage;
    private final Shadow settings;

    /// The shadow of a picture that stands upright on the set where `placement` has it.
    public CardShadow(Placement placement, Stage stage, Shadow settings) {
        this.placement = placement;
        this.stage = stage;
        this.settings = settings;
    }

    /// The place of a picture point on the card that throws the shadow.
    ///
    /// Lit from the side, a card facing the camera would throw a line; what is filmed is mostly round, so the card is turned about its foot
    /// until the light meets it by at least `LEAST_FACING`.
    private Vec card(Point picture) {
        Vec foot = placement.stand().foot();
        Vec off = placement.onCard(picture).minus(foot);
        Vec forward = placement.pose().worldToCamera()[2];
        double facing = Math.atan2(forward.x(), forward.z());
        Vec light = stage.light().towards();
        double towards = Math.atan2(light.x(), light.z());
        // Angle from the card's normal to the light, folded to a quarter turn: a card has no front.
        double apart = Math.IEEEremainder(towards - facing, Math.PI);
        double most = Math.acos(LEAST_FACING);
        double turn = Math.abs(apart) > most ? apart - Math.copySign(most, apart) : 0;
        Vec right = new Vec(Math.cos(facing), 0, -Math.sin(facing));
        Vec turned = new Vec(Math.cos(facing + turn), 0, -Math.sin(facing + turn));
        return foot.plus(turned.times(off.dot(right))).plus(new Vec(0, off.y(), 0));
    }

    /// Where a card point's shadow falls on the ground plane.
    public Vec thrown(Vec card) {
        Vec l = stage.light().towards();
        return card.minus(l.times((card.y() - stage.groundM()) / l.y()));
    }

    /// Picture point of the element where it stands to the picture point of its shadow; empty if the throw is degenerate.
    Optional<PlanarMap> pictureToShadow(double left, double right, double top, double bottom) {
        Point[] from = {new Point(left, top), new Point(right, top), new Point(right, bottom), new Point(left, bottom)};
        Point[] to = new Point[4];
        for (int i = 0; i < 4; i++) {
            Vec ground = thrown(card(from[i]));
            if (ground.minus(placement.pose().position()).dot(placement.pose().worldToCamera()[2]) < 0.05) {
                return Optional.empty();
            }
            to[i] = placement.pose().project(ground);
        }
        return PlanarMap.fourPoints(from, to);
    }

    /// How much light is taken from every pixel of `frame`, 0 to 1; `matte` is the element's as placed.
    public Mask density(Mask matte, Box frame, Bands bands) {
        Box card = Box.around(matte.coverage(), 0.02f).moved(matte.at().left(), matte.at().top());
        Optional<PlanarMap> map = card.isEmpty() ? Optional.empty() : pictureToShadow(frame.left(), frame.right(), card.top(),
                card.bottom());
        if (map.isEmpty()) {
            return ThrownShadow.NONE;
        }
        Mask sum = ThrownShadow.of(matte, map.get(), y -> sigmaPx(frame.width() / 2.0, y), frame, bands);
        float most = (float) Math.clamp(stage.light().density(Vec.UP) * settings.density(), 0, 1);
        int w = sum.at().width();
        for (int y = 0; y < sum.at().height(); y++) {
            float keep = most * within(sum.at().top() + y);
            for (int x = 0; x < w; x++) {
                sum.coverage().data()[y * w + x] *= keep;
            }
        }
        return sum;
    }

    /// Blur on the ground of the penumbra of the card at picture height `y`, as a deviation in pixels.
    double sigmaPx(double x, double y) {
        Vec card = card(new Point(x, y));
        Vec ground = thrown(card);
        double along = card.minus(ground).length();
        double radiusM = along * Math.tan(Math.toRadians(stage.light().sizeDeg().value()) / 2) * settings.softness();
        double depth = Math.max(0.1, ground.minus(placement.pose().position()).length());
        // A disc of radius r blurs with deviation r/2.
        return Math.clamp(radiusM / 2 * placement.pose().focalPx() / depth, 0.4, placement.pose().width() / 6.0);
    }

    /// The shadow ends, softly, where the surface ends.
    private float within(int row) {
        Vec at = placement.pose().onLevel(new Point(placement.pose().width() / 2.0, row + 0.5), stage.groundM());
        double in = at == null ? 0 : Math.min(at.z() - stage.groundExtent().nearM(), stage.groundExtent().farM() - at.z());
        return (float) Math.clamp(in / 0.02 + 0.5, 0, 1);
    }
}
