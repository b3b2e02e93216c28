package org.scenothesis.core.breakdown.day;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.ObjDoubleConsumer;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.plate.SetState;
import org.scenothesis.core.finding.Estimates;

/// One change of the set between two plates: `change.<code>` are its words, and its minutes.
public record Change(String code, double minutes) {
    /// All changes from one state of the set to another.
    public static List<Change> between(SetState a, SetState b, Estimates.Changes cost) {
        List<Change> out = new ArrayList<>();
        each(a, b, cost, (code, minutes) -> out.add(new Change(code, minutes)));
        return out;
    }

    /// Minutes from one state of the set to another, the sum of everything that is changed.
    public static double minutes(SetState a, SetState b, Estimates.Changes cost) {
        double[] sum = {0};
        each(a, b, cost, (code, minutes) -> sum[0] += minutes);
        return sum[0];
    }

    private static void each(SetState a, SetState b, Estimates.Changes cost, ObjDoubleConsumer<String> to) {
        add(to, !a.camera().equals(b.camera()), "camera", cost.camera());
        if (a.screen() != b.screen()) {
            boolean swap = a.screen() != Screen.NONE && b.screen() != Screen.NONE;
            add(to, true, swap ? "swap" : b.screen() == Screen.NONE ? "cloth.down" : "cloth.up", swap ? cost.swap() : cost.cloth());
        }
        add(to, !b.light().isEmpty() && !a.light().equals(b.light()), "light", cost.light());
        add(to, !b.people().isEmpty() && !a.clothes().equals(b.clothes()), "clothes", cost.clothes());
        int people = difference(a.people(), b.people());
        add(to, people > 0, "people", people * cost.person());
        int props = difference(a.props(), b.props());
        add(to, props > 0, "props", props * cost.prop());
        add(to, b.card() && !a.card(), "card", cost.card());
    }

    private static void add(ObjDoubleConsumer<String> to, boolean when, String code, double minutes) {
        if (when && minutes > 0) {
            to.accept(code, minutes);
        }
    }

    private static <T> int difference(Set<T> a, Set<T> b) {
        int both = 0;
        for (T t : a) {
            both += b.contains(t) ? 1 : 0;
        }
        return a.size() + b.size() - 2 * both;
    }
}
