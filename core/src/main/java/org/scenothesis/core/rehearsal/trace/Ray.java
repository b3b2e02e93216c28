package org.scenothesis.core.rehearsal.trace;

import org.jspecify.annotations.Nullable;

/// A ray being traced and its nearest meeting so far. Mutable and one per thread, for speed.
public final class Ray {
    double ox;
    double oy;
    double oz;
    double dx;
    double dy;
    double dz;
    double ix;
    double iy;
    double iz;
    double far;
    boolean shadow;
    final int[] stack = new int[64];
    final int[] entries = new int[64];
    int ignoredOwner;

    @Nullable Solid met;
    double nx;
    double ny;
    double nz;
    double u;
    double v;

    @SuppressWarnings("NullAway.Init")
    Ray() {}

    void aim(double x, double y, double z, double dirX, double dirY, double dirZ) {
        ox = x;
        oy = y;
        oz = z;
        dx = dirX;
        dy = dirY;
        dz = dirZ;
        ix = 1 / dx;
        iy = 1 / dy;
        iz = 1 / dz;
        far = 1e30;
        met = null;
        shadow = false;
        ignoredOwner = -1;
    }

    void meet(Solid solid, double t, double normalX, double normalY, double normalZ) {
        far = t;
        met = solid;
        nx = normalX;
        ny = normalY;
        nz = normalZ;
    }
}
