package org.scenothesis.core.stage.suggest;

import java.util.List;
import org.scenothesis.core.Check;

/// What there is to stage with.
///
/// - `lamps`: how many stand at most on the floor. `standM`: how high a stand reaches. `clothWideM`, `clothHighM`: of the largest cloth.
/// - `lenses`: those that are owned, none where any focal length can be had. `facesM`: how wide the face of each owned lamp is, none where
///   any can be had.
public record AvailableKit(int lamps, double standM, double clothWideM, double clothHighM, List<OwnedLens> lenses, List<Double> facesM) {
    /// A lens of one focal length, in millimetres, and the lowest number it is stopped to.
    public record OwnedLens(double focalMm, double fNumber) {
        public OwnedLens {
            Check.range("focalMm", focalMm, 1, 2000);
            Check.range("fNumber", fNumber, 0.7, 64);
        }
    }

    /// With any lens and lamps of any size.
    public AvailableKit(int lamps, double standM, double clothWideM, double clothHighM) {
        this(lamps, standM, clothWideM, clothHighM, List.of(), List.of());
    }

    public AvailableKit {
        Check.range("lamps", lamps, 0, 40);
        Check.range("standM", standM, 0.3, 12);
        Check.range("clothWideM", clothWideM, 0.3, 60);
        Check.range("clothHighM", clothHighM, 0.3, 30);
        lenses = List.copyOf(lenses);
        facesM = List.copyOf(facesM);
    }

    /// The lowest number any of its lenses is stopped to.
    double widest() {
        return lenses.stream().mapToDouble(OwnedLens::fNumber).min().orElse(1.4);
    }
}
