package org.scenothesis.core.follow;

/// Gathers pairs of values and says how alike they go: their normalised correlation, which gain and offset do not change.
public final class Likeness {
    private double n;
    private double a;
    private double b;
    private double aa;
    private double bb;
    private double ab;

    /// One pair more.
    public void add(double one, double other) {
        n++;
        a += one;
        b += other;
        aa += one * one;
        bb += other * other;
        ab += one * other;
    }

    /// How many pairs there are.
    public double pairs() {
        return n;
    }

    /// From −1 to 1; 0 where either does not change.
    public double correlation() {
        double of = (aa - a * a / n) * (bb - b * b / n);
        return of > 1e-12 ? (ab - a * b / n) / Math.sqrt(of) : 0;
    }
}
