package org.scenothesis.core.optics;

import java.util.Arrays;
import java.util.Optional;

/// Common sensors, by what is written on cameras; widths in millimetres, as makers state them (a tenth more or less from one to the next).
public enum SensorFormat {
    FULL_FRAME(36),
    SUPER_35(24.9),
    CROP(23.6),
    FOUR_THIRDS(17.3),
    ONE_INCH(13.2),
    PHONE_LARGE(9.8),
    PHONE_USUAL(7.6),
    PHONE_SMALL(5.6);

    private static final double ALIKE_MM = 0.4;

    private final double widthMm;

    SensorFormat(double widthMm) {
        this.widthMm = widthMm;
    }

    /// Width of its whole picture, in millimetres.
    public double widthMm() {
        return widthMm;
    }

    /// The one that is so wide, within 0.4 mm; none for another width.
    public static Optional<SensorFormat> of(double widthMm) {
        return Arrays.stream(values()).filter(f -> Math.abs(f.widthMm - widthMm) < ALIKE_MM).findFirst();
    }
}
