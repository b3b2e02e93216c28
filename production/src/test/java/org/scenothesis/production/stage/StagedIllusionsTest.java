package org.scenothesis.production.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.core.breakdown.staging.Stagings;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.rehearsal.staged.Fault;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.BackdropKind;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.PieceShelf;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.proof.Proved;
import org.scenothesis.core.value.Given;
import org.scenothesis.production.illusion.ReadyMadeShot;
import org.scenothesis.production.illusion.ReadyMadeShots;
import org.scenothesis.production.words.StageWords;
import org.scenothesis.production.words.Words;

/// Every illusion that was told opens staged, without a hand.
class StagedIllusionsTest {
    private static final HouseRules RULES = HouseRules.DEFAULT;

    static Stream<String> ready() {
        return ReadyMadeShots.shipped().all().stream().map(ReadyMadeShot::id);
    }

    private static Shot shot(String illusion) {
        ReadyMadeShot i = ReadyMadeShots.shipped().all().stream().filter(x -> x.id().equals(illusion)).findFirst().orElseThrow();
        return i.into(new Shot("1", 1, "", "", 6, List.of(), List.of(), List.of(), List.of(), null));
    }

    private static List<Staged> staged(Shot s) {
        return Stagings.of(s, Breakdown.plan(s, RULES), RULES);
    }

    @ParameterizedTest
    @MethodSource("ready")
    void itOpensStagedAndEverythingAboutItHasWords(String illusion) {
        Shot s = shot(illusion);
        BreakdownPlan plan = Breakdown.plan(s, RULES);
        List<Staged> sets = Stagings.of(s, plan, RULES);
        assertThat(sets.stream().map(Staged::group)).as("a set for every camera").containsExactlyInAnyOrderElementsOf(plan.cards().stream()
                .map(c -> c.group()).distinct().toList());
        for (Staged set : sets) {
            assertThat(set.byHand()).isFalse();
            for (PlateNeed n : set.needs()) {
                boolean onCloth = n.region().clothWideM() > 0 && n.region().sweep().awayM() > 0 && !n.about().isEmpty();
                List<Piece> there = set.view(n.key().code()).pieces();
                if (onCloth) {
                    assertThat(there).as(n.key().code()).anyMatch(p -> p.thing() instanceof Body)
                            .anyMatch(p -> p.thing() instanceof Backdrop)
                            .anyMatch(p -> p.thing() instanceof Lamp);
                    Proved room = set.proved(n.key().code(), RULES).stream().filter(p -> p.finding().measure() == Measure.CLOTH_ROOM)
                            .findFirst()
                            .orElseThrow();
                    // A cloth whose size was told may be too small, and that is said.
                    boolean small = s.setting().facts().containsKey("clothHighM") || s.setting().facts().containsKey("clothWideM");
                    assertThat(room.finding().verdict()).as(illusion + " " + n.key().code() + " " + room.finding()
                            .value() + StageWords.remedy(room)).matches(v -> v == Verdict.HOLDS || small);
                }
                for (Proved p : set.proved(n.key().code(), RULES)) {
                    assertThat(StageWords.line(p)).doesNotContain("{").doesNotContain("finding.").doesNotContain("NaN");
                    assertThat(StageWords.remedy(p)).doesNotContain("{").doesNotContain("fix.").doesNotContain("NaN")
                            .doesNotContain("\u221e");
                    assertThat(StageWords.rests(p, set.stage())).doesNotContain("rests.");
                    assertThat(p.finding().verdict() == Verdict.HOLDS || !StageWords.remedy(p).isEmpty()).as(StageWords.line(p)).isTrue();
                }
            }
            assertThat(set.stage().floor().pieces()).allSatisfy(p -> {
                assertThat(StageWords.thing(p.thing())).doesNotStartWith("thing.");
                p.thing().dimensions().forEach(d -> {
                    assertThat(StageWords.dimension(d)).doesNotStartWith("dimension.");
                    assertThat(Words.origin(d.value())).doesNotEndWith("assumed: planned");
                });
            });
            assertThat(StageTree.setUps(List.of(set)).toString()).doesNotContain("NaN");
            String page = new SetSheet(set, set.hardest(), "1, a <set> & its \"sheet\"", true).page(RULES);
            assertThat(page).contains("a &lt;set&gt; &amp; its").contains("\u2032").doesNotContain("NaN");
            boolean eyes = set.need(set.hardest()).map(n -> !n.notes().eyelines().isEmpty()).orElse(false);
            assertThat(page.contains("Marks for the eyes")).isEqualTo(eyes);
        }
    }

    @Test
    void whatIsStagedByHandStaysAndGoesBackToThePlan() {
        Shot s = shot("inside-the-lantern");
        Staged set = staged(s).stream().filter(x -> x.stage().floor().pieces().stream().anyMatch(p -> p.thing() instanceof Body))
                .findFirst().orElseThrow();
        String cloth = set.stage().floor().pieces().stream().filter(p -> p.thing() instanceof Backdrop).findFirst().orElseThrow().id();
        Stage moved = set.stage().withFloor(f -> f.with(cloth, p -> p.put(p.at().at(0.4, 8))));
        Shot kept = Stagings.kept(s, set.with(moved));
        Staged again = staged(kept).stream().filter(x -> x.group().equals(set.group())).findFirst().orElseThrow();
        assertThat(again.byHand()).isTrue();
        assertThat(again.stage().floor().piece(cloth).orElseThrow().at().x()).isEqualTo(0.4);
        assertThat(staged(Stagings.planned(kept, set.group())).stream().filter(x -> x.group().equals(set.group())).findFirst().orElseThrow()
                .stage()).isEqualTo(set.stage());
    }

    @Test
    void setsAreSharedBetweenShotsThatNameThem() {
        Shot s = shot("inside-the-lantern");
        Staged set = staged(s).stream().filter(x -> !x.group().equals("A")).findFirst().orElseThrow();
        Shot one = Stagings.kept(s, set);
        Shot two = one.renamed("2", 2);
        Production p = new Production("t", List.of(one, two), RULES);
        assertThat(p.setUps()).hasSize(1);
        Stage other = set.stage().withFloor(f -> f.without(f.pieces().getFirst().id()));
        Production changed = p.withShot("1", x -> Stagings.kept(x, set.with(other)));
        assertThat(changed.shot("2").elsewhere().get(set.group()).stage()).isEqualTo(other);
    }

    @Test
    void aSetCanBeBegunBeforeAnythingIsTold() {
        Shot s = new Shot("1", 1, "", "", 6, List.of(), List.of(), List.of(), List.of(), null);
        assertThat(staged(s)).isEmpty();
        Staged bare = Stagings.bare(s, RULES);
        Piece figure = PieceShelf.make("figure", "figure-1", new Spot(0, 3, 0), Vec.ZERO);
        Shot kept = Stagings.kept(s, bare.with(bare.stage().withFloor(f -> f.plus(figure))));
        Optional<Staged> now = staged(kept).stream().findFirst();
        assertThat(now).isPresent();
        assertThat(now.orElseThrow().proved("", RULES)).isNotEmpty().noneMatch(p -> p.finding().measure() == Measure.CLOTH_ROOM);
    }

    @Test
    void lengthsAreReadAsTheyAreWritten() {
        assertThat(StageWords.length(2.5, false)).isEqualTo("2.50 m");
        assertThat(StageWords.length(2.5, true)).isEqualTo("8\u2032 2\u2033");
        assertThat(StageWords.metres("2,5").orElseThrow()).isEqualTo(2.5);
        assertThat(StageWords.metres("2.5 m").orElseThrow()).isEqualTo(2.5);
        assertThat(StageWords.metres("8' 2\"").orElseThrow()).isCloseTo(2.489, within(0.001));
        assertThat(StageWords.metres("8\u2032").orElseThrow()).isCloseTo(2.438, within(0.001));
        for (String s : List.of("", "far", "NaN", "Infinity", "--1", "2 x 3")) {
            assertThat(StageWords.metres(s)).as(s).isEmpty();
        }
    }

    @ParameterizedTest
    @EnumSource(BackdropKind.class)
    void screensHaveWords(BackdropKind k) {
        assertThat(StageWords.backdrop(k)).doesNotStartWith("backdrop.");
    }

    @ParameterizedTest
    @EnumSource(Fault.class)
    void faultsHaveWords(Fault f) {
        assertThat(Words.has("fault." + f.name())).isTrue();
        assertThat(Words.assumed(Stagings.PLANNED)).contains("Break down");
        assertThat(Words.origin(new Given.Assumed<>(1.0, "suggested"))).contains("suggested it");
    }
}
