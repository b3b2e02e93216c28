package org.scenothesis.production.begin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.scenothesis.core.shot.FrameFormat;
import org.scenothesis.core.shot.IllusionKind;
import org.scenothesis.core.shot.Production;
import org.scenothesis.production.Lantern;
import org.scenothesis.production.demo.DemoFolder;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.RecentProductions;
import org.scenothesis.production.store.StoreException;

/// Beginning, and what is remembered of it for the next time.
class NewProductionTest {
    @TempDir
    Path home;

    private String before;

    @BeforeEach
    void user() {
        before = System.getProperty("scenothesis.user", "");
        System.setProperty("scenothesis.user", home.resolve("user").toString());
    }

    @AfterEach
    void back() {
        System.setProperty("scenothesis.user", before);
    }

    @Test
    void whatIsToldIsWhatIsOpenedAgain() throws Exception {
        FrameFormat format = new FrameFormat(1920, 1080, 25);
        new NewProduction(" Paper weather ", format, IllusionKind.COPIES).in(home.resolve("a/b")).close();
        try (ProductionFolder again = ProductionFolder.open(home.resolve("a/b"))) {
            Production p = again.production();
            assertThat(p.title()).isEqualTo("Paper weather");
            assertThat(p.shots()).hasSize(1);
            assertThat(p.shots().getFirst().format()).isEqualTo(format);
            assertThat(p.shots().getFirst().illusions().getFirst().kind()).isEqualTo(IllusionKind.COPIES);
        }
    }

    @Test
    void nothingThatIsThereIsWrittenOver() throws Exception {
        Path there = Files.createDirectories(home.resolve("clips"));
        Files.writeString(there.resolve("clip.mp4"), "a clip");
        assertThat(NewProduction.refusal(there)).as("clips may lie there already").isNull();
        assertThat(NewProduction.bare(there)).isFalse();
        assertThat(NewProduction.bare(home.resolve("new"))).isTrue();
        new NewProduction("One", null, null).in(there).close();
        assertThat(there.resolve("clip.mp4")).hasContent("a clip");
        assertThatExceptionOfType(StoreException.class).isThrownBy(() -> new NewProduction("Two", null, null).in(there))
                .withMessageContaining("already");
        assertThatExceptionOfType(StoreException.class).isThrownBy(() -> new NewProduction("Two", null, null).in(there.resolve("clip.mp4")))
                .withMessageContaining("a file");
    }

    @ParameterizedTest
    @CsvSource({"Paper weather, paper-weather", "'  ', untitled", "Über/..\\x?, über-x", "'...', it"})
    void aTitleMakesAFolderNameOfLettersAndDigits(String title, String name) {
        assertThat(NewProduction.folderName(title)).isEqualTo(name);
    }

    @Test
    void whatWasOpenedLastStandsFirstOnceAndCanBeForgotten() {
        Instant now = Instant.parse("2026-11-26T10:00:00Z");
        assertThat(RecentProductions.all()).isEmpty();
        for (int i = 0; i < 20; i++) {
            RecentProductions.opened(home.resolve("p" + i % 15), now.plusSeconds(i), "P " + i);
        }
        assertThat(RecentProductions.all()).hasSize(12).extracting(RecentProductions.Entry::folder)
                .startsWith(home.resolve("p4"), home.resolve("p3")).doesNotHaveDuplicates();
        assertThat(RecentProductions.all().getFirst().opened()).isEqualTo(now.plusSeconds(19));
        assertThat(RecentProductions.all().getFirst().there()).isFalse();
        RecentProductions.forget(home.resolve("p4"));
        assertThat(RecentProductions.all().getFirst().folder()).isEqualTo(home.resolve("p3"));
    }

    @Test
    void aListThatCannotBeReadIsNoReasonToStop() throws Exception {
        Files.createDirectories(home.resolve("user"));
        Files.writeString(home.resolve("user/lately-opened"), "yesterday\t/somewhere\nno tab\n");
        assertThat(RecentProductions.all()).isEmpty();
    }

    @Test
    void theExampleIsPutBackAndWhatWasDoneInItIsKept() throws Exception {
        String home0 = System.getProperty("scenothesis.home", "");
        System.setProperty("scenothesis.home", Path.of("..").toAbsolutePath().normalize().toString());
        try {
            Path own = DemoFolder.own();
            DemoFolder.lay(own);
            try (ProductionFolder f = ProductionFolder.open(own)) {
                f.save(f.production().withTitle("Played with"));
            }
            Files.delete(own.resolve("footage/clean-2.mp4"));
            DemoFolder.putBack(own);
            assertThat(own.resolve("footage/clean-2.mp4")).exists();
            try (ProductionFolder f = ProductionFolder.open(own)) {
                assertThat(f.production()).isEqualTo(Lantern.production());
                assertThat(own.resolve("production.previous.json")).content().contains("Played with");
            }
        } finally {
            System.setProperty("scenothesis.home", home0);
        }
    }
}
