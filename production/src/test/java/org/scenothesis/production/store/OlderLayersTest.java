package org.scenothesis.production.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Limit;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.key.KeySettings;
import org.scenothesis.core.optics.Vec;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Blend;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Source;
import org.scenothesis.core.shot.step.Grade;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.core.shot.step.Place;
import org.scenothesis.core.shot.step.Presence;
import org.scenothesis.core.shot.step.Shadow;
import org.scenothesis.core.shot.step.Steady;
import org.scenothesis.core.stage.SetUp;
import org.scenothesis.core.value.Animated;
import org.scenothesis.core.value.Ease;
import org.scenothesis.core.value.Given;
import org.scenothesis.production.demo.LanternWorks;

/// Productions written before layers were made of steps and the set plan was a stage.
class OlderLayersTest {
    private static final Path HERE = Path.of("production.json");
    private static final String CORNERS = "'mask':[{'x':0,'y':0},{'x':1,'y':0},{'x':1,'y':1}],'maskSoftnessPx':9";
    private static final Outline OUTLINE = Outline.of(List.of(new Point(0, 0), new Point(1, 0), new Point(1, 1)), 9);

    @TempDir
    Path folder;

    private static String golden(String name) throws Exception {
        try (var in = Objects.requireNonNull(OlderLayersTest.class.getResourceAsStream(name))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    private static Production read(String text) throws StoreException {
        return ProductionJson.read(HERE, text, "").production();
    }

    @Test
    void theDemoOfSchemaTwoIsTheDemo() throws Exception {
        // A ready illusion told the height of its lens above the bench; it is told above the floor now.
        String told = golden("lantern-works-2.json").replace("\"lensM\" : \"0.1\"", "\"lensM\" : \"1.0\"");
        // The other two were filmed later, and what is marked in its picture came later too.
        assertThat(read(told).shot("12")).isEqualTo(LanternWorks.production().shot("12").withPlate("clean", p -> p.withMarks(List.of())));
        assertThat(read(told).shots()).extracting(Shot::number).containsExactly(12, 13, 14);
    }

    @Test
    void aProductionOfSchemaOneHasItsBaseAndStage() throws Exception {
        var shot = read(golden("first-start-1.json")).shots().getFirst();
        assertThat(shot.layers()).containsExactly(Layer.of("base", "Clean plate", "clean"));
        assertThat(Objects.requireNonNull(shot.stage()).light().litToShadowStops(Vec.UP)).isCloseTo(0.9, within(1e-9));
    }

    /// A set-up is written once; one that no shot names any more is kept, one that is not there is said.
    @Test
    void setUpsAreWrittenOnceAndShared() throws Exception {
        Production demo = LanternWorks.production();
        Production p = new Production("Lantern Works", List.of(demo.shot("12"), demo.shot("13").withSetUp(null)), HouseRules.DEFAULT);
        SetUp of = Objects.requireNonNull(p.shot("12").setUp());
        Production shared = p.withShot("13", s -> s.withSetUp(of));
        String text = ProductionJson.write(shared, null);
        assertThat(text.split("groundM|heightM", -1)).hasSameSizeAs(ProductionJson.write(p, null).split("groundM|heightM", -1));
        ProductionJson.Read read = ProductionJson.read(HERE, text, "");
        assertThat(read.production()).isEqualTo(shared);
        Production none = shared.withShot("12", s -> s.withSetUp(null)).withShot("13", s -> s.withSetUp(null));
        String kept = ProductionJson.write(none, read.tree());
        assertThat(read(kept)).isEqualTo(none);
        assertThat(read(kept).setUps()).containsExactly(of);
        assertThatExceptionOfType(StoreException.class).isThrownBy(() -> read(text.replaceFirst("\"id\" : \"set-of-12\"", "\"id\" : \"gone\""))).withMessageContaining("set-of-12").withMessageContaining("set-ups");
    }

    /// Every limit was written out; only those that the house had changed are its own.
    @Test
    void limitsOfTheHouseKeepTheirMeaning() throws Exception {
        assertThat(read(golden("lantern-works-2.json")).houseRules()).isEqualTo(HouseRules.DEFAULT);
        ObjectNode old = (ObjectNode) new ObjectMapper().readTree(golden("lantern-works-2.json"));
        ((ObjectNode) old.at("/houseRules/shiftPx")).put("holds", 0.1);
        ((ObjectNode) old.at("/houseRules/matteGreyPercent")).put("watch", 3);
        HouseRules rules = read(old.toString()).houseRules();
        assertThat(rules.limits()).containsOnlyKeys(Measure.CAMERA, Measure.BUMP, Measure.GREY_INSIDE, Measure.GREY_OUTSIDE);
        assertThat(rules.limit(Measure.BUMP)).isEqualTo(new Limit(0.1, 40));
        assertThat(rules.limit(Measure.GREY_INSIDE)).isEqualTo(new Limit(0.1, 3));
    }

    /// What is written again says nothing of the old form, and keeps what this version does not know.
    @Test
    void whatIsWrittenAgainHasTheNewForm() throws Exception {
        ObjectNode old = (ObjectNode) new ObjectMapper().readTree(golden("lantern-works-2.json"));
        ((ObjectNode) old.at("/shots/0/layers/3")).put("colourOfTag", "red");
        ProductionJson.Read read = ProductionJson.read(HERE, old.toString(), "");
        String text = ProductionJson.write(read.production(), read.tree());
        assertThat(text).doesNotContain("lightAgainst", "maskSoftnessPx", "\"kind\" : \"ELEMENT\"", "\"plan\"").contains("colourOfTag", "\"schema\" : " + ProductionJson.SCHEMA);
        assertThat(read(text)).isEqualTo(read.production());
    }

    /// The base of the golden file of schema 1 with some of its parts changed.
    private static Layer layer(String changes) throws Exception {
        ObjectMapper m = new ObjectMapper();
        ObjectNode old = (ObjectNode) m.readTree(golden("first-start-1.json"));
        ObjectNode layer = (ObjectNode) old.at("/shots/0/layers/0");
        layer.setAll((ObjectNode) m.readTree(changes.replace('\'', '"')));
        return read(old.toString()).shots().getFirst().layers().getFirst();
    }

    private static String frame(double seconds, double presence) {
        return "{'seconds':" + seconds + ",'foot':{'x':1,'y':0,'z':3},'turnDeg':0,'size':1,'presence':" + presence + ",'ease':'STEADY'}";
    }

    @Test
    void aPatchIsSteadiedOutlinedAndMatched() throws Exception {
        assertThat(layer("{'kind':'PATCH','matched':true," + CORNERS + "}").steps()).containsExactly(new Steady(), OUTLINE, new Grade(0, true));
        assertThat(layer("{'kind':'PATCH','gainStops':0.5}").steps()).containsExactly(new Grade(0.5, false));
    }

    @Test
    void addedLightIsLightGained() throws Exception {
        Layer l = layer("{'kind':'LIGHT','plate':'lamp','lightAgainst':'clean'," + CORNERS + ",'keyframes':[" + frame(1, 0) + "," + frame(2, 0.5) + "]}");
        assertThat(l.source()).isEqualTo(new Source.LightGained("lamp", "clean"));
        assertThat(l.blend()).isEqualTo(Blend.ADD);
        assertThat(l.steps()).containsExactly(OUTLINE, new Presence(Animated.of(0.0).key(1, 0.0, Ease.STEADY).key(2, 0.5, Ease.STEADY)));
    }

    /// One keyframe is no movement; the place that Key made up is said to be assumed.
    @Test
    void anElementIsKeyedAndPlaced() throws Exception {
        Layer l = layer("{'kind':'ELEMENT','filmedFoot':{'x':0,'y':0,'z':2},'keyframes':[" + frame(1, 1) + "],'shadow':{'on':true,'density':2,'softness':0.5}}");
        Given<Vec> assumed = new Given.Assumed<>(new Vec(0, 0, 2), "filmed-nowhere-said");
        assertThat(l.steps()).containsExactly(new Key(KeySettings.DEFAULT), Place.at(assumed, new Vec(1, 0, 3)), new Shadow(2, 0.5));
        Layer still = layer("{'kind':'ELEMENT','filmedFoot':{'x':1,'y':0,'z':2}}");
        assertThat(still.step(Place.class)).contains(Place.asFilmed(Given.told(new Vec(1, 0, 2))));
    }

    /// A default in place of what cannot be read would be another picture in silence.
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '"', value = {
        "{'kind':'HERO'}|HERO", "{'mask':null}|mask", "{'gainStops':'much'}|gainStops", "{'keyframes':{}}|keyframes", "{'plate':7}|plate"
    })
    void whatCannotBeReadOfAnOlderLayerIsNamed(String changes, String named) {
        assertThatExceptionOfType(StoreException.class).isThrownBy(() -> layer(changes)).withMessageContaining(named).withMessageContaining("the layer base");
    }

    /// What a file says of a kind that this version does not know, or says of it incompletely, is named with its place.
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '"', value = {
        "{'step':'zoom'}|shots[0].layers[0].steps[0].step, 'zoom' is no word it knows", "{'amount':1}|shots[0].layers[0].steps[0].step is missing",
        "{'step':'grain','amount':1,'sizePx':null}|sizePx is null", "{'step':'grain','amount':1e9,'sizePx':1}|amount must lie in",
        "{'step':'presence','share':{'still':null,'keys':[]}}|steps[0].share.still is null",
        "{'step':'outline','softnessPx':1,'corners':{'still':[null],'keys':[]}}|steps[0].corners.still[0]", "{'step':'java.lang.String'}|is no word it knows",
        "[]|steps[0] is not what it should be"
    })
    void unknownStepsAreNamed(String step, String said) throws Exception {
        ProductionFolder.create(folder, LanternWorks.production()).close();
        Path file = folder.resolve("production.json");
        ObjectMapper m = new ObjectMapper();
        ObjectNode tree = (ObjectNode) m.readTree(file.toFile());
        ((ObjectNode) tree.at("/shots/0/layers/0")).putArray("steps").add(m.readTree(step.replace('\'', '"')));
        Files.writeString(file, tree.toString());
        assertThatExceptionOfType(StoreException.class).isThrownBy(() -> ProductionFolder.open(folder)).withMessageContaining(said.replace('\'', '"'));
    }
}
