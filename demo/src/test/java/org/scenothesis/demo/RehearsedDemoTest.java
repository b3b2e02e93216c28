package org.scenothesis.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.Bands;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.rehearsal.Quality;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.Take;
import org.scenothesis.core.shot.step.Key;
import org.scenothesis.media.Footage;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.decode.Footages;
import org.scenothesis.media.encode.VideoFormat;
import org.scenothesis.production.demo.DemoFolder;
import org.scenothesis.production.measure.Judge;
import org.scenothesis.production.measure.Measured;
import org.scenothesis.production.measure.Progress;
import org.scenothesis.production.measure.Stopped;
import org.scenothesis.production.measure.Surveyor;
import org.scenothesis.production.render.RenderJob;
import org.scenothesis.production.render.ShotRenderer;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.production.store.StoreException;

/// The whole job on the shipped demo: survey, judge, render, stop, go on. And the rehearsal that makes such footage, small.
class RehearsedDemoTest {
    @TempDir
    static Path home;

    private static final String APPLICATION = Path.of("..").toAbsolutePath().normalize().toString();

    private static Bands bands;
    private static ProductionFolder folder;
    private static Shot shot;
    private static Measured measured;

    @BeforeAll
    static void survey() throws StoreException {
        System.setProperty("scenothesis.home", APPLICATION);
        bands = Bands.allCores();
        DemoFolder.lay(home.resolve("demo"));
        folder = ProductionFolder.open(home.resolve("demo"));
        // Measured here, not read from what ships.
        System.setProperty("scenothesis.home", home.resolve("nowhere").toString());
        shot = folder.production().shot("12");
        measured = new Surveyor(folder, bands).survey(shot, List.of(), Measured.NOTHING, Progress.NONE, m -> {});
    }

    @AfterAll
    static void close() {
        folder.close();
        bands.close();
    }

    private static Finding finding(String plate, Measure m) {
        return new Judge(folder).of(shot, measured, folder.production().houseRules()).findings().stream()
                .filter(f -> f.plate().equals(plate) && f.measure() == m).findFirst().orElseThrow();
    }

    private static LockReport lock(String take) {
        var clean = shot.plate("clean").orElseThrow();
        return measured.lock(shot, clean, clean.take(take).orElseThrow()).orElseThrow();
    }

    @Test
    void theFlawsOfTheShootAreFound() {
        assertThat(finding("maker", Measure.EXPOSURE).value()).isBetween(-0.16, -0.08);
        assertThat(finding("maker", Measure.EXPOSURE).verdict()).isEqualTo(Verdict.WATCH);
        assertThat(finding("lantern", Measure.SCREEN_EVENNESS).value()).isBetween(0.7, 0.9);
        assertThat(finding("lantern", Measure.CAMERA).verdict()).isEqualTo(Verdict.HOLDS);
        assertThat(lock("clean-1").bumpFrame()).isEqualTo(47);
        assertThat(lock("clean-1").bumpPx()).isBetween(1.0, 2.0);
        assertThat(lock("clean-2").bumpFrame()).isNull();
    }

    @Test
    void theShippedDocumentIsThatOfThisCode() throws Exception {
        assertThat(ProductionFolder.document(Path.of(APPLICATION).resolve("demo/lantern-works"))).isEqualTo(LanternWorks.production());
    }

    /// What ships with the demo is what this code measures; `scenothesis rehearse --out demo/lantern-works --readings` makes it anew.
    @Test
    void theShippedReadingsAreThoseOfThisCode() throws Exception {
        System.setProperty("scenothesis.home", APPLICATION);
        try {
            Path fresh = home.resolve("fresh");
            DemoFolder.lay(fresh);
            try (ProductionFolder f = ProductionFolder.open(fresh)) {
                Measured shipped = new Surveyor(f, bands).survey(shot, List.of(), Measured.NOTHING, Progress.NONE, m -> {});
                for (Plate p : shot.plates()) {
                    assertThat(shipped.key(shot, p)).as(p.id()).isEqualTo(measured.key(shot, p));
                    p.takes().forEach(t -> assertThat(shipped.lock(shot, p, t)).as(p.id() + " " + t.id())
                            .isEqualTo(measured.lock(shot, p, t)));
                }
                assertThat(shipped.key(shot, shot.plate("lantern").orElseThrow())).isPresent();
                assertThat(fresh.resolve(".cache")).isDirectoryNotContaining(p -> p.getFileName().toString().matches("(lock|key|look)-.*"));
            }
        } finally {
            System.setProperty("scenothesis.home", home.resolve("nowhere").toString());
        }
    }

    @Test
    void aSecondSurveyComesFromTheCacheAndIsTheSame() {
        List<Measured> told = new ArrayList<>();
        assertThat(new Surveyor(folder, bands).survey(shot, List.of(), Measured.NOTHING, Progress.NONE, told::add)).isEqualTo(measured);
        assertThat(told).isNotEmpty();
        assertThat(folder.cache()).isDirectoryContaining(p -> p.getFileName().toString().startsWith("lock-"));
    }

    @Test
    void aRenderThatWasStoppedGoesOnWhereItWas() throws Exception {
        Path out = home.resolve("stills");
        try (ShotRenderer r = new ShotRenderer(folder, measured, new Surveyor(folder, bands).contents(), bands)) {
            folder.grantForNow(out);
            RenderJob job = new RenderJob(r, shot, RenderJob.Target.of(out, 60, 62));
            assertThatThrownBy(() -> job.run((done, of) -> done < 2)).isInstanceOf(Stopped.class);
            assertThat(out).isDirectoryContaining("glob:**frame-000061.png");
            Path first = out.resolve("frame-000060.png");
            var made = Files.getLastModifiedTime(first);
            job.run(Progress.NONE);
            assertThat(Files.getLastModifiedTime(first)).isEqualTo(made);
            assertThat(out).isDirectoryContaining("glob:**frame-000062.png");
        }
    }

    @Test
    void theFinishedPictureShowsTheLanternWhereTheCleanPlateHasNone() throws Exception {
        try (ShotRenderer r = new ShotRenderer(folder, measured, new Surveyor(folder, bands).contents(), bands);
                Footage clean = Footages.open(folder.path().resolve("footage/clean-2.mp4"))) {
            Picture done = r.frame(shot, 3.8);
            Picture bare = clean.frame(91);
            int x = (int) (0.616 * done.width());
            int y = (int) (0.39 * done.height());
            assertThat(done.r().at(x, y)).isGreaterThan(bare.r().at(x, y) + 0.1f);
            int far = (int) (0.95 * done.width());
            assertThat(done.r().at(far, 40)).isCloseTo(bare.r().at(far, 40), Offset.offset(0.15f));
        }
    }

    @Test
    void videosAreJoinedAndTheirPartsTidiedAway() throws Exception {
        Path out = home.resolve("clip.webm");
        try (ShotRenderer r = new ShotRenderer(folder, measured, new Surveyor(folder, bands).contents(), bands)) {
            folder.grantForNow(out);
            new RenderJob(r, shot, RenderJob.Target.of(out, 0, 2)).run(Progress.NONE);
        }
        try (Footage f = Footages.open(out)) {
            assertThat(f.info().frames()).isEqualTo(3);
            assertThat(f.info().coding().codec()).isEqualTo("vp9");
        }
        try (var files = Files.list(home)) {
            assertThat(files.map(p -> p.getFileName().toString())).noneMatch(n -> n.endsWith(".frames"));
        }
    }

    @Test
    void anUnknownEndingIsSaid() {
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> RenderJob.Target.of(home.resolve("x.xyz"), 0, 1))
                .withMessageContaining(".webm");
    }

    @Test
    void aMissingPlateIsSaidWhenRendering() {
        Shot without = shot.withPlate("maker", p -> p.withTakes(List.of()));
        try (ShotRenderer r = new ShotRenderer(folder, measured, new Surveyor(folder, bands).contents(), bands)) {
            assertThatExceptionOfType(FootageException.class).isThrownBy(() -> r.frame(without, 1)).withMessageContaining("maker");
            assertThatExceptionOfType(FootageException.class).isThrownBy(() -> r.frame(shot.withLayers(List.of()), 1))
                    .withMessageContaining("no layer");
        }
    }

    @Test
    void missingAndBrokenTakesAreFindings() throws Exception {
        Path broken = folder.path().resolve("footage").resolve("broken.mp4");
        Files.writeString(broken, "nothing");
        Shot s = shot.withPlate("card", p -> p.withTakes(List.of(new Take("b", "footage/broken.mp4", false, ""))))
                .withPlate("lamp", p -> p.withTakes(List.of()));
        Measured m = new Surveyor(folder, bands).survey(s, List.of(), measured, Progress.NONE, x -> {});
        List<Finding> f = new Judge(folder).of(s, m, folder.production().houseRules()).findings();
        assertThat(f).filteredOn(x -> x.plate().equals("card")).extracting(Finding::measure).containsExactly(Measure.BROKEN);
        assertThat(f).filteredOn(x -> x.plate().equals("lamp")).extracting(Finding::measure).containsExactly(Measure.MISSING);
        assertThat(m.brief("footage/broken.mp4").orElseThrow().problem()).contains("broken.mp4");
    }

    @Test
    void aSurveyStopsWhenAsked() throws StoreException {
        try (ProductionFolder other = ProductionFolder.open(home.resolve("demo"), false)) {
            Shot uncached = shot.withLayer("lantern", l -> l.with(new Key(l.key().withSoftnessPx(1.23))));
            assertThatThrownBy(() -> new Surveyor(other, bands).survey(uncached, List.of(), measured, (done, of) -> false, m -> {}))
                    .isInstanceOf(Stopped.class);
        }
    }

    @Test
    void rehearsingFilmsTheTakesAskedForAndWritesTheDocument() throws Exception {
        Path to = home.resolve("rehearsed");
        var wish = new DemoFilming.Wish(128, new Quality(1, 4, 0.5, 1), Set.of("screen-only", "clean-1"), VideoFormat.H264_MP4);
        List<Path> files = DemoFilming.film(to, wish, bands, Progress.NONE);
        assertThat(files).extracting(p -> p.getFileName().toString()).containsExactlyInAnyOrder("screen-only.png", "clean-1.mp4");
        try (Footage f = Footages.open(to.resolve("footage/clean-1.mp4"))) {
            assertThat(f.info().frames()).isEqualTo(96);
            assertThat(f.info().width()).isEqualTo(128);
        }
        try (ProductionFolder p = ProductionFolder.open(to, false)) {
            assertThat(p.production()).isEqualTo(LanternWorks.production());
        }
        assertThatThrownBy(() -> DemoFilming.film(home.resolve("stopped"), wish, bands, (done, of) -> false)).isInstanceOf(Stopped.class);
        assertThat(home.resolve("stopped").resolve("footage")).isEmptyDirectory();
    }
}
