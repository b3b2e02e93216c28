package org.scenothesis.core.layer;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.optics.LensBend;
import org.scenothesis.core.picture.Displace;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Piece;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.picture.Solve;
import org.scenothesis.core.shot.step.LensMatch;
import org.scenothesis.core.shot.step.Ripple;
import org.scenothesis.core.shot.step.Warp;
import org.scenothesis.core.value.Animated;

/// Bends a picture: by pins, with a thin-plate spline through them and the corners (Duchon 1977, Bookstein 1989), in rings from a point,
/// and from one lens to another.
final class BendUnit {
    private BendUnit() {}

    static LayerState apply(Warp warp, LayerState before, Scene scene) {
        List<Point> to = pixels(warp.points(scene.seconds()), scene);
        List<Point> from = pixels(warp.at(), scene);
        if (to.equals(from)) {
            return before;
        }
        for (Point c : scene.frame().corners()) {
            to.add(c);
            from.add(c);
        }
        return bent(before, spline(to, from), scene);
    }

    static LayerState apply(Ripple r, LayerState before, Scene scene) {
        double height = r.heightPx().at(scene.seconds(), Animated::number);
        List<Point> p = pixels(r.points(scene.seconds()), scene);
        Point middle = p.get(0);
        double reach = p.get(1).minus(middle).length();
        if (height == 0 || reach < 1) {
            return before;
        }
        return bent(before, (x, y) -> {
            Point off = new Point(x, y).minus(middle);
            double d = off.length();
            if (d >= reach || d < 1e-6) {
                return Point.ZERO;
            }
            double fade = 1 - d / reach;
            double wave = height * fade * fade * (3 - 2 * fade) * Math.sin(
                    2 * Math.PI * (d / r.lengthPx() - r.perSecond() * scene.seconds()));
            return off.times(wave / d);
        }, scene);
    }

    /// Both lenses look through the middle of the picture.
    static LayerState apply(LensMatch l, LayerState before, Scene scene) {
        LensBend own = new LensBend(l.own().k1());
        LensBend plate = new LensBend(l.plate().k1());
        if (own.k1() == 0 && plate.k1() == 0) {
            return before;
        }
        Point middle = new Point(scene.width() / 2.0, scene.height() / 2.0);
        double fo = l.own().focal() * scene.width();
        double fp = l.plate().focal() * scene.width();
        return bent(before, (x, y) -> {
            Point p = new Point(x, y).minus(middle);
            Point straight = plate.straight(p.times(1 / fp)).times(fp);
            return own.bent(straight.times(1 / fo)).times(fo).minus(p);
        }, scene);
    }

    private static List<Point> pixels(List<Point> shares, Scene scene) {
        List<Point> out = new ArrayList<>();
        shares.forEach(p -> out.add(new Point(p.x() * scene.width(), p.y() * scene.height())));
        return out;
    }

    private static LayerState bent(LayerState before, Displace.Field field, Scene scene) {
        LayerState l = (before.shaped() ? before.cutOut(scene) : before.gained(scene)).sampled(scene);
        Picture in = l.cut() ? l.piece().spread(scene.width(), scene.height()) : l.piece().picture();
        Plane alpha = in.a();
        Picture out = Picture.of(in.width(), in.height()).withAlpha(alpha == null ? null : Plane.of(in.width(), in.height()));
        Displace.into(planes(in), field, planes(out), scene.bands());
        if (alpha != null) {
            float[] a = out.alpha().data();
            for (int i = 0; i < a.length; i++) {
                a[i] = Math.clamp(a[i], 0f, 1f);
            }
        }
        return l.withPiece(Piece.whole(out), l.cut());
    }

    private static List<Plane> planes(Picture p) {
        List<Plane> out = new ArrayList<>(p.colours());
        if (p.a() != null) {
            out.add(p.alpha());
        }
        return out;
    }

    /// The smooth field that is `from − to` at every `to`; none where the pins allow no such field.
    private static Displace.Field spline(List<Point> to, List<Point> from) {
        int n = to.size();
        double[][] xs = new double[n + 3][n + 4];
        double[][] ys = new double[n + 3][n + 4];
        for (int i = 0; i < n; i++) {
            Point p = to.get(i);
            double[] row = new double[n + 4];
            for (int j = 0; j < n; j++) {
                row[j] = bend(p.minus(to.get(j)));
                xs[n][j] = 1;
                xs[n + 1][j] = to.get(j).x();
                xs[n + 2][j] = to.get(j).y();
            }
            row[n] = 1;
            row[n + 1] = p.x();
            row[n + 2] = p.y();
            row[n + 3] = from.get(i).x() - p.x();
            xs[i] = row;
            ys[i] = row.clone();
            ys[i][n + 3] = from.get(i).y() - p.y();
        }
        for (int k = n; k < n + 3; k++) {
            ys[k] = xs[k].clone();
        }
        double[] kx = Solve.linear(xs).orElse(null);
        double[] ky = Solve.linear(ys).orElse(null);
        return kx == null || ky == null ? (x, y) -> Point.ZERO : (x, y) -> new Point(value(kx, to, x, y), value(ky, to, x, y));
    }

    private static double value(double[] k, List<Point> at, double x, double y) {
        int n = at.size();
        double v = k[n] + k[n + 1] * x + k[n + 2] * y;
        for (int i = 0; i < n; i++) {
            v += k[i] * bend(new Point(x - at.get(i).x(), y - at.get(i).y()));
        }
        return v;
    }

    /// r² log r, up to a factor.
    private static double bend(Point p) {
        double r2 = p.x() * p.x() + p.y() * p.y();
        return r2 < 1e-12 ? 0 : r2 * Math.log(r2);
    }
}
