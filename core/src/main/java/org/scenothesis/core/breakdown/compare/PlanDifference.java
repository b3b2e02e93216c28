package org.scenothesis.core.breakdown.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateNeed;

/// What the second of two plans has other than the first.
///
/// - `changed`: plates of both that are filmed otherwise, as the second has them. `minutes`: on set, more (positive) or less; `handHours`:
///   by hand later, likewise.
/// - `raised`, `settled`: conflicts only one of them has. `brought`, `left`: kit likewise. `figures`: numbers that differ.
public record PlanDifference(
        List<PlateNeed> added,
        List<PlateNeed> gone,
        List<PlanDifference.Changed> changed,
        double minutes,
        double handHours,
        List<Conflict> raised,
        List<Conflict> settled,
        List<PlanDifference.Number> figures,
        List<KitItem> brought,
        List<KitItem> left) {
    /// What can be other about a plate.
    public enum Part {
        GROUND,
        CAMERA,
        LIGHT,
        ROLL,
        FRAME,
        MARKS
    }

    /// A plate of both plans, and in what it differs.
    public record Changed(PlateNeed before, PlateNeed after, List<Part> parts) {
        public Changed {
            parts = List.copyOf(parts);
        }
    }

    /// A number that both plans have, or only one; the other is empty.
    public record Number(Optional<Figure> before, Optional<Figure> after) {}

    public PlanDifference {
        added = List.copyOf(added);
        gone = List.copyOf(gone);
        changed = List.copyOf(changed);
        raised = List.copyOf(raised);
        settled = List.copyOf(settled);
        figures = List.copyOf(figures);
        brought = List.copyOf(brought);
        left = List.copyOf(left);
    }

    /// What has to be done otherwise when the second plan is followed in place of the first.
    public static PlanDifference between(Weighed first, Weighed second) {
        BreakdownPlan a = first.plan();
        BreakdownPlan b = second.plan();
        List<Changed> changed = new ArrayList<>();
        for (PlateNeed n : b.needs()) {
            a.need(n.key()).ifPresent(before -> {
                List<Part> parts = parts(before, n);
                if (!parts.isEmpty()) {
                    changed.add(new Changed(before, n, parts));
                }
            });
        }
        return new PlanDifference(
                without(b.needs(), a), without(a.needs(), b), changed, second.minutes() - first.minutes(), b.handHours() - a.handHours(),
                less(b.conflicts(), a.conflicts()), less(a.conflicts(), b.conflicts()), numbers(a.figures(), b.figures()),
                less(b.kit(), a.kit()), less(a.kit(), b.kit()));
    }

    /// Whether following either is the same.
    public boolean none() {
        return added.isEmpty() && gone.isEmpty() && changed.isEmpty() && raised.isEmpty() && settled.isEmpty() && figures.isEmpty()
                && brought.isEmpty() && left.isEmpty()
                && Math.abs(minutes) < 0.5 && Math.abs(handHours) < 0.005;
    }

    private static List<PlateNeed> without(List<PlateNeed> of, BreakdownPlan other) {
        return of.stream().filter(n -> other.need(n.key()).isEmpty()).toList();
    }

    private static <T> List<T> less(List<T> of, List<T> other) {
        return of.stream().filter(x -> !other.contains(x)).toList();
    }

    private static List<Part> parts(PlateNeed a, PlateNeed b) {
        List<Part> out = new ArrayList<>();
        add(out, a.screen() != b.screen() || a.role() != b.role() || !a.region().equals(b.region()), Part.GROUND);
        add(out, !a.lockGroup().equals(b.lockGroup()), Part.CAMERA);
        add(out, !a.lightGroup().equals(b.lightGroup()), Part.LIGHT);
        add(out, !a.length().equals(b.length()), Part.ROLL);
        add(out, !a.in().equals(b.in()) || !a.out().equals(b.out()), Part.FRAME);
        add(out, !a.notes().equals(b.notes()), Part.MARKS);
        return out;
    }

    private static void add(List<Part> to, boolean when, Part part) {
        if (when) {
            to.add(part);
        }
    }

    private static Optional<Figure> like(List<Figure> of, Figure f) {
        return of.stream().filter(x -> x.kind() == f.kind() && x.about().equals(f.about())).findFirst();
    }

    private static List<Number> numbers(List<Figure> a, List<Figure> b) {
        List<Number> out = new ArrayList<>();
        // A thing may have a number twice, such as a cloth for each of its plates: they are compared in their order.
        List<Figure> left = new ArrayList<>(a);
        for (Figure f : b) {
            Optional<Figure> before = like(left, f);
            before.ifPresent(left::remove);
            if (before.isEmpty() || Math.abs(before.get().value() - f.value()) > 1e-3 * Math.max(1,
                    Math.max(Math.abs(f.value()), Math.abs(before.get().value())))) {
                out.add(new Number(before, Optional.of(f)));
            }
        }
        left.forEach(f -> out.add(new Number(Optional.of(f), Optional.empty())));
        return out;
    }
}
