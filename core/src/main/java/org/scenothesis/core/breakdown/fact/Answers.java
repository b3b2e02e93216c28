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

    /// Whether the answer, or one of several, is one of these, which all answer one fact.
    public boolean is(Answer... any) {
        List<String> given = answers(Fact.of(any[0]));
        return Arrays.stream(any).anyMatch(a -> given.stream().anyMatch(a::isCalled));
    }

    /// Whether a fact that is answered by yes or no is answered by yes.
    public boolean yes(Fact f) {
        Check.that(f.isYesNo(), f + " is not answered by yes or no");
        return answer(f).equals("yes");
    }

    /// The answer of this kind, the usual one where nothing was told; of several the first that was told.
    public <A extends Enum<A> & Answer> A choice(Class<A> kind) {
        return choices(kind).getFirst();
    }

    /// All answers of this kind, the usual one where nothing was told.
    public <A extends Enum<A> & Answer> List<A> choices(Class<A> kind) {
        A[] all = kind.getEnumConstants();
        return answers(Fact.of(all[0])).stream().map(c -> Arrays.stream(all).filter(a -> a.isCalled(c)).findFirst().orElseThrow())
                .toList();
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
