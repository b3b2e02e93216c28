package org.scenothesis.production.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.FootageException;
import org.scenothesis.production.Lantern;
import org.scenothesis.production.measure.Judge;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.render.RenderJob;
import org.scenothesis.production.render.ShotRenderer;
import org.scenothesis.testkit.TinyShoot;

/// A production folder from a stranger, with links laid under every name the program might write or read.
class HostileFolderTest {
    @TempDir
    Path home;

    private Path folder;
    private Path victim;
    private final Bands bands = Bands.sequential();
    private final String user = System.getProperty("scenothesis.user", "");

    @BeforeEach
    void lay() throws Exception {
        System.setProperty("scenothesis.user", home.resolve("user").toString());
        folder = home.resolve("stranger");
        ProductionFolder.create(folder, Lantern.production()).close();
        TinyShoot.film(folder);
        victim = Files.writeString(home.resolve("victim"), "precious");
    }

    @AfterEach
    void close() {
        System.setProperty("scenothesis.user", user);
        bands.close();
    }

    /// - `render`: into `renders` too, as stills and as a film.
    private void use(boolean render) throws Exception {
        try (Store store = new Store(ProductionFolder.open(folder))) {
            Shot shot = store.now().shot("12");
            Surveyor s = new Surveyor(store.folder(), bands);
            Measured m = s.survey(shot, List.of(), Measured.NOTHING, Progress.NONE, t -> {});
            new Judge(store.folder()).of(shot, m, store.now().houseRules());
            store.apply("change", p -> p.withShot("12", q -> q.told("Changed", "", 4)));
            try (ShotRenderer r = new ShotRenderer(store.folder(), m, s.contents(), bands)) {
                for (String to : render ? List.of("X", "X.mkv") : List.<String>of()) {
                    try {
                        new RenderJob(r, shot, RenderJob.Target.of(store.folder().renders().resolve(to), 0, 0)).run(Progress.NONE);
                    } catch (FootageException e) {
                        assertThat(e.getMessage()).matches("(?s).*(outside|not made by this program).*");
                    }
                }
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {
        ".lock", ".lock-owner", "production.json.part", "production.previous.json", "production.previous.json.part", ".cache/contents",
                "renders/X.mkv", "renders/X.mkv.part",
        "renders/X/.rendered", "renders/X/frame-000000.png.part", "renders/X/.making-frame-000000.png"
    })
    void noLinkToAFileIsWrittenThrough(String name) throws Exception {
        Path link = folder.resolve(name);
        Files.createDirectories(link.getParent());
        Files.deleteIfExists(link);
        Files.createSymbolicLink(link, victim);
        use(name.contains("renders"));
        assertThat(Files.readString(victim)).isEqualTo("precious");
    }

    @ParameterizedTest
    @ValueSource(strings = {".cache", "renders", "paper", ".earlier", "renders/X"})
    void noLinkToAFolderIsWrittenInto(String name) throws Exception {
        Path outside = Files.createDirectories(home.resolve("outside"));
        Path link = folder.resolve(name);
        Files.createDirectories(link.getParent());
        Files.createSymbolicLink(link, outside);
        use(name.contains("renders"));
        assertThat(outside).isEmptyDirectory();
        if (!name.contains("/")) {
            try (ProductionFolder f = ProductionFolder.open(folder, false)) {
                assertThat(f.strayLinks()).singleElement().asString().contains(name).contains("leads out");
            }
        }
    }

    @Test
    void footageThatIsALinkOutIsNotReadButNamed() throws Exception {
        Path secret = home.resolve("elsewhere.mp4");
        Files.move(folder.resolve("footage/maker-1.mp4"), secret);
        Files.createSymbolicLink(folder.resolve("footage/maker-1.mp4"), secret);
        try (ProductionFolder f = ProductionFolder.open(folder, false)) {
            Shot shot = f.production().shot("12");
            Measured m = new Surveyor(f, bands).survey(shot, List.of(), Measured.NOTHING, Progress.NONE, t -> {});
            assertThat(new Judge(f).of(shot, m, f.production().houseRules()).findings()).anySatisfy(x -> {
                assertThat(x.measure()).isEqualTo(Measure.BROKEN);
                assertThat(x.plate()).isEqualTo("maker");
                assertThat(x.note()).contains("maker-1.mp4").contains("leads out").contains("elsewhere.mp4");
            });
            try (ShotRenderer r = new ShotRenderer(f, m, new Surveyor(f, bands).contents(), bands)) {
                assertThatExceptionOfType(FootageException.class).isThrownBy(() -> r.frame(shot, 0.1)).withMessageContaining("leads out");
            }
            // Allowed by its user, from now on and not in the document.
            f.grant(secret);
            assertThat(f.refusal(f.footage(new Take("x", "footage/maker-1.mp4", false, "")))).isNull();
        }
        try (ProductionFolder again = ProductionFolder.open(folder, false)) {
            assertThat(again.refusal(folder.resolve("footage/maker-1.mp4"))).isNull();
            assertThat(Files.readString(folder.resolve("production.json"))).doesNotContain("elsewhere.mp4");
        }
    }

    @Test
    void aStillOfAFolderThatIsALinkOutIsNoticedToo() throws Exception {
        Path stills = Files.createDirectories(folder.resolve("footage/stills"));
        Files.createSymbolicLink(stills.resolve("f1.png"), victim);
        try (ProductionFolder f = ProductionFolder.open(folder, false)) {
            assertThat(f.refusal(stills)).contains("f1.png").contains("leads out");
        }
    }

    @Test
    void aProductionFileThatIsALinkOutIsNotOpened() throws Exception {
        Path other = home.resolve("other.json");
        Files.move(folder.resolve("production.json"), other);
        Files.createSymbolicLink(folder.resolve("production.json"), other);
        assertThatExceptionOfType(StoreException.class).isThrownBy(() -> ProductionFolder.open(folder)).withMessageContaining("link");
    }

    @Test
    void footageIsNotBroughtInThroughALink() throws Exception {
        Path outside = Files.createDirectories(home.resolve("outside"));
        Files.walk(folder.resolve("footage")).sorted(Comparator.reverseOrder()).forEach(p -> p.toFile().delete());
        Files.createSymbolicLink(folder.resolve("footage"), outside);
        try (ProductionFolder f = ProductionFolder.open(folder)) {
            assertThatExceptionOfType(StoreException.class).isThrownBy(() -> f.footageFolder().bringIn(victim))
                    .withMessageContaining("outside the production");
        }
        assertThat(outside).isEmptyDirectory();
    }
}
