package org.scenothesis.studio.key;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.scenothesis.core.key.Neutral;
import org.scenothesis.core.key.ScreenModel;
import org.scenothesis.core.picture.DisplayPicture;
import org.scenothesis.core.picture.Loupe;
import org.scenothesis.core.picture.Point;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.core.shot.step.KeySettings;
import org.scenothesis.core.shot.step.Outline;
import org.scenothesis.demo.LanternWorks;
import org.scenothesis.media.FootageException;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.store.ProductionFolder;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.house.Worker;
import org.scenothesis.testkit.TinyShoot;

/// What Key computes, without a window.
class KeyModelTest {
    @TempDir
    Path folder;

    private Session session;
    private Shot shot;

    @BeforeEach
    void open() throws Exception {
        Path demo = folder.resolve("demo");
        ProductionFolder.create(demo, LanternWorks.production()).close();
        TinyShoot.film(demo);
        session = new Session(ProductionFolder.open(demo), new Worker(Runnable::run));
        shot = session.shot();
    }

    @AfterEach
    void close() {
        session.close();
    }

    private KeyModel.Request request(KeySettings s, List<Point> mask) {
        Plate plate = shot.plate("lantern").orElseThrow();
        return new KeyModel.Request(shot, plate, s, mask, session.footage(plate), 0.2, 0.2, new KeyModel.Room(80, 60, 80, 60));
    }

    private static double meanDifference(DisplayPicture a, DisplayPicture b) {
        assertThat(a.width()).isEqualTo(b.width());
        assertThat(a.height()).isEqualTo(b.height());
        double sum = 0;
        for (int i = 0; i < a.argb().length; i++) {
            for (int shift = 0; shift < 24; shift += 8) {
                sum += Math.abs((a.argb()[i] >> shift & 0xff) - (b.argb()[i] >> shift & 0xff));
            }
        }
        return sum / (3 * a.argb().length);
    }

    @Test
    void everythingTheBenchShowsIsThere() throws Exception {
        KeyModel.Result r = new KeyModel(session).compute(request(KeySettings.DEFAULT, List.of()));
        assertThat(r.over().width()).isEqualTo(80);
        assertThat(r.over().height()).isEqualTo(45);
        assertThat(r.width()).isEqualTo(TinyShoot.WIDTH);
        assertThat(r.source()).isEqualTo(ScreenModel.Source.SCREEN_PLATE);
        assertThat(r.counts()).hasSize(KeyModel.BINS).contains(1.0);
        assertThat(Arrays.stream(r.counts()).boxed()).allMatch(v -> v >= 0 && v <= 1);
        assertThat(r.measures().solid()).isBetween(0.5, 1.8);
        int middle = r.matte().argb()[16 * 80 + 49];
        assertThat(middle & 0xff).as("the ball is solid").isEqualTo(255);
    }

    @Test
    void thePreviewLooksLikeTheResultItStandsFor() throws Exception {
        KeyModel model = new KeyModel(session);
        KeyModel.Request r = request(KeySettings.DEFAULT, List.of());
        assertThat(meanDifference(model.preview(r).over(), model.compute(r).over())).isLessThan(2.0);
        assertThat(meanDifference(model.preview(r).matte(), model.compute(r).matte())).isLessThan(4.0);
    }

    @Test
    void thePreviewFollowsTheCutsTheChokeAndTheOutline() throws Exception {
        KeyModel model = new KeyModel(session);
        DisplayPicture before = model.preview(request(KeySettings.DEFAULT, List.of())).matte();
        DisplayPicture choked = model.preview(request(KeySettings.DEFAULT.withChokePx(4), List.of())).matte();
        assertThat(white(choked)).isLessThan(white(before));
        List<Point> away = List.of(new Point(0, 0), new Point(0.2, 0), new Point(0.2, 0.2), new Point(0, 0.2));
        assertThat(white(model.preview(request(KeySettings.DEFAULT, away)).matte())).isZero();
        assertThat(white(model.preview(request(KeySettings.DEFAULT, List.of())).matte())).as("and back").isEqualTo(white(before));
    }

    private static long white(DisplayPicture s) {
        return Arrays.stream(s.argb()).filter(v -> (v & 0xff) > 200).count();
    }

    @Test
    void anotherMomentIsAnotherPreview() throws Exception {
        KeyModel model = new KeyModel(session);
        KeyModel.Request first = request(KeySettings.DEFAULT, List.of());
        model.preview(first);
        var larger = new KeyModel.Request(first.shot(), first.plate(), first.settings(), first.mask(), first.take(), 0.4, 0.4,
                new KeyModel.Room(160, 90, 40, 30));
        assertThat(model.preview(larger).over().width()).isEqualTo(160);
        assertThat(model.preview(larger).matte().width()).isEqualTo(40);
    }

    @Test
    void aTakeWithoutAScreenIsSaid() {
        Plate lantern = shot.plate("lantern").orElseThrow();
        Shot without = shot.withPlate("screen", p -> p.withTakes(List.of()));
        FootageSource clean = session.footage(shot.plate("clean").orElseThrow());
        var r = new KeyModel.Request(without, lantern, KeySettings.DEFAULT, List.of(), clean, 0, 0, new KeyModel.Room(80, 60, 80, 60));
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> new KeyModel(session).compute(r))
                .withMessageContaining("screen");
        assertThatExceptionOfType(FootageException.class).isThrownBy(() -> new KeyModel(session).preview(r));
    }

    @Test
    void itIsSeenOverGreyCloserAndWithWhatStaysSolid() throws Exception {
        KeyModel model = new KeyModel(session);
        KeyModel.Request plain = request(KeySettings.DEFAULT, List.of());
        List<Point> corner = List.of(new Point(0, 0), new Point(0.3, 0), new Point(0.3, 0.3), new Point(0, 0.3));
        Outline kept = Outline.of(corner, 0).withCounts(Outline.Counts.ALSO);
        var grey = new KeyModel.Request(plain.shot(), plain.plate(), plain.settings(), plain.mask(), plain.take(), 0.2, 0.2, plain.room(),
                new KeyModel.View(KeyModel.Ground.WHITE, Loupe.ALL, List.of(kept), false, false));
        KeyModel.Result r = model.compute(grey);
        assertThat(r.matte().argb()[2 * r.matte().width() + 2]).as("solid in the corner").isEqualTo(0xffffffff);
        assertThat(model.compute(plain).matte().argb()[2 * r.matte().width() + 2]).isEqualTo(0xff000000);
        assertThat(r.over().argb()[r.over().argb().length - 1]).as("white where nothing is").isEqualTo(0xffffffff);
        var close = new KeyModel.Request(plain.shot(), plain.plate(), plain.settings(), plain.mask(), plain.take(), 0.2, 0.2, plain.room(),
                new KeyModel.View(KeyModel.Ground.WHITE, new Loupe(8, new Point(0, 0)), List.of(kept), false, false));
        assertThat(model.preview(close).matte().argb()).as("eight times closer all of the room is solid").containsOnly(0xffffffff);
        Layer l = shot.layer("lantern").orElseThrow();
        Layer solid = KeyModel.solid(l, 0, corner);
        assertThat(KeyModel.solid(solid).orElseThrow().at(0)).isEqualTo(corner);
        assertThat(solid.garbage()).as("what counts stays").isEqualTo(l.garbage());
        assertThat(KeyModel.solid(solid, 0, List.of())).isEqualTo(l);
    }

    @Test
    void itIsSeenBeforeDespillWithItsPartsNamedAndWhereToLookCloser() throws Exception {
        KeyModel model = new KeyModel(session);
        KeyModel.Request plain = request(KeySettings.DEFAULT, List.of());
        var inspected = new KeyModel.Request(plain.shot(), plain.plate(), plain.settings(), plain.mask(), plain.take(), 0.2, 0.2,
                plain.room(), new KeyModel.View(KeyModel.Ground.CHECKER, Loupe.ALL, List.of(), true, true));
        KeyModel.Result r = model.compute(inspected);
        assertThat(Arrays.stream(r.over().argb()).distinct().count()).as("two greys and the ball").isGreaterThan(2);
        assertThat(r.over().argb()[0]).as("checked").isNotEqualTo(r.over().argb()[10]);
        int solid = r.matte().argb()[16 * 80 + 49];
        assertThat(solid >> 16 & 0xff).isGreaterThan(200);
        assertThat(r.matte().argb()[0] & 0xff).isLessThan(40);
        assertThat(r.places()).isNotEmpty().allMatch(p -> p.x() > 0.5 && p.x() < 0.75);
        assertThat(new Loupe(4, r.places().getFirst()).seenAt(new Point(0.5, 0.5), r.width(), r.height(), 80, 45).x())
                .isCloseTo(r.places().getFirst().x(), Offset.offset(0.05));
        assertThat(model.neutral(inspected, new Point(0.02, 0.02)).why()).isEqualTo(Neutral.Why.NOTHING_SOLID);
    }
}
