package org.scenothesis.core.breakdown.fact;

import java.util.Map;
import org.scenothesis.core.shot.Setting;
import org.scenothesis.core.shot.Wonder;

/// What was told, first about a wonder, then about the setting, then what is assumed. An answer that cannot be one counts as not given.
public record Told(Map<String, String> wonder, Map<String, String> setting) {
    public static Told of(Wonder w, Setting s) {
        return new Told(w.facts(), s.facts());
    }

    public static Told of(Setting s) {
        return new Told(Map.of(), s.facts());
    }

    public boolean given(Fact f) {
        return usable(wonder, f) || usable(setting, f);
    }

    private static boolean usable(Map<String, String> facts, Fact f) {
        String v = facts.get(f.key());
        return v != null && f.accepts(v);
    }

    public String answer(Fact f) {
        return usable(wonder, f) ? wonder.get(f.key()) : usable(setting, f) ? setting.get(f.key()) : f.otherwise();
    }

    public boolean is(Fact f, String... any) {
        String a = answer(f);
        for (String s : any) {
            if (s.equals(a)) {
                return true;
            }
        }
        return false;
    }

    /// @throws IllegalArgumentException if the fact is no number
    public double number(Fact f) {
        org.scenothesis.core.Check.that(f.isNumber(), f + " is no number");
        return Double.parseDouble(answer(f));
    }
}
