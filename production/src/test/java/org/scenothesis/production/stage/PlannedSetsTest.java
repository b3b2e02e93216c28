package org.scenothesis.production.stage;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.core.breakdown.staging.Stagings;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.rehearsal.staged.Fault;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.PieceShelf;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.proof.Proved;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.core.value.Given;
import org.scenothesis.production.illusion.ReadyMadeShot;
import org.scenothesis.production.illusion.ReadyMadeShots;

/// What the plan puts on the floors of all ready-made shots.
class PlannedSetsTest {
    private static final HouseRules RULES = HouseRules.DEFAULT;

    static List<String> illusions() {
        return ReadyMadeShots.shipped().all().stream().map(ReadyMadeShot::id).toList();
    }

    private static Shot shot(String illusion) {
        return ReadyMadeShots.shipped().all().stream().filter(i -> i.id().equals(illusion)).findFirst().orElseThrow()
                .into(new Shot("7", 7, "", "", 6, List.of(), List.of(), List.of(), List.of(), null));
    }

    private static List<Staged> sets(String illusion) {
        Shot s = shot(illusion);
        return Stagings.of(s, Breakdown.plan(s, RULES), RULES);
    }

    @ParameterizedTest
    @MethodSource("illusions")
    void lampsStandInTheRoomAndGiveLight(String illusion) {
        for (Staged s : sets(illusion)) {
            for (Piece p : s.stage().floor().pieces()) {
                if (p.thing() instanceof Lamp l && l.kind().carried()) {
                    assertThat(l.given()).as("%s of %s", p.name(), illusion).isPositive();
                    if (s.stage().floor().around().value() instanceof Surroundings.Room r) {
                        assertThat(p.at().x()).as("%s of %s", p.name(), illusion).isBetween(r.leftM(), r.rightM());
                        assertThat(p.at().z()).as("%s of %s", p.name(), illusion).isBetween(r.nearM(), r.farM());
                    }
                }
            }
        }
    }

    /// Where the camera sees a lamp, the plan says so; mostly it does not.
    @Test
    void lampsAreKeptOutOfThePictureWhereverTheyCanBe() {
        int sets = 0;
        int seen = 0;
        for (String illusion : illusions()) {
            for (Staged s : sets(illusion)) {
                SetView v = s.view(s.hardest());
                boolean any = v.lamps().stream().filter(p -> ((Lamp) p.thing()).kind().carried()).anyMatch(v::inPicture);
                boolean said = s.proved(s.hardest(), RULES, false).stream().filter(p -> p.finding().measure() == Measure.LAMP_SEEN)
                        .anyMatch(p -> p.finding().value() > 0);
                assertThat(said).as(illusion).isEqualTo(any);
                sets++;
                seen += any ? 1 : 0;
            }
        }
        assertThat(sets).isGreaterThan(40);
        assertThat(seen).as("of %s sets", sets).isLessThanOrEqualTo(sets / 3);
    }

    @ParameterizedTest
    @MethodSource("illusions")
    void aTurnedCameraIsPlannedOnlyWhereThePictureIsToldAside(String illusion) {
        for (Staged s : sets(illusion)) {
            s.stage().floor().turns().forEach((plate, turn) -> {
                assertThat(s.need(plate)).as("%s of %s", plate, illusion).isPresent();
                assertThat(turn).isInstanceOf(Given.Assumed.class);
                assertThat(s.wanted().get(plate).asideDeg()).isEqualTo(-turn.value());
            });
            for (Proved p : s.proved(s.hardest(), RULES, true)) {
                assertThat(p.finding().measure()).isNotNull();
            }
        }
    }

    @Test
    void aLampAboveAClothHangsOnItsBarAndHasNoStandOfItsOwn() {
        Staged s = sets("inside-the-lantern").stream().filter(x -> !x.wanted().isEmpty()).findFirst().orElseThrow();
        Spot at = new Spot(0, 4, 0);
        Piece cloth = PieceShelf.make("cloth", "cloth-9", at, at.up(1));
        Piece over = PieceShelf.make("tube", "tube-9", new Spot(0, 3.4, 0), at.up(1));
        Piece above = over.withThing(((Lamp) over.thing()).withHeightM(Given.entered(3.0)));
        Piece below = over.withThing(((Lamp) over.thing()).withHeightM(Given.entered(1.5)));
        for (Piece lamp : List.of(above, below)) {
            SetView v = new SetView(s.stage().withFloor(f -> f.withPieces(List.of(cloth, lamp))), "", 1600, 900);
            assertThat(v.stands(lamp)).isEqualTo(lamp.equals(below));
        }
        Piece beside = above.put(new Spot(3, 3.4, 0));
        assertThat(new SetView(s.stage().withFloor(f -> f.withPieces(List.of(cloth, beside))), "", 1600, 900).stands(beside))
                .as("beside the cloth it needs one").isTrue();
    }

    @Test
    void onlyTheNewestRehearsedTakeOfAPlateIsCompared() {
        List<Take> takes = new ArrayList<>();
        takes.add(new Take("filmed", "footage/a.mp4", true, "cloud came in"));
        takes.add(new Take("first", "footage/b.mp4", false, Rehearsing.NOTE));
        takes.add(new Take("second", "footage/c.mp4", false, Rehearsing.NOTE + ", " + Fault.BUMP.code()));
        Plate both = new Plate("p", "P", PlateRole.CLEAN, Spike.T, "A", "", 4, takes);
        Plate none = new Plate("q", "Q", PlateRole.CLEAN, Spike.L, "A", "", 4, takes.subList(0, 1));
        Shot s = Rehearsing.alone(new Shot("1", 1, "", "", 6, List.of(), List.of(), List.of(both, none), List.of(), null));
        assertThat(s.plates().getFirst().takes()).singleElement().satisfies(t -> assertThat(Rehearsing.faults(t))
                .contains(Set.of(Fault.BUMP)));
        assertThat(s.plates().getLast().takes()).isEmpty();
    }
}
