package org.scenothesis.core.key;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;

/// Pictures and counts that show a key to the eye.
public final class KeyViews {
    /// The separations that are counted: a little below empty to a little above solid.
    public static final double LOW = -0.2;
    public static final double HIGH = 1.2;

    private KeyViews() {}

    /// Makes the slightest grey visible: what is nearly black or nearly white is spread by eight.
    public static Plane stretched(Plane matte) {
        Plane out = Plane.of(matte.width(), matte.height());
        for (int i = 0; i < out.data().length; i++) {
            float v = matte.data()[i];
            out.data()[i] = v < 0.5f ? Math.min(0.5f, 8 * v) : Math.max(0.5f, 1 - 8 * (1 - v));
        }
        return out;
    }

    /// What each pixel of a matte is: black empty, grey edge, white solid; red holes, yellow dirt, blue where the cloth shows through.
    public static Picture areas(MatteAreas areas) {
        Picture out = Picture.of(areas.width(), areas.height());
        for (int i = 0; i < areas.width() * areas.height(); i++) {
            float[] rgb = colour(areas.at(i));
            for (int c = 0; c < 3; c++) {
                out.colours().get(c).data()[i] = rgb[c];
            }
        }
        return out;
    }

    /// At most `n` places along the outline of a matte, the way round, in shares of the picture.
    public static List<Point> along(Plane alpha, int n) {
        int w = alpha.width();
        int h = alpha.height();
        List<Point> rim = new ArrayList<>();
        Point sum = new Point(0, 0);
        for (int y = 1; y < h - 1; y++) {
            for (int x = 1; x < w - 1; x++) {
                boolean here = alpha.at(x, y) >= 0.5f;
                if (here && (alpha.at(x - 1, y) < 0.5f || alpha.at(x + 1, y) < 0.5f || alpha.at(x, y - 1) < 0.5f
                        || alpha.at(x, y + 1) < 0.5f)) {
                    rim.add(new Point((x + 0.5) / w, (y + 0.5) / h));
                    sum = sum.plus(rim.getLast());
                }
            }
        }
        Point middle = sum.times(1.0 / Math.max(1, rim.size()));
        List<Point> round = rim.stream().sorted(Comparator.comparingDouble((Point p) -> Math.atan2(p.y() - middle.y(), p.x() - middle.x())))
                .toList();
        int count = Math.min(n, round.size());
        return IntStream.range(0, count).mapToObj(k -> round.get((int) ((long) k * round.size() / count))).toList();
    }

    private static float[] colour(MatteAreas.Status s) {
        return switch (s) {
            case EMPTY -> new float[] {0.008f, 0.008f, 0.009f};
            case EDGE -> new float[] {0.16f, 0.16f, 0.16f};
            case SOLID -> new float[] {0.8f, 0.79f, 0.75f};
            case HOLE -> new float[] {0.81f, 0.14f, 0.08f};
            case DIRT -> new float[] {0.9f, 0.55f, 0.05f};
            case SEE_THROUGH -> new float[] {0.11f, 0.63f, 0.75f};
        };
    }

    /// The screen channel in steps of a quarter stop around its middle, in the cloth's hue; what is no cloth is dark.
    public static Picture evenness(ScreenModel m) {
        boolean green = m.hue() == ScreenHue.GREEN;
        Plane s = m.hue().screen(m.colour());
        Plane other = green ? m.colour().b() : m.colour().g();
        float[] sorted = s.data().clone();
        Arrays.sort(sorted);
        double middle = Math.max(1e-4, sorted[(int) (sorted.length * 0.6)]);
        Picture out = Picture.of(s.width(), s.height());
        for (int i = 0; i < s.data().length; i++) {
            double stops = Math.log(Math.max(1e-4, s.data()[i]) / middle) / Math.log(2);
            float level = (float) Math.clamp(0.25 + 0.09 * Math.rint(stops * 4), 0.02, 0.8);
            boolean cloth = s.data()[i] > 1.3f * Math.max(m.colour().r().data()[i], other.data()[i]);
            out.r().data()[i] = cloth ? 0.12f * level : 0.03f;
            out.g().data()[i] = cloth && green ? level : cloth ? 0.3f * level : 0.03f;
            out.b().data()[i] = cloth && !green ? level : cloth ? 0.2f * level : 0.03f;
        }
        return out;
    }

    /// How many pixels that count stand how far from the screen: as roots of shares of the fullest of `bins`, from [#LOW] to [#HIGH].
    public static double[] counts(Plane separation, Plane inside, int bins) {
        double[] counts = new double[bins];
        for (int i = 0; i < separation.data().length; i++) {
            if (inside.data()[i] > 0.5f) {
                counts[Math.clamp((int) ((separation.data()[i] - LOW) / (HIGH - LOW) * bins), 0, bins - 1)]++;
            }
        }
        double most = Arrays.stream(counts).max().orElse(1);
        for (int i = 0; i < bins; i++) {
            counts[i] = most == 0 ? 0 : Math.sqrt(counts[i] / most);
        }
        return counts;
    }
}
