package org.scenothesis.core.rehearsal;

import java.util.ArrayList;
import java.util.List;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.rehearsal.trace.Material;
import org.scenothesis.core.rehearsal.trace.Panel;
import org.scenothesis.core.rehearsal.trace.Pattern;
import org.scenothesis.core.rehearsal.trace.Rgb;
import org.scenothesis.core.rehearsal.trace.RoundCone;
import org.scenothesis.core.rehearsal.trace.Solid;

/// A screen cloth hung on a pipe behind the bench, and the rod painted in its colour.
///
/// - `wrinkle`: slope of folds and creases, 0 for a stretched cloth.
public record ScreenCloth(Vec lowerLeft, double widthM, double heightM, double wrinkle, Rgb colour) {
    public static final Rgb GREEN = new Rgb(0.060, 0.42, 0.10);
    public static final Rgb BLUE = new Rgb(0.05, 0.11, 0.46);

    /// The cloth and what it hangs from.
    public Scenery stage() {
        List<Solid> s = new ArrayList<>();
        Material dyed = Material.patterned(Pattern.CLOTH, 1, colour, colour.times(0.7));
        s.add(new Panel(lowerLeft, new Vec(widthM, 0, 0), new Vec(0, heightM, 0), wrinkle, false, dyed, 0));
        Material pipe = Material.matte(Rgb.grey(0.10)).glossy(0.1, 0.3);
        double y = lowerLeft.y() + heightM + 0.02;
        double right = lowerLeft.x() + widthM;
        s.add(new RoundCone(new Vec(lowerLeft.x() - 0.12, y, lowerLeft.z()), new Vec(right + 0.12, y, lowerLeft.z()), 0.018, 0.018, pipe,
                0));
        for (double x : new double[] {lowerLeft.x() - 0.10, right + 0.10}) {
            s.add(new RoundCone(new Vec(x, 0.02, lowerLeft.z()), new Vec(x, y, lowerLeft.z()), 0.016, 0.016, pipe, 0));
        }
        return new Scenery(s, List.of());
    }

    /// A rod from `fromM` above the floor that holds something from below, painted in the screen's colour.
    public Solid rod(double fromM, Vec top, int owner) {
        Material painted = Material.matte(colour.times(0.9));
        return new RoundCone(new Vec(top.x() + 0.02, fromM, top.z() + 0.05), top, 0.010, 0.010, painted, owner);
    }
}
