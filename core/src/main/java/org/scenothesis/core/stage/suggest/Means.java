package org.scenothesis.core.stage.suggest;

import org.scenothesis.core.Check;

/// What there is to stage with.
///
/// - `lamps`: how many stand at most on the floor. `standM`: how high a stand reaches. `clothWideM`, `clothHighM`: of the largest cloth.
public record Means(int lamps, double standM, double clothWideM, double clothHighM) {
    public Means {
        Check.range("lamps", lamps, 0, 40);
        Check.range("standM", standM, 0.3, 12);
        Check.range("clothWideM", clothWideM, 0.3, 60);
        Check.range("clothHighM", clothHighM, 0.3, 30);
    }
}
