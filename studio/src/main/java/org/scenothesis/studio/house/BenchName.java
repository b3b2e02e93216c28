package org.scenothesis.studio.house;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Judgement;
import org.scenothesis.production.words.Words;

/// The benches in working order.
public enum BenchName {
    BOARD,
    BREAK_DOWN,
    STAGE,
    SHOOT,
    MATCH,
    KEY,
    LAYER,
    HAND_OVER;

    public String word() {
        return Words.of("bench." + name());
    }

    /// The bench that somebody means by a word.
    public static Optional<BenchName> called(String word) {
        String plain = word.toUpperCase(Locale.ROOT).replace(' ', '_').replace('-', '_');
        return Arrays.stream(values()).filter(b -> b.name().equals(plain) || b.name().replace("_", "").equals(plain)).findFirst();
    }

    /// What of a judgement is mended here.
    public Judgement of(Judgement all) {
        return new Judgement(all.findings().stream().filter(f -> of(f) == this).toList());
    }

    /// The bench where a finding can be mended.
    public static BenchName of(Finding f) {
        return valueOf(f.measure().mend().name());
    }
}
