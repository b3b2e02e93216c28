package org.scenothesis.production.paper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import biweekly.Biweekly;
import biweekly.ICalendar;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import java.io.StringReader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.breakdown.day.DayPlan;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.shot.Location;
import org.scenothesis.core.shot.Permission;
import org.scenothesis.core.shot.Production;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.illusion.ReadyMadeShot;
import org.scenothesis.production.illusion.ReadyMadeShots;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;
import org.xml.sax.InputSource;

class PaperTest {
    @TempDir
    Path folder;

    private static Production production() {
        List<Shot> shots = new ArrayList<>();
        int number = 12;
        for (String id : List.of("lantern-lifts", "giant-in-the-yard", "maker-on-the-roofs")) {
            ReadyMadeShot i = ReadyMadeShots.shipped().all().stream().filter(x -> x.id().equals(id)).findFirst().orElseThrow();
            shots.add(i.into(new Shot(String.valueOf(number), number++, "", "", 6, List.of(), List.of(), List.of(), List.of(), null)));
        }
        Production p = new Production("Lantern & <Works>", shots, HouseRules.DEFAULT)
                .withDay(d -> d.on("2026-06-21").acknowledging("13/powder", true));
        return p.withShot("13", s -> s.withSetting(x -> x.withPlace(new Location("the yard", 48, 11, "UTC+2", List.of()))))
                .withPermissions(List.of(new Permission("14/sound", "sound", "a field recorder", "the neighbour", "by letter",
                "letters/1.pdf")));
    }

    @Test
    void theBookHasEverythingOnItsPages() throws Exception {
        Path file = folder.resolve("deep").resolve("book.pdf");
        Paper.print(Paper.Kind.BOOK, DayPlan.of(production()), file);
        String text;
        try (var doc = Loader.loadPDF(file.toFile())) {
            assertThat(doc.getNumberOfPages()).isBetween(5, 20);
            text = new PDFTextStripper().getText(doc).replaceAll("\\s+", " ");
        }
        assertThat(text).contains("Lantern & <Works>", "Running order", "Light of the day", "Kit", "Permissions", "the neighbour",
                "Rules of the house", "If you skip it");
        assertThat(text).contains(Words.of("caution.local"), Words.of("caution.stands"), "Read and understood", "Not acknowledged yet");
        assertThat(text).contains("Called: The maker");
        assertThat(text).contains("The maker with the lantern, on screen", "The smoke that hides the moment");
    }

    @Test
    void thePageStandsAloneAndIsWellFormed() throws Exception {
        Path file = folder.resolve("book.html");
        Paper.print(Paper.Kind.BOOK, DayPlan.of(production()), file);
        String html = Files.readString(file);
        var parser = DocumentBuilderFactory.newInstance();
        parser.setFeature("http://apache.org/xml/features/nonvalidating/load-external-dtd", false);
        var doc = parser.newDocumentBuilder().parse(new InputSource(new StringReader(html)));
        assertThat(doc.getElementsByTagName("svg").getLength()).isGreaterThan(20);
        assertThat(html).contains("Lantern &amp; &lt;Works&gt;").doesNotContain("src=\"http").doesNotContain("href=\"http");
    }

    @Test
    void thePreviewIsThePagesThemselves() {
        var pages = Paper.pages(Paper.Kind.BOOK, DayPlan.of(production().withShots(production().shots().subList(0, 1))), 300, 2);
        assertThat(pages).hasSize(2).allSatisfy(p -> assertThat(p.getWidth()).isBetween(299, 301));
    }

    @Test
    void theDayIsOnePageHoweverLongItIs() throws Exception {
        Production three = production();
        List<Shot> many = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            for (Shot s : three.shots()) {
                many.add(s.withId(s.id() + "-" + i));
            }
        }
        for (Production p : List.of(three.withShots(three.shots().subList(0, 1)), three, three.withShots(many))) {
            DayPlan day = DayPlan.of(p);
            Path file = folder.resolve("day.pdf");
            Paper.print(Paper.Kind.DAY, day, file);
            try (var doc = Loader.loadPDF(file.toFile())) {
                assertThat(doc.getNumberOfPages()).isEqualTo(1);
                String text = new PDFTextStripper().getText(doc).replaceAll("\\s+", " ");
                assertThat(text).contains("call 09:00", Words.of("caution.local"), "Camera A");
                day.order().steps().forEach(s -> assertThat(text).contains(PlanWords.clock(day.clock(s))));
            }
        }
    }

    @Test
    void everyPlateThatIsRolledHasASlipFourToAPage() throws Exception {
        DayPlan day = DayPlan.of(production());
        Path file = folder.resolve("slips.pdf");
        Paper.print(Paper.Kind.SLIPS, day, file);
        long plates = day.order().steps().stream().map(s -> s.job().shot() + "/" + s.need().key()).distinct().count();
        try (var doc = Loader.loadPDF(file.toFile())) {
            assertThat(doc.getNumberOfPages()).isEqualTo((int) Math.ceil(plates / 4.0));
            assertThat(new PDFTextStripper().getText(doc).replaceAll("\\s+", " ")).contains("The maker with the lantern", "shot 14");
        }
    }

    @Test
    void theTableHasOneRowPerPlateAndNoFormulas() throws Exception {
        Production p = production().withShot("12", s -> s.withIllusion("floats-1", w -> w.withSubject("=cmd()")));
        DayPlan day = DayPlan.of(p);
        Path file = folder.resolve("plates.csv");
        Paper.plates(day, file);
        try (CSVParser csv = CSVParser.parse(Files.readString(file), CSVFormat.RFC4180.builder().setHeader().setSkipHeaderRecord(true)
                .get())) {
            var rows = csv.getRecords();
            long filmed = day.plans().values().stream().flatMap(x -> x.needs().stream()).filter(n -> n.filmed()).count();
            assertThat(rows).hasSize((int) filmed);
            assertThat(rows).allSatisfy(r -> {
                assertThat(r.get("why")).isNotBlank();
                assertThat(r.get("rolls_at")).matches("\\d\\d:\\d\\d");
                r.forEach(cell -> assertThat(cell).doesNotStartWith("="));
            });
        }
    }

    @Test
    void theCalendarHoldsEveryRollAtItsHour() throws Exception {
        DayPlan day = DayPlan.of(production());
        Path file = folder.resolve("order.ics");
        Paper.calendar(day, file);
        ICalendar c = Biweekly.parse(Files.readString(file)).first();
        assertThat(c.getEvents()).hasSize(day.order().steps().size() + 1);
        assertThat(c.getEvents().getFirst().getDateStart().getValue().toInstant()).isEqualTo(Instant.parse("2026-06-21T07:00:00Z"));
        for (int i = 2; i < c.getEvents().size(); i++) {
            assertThat(c.getEvents().get(i).getDateStart().getValue()).isEqualTo(c.getEvents().get(i - 1).getDateEnd().getValue());
        }
        assertThatThrownBy(() -> Paper.calendar(DayPlan.of(production().withDay(d -> d.on(""))), file)).isInstanceOf(StoreException.class)
                .hasMessageContaining("day of shooting");
    }

    @Test
    void theTreeSaysTheWholePlan() throws Exception {
        Path file = folder.resolve("plan.json");
        Paper.tree(DayPlan.of(production()), file);
        JsonNode o = JsonMapper.builder().build().readTree(file.toFile());
        assertThat(o.at("/shots").size()).isEqualTo(3);
        assertThat(o.at("/shots/0/plates/0/why").asText()).isNotBlank();
        assertThat(o.at("/day/order").size()).isEqualTo(DayPlan.of(production()).order().steps().size());
        assertThat(o.at("/day/light/0/verdict").asText()).isEqualTo("redo");
        assertThat(o.at("/day/permissions").findValuesAsText("complete")).contains("true", "false");
    }

    @Test
    void anUnknownEndingOrAPlaceThatCannotBeWrittenIsSaid() throws Exception {
        DayPlan day = DayPlan.of(production());
        assertThatThrownBy(() -> Paper.print(Paper.Kind.BOOK, day, folder.resolve("book.docx"))).isInstanceOf(StoreException.class)
                .hasMessageContaining(".pdf or .html");
        Path blocked = Files.writeString(folder.resolve("file"), "x").resolve("plates.csv");
        assertThatThrownBy(() -> Paper.plates(day, blocked)).isInstanceOf(StoreException.class)
                .hasMessageContaining("could not be written");
    }

    @Test
    void namesOfAnyCharactersAreLaidOut() throws Exception {
        Production p = production().withShot("12", s -> s.told("a \u0000 <b> \\ \" \ud800 \u706f", "\u0007 & ${title} <#if>", 6));
        Path file = folder.resolve("odd.pdf");
        Paper.print(Paper.Kind.BOOK, DayPlan.of(new Production("x\\\"} \u0001", p.shots(), HouseRules.DEFAULT)), file);
        assertThat(Files.size(file)).isGreaterThan(10_000);
    }

    @Test
    void anEmptyProductionHasABookToo() throws Exception {
        Path file = folder.resolve("empty.pdf");
        Paper.print(Paper.Kind.BOOK, DayPlan.of(new Production("Nothing yet", List.of(), HouseRules.DEFAULT)), file);
        assertThat(Files.size(file)).isPositive();
    }
}
