package org.scenothesis.studio.house;

import java.util.Set;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.production.words.Words;

/// The benches in working order, and which measures are mended on which.
public enum BenchName {
    BOARD(Set.of()),
    BREAK_DOWN(Set.of()),
    SHOOT(Set.of(Measure.ROLL, Measure.BUMP, Measure.DRIFT, Measure.SIZE, Measure.RATE, Measure.LENGTH, Measure.MATRIX, Measure.OUTSIDE)),
    MATCH(Set.of(Measure.CAMERA, Measure.PARALLAX, Measure.EXPOSURE, Measure.WHITE_BALANCE)),
    KEY(Set.of(Measure.SCREEN_EVENNESS, Measure.GREY_INSIDE, Measure.GREY_OUTSIDE, Measure.SPILL, Measure.BORDER)),
    LAYER(Set.of()),
    HAND_OVER(Set.of());

    private final Set<Measure> measures;

    BenchName(Set<Measure> measures) {
        this.measures = measures;
    }

    public String word() {
        return Words.of("bench." + name());
    }

    public boolean mends(Finding f) {
        // A file that cannot be read is mended where takes are brought in, a plate that was never filmed where it is planned.
        if (f.measure() == Measure.MISSING) {
            return this == (f.value() > 0 ? SHOOT : BREAK_DOWN);
        }
        return measures.contains(f.measure());
    }

    /// The bench where a finding can be mended.
    public static BenchName of(Finding f) {
        for (BenchName b : values()) {
            if (b.mends(f)) {
                return b;
            }
        }
        return BOARD;
    }
}
