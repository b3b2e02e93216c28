package org.scenothesis.production.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.core.background.BackgroundReport;
import org.scenothesis.core.background.Busy;
import org.scenothesis.core.background.Suitability;
import org.scenothesis.core.breakdown.FirstStage;
import org.scenothesis.core.compare.Look;
import org.scenothesis.core.compare.Noise;
import org.scenothesis.core.light.Neutral;
import org.scenothesis.core.light.PictureLight;
import org.scenothesis.core.match.MarkConversion;
import org.scenothesis.core.match.MarkKind;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.CameraSolver;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.Marks;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.step.SetPlace;
import org.scenothesis.core.stage.HandCamera;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.value.Given;

class MatchWordsTest {
    private static final PictureCamera KNOWN = PictureCamera.known(1280, 720, new Estimate(1245, 12), new Estimate(-3, 0.1),
            Estimate.exact(0), new Estimate(1.42, 0.02));

    private static PictureLight from(double side, double up) {
        return PictureLight.UNKNOWN.withHasKey(true).withAzimuthDeg(new Estimate(side, 0.5)).withElevationDeg(new Estimate(up, 0.4))
                .withKeyToFillStops(new Estimate(1.5, 0.1));
    }

    @Test
    void numbersAreSaidWithHowSureTheyAreAndOnlyThen() {
        assertThat(MatchWords.view(KNOWN)).isEqualTo("54.4\u00b0 \u00b1 0.4");
        assertThat(MatchWords.degrees(KNOWN.tiltDeg())).isEqualTo("\u22123.0\u00b0 \u00b1 0.1");
        assertThat(MatchWords.degrees(KNOWN.rollDeg())).as("exact").isEqualTo("0.0\u00b0");
        assertThat(MatchWords.metres(KNOWN.lensHeightM())).isEqualTo("1.42 m \u00b1 0.02");
        assertThat(MatchWords.metres(null)).isEqualTo("not known");
        assertThat(MatchWords.view(CameraSolver.solve(Marks.none(1280, 720)))).isEqualTo("not known");
        assertThat(MatchWords.off(0)).isEmpty();
        assertThat(MatchWords.off(0.001)).as("never surer than it is shown").contains("0.01");
    }

    @ParameterizedTest
    @CsvSource({"-78, 36, '78\u00b0 left, 36\u00b0 high'", "30, 50, '30\u00b0 right, 50\u00b0 high'",
            "0.1, 20, '0\u00b0 ahead, 20\u00b0 high'"})
    void theLightIsSaidAsTheCameraSeesIt(double side, double up, String words) {
        assertThat(MatchWords.direction(from(side, up))).isEqualTo(words);
    }

    @Test
    void whatMakesItSurerIsOneSentence() {
        assertThat(MatchWords.surer(KNOWN)).endsWith(".").doesNotContain("camera.");
        assertThat(MatchWords.surer(PictureCamera.known(1280, 720, new Estimate(1245, 50), Estimate.exact(0), Estimate.exact(0), null)))
                .contains("more steeply");
        assertThat(MatchWords.surer(PictureCamera.known(1280, 720, Estimate.exact(1245), new Estimate(0, 1), Estimate.exact(0), null)))
                .contains("longer edge");
        assertThat(MatchWords.surer(from(10, 30))).endsWith(".");
        PictureLight pale = from(10, 30).withAzimuthDeg(new Estimate(10, 0.1)).withElevationDeg(new Estimate(30, 0.1))
                .withKeyToFillStops(new Estimate(1.5, 0.9));
        assertThat(MatchWords.surer(pale)).contains("once in the light");
    }

    @ParameterizedTest
    @ValueSource(strings = {"nothing", "no-level", "verticals-only", "near-parallel", "one-point", "level-verticals",
            "one-vanishing-point", "unsure"})
    void everyRefusalOfACameraHasASentence(String why) {
        assertThat(MatchWords.why(new PictureCamera.Refusal("focal", why))).endsWith(".").hasSizeGreaterThan(30);
    }

    @ParameterizedTest
    @ValueSource(strings = {"no-camera", "no-shadow", "not-on-ground", "faint", "no-pair", "no-grey", "narrow", "sharp", "round",
            "round-even"})
    void everyRefusalOfALightHasASentence(String why) {
        assertThat(MatchWords.why(new PictureLight.Refusal("x", why))).endsWith(".").hasSizeGreaterThan(30);
    }

    @ParameterizedTest
    @EnumSource
    void everyMarkHasItsWords(MarkKind kind) {
        assertThat(Words.of("mark." + kind.name())).doesNotContain("mark.");
        assertThat(Words.of("mark." + kind.name() + ".help")).hasSizeGreaterThan(15);
        for (int i = 0; i < kind.first().points().size(); i++) {
            assertThat(Words.has("mark." + kind.name() + "." + i)).isTrue();
        }
    }

    @ParameterizedTest
    @EnumSource
    void everyCameraWorkHasItsWords(BackgroundReport.CameraWork work) {
        assertThat(Words.of("background." + work.name())).doesNotContain("background.");
        assertThat(Words.of("background." + work.name() + ".what")).endsWith(".");
    }

    @Test
    void whatChangesForAShotThatIsStoodOnACameraIsSaid() {
        Shot bare = new Shot("1", 1, "", "", 4, List.of(), List.of(), List.of(), List.of(), null);
        Stage to = MarkConversion.stage(null, KNOWN, from(-60, 40));
        assertThat(MatchWords.stands(bare, to)).contains("had no set before").endsWith("Undo takes it back.");
        Shot staged = FirstStage.staged(bare, HandCamera.FRESH, 16 / 9.0)
                .withLayers(List.of(Layer.of("l", "L", "p", SetPlace.at(Given.entered(new Vec(0, 0, 3)), new Vec(0, 0, 3)))));
        String said = MatchWords.stands(staged, MarkConversion.stage(staged.stage(), KNOWN, from(-60, 40)));
        assertThat(said).contains("lens 1.42 m high instead of 1.40 m").contains("view 54.4\u00b0 instead of 60.0\u00b0").contains("tilt")
                .contains("1 layer placed by it");
        Shot again = FirstStage.staged(staged, MarkConversion.stage(staged.stage(), KNOWN, from(-60, 40)));
        assertThat(MatchWords.stands(again, again.stage())).contains("nothing changes");
        assertThat(again.stage().light().direction()).isInstanceOf(Given.Measured.class);
        assertThat(Words.origin(again.stage().camera().position())).contains("marked in the picture");
        assertThat(Words.origin(again.stage().light().direction())).contains("shadow");
    }

    @Test
    void hintsRimsAndTapesAreSaidForWhatTheyAre() {
        PictureLight side = PictureLight.UNKNOWN.withHasKey(true).withHinted(true).withAzimuthDeg(new Estimate(-60, 25));
        assertThat(MatchWords.direction(side)).as("a figure tells no height").isEqualTo("60\u00b0 left, height not known");
        assertThat(MatchWords.surer(side)).contains("hint only");
        assertThat(MatchWords.rim(new PictureLight.Rim(18.2, 5, new Neutral(2900, 0)))).isEqualTo("18\u00b0 right, 5\u00b0 high, 2900 K");
        assertThat(MatchWords.rim(new PictureLight.Rim(-30, 12, null))).as("all of it is clipped")
                .isEqualTo("30\u00b0 left, 12\u00b0 high");
        assertThat(MatchWords.tape(Optional.of(new Estimate(2.5, 0.04)))).isEqualTo("2.50 m \u00b1 0.04");
        assertThat(MatchWords.tape(Optional.empty())).isEqualTo("no measure yet");
        assertThat(StageWords.bare(new PictureLight.Rim(-30, 12, null)))
                .isEqualTo("A rim from 30\u00b0 left, 12\u00b0 high is missing: no lamp is left for it.");
    }

    @Test
    void aLookIsSaidInStopsPixelsAndShares() {
        Look flat = new Look(List.of(), -6.2, -0.4, List.of(), 0.82, new Noise(0, 0.0018, 0, true), List.of());
        assertThat(MatchWords.span(flat)).isEqualTo("5.8 stops, black at \u22126.2");
        assertThat(MatchWords.softness(flat)).isEqualTo("edges 0.82 px");
        assertThat(MatchWords.grain(flat)).isEqualTo("1.0 % of middle grey");
        Look bare = new Look(List.of(), Double.NaN, Double.NaN, List.of(), Double.NaN, new Noise(0, 0.0009, 0, false), List.of());
        assertThat(MatchWords.span(bare)).isEqualTo("not known");
        assertThat(MatchWords.softness(bare)).isEqualTo("no clear edges");
        assertThat(MatchWords.grain(bare)).as("that may be texture").isEqualTo("0.50 %, of flat areas only");
    }

    @ParameterizedTest
    @CsvSource({"0, 0, at the left\\, high", "0.4, 0.25, in the middle\\, half way up", "0.75, 0.6, at the right\\, low"})
    void aQuieterPlaceIsNamedByWhereItIs(double x, double y, String where) {
        // Everything moves but one quarter of the picture.
        List<Double> cells = new ArrayList<>();
        for (int i = 0; i < 24 * 24; i++) {
            double cx = (i % 24 + 0.5) / 24;
            double cy = (i / 24 + 0.5) / 24;
            cells.add(cx > x && cx < x + 0.25 && cy > y && cy < y + 0.4 ? 0.0 : 0.5);
        }
        BackgroundReport r = new BackgroundReport(BackgroundReport.CameraWork.STILL, List.of(), 0.4, 0,
                new BackgroundReport.Bars(0, 0, 0, 0), 1920, 1080, new Busy(24, 24, cells));
        Suitability s = Suitability.of("b", r, new Suitability.Wanted(0, 0, null, new Busy.Room(0.4, 0.7, 0.2, 0.3)));
        Suitability.Reason room = s.reasons().stream().filter(q -> q.question() == Suitability.Question.ROOM).findFirst().orElseThrow();
        assertThat(MatchWords.reason(s, room)).contains("% of where the element goes moves by itself; it is quieter "
                + where.replace("\\", ""));
    }
}
