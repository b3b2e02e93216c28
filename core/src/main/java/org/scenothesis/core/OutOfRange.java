package org.scenothesis.core;

/// A number that cannot be, with all that is needed to say so in words.
///
/// `lo`, `hi`: between which it has to lie; infinite for no end.
public final class OutOfRange extends IllegalArgumentException {
    private static final long serialVersionUID = 1;

    private final String name;
    private final double value;
    private final double lo;
    private final double hi;

    OutOfRange(String name, double value, double lo, double hi) {
        super(name + " must lie in [" + lo + ", " + hi + "], was " + value);
        this.name = name;
        this.value = value;
        this.lo = lo;
        this.hi = hi;
    }

    /// What the number is called in the code and in files: `lensHeightM`.
    public String name() {
        return name;
    }

    /// What was given.
    public double value() {
        return value;
    }

    /// The least it may be.
    public double lo() {
        return lo;
    }

    /// The most it may be.
    public double hi() {
        return hi;
    }
}
