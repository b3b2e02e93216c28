package org.scenothesis.core.key;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.scenothesis.core.Robust;
import org.scenothesis.core.picture.Bands;
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
    private static final int LEAST_MOMENTS = 3;
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
    private final List<boolean[]> cloths = new ArrayList<>();
    private final List<float[]> rooms = new ArrayList<>();
    private int w;
    private int h;

    Worn(Bands bands) {
        this.bands = bands;
    }

    /// One more moment; `sure`: 1 where it surely shows the screen's colour.
    void add(Picture frame, Plane sure) {
        w = Math.min(WIDTH, frame.width());
        h = Math.max(2, frame.height() * w / frame.width());
        float[] share = Resample.scale(sure, w, h, bands).data();
        boolean[] cloth = new boolean[share.length];
        for (int i = 0; i < share.length; i++) {
            cloth[i] = share[i] > 0.5f;
        }
        cloths.add(cloth);
        rooms.add(Resample.scale(frame.g(), w, h, bands).data().clone());
    }

    /// What the moments say together.
    boolean worn() {
        return cloths.size() >= LEAST_MOMENTS && goesAbout() && edgesMove() && roomStands();
    }

    private boolean edgesMove() {
        List<boolean[]> edges = cloths.stream().map(this::edges).toList();
        List<boolean[]> near = edges.stream().map(e -> grown(e, 1)).toList();
        int all = 0;
        int still = 0;
        for (int m = 0; m < edges.size(); m++) {
            for (int i = 0; i < w * h; i++) {
                if (edges.get(m)[i]) {
                    int at = i;
                    long again = near.stream().filter(n -> n[at]).count() - 1;
                    all++;
                    still += again >= AGAIN * (edges.size() - 1) ? 1 : 0;
                }
            }
        }
        return all > 0 && still < STILL * all;
    }

    private boolean goesAbout() {
        double all = area(ever());
        return all > 0 && cloths.stream().mapToDouble(this::area).max().orElse(0) < AT_ONCE * all;
    }

    /// Within the outline of a cloth; 0 where it fills the picture or there is none.
    private double area(boolean[] cloth) {
        Plane p = Plane.of(w, h);
        for (int i = 0; i < cloth.length; i++) {
            p.data()[i] = cloth[i] ? 1 : 0;
        }
        Polygon outline = Cloth.outline(p);
        return outline == null ? 0 : Cloth.area(outline.corners());
    }

    /// Wherever it is at any moment.
    private boolean[] ever() {
        boolean[] ever = new boolean[w * h];
        cloths.forEach(c -> {
            for (int i = 0; i < ever.length; i++) {
                ever[i] |= c[i];
            }
        });
        return ever;
    }

    private boolean roomStands() {
        boolean[] close = grown(ever(), APART);
        double[] changes = new double[w * h];
        int n = 0;
        for (int i = 0; i < close.length; i++) {
            if (!close[i]) {
                float least = Float.MAX_VALUE;
                float most = 0;
                for (float[] r : rooms) {
                    least = Math.min(least, r[i]);
                    most = Math.max(most, r[i]);
                }
                changes[n++] = (most - least) / (most + DARK);
            }
        }
        return n > ROOM * w * h && Robust.median(Arrays.copyOf(changes, n)) < STEADY;
    }

    /// Cells of the cloth beside others that are not.
    private boolean[] edges(boolean[] cloth) {
        boolean[] out = new boolean[cloth.length];
        for (int i = 0; i < cloth.length; i++) {
            int x = i % w;
            out[i] = cloth[i] && (x > 0 && !cloth[i - 1] || x < w - 1 && !cloth[i + 1] || i >= w && !cloth[i - w]
                    || i < w * (h - 1) && !cloth[i + w]);
        }
        return out;
    }

    private boolean[] grown(boolean[] in, int by) {
        boolean[] out = new boolean[in.length];
        for (int i = 0; i < in.length; i++) {
            if (in[i]) {
                for (int y = Math.max(0, i / w - by); y <= Math.min(h - 1, i / w + by); y++) {
                    Arrays.fill(out, y * w + Math.max(0, i % w - by), y * w + Math.min(w - 1, i % w + by) + 1, true);
                }
            }
        }
        return out;
    }
}
