package org.scenothesis.core.breakdown.fact;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.Check;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.Setting;

/// What was told, first about an illusion, then about the setting, then what is assumed. An answer that cannot be one counts as not given.
public record Answers(Map<String, String> illusion, Map<String, String> setting) {
    /// What was told of an illusion, and behind it of its shot.
    public static Answers of(Illusion w, Setting s) {
        return new Answers(w.facts(), s.facts());
    }

    /// What was told of a shot alone.
    public static Answers of(Setting s) {
        return new Answers(Map.of(), s.facts());
    }

    /// Whether somebody answered it usably; otherwise its usual answer stands.
    public boolean given(Fact f) {
        return usable(illusion, f) != null || usable(setting, f) != null;
    }

    private static @Nullable String usable(Map<String, String> facts, Fact f) {
        String v = facts.get(f.key());
        return v != null && f.accepts(v) ? v : null;
    }

    /// The illusion's own answer, else the shot's, else the usual one.
    public String answer(Fact f) {
        String near = usable(illusion, f);
        String far = near == null ? usable(setting, f) : near;
        return far == null ? f.otherwise() : far;
    }

    /// All answers of a fact that may have several; of any other the one.
    public List<String> answers(Fact f) {
        return f.several() ? List.of(answer(f).strip().split("\\s+")) : List.of(answer(f));
    }

    /// Whether the answer, or one of several, is one of these codes.
    public boolean is(Fact f, String... any) {
        List<String> given = answers(f);
        return Arrays.stream(any).anyMatch(given::contains);
    }

    /// @throws IllegalArgumentException if the fact is no number
    public double number(Fact f) {
        Check.that(f.isNumber(), f + " is no number");
        return Double.parseDouble(answer(f));
    }

    /// The places that were told, in metres across the frame; what is none is left out.
    public List<Double> places() {
        return Arrays.stream(answer(Fact.PLACES).strip().split("\\s+")).filter(p -> p.matches("-?\\d{1,4}(\\.\\d{1,6})?"))
                .map(Double::valueOf).toList();
    }
}
