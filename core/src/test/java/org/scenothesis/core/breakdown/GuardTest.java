package org.scenothesis.core.breakdown;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.breakdown.method.Method;
import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.breakdown.method.Way;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.Estimates;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;

/// What follows from plates and facts rather than from any illusion: forgotten plates, kit, estimates.
class GuardTest {
    private static final Shot SMALL = Shots.of(Shots.illusion(IllusionKind.OTHER_SIZE, "the small maker", "performer", "no"));

    private static int count(BreakdownPlan p, String kit) {
        return p.kit().stream().filter(k -> k.code().equals(kit)).mapToInt(KitItem::count).sum();
    }

    @Test
    void everyCameraWithAClothIsProposedItsScreenAloneAndEveryCameraItsCard() {
        BreakdownPlan p = Breakdown.plan(SMALL, HouseRules.DEFAULT);
        assertThat(p.needs()).filteredOn(n -> n.role() == PlateRole.SCREEN_ONLY).singleElement().satisfies(n -> {
            assertThat(n.lockGroup()).isEqualTo("B");
            assertThat(n.proposed()).isTrue();
            assertThat(n.region()).isEqualTo(Shots.only(p, PlateRole.ON_SCREEN).region());
        });
        assertThat(p.needs()).filteredOn(n -> n.role() == PlateRole.REFERENCE).extracting(PlateNeed::lockGroup)
                .containsExactlyInAnyOrder("A", "B");
        assertThat(p.need("reference-B").orElseThrow().notes().record()).contains("ball", "card", "length");
        assertThat(p.need("clean-A").orElseThrow().notes().sound()).contains("room");
    }

    @Test
    void defocusingAHouseKeepsTheFrameForAnotherReason() {
        BreakdownPlan p = Breakdown.plan(SMALL, HouseRules.DEFAULT.withApproach(Approach.WRINKLES, "defocus"));
        assertThat(Shots.only(p, PlateRole.SCREEN_ONLY).code()).isEqualTo("screen.defocus");
        assertThat(count(p, "clips")).isLessThan(count(Breakdown.plan(SMALL, HouseRules.DEFAULT), "clips"));
    }

    @ParameterizedTest
    @CsvSource({"above, 2", "sides, 3", "shade, 1"})
    void lampsAreCountedAsTheHouseLightsItsCloth(String way, int lamps) {
        assertThat(count(Breakdown.plan(SMALL, HouseRules.DEFAULT.withApproach(Approach.CLOTH_LIGHT, way)), "lamps")).isEqualTo(lamps);
        Shot sun = SMALL.withSetting(s -> s.withFact("light", "sun"));
        assertThat(count(Breakdown.plan(sun, HouseRules.DEFAULT.withApproach(Approach.CLOTH_LIGHT, way)), "lamps")).isZero();
    }

    @Test
    void aClothHungNearIsSmaller() {
        Shot s = Shots.of(Shots.illusion(IllusionKind.FLOATS, "the lantern"));
        double far = Shots.only(Breakdown.plan(s, HouseRules.DEFAULT), PlateRole.ELEMENT).region().clothWideM();
        double near = Shots.only(Breakdown.plan(s, HouseRules.DEFAULT.withApproach(Approach.SCREEN_DISTANCE, "near")), PlateRole.ELEMENT)
                .region().clothWideM();
        // Three metres to the subject: (3 + 1.5) / 3 against (3 + 0.6) / 3.
        assertThat((near - 0.3) / (far - 0.3)).as("but for the margin").isCloseTo(3.6 / 4.5, within(1e-9));
    }

    @Test
    void aHouseThatScreensInAStudioLeavesTheLeavesOutsideAndRebuildsTheLight() {
        Shot s = Shots.of(Map.of("foliage", "yes"), Shots.illusion(IllusionKind.FLOATS, "the lantern"));
        assertThat(Shots.only(Breakdown.plan(s, HouseRules.DEFAULT), PlateRole.ELEMENT).screen()).isEqualTo(Screen.BLUE);
        BreakdownPlan studio = Breakdown.plan(s, HouseRules.DEFAULT.withApproach(Approach.WHERE_TO_SCREEN, "studio"));
        assertThat(Shots.only(studio, PlateRole.ELEMENT).screen()).isEqualTo(Screen.GREEN);
        assertThat(Shots.only(studio, PlateRole.ELEMENT).lightGroup()).isEqualTo("B");
        assertThat(way(studio, Way.KEY).risks()).contains("key.light");
        Shot here = s.withSetting(x -> x.withFact("place", "real"));
        assertThat(Shots.only(Breakdown.plan(here, HouseRules.DEFAULT.withApproach(Approach.WHERE_TO_SCREEN, "studio")), PlateRole.ELEMENT)
                .lightGroup()).as("what was told goes first").isEqualTo("A");
    }

    @Test
    void aHouseWithALivingCameraNeedsRoomAtTheEdges() {
        Shot s = Shots.of(Shots.illusion(IllusionKind.FLOATS, "the lantern"));
        assertThat(Breakdown.plan(s, HouseRules.DEFAULT).figures()).noneSatisfy(f -> assertThat(f.code()).isEqualTo("crop"));
        assertThat(Breakdown.plan(s, HouseRules.DEFAULT.withApproach(Approach.CAMERA_LIFE, "alive")).figures()).anySatisfy(f -> {
            assertThat(f.code()).isEqualTo("crop");
            assertThat(f.value()).isCloseTo(1.0305, within(5e-4));
        });
    }

    @Test
    void handWorkIsKeyframesTimesMinutesAndFollowsTheHouse() {
        Shot s = Shots.of(Map.of("ratePerS", "25"), Shots.illusion(IllusionKind.FLOATS, "the lantern"));
        Method roto = way(Breakdown.plan(s, HouseRules.DEFAULT), Way.ROTO);
        // Four seconds at 25 a second, one hand frame in three.
        assertThat(roto.keyframes()).isEqualTo(34);
        assertThat(roto.handHours()).isCloseTo(34 * 5 / 60.0, within(1e-9));
        Estimates dear = Estimates.DEFAULT.withHand(new Estimates.Hand(2, 10, 1, 12));
        assertThat(way(Breakdown.plan(s, HouseRules.DEFAULT.withEstimates(dear)), Way.ROTO).handHours())
                .isCloseTo(50 * 10 / 60.0, within(1e-9));
        Shot hair = s.withIllusion(s.illusions().getFirst().id(), w -> w.withFact("edge", "hair"));
        assertThat(way(Breakdown.plan(hair, HouseRules.DEFAULT), Way.ROTO).handHours()).isCloseTo(100 * 12 / 60.0, within(1e-9));
    }

    private static Method way(BreakdownPlan p, Way way) {
        return p.treatments().getFirst().methods().stream().filter(m -> m.way() == way).findFirst().orElseThrow();
    }

    @Test
    void aSuitBeforeAScreenIsKeyedAndADisagreementIsSaid() {
        BreakdownPlan p = Shots.plan(Shots.illusion(IllusionKind.FLOATS, "the maker", "who", "person"),
                Shots.illusion(IllusionKind.HIDDEN, "the maker", "by", "sleeves", "part", "arms"));
        assertThat(p.treatments()).singleElement().satisfies(t -> {
            assertThat(t.way()).isEqualTo(Way.KEY);
            assertThat(t.disagree()).isFalse();
            assertThat(t.illusions()).hasSize(2);
        });
        BreakdownPlan no = Shots.plan(Shots.illusion(IllusionKind.PASSES_AROUND, "the seals", "ground", "black"),
                Shots.illusion(IllusionKind.FRAME_BY_FRAME, "the seals", "rig", "removed"));
        assertThat(no.treatments()).singleElement().satisfies(t -> assertThat(t.methods()).isNotEmpty());
    }

    @Test
    void thingsOfTheirOwnCameraGetGroupsOfTheirOwn() {
        BreakdownPlan p = Shots.plan(
                Shots.illusion(IllusionKind.OTHER_SIZE, "the small maker", "performer", "no"),
                Shots.illusion(IllusionKind.ENERGY, "the palm", "actor", "the maker"),
                Shots.illusion(IllusionKind.WRITTEN, "the word", "actor", "the maker"));
        List<String> locks = p.treatments().stream().map(t -> t.lock()).toList();
        assertThat(locks).doesNotHaveDuplicates().doesNotContain("A");
        assertThat(p.needs()).filteredOn(n -> n.screen() == Screen.BLACK)
                .allSatisfy(n -> assertThat(n.lightGroup()).isEqualTo(n.lockGroup()));
    }
}
