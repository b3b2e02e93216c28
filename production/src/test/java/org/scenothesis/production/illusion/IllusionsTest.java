package org.scenothesis.production.illusion;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.paper.PlanTree;

class IllusionsTest {
    private static final Shot BLANK = new Shot("1", 1, "Shot 1", "", 6, List.of(), List.of(), List.of(), List.of(), null);

    static List<ReadyMadeShot> all() {
        return ReadyMadeShots.shipped().all();
    }

    @Test
    void everyIllusionAndAtLeastSixCombinationsAreThere() {
        Set<IllusionKind> kinds = EnumSet.noneOf(IllusionKind.class);
        all().forEach(i -> i.illusions().forEach(w -> kinds.add(w.kind())));
        assertThat(kinds).containsExactly(IllusionKind.values());
        assertThat(all()).hasSizeGreaterThanOrEqualTo(24).extracting(ReadyMadeShot::id).doesNotHaveDuplicates();
        assertThat(all()).filteredOn(i -> i.illusions().size() > 1).hasSizeGreaterThanOrEqualTo(6);
    }

    @ParameterizedTest
    @MethodSource("all")
    void everyIllusionIsUnderstoodAndPlansADayThatCanBeRolled(ReadyMadeShot i) {
        assertThat(i.notUnderstood()).isEmpty();
        Shot s = i.into(BLANK);
        assertThat(s.title()).isEqualTo(i.title());
        BreakdownPlan plan = Breakdown.plan(s, HouseRules.DEFAULT);
        i.illusions().forEach(w -> assertThat(plan.needs()).as(w.id()).anySatisfy(n -> assertThat(n.illusions()).contains(w.id())));
        DayPlan day = DayPlan.of(new Production("p", List.of(s), HouseRules.DEFAULT));
        assertThat(day.order().broken()).isEmpty();
        assertThat(day.order().exact()).isTrue();
        // No code may reach the reader: every word is in the bundle.
        assertThat(PlanTree.of(day).toString()).doesNotContainPattern(
                "\\b(why|skip|because|figure|conflict|caution|kit|item|answer|ask|focus|record|position|sound|change|method|risk|name|"
                        + "role|part|light|clothes|wonder)\\.[a-zA-Z]");
    }

    /// The table of rules that fired, as the document for users has it.
    @Test
    void theDocumentSaysForEveryIllusionWhichPlatesFollow() throws Exception {
        String doc = Files.readString(Path.of("..", "docs", "illusions.md"));
        for (ReadyMadeShot i : all()) {
            assertThat(doc).as("docs/illusions.md is made by scenothesis illusions --table").contains(RulesTable.row(i));
        }
    }

    @Test
    void layingOneIntoAToldShotLosesNothing() {
        Shot first = all().get(0).into(BLANK);
        Shot both = all().get(0).into(first);
        assertThat(both.illusions()).hasSize(2).extracting(w -> w.id()).doesNotHaveDuplicates();
        assertThat(both.beats()).hasSize(2 * first.beats().size()).extracting(b -> b.id()).doesNotHaveDuplicates();
        assertThat(both.title()).isEqualTo(first.title());
    }

    @ParameterizedTest
    @CsvSource({
        "'two makers pass a lantern to each other, one is thumb-high', two-makers-one-small",
                "a giant walks past the window, giant-at-the-window",
        "letters written in the air, written-in-the-dark", "a portal of light opens in the wall, door-in-the-wall"
    })
    void aSentenceFindsWhatSharesItsWords(String sentence, String id) {
        List<Search.Hit> hits = Search.find(all(), sentence);
        assertThat(hits.getFirst().illusion().id()).isEqualTo(id);
        assertThat(hits.getFirst().matched()).isNotEmpty();
        assertThat(hits.getFirst().score()).isBetween(0.0, 1.0);
    }

    @Test
    void nothingIsPretendedWhereNoWordIsShared() {
        assertThat(Search.find(all(), "quantum chromodynamics")).isEmpty();
        assertThat(Search.find(all(), "the of and")).hasSameSizeAs(all()).allSatisfy(h -> assertThat(h.matched()).isEmpty());
    }

    @Test
    void onesOwnAreKeptAndBrokenFilesAreSaidAndLeft(@TempDir Path own) throws Exception {
        Shot s = all().get(3).into(BLANK);
        Path kept = ReadyMadeShots.keep(own, s);
        assertThat(ReadyMadeShots.keep(own, s)).isNotEqualTo(kept);
        Files.writeString(own.resolve("broken.json"), "{\"id\": ");
        Files.writeString(own.resolve("other.json"), "{\"id\": \"x\"}");
        Files.writeString(own.resolve("odd.json"), Files.readString(kept).replace("\"touch\" : \"apart\"", "\"touch\" : \"sideways\""));
        ReadyMadeShots with = ReadyMadeShots.with(own);
        assertThat(with.all()).hasSize(all().size() + 3);
        assertThat(with.problems()).hasSize(3).anySatisfy(p -> assertThat(p).contains("touch=sideways"));
        assertThat(ReadyMadeShots.with(own.resolve("nowhere")).problems()).isEmpty();
    }
}
