package org.scenothesis.core.stage.suggest;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.light.Neutral;
import org.scenothesis.core.light.PictureLight;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.stage.Floor;
import org.scenothesis.core.stage.HandCamera;
import org.scenothesis.core.stage.KeyLight;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.Surroundings;
import org.scenothesis.core.stage.piece.Lamp;
import org.scenothesis.core.stage.piece.PieceShelf;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.proof.Question;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.core.value.Given;

class LampMatchTest {
    private static Stage set(Surroundings around, boolean fill) {
        Stage s = HandCamera.FRESH.stage(null, 16 / 9.0);
        Floor f = s.floor().withAround(Given.entered(around)).plus(PieceShelf.make("figure", "figure", new Spot(0, 4, 0), Vec.ZERO))
                .plus(PieceShelf.make("soft", "key", new Spot(-2, 2, 0), new Vec(0, 1, 4)));
        return s.withFloor(x -> fill ? f.plus(PieceShelf.make("soft", "fill", new Spot(2.5, 1.5, 0), new Vec(0, 1, 4))) : f);
    }

    private static LampMatch matched(Stage s, KeyLight light, LampMatch.Colours colours) {
        return LampMatch.of(new Question(new SetView(s, "", 1280, 720), HouseRules.DEFAULT, null, new Question.Lit(light, 0)),
                new LampMatch.Background(colours, List.of())).orElseThrow();
    }

    private static double left(LampMatch m, Measure measure) {
        return m.left().stream().filter(p -> p.finding().measure() == measure).map(p -> p.finding()).mapToDouble(Finding::value).findFirst()
                .orElseThrow();
    }

    private static final Surroundings HALL = new Surroundings.Room(-9, 9, -6, 14, 8, 0.1);

    /// Twenty lights by chance, in a hall that is large enough: after the plan side, softness and key to fill are those of the background.
    @Test
    void whatTheBackgroundsLightAsksForIsHadWhereThereIsRoom() {
        SplittableRandom r = new SplittableRandom(4);
        for (int i = 0; i < 20; i++) {
            KeyLight light = KeyLight.told(new KeyLight.Direction(r.nextDouble(100, 260), r.nextDouble(15, 50)), r.nextDouble(8, 30),
                    r.nextDouble(0.6, 2.5));
            LampMatch m = matched(set(HALL, true), light, null);
            assertThat(left(m, Measure.LAMP_SIDE)).as("%s", light).isLessThan(0.5);
            assertThat(left(m, Measure.LAMP_SIZE)).as("%s", light).isCloseTo(1, within(0.15));
            boolean given = !m.black() && m.lamps().getLast().dimmer() <= 1;
            if (given) {
                assertThat(Math.abs(left(m, Measure.LAMP_FILL))).as("%s %s", light, m.lamps()).isLessThan(0.1);
            }
            LampMatch.Placed key = m.lamps().getFirst();
            assertThat(key.sideDeg()).isCloseTo(Math.IEEEremainder(light.direction().value().azimuthDeg(), 360), within(0.01));
            assertThat(key.gelMired()).isNaN();
        }
    }

    @Test
    void aLowRoomKeepsTheKeyNearAndSaysWhatIsLeft() {
        KeyLight far = KeyLight.told(new KeyLight.Direction(150, 60), 2, 1);
        LampMatch m = matched(set(new Surroundings.Room(-3, 3, -1, 6, 2.6, 0.5), true), far, null);
        assertThat(m.lamps().getFirst().heightM()).isLessThan(2.5);
        assertThat(left(m, Measure.LAMP_SIDE)).isLessThan(0.5);
        assertThat(left(m, Measure.LAMP_SIZE)).as("a soft box so near is larger than that light").isGreaterThan(2);
        assertThat(m.lamps().getFirst().sizeM()).as("so large it should be").isLessThan(0.1);
    }

    @Test
    void whereTheRoomGivesBackTooMuchBlackClothIsWantedAndTheFillGoes() {
        KeyLight hard = KeyLight.told(new KeyLight.Direction(200, 30), 20, 6);
        Stage bright = set(new Surroundings.Room(-2, 2, -1, 6, 2.4, 0.85), true);
        LampMatch m = matched(bright, hard, null);
        assertThat(m.black()).isTrue();
        assertThat(m.lamps().getLast().dimmer()).isZero();
        assertThat(m.stage().floor().pieces()).hasSize(bright.floor().pieces().size() - 1);
        assertThat(matched(set(new Surroundings.Room(-2, 2, -1, 6, 2.4, 0.85), false), hard, null).black()).as("without a fill as well")
                .isTrue();
    }

    @Test
    void aWindowStaysWhereItIsAndWhatIsOffIsSaid() {
        Stage s = HandCamera.FRESH.stage(null, 16 / 9.0);
        Stage lit = s.withFloor(f -> f.withAround(Given.entered(HALL))
                .plus(PieceShelf.make("figure", "figure", new Spot(0, 4, 0), Vec.ZERO))
                .plus(PieceShelf.make("window", "window", new Spot(-3, 4, 0), new Vec(0, 1, 4))));
        LampMatch m = matched(lit, KeyLight.told(new KeyLight.Direction(90, 30), 15, 1), null);
        assertThat(m.stage()).isEqualTo(lit);
        assertThat(m.lamps()).singleElement().satisfies(p -> assertThat(p.movedM()).isZero());
        assertThat(m.lamps().getFirst().sideDeg()).isCloseTo(-90, within(1.0));
        assertThat(left(m, Measure.LAMP_SIDE)).isGreaterThan(120);
    }

    @Test
    void gelsBringTheLampsToTheBackgroundsColours() {
        LampMatch m = matched(set(HALL, true), KeyLight.told(new KeyLight.Direction(160, 30), 15, 1), new LampMatch.Colours(3200, 6500));
        for (LampMatch.Placed p : m.lamps()) {
            Lamp l = (Lamp) p.lamp().thing();
            double wanted = p.role() == LampMatch.Role.KEY ? 3200 : 6500;
            assertThat(l.givenKelvin()).isCloseTo(wanted, within(1.0));
            assertThat(p.gelMired()).isCloseTo(1e6 / wanted - 1e6 / l.kelvin().value(), within(1e-6));
        }
        assertThat(LampMatch.of(new Question(new SetView(set(HALL, true), "", 1280, 720), HouseRules.DEFAULT, null, null),
                LampMatch.Background.PLAIN)).as("no background, no plan").isEmpty();
    }

    @Test
    void aLampThatIsSeenIsARimBehindOnItsSideAndOutOfThePicture() {
        KeyLight light = KeyLight.told(new KeyLight.Direction(200, 30), 15, 1);
        Stage three = set(HALL, true).withFloor(f -> f.plus(PieceShelf.make("soft", "back", new Spot(2, 6, 0), new Vec(0, 1, 4))));
        PictureLight.Rim left = new PictureLight.Rim(-14, 5, new Neutral(2900, 0));
        PictureLight.Rim right = new PictureLight.Rim(20, 25, null);
        LampMatch m = LampMatch.of(new Question(new SetView(three, "", 1280, 720), HouseRules.DEFAULT, null, new Question.Lit(light, 0)),
                new LampMatch.Background(null, List.of(left, right))).orElseThrow();
        assertThat(m.lamps()).extracting(LampMatch.Placed::role).containsExactly(LampMatch.Role.KEY, LampMatch.Role.FILL,
                LampMatch.Role.RIM);
        LampMatch.Placed rim = m.lamps().getLast();
        assertThat(rim.sideDeg()).as("behind, on the left").isBetween(-90.0, -20.0);
        assertThat(((Lamp) rim.lamp().thing()).givenKelvin()).isCloseTo(2900, within(1.0));
        SetView view = new SetView(m.stage(), "", 1280, 720);
        assertThat(view.inPicture(m.stage().floor().piece(rim.lamp().id()).orElseThrow())).isFalse();
        assertThat(m.bare()).as("three lamps, no fourth").containsExactly(right);
        assertThat(left(m, Measure.LAMP_SIDE)).as("the key is still the key").isLessThan(0.5);
    }

    @Test
    void whatIsReadOfAPictureIsItsColoursAndItsRims() {
        assertThat(LampMatch.Background.of(null)).isEqualTo(LampMatch.Background.PLAIN);
        PictureLight.Rim rim = new PictureLight.Rim(-14, 5, null);
        PictureLight half = PictureLight.UNKNOWN.withRims(List.of(rim)).withKey(new Neutral(3000, 0));
        assertThat(LampMatch.Background.of(half).colours()).as("one side alone is no pair").isNull();
        assertThat(LampMatch.Background.of(half.withFill(new Neutral(6000, 0))))
                .isEqualTo(new LampMatch.Background(new LampMatch.Colours(3000, 6000), List.of(rim)));
    }
}
