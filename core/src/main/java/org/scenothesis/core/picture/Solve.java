package org.scenothesis.core.picture;

import java.util.Arrays;
import java.util.Optional;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.DecompositionSolver;
import org.hipparchus.linear.LUDecomposition;

/// Small dense linear systems.
public final class Solve {
    private static final double SINGULAR = 1e-13;

    private Solve() {}

    /// Solves an n×(n+1) augmented system by LU decomposition with partial pivoting; empty if it is singular.
    public static Optional<double[]> linear(double[][] m) {
        int n = m.length;
        double[] right = Arrays.stream(m).mapToDouble(row -> row[n]).toArray();
        double[][] left = Arrays.stream(m).map(row -> Arrays.copyOf(row, n)).toArray(double[][]::new);
        DecompositionSolver solver = new LUDecomposition(new Array2DRowRealMatrix(left, false), SINGULAR).getSolver();
        return solver.isNonSingular() ? Optional.of(solver.solve(new ArrayRealVector(right, false)).toArray()) : Optional.empty();
    }

    /// The inverse of a square matrix; not a number throughout where there is none.
    public static double[][] inverse(double[][] m) {
        DecompositionSolver solver = new LUDecomposition(new Array2DRowRealMatrix(m, false), SINGULAR).getSolver();
        if (solver.isNonSingular()) {
            return solver.getInverse().getData();
        }
        double[][] none = new double[m.length][m.length];
        for (double[] row : none) {
            Arrays.fill(row, Double.NaN);
        }
        return none;
    }
}
