package org.scenothesis.core.stage.suggest;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.stage.Floor;
import org.scenothesis.core.stage.KeyLight;
import org.scenothesis.core.stage.LensSetting;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.StageCamera;
import org.scenothesis.core.stage.Surface;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.piece.Backdrop;
import org.scenothesis.core.stage.piece.BackdropKind;
import org.scenothesis.core.stage.piece.Body;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.proof.Coverage;
import org.scenothesis.core.stage.proof.Proved;
import org.scenothesis.core.stage.proof.Question;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.core.value.Given;

/// Rooms and kits of growing difficulty, in `rooms.csv`.
class SuggesterTest {
    private static Given<Double> guess(double v) {
        return new Given.Assumed<>(v, "test");
    }

    private static Stage stage(double roomWide, double roomLong, double roomHigh, double bodyWide, double bodyHigh, double travel,
            double gap) {
        StageCamera camera = new StageCamera(Given.entered(new Vec(0, 1.2, 0)), Given.entered(new StageCamera.Aim(0, 0, 0)),
                Given.entered(0.9), StageCamera.MIDDLE);
        List<Body.Moment> way = travel == 0 ? List.of() : List.of(new Body.Moment("", 0, new Vec(-travel / 2, 0, 0)),
                new Body.Moment("", 2, new Vec(travel / 2, 0, 0)));
        List<Piece> pieces = new ArrayList<>();
        pieces.add(new Piece("body", "body", guessed(new Spot(0, 3, 0)), Set.of(), new Body(Body.Form.BOX, Given.entered(bodyWide),
                Given.entered(bodyHigh), Given.entered(0.3), Given.entered(0.7), way)));
        pieces.add(new Piece("cloth", "cloth", guessed(new Spot(0, 3 + gap, 0)), Set.of(),
                new Backdrop(BackdropKind.CLOTH, Backdrop.Dye.GREEN, guess(2), guess(2), guess(0), guess(0), guess(0.05))));
        Surroundings room = roomWide == 0 ? new Surroundings.Open() : new Surroundings.Room(-roomWide / 2, roomWide / 2, -0.6,
                roomLong - 0.6, roomHigh, 0.3);
        return new Stage(
                camera, List.of(new Surface("ground", Given.entered(0.0), Given.entered(new Surface.Extent(0, 20)))),
                KeyLight.told(new KeyLight.Direction(-120, 35), 20, 1.5), List.of(),
                new Floor(Given.entered(room), new LensSetting(Given.entered(23.6), Given.entered(4.0), guess(3)), pieces, Map.of()));
    }

    private static Given<Spot> guessed(Spot s) {
        return new Given.Assumed<>(s, "test");
    }

    private static Question ask(Stage s) {
        return new Question(new SetView(s, "", 1920, 1080), HouseRules.DEFAULT, null, null);
    }

    /// `cannot`: the measure that no set in this room with this kit holds; empty where all can be kept.
    @ParameterizedTest
    @CsvFileSource(resources = "rooms.csv", numLinesToSkip = 1)
    void whatCanBeKeptIsFoundAndWhatCannotIsNamed(String name, double roomWide, double roomLong, double roomHigh, double bodyWide,
            double bodyHigh, double travel, double gap, int lamps, double stand, double clothWide, double clothHigh, String cannot) {
        Stage before = stage(roomWide, roomLong, roomHigh, bodyWide, bodyHigh, travel, gap);
        Suggestion s = new Suggester(SuggesterTest::ask, new AvailableKit(lamps, stand, clothWide, clothHigh), () -> true).from(before);
        List<Measure> left = s.unmet().stream().map((Proved p) -> p.finding().measure()).toList();
        if (cannot == null) {
            assertThat(s.unmet().stream().filter(p -> p.finding().verdict() != Verdict.WATCH || p.finding().measure() != Measure.LAMP_SEEN)
                    .map(p -> p.finding().measure() + " " + p.finding().value())).as(name).isEmpty();
        } else {
            assertThat(left).as(name).contains(Measure.valueOf(cannot));
        }
        SetView v = new SetView(s.stage(), "", 1920, 1080);
        assertThat(new Coverage(v, v.pairs().getFirst()).gap()).as(name + ": the cloth hangs behind").isPositive();
        // Within the room, and no higher than the stands.
        if (s.stage().floor().around().value() instanceof Surroundings.Room r) {
            assertThat(s.stage().floor().pieces()).allSatisfy(p -> assertThat(p.at().z()).as(p.name())
                    .isBetween(r.nearM() - 0.3, r.farM() + 0.3));
        }
    }

    @Test
    void itStopsWhenNobodyWaits() {
        Stage before = stage(5, 7, 2.6, 0.5, 1, 0, 1);
        assertThat(new Suggester(SuggesterTest::ask, new AvailableKit(3, 3, 6, 6), () -> false).from(before).stage()).isNotNull();
    }

    @Test
    void whatHoldsAlreadyStays() {
        Suggestion first = new Suggester(SuggesterTest::ask, new AvailableKit(3, 3, 6, 6), () -> true).from(stage(6, 8, 3, 0.4, 0.8, 0, 2));
        assertThat(first.whole() || first.usable()).isTrue();
        Suggestion again = new Suggester(SuggesterTest::ask, new AvailableKit(3, 3, 6, 6), () -> true).from(first.stage());
        assertThat(again.unmet().size()).isLessThanOrEqualTo(first.unmet().size());
    }

    /// A view nobody told is one of an owned lens, no wider open than that goes, and every lamp is one that is owned.
    @Test
    void onlyWhatIsOwnedIsSuggested() {
        Stage told = stage(6, 9, 3, 0.5, 1, 0.4, 1.2);
        StageCamera c = told.camera();
        Stage before = told.withCamera(new StageCamera(c.position(), c.aim(), guess(0.9), c.principal()));
        List<AvailableKit.OwnedLens> lenses = List.of(new AvailableKit.OwnedLens(18, 3.5), new AvailableKit.OwnedLens(50, 1.8));
        List<Double> faces = List.of(0.3, 0.6, 0.6);
        Suggestion s = new Suggester(SuggesterTest::ask, new AvailableKit(3, 3, 6, 6, lenses, faces), () -> true).from(before);
        double focal = s.stage().floor().lens().focalMm(s.stage().camera().widthShareFocal().value());
        assertThat(lenses).extracting(AvailableKit.OwnedLens::focalMm).anySatisfy(f -> assertThat(focal).isCloseTo(f, within(1e-6)));
        assertThat(s.stage().floor().lens().fNumber().value()).isGreaterThanOrEqualTo(1.8);
        List<Double> used = new ArrayList<>(s.stage().floor().pieces().stream().filter(p -> p.thing() instanceof Lamp)
                .map(p -> ((Lamp) p.thing()).wideM().value()).toList());
        assertThat(used).isNotEmpty().hasSizeLessThanOrEqualTo(3);
        faces.forEach(used::remove);
        assertThat(used).isEmpty();
        // What was told stays as it was told.
        Suggestion kept = new Suggester(SuggesterTest::ask, new AvailableKit(3, 3, 6, 6, lenses, faces), () -> true).from(told);
        assertThat(kept.stage().camera().widthShareFocal()).isEqualTo(told.camera().widthShareFocal());
    }
}
