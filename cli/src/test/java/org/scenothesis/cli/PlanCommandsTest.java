package org.scenothesis.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.scenothesis.cli.Ran.run;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.demo.LanternWorks;
import org.scenothesis.production.store.ProductionFolder;

class PlanCommandsTest {
    @TempDir
    Path home;

    private Path production;

    @BeforeEach
    void lay() throws Exception {
        System.setProperty("scenothesis.illusions", home.resolve("own").toString());
        System.setProperty("scenothesis.kit", home.resolve("kit.json").toString());
        production = home.resolve("lantern works");
        ProductionFolder.create(production, LanternWorks.production()).close();
    }

    @Test
    void aWholeProductionIsOneDayAndEverySheetIsWritten() throws Exception {
        Ran r = run("breakdown", production, "--book", home.resolve("book.pdf"), "--plates", home.resolve("p.csv"), "--json");
        JsonNode o = r.json();
        assertThat(o.get("shots")).hasSize(3);
        assertThat(o.at("/day/order").size()).isGreaterThan(15);
        assertThat(o.at("/day/cheapest_is_exact").asBoolean()).isTrue();
        assertThat(home.resolve("book.pdf")).isNotEmptyFile();
        assertThat(Files.readString(home.resolve("p.csv"))).startsWith("shot,plate");
        assertThat(run("breakdown", production).out()).contains("If you skip it", "Done ", "Local codes and licensed practice decide.");
    }

    @Test
    void paperForWallsAndHandsIsWritten() {
        assertThat(run("breakdown", production, "--sheet", home.resolve("day.pdf"), "--slips", home.resolve("slips.html")).out())
                .contains("Written: ");
        assertThat(home.resolve("day.pdf")).isNotEmptyFile();
        assertThat(home.resolve("slips.html")).content().contains("plate slips", "The maker");
        assertThat(run("breakdown", production, "--sheet", home.resolve("day.txt")).err()).contains("written as .pdf or .html");
    }

    @Test
    void anotherAnswerIsTriedWithoutBeingGiven() throws Exception {
        JsonNode o = run("breakdown", production, "--shot", "12", "--if", "lantern-floats:motion=still", "--json").json();
        assertThat(o.at("/gone").toString()).contains("screen-A-green");
        assertThat(o.at("/minutes").asDouble()).isNegative();
        assertThat(run("breakdown", production, "--shot", "12", "--if", "base=existing").out()).contains("without", "Clean plate");
        assertThat(run("breakdown", production, "--shot", "12", "--json").json().at("/plates").toString()).contains("screen-A-green");
        assertThat(run("breakdown", production, "--shot", "12", "--if", "motion=still").err())
                .contains("name it before a colon: lantern-floats");
        assertThat(run("breakdown", production, "--shot", "12", "--if", "lantern-floats:motion=sings").err())
                .contains("no answer to it", "still");
        assertThat(run("breakdown", production, "--shot", "12", "--if", "nonsense").err()).contains("no such fact");
        assertThat(run("breakdown", production, "--if", "base=existing").err()).contains("--shot");
    }

    @Test
    void whatIsOwnedIsListedChangedCarriedAndTold() throws Exception {
        assertThat(run("kit").out()).contains("Nothing is listed yet");
        run("kit", "--add", "cloth.green,clothWideM=1.2,clothHighM=2,name=the small one", "--add", "stand,standM=2.4,count=2");
        assertThat(run("kit").out()).contains("1. 1 green cloth, the small one: wide 1.20\u00a0m", "2. 2 stand");
        run("kit", "--export", home.resolve("mine.json"));
        run("kit", "--drop", "1");
        assertThat(run("kit", "--json").json().get("kit")).hasSize(1);
        assertThat(run("kit", "--import", home.resolve("mine.json"), "--json").json().get("kit")).hasSize(2);
        run("kit", "--tell", production, "--shot", "13");
        try (ProductionFolder f = ProductionFolder.open(production, false)) {
            assertThat(f.production().shot("13").setting().facts()).containsEntry("standM", "2.4").containsEntry("clothWideM", "1.2");
        }
        run("new", home.resolve("fresh"));
        try (ProductionFolder f = ProductionFolder.open(home.resolve("fresh"), false)) {
            assertThat(f.production().shots().getFirst().setting().facts()).containsEntry("cloths", "green");
        }
        assertThat(run("kit", "--add", "crane").err()).contains("no such kind", "stand");
        assertThat(run("kit", "--add", "stand,standM=99").err()).contains("cannot be");
        assertThat(run("kit", "--drop", "9").err()).contains("the list has 2 things");
    }

    @Test
    void aCalendarWithoutADayIsRefusedInOneSentence() {
        Ran r = run("breakdown", production, "--calendar", home.resolve("x.ics"));
        assertThat(r.exit()).isEqualTo(1);
        assertThat(r.err()).contains("day of shooting");
        assertThat(home.resolve("x.ics")).doesNotExist();
    }

    @Test
    void illusionsAreListedFoundPlannedLaidAndKept() throws Exception {
        assertThat(run("illusions", "--json").json().get("illusions").size()).isGreaterThanOrEqualTo(24);
        JsonNode found = run("illusions", "a", "giant", "at", "the", "window", "--json").json();
        assertThat(found.at("/illusions/0/id").asText()).isEqualTo("giant-at-the-window");
        assertThat(run("illusions", "zzzz").out()).contains("No ready illusion");
        assertThat(run("illusions", "--plan", "leaves-wipe").out()).contains("The leaves, transition", "Caution:");
        assertThat(run("illusions", "--plan", "nothing").err()).contains("no illusion nothing");
        assertThat(run("illusions", "--lay", "leaves-wipe", "--into", production, "--shot", "20").exit()).isZero();
        assertThat(run("breakdown", production, "--shot", "20", "--json").json().get("plates").size()).isGreaterThan(4);
        assertThat(run("illusions", "--keep", "--into", production, "--shot", "20").out()).contains("own");
        assertThat(run("illusions", "--json").json().get("illusions").findValuesAsText("id")).contains("leaves-and-the-bench-is-set");
        assertThat(run("illusions", "--lay", "leaves-wipe").err()).contains("--into");
    }

    @Test
    void aShotListIsOnlyReadUntilItIsToBeAdded() throws Exception {
        Path csv = Files.writeString(home.resolve("list.csv"), "shot,wonder,subject\n30,floats,the lantern\n30,vanishes,x\n");
        JsonNode read = run("shotlist", production, csv, "--json").json();
        assertThat(read.get("shots")).hasSize(1);
        assertThat(read.at("/not_understood/0/text").asText()).isEqualTo("vanishes");
        assertThat(run("breakdown", production, "--shot", "30").exit()).isEqualTo(1);
        assertThat(run("shotlist", production, csv, "--add").out()).contains("Added.").contains("Not understood");
        assertThat(run("breakdown", production, "--shot", "30").exit()).isZero();
        assertThat(run("shotlist", production, home.resolve("gone.csv")).err()).contains("cannot be read");
        assertThat(run("shotlist", production, Files.write(home.resolve("b.csv"), new byte[] {(byte) 0xff, (byte) 0xfe, 0x41, (byte) 0xd8}))
                .err()).contains("UTF-8");
    }

    @Test
    void theSunOfAPlaceAndDayIsToldByTheHour() throws Exception {
        JsonNode o = run("sun", "--lat", "48", "--lon", "11", "--date", "2026-06-21", "--zone", "UTC+2", "--hidden", "230:320:30", "--json")
                .json();
        assertThat(o.get("spans").findValuesAsText("sky")).contains("night", "sun", "shade");
        assertThat(o.get("hours").size()).isBetween(10, 16);
        assertThat(o.get("best_turn_deg").asDouble()).isBetween(3.0, 8.0);
        assertThat(o.get("zone_from").asText()).isEqualTo("told");
        JsonNode own = run("sun", "--lat", "48", "--lon", "11", "--date", "2026-06-21", "--json").json();
        assertThat(own.get("zone").asText()).as("summer time by the place, not Greenwich's").isEqualTo("Europe/Berlin");
        assertThat(own.get("moments").findValuesAsText("what")).contains("sunrise", "sunset");
        assertThat(own.get("moments").toString()).isEqualTo(o.get("moments").toString());
    }

    @ParameterizedTest
    @CsvSource({"95, 11, 2026-06-21, UTC, latitude", "48, 11, tomorrow, UTC, 2026-06-21", "48, 11, 2026-06-21, here, UTC+1"})
    void aPlaceOrDayThatCannotBeIsSaid(String lat, String lon, String date, String zone, String said) {
        Ran r = run("sun", "--lat", lat, "--lon", lon, "--date", date, "--zone", zone);
        assertThat(r.exit()).isEqualTo(1);
        assertThat(r.err()).contains(said).doesNotContain("\tat ");
    }
}
