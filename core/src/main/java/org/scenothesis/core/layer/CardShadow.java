package org.scenothesis.core.layer;

import java.util.Optional;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Resample;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.SetPlan;

/// The shadow of an element on the plan's ground: its own matte thrown along the key light.
///
/// - The card to the ground plane to the picture is one homography, found from four points of the card.
/// - Softness grows with the distance along the ray: radius = distance · tan(source angle / 2); the card is cut into strips by height, each blurred
///   by its own. Density = 1 − fill / (key + fill).
/// - Source: formulas of projective shadows, Blinn 1988; penumbra from the size of the source.
public final class CardShadow {
    private static final int STRIPS = 4;
    private static final double LEAST_FACING = 0.7;

    private final Placement placement;
    private final SetPlan plan;
    private final Layer.Shadow settings;

    public CardShadow(Placement placement, SetPlan plan, Layer.Shadow settings) {
        this.placement = placement;
        this.plan = plan;
        this.settings = settings;
    }

    /// The place of a picture point on the card that throws the shadow.
    ///
    /// Lit from the side, a card facing the camera would throw a line; what is filmed is mostly round, so the card is turned about its foot until the
    /// light meets it by at least `LEAST_FACING`.
    private Vec card(Point picture) {
        Vec foot = placement.state().foot();
        Vec off = placement.onCard(picture).minus(foot);
        Vec forward = placement.pose().worldToCamera()[2];
        double facing = Math.atan2(forward.x(), forward.z());
        Vec light = plan.light().towards();
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
        Vec l = plan.light().towards();
        return card.minus(l.times((card.y() - plan.groundM()) / l.y()));
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
        try {
            return Optional.of(PlanarMap.fourPoints(from, to));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    /// How much light is taken from every picture pixel, 0 to 1; `matte` is the element's as placed.
    public Plane density(Plane matte, Bands bands) {
        int w = matte.width();
        int h = matte.height();
        Plane sum = Plane.of(w, h);
        int[] rows = rows(matte);
        if (rows[0] > rows[1]) {
            return sum;
        }
        Optional<PlanarMap> map = pictureToShadow(0, w, rows[0], rows[1] + 1);
        if (map.isEmpty()) {
            return sum;
        }
        PlanarMap back = map.get().inverse();
        Box columns = Box.around(matte, 0.02f);
        for (int k = 0; k < STRIPS; k++) {
            double top = rows[0] + (rows[1] + 1.0 - rows[0]) * k / STRIPS;
            double bottom = rows[0] + (rows[1] + 1.0 - rows[0]) * (k + 1) / STRIPS;
            double sigma = sigmaPx(w / 2.0, (top + bottom) / 2);
            cast(matte, new Strip(top, bottom, columns, sigma), map.get(), back, sum, bands);
        }
        float most = (float) Math.clamp(plan.light().density() * settings.density(), 0, 1);
        for (int i = 0; i < sum.data().length; i++) {
            sum.data()[i] = Math.clamp(sum.data()[i], 0f, 1f) * most;
        }
        keepExtent(sum, bands);
        return sum;
    }

    // First and last row that hold anything.
    private static int[] rows(Plane matte) {
        int w = matte.width();
        int first = matte.height();
        int last = -1;
        for (int y = 0; y < matte.height(); y++) {
            for (int x = 0; x < w; x++) {
                if (matte.data()[y * w + x] > 0.02f) {
                    first = Math.min(first, y);
                    last = y;
                    break;
                }
            }
        }
        return new int[] {first, last};
    }

    private record Strip(double top, double bottom, Box columns, double sigmaPx) {}

    /// Adds the blurred shadow of one strip of the card, working only where it falls.
    private static void cast(Plane matte, Strip s, PlanarMap map, PlanarMap back, Plane sum, Bands bands) {
        Box from = new Box(s.columns.left(), (int) Math.floor(s.top), s.columns.right(), (int) Math.ceil(s.bottom)).within(Box.all(matte));
        Box to = Box.around(from.corners().stream().map(map::map).toList()).grown(2 + (int) Math.ceil(3 * s.sigmaPx)).within(Box.all(matte));
        if (from.isEmpty() || to.isEmpty()) {
            return;
        }
        Plane strip = Plane.of(matte.width(), matte.height());
        for (int y = from.top(); y < from.bottom(); y++) {
            float part = (float) (Math.min(s.bottom, y + 1) - Math.max(s.top, y));
            for (int x = from.left(); x < from.right(); x++) {
                strip.data()[y * matte.width() + x] = matte.data()[y * matte.width() + x] * part;
            }
        }
        Plane cast = Plane.of(matte.width(), matte.height());
        Resample.warpInto(strip, back, cast, to, bands);
        keepGround(cast, back, to);
        Plane soft = Blur.gaussian(to.cut(cast), s.sigmaPx, bands);
        for (int y = 0; y < to.height(); y++) {
            for (int x = 0; x < to.width(); x++) {
                sum.data()[(to.top() + y) * matte.width() + to.left() + x] += soft.data()[y * to.width() + x];
            }
        }
    }

    /// Points behind the vanishing line of the throw map back into the picture by accident: taken out.
    private static void keepGround(Plane cast, PlanarMap back, Box box) {
        int w = cast.width();
        for (int y = box.top(); y < box.bottom(); y++) {
            for (int x = box.left(); x < box.right(); x++) {
                Point p = back.map(x + 0.5, y + 0.5);
                if (!(p.x() > -1 && p.y() > -1 && p.x() < w + 1 && p.y() < cast.height() + 1)) {
                    cast.data()[y * w + x] = 0;
                }
            }
        }
    }

    /// Blur on the ground of the penumbra of the card at picture height `y`, as a deviation in pixels.
    double sigmaPx(double x, double y) {
        Vec card = card(new Point(x, y));
        Vec ground = thrown(card);
        double along = card.minus(ground).length();
        double radiusM = along * Math.tan(Math.toRadians(plan.light().sizeDeg()) / 2) * settings.softness();
        double depth = Math.max(0.1, ground.minus(placement.pose().position()).length());
        // A disc of radius r blurs with deviation r/2.
        return Math.clamp(radiusM / 2 * placement.pose().focalPx() / depth, 0.4, placement.pose().width() / 6.0);
    }

    /// The shadow ends, softly, where the surface ends.
    private void keepExtent(Plane sum, Bands bands) {
        int w = sum.width();
        bands.run(sum.height(), (from, to, band) -> {
            for (int y = from; y < to; y++) {
                Vec at = placement.pose().onLevel(new Point(w / 2.0, y + 0.5), plan.groundM());
                double in = at == null ? 0 : Math.min(at.z() - plan.groundNearM(), plan.groundFarM() - at.z());
                float keep = (float) Math.clamp(in / 0.02 + 0.5, 0, 1);
                for (int x = 0; x < w; x++) {
                    sum.data()[y * w + x] *= keep;
                }
            }
        });
    }
}
