package org.scenothesis.core.breakdown.plate;

import org.scenothesis.core.breakdown.number.ClothGeometry;

/// A part of the picture that must be on screen: shares of its width and height, standing on the foot of the picture, the cloth it takes,
/// and what moves before it.
public record Region(double widthShare, double heightShare, ClothGeometry.Cloth cloth, Region.Sweep sweep) {
    /// What moves, in metres above its floor, and from where it is seen.
    ///
    /// - `lensM`: height of the lens; `awayM`: from it to what moves; `behindM`: from there to the cloth. All 0 where nothing is known.
    public record Sweep(double bottomM, double topM, double wideM, double lensM, double awayM, double behindM) {
        private static final Sweep NONE = new Sweep(0, 0, 0, 0, 0, 0);

        private Sweep with(Sweep o) {
            return awayM == 0 ? o : o.awayM == 0 ? this
                    : new Sweep(Math.min(bottomM, o.bottomM), Math.max(topM, o.topM), Math.max(wideM, o.wideM), lensM, awayM, behindM);
        }
    }

    private static final ClothGeometry.Cloth NO_CLOTH = new ClothGeometry.Cloth(0, 0, 0, 0);
    public static final Region NONE = new Region(0, 0, NO_CLOTH, Sweep.NONE);
    /// The whole picture, before whatever fills it.
    public static final Region ALL = new Region(1, 1, NO_CLOTH, Sweep.NONE);

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
        return new Region(widthShare, heightShare, new ClothGeometry.Cloth(cloth.wideM(), cloth.topM(), cloth.bottomM(),
                Math.max(cloth.floorM(), lengthM)), sweep);
    }

    /// One cloth for both.
    Region with(Region o) {
        ClothGeometry.Cloth a = cloth;
        ClothGeometry.Cloth b = o.cloth;
        double bottom = a.wideM() == 0 ? b.bottomM() : b.wideM() == 0 ? a.bottomM() : Math.min(a.bottomM(), b.bottomM());
        return new Region(
                Math.max(widthShare, o.widthShare), Math.max(heightShare, o.heightShare),
                new ClothGeometry.Cloth(Math.max(a.wideM(), b.wideM()), Math.max(a.topM(), b.topM()), bottom,
                Math.max(a.floorM(), b.floorM())), sweep.with(o.sweep));
    }
}
