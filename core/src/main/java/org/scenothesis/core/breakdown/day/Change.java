package org.scenothesis.core.breakdown.day;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.plate.SetState;
import org.scenothesis.core.finding.Estimates;

/// One change of the set between two plates: `change.<code>` are its words, and its minutes.
public record Change(String code, double minutes) {
    /// All changes from one state of the set to another.
    public static List<Change> between(SetState a, SetState b, Estimates.Changes cost) {
        List<Change> out = new ArrayList<>();
        add(out, !a.camera().equals(b.camera()), "camera", cost.camera());
        if (a.screen() != b.screen()) {
            boolean swap = a.screen() != Screen.NONE && b.screen() != Screen.NONE;
            add(out, true, swap ? "swap" : b.screen() == Screen.NONE ? "cloth.down" : "cloth.up", swap ? cost.swap() : cost.cloth());
        }
        add(out, !b.light().isEmpty() && !a.light().equals(b.light()), "light", cost.light());
        add(out, !b.people().isEmpty() && !a.clothes().equals(b.clothes()), "clothes", cost.clothes());
        int people = difference(a.people(), b.people());
        add(out, people > 0, "people", people * cost.person());
        int props = difference(a.props(), b.props());
        add(out, props > 0, "props", props * cost.prop());
        add(out, b.card() && !a.card(), "card", cost.card());
        return out;
    }

    public static double minutes(SetState a, SetState b, Estimates.Changes cost) {
        return between(a, b, cost).stream().mapToDouble(Change::minutes).sum();
    }

    private static void add(List<Change> to, boolean when, String code, double minutes) {
        if (when && minutes > 0) {
            to.add(new Change(code, minutes));
        }
    }

    private static <T> int difference(Set<T> a, Set<T> b) {
        Set<T> both = new HashSet<>(a);
        both.retainAll(b);
        return a.size() + b.size() - 2 * both.size();
    }
}
