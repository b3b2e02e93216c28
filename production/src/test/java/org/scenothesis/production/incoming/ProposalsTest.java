package org.scenothesis.production.incoming;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.core.shot.Take;

class ProposalsTest {
    private static final Shot EMPTY = new Shot("1", 1, "", "", 6, List.of(), List.of(), List.of(), List.of(), null);

    private static Look look(double v) {
        return new Look(Collections.nCopies(24 * 14, v));
    }

    private static FileProbe seen(String name, boolean still, double cloth, double dark, double stirring) {
        return new FileProbe(Path.of("/clips", name), still, still ? 0 : 4, 1280, 720, cloth, dark, stirring, look(0.5), null, "", "");
    }

    private static Shot with(Shot s, String id, String name, PlateRole role, String... takes) {
        List<Take> all = Arrays.stream(takes).map(t -> new Take(t, "footage/" + t + ".mp4", false, "")).toList();
        return s.withPlateAdded(new Plate(id, name, role, Spike.T, "A", "A", 0, all));
    }

    /// A small thing before a large cloth is not the cloth alone, where that is there too.
    @Test
    void aSmallThingBeforeTheClothIsAnElement() {
        List<FileProbe> both = List.of(seen("ball.png", true, 0.99, 0, 0), seen("screen.png", true, 1, 0, 0));
        assertThat(Proposals.of(EMPTY, both, Map.of())).extracting(Proposal::role)
                .containsExactly(PlateRole.ELEMENT, PlateRole.SCREEN_ONLY);
        Shot there = with(EMPTY, "bare", "Bare", PlateRole.SCREEN_ONLY, "one");
        assertThat(Proposals.of(there, both.subList(0, 1), Map.of())).extracting(Proposal::role).containsExactly(PlateRole.ELEMENT);
    }

    @ParameterizedTest
    @CsvSource({
        "clean_2.mp4, false, 0, 0, 0, CLEAN, NAME", "IMG_0031.mp4, false, 0, 0, 0, CLEAN, NOTHING_MOVES",
                "IMG_0032.mp4, false, 0, 0, 0.3, PRACTICAL, MOVES",
        "IMG_0033.mp4, false, 0.6, 0, 0.3, ELEMENT, CLOTH", "IMG_0034.mp4, false, 0.97, 0, 0.3, ELEMENT, CLOTH",
        "IMG_0035.png, true, 0.99, 0, 0, SCREEN_ONLY, CLOTH",
        "sparks.mp4, false, 0, 0.95, 0.6, ON_BLACK, DARK",
        "walk-in-suit.mp4, false, 0, 0, 0.6, ON_SCREEN, NAME", "street.jpg, true, 0, 0, 0, CLEAN, STILL",
        "grey card.png, true, 0, 0, 0, REFERENCE, NAME",
        "lamp on.mp4, false, 0, 0, 0, LIGHT_PASS, NAME", "clean maker.mp4, false, 0.7, 0, 0.3, ELEMENT, CLOTH"
    })
    void aFileAloneIsWhatItsNameOrPictureSays(String name, boolean still, double cloth, double dark, double stirring, PlateRole role,
    Proposal.Why why) {
        Proposal p = Proposals.of(EMPTY, List.of(seen(name, still, cloth, dark, stirring)), Map.of()).getFirst();
        assertThat(p.role()).isEqualTo(role);
        assertThat(p.why()).isEqualTo(why);
        assertThat(p.taken()).isTrue();
    }

    @Test
    void onlyOneStillOfManyIsTheCleanPlate() {
        List<Proposal> all = Proposals.of(EMPTY, List.of(seen("a.png", true, 0, 0, 0), seen("b.png", true, 0, 0, 0),
                seen("c.mp4", false, 0, 0, 0)), Map.of());
        assertThat(all).extracting(Proposal::role).containsExactly(PlateRole.CLEAN, PlateRole.REFERENCE, PlateRole.PRACTICAL);
    }

    @Test
    void platesThatAreThereAreFilledBeforeNewOnesAreMade() {
        Shot planned = with(with(EMPTY, "lantern", "Lantern on rod", PlateRole.ELEMENT), "clean", "Clean plate", PlateRole.CLEAN,
                "clean-1");
        List<Proposal> all = Proposals.of(planned, List.of(
                seen("IMG_1.mp4", false, 0.5, 0, 0.2), seen("IMG_2.mp4", false, 0.5, 0, 0.2),
                seen("lantern_rod_3.mp4", false, 0.5, 0, 0.2), seen("clean_7.mp4", false, 0, 0, 0)), Map.of());
        assertThat(all).extracting(Proposal::plate).containsExactly("lantern", "img", "lantern", "clean");
        assertThat(all.get(2).why()).as("all words of its name but a short one").isEqualTo(Proposal.Why.NAME);
    }

    @Test
    void thePictureOfATakeThatIsThereMakesAnotherTakeOfIt() {
        Shot s = with(EMPTY, "view", "The view", PlateRole.BACKGROUND, "view-1");
        FileProbe same = seen("DSC_9.mp4", false, 0, 0, 0.01);
        assertThat(Proposals.of(s, List.of(same), Map.of("view", look(0.505))).getFirst().plate()).isEqualTo("view");
        assertThat(Proposals.of(s, List.of(same), Map.of("view", look(0.6))).getFirst().plate()).isEqualTo("dsc");
    }

    @Test
    void whatCannotBeReadStaysOutAndSaysWhy() {
        Proposal p = Proposals.of(EMPTY, List.of(FileProbe.unreadable(Path.of("/x/notes.mp4"), "no footage")), Map.of()).getFirst();
        assertThat(p.taken()).isFalse();
        assertThat(p.why()).isEqualTo(Proposal.Why.UNREADABLE);
    }

    @Test
    void filesOfOneNumberedNameBecomeTakesOfOnePlateAndTheShotAsLongAsTheLongest() {
        List<Proposal> all = Proposals.of(EMPTY, List.of(seen("maker_1.mp4", false, 0, 0, 0.5), seen("maker_2.mp4", false, 0, 0, 0.5)),
                Map.of());
        Shot s = Proposals.into(EMPTY, all, List.of("footage/maker_1.mp4", "footage/maker_2.mp4"));
        assertThat(s.plates()).hasSize(1);
        assertThat(s.plates().getFirst().name()).isEqualTo("Maker");
        assertThat(s.plates().getFirst().takes()).extracting(Take::footage).containsExactly("footage/maker_1.mp4", "footage/maker_2.mp4");
        assertThat(s.seconds()).isEqualTo(4);
        Shot still = with(EMPTY, "street", "The street", PlateRole.BACKGROUND)
                .withPlate("street", p -> p.withTakeAdded(new Take("s", "footage/street.jpg", false, "")));
        assertThat(Proposals.into(still, all, List.of("a.mp4", "b.mp4")).seconds()).as("a still has no length").isEqualTo(4);
        assertThat(Proposals.into(s.withSeconds(9), all, List.of("a", "b")).seconds()).as("a shot with takes keeps its length")
                .isEqualTo(9);
    }

    @Test
    void anElementOnClothSharesNeitherCameraNorLightUntilSomebodySaysSo() {
        Shot s = Proposals.into(EMPTY,
                Proposals.of(EMPTY, List.of(seen("IMG_0033.mp4", false, 0.6, 0, 0.3), seen("room.mp4", false, 0, 0, 0)), Map.of()),
                List.of("a", "b"));
        assertThat(s.plates()).extracting(Plate::lockGroup).containsExactly("", "A");
    }
}
