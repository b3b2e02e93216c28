package org.scenothesis.production.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.core.shot.step.KeySettings;
import org.scenothesis.core.shot.step.Step;
import org.scenothesis.core.stage.SetUp;
import org.scenothesis.core.value.Animated;
import org.scenothesis.core.value.Ease;
import org.scenothesis.production.Lantern;

/// Productions of schema 6, of whose words some were the house's own.
class SchemaSixTest {
    private static final Path HERE = Path.of("production.json");

    @TempDir
    Path folder;

    private static String golden(String name) throws Exception {
        try (var in = Objects.requireNonNull(SchemaSixTest.class.getResourceAsStream(name))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    private static Production read(String text) throws StoreException {
        return ProductionJson.read(HERE, text, "").production();
    }

    /// A set-up is written once; one that no shot names any more is kept, one that is not there is said.
    @Test
    void setUpsAreWrittenOnceAndShared() throws Exception {
        Production demo = Lantern.production();
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
        assertThatExceptionOfType(StoreException.class)
                .isThrownBy(() -> read(text.replaceFirst("\"id\" : \"set-of-12\"", "\"id\" : \"gone\""))).withMessageContaining("set-of-12")
                .withMessageContaining("set-ups");
    }

    /// The golden files say the same of all kinds of steps, illusions and origins, each in its own words.
    @Test
    void aProductionOfSchemaSixIsTheSame() throws Exception {
        Production of = read(golden("production-6.json"));
        assertThat(of).isEqualTo(read(golden("production-7.json")));
        assertThat(of.shots()).hasSize(18).anySatisfy(s -> assertThat(s.illusions()).isNotEmpty())
                .anySatisfy(s -> assertThat(s.tracks()).isNotEmpty());
        assertThat(of.shots().stream().flatMap(s -> s.layers().stream()).flatMap(l -> l.steps().stream()).map(Step::getClass).distinct())
                .hasSizeGreaterThan(15);
    }

    /// What is written again says nothing in the old words, and keeps what this version does not know.
    @Test
    void whatIsWrittenAgainHasTheNewWords() throws Exception {
        ObjectNode old = (ObjectNode) new ObjectMapper().readTree(golden("production-6.json"));
        ((ObjectNode) old.at("/shots/0/layers/0")).put("colourOfTag", "red");
        ProductionJson.Read read = ProductionJson.read(HERE, old.toString(), "");
        String text = ProductionJson.write(read.production(), read.tree());
        assertThat(text).doesNotContain("\"wonders\"", "\"trails\"", "\"schools\"", "\"presence\"", "\"told\"")
                .contains("colourOfTag", "\"schema\" : " + ProductionJson.SCHEMA);
        assertThat(read(text)).isEqualTo(read.production());
    }

    /// Keys by code are written where there are some, and do not come back once they were removed.
    @Test
    void keysThatWereRemovedStayRemoved() throws Exception {
        Production demo = Lantern.production();
        UnaryOperator<Production> still = p -> p.withShot("12", s -> s.withLayer("lantern", l -> l.with(new Key(KeySettings.DEFAULT))));
        Production keyed = demo.withShot("12", s -> s.withLayer("lantern", l -> l.with(
                new Key(KeySettings.DEFAULT, Map.of("choke", Animated.of(0.0).key(1, 2.0, Ease.SOFT))))));
        String text = ProductionJson.write(keyed, null);
        ProductionJson.Read read = ProductionJson.read(HERE, text, "");
        assertThat(read.production()).isEqualTo(keyed);
        assertThat(text.split("\"keyed\"", -1)).as("only where there are some").hasSize(2);
        assertThat(ProductionJson.write(still.apply(keyed), read.tree())).doesNotContain("\"keyed\"");
    }

    @Test
    void whatIsOlderIsRefusedInASentence() throws Exception {
        String older = golden("production-6.json").replaceFirst("\"schema\": 6", "\"schema\": 5");
        assertThatExceptionOfType(StoreException.class).isThrownBy(() -> read(older)).withMessageContaining("schema 5")
                .withMessageContaining("left as it is");
    }

    /// What a file says of a kind that this version does not know, or says of it incompletely, is named with its place.
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '"', value = {
        "{'step':'zoom'}|shots[0].layers[0].steps[0].step, 'zoom' is no word it knows",
                "{'amount':1}|shots[0].layers[0].steps[0].step is missing",
        "{'step':'grain','amount':1,'sizePx':null}|sizePx is null", "{'step':'grain','amount':1e9,'sizePx':1}|amount must lie in",
        "{'step':'opacity','share':{'still':null,'keys':[]}}|steps[0].share.still is null",
        "{'step':'outline','softnessPx':1,'corners':{'still':[null],'keys':[]}}|steps[0].corners.still[0]",
        "{'step':'java.lang.String'}|is no word it knows",
        "[]|steps[0] is not what it should be"
    })
    void unknownStepsAreNamed(String step, String said) throws Exception {
        ProductionFolder.create(folder, Lantern.production()).close();
        Path file = folder.resolve("production.json");
        ObjectMapper m = new ObjectMapper();
        ObjectNode tree = (ObjectNode) m.readTree(file.toFile());
        ((ObjectNode) tree.at("/shots/0/layers/0")).putArray("steps").add(m.readTree(step.replace('\'', '"')));
        Files.writeString(file, tree.toString());
        assertThatExceptionOfType(StoreException.class).isThrownBy(() -> ProductionFolder.open(folder))
                .withMessageContaining(said.replace('\'', '"'));
    }
}
