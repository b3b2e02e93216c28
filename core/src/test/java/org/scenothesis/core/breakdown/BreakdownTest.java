package org.scenothesis.core.breakdown;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Wonder;
import org.scenothesis.core.shot.WonderKind;

class BreakdownTest {
    private static Shot shot(Wonder... wonders) {
        return new Shot("1", 1, "t", "", 6, List.of(wonders), List.of(), List.of(), List.of(), null);
    }

    private static Wonder floats(String id, Map<String, String> facts) {
        return new Wonder(id, WonderKind.FLOATS, "a lantern", 1, 5, facts);
    }

    private static List<PlateRole> roles(BreakdownPlan plan) {
        return plan.order().stream().map(s -> s.need().role()).toList();
    }

    private static BreakdownPlan plan(Map<String, String> facts) {
        return Breakdown.plan(shot(floats("f", facts)), HouseRules.DEFAULT);
    }

    @Test
    void aDriftingThingAsksForAllFivePlates() {
        BreakdownPlan p = plan(Map.of());
        assertThat(roles(p)).containsExactlyInAnyOrder(PlateRole.CLEAN, PlateRole.PRACTICAL, PlateRole.ELEMENT, PlateRole.SCREEN_ONLY, PlateRole.REFERENCE);
        assertThat(p.order().getFirst().need().role()).isEqualTo(PlateRole.CLEAN);
    }

    @Test
    void aStillThingWithACleanEdgeIsMaskedAndNeedsNoScreen() {
        BreakdownPlan p = plan(Map.of("motion", "still"));
        assertThat(roles(p)).doesNotContain(PlateRole.SCREEN_ONLY);
        assertThat(p.order()).allSatisfy(s -> assertThat(s.need().state().screen()).isEqualTo(SetState.Screen.NONE));
        assertThat(p.methods().get("f").getFirst().code()).isEqualTo("mask");
        assertThat(p.methods().get("f").getFirst().recommended()).isTrue();
    }

    @Test
    void hairAtTheEdgeAsksForAScreenEvenWhenStill() {
        assertThat(roles(plan(Map.of("motion", "still", "edge", "hair")))).contains(PlateRole.SCREEN_ONLY);
    }

    @Test
    void greenNearItMakesTheClothBlue() {
        assertThat(plan(Map.of("greenNear", "yes")).order()).anySatisfy(s -> assertThat(s.need().state().screen()).isEqualTo(SetState.Screen.BLUE));
        assertThat(plan(Map.of("greenNear", "yes")).kit()).contains("cloth.blue").doesNotContain("cloth.green");
    }

    @Test
    void whatGlowsIsOfferedALightPass() {
        assertThat(plan(Map.of("glows", "yes")).order()).anySatisfy(s -> {
            assertThat(s.need().role()).isEqualTo(PlateRole.LIGHT_PASS);
            assertThat(s.need().proposed()).isTrue();
        });
    }

    @Test
    void aStudioIsAnotherLightAndAnotherLock() {
        PlateNeed e = plan(Map.of("place", "studio")).order().stream().map(RunningOrder.Step::need).filter(n -> n.role() == PlateRole.ELEMENT).findFirst().orElseThrow();
        assertThat(e.lightGroup()).isEqualTo("B");
        assertThat(e.lockGroup()).isEqualTo("B");
    }

    @Test
    void nobodyActingMeansNoPerformance() {
        assertThat(roles(plan(Map.of("performer", "no")))).doesNotContain(PlateRole.PRACTICAL);
    }

    @ParameterizedTest
    @ValueSource(strings = {"stool", "box", "harness"})
    void everySupportOfAPersonIsCautionedAgainst(String support) {
        assertThat(plan(Map.of("who", "person", "support", support)).cautions()).containsAnyOf("height", "suspended");
    }

    @Test
    void questionsFollowTheAnswers() {
        FloatsRule r = new FloatsRule();
        assertThat(r.questions(floats("f", Map.of("who", "person")))).filteredOn(q -> q.key().equals("support")).first().satisfies(q -> assertThat(q.answers()).contains("stool"));
        assertThat(r.questions(floats("f", Map.of("motion", "still")))).extracting(Question::key).doesNotContain("greenNear");
        assertThat(r.questions(floats("f", Map.of()))).filteredOn(Question::isNumber).extracting(Question::unit).containsExactly("m");
    }

    @Test
    void plansAlwaysHaveACleanPlateLongEnough() {
        Random random = new Random(7);
        FloatsRule rule = new FloatsRule();
        for (int i = 0; i < 200; i++) {
            Wonder w = floats("f", Map.of());
            for (Question q : rule.questions(w)) {
                if (!q.isNumber()) {
                    w = w.withFact(q.key(), q.answers().get(random.nextInt(q.answers().size())));
                }
            }
            BreakdownPlan p = Breakdown.plan(shot(w), HouseRules.DEFAULT);
            assertThat(p.order()).anySatisfy(s -> {
                assertThat(s.need().role()).isEqualTo(PlateRole.CLEAN);
                assertThat(s.need().rollSeconds()).isGreaterThanOrEqualTo(6);
            });
            assertThat(p.order()).allSatisfy(s -> assertThat(s.need().wonders()).contains("f"));
        }
    }

    @Test
    void sharedPlatesAreMergedAndLoseNothing() {
        Wonder a = floats("a", Map.of());
        Wonder b = new Wonder("b", WonderKind.FLOATS, "a brush", 0, 9, Map.of());
        BreakdownPlan p = Breakdown.plan(shot(a, b), HouseRules.DEFAULT);
        assertThat(roles(p)).doesNotHaveDuplicates();
        PlateNeed clean = p.order().getFirst().need();
        assertThat(clean.wonders()).isEqualTo(Set.of("a", "b"));
        assertThat(clean.rollSeconds()).isEqualTo(11);
    }

    @Test
    void aWonderWithoutARuleIsSaidAndNotDropped() {
        Wonder w = new Wonder("twice", WonderKind.COPIES, "the maker", 0, 4, Map.of());
        assertThat(Breakdown.plan(shot(w), HouseRules.DEFAULT).unplanned()).containsExactly("twice");
        assertThat(Breakdown.rule(w)).isEmpty();
    }

    @Test
    void noOtherOrderIsCheaper() {
        List<PlateNeed> needs = new ArrayList<>(plan(Map.of("glows", "yes")).order().stream().map(RunningOrder.Step::need).toList());
        double best = RunningOrder.minutes(RunningOrder.plan(needs, HouseRules.DEFAULT));
        Random random = new Random(3);
        for (int i = 0; i < 300; i++) {
            Collections.shuffle(needs, random);
            if (needs.getFirst().role() == PlateRole.CLEAN) {
                assertThat(RunningOrder.minutes(RunningOrder.priced(needs))).isGreaterThanOrEqualTo(best - 1e-9);
            }
        }
    }

    @ParameterizedTest
    @EnumSource(HouseRules.CleanPlateEnds.class)
    void theHouseSaysWhenTheCleanPlateIsRolled(HouseRules.CleanPlateEnds ends) {
        HouseRules d = HouseRules.DEFAULT;
        HouseRules rules = new HouseRules(d.shiftPx(), d.parallaxPx(), d.exposureStops(), d.whiteBalanceMired(), d.screenStops(), d.matteGreyPercent(), ends);
        List<PlateRole> order = roles(Breakdown.plan(shot(floats("f", Map.of())), rules));
        boolean cleanFirst = order.indexOf(PlateRole.CLEAN) < order.indexOf(PlateRole.PRACTICAL);
        assertThat(cleanFirst).isEqualTo(ends != HouseRules.CleanPlateEnds.LAST);
    }

    @Test
    void onlyMissingPlatesAreProposedForTheShelf() {
        Shot s = shot(floats("f", Map.of()));
        BreakdownPlan p = Breakdown.plan(s, HouseRules.DEFAULT);
        var all = Breakdown.missing(s, p, n -> n.role().name());
        assertThat(all).hasSize(5);
        assertThat(Breakdown.missing(s.withPlates(all), p, n -> "x")).isEmpty();
        assertThat(all).extracting(x -> x.id()).doesNotHaveDuplicates();
    }

    @Test
    void anEmptyShotHasAnEmptyPlan() {
        BreakdownPlan p = Breakdown.plan(shot(), HouseRules.DEFAULT);
        assertThat(p.order()).isEmpty();
        assertThat(p.minutes()).isZero();
    }
}
