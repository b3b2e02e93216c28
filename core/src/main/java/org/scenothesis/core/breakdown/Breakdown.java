package org.scenothesis.core.breakdown;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.scenothesis.core.breakdown.base.Base;
import org.scenothesis.core.breakdown.camera.CameraCard;
import org.scenothesis.core.breakdown.camera.Leads;
import org.scenothesis.core.breakdown.element.ElementSource;
import org.scenothesis.core.breakdown.fact.Answer;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.illusion.IllusionRule;
import org.scenothesis.core.breakdown.illusion.Rules;
import org.scenothesis.core.breakdown.light.LightPlan;
import org.scenothesis.core.breakdown.method.Treatment;
import org.scenothesis.core.breakdown.method.Treatments;
import org.scenothesis.core.breakdown.number.CrowdTable;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Subjects;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Spike;

/// Breaks a shot down: settles how each thing is separated, asks every illusion's rule, merges what can be one plate, guards against the
/// forgotten ones.
public final class Breakdown {
    private Breakdown() {}

    /// The questions that matter for an illusion, given the answers so far.
    public static List<Question> questions(Shot shot, Illusion illusion, HouseRules rules) {
        // As the plan knows it: what was told of the base once is known of it too.
        Illusion told = Rules.based(shot).illusions().stream().filter(w -> w.id().equals(illusion.id())).findFirst().orElse(illusion);
        Illusion assumed = Rules.assuming(told);
        Answers raw = new Answers(illusion.facts(), Map.of());
        Answers all = new Answers(assumed.facts(), Map.of());
        return Rules.of(illusion.kind()).questions(new Case(assumed, shot, rules, Map.of())).stream()
                .map(q -> assumed(q, raw, all)).toList();
    }

    /// A question that assumes what the plan does.
    private static Question assumed(Question q, Answers raw, Answers all) {
        return all.given(q.fact()) && !raw.given(q.fact()) ? new Question(q.fact(), q.answers(), all.answer(q.fact())) : q;
    }

    /// The questions about the setting of a shot.
    public static List<Question> questions(Shot shot) {
        Shot based = Rules.based(shot);
        Answers raw = Answers.of(shot.setting());
        Answers all = Answers.of(based.setting());
        // A base that follows from an illusion is asked about there.
        return Rules.ofSetting(setting(based)).stream().filter(q -> raw.given(Fact.BASE) || all.is(Answer.Base.HERE)
                || !Rules.ofBase(q.fact())).map(q -> assumed(q, raw, all)).toList();
    }

    /// A case without an illusion, for what concerns the whole shot.
    private static Case setting(Shot shot) {
        Illusion none = new Illusion("", IllusionKind.FLOATS, "", 0, shot.seconds(), Map.of());
        return new Case(none, shot, HouseRules.DEFAULT, Map.of());
    }

    /// The plan of a shot: assumed facts are put in first, then what the base makes of every illusion's demand, one treatment a thing, and
    /// the plates of all merged.
    public static BreakdownPlan plan(Shot told, HouseRules rules) {
        Shot shot = Rules.assuming(told, rules);
        Base base = Base.of(Answers.of(shot.setting()));
        Map<String, Treatment> treatments = treatments(shot, rules, base);
        Map<PlateKey, PlateNeed> asked = new LinkedHashMap<>();
        List<Conflict> conflicts = new ArrayList<>();
        List<Figure> figures = new ArrayList<>();
        List<KitItem> kit = new ArrayList<>();
        List<CrowdTable> crowds = new ArrayList<>();
        for (Illusion w : shot.illusions()) {
            IllusionRule rule = Rules.of(w.kind());
            Case c = new Case(w, shot, rules, treatments);
            ElementSource element = ElementSource.of(c.told());
            element.plates(c, rule.plates(c)).forEach(n -> asked.merge(n.key(), n, PlateNeed::merged));
            conflicts.addAll(rule.conflicts(c));
            figures.addAll(rule.figures(c));
            kit.addAll(element.kit(rule.kit(c)));
            rule.crowd(c).ifPresent(crowds::add);
        }
        Map<String, Treatment> filmed = new LinkedHashMap<>(treatments);
        filmed.values().removeIf(t -> shot.illusions().stream().filter(w -> t.illusions().contains(w.id()))
                .allMatch(w -> ElementSource.subject(w.kind(), Answers.of(w, shot.setting()))
                && Subjects.id(shot, w.subject()).equals(t.key())));
        Map<PlateKey, PlateNeed> once = new People(shot).once(asked);
        conflicts.addAll(base.conflicts(shot, rules, once));
        Map<PlateKey, PlateNeed> needs = new LinkedHashMap<>(base.plates(shot, rules, once));
        new Leads(shot).ordered(needs);
        new Leads(shot).led(needs);
        new LightPlan(shot, rules, List.of()).minded(needs);
        Guard.add(rules, needs);
        Set<String> declined = Set.of(Answers.of(shot.setting()).answer(Fact.DECLINED).split("\\s+"));
        List<PlateNeed> all = List.copyOf(needs.values());
        List<PlateNeed> kept = all.stream().filter(n -> !(n.proposed() && declined.contains(n.key().code())))
                .map(n -> n.followingOnly(needs.keySet())).toList();
        List<PlateNeed> without = all.stream().filter(n -> n.proposed() && declined.contains(n.key().code())).toList();
        LightPlan light = new LightPlan(shot, rules, kept);
        conflicts.addAll(Conflicts.of(shot, rules, filmed, kept));
        conflicts.addAll(light.conflicts());
        conflicts.addAll(Possible.conflicts(shot, kept));
        figures.addAll(Numbers.of(shot, rules, filmed, kept));
        figures.addAll(light.figures());
        kit.addAll(light.kit());
        return new BreakdownPlan(
                shot.id(), kept, without, List.copyOf(filmed.values()), figures, conflicts, Cautions.of(shot, kept),
                Kit.of(shot, rules, kept, kit), Permissions.wanted(shot), CameraCard.of(shot, kept), crowds);
    }

    private static Map<String, Treatment> treatments(Shot shot, HouseRules rules, Base base) {
        List<Treatments.Asked> asked = new ArrayList<>();
        for (Illusion w : shot.illusions()) {
            Case c = new Case(w, shot, rules, Map.of());
            for (var d : Rules.of(w.kind()).demands(c)) {
                asked.add(new Treatments.Asked(base.demand(d), c.told(), Math.max(0, w.toSeconds() - w.fromSeconds()), c.id(d.thing()),
                        w.id()));
            }
        }
        return Treatments.settle(asked, rules, base.performing());
    }

    /// The shot's plate for a need: the one made for it, else the first of its role that was made for none and is not another need's.
    public static Map<PlateKey, Plate> matched(Shot shot, BreakdownPlan plan) {
        Map<PlateKey, Plate> out = new LinkedHashMap<>();
        List<Plate> free = new ArrayList<>(shot.plates());
        for (PlateNeed n : plan.needs()) {
            Optional<Plate> own = free.stream().filter(p -> p.need().equals(n.key().code())).findFirst();
            own.ifPresent(p -> {
                out.put(n.key(), p);
                free.remove(p);
            });
        }
        for (PlateNeed n : plan.needs()) {
            if (!out.containsKey(n.key())) {
                Optional<Plate> alike = free.stream().filter(p -> p.need().isEmpty() && p.role() == n.role()).findFirst();
                alike.ifPresent(p -> {
                    out.put(n.key(), p);
                    free.remove(p);
                });
            }
        }
        return out;
    }

    /// The plates of a plan that the shot lacks, as new plates named by `name`; the shot's own plates are never touched.
    public static List<Plate> missing(Shot shot, BreakdownPlan plan, Function<PlateNeed, String> name) {
        Map<PlateKey, Plate> have = matched(shot, plan);
        List<Plate> out = new ArrayList<>();
        Set<String> ids = new LinkedHashSet<>(shot.plates().stream().map(Plate::id).toList());
        for (PlateNeed n : plan.needs()) {
            if (have.containsKey(n.key())) {
                continue;
            }
            int i = shot.plates().size() + out.size();
            String id = n.key().code().toLowerCase(Locale.ROOT);
            while (!ids.add(id)) {
                id += "-" + (i + 1);
            }
            out.add(new Plate(id, name.apply(n), n.role(), Spike.number(i), n.lockGroup(), n.lightGroup(), n.rollSeconds(), List.of(),
                    n.key().code()));
        }
        return out;
    }
}
