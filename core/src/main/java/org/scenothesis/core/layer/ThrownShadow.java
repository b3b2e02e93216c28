package org.scenothesis.core.layer;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Blur;
import org.scenothesis.core.picture.Box;
import org.scenothesis.core.picture.PlanarMap;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Resample;

/// A matte thrown through a planar map, softer the further it falls: it is cut into strips by height, each blurred by its own.
final class ThrownShadow {
    static final Mask NONE = Mask.of(Plane.of(1, 1));
    private static final int STRIPS = 4;

    private ThrownShadow() {}

    private record Strip(double top, double bottom, Box from, double sigmaPx) {}

    /// How much of the matte falls on every pixel of `frame`, 0 to 1.
    ///
    /// - `map`: a pixel of what throws to where its shadow falls. `sigmaPx`: how soft the shadow of a row is, as a deviation.
    static Mask of(Mask matte, PlanarMap map, DoubleUnaryOperator sigmaPx, Box frame, Bands bands) {
        Box card = Box.around(matte.coverage(), 0.02f).moved(matte.at().left(), matte.at().top());
        List<Mask> casts = new ArrayList<>();
        for (int k = 0; k < STRIPS && !card.isEmpty(); k++) {
            double top = card.top() + card.height() * (double) k / STRIPS;
            double bottom = card.top() + card.height() * (k + 1.0) / STRIPS;
            cast(matte, new Strip(top, bottom, card, sigmaPx.applyAsDouble((top + bottom) / 2)), map, frame, bands).ifPresent(casts::add);
        }
        return casts.isEmpty() ? NONE : sum(casts);
    }

    /// How much falls on every pixel of all together, no more than 1.
    static Mask sum(List<Mask> casts) {
        Box box = casts.stream().map(Mask::at).reduce(Box::and).orElseThrow();
        int w = box.width();
        Plane sum = Plane.of(w, box.height());
        for (Mask m : casts) {
            int at = (m.at().top() - box.top()) * w + m.at().left() - box.left();
            for (int i = 0; i < m.coverage().data().length; i++) {
                sum.data()[at + i / m.at().width() * w + i % m.at().width()] += m.coverage().data()[i];
            }
        }
        for (int i = 0; i < sum.data().length; i++) {
            sum.data()[i] = Math.clamp(sum.data()[i], 0f, 1f);
        }
        return new Mask(sum, box);
    }

    /// The blurred shadow of one strip of the card, only as large as where it falls.
    private static Optional<Mask> cast(Mask matte, Strip s, PlanarMap map, Box frame, Bands bands) {
        Box from = new Box(s.from.left(), (int) Math.floor(s.top), s.from.right(), (int) Math.ceil(s.bottom)).within(matte.at());
        // Where it falls before it is blurred, and where it may be after that.
        Box sharp = Box.around(from.corners().stream().map(map::map).toList()).grown(2).within(frame);
        Box to = sharp.grown((int) Math.ceil(3 * s.sigmaPx)).within(frame);
        if (from.isEmpty() || sharp.isEmpty()) {
            return Optional.empty();
        }
        // A border of nothing, which is what is held beyond it.
        Box bordered = from.grown(2);
        Plane strip = Plane.of(bordered.width(), bordered.height());
        for (int y = from.top(); y < from.bottom(); y++) {
            float part = (float) (Math.min(s.bottom, y + 1) - Math.max(s.top, y));
            int in = (y - matte.at().top()) * matte.at().width() - matte.at().left();
            int out = (y - bordered.top()) * bordered.width() - bordered.left();
            for (int x = from.left(); x < from.right(); x++) {
                strip.data()[out + x] = matte.coverage().data()[in + x] * part;
            }
        }
        Plane fallen = Plane.of(sharp.width(), sharp.height());
        Resample.warpInto(strip, map.inverse().between(sharp, bordered), fallen, bands);
        Plane cast = sharp.moved(-to.left(), -to.top()).put(fallen, to.width(), to.height(), 0);
        return Optional.of(new Mask(Blur.gaussian(cast, s.sigmaPx, bands), to));
    }
}
