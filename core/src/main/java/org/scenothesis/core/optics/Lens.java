package org.scenothesis.core.optics;

import org.scenothesis.core.Check;

/// A lens on a sensor: lengths in metres.
///
/// Source: thin-lens geometry; check values in the tests come from `formulas.md`.
public record Lens(double focalM, double sensorWidthM, double fNumber) {
    public Lens {
        Check.positive("focalM", focalM);
        Check.positive("sensorWidthM", sensorWidthM);
        Check.positive("fNumber", fNumber);
    }

    /// The angle of view across the sensor's width, in degrees.
    public double horizontalViewDeg() {
        return Math.toDegrees(2 * Math.atan(sensorWidthM / (2 * focalM)));
    }

    /// Focal length in pixels of a picture `widthPx` wide.
    public double focalPx(int widthPx) {
        return focalM / sensorWidthM * widthPx;
    }

    /// Diameter on the sensor of the blur circle of a point at `distanceM` when focused at `focusM`.
    public double blurCircleM(double distanceM, double focusM) {
        return focalM * focalM / (fNumber * (focusM - focalM)) * Math.abs(distanceM - focusM) / distanceM;
    }

    /// Nearest focus that still holds infinity within a blur circle of `circleM`.
    public double hyperfocalM(double circleM) {
        return focalM * focalM / (fNumber * circleM) + focalM;
    }

    /// The nearest that is sharp within a blur circle of `circleM` when focused at `focusM`.
    public double nearM(double focusM, double circleM) {
        double h = hyperfocalM(circleM);
        return focusM * (h - focalM) / (h + focusM - 2 * focalM);
    }

    /// The farthest that is; infinite from the hyperfocal distance on.
    public double farM(double focusM, double circleM) {
        double h = hyperfocalM(circleM);
        return focusM >= h ? Double.POSITIVE_INFINITY : focusM * (h - focalM) / (h - focusM);
    }

    /// The radius of the entrance pupil, in metres.
    public double apertureRadiusM() {
        return focalM / fNumber / 2;
    }
}
