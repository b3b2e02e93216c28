package org.scenothesis.production.breakdown;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.number.CrowdTable;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Setting;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.words.CardWords;
import org.scenothesis.production.words.PlanWords;

/// Told shots, and what their plans must and must not have: one claim each, as data. `known-failure` holds what is not true yet; a case of
/// it that holds must move to `general`.
class PlanCasesTest {
    private static final Path CASES = Path.of("src/test/resources/org/scenothesis/production/breakdown");

    @TestFactory
    Stream<DynamicTest> claims() throws IOException {
        List<DynamicTest> out = new ArrayList<>();
        for (String sort : List.of("general", "robust", "invalid", "known-failure")) {
            try (Stream<Path> files = Files.list(CASES.resolve(sort))) {
                for (Path f : files.sorted().toList()) {
                    for (JsonNode c : new JsonMapper().readTree(f.toFile())) {
                        out.add(DynamicTest.dynamicTest(sort + ": " + c.path("claim").asText(), () -> {
                            if (sort.equals("known-failure")) {
                                assertThat(holds(c)).as("it holds now: move it").isFalse();
                            } else {
                                check(c);
                            }
                        }));
                    }
                }
            }
        }
        assertThat(out).hasSizeGreaterThan(15);
        return out.stream();
    }

    private static boolean holds(JsonNode c) {
        try {
            check(c);
            return true;
        } catch (AssertionError e) {
            return false;
        }
    }

    private static Map<String, String> facts(JsonNode of) {
        Map<String, String> out = new HashMap<>();
        of.properties().forEach(e -> out.put(e.getKey(), e.getValue().asText()));
        return out;
    }

    private static Shot shot(JsonNode c) {
        List<Illusion> illusions = new ArrayList<>();
        for (JsonNode w : c.path("illusions")) {
            illusions.add(new Illusion("w" + illusions.size(), IllusionKind.valueOf(w.path("kind").asText()), w.path("subject").asText(),
                    w.path("from").asDouble(1), w.path("to").asDouble(5), facts(w.path("facts"))));
        }
        return new Shot("1", 1, "t", "", c.path("seconds").asDouble(6), illusions, List.of(), List.of(), List.of(), null,
                new Setting(facts(c.path("setting")), null));
    }

    private static void check(JsonNode c) {
        Shot shot = shot(c);
        BreakdownPlan plan = Breakdown.plan(shot, HouseRules.DEFAULT);
        for (JsonNode p : c.path("plates")) {
            List<PlateNeed> found = plan.needs().stream().filter(like(p)).toList();
            assertThat(found).as("%s of %s", p, plan.needs()).isNotEmpty();
            if (p.has("count")) {
                assertThat(found).as("%s", p).hasSize(p.path("count").asInt());
            }
        }
        for (JsonNode p : c.path("never")) {
            assertThat(plan.needs()).as("%s", p).noneMatch(like(p));
        }
        assertThat(plan.conflicts()).extracting(Conflict::code).containsAll(words(c.path("conflicts")))
                .doesNotContainAnyElementsOf(orNothing(words(c.path("noConflicts"))));
        for (JsonNode n : c.path("numbers")) {
            assertThat(plan.figures()).filteredOn(f -> f.code().equals(n.path("code").asText())).as("%s of %s", n, plan.figures())
                    .isNotEmpty()
                    .allSatisfy(f -> assertThat(f.value()).isCloseTo(n.path("value").asDouble(), within(n.path("within").asDouble())));
        }
        assertThat(plan.figures()).extracting(Figure::code).doesNotContainAnyElementsOf(orNothing(words(c.path("noFigures"))));
        words(c.path("unjudged")).forEach(u -> assertThat(plan.figures()).filteredOn(f -> f.code().equals(u)).isNotEmpty()
                .allSatisfy(f -> assertThat(f.verdict()).isEqualTo(Verdict.NOT_MEASURED)));
        if (c.has("permissions")) {
            assertThat(plan.permissions()).extracting(p -> p.use()).containsExactlyElementsOf(words(c.path("permissions")));
        }
        assertThat(plan.cautions()).extracting(BreakdownPlan.Caution::code).containsAll(words(c.path("cautions")))
                .doesNotContainAnyElementsOf(orNothing(words(c.path("noCautions"))));
        assertThat(plan.kit()).extracting(KitItem::code).containsAll(words(c.path("kit")))
                .doesNotContainAnyElementsOf(orNothing(words(c.path("noKit"))));
        List<String> asked = Stream.concat(Breakdown.questions(shot).stream(), shot.illusions().stream()
                .flatMap(w -> Breakdown.questions(shot, w, HouseRules.DEFAULT).stream())).map(Question::key).toList();
        assertThat(asked).containsAll(words(c.path("asked"))).doesNotContainAnyElementsOf(orNothing(words(c.path("notAsked"))));
        for (JsonNode card : c.path("cards")) {
            assertThat(plan.cards()).filteredOn(k -> k.group().equals(card.path("group").asText())).as("%s of %s", card, plan.cards())
                    .hasSize(1).allSatisfy(k -> {
                assertThat(k.lensM()).isCloseTo(card.path("lensM").asDouble(k.lensM()), within(1e-6));
                assertThat(k.awayM()).isCloseTo(card.path("awayM").asDouble(k.awayM()), within(1e-6));
                assertThat(k.whiteK()).isEqualTo(card.path("whiteK").asDouble(k.whiteK()));
                assertThat(k.assumed()).extracting(Enum::name).containsAll(words(card.path("assumed")))
                        .hasSize(card.has("assumed") ? card.path("assumed").size() : k.assumed().size());
                assertThat(code(k.leads())).isEqualTo(card.path("leads").asText(code(k.leads())));
                assertThat(code(k.outline())).isEqualTo(card.path("outline").asText(code(k.outline())));
            });
        }
        if (c.has("crowds")) {
            assertThat(plan.crowds()).hasSize(c.path("crowds").size());
        }
        for (JsonNode t : c.path("crowds")) {
            CrowdTable found = plan.crowds().stream().filter(x -> x.about().equals(t.path("about").asText())).findFirst().orElseThrow();
            assertThat(found.rows()).hasSize(t.path("places").asInt()).extracting(CrowdTable.Row::direction)
                    .contains(t.path("directions").asInt());
            assertThat(found.performances()).isBetween(t.path("performances").get(0).asInt(), t.path("performances").get(1).asInt());
            // A mark belongs to one performance, and a performance to one direction.
            assertThat(found.rows()).allSatisfy(r -> assertThat(r.direction()).isEqualTo(found.direction(r.performance())))
                    .allSatisfy(r -> assertThat(r.mark()).isEqualTo(r.performance()));
            assertThat(found.rows()).filteredOn(r -> !r.repeat()).hasSize(found.performances());
            CardWords.crowdRows(found).forEach(r -> assertThat(r).doesNotContain("crowd."));
        }
        c.path("hours").properties().forEach(h -> assertThat(plan.treatments()).filteredOn(t -> t.key().equals(h.getKey())).hasSize(1)
                .allSatisfy(t -> assertThat(t.methods().stream().filter(m -> m.chosen()).mapToDouble(m -> m.handHours()).sum())
                .isCloseTo(h.getValue().asDouble(), within(0.01))));
        for (JsonNode mark : c.path("marks")) {
            assertThat(plan.needs().stream().flatMap(n -> n.notes().eyelines().stream()))
                    .anySatisfy(e -> assertThat(e.heightM()).isCloseTo(mark.asDouble(), within(0.001)));
        }
        plan.figures().forEach(f -> assertThat(PlanWords.figure(f).name() + PlanWords.figure(f).how()).as(f.code())
                .doesNotContain("figure."));
        plan.conflicts().forEach(x -> assertThat(PlanWords.conflict(x) + PlanWords.remedy(x)).as(x.code()).doesNotContain("onflict."));
        // Whatever is planned can be said.
        plan.needs().forEach(n -> assertThat(PlanWords.why(plan, n) + PlanWords.name(n)).as("%s", n.code()).doesNotContain("why.")
                .doesNotContain("name."));
    }

    private static List<String> words(JsonNode list) {
        List<String> out = new ArrayList<>();
        list.forEach(x -> out.add(x.asText()));
        return out;
    }

    private static List<String> orNothing(List<String> words) {
        return words.isEmpty() ? List.of("nothing is called so") : words;
    }

    private static String code(PlateKey key) {
        return key == null ? "" : key.code();
    }

    private static Predicate<PlateNeed> like(JsonNode p) {
        return n -> (!p.has("role") || n.role().name().equals(p.path("role").asText()))
                && (!p.has("group") || n.lockGroup().equals(p.path("group").asText()))
                && (!p.has("light") || n.lightGroup().equals(p.path("light").asText()))
                && (!p.has("code") || n.code().equals(p.path("code").asText()))
                && (!p.has("key") || n.key().code().equals(p.path("key").asText()))
                && (!p.has("clothBottom") || n.region().cloth().bottomM() >= p.path("clothBottom").get(0).asDouble() && n.region().cloth()
                .bottomM() <= p.path("clothBottom").get(1).asDouble())
                && (!p.has("filmed") || n.filmed() == p.path("filmed").asBoolean())
                && (!p.has("cloth") || (n.screen() == Screen.GREEN || n.screen() == Screen.BLUE) == p.path("cloth").asBoolean())
                && (!p.has("after") || n.after().stream().anyMatch(k -> k.code().equals(p.path("after").asText())))
                && (!p.has("hides") || n.out().stream().anyMatch(i -> i.name().equals(p.path("hides").asText())))
                && (!p.has("wears") || n.notes().clothes().equals(p.path("wears").asText()))
                && (!p.has("looks") || n.notes().eyelines().stream().anyMatch(e -> e.at().equals(p.path("looks").asText())))
                && (!p.has("takes") || n.length().takes() == p.path("takes").asInt())
                && (!p.has("roll") || Math.abs(n.rollSeconds() - p.path("roll").asDouble()) < 1e-6)
                && (!p.has("floor") || n.region().cloth().floorM() > 0 == p.path("floor").asBoolean())
                && (!p.has("writes") || n.notes().written().equals(words(p.path("writes"))))
                && n.notes().positions().containsAll(words(p.path("positions")))
                && n.reasons().stream().map(n::code).toList().containsAll(words(p.path("reasons")))
                && (!p.has("shows") || n.in().stream().anyMatch(i -> i.name().equals(p.path("shows").asText())))
                && n.notes().record().containsAll(words(p.path("records")));
    }
}
