package org.scenothesis.core.breakdown.plate;

import org.scenothesis.core.breakdown.number.ClothGeometry;

/// A part of the picture that must be on screen: shares of its width and height, standing on the foot of the picture, and the cloth it takes.
public record Region(double widthShare, double heightShare, ClothGeometry.Cloth cloth) {
    private static final ClothGeometry.Cloth NO_CLOTH = new ClothGeometry.Cloth(0, 0, 0, 0);
    public static final Region NONE = new Region(0, 0, NO_CLOTH);
    /// The whole picture, before whatever fills it.
    public static final Region ALL = new Region(1, 1, NO_CLOTH);

    /// How wide the cloth must be, in metres.
    public double clothWideM() {
        return cloth.wideM();
    }

    /// How high the hanging cloth must be from edge to edge, in metres.
    public double clothHighM() {
        return cloth.highM();
    }

    /// The same with so much floor cloth at least.
    public Region onFloor(double lengthM) {
        return new Region(widthShare, heightShare, new ClothGeometry.Cloth(cloth.wideM(), cloth.topM(), cloth.bottomM(), Math.max(cloth.floorM(), lengthM)));
    }

    /// One cloth for both.
    Region with(Region o) {
        ClothGeometry.Cloth a = cloth;
        ClothGeometry.Cloth b = o.cloth;
        double bottom = a.wideM() == 0 ? b.bottomM() : b.wideM() == 0 ? a.bottomM() : Math.min(a.bottomM(), b.bottomM());
        return new Region(
                Math.max(widthShare, o.widthShare), Math.max(heightShare, o.heightShare),
                new ClothGeometry.Cloth(Math.max(a.wideM(), b.wideM()), Math.max(a.topM(), b.topM()), bottom, Math.max(a.floorM(), b.floorM())));
    }
}
