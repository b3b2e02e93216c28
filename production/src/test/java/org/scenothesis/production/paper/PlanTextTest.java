package org.scenothesis.production.paper;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.core.breakdown.day.LightDay;
import org.scenothesis.core.breakdown.sketch.Sketch;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Location;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Spike;
import org.scenothesis.production.fonts.Fonts;
import org.scenothesis.production.illusion.ReadyMadeShots;

class PlanTextTest {
    private static Production production() {
        Shot blank = new Shot("7", 7, "", "", 6, List.of(), List.of(), List.of(), List.of(), null);
        Shot s = ReadyMadeShots.shipped().all().stream().filter(i -> i.id().equals("giant-in-the-yard")).findFirst().orElseThrow()
                .into(blank);
        return new Production("p", List.of(s), HouseRules.DEFAULT).withDay(d -> d.on("2026-06-21"))
                .withShot("7", x -> x.withSetting(y -> y.withFact("declined", "dust")
                .withPlace(new Location("the yard", 48, 11, "UTC+2", List.of(new Location.Obstruction(90, 140, 60))))));
    }

    @Test
    void aShotIsToldLineByLine() {
        DayPlan day = DayPlan.of(production());
        String text = PlanText.of(day, production().shot("7"));
        assertThat(text).contains("7. The giant who was a neighbour", "watch: ", "lock B light A", "proposed", "without Dust of the steps",
                "\u2192 ", "recommended", "h by hand later");
        assertThat(text.lines().filter(l -> l.contains("Caution: "))).isNotEmpty()
                .allSatisfy(l -> assertThat(l).endsWith("Local codes and licensed practice decide."));
        assertThat(text.lines()).allSatisfy(l -> assertThat(l).doesNotEndWith(" "));
    }

    @Test
    void theOrderSaysItsPriceWhatItBreaksAndItsLight() {
        DayPlan best = DayPlan.of(production());
        assertThat(PlanText.order(best, best.order().steps())).contains("Called ", "Done ", "Light 7/A", "It turns least from")
                .doesNotContain("own order");
        List<String> own = new ArrayList<>(best.order().ids());
        own.add(own.remove(own.indexOf("7/clean-A")));
        DayPlan day = DayPlan.of(production().withDay(d -> d.withOrder(own)));
        assertThat(PlanText.order(day, day.order().steps())).contains("The crew's own order", "It breaks: ");
        JsonNode tree = PlanTree.dayOnly(day);
        assertThat(tree.get("own_order").asBoolean()).isTrue();
        assertThat(tree.get("broken")).isNotEmpty();
        assertThat(tree.get("calls").size()).isGreaterThan(1);
    }

    @Test
    void numbersInTheTreeAreNumbers() {
        JsonNode o = PlanTree.of(DayPlan.of(production()));
        for (JsonNode plate : o.at("/shots/0/plates")) {
            assertThat(plate.get("roll_s").isNumber()).isTrue();
            assertThat(plate.get("takes").asInt()).isPositive();
            for (JsonNode eye : plate.get("eyelines")) {
                assertThat(eye.get("up_deg").asDouble()).isBetween(-90.0, 90.0);
            }
        }
        assertThat(o.at("/shots/0/declined")).hasSize(1);
        assertThat(o.at("/day/minutes").asDouble()).isGreaterThanOrEqualTo(o.at("/day/cheapest_minutes").asDouble());
    }

    @ParameterizedTest
    @EnumSource(Spike.class)
    void everyMarkIsDrawnInItsColourAndShape(Spike s) {
        assertThat(Svg.mark(s, 13)).contains(s.path()).contains(Svg.colour(s.ordinal())).startsWith("<svg");
    }

    @Test
    void panelsAndSkiesAreDrawn() {
        Shot shot = production().shot("7");
        String panel = Svg.panel(Sketch.of(shot, 5), 150);
        assertThat(panel).contains("<rect", "<ellipse", "<line").doesNotContain("NaN");
        DayPlan day = DayPlan.of(production());
        Location yard = shot.setting().inTheOpen().orElseThrow();
        String sky = Svg.light(LightDay.of(yard, production().day().day().orElseThrow()), day, 600);
        assertThat(sky).contains("#f4c542", "#cfe0ea", "#4a4c4f", "12:00").doesNotContain("NaN");
    }

    @Test
    void everyFaceIsThere() throws Exception {
        for (Fonts.Face f : Fonts.all()) {
            try (var in = f.open()) {
                assertThat(in.readAllBytes()).hasSizeGreaterThan(50_000);
            }
        }
    }
}
