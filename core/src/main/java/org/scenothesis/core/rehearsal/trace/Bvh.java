package org.scenothesis.core.rehearsal.trace;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/// A tree of boxes over solids, split where the surface area of both halves, weighted by their counts, is least.
///
/// Source: MacDonald & Booth 1990. Nodes lie depth first in flat arrays: the first child follows its parent.
public final class Bvh {
    private static final int LEAF = 1;
    /// A direction along a face would divide nothing by nothing.
    private static final double LEAST = 1e-20;

    private final Ready[] solids;
    private final int[] owners;
    private final float[] box;
    private final int[] second;
    private final int[] first;
    private final int[] count;
    private final byte[] axis;
    private int nodes;

    /// Orders the solids so that a ray meets few of them; an empty list is met by none.
    public Bvh(List<Solid> list) {
        solids = list.stream().map(Solid::ready).toArray(Ready[]::new);
        int room = Math.max(1, 2 * solids.length);
        box = new float[6 * room];
        second = new int[room];
        first = new int[room];
        count = new int[room];
        axis = new byte[room];
        if (solids.length > 0) {
            build(0, solids.length);
        }
        owners = Arrays.stream(solids).mapToInt(s -> s.solid.owner()).toArray();
    }

    private int build(int from, int to) {
        int node = nodes++;
        double[] b = boundsOf(from, to);
        for (int k = 0; k < 3; k++) {
            box[6 * node + k] = (float) (b[k] - pad(b[k]));
            box[6 * node + 3 + k] = (float) (b[k + 3] + pad(b[k + 3]));
        }
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
                grow(grown, solids[i].solid.bounds());
                after[i - from] = area(grown);
            }
            grown = empty();
            for (int i = from + 1; i < to; i++) {
                grow(grown, solids[i - 1].solid.bounds());
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

    private static double pad(double b) {
        return 1e-5 + 1e-6 * Math.abs(b);
    }

    private void sort(int from, int to, int k) {
        Arrays.sort(solids, from, to, Comparator.comparingDouble(s -> s.solid.bounds()[k] + s.solid.bounds()[k + 3]));
    }

    private double[] boundsOf(int from, int to) {
        double[] b = empty();
        for (int i = from; i < to; i++) {
            grow(b, solids[i].solid.bounds());
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

    /// Goes through the tree, the nearer box first.
    ///
    /// Distances are compared as the bits of their floats, which for positive ones order alike: whole numbers are chosen between without a
    /// jump, and which box is met cannot be foreseen. Boxes are padded for what floats round away.
    private void visit(Ray ray) {
        int[] stack = ray.stack;
        int[] entries = ray.entries;
        float[] b = box;
        float ox = (float) ray.ox;
        float oy = (float) ray.oy;
        float oz = (float) ray.oz;
        float ix = inverse(ray.dx);
        float iy = inverse(ray.dy);
        float iz = inverse(ray.dz);
        // Which plane of each pair lies nearer is known from the ray's direction.
        int nx = ix >= 0 ? 0 : 3;
        int ny = iy >= 0 ? 1 : 4;
        int nz = iz >= 0 ? 2 : 5;
        int most = bits(ray.far);
        int top = 0;
        int node = 0;
        while (true) {
            int n = count[node];
            if (n == 0) {
                int one = node + 1;
                int other = second[node];
                int toOne = entry(b, 6 * one, nx, ny, nz, ox, oy, oz, ix, iy, iz);
                int toOther = entry(b, 6 * other, nx, ny, nz, ox, oy, oz, ix, iy, iz);
                int near = Math.min(toOne, toOther);
                int far = Math.max(toOne, toOther);
                int nearer = toOne <= toOther ? one : other;
                // Written in any case, and counted only where it is met.
                stack[top] = one + other - nearer;
                entries[top] = far;
                top += far < most ? 1 : 0;
                if (near < most) {
                    node = nearer;
                    continue;
                }
            } else {
                meet(ray, first[node], first[node] + n);
                most = bits(ray.far);
                if (ray.shadow && ray.met != null) {
                    return;
                }
            }
            // What was met meanwhile may lie before what waits.
            do {
                if (top == 0) {
                    return;
                }
                top--;
            } while (entries[top] >= most);
            node = stack[top];
        }
    }

    private static float inverse(double d) {
        return (float) (1 / (Math.abs(d) < LEAST ? Math.copySign(LEAST, d) : d));
    }

    private static int bits(double distance) {
        return Float.floatToRawIntBits(Math.nextUp((float) distance));
    }

    private void meet(Ray ray, int from, int to) {
        for (int i = from; i < to; i++) {
            if (owners[i] != ray.ignoredOwner) {
                solids[i].hit(ray);
            }
        }
    }

    /// How far along the ray a box is entered, as bits, 0 from inside; beyond all where it is passed by.
    private static int entry(float[] box, int at, int nx, int ny, int nz, float ox, float oy, float oz, float ix, float iy, float iz) {
        int x = Float.floatToRawIntBits((box[at + nx] - ox) * ix);
        int y = Float.floatToRawIntBits((box[at + ny] - oy) * iy);
        int z = Float.floatToRawIntBits((box[at + nz] - oz) * iz);
        int xOut = Float.floatToRawIntBits((box[at + 3 - nx] - ox) * ix);
        int yOut = Float.floatToRawIntBits((box[at + 5 - ny] - oy) * iy);
        int zOut = Float.floatToRawIntBits((box[at + 7 - nz] - oz) * iz);
        int in = Math.max(Math.max(x, y), Math.max(z, 0));
        int out = Math.min(Math.min(xOut, yOut), zOut);
        return in <= out ? in : Integer.MAX_VALUE;
    }
}
