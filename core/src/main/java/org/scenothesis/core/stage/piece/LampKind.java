package org.scenothesis.core.stage.piece;

/// What gives light, with what it usually is: size, output along its axis in candela (of sun and sky: lux), width of its beam, colour, and
/// what it takes from the mains.
public enum LampKind {
    POINT(0.12, 0.12, 4000, 60, 5600, 100),
    TUBE(0.08, 1.2, 1200, 120, 5600, 60),
    SOFT_BOX(0.8, 0.8, 2500, 110, 5600, 150),
    DOME(0.6, 0.6, 900, 120, 5600, 60),
    WINDOW(1.2, 1.4, 5000, 120, 6500, 0),
    SUN(0.0093, 0.0093, 80_000, 120, 5500, 0),
    SKY(1, 1, 12_000, 120, 7000, 0),
    /// A lamp that is seen in the picture.
    PRACTICAL(0.15, 0.15, 60, 120, 2900, 10);

    private final double wideM;
    private final double highM;
    private final double output;
    private final double beamDeg;
    private final double kelvin;
    private final double watts;

    LampKind(double wideM, double highM, double output, double beamDeg, double kelvin, double watts) {
        this.wideM = wideM;
        this.highM = highM;
        this.output = output;
        this.beamDeg = beamDeg;
        this.kelvin = kelvin;
        this.watts = watts;
    }

    double wideM() {
        return wideM;
    }

    double highM() {
        return highM;
    }

    double output() {
        return output;
    }

    double beamDeg() {
        return beamDeg;
    }

    double kelvin() {
        return kelvin;
    }

    double watts() {
        return watts;
    }

    /// Whether it shines from so far that no distance counts; its size is then an angle, width over distance.
    public boolean distant() {
        return this == SUN;
    }

    /// Whether its light comes from everywhere.
    public boolean everywhere() {
        return this == SKY;
    }

    /// Whether it stands on a stand of the crew's.
    public boolean carried() {
        return this == POINT || this == TUBE || this == SOFT_BOX || this == DOME;
    }
}
