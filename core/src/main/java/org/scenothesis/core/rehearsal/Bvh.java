package org.scenothesis.core.rehearsal;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/// A tree of boxes over solids, split at the middle of the longest axis by count.
final class Bvh {
    private static final int LEAF = 3;

    private final Solid[] solids;
    private final double[][] box;
    private final int[] left;
    private final int[] first;
    private final int[] count;
    private int nodes;

    Bvh(List<Solid> list) {
        solids = list.toArray(Solid[]::new);
        int room = Math.max(1, 2 * solids.length);
        box = new double[room][];
        left = new int[room];
        first = new int[room];
        count = new int[room];
        if (solids.length > 0) {
            build(0, solids.length);
        }
    }

    private int build(int from, int to) {
        int node = nodes++;
        double[] b = {1e30, 1e30, 1e30, -1e30, -1e30, -1e30};
        for (int i = from; i < to; i++) {
            double[] s = solids[i].bounds();
            for (int k = 0; k < 3; k++) {
                b[k] = Math.min(b[k], s[k]);
                b[k + 3] = Math.max(b[k + 3], s[k + 3]);
            }
        }
        box[node] = b;
        first[node] = from;
        count[node] = to - from;
        if (to - from <= LEAF) {
            return node;
        }
        int axis = 0;
        for (int k = 1; k < 3; k++) {
            if (b[k + 3] - b[k] > b[axis + 3] - b[axis]) {
                axis = k;
            }
        }
        int on = axis;
        Arrays.sort(solids, from, to, Comparator.comparingDouble(s -> s.bounds()[on] + s.bounds()[on + 3]));
        count[node] = 0;
        int middle = (from + to) / 2;
        build(from, middle);
        left[node] = build(middle, to);
        return node;
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
        int[] stack = new int[48];
        int top = 0;
        int node = 0;
        while (true) {
            if (entered(box[node], ray)) {
                if (count[node] == 0) {
                    stack[top++] = left[node];
                    node = node + 1;
                    continue;
                }
                for (int i = first[node]; i < first[node] + count[node]; i++) {
                    Solid s = solids[i];
                    if (s.owner() != ray.ignoredOwner) {
                        s.hit(ray);
                    }
                }
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

    private static boolean entered(double[] b, Ray r) {
        double x0 = (b[0] - r.ox) * r.ix;
        double x1 = (b[3] - r.ox) * r.ix;
        double in = Math.min(x0, x1);
        double out = Math.max(x0, x1);
        double y0 = (b[1] - r.oy) * r.iy;
        double y1 = (b[4] - r.oy) * r.iy;
        in = Math.max(in, Math.min(y0, y1));
        out = Math.min(out, Math.max(y0, y1));
        double z0 = (b[2] - r.oz) * r.iz;
        double z1 = (b[5] - r.oz) * r.iz;
        in = Math.max(in, Math.min(z0, z1));
        out = Math.min(out, Math.max(z0, z1));
        return out >= Math.max(in, 0) && in < r.far;
    }
}
