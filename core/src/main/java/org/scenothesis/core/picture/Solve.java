package org.scenothesis.core.picture;

import org.scenothesis.core.Check;

/// Small dense linear systems, solved in place.
public final class Solve {
    private Solve() {}

    /// Solves an n×(n+1) augmented system by Gaussian elimination with partial pivoting; `m` is used up.
    ///
    /// @throws IllegalArgumentException if the system is singular
    public static double[] gauss(double[][] m) {
        int n = m.length;
        for (int col = 0; col < n; col++) {
            int pivot = col;
            for (int row = col + 1; row < n; row++) {
                if (Math.abs(m[row][col]) > Math.abs(m[pivot][col])) {
                    pivot = row;
                }
            }
            double[] t = m[col];
            m[col] = m[pivot];
            m[pivot] = t;
            Check.that(Math.abs(m[col][col]) > 1e-13, "the system is singular");
            for (int row = 0; row < n; row++) {
                if (row != col) {
                    double k = m[row][col] / m[col][col];
                    for (int j = col; j <= n; j++) {
                        m[row][j] -= k * m[col][j];
                    }
                }
            }
        }
        double[] x = new double[n];
        for (int row = 0; row < n; row++) {
            x[row] = m[row][n] / m[row][row];
        }
        return x;
    }
}
