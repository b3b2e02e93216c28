package org.scenothesis.production.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.fact.Conflict;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.kit.Owned;
import org.scenothesis.core.breakdown.kit.OwnedKind;
import org.scenothesis.core.breakdown.kit.OwnedKit;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.breakdown.staging.Stagings;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Illusion;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.stage.suggest.AvailableKit;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.KitWords;

class KitFileTest {
    private static final OwnedKit MINE = new OwnedKit(List.of(
            Owned.usual(OwnedKind.CLOTH_GREEN).with(Fact.CLOTH_WIDE_M, 1.5).with(Fact.CLOTH_HIGH_M, 2),
            Owned.usual(OwnedKind.CLOTH_BLUE).with(Fact.CLOTH_WIDE_M, 2).with(Fact.CLOTH_HIGH_M, 3).withName("the old sheet"),
            Owned.usual(OwnedKind.STAND).with(Fact.STAND_M, 2.2).withCount(2), Owned.usual(OwnedKind.LAMP), Owned.usual(OwnedKind.CAMERA)
            .with(Fact.MAX_RATE, 120)));

    @TempDir
    Path folder;

    @Test
    void whatIsWrittenIsReadBack() throws Exception {
        Path file = folder.resolve("deep").resolve("kit.json");
        assertThat(KitFile.read(file)).as("none yet").isEqualTo(OwnedKit.NOTHING);
        KitFile.write(MINE, file);
        assertThat(KitFile.read(file)).isEqualTo(MINE);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "{", "{}", "[{\"kind\": \"crane\"}]", "[{\"kind\": \"stand\", \"standM\": 99}]",
            "[{\"kind\": \"lamp\", \"count\": 0}]", "[1]"})
    void whatIsNoKitIsSaid(String text) throws Exception {
        Path file = Files.writeString(folder.resolve("kit.json"), text);
        assertThatThrownBy(() -> KitFile.read(file)).isInstanceOf(StoreException.class).hasMessageStartingWith(file.toString())
                .hasMessageEndingWith(".");
    }

    @Test
    void aShotIsToldTheLargestClothAndTheHighestStandAndNothingItWasToldAlready() {
        Shot s = new Shot("1", 1, "t", "", 6, List.of(), List.of(), List.of(), List.of(), null)
                .withSetting(x -> x.withFact("clothHighM", "2.5"));
        Map<String, String> told = MINE.told(s).setting().facts();
        assertThat(told).containsEntry("cloths", "both").containsEntry("clothWideM", "2.0").containsEntry("clothHighM", "2.5")
                .containsEntry("standM", "2.2").containsEntry("maxRate", "120.0");
        assertThat(told).as("no lens is listed").doesNotContainKey("fNumber");
        assertThat(OwnedKit.NOTHING.told(s)).isEqualTo(s);
    }

    @Test
    void thePlanIsJudgedByWhatIsOwned() {
        Illusion wide = new Illusion("w", IllusionKind.ELSEWHERE, "the maker", 0, 6, Map.of("travelM", "0.5"));
        Shot s = new Shot("1", 1, "t", "", 6, List.of(wide), List.of(), List.of(), List.of(), null);
        assertThat(Breakdown.plan(s, HouseRules.DEFAULT).conflicts()).extracting(Conflict::code)
                .doesNotContain("cloth.small", "cloth.never");
        assertThat(Breakdown.plan(MINE.told(s), HouseRules.DEFAULT).conflicts()).extracting(Conflict::code)
                .containsAnyOf("cloth.small", "cloth.never");
    }

    @Test
    void whatIsMissingIsToBorrow() {
        assertThat(KitWords.owned(MINE, new KitItem("lamps", 2))).isEqualTo("you own 1: 1 to borrow");
        assertThat(KitWords.owned(MINE, new KitItem("stands", 2))).isEqualTo("you own 2");
        assertThat(KitWords.owned(MINE, new KitItem("goggles", 2))).isEmpty();
        assertThat(KitWords.owned(OwnedKit.NOTHING, new KitItem("lamps", 2))).isEmpty();
        MINE.things().forEach(o -> assertThat(KitWords.thing(o)).doesNotContain("owned.").doesNotContain("size."));
    }

    /// What a suggestion may use: every owned lens, and every owned lamp as often as there is one; without lamps of the kit any number of
    /// any size.
    @Test
    void aSuggestionUsesTheLensesAndLampsThatAreOwned() {
        Shot s = new Shot("1", 1, "t", "", 6, List.of(), List.of(), List.of(), List.of(), null);
        OwnedKit kit = new OwnedKit(List.of(
                Owned.usual(OwnedKind.LENS).with(Fact.FOCAL_MM, 18).with(Fact.F_NUMBER, 3.5), Owned.usual(OwnedKind.LENS)
                .with(Fact.FOCAL_MM, 50).with(Fact.F_NUMBER, 1.8),
                Owned.usual(OwnedKind.LAMP).with(Fact.LAMP_M, 0.6).withCount(2), Owned.usual(OwnedKind.LAMP).with(Fact.LAMP_M, 0.1)));
        AvailableKit means = Stagings.means(s, 7, kit);
        assertThat(means.lamps()).isEqualTo(3);
        assertThat(means.facesM()).containsExactly(0.6, 0.6, 0.1);
        assertThat(means.lenses()).containsExactly(new AvailableKit.OwnedLens(18, 3.5), new AvailableKit.OwnedLens(50, 1.8));
        AvailableKit any = Stagings.means(s, 7, OwnedKit.NOTHING);
        assertThat(any.lamps()).isEqualTo(7);
        assertThat(any.facesM()).isEmpty();
        assertThat(any.lenses()).isEmpty();
        assertThat(new OwnedKit(List.of(Owned.usual(OwnedKind.LAMP).withCount(999))).lampsM()).as("no more than a set holds").hasSize(40);
    }
}
