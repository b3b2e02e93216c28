package org.scenothesis.core.breakdown.illusion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.Shots;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.finding.Approach;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;

/// Facts, and what has to follow from them: one line per claim of the handbook's tables.
class RulesTest {
    private static BreakdownPlan plan(IllusionKind kind, String facts) {
        return plan(kind, facts, HouseRules.DEFAULT);
    }

    private static BreakdownPlan plan(IllusionKind kind, String facts, HouseRules rules) {
        Map<String, String> setting = new TreeMap<>();
        Map<String, String> illusion = new TreeMap<>();
        for (String f : facts == null ? new String[0] : facts.split(" ")) {
            String[] kv = f.split("=");
            Fact fact = Fact.byKey(kv[0]).orElseThrow(() -> new AssertionError(kv[0]));
            assertThat(fact.accepts(kv[1])).as(f).isTrue();
            (fact.ofSetting() ? setting : illusion).put(kv[0], kv[1]);
        }
        String[] pairs = illusion.entrySet().stream().flatMap(e -> List.of(e.getKey(), e.getValue()).stream()).toArray(String[]::new);
        Shot s = Shots.of(setting, Shots.illusion(kind, "the maker", pairs));
        return Breakdown.plan(s, rules);
    }

    @ParameterizedTest
    @CsvSource(nullValues = "-", value = {
        "FLOATS, who=person body=halves, CLEAN PARTIAL_BODY SCREEN_ONLY, ON_SCREEN",
        "FLOATS, inFront=yes, FOREGROUND ELEMENT, -",
        "COPIES, count=2, CLEAN PRACTICAL REFERENCE, SCREEN_ONLY",
        "COPIES, count=3 touch=overlap, CLEAN PRACTICAL ON_SCREEN SCREEN_ONLY, -",
        "OTHER_SIZE, factor=0.1 contact=things, CLEAN ON_SCREEN FOREGROUND, ATMOSPHERE",
        "OTHER_SIZE, factor=8, CLEAN ON_SCREEN BACKGROUND ATMOSPHERE, FOREGROUND",
        "HIDDEN, by=suit insideSeen=yes, CLEAN ON_SCREEN FOREGROUND, SCREEN_ONLY",
        "HIDDEN, motion=still, CLEAN PRACTICAL, ON_SCREEN",
        "MOVED, operator=line, CLEAN PRACTICAL, SCREEN_ONLY",
        "MOVED, crossed=yes, CLEAN ON_SCREEN SCREEN_ONLY, ELEMENT",
        "BECOMES, event=smoke, CLEAN PRACTICAL ATMOSPHERE, SCREEN_ONLY",
        "BECOMES, event=flash motion=still, CLEAN PRACTICAL LIGHT_PASS, SCREEN_ONLY",
        "BECOMES, crossed=yes, CLEAN PRACTICAL ON_SCREEN SCREEN_ONLY, ELEMENT",
        "ELSEWHERE, source=made inFront=yes, CLEAN ON_SCREEN SCREEN_ONLY FOREGROUND, BACKGROUND",
        "ELSEWHERE, source=existing inFront=yes, BACKGROUND ON_SCREEN SCREEN_ONLY, CLEAN FOREGROUND",
        "THROUGH_FRAME, frameKind=doorway limbs=yes, CLEAN ON_SCREEN BACKGROUND SCREEN_ONLY, FRAME_INSERT",
        "THROUGH_FRAME, place=studio, CLEAN ON_SCREEN FRAME_INSERT, -",
        "ENERGY, lights=yes, CLEAN PRACTICAL ON_BLACK LIGHT_PASS, SCREEN_ONLY",
        "ENERGY, lights=no energy=sparks, PRACTICAL ON_BLACK, CLEAN LIGHT_PASS",
        "PASSES_AROUND, ground=white, ON_WHITE PRACTICAL, SCREEN_ONLY CLEAN",
        "PASSES_AROUND, ground=black behind=yes, ON_BLACK ON_SCREEN CLEAN SCREEN_ONLY, PRACTICAL",
        "WIPED, material=leaves, TRANSITION PRACTICAL SCREEN_ONLY, CLEAN",
        "WIPED, material=water after=other, ON_BLACK PRACTICAL, TRANSITION",
        "WRITTEN, writtenOn=glass, SURFACE_TITLE PRACTICAL, CLEAN",
        "WRITTEN, writtenOn=wall performer=no, SURFACE_TITLE CLEAN, PRACTICAL",
        "FRAME_BY_FRAME, rig=removed, STILLS CLEAN, SCREEN_ONLY",
        "FRAME_BY_FRAME, rig=hidden, STILLS, CLEAN",
        "OPENING, crossed=yes, CLEAN BACKGROUND ON_SCREEN ON_BLACK LIGHT_PASS SCREEN_ONLY, PRACTICAL",
        "OPENING, crossed=no rim=no lights=no, CLEAN BACKGROUND PRACTICAL, ON_BLACK LIGHT_PASS SCREEN_ONLY",
        "RESHAPED, part=arms amount=2, CLEAN PARTIAL_BODY SCREEN_ONLY, ON_SCREEN",
        "RESHAPED, part=torso amount=1.1 motion=still, CLEAN PRACTICAL, PARTIAL_BODY SCREEN_ONLY"
    })
    void everyIllusionAsksForItsPlatesAndForNoOthers(IllusionKind kind, String facts, String asked, String not) {
        List<PlateRole> roles = Shots.roles(plan(kind, facts));
        assertThat(roles).containsAll(Arrays.stream(asked.split(" ")).map(PlateRole::valueOf).toList());
        if (not != null) {
            assertThat(roles).doesNotContainAnyElementsOf(Arrays.stream(not.split(" ")).map(PlateRole::valueOf).toList());
        }
    }

    @ParameterizedTest
    @CsvSource({
        "FLOATS, who=person body=halves surface=yields, seat.yields", "FLOATS, floor=glossy, floor.glossy",
                "FLOATS, who=person floor=soft, floor.soft", "FLOATS, cloths=none, cloth.none",
        "FLOATS, cloths=green foliage=yes, cloth.leaves", "FLOATS, cloths=green colours=#8cc63f, cloth.colour.other",
        "FLOATS, colours=#1fa64a;#1f4fc4, cloth.colour.both",
        "FLOATS, clothWideM=0.5, cloth.never", "FLOATS, clothWideM=1.3 behindM=4, cloth.small", "FLOATS, camera=moving, camera.moves",
        "FLOATS, edge=glass, edge.glass", "FLOATS, method=mask, mask.forced",
        "FLOATS, motion=still background=moves, background.masked", "COPIES, touch=touch, copies.touch",
        "COPIES, camera=moving, copies.moving",
        "OTHER_SIZE, factor=0.1 roomM=4, size.room", "OTHER_SIZE, contact=people, size.people",
        "HIDDEN, surface=yields part=legs, seat.yields", "HIDDEN, overClothes=yes by=hood, suit.over",
        "HIDDEN, light=sun, suit.sun", "MOVED, light=sun, operator.shadow", "BECOMES, event=cut, becomes.jump",
        "BECOMES, atS=60, becomes.when",
        "ELSEWHERE, backgroundCamera=parallax, background.parallax", "ELSEWHERE, backgroundCamera=drifts, background.move",
        "ELSEWHERE, emptyRoom=no, background.full",
        "THROUGH_FRAME, corners=no, frame.corners", "THROUGH_FRAME, frameKind=mirror reflects=yes, frame.reflects",
        "ENERGY, energy=flashes flashes=6, flashes.fast",
        "WRITTEN, writtenOn=glass light=sun, glass.sun", "FRAME_BY_FRAME, light=shade, frames.daylight",
        "OPENING, camera=moving, opening.moving",
        "RESHAPED, amount=3 edge=hair, reshaped.hair"
    })
    void factsThatDoNotGoTogetherAreTold(IllusionKind kind, String facts, String conflict) {
        assertThat(plan(kind, facts).conflicts()).extracting(Conflict::code).contains(conflict);
        assertThat(plan(kind, null).conflicts()).extracting(Conflict::code).as("without the fact")
                .doesNotContain(conflict.equals("becomes.jump") || conflict.equals("size.room") ? "" : conflict);
    }

    @ParameterizedTest
    @CsvSource({
        "FLOATS, who=person, height", "FLOATS, who=person support=harness, suspended", "FLOATS, support=line, line",
                "FLOATS, motion=thrown, thrown", "FLOATS, weapon=yes, weapon",
        "FLOATS, who=child, children", "FLOATS, light=lamps, lamps", "FLOATS, hotLamps=yes, hot", "WRITTEN, high=yes, outside",
        "FLOATS, motion=drifts, stands", "FLOATS, public=yes, public", "FLOATS, light=sun, public",
        "FLOATS, camera=moving dolly=chair, dolly", "HIDDEN, by=hood, hood", "RESHAPED, costume=inflated, hood",
        "MOVED, operator=suit, hood", "WIPED, material=powder, powder",
        "WIPED, material=water, water", "WIPED, material=leaves, overhead", "ENERGY, energy=fire, smoke",
        "ENERGY, energy=flashes, flashing", "BECOMES, event=flash, flashing",
        "WRITTEN, writtenOn=glass, glass", "THROUGH_FRAME, sizeM=1.7, opening", "OTHER_SIZE, factor=8, powder"
    })
    void everyDangerInThePlanIsCautionedAgainst(IllusionKind kind, String facts, String caution) {
        assertThat(plan(kind, facts).cautions()).extracting(BreakdownPlan.Caution::code).contains(caution);
    }

    private static double figure(BreakdownPlan p, String code) {
        return p.figures().stream().filter(f -> f.code().equals(code)).mapToDouble(Figure::value).findFirst()
                .orElseThrow(() -> new AssertionError(code + " in " + p.figures()));
    }

    @Test
    void theNumbersOfAGiantFollowFromItsFactor() {
        BreakdownPlan p = plan(IllusionKind.OTHER_SIZE, "factor=12 backgroundM=24 lensM=6 ratePerS=25");
        assertThat(figure(p, "size.distance")).isCloseTo(2, within(1e-9));
        assertThat(figure(p, "size.lens")).isCloseTo(0.5, within(1e-9));
        assertThat(figure(p, "size.time")).isCloseTo(3.464, within(1e-3));
        assertThat(figure(p, "giant.rate")).isCloseTo(86.6, within(0.1));
        BreakdownPlan slow = plan(IllusionKind.OTHER_SIZE, "factor=12", HouseRules.DEFAULT.withApproach(Approach.GIANTS, "slow"));
        assertThat(figure(slow, "giant.slow")).isCloseTo(0.2887, within(1e-3));
    }

    @Test
    void theOtherNumbersAreTheirFormulas() {
        assertThat(figure(plan(IllusionKind.WIPED, "filmedS=6 wipeS=1.5"), "wipe.retime")).isCloseTo(4, within(1e-9));
        // Four seconds of illusion at 12 a second.
        assertThat(figure(plan(IllusionKind.FRAME_BY_FRAME, "rate=12"), "stills.frames")).isEqualTo(48);
        assertThat(figure(plan(IllusionKind.ELSEWHERE, "source=existing backgroundPx=720 camera=push pushIn=1.5"), "resolution.background"))
                .isCloseTo(2.25, within(1e-9));
        assertThat(figure(plan(IllusionKind.FLOATS, "who=person filmedAt=floor heightM=1.1"), "lens.lower")).isCloseTo(1.1, within(1e-9));
        assertThat(figure(plan(IllusionKind.COPIES, "count=30 rows=3 apartShare=30"), "crowd.nearest")).isGreaterThanOrEqualTo(30 - 1e-6);
    }

    @Test
    void whatIsSeenThroughAnOpeningIsEnlargedByItsShareOfThePicture() {
        // 540 lines fill half of 1080.
        assertThat(figure(plan(IllusionKind.OPENING, "source=existing backgroundPx=540 sizeM=1.1 frameM=2.2"), "resolution.inside"))
                .isCloseTo(1, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"records=phone recordPx=2160 ratePerS=24, 80", "records=intra ratePerS=48, 380", "records=raw megabits=100, 100"})
    void storageFollowsTheKindOfRecordingUntilTheRateIsKnown(String facts, double megabits) {
        BreakdownPlan p = plan(IllusionKind.FLOATS, facts);
        double seconds = p.needs().stream().mapToDouble(n -> n.length().takes() * Math.max(5, n.rollSeconds())).sum();
        assertThat(figure(p, "storage")).isCloseTo(seconds * megabits / 8000, within(1e-9));
    }

    @Test
    void shadowsOnAWallAskForItsDistanceAndRoomToneIsNeverForgotten() {
        assertThat(Shots.only(plan(IllusionKind.FLOATS, "shadowOn=both"), PlateRole.CLEAN).notes().record()).contains("wall", "shadow");
        assertThat(Shots.only(plan(IllusionKind.FLOATS, "shadow=no"), PlateRole.CLEAN).notes().record()).isEmpty();
        for (IllusionKind k : IllusionKind.values()) {
            assertThat(plan(k, null).needs()).as(k.name()).anySatisfy(n -> assertThat(n.notes().sound()).contains("room"));
        }
        assertThat(plan(IllusionKind.ELSEWHERE, "source=existing bars=yes").needs()).anySatisfy(n -> assertThat(n.notes().record())
                .contains("bars"));
    }

    @Test
    void whatIsFilmedOnTheFloorHasACameraOfItsOwn() {
        PlateNeed lowered = Shots.only(plan(IllusionKind.FLOATS, "who=person filmedAt=floor"), PlateRole.ON_SCREEN);
        assertThat(lowered.lockGroup()).isNotEqualTo("A");
        assertThat(lowered.lightGroup()).isEqualTo("A");
    }

    @Test
    void aSmallOneIsFilmedOnAClothOfOrdinarySize() {
        PlateNeed n = Shots.only(plan(IllusionKind.OTHER_SIZE, "factor=0.1 sizeM=1.7 travelM=1 frameM=0.4 backgroundM=0.6"),
                PlateRole.ON_SCREEN);
        assertThat(n.region().widthShare()).isLessThan(0.5);
        // The lens stands three metres above its floor: the cloth ends lower than the head, and comes forward under it.
        assertThat(n.region().clothHighM()).isBetween(1.3, 1.6);
        assertThat(n.region().cloth().floorM()).isBetween(1.5, 1.8);
    }

    @Test
    void aCleanPlateIsAsLongAsTheBackgroundOrTheHouseAsks() {
        assertThat(Shots.only(plan(IllusionKind.COPIES, null), PlateRole.CLEAN).rollSeconds()).isZero();
        assertThat(Shots.only(plan(IllusionKind.COPIES, "background=moves"), PlateRole.CLEAN).rollSeconds()).isEqualTo(8);
        assertThat(Shots.only(plan(IllusionKind.COPIES, null, HouseRules.DEFAULT.withApproach(Approach.CLEAN_LENGTH, "take")),
                PlateRole.CLEAN).rollSeconds()).isEqualTo(8);
    }
}
