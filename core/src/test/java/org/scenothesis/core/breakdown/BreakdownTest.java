package org.scenothesis.core.breakdown;

import static org.assertj.core.api.Assertions.assertThat;
import static org.scenothesis.core.breakdown.Shots.only;
import static org.scenothesis.core.breakdown.Shots.plan;
import static org.scenothesis.core.breakdown.Shots.roles;
import static org.scenothesis.core.breakdown.Shots.illusion;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.fact.Question;
import org.scenothesis.core.breakdown.illusion.Rules;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.breakdown.plate.Item;
import org.scenothesis.core.breakdown.plate.PlateKey;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Setting;
import org.scenothesis.core.shot.Shot;

class BreakdownTest {
    private static BreakdownPlan floats(String... facts) {
        return plan(illusion(IllusionKind.FLOATS, "the lantern", facts));
    }

    private static List<String> conflicts(BreakdownPlan p) {
        return p.conflicts().stream().map(Conflict::code).toList();
    }

    @Test
    void aDriftingThingAsksForAllFivePlates() {
        assertThat(roles(floats())).containsExactlyInAnyOrder(PlateRole.CLEAN, PlateRole.PRACTICAL, PlateRole.ELEMENT,
                PlateRole.SCREEN_ONLY, PlateRole.REFERENCE);
    }

    @Test
    void aStillThingWithACleanEdgeIsMaskedAndNeedsNoScreen() {
        BreakdownPlan p = floats("motion", "still");
        assertThat(roles(p)).doesNotContain(PlateRole.SCREEN_ONLY, PlateRole.ELEMENT);
        assertThat(p.needs()).allSatisfy(n -> assertThat(n.screen()).isEqualTo(Screen.NONE));
        assertThat(p.treatments().getFirst().way()).isEqualTo(Way.MASK);
        assertThat(p.treatments().getFirst().methods().getFirst().recommended()).isTrue();
    }

    @ParameterizedTest
    @CsvSource({"motion, turns", "edge, hair"})
    void whatMovesOrHasAFineEdgeNeedsAScreen(String fact, String answer) {
        assertThat(roles(floats("motion", fact.equals("motion") ? answer : "still", fact, answer)))
                .contains(PlateRole.SCREEN_ONLY, PlateRole.ELEMENT);
    }

    @Test
    void aCrewsOwnWayIsFollowedAndItsDangerSaid() {
        BreakdownPlan p = floats("method", "mask");
        assertThat(p.treatments().getFirst().overridden()).isTrue();
        assertThat(roles(p)).doesNotContain(PlateRole.ELEMENT);
        assertThat(conflicts(p)).contains("mask.forced");
    }

    @Test
    void everyThingOfAIllusionMayBeSeparatedInItsOwnWay() {
        BreakdownPlan p = plan(illusion(IllusionKind.OPENING, "the ring", "crossed", "yes", "actor", "the maker", "method",
                "rim-of-the-ring=roto the-maker=key"));
        assertThat(p.treatments()).extracting(t -> t.key() + " " + t.way() + " " + t.overridden())
                .containsExactlyInAnyOrder("rim-of-the-ring ROTO true", "the-maker KEY false");
        assertThat(p.treatments()).allSatisfy(t -> assertThat(t.illusions()).hasSize(1));
        assertThat(roles(p)).doesNotContain(PlateRole.ON_BLACK);
    }

    @Test
    void greenNearItMakesTheClothBlueUnlessThereIsOnlyGreen() {
        assertThat(only(floats("greenNear", "yes"), PlateRole.ELEMENT).screen()).isEqualTo(Screen.BLUE);
        BreakdownPlan poor = Breakdown.plan(
                Shots.of(Map.of("cloths", "green", "foliage", "yes"), illusion(IllusionKind.FLOATS, "the lantern")), HouseRules.DEFAULT);
        assertThat(only(poor, PlateRole.ELEMENT).screen()).isEqualTo(Screen.GREEN);
        assertThat(conflicts(poor)).contains("cloth.leaves");
    }

    @Test
    void aStudioIsAnotherLightAndAnotherLock() {
        PlateNeed e = only(Breakdown.plan(Shots.of(Map.of("place", "studio"), illusion(IllusionKind.FLOATS, "the lantern")),
                HouseRules.DEFAULT), PlateRole.ELEMENT);
        assertThat(e.lightGroup()).isEqualTo("B");
        assertThat(e.lockGroup()).isEqualTo("B");
        assertThat(e.after()).contains(PlateKey.CLEAN);
    }

    @Test
    void twoHalvesOfABodyAreTwoPlatesWithASeam() {
        BreakdownPlan p = floats("who", "person", "body", "halves", "surface", "yields");
        assertThat(p.needs()).filteredOn(n -> n.role() == PlateRole.PARTIAL_BODY).hasSize(2).allSatisfy(n -> {
            assertThat(n.notes().record()).contains("seam");
            assertThat(n.screen()).isEqualTo(Screen.GREEN);
        });
        assertThat(conflicts(p)).contains("seat.yields");
    }

    @Test
    void eyesFollowTheThingAsItRises() {
        PlateNeed acting = only(floats("restM", "0.9", "heightM", "0.7", "eyesM", "1.6", "distanceM", "3"), PlateRole.PRACTICAL);
        assertThat(acting.notes().eyelines()).hasSize(2);
        assertThat(acting.notes().eyelines().getFirst().upDeg()).isLessThan(0);
        assertThat(acting.notes().eyelines().getLast().upDeg()).isCloseTo(0, Offset.offset(1e-9));
    }

    @ParameterizedTest
    @ValueSource(strings = {"stool", "box", "chair", "table", "ladder", "harness"})
    void everySupportOfAPersonIsCautionedAgainst(String support) {
        assertThat(floats("who", "person", "support", support).cautions()).extracting(BreakdownPlan.Caution::code)
                .containsAnyOf("height", "suspended");
    }

    @Test
    void whatWasSaidOfAThingIsNotBelievedOfAPerson() {
        assertThat(floats("who", "person", "support", "rod").cautions()).extracting(BreakdownPlan.Caution::code).contains("height");
    }

    @Test
    void questionsComeUpOnlyWhenTheyMatter() {
        Illusion still = illusion(IllusionKind.FLOATS, "x", "motion", "still");
        assertThat(Breakdown.questions(Shots.of(still), still, HouseRules.DEFAULT)).extracting(Question::fact)
                .doesNotContain(Fact.TRAVEL_M, Fact.BODY);
        Illusion person = illusion(IllusionKind.FLOATS, "x", "who", "person");
        assertThat(Breakdown.questions(Shots.of(person), person, HouseRules.DEFAULT)).filteredOn(q -> q.fact() == Fact.SUPPORT).first()
                .satisfies(q -> assertThat(q.answers()).contains("stool").doesNotContain("rod"));
    }

    @Test
    void theApproachOfEffectLightDecidesOnTheLampPass() {
        assertThat(only(floats("glows", "yes"), PlateRole.LIGHT_PASS).proposed()).isTrue();
        Shot s = Shots.of(illusion(IllusionKind.FLOATS, "the lantern", "glows", "yes"));
        assertThat(only(Breakdown.plan(s, HouseRules.DEFAULT.withApproach(Approach.EFFECT_LIGHT, "paint")), PlateRole.LIGHT_PASS)
                .proposed()).isFalse();
        assertThat(roles(Breakdown.plan(s, HouseRules.DEFAULT.withApproach(Approach.EFFECT_LIGHT, "lamp"))))
                .doesNotContain(PlateRole.LIGHT_PASS);
    }

    @Test
    void aProposedPlateMayBeDeclinedAndStaysKnown() {
        BreakdownPlan p = Breakdown.plan(
                Shots.of(Map.of("declined", "light-the-lantern clean-A"), illusion(IllusionKind.FLOATS, "the lantern", "glows", "yes")),
                HouseRules.DEFAULT);
        assertThat(p.declined()).extracting(n -> n.key().code()).containsExactly("light-the-lantern");
        assertThat(p.needs()).extracting(n -> n.key().code()).contains("clean-A").doesNotContain("light-the-lantern");
    }

    @Test
    void sharedPlatesAreMergedAndLoseNothing() {
        Illusion a = new Illusion("a", IllusionKind.FLOATS, "the lantern", 1, 5, Map.of("support", "rod", "background", "moves"));
        Illusion b = new Illusion("b", IllusionKind.FLOATS, "a brush", 0, 9, Map.of("support", "line"));
        PlateNeed clean = only(plan(a, b), PlateRole.CLEAN);
        assertThat(clean.illusions()).isEqualTo(Set.of("a", "b"));
        assertThat(clean.rollSeconds()).isEqualTo(8);
        assertThat(clean.out()).contains(Item.support("rod"), Item.support("line"), Item.prop("the lantern"), Item.prop("a brush"));
    }

    @Test
    void twoIllusionsOfOneThingShareItsPlate() {
        Illusion small = illusion(IllusionKind.OTHER_SIZE, "the maker", "performer", "no");
        Illusion through = illusion(IllusionKind.THROUGH_FRAME, "the maker", "performer", "no");
        PlateNeed n = only(plan(small, through), PlateRole.ON_SCREEN);
        assertThat(n.illusions()).hasSize(2);
        assertThat(n.lockGroup()).isEqualTo("B");
        assertThat(n.notes().positions()).contains("left", "right");
    }

    @Test
    void aCopyThatIsAlsoSmallIsFilmedOnceForBoth() {
        BreakdownPlan p = plan(illusion(IllusionKind.COPIES, "the maker", "count", "2"), illusion(IllusionKind.OTHER_SIZE, "the maker",
                "performer", "no"));
        assertThat(p.needs()).filteredOn(n -> n.key().code().startsWith("figure-")).hasSize(1);
        assertThat(p.needs()).filteredOn(n -> n.role() == PlateRole.ON_SCREEN).hasSize(1);
    }

    @Test
    void anActorWhoIsAlsoSeenTwiceActsInOneOfTheFigures() {
        BreakdownPlan p = plan(illusion(IllusionKind.COPIES, "the maker", "count", "2"),
                illusion(IllusionKind.FLOATS, "the lantern", "actor", "the maker"));
        assertThat(p.needs()).filteredOn(n -> n.role() == PlateRole.PRACTICAL).hasSize(2);
        assertThat(p.need("figure-the-maker-1").orElseThrow().illusions()).hasSize(2);
    }

    @Test
    void theShotsOwnPlatesAreRecognisedAndOnlyMissingOnesProposed() {
        Shot s = Shots.of(illusion(IllusionKind.FLOATS, "the lantern"));
        BreakdownPlan p = Breakdown.plan(s, HouseRules.DEFAULT);
        var all = Breakdown.missing(s, p, n -> n.role().name());
        assertThat(all).hasSize(5).extracting(x -> x.id()).doesNotHaveDuplicates();
        assertThat(all).allSatisfy(x -> assertThat(x.need()).isNotEmpty());
        assertThat(Breakdown.missing(s.withPlates(all), p, n -> "x")).isEmpty();
        assertThat(Breakdown.missing(s.withPlates(all.subList(1, 5)), p, n -> "x")).hasSize(1);
    }

    @Test
    void whoeverIsInvisibleInASuitCarriesTheThingInOneTake() {
        BreakdownPlan p = plan(
                illusion(IllusionKind.HIDDEN, "the apprentice", "by", "suit"), illusion(IllusionKind.MOVED, "the lantern", "operator",
                "suit", "performer", "no"));
        assertThat(p.needs()).filteredOn(n -> n.role() == PlateRole.ON_SCREEN).hasSize(1).first().satisfies(n -> {
            assertThat(n.illusions()).hasSize(2);
            assertThat(n.in()).contains(Item.prop("the lantern"), Item.person("the apprentice"));
        });
    }

    @Test
    void aSmallOneLooksUpAtTheAngleOfItsOwnMeasure() {
        PlateNeed n = only(plan(illusion(IllusionKind.OTHER_SIZE, "the small maker", "factor", "0.1", "sizeM", "1.7", "restM", "0.9",
                "eyesM", "1.6", "distanceM", "0.7", "actor", "the maker")),
                PlateRole.ON_SCREEN);
        // Eyes 7 m above its floor, 7 m away, its own at 1.58 m.
        assertThat(n.notes().eyelines()).singleElement().satisfies(e -> assertThat(e.upDeg()).isCloseTo(37.74, Offset.offset(0.05)));
    }

    @Test
    void aPictureThatExistsIsBroughtInNotFilmed() {
        Shot s = Shots.of(illusion(IllusionKind.ELSEWHERE, "the maker", "source", "existing"));
        BreakdownPlan p = Breakdown.plan(s, HouseRules.DEFAULT);
        assertThat(p.needs()).filteredOn(n -> !n.filmed()).hasSize(1);
        assertThat(p.permissions()).hasSize(1);
        assertThat(Shots.order(p, s, HouseRules.DEFAULT).steps()).allSatisfy(x -> assertThat(x.need().filmed()).isTrue());
    }

    @Test
    void everyQuestionAssumesWhatThePlanAssumes() {
        for (IllusionKind k : IllusionKind.values()) {
            Illusion w = illusion(k, "it");
            Illusion assumed = Rules.assuming(w);
            var told = Answers.of(assumed, Setting.NONE);
            for (Question q : Breakdown.questions(Shots.of(w), w, HouseRules.DEFAULT)) {
                assertThat(told.answer(q.fact())).as("%s %s", k, q).isEqualTo(q.otherwise());
            }
        }
    }

    @Test
    void anEmptyShotHasAnEmptyPlan() {
        BreakdownPlan p = plan();
        assertThat(p.needs()).isEmpty();
        assertThat(p.cautions()).isEmpty();
        assertThat(p.kit()).isEmpty();
    }

    @Test
    void anAnswerThatCannotBeOneCountsAsNotGiven() {
        Illusion odd = new Illusion("f", IllusionKind.FLOATS, "x", 0, 4, Map.of("motion", "dances", "heightM", "NaN", "sizeM", "-3"));
        assertThat(roles(plan(odd))).contains(PlateRole.ELEMENT);
    }
}
