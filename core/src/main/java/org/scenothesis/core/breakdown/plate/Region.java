package org.scenothesis.core.breakdown.plate;

/// A part of the picture that must be on screen: shares of its width and height, standing on the foot of the picture, and the cloth in metres it takes.
public record Region(double widthShare, double heightShare, double clothWideM, double clothHighM) {
    public static final Region NONE = new Region(0, 0, 0, 0);

    Region with(Region o) {
        return new Region(
                Math.max(widthShare, o.widthShare), Math.max(heightShare, o.heightShare), Math.max(clothWideM, o.clothWideM), Math.max(clothHighM, o.clothHighM));
    }
}
