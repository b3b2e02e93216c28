package org.scenothesis.core.rehearsal.trace;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/// A tree of boxes over solids, split where the surface area of both halves, weighted by their counts, is least.
///
/// Source: MacDonald & Booth 1990. Nodes lie depth first in flat arrays: the first child follows its parent.
public final class Bvh {
    private static final int LEAF = 2;

    private final Solid[] solids;
    private final int[] owners;
    private final double[] box;
    private final int[] second;
    private final int[] first;
    private final int[] count;
    private final byte[] axis;
    private int nodes;

    /// Orders the solids so that a ray meets few of them; an empty list is met by none.
    public Bvh(List<Solid> list) {
        solids = list.stream().map(Solid::ready).toArray(Solid[]::new);
        int room = Math.max(1, 2 * solids.length);
        box = new double[6 * room];
        second = new int[room];
        first = new int[room];
        count = new int[room];
        axis = new byte[room];
        if (solids.length > 0) {
            build(0, solids.length);
        }
        owners = Arrays.stream(solids).mapToInt(Solid::owner).toArray();
    }

    private int build(int from, int to) {
        int node = nodes++;
        double[] b = boundsOf(from, to);
        System.arraycopy(b, 0, box, 6 * node, 6);
        first[node] = from;
        count[node] = to - from;
        if (to - from <= LEAF) {
            return node;
        }
        double best = Double.MAX_VALUE;
        int bestAxis = 0;
        int bestAt = (from + to) / 2;
        for (int k = 0; k < 3; k++) {
            sort(from, to, k);
            double[] after = new double[to - from];
            double[] grown = empty();
            for (int i = to - 1; i > from; i--) {
                grow(grown, solids[i].bounds());
                after[i - from] = area(grown);
            }
            grown = empty();
            for (int i = from + 1; i < to; i++) {
                grow(grown, solids[i - 1].bounds());
                double cost = area(grown) * (i - from) + after[i - from] * (to - i);
                if (cost < best) {
                    best = cost;
                    bestAxis = k;
                    bestAt = i;
                }
            }
        }
        sort(from, to, bestAxis);
        count[node] = 0;
        axis[node] = (byte) bestAxis;
        build(from, bestAt);
        second[node] = build(bestAt, to);
        return node;
    }

    private void sort(int from, int to, int k) {
        Arrays.sort(solids, from, to, Comparator.comparingDouble(s -> s.bounds()[k] + s.bounds()[k + 3]));
    }

    private double[] boundsOf(int from, int to) {
        double[] b = empty();
        for (int i = from; i < to; i++) {
            grow(b, solids[i].bounds());
        }
        return b;
    }

    private static double[] empty() {
        return new double[] {1e30, 1e30, 1e30, -1e30, -1e30, -1e30};
    }

    private static void grow(double[] b, double[] by) {
        for (int k = 0; k < 3; k++) {
            b[k] = Math.min(b[k], by[k]);
            b[k + 3] = Math.max(b[k + 3], by[k + 3]);
        }
    }

    private static double area(double[] b) {
        double x = b[3] - b[0];
        double y = b[4] - b[1];
        double z = b[5] - b[2];
        return x * y + y * z + z * x;
    }

    /// Finds the nearest meeting.
    void trace(Ray ray) {
        if (nodes > 0) {
            visit(ray);
        }
    }

    /// Whether anything stands between the origin and `ray.far`.
    boolean blocked(Ray ray) {
        double far = ray.far;
        if (nodes > 0) {
            visit(ray);
        }
        return ray.far < far;
    }

    private void visit(Ray ray) {
        int[] stack = ray.stack;
        int top = 0;
        int node = 0;
        while (true) {
            if (entered(6 * node, ray)) {
                int n = count[node];
                if (n == 0) {
                    boolean forward = (axis[node] == 0 ? ray.dx : axis[node] == 1 ? ray.dy : ray.dz) >= 0;
                    stack[top++] = forward ? second[node] : node + 1;
                    node = forward ? node + 1 : second[node];
                    continue;
                }
                meet(ray, first[node], first[node] + n);
                if (ray.shadow && ray.met != null) {
                    return;
                }
            }
            if (top == 0) {
                return;
            }
            node = stack[--top];
        }
    }

    private void meet(Ray ray, int from, int to) {
        for (int i = from; i < to; i++) {
            if (owners[i] != ray.ignoredOwner) {
                solids[i].hit(ray);
            }
        }
    }

    private boolean entered(int at, Ray r) {
        double x0 = (box[at] - r.ox) * r.ix;
        double x1 = (box[at + 3] - r.ox) * r.ix;
        double y0 = (box[at + 1] - r.oy) * r.iy;
        double y1 = (box[at + 4] - r.oy) * r.iy;
        double z0 = (box[at + 2] - r.oz) * r.iz;
        double z1 = (box[at + 5] - r.oz) * r.iz;
        // Plain comparisons: Math.min and Math.max spend half the traversal on NaN and signed zeros.
        double in = x0 < x1 ? x0 : x1;
        double out = x0 < x1 ? x1 : x0;
        double yIn = y0 < y1 ? y0 : y1;
        double yOut = y0 < y1 ? y1 : y0;
        double zIn = z0 < z1 ? z0 : z1;
        double zOut = z0 < z1 ? z1 : z0;
        in = yIn > in ? yIn : in;
        in = zIn > in ? zIn : in;
        out = yOut < out ? yOut : out;
        out = zOut < out ? zOut : out;
        return in <= out && out >= 0 && in < r.far;
    }
}
