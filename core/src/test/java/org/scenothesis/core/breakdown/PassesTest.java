package org.scenothesis.core.breakdown;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.breakdown.camera.CameraCard;
import org.scenothesis.core.breakdown.camera.Leads;
import org.scenothesis.core.breakdown.compare.PlanDifference;
import org.scenothesis.core.breakdown.compare.Weighed;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.plate.Case;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.plate.Reason;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;

/// What holds of the passes over the plates of a shot, whatever was told: who acts, who leads, which camera, what cannot be set up.
class PassesTest {
    private static List<Shot> shots(RepetitionInfo round) {
        Random random = new Random(100 + round.getCurrentRepetition());
        List<Shot> out = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            out.add(Shots.random(random, "s" + i));
        }
        return out;
    }

    private static BreakdownPlan plan(Shot s) {
        return Breakdown.plan(s, HouseRules.DEFAULT);
    }

    @RepeatedTest(4)
    void everyIllusionStaysServedAndEveryReasonIsKept(RepetitionInfo round) {
        for (Shot s : shots(round)) {
            BreakdownPlan p = plan(s);
            Set<String> served = new HashSet<>();
            p.needs().forEach(n -> served.addAll(n.illusions()));
            p.declined().forEach(n -> served.addAll(n.illusions()));
            for (Illusion w : s.illusions()) {
                // An element that is drawn asks for no plate of its own.
                boolean drawn = "drawn".equals(w.fact(Fact.ELEMENT.key(), ""));
                assertThat(drawn || served.contains(w.id())).as("%s of %s", w, p.needs()).isTrue();
            }
            assertThat(p.needs()).allSatisfy(n -> assertThat(n.reasons()).doesNotHaveDuplicates().startsWith(n.reason()));
        }
    }

    @RepeatedTest(4)
    void nobodyHasAWholeBodyBesideTheirHalves(RepetitionInfo round) {
        for (Shot s : shots(round)) {
            BreakdownPlan p = plan(s);
            p.needs().stream().map(n -> n.key().code()).filter(k -> k.startsWith("half-upper-"))
                    .forEach(k -> assertThat(p.need("thing-" + k.substring("half-upper-".length()))).as("%s", s).isEmpty());
        }
    }

    @RepeatedTest(4)
    void everyFilmedPlateIsOnOneCardAndItsCardIsPossibleOptics(RepetitionInfo round) {
        for (Shot s : shots(round)) {
            BreakdownPlan p = plan(s);
            List<String> carded = p.cards().stream().flatMap(c -> c.plates().stream()).map(PlateKey::code).toList();
            assertThat(carded).doesNotHaveDuplicates()
                    .containsExactlyInAnyOrderElementsOf(p.needs().stream().filter(n -> n.filmed() && n.reason() != Reason.SIZE_HEADROOM)
                    .map(n -> n.key().code()).toList());
            for (CameraCard c : p.cards()) {
                assertThat(c.focalMm()).as("%s", c).isPositive();
                assertThat(c.nearM()).as("%s", c).isPositive().isLessThan(c.farM());
                assertThat(c.clothBlurPx()).isNotNegative().isFinite();
                assertThat(c.outline() == null || p.need(c.outline()).isPresent()).as("%s", c).isTrue();
            }
        }
    }

    @RepeatedTest(4)
    void whoeverLeadsIsFilmedBeforeAllWhoFollow(RepetitionInfo round) {
        for (Shot s : shots(round)) {
            BreakdownPlan p = plan(s);
            List<PlateNeed> leading = p.needs().stream().filter(n -> n.notes().record().contains(Leads.LEADS)).toList();
            List<PlateNeed> following = p.needs().stream().filter(n -> n.notes().record().contains(Leads.PLAYBACK)).toList();
            assertThat(leading).hasSizeLessThanOrEqualTo(1);
            assertThat(leading.isEmpty()).isEqualTo(following.isEmpty());
            following.forEach(n -> assertThat(n.after()).contains(leading.getFirst().key()));
        }
    }

    @RepeatedTest(4)
    void twoPlansDifferTheSameWayRoundBothWays(RepetitionInfo round) {
        List<Shot> all = shots(round).subList(0, 16);
        for (int i = 1; i < all.size(); i++) {
            Weighed a = Weighed.of(all.get(i - 1), HouseRules.DEFAULT);
            Weighed b = Weighed.of(all.get(i), HouseRules.DEFAULT);
            PlanDifference to = PlanDifference.between(a, b);
            PlanDifference back = PlanDifference.between(b, a);
            assertThat(to.added()).isEqualTo(back.gone());
            assertThat(to.gone()).isEqualTo(back.added());
            assertThat(to.changed()).extracting(c -> c.after().key()).containsExactlyInAnyOrderElementsOf(back.changed().stream()
                    .map(c -> c.after().key()).toList());
            assertThat(to.figures()).hasSameSizeAs(back.figures());
            assertThat(to.brought()).isEqualTo(back.left());
            assertThat(to.handHours()).isCloseTo(-back.handHours(), within(1e-9));
            assertThat(PlanDifference.between(a, a).none()).isTrue();
        }
    }

    /// From eyes at 1.6 m in 2 m distance a mark at 7.6 m is 71.57 degrees up: a mark at 3 m stands 0.467 m away.
    @Test
    void aMarkTooHighGoesNearerAtTheSameAngle() {
        Shot giant = Shots.of(Shots.illusion(IllusionKind.OTHER_SIZE, "the maker", "factor", "4.470588", "performer", "yes", "actor",
                "the apprentice", "eyesM", "1.6", "distanceM", "2"));
        Conflict over = plan(giant).conflicts().stream().filter(c -> c.code().equals("mark.over")).findFirst().orElseThrow();
        assertThat(over.weight()).isEqualTo(Verdict.WATCH);
        assertThat(over.numbers().get(0)).isCloseTo(7.6, within(1e-3));
        assertThat(over.numbers().get(1)).isEqualTo(3);
        assertThat(over.numbers().get(2)).isCloseTo(1.4 / 3, within(1e-3));
        Shot tall = giant.withSetting(x -> x.withFact("standM", "8"));
        assertThat(plan(tall).conflicts()).extracting(Conflict::code).doesNotContain("mark.over");
    }

    @Test
    void aClothMayHangAsFarAsItIsWideEnough() {
        Shot s = Shots.of(Map.of("clothWideM", "2", "behindM", "4"), Shots.illusion(IllusionKind.ELSEWHERE, "the maker", "motion", "still",
                "backgroundM", "3"));
        Conflict small = plan(s).conflicts().stream().filter(c -> c.code().equals("cloth.small")).findFirst().orElseThrow();
        double gap = small.numbers().get(4);
        assertThat(0.85 * (3 + gap) / 3 + 0.3).as("just as wide as there is").isCloseTo(2, within(1e-9));
        Shot nearer = s.withSetting(x -> x.withFact("behindM", String.valueOf(Math.floor(100 * gap) / 100)));
        assertThat(plan(nearer).conflicts()).extracting(Conflict::code).doesNotContain("cloth.small");
    }

    @Test
    void anActorIsTakenOutOfTheCommonPlateOnlyWithAllThatIsTheirs() {
        Illusion floats = Shots.illusion(IllusionKind.FLOATS, "the maker", "who", "person", "performer", "no");
        Illusion lantern = Shots.illusion(IllusionKind.FLOATS, "the lantern", "performer", "yes", "actor", "the maker; the apprentice");
        BreakdownPlan p = Shots.plan(floats, lantern);
        PlateNeed acting = p.need("acting").orElseThrow();
        assertThat(acting.in()).contains(Item.person("the apprentice")).doesNotContain(Item.person("the maker"));
        PlateNeed maker = p.need("thing-the-maker").orElseThrow();
        assertThat(maker.illusions()).hasSize(2);
        assertThat(maker.notes().eyelines()).isNotEmpty().allSatisfy(e -> assertThat(e.who()).isEqualTo("the maker"));
        assertThat(maker.role()).isEqualTo(PlateRole.ON_SCREEN);
    }

    @Test
    void namesAreListedByCommasAndByAnd() {
        assertThat(Case.named("the maker, the apprentice and Andrea;the ferryman ")).containsExactly("the maker", "the apprentice",
                "Andrea", "the ferryman");
        assertThat(Case.named("  ")).isEmpty();
    }

    @Test
    void aCostumeOfOneIsNotWornByOthers() {
        BreakdownPlan p = Shots.plan(
                Shots.illusion(IllusionKind.OTHER_SIZE, "the maker", "factor", "2", "costume", "inflated", "performer", "yes", "actor",
                "the apprentice"));
        Map<String, String> worn = new LinkedHashMap<>();
        p.needs().forEach(n -> worn.put(n.key().code(), n.notes().clothes()));
        assertThat(worn).containsEntry("thing-the-maker", "inflated").containsEntry("acting", "");
    }
}
