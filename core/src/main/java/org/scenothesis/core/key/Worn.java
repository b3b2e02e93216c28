package org.scenothesis.core.key;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.scenothesis.core.Robust;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Morphology;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Polygon;
import org.scenothesis.core.picture.Resample;

/// Whether what has the screen's colour is worn, a suit or sleeves, instead of hanging there: then all around it stays, and nothing is cut
/// away by an outline round it.
///
/// - A cloth has edges that stand still, and all of its outline is seen at some moment, however much moves before it. Of what is worn most
///   edges move, and it is never everywhere where it goes in the take, while the room around stands still. Where the room moves as well,
///   or too little is seen of it, a cloth is assumed.
/// - Source: own; thresholds measured on rendered cloths and suits.
final class Worn {
    private static final int WIDTH = 160;
    /// In how many of the other moments an edge is found again that stands still.
    private static final double AGAIN = 0.6;
    /// Of the edges, the most that seem to stand still of what is worn: some slide along themselves.
    private static final double STILL = 0.33;
    /// Of all the places where it goes, the most that it fills at once if it is worn.
    private static final double AT_ONCE = 0.88;
    /// How much the room may change and stand still, as a share of its light, and how much of it has to be seen.
    private static final double STEADY = 0.08;
    private static final double ROOM = 0.1;
    private static final int APART = 3;
    private static final float DARK = 0.01f;

    private final Bands bands;
    private final List<Plane> cloths = new ArrayList<>();
    private final List<Plane> rooms = new ArrayList<>();

    Worn(Bands bands) {
        this.bands = bands;
    }

    /// One more moment; `sure`: 1 where it surely shows the screen's colour.
    void add(Picture frame, Plane sure) {
        int w = Math.min(WIDTH, frame.width());
        int h = Math.max(2, frame.height() * w / frame.width());
        Plane cloth = Resample.scale(sure, w, h, bands).copy();
        for (int i = 0; i < cloth.data().length; i++) {
            cloth.data()[i] = Math.round(cloth.data()[i]);
        }
        cloths.add(cloth);
        rooms.add(Resample.scale(frame.g(), w, h, bands).copy());
    }

    /// What at least three moments say together.
    boolean worn() {
        Plane ever = ever();
        return goesAbout(ever) && edgesMove() && roomStands(ever);
    }

    /// Wherever it is at any moment.
    private Plane ever() {
        Plane out = cloths.getFirst().copy();
        for (Plane c : cloths) {
            for (int i = 0; i < c.data().length; i++) {
                out.data()[i] = Math.max(out.data()[i], c.data()[i]);
            }
        }
        return out;
    }

    private boolean goesAbout(Plane ever) {
        return cloths.stream().mapToDouble(Worn::area).max().orElse(0) < AT_ONCE * area(ever);
    }

    /// Within the outline of a cloth; 0 where it fills the picture or there is none.
    private static double area(Plane cloth) {
        Polygon outline = Cloth.outline(cloth);
        return outline == null ? 0 : Cloth.area(outline.corners());
    }

    private boolean edgesMove() {
        List<Plane> edges = cloths.stream().map(this::edges).toList();
        List<Plane> near = edges.stream().map(e -> Morphology.dilate(e, 1, bands)).toList();
        int all = 0;
        int still = 0;
        for (Plane e : edges) {
            for (int i = 0; i < e.data().length; i++) {
                if (e.data()[i] > 0) {
                    int at = i;
                    long again = near.stream().filter(n -> n.data()[at] > 0).count() - 1;
                    all++;
                    still += again >= AGAIN * (edges.size() - 1) ? 1 : 0;
                }
            }
        }
        return still < STILL * all;
    }

    /// Cells of the cloth beside others that are not.
    private Plane edges(Plane cloth) {
        Plane out = cloth.copy();
        Plane within = Morphology.erode(cloth, 1, bands);
        for (int i = 0; i < out.data().length; i++) {
            out.data()[i] -= within.data()[i];
        }
        return out;
    }

    private boolean roomStands(Plane ever) {
        Plane close = Morphology.dilate(ever, APART, bands);
        double[] changes = new double[close.data().length];
        int n = 0;
        for (int i = 0; i < changes.length; i++) {
            if (close.data()[i] == 0) {
                float least = Float.MAX_VALUE;
                float most = 0;
                for (Plane r : rooms) {
                    least = Math.min(least, r.data()[i]);
                    most = Math.max(most, r.data()[i]);
                }
                changes[n++] = (most - least) / (most + DARK);
            }
        }
        return n > ROOM * changes.length && Robust.median(Arrays.copyOf(changes, n)) < STEADY;
    }
}
