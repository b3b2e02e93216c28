package org.scenothesis.production.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import de.javagl.jgltf.model.GltfModel;
import de.javagl.jgltf.model.NodeModel;
import de.javagl.jgltf.model.io.GltfModelReader;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javax.imageio.ImageIO;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.core.breakdown.Breakdown;
import org.scenothesis.core.breakdown.BreakdownPlan;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.kit.OwnedKit;
import org.scenothesis.core.breakdown.plate.PlateNeed;
import org.scenothesis.core.breakdown.staging.Staged;
import org.scenothesis.core.breakdown.staging.Stagings;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.rehearsal.staged.Fault;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.stage.piece.Piece;
import org.scenothesis.core.stage.piece.PieceShelf;
import org.scenothesis.core.stage.piece.Spot;
import org.scenothesis.core.stage.proof.ClothMap;
import org.scenothesis.core.stage.proof.LightField;
import org.scenothesis.core.stage.proof.SetView;
import org.scenothesis.core.value.Given;
import org.scenothesis.media.Footage;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.production.illusion.ReadyMadeShots;
import org.scenothesis.production.measure.Judge;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.Stopped;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.ProductionJson;
import org.scenothesis.production.store.StoreException;

/// What is written of a staged set, and the takes that are rehearsed on it.
class SetFilesTest {
    private static final HouseRules RULES = HouseRules.DEFAULT;

    @TempDir
    Path temp;

    private Shot shot;
    private BreakdownPlan plan;
    private Staged set;

    @BeforeEach
    void staged() {
        shot = ReadyMadeShots.shipped().all().stream().filter(i -> i.id().equals("inside-the-lantern")).findFirst().orElseThrow()
                .into(new Shot("14", 14, "Inside", "", 6, List.of(), List.of(), List.of(), List.of(), null))
                .withSetting(x -> x.withFact("clothWideM", "6").withFact("clothHighM", "6"));
        plan = Breakdown.plan(shot, RULES);
        set = Stagings.of(shot, plan, RULES).stream().filter(s -> !s.wanted().isEmpty()).findFirst().orElseThrow();
    }

    private SetSheet sheet() {
        return new SetSheet(set, set.hardest(), "14, Inside", false);
    }

    @Test
    void theSheetIsOnePageAndTheDrawingIsSvg() throws Exception {
        sheet().write(temp.resolve("deep/set.pdf"), RULES);
        try (PDDocument doc = Loader.loadPDF(temp.resolve("deep/set.pdf").toFile())) {
            assertThat(doc.getNumberOfPages()).isEqualTo(1);
        }
        sheet().write(temp.resolve("set.svg"), RULES);
        var svg = DocumentBuilderFactory.newInstance().newDocumentBuilder().parse(temp.resolve("set.svg").toFile());
        assertThat(svg.getDocumentElement().getTagName()).isEqualTo("svg");
        assertThat(Files.readString(temp.resolve("set.svg"))).contains("6.00 m", "1.50 m", "green cloth");
        assertThatThrownBy(() -> sheet().write(temp.resolve("set.docx"), RULES)).isInstanceOf(StoreException.class)
                .hasMessageContaining(".svg, .pdf or .html");
    }

    @ParameterizedTest
    @ValueSource(strings = {"set.glb", "set.gltf"})
    void otherProgramsReadTheSetWithItsCamera(String name) throws Exception {
        SetScene.write(set.view(set.hardest()), temp.resolve(name));
        GltfModel model = new GltfModelReader().read(temp.resolve(name).toUri());
        List<NodeModel> nodes = model.getNodeModels();
        assertThat(nodes.stream().map(NodeModel::getName)).contains("the small maker", "green cloth", "camera");
        NodeModel camera = nodes.stream().filter(n -> n.getCameraModel() != null).findFirst().orElseThrow();
        assertThat(camera.getMatrix()[13]).as("its height").isCloseTo((float) set.stage().camera().position().value().y(), within(1e-4f));
        // Our Z runs away from the camera, theirs towards it: what it looks at lies at less.
        assertThat(camera.getMatrix()[10]).isGreaterThan(0.9f);
        assertThatThrownBy(() -> SetScene.write(set.view(""), temp.resolve("set.obj"))).isInstanceOf(StoreException.class)
                .hasMessageContaining(".glb or .gltf");
    }

    @Test
    void aStagedSetIsKeptInTheFile() throws Exception {
        Production p = new Production("t", List.of(Stagings.kept(shot, set)), RULES);
        String text = ProductionJson.write(p, null);
        assertThat(text).contains("\"is\" : \"backdrop\"", "\"place\" : \"room\"");
        assertThat(ProductionJson.read(temp, text, "").production()).isEqualTo(p);
        var schema = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                .getSchema(Files.readString(Path.of("..", "docs", "production.schema.json")));
        assertThat(schema.validate(new ObjectMapper().readTree(text))).isEmpty();
        assertThat(schema.validate(new ObjectMapper().readTree(text.replace("\"is\" : \"backdrop\"", "\"is\" : \"curtain\""))))
                .isNotEmpty();
        assertThatThrownBy(() -> ProductionJson.read(temp, text.replace("\"is\" : \"backdrop\"", "\"is\" : \"curtain\""), ""))
                .isInstanceOf(StoreException.class);
        assertThatThrownBy(() -> ProductionJson.read(temp, text.replaceFirst("\"elsewhere\" : \\{\\s*\"([^\"]+)\" : \"[^\"]+\"",
                "\"elsewhere\" : { \"$1\" : \"gone\""), "")).hasMessageContaining("is not among the set-ups");
        assertThatThrownBy(() ->
                ProductionJson.read(temp, text.replaceFirst("\"wrinkle\" : \\{\\s*\"origin\" : \"assumed\",\\s*\"value\" : [0-9.]+",
                "\"wrinkle\" : { \"origin\" : \"assumed\", \"value\" : 7"), "")).hasMessageContaining("wrinkle");
    }

    @Test
    void theCameraTurnedForAPlateAndAnotherCameraAreKeptAndSeenByOtherPrograms() throws Exception {
        Piece second = PieceShelf.make("camera", "camera-1", new Spot(2, 0, 0).facing(0, 3), Vec.ZERO);
        Staged both = set.with(set.stage().withFloor(f -> f.plus(second).turned(set.hardest(), 12)));
        Production p = new Production("t", List.of(Stagings.kept(shot, both)), RULES);
        String text = ProductionJson.write(p, null);
        assertThat(ProductionJson.read(temp, text, "").production()).isEqualTo(p);
        var schema = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                .getSchema(Files.readString(Path.of("..", "docs", "production.schema.json")));
        assertThat(schema.validate(new ObjectMapper().readTree(text))).isEmpty();
        // As it was written before there were turns.
        String older = text.replaceAll(",\\s*\"turns\" : \\{[^{}]*(\\{[^{}]*\\}[^{}]*)?\\}", "");
        assertThat(older).doesNotContain("turns");
        assertThat(ProductionJson.read(temp, older, "").production().shots().getFirst().elsewhere().get(both.group()).stage().floor()
                .turns()).isEmpty();
        assertThat(both.view(both.hardest()).panDeg()).isEqualTo(set.stage().panDeg() + 12);
        SetScene.write(both.view(both.hardest()), temp.resolve("two.glb"));
        List<NodeModel> cameras = new GltfModelReader().read(temp.resolve("two.glb").toUri()).getNodeModels().stream()
                .filter(n -> n.getCameraModel() != null).toList();
        assertThat(cameras).extracting(NodeModel::getName).containsExactly("camera", "camera 2");
        assertThat(cameras.get(1).getMatrix()[12]).isEqualTo(2f);
    }

    /// Drawn at a place aside, filmed before a cloth in the middle: the camera is turned by as much as the picture shows it aside.
    @Test
    void whatIsDrawnAsideIsPlannedForATurnedCamera() {
        Shot aside = shot.withIllusions(shot.illusions().stream().map(w -> w.withFact(Fact.ACROSS_M.key(), "0.1")).toList());
        Staged s = Stagings.of(aside, Breakdown.plan(aside, RULES), RULES).stream().filter(x -> !x.wanted().isEmpty()).findFirst()
                .orElseThrow();
        double asideDeg = s.wanted().get(s.hardest()).asideDeg();
        assertThat(asideDeg).isBetween(2.0, 60.0);
        assertThat(s.stage().floor().turn(s.hardest())).isEqualTo(new Given.Assumed<>(-asideDeg, Stagings.PLANNED));
        assertThat(s.proved(s.hardest(), RULES).stream().filter(x -> x.finding().measure() == Measure.VIEW_ANGLE).findFirst().orElseThrow()
                .finding().verdict()).isEqualTo(Verdict.HOLDS);
        Staged straight = s.with(s.stage().withFloor(f -> f.withTurns(Map.of())));
        assertThat(straight.proved(s.hardest(), RULES).stream().filter(x -> x.finding().measure() == Measure.VIEW_ANGLE).findFirst()
                .orElseThrow().finding().value()).isCloseTo(asideDeg, within(0.5));
    }

    /// The plate is filmed on the set as the program suggested it, and measured as any other: what was worked out is what is found.
    @Test
    void whatIsRehearsedIsMeasuredAsItWasPredicted() throws Exception {
        Production p = new Production("t", List.of(shot), RULES);
        Staged good = set.with(set.suggested(set.hardest(), RULES, Stagings.means(shot, 3, OwnedKit.NOTHING), () -> true).stage());
        assertThat(good.proved(good.hardest(), RULES).stream().filter(q -> q.finding().verdict() == Verdict.REDO)
                .map(q -> q.finding().measure())).as("what was suggested; who stands on the screen's floor gets its colour")
                .isSubsetOf(Measure.CLOTH_RETURN);
        List<PlateNeed> plates = good.needs().stream().filter(n -> n.key().code().equals(good.hardest())
                || n.role() == PlateRole.SCREEN_ONLY)
                .toList();
        try (ProductionFolder folder = ProductionFolder.create(temp.resolve("p"), p); Bands bands = Bands.allCores()) {
            Rehearsing.Wish wish = new Rehearsing.Wish(320, 0.5, 24, Set.of());
            List<Rehearsing.Filmed> filmed = Rehearsing.film(folder, shot, good, plates, wish, bands, (done, of) -> true);
            assertThat(filmed).hasSize(plates.size()).allSatisfy(f -> assertThat(folder.path().resolve(f.footage())).exists());
            Shot taken = Rehearsing.taken(shot, plan, filmed);
            assertThat(taken.plates()).hasSize(plates.size()).allSatisfy(q -> assertThat(q.takes()).singleElement()
                    .satisfies(t -> assertThat(t.note()).isEqualTo(Rehearsing.NOTE)));
            folder.save(folder.production().withShot(shot.id(), x -> taken));
            Measured m = new Surveyor(folder, bands).survey(taken, List.of(), Measured.NOTHING, (done, of) -> true, x -> {});
            String plate = taken.plates().stream().filter(q -> q.need().equals(good.hardest())).findFirst().orElseThrow().id();
            List<Finding> found = new Judge(folder).of(taken, m, RULES).of(plate).findings();
            assertThat(found.stream().filter(f -> f.measure() == Measure.SPILL).findFirst().orElseThrow().verdict())
                    .as("it keys: %s", found).isNotEqualTo(Verdict.NOT_MEASURED);
            Path bare = folder.path().resolve(filmed.stream().filter(f -> !f.need().equals(good.hardest())).findFirst().orElseThrow()
                    .footage());
            assertThat(seen(good, filmed, folder)).as("whoever is filmed is in the picture").isTrue();
            double predicted = good.proved(good.hardest(), RULES).stream().filter(q -> q.finding().measure() == Measure.CLOTH_EVEN)
                    .findFirst().orElseThrow().finding().value();
            // The folds come on top of what the lamps leave uneven.
            assertThat(evenness(good, ImageIO.read(bare.toFile()))).as("the cloth in the frame of the screen alone")
                    .isBetween(predicted - 0.2, predicted + 0.45);
            // A second rehearsal is a second take.
            Shot again = Rehearsing.taken(taken, plan, Rehearsing.film(folder, taken, good, plates.subList(0, 1),
                    new Rehearsing.Wish(64, 0.1, 1, Set.of(Fault.WRINKLES)), bands, (done, of) -> true));
            assertThat(again.plate(plate).orElseThrow().takes()).hasSize(2);
            List<Path> before = files(folder);
            assertThatThrownBy(() -> Rehearsing.film(folder, taken, good, plates, wish, bands, (done, of) -> done < 2))
                    .isInstanceOf(Stopped.class);
            assertThat(files(folder)).as("nothing is left of what was stopped").isEqualTo(before);
        }
    }

    private static List<Path> files(ProductionFolder folder) throws Exception {
        try (var all = Files.list(folder.path().resolve("footage"))) {
            return all.sorted().toList();
        }
    }

    /// Whether the middle of the body is no cloth in the first frame of its take.
    private static boolean seen(Staged set, List<Rehearsing.Filmed> filmed, ProductionFolder folder) throws Exception {
        Path take = folder.path().resolve(filmed.stream().filter(f -> f.need().equals(set.hardest())).findFirst().orElseThrow().footage());
        try (Footage f = Footages.open(take)) {
            Picture p = f.frame(0);
            SetView view = new SetView(set.stage(), set.hardest(), p.width(), p.height());
            Point at = view.pose().project(SetView.middle(view.bodies().getFirst(), 0).plus(new Vec(0, 0.25, 0)));
            int i = (int) at.y() * p.width() + (int) at.x();
            return p.g().data()[i] < 1.3 * p.r().data()[i];
        }
    }

    /// Brightest to darkest of the cloth behind the movement, in stops, by the green of a picture that another decoder read.
    private static double evenness(Staged set, BufferedImage picture) {
        SetView view = new SetView(set.stage(), set.hardest(), picture.getWidth(), picture.getHeight());
        SetView.Pair pair = view.pairs().getFirst();
        double least = Double.MAX_VALUE;
        double most = 0;
        for (ClothMap.Cell c : ClothMap.of(view, pair, new LightField(view.lamps(), set.stage().floor().around().value())).cells()) {
            Point p = view.pose().project(pair.sheet().world(c.at()));
            double sum = 0;
            int n = 0;
            for (int y = (int) p.y() - 5; y <= p.y() + 5; y++) {
                for (int x = (int) p.x() - 5; x <= p.x() + 5; x++) {
                    if (x >= 0 && y >= 0 && x < picture.getWidth() && y < picture.getHeight()) {
                        int rgb = picture.getRGB(x, y);
                        // What is not cloth is left out: edges, pipes, lamps.
                        if ((rgb >> 8 & 255) > 1.4 * (rgb >> 16 & 255)) {
                            double v = (rgb >> 8 & 255) / 255.0;
                            sum += Math.pow((v + 0.055) / 1.055, 2.4);
                            n++;
                        }
                    }
                }
            }
            if (n > 60) {
                least = Math.min(least, sum / n);
                most = Math.max(most, sum / n);
            }
        }
        return Math.log(most / least) / Math.log(2);
    }
}
