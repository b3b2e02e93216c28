package org.scenothesis.production.match;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.light.LightMarks;
import org.scenothesis.core.light.LightSolver;
import org.scenothesis.core.light.PictureLight;
import org.scenothesis.core.match.MarkConversion;
import org.scenothesis.core.match.MarkKind;
import org.scenothesis.core.optics.CameraPose;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.perspective.CameraSolver;
import org.scenothesis.core.perspective.EdgeSnap;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.Marks;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Plane;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.core.stage.Evidence;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.value.Given;
import org.scenothesis.media.FootageSource;
import org.scenothesis.media.encode.Stills;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.MatchWords;
import org.scenothesis.testkit.RuledRoom;

class CameraOfStillTest {
    @TempDir
    Path temp;

    private Path still() throws Exception {
        Path file = temp.resolve("room.png");
        RuledRoom.write(file);
        return file;
    }

    private static Point share(Point px) {
        return new Point(px.x() / RuledRoom.WIDTH, px.y() / RuledRoom.HEIGHT);
    }

    @Test
    void theEdgesThatAreFoundGiveTheCameraWithoutAHand() throws Exception {
        FootageSource source = FootageSource.of(still());
        Marks found = CameraOfStill.proposed(source, 0, CameraOfStill.bare(source));
        assertThat(found.lines()).hasSizeGreaterThan(9);
        PictureCamera c = CameraSolver.solve(found);
        assertThat(c.focalPx().value()).isCloseTo(RuledRoom.POSE.focalPx(), within(0.03 * RuledRoom.POSE.focalPx()));
        assertThat(c.tiltDeg().value()).isCloseTo(-11, within(0.4));
        assertThat(c.rollDeg().value()).isCloseTo(2, within(0.3));
        assertThat(MatchWords.surer(c)).contains("No length is known");
        // Nothing to be found is no camera, and no failure.
        Marks none = CameraSolver.solve(Marks.none(640, 360)).marks();
        assertThat(none.lines()).isEmpty();
    }

    /// The room by cameras by chance, edges found without a hand: a number that is said is right within what is stated. With
    /// `-Dscenothesis.stills=20` how often it is usable is said.
    @Test
    void edgesOfManyPicturesGiveTheirCameraOrNone() throws Exception {
        int many = Integer.getInteger("scenothesis.stills", 3);
        SplittableRandom r = new SplittableRandom(21);
        int usable = 0;
        int wrong = 0;
        for (int i = 0; i < many; i++) {
            CameraPose pose = new CameraPose(
                    new Vec(r.nextDouble(-1.2, 0.8), r.nextDouble(1.1, 1.9), r.nextDouble(-0.5, 0.8)), r.nextDouble(5, 40),
                    r.nextDouble(-16, -4), r.nextDouble(-3, 3), RuledRoom.WIDTH * r.nextDouble(0.55, 1.1), RuledRoom.WIDTH,
                    RuledRoom.HEIGHT);
            Path file = temp.resolve("still-" + i + ".png");
            Stills.write(file, RuledRoom.picture(pose), Stills.Format.PNG8);
            FootageSource source = FootageSource.of(file);
            PictureCamera c = CameraSolver.solve(CameraOfStill.proposed(source, 0, CameraOfStill.bare(source)));
            boolean said = c.focalPx() != null && c.tiltDeg() != null && c.rollDeg() != null;
            boolean good = said && off(c.focalPx(), pose.focalPx(), 0.02 * pose.focalPx()) && off(c.tiltDeg(), pose.tiltDeg(), 0.3)
                    && off(c.rollDeg(), pose.rollDeg(), 0.3);
            usable += good ? 1 : 0;
            wrong += said && !good ? 1 : 0;
            if (many > 3) {
                System.out.printf(Locale.ROOT, "still %d: focal %s of %.0f, tilt %s of %.2f, roll %s of %.2f%n", i, c.focalPx(),
                        pose.focalPx(), c.tiltDeg(), pose.tiltDeg(), c.rollDeg(), pose.rollDeg());
            }
        }
        if (many > 3) {
            System.out.println(usable + " of " + many + " usable without a hand, " + wrong + " wrong");
        }
        assertThat(wrong).isLessThanOrEqualTo(many / 20);
        assertThat(usable).isGreaterThanOrEqualTo(many / 2);
    }

    private static boolean off(Estimate e, double truth, double within) {
        return Math.abs(e.value() - truth) < Math.max(within, 2.5 * e.std());
    }

    @Test
    void whatIsShownMakesTheStageWithWhereItComesFrom() {
        Picture p = RuledRoom.picture();
        List<Evidence> m = marks();
        PictureCamera c = CameraSolver.solve(MarkConversion.camera(m, RuledRoom.WIDTH, RuledRoom.HEIGHT));
        PictureLight l = LightSolver.solve(p, c, MarkConversion.light(m, RuledRoom.WIDTH, RuledRoom.HEIGHT));
        Stage s = MarkConversion.stage(null, c, l);
        assertThat(s.camera().position()).isInstanceOf(Given.Measured.class);
        assertThat(s.camera().position().value().y()).isCloseTo(RuledRoom.LENS_M, within(0.03));
        assertThat(s.camera().widthShareFocal().value()).isCloseTo(760.0 / RuledRoom.WIDTH, within(0.01));
        double pan = RuledRoom.POSE.panDeg();
        double side = Math.IEEEremainder(Math.toDegrees(Math.atan2(RuledRoom.TO_LIGHT.x(), RuledRoom.TO_LIGHT.z())) - pan, 360);
        assertThat(s.light().direction().value().asSeen(s.panDeg())).isCloseTo(side, within(1.5));
        assertThat(s.light().direction().value().elevationDeg()).isCloseTo(Math.toDegrees(Math.asin(RuledRoom.TO_LIGHT.y())), within(1.0));
        assertThat(MatchWords.direction(l)).contains("left").contains("high");
        // What is not known stays as it was.
        Stage before = s.withLight(s.light());
        PictureCamera nothing = CameraSolver.solve(Marks.none(RuledRoom.WIDTH, RuledRoom.HEIGHT));
        assertThat(MarkConversion.stage(before, nothing, null)).isEqualTo(before);
        assertThat(MarkConversion.edges(c.marks())).hasSize(c.marks().lines().size());
    }

    private static List<Evidence> marks() {
        var out = new ArrayList<Evidence>();
        double[][][] edges = {{{0.6, 0, 2.4}, {0.6, 0, 5.4}}, {{1.8, 0, 2.4}, {1.8, 0, 5.4}}, {{-0.6, 0, 4.2}, {2.4, 0, 4.2}},
                {{0, 0, 3}, {2.4, 0, 3}}, {{-0.4, 0.5, 5.5}, {-0.4, 1.9, 5.5}}, {{1.9, 0.5, 5.5}, {1.9, 1.9, 5.5}}};
        Evidence.Runs[] runs = {Evidence.Runs.AWAY, Evidence.Runs.AWAY, Evidence.Runs.ACROSS, Evidence.Runs.ACROSS, Evidence.Runs.UP,
                Evidence.Runs.UP};
        for (int i = 0; i < edges.length; i++) {
            out.add(new Evidence.Edge(runs[i], at(edges[i][0]), at(edges[i][1])));
        }
        var top = RuledRoom.FOOT.plus(Vec.UP.times(RuledRoom.POST_M));
        out.add(new Evidence.Upright(share(RuledRoom.px(RuledRoom.FOOT)), share(RuledRoom.px(top)), RuledRoom.POST_M));
        out.add(new Evidence.Shadow(share(RuledRoom.px(RuledRoom.FOOT)), share(RuledRoom.px(top)), share(RuledRoom.px(RuledRoom.tip()))));
        return out;
    }

    private static Point at(double[] v) {
        return share(RuledRoom.px(new Vec(v[0], v[1], v[2])));
    }

    /// A level camera that looks straight ahead has one vanishing point, which tells no lens; told, it measures.
    @Test
    void aKnownLensMeasuresWhereOneVanishingPointCannot() throws Exception {
        CameraPose straight = new CameraPose(new Vec(0.2, 1.5, 0), 0, 0, 0, 760, RuledRoom.WIDTH, RuledRoom.HEIGHT);
        List<Evidence> seen = new ArrayList<>();
        for (double x : new double[] {-1, 1.4}) {
            seen.add(new Evidence.Edge(Evidence.Runs.AWAY, share(straight.project(new Vec(x, 0, 3))),
                    share(straight.project(new Vec(x, 0, 8)))));
        }
        seen.add(new Evidence.Edge(Evidence.Runs.ACROSS, share(straight.project(new Vec(-1, 0, 3))),
                share(straight.project(new Vec(1.4, 0, 3)))));
        seen.add(new Evidence.Edge(Evidence.Runs.ACROSS, share(straight.project(new Vec(-1, 0, 6))),
                share(straight.project(new Vec(1.4, 0, 6)))));
        seen.add(new Evidence.Upright(share(straight.project(new Vec(0.5, 0, 4))), share(straight.project(new Vec(0.5, 1.2, 4))), 1.2));
        PictureCamera unknown = CameraSolver.solve(MarkConversion.camera(seen, RuledRoom.WIDTH, RuledRoom.HEIGHT));
        assertThat(unknown.metric()).isFalse();
        seen.addFirst(new Evidence.Lens(Math.toDegrees(2 * Math.atan(RuledRoom.WIDTH / 2.0 / 760))));
        PictureCamera c = CameraSolver.solve(MarkConversion.camera(seen, RuledRoom.WIDTH, RuledRoom.HEIGHT));
        assertThat(c.focalPx().value()).isCloseTo(760, within(1e-6));
        assertThat(c.lensHeightM().value()).isCloseTo(1.5, within(0.02));
        assertThat(c.ground(straight.project(new Vec(0.5, 0, 4))).orElseThrow().forwardM()).isCloseTo(4, within(0.05));
        // Kept in the file as everything that was shown.
        Plate plate = new Plate("p", "P", PlateRole.CLEAN, Spike.T, "A", "", 0, List.of()).withMarks(seen);
        Production all = new Production("t", List.of(new Shot("1", 1, "", "", 3, List.of(), List.of(), List.of(plate), List.of(), null)),
                HouseRules.DEFAULT);
        try (ProductionFolder folder = ProductionFolder.create(temp.resolve("p"), all)) {
            assertThat(folder.production()).isEqualTo(all);
        }
        try (ProductionFolder again = ProductionFolder.open(temp.resolve("p"))) {
            assertThat(again.production().shot("1").plates().getFirst().marks()).isEqualTo(seen);
        }
        JsonNode file = new ObjectMapper().readTree(temp.resolve("p/production.json").toFile());
        var schema = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                .getSchema(Files.readString(Path.of("..", "docs", "production.schema.json")));
        assertThat(schema.validate(file)).isEmpty();
    }

    @Test
    void aLineSetNearlyOnAnEdgeComesToRestOnIt() {
        Plane luma = RuledRoom.picture().g();
        Point a = RuledRoom.px(new Vec(-0.4, 0.6, 5.5));
        Point b = RuledRoom.px(new Vec(-0.4, 1.8, 5.5));
        Marks.Line near = new Marks.Line(Marks.Direction.Y, a.plus(new Point(2, 0)), b.plus(new Point(-1.5, 0)));
        Marks.Line on = EdgeSnap.snapped(luma, near);
        assertThat(on.from().minus(a).x()).isCloseTo(0, within(0.15));
        assertThat(on.to().minus(b).x()).isCloseTo(0, within(0.15));
        Marks.Line nowhere = new Marks.Line(Marks.Direction.Y, new Point(100, 40), new Point(104, 90));
        assertThat(EdgeSnap.snapped(Plane.filled(200, 200, 0.3f), nowhere)).isEqualTo(nowhere);
    }

    @Test
    void everyKindOfMarkCanBePutDownAndPulled() {
        for (MarkKind k : MarkKind.values()) {
            Evidence e = k.first();
            assertThat(MarkKind.of(e)).isEqualTo(k);
            if (e.points().isEmpty()) {
                assertThat(e.at(List.of())).isEqualTo(e);
                continue;
            }
            assertThat(e.at(e.points().stream().map(p -> p.plus(new Point(0.1, 0))).toList()).points().getFirst().x())
                    .isCloseTo(e.points().getFirst().x() + 0.1, within(1e-12));
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "{\"lines\": [{\"direction\": \"Q\", \"px\": [[0,0],[9,9]]}]} | number 1 of \"lines\": a direction is X, Y or Z",
        "{\"lines\": [{\"direction\": \"X\", \"px\": [[0,0]]}]} | a point is two numbers",
        "{\"lines\": {\"direction\": \"X\"}} | \"lines\" is a list",
        "{\"lengths\": [{\"px\": [[0,0],[9,9]], \"metres\": -1}]} | metres",
        "{\"lengths\": [{\"px\": [[0,0],[9,9]], \"metres\": 1, \"stands\": \"ceiling\"}]} | \"ground\" or \"upright\"",
        "{\"focal_px\": \"long\"} | a number is missing",
        "[1, 2] | one JSON object",
        "{\"lines\": [ | no JSON"})
    void marksThatAreNoneAreSaidWithTheirPlace(String json, String says) throws Exception {
        Path file = Files.writeString(temp.resolve("marks.json"), json);
        assertThatThrownBy(() -> MarksFile.read(file).camera(960, 540)).isInstanceOf(StoreException.class).hasMessageContaining(says);
    }

    @Test
    void marksOfLightAreReadAndWhatThrowsNoShadowIsLeftOut() throws Exception {
        Path file = Files.writeString(temp.resolve("light.json"), """
                {"camera": {"focal_px": 760, "tilt_deg": -11, "roll_deg": 2, "lens_height_m": null, "tilt_std_deg": 0.2},
                 "shadow": [{"base": [1,2], "top": [1,90], "tip": null}, {"base": [10,20], "top": [10,90], "tip": [40,22]}],
                 "grey": [[[0,0],[9,0],[9,9]]], "lit": [{"polygon": [[0,0],[9,0],[9,9]], "surface": "upright"}],
                 "unlit": [{"polygon": [[20,0],[29,0],[29,9]], "surface": "upright"}]}""");
        LightMarks m = MarksFile.read(file).light();
        assertThat(m.shadows()).hasSize(1);
        assertThat(m.lit().getFirst().lies()).isEqualTo(Evidence.Lies.UPRIGHT);
        PictureCamera c = MarksFile.read(file).known(960, 540).orElseThrow();
        assertThat(c.tiltDeg().std()).isEqualTo(0.2);
        assertThat(c.lensHeightM()).isNull();
        Path bad = Files.writeString(temp.resolve("bad.json"), "{\"camera\": {\"focal_px\": 760, \"tilt_deg\": 120, \"roll_deg\": 0}, "
                + "\"lit\": [{\"polygon\": [[0,0],[9,0],[9,9]], \"surface\": \"wet\"}]}");
        assertThatThrownBy(() -> MarksFile.read(bad).known(960, 540)).hasMessageContaining("tilt_deg");
        assertThatThrownBy(() -> MarksFile.read(bad).light()).hasMessageContaining("\"facing\"");
        assertThatThrownBy(() -> MarksFile.read(temp.resolve("gone.json"))).hasMessageContaining("no such file");
    }
}
