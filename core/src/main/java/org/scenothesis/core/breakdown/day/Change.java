package org.scenothesis.core.breakdown.day;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.ObjDoubleConsumer;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.plate.SetState;
import org.scenothesis.core.finding.Estimates;
import org.scenothesis.core.value.Coded;

/// One change of the set between two plates: and its minutes; `change.<code>` are the words of its kind.
public record Change(Kind kind, double minutes) {
    /// What is changed.
    public enum Kind implements Coded {CAMERA, CARD, CLOTH_DOWN, CLOTH_UP, CLOTHES, LIGHT, PEOPLE, PROPS, SWAP}

    /// All changes from one state of the set to another.
    public static List<Change> between(SetState a, SetState b, Estimates.Changes cost) {
        List<Change> out = new ArrayList<>();
        each(a, b, cost, (kind, minutes) -> out.add(new Change(kind, minutes)));
        return out;
    }

    /// Minutes from one state of the set to another, the sum of everything that is changed.
    public static double minutes(SetState a, SetState b, Estimates.Changes cost) {
        double[] sum = {0};
        each(a, b, cost, (kind, minutes) -> sum[0] += minutes);
        return sum[0];
    }

    private static void each(SetState a, SetState b, Estimates.Changes cost, ObjDoubleConsumer<Kind> to) {
        add(to, !a.camera().equals(b.camera()), Kind.CAMERA, cost.camera());
        if (a.screen() != b.screen()) {
            boolean swap = a.screen() != Screen.NONE && b.screen() != Screen.NONE;
            add(to, true, swap ? Kind.SWAP : b.screen() == Screen.NONE ? Kind.CLOTH_DOWN : Kind.CLOTH_UP, swap ? cost.swap()
                    : cost.cloth());
        }
        add(to, !b.light().isEmpty() && !a.light().equals(b.light()), Kind.LIGHT, cost.light());
        add(to, !b.people().isEmpty() && !a.clothes().equals(b.clothes()), Kind.CLOTHES, cost.clothes());
        int people = difference(a.people(), b.people());
        add(to, people > 0, Kind.PEOPLE, people * cost.person());
        int props = difference(a.props(), b.props());
        add(to, props > 0, Kind.PROPS, props * cost.prop());
        add(to, b.card() && !a.card(), Kind.CARD, cost.card());
    }

    private static void add(ObjDoubleConsumer<Kind> to, boolean when, Kind kind, double minutes) {
        if (when && minutes > 0) {
            to.accept(kind, minutes);
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
