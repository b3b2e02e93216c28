package org.scenothesis.studio.shoot;

import java.io.File;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.Insets;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.DragEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.match.Comparison;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.DisplayPicture;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Bench;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.Choosers;
import org.scenothesis.studio.parts.ComparisonBar;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.Sketch;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.TimeStrip;

/// Watching takes against the clean plate, the take log, bringing footage in, and the strike list.
public final class ShootBench extends Bench {
    private final PictureView picture = new PictureView("");
    private final TimeStrip strip = new TimeStrip();
    private final TakeLog log;
    private final PlateForm form;
    private final StrikeList strike;
    private final Needles needles = new Needles();
    private final ComparisonBar bar = new ComparisonBar("shoot", words(), Comparison.TAKE, this::frame);

    public ShootBench(Session session) {
        super(session, BenchName.SHOOT, new HBox(12));
        log = new TakeLog(session, this::refresh);
        form = new PlateForm(session, log::take);
        strike = new StrikeList(session);
        build();
        wire();
    }

    private static Map<Comparison, String> words() {
        Map<Comparison, String> words = new EnumMap<>(Comparison.class);
        words.put(Comparison.TAKE, "Take");
        words.put(Comparison.OVER, "Over clean plate");
        words.put(Comparison.DIFFERENCE, "Difference");
        words.put(Comparison.OUTLINE, "Outline");
        return words;
    }

    private void build() {
        VBox.setVgrow(picture, Priority.ALWAYS);
        strip.setPrefHeight(60);
        VBox left = new VBox(8, bar, picture, strip);
        HBox.setHgrow(left, Priority.ALWAYS);
        Button bring = Text.button("Bring footage in", "floor-button", this::choose);
        bring.setId("bring-in");
        Button all = Text.button("a folder", "floor-button", this::chooseFolder);
        all.setId("bring-folder");
        ScrollPane list = new ScrollPane(log);
        list.setFitToWidth(true);
        list.setPrefHeight(220);
        VBox.setVgrow(list, Priority.ALWAYS);
        VBox right = new VBox(10, form, Text.of("Takes", "heading"), list, Text.block("or drop files or folders on the picture", "muted", "small"), new HBox(8, bring, all), needles, strike);
        right.setMinWidth(330);
        right.setPrefWidth(330);
        right.setMaxWidth(330);
        view.setPadding(new Insets(8, 14, 10, 12));
        view.getChildren().addAll(left, right);
    }

    private void wire() {
        picture.whenSized((w, h) -> frame());
        strip.whenMoved(s -> session.goToFrame(s * session.rate()));
        session.seconds().addListener(o -> {
            strip.at(session.seconds().get());
            frame();
        });
        session.plateId().addListener(o -> {
            log.forget();
            refresh();
        });
        session.production().addListener(o -> refresh());
        session.measured().addListener(o -> refresh());
        session.shotId().addListener(o -> refresh());
        view.setOnDragOver(e -> {
            if (e.getDragboard().hasFiles()) {
                e.acceptTransferModes(TransferMode.COPY);
            }
            e.consume();
        });
        view.setOnDragDropped(this::dropped);
    }

    private void dropped(DragEvent e) {
        if (e.getDragboard().hasFiles()) {
            session.bringIn(e.getDragboard().getFiles().stream().map(File::toPath).toList());
            e.setDropCompleted(true);
        }
        e.consume();
    }

    private void choose() {
        session.bringIn(Choosers.files(view, "Clips and stills to bring in"));
    }

    private void chooseFolder() {
        Choosers.folder(view, "A folder of clips and stills to bring in").ifPresent(f -> session.bringIn(List.of(f)));
    }

    @Override
    public boolean key(KeyEvent e) {
        if (e.getCode() == KeyCode.I) {
            choose();
            return true;
        }
        return bar.key(e.getCode());
    }

    @Override
    public Map<String, String> keys() {
        Map<String, String> keys = new LinkedHashMap<>(ComparisonBar.keys());
        keys.put("I", "bring footage in");
        return keys;
    }

    @Override
    protected void refresh() {
        if (!inView()) {
            return;
        }
        log.refresh();
        form.refresh();
        strike.refresh();
        Plate plate = session.plate().orElse(null);
        strip.show(session.shot().seconds(), ribbons(plate), session.shot().beats());
        strip.at(session.seconds().get());
        frame();
    }

    private List<TimeStrip.Ribbon> ribbons(@Nullable Plate plate) {
        Take t = log.take().orElse(null);
        if (plate == null || t == null) {
            return List.of();
        }
        double length = session.measured().get().brief(t).map(b -> b.still() ? session.shot().seconds() : b.seconds()).orElse(0.0);
        String needs = plate.rollSeconds() == 0 ? "" : ", needs " + Words.number(plate.rollSeconds(), 1) + " s";
        return List.of(new TimeStrip.Ribbon(plate.name() + needs, 0, Math.min(length, session.shot().seconds()), plate.spike()));
    }

    private void frame() {
        if (!inView()) {
            return;
        }
        Take t = log.take().orElse(null);
        Plate plate = session.plate().orElse(null);
        FootageSource path = t == null ? null : session.footage(t);
        if (t == null || path == null || plate == null) {
            if (t == null) {
                picture.invite(Sketch.TAKES, plate == null ? "Takes are watched here, against the clean plate. Drop clips on the picture, or bring them in." : "This plate has no take yet. Drop its clip on the picture, or bring it in.", "Bring footage in", this::choose);
            } else {
                picture.say(session.problem(t));
            }
            picture.name("");
            needles.show(null);
            return;
        }
        FootageSource proved = session.reference(plate, t);
        FootageSource reference = proved == null ? path : proved;
        Comparison how = bar.mode();
        double at = session.seconds().get();
        int w = picture.roomWidth();
        int h = picture.roomHeight();
        session.worker().ask(
                "shoot-picture",
                ticket -> {
                    Picture p = session.frames().at(path, at);
                    Picture shown = how == Comparison.TAKE ? p : how.of(p, session.frames().frame(reference, 0), session.bands());
                    return DisplayPicture.of(shown, w, h, session.bands());
                },
                picture::show,
                e -> picture.say(String.valueOf(e.getMessage())));
        picture.name(session.plate().map(Plate::name).orElse("") + ", frame " + session.frame() + (how == Comparison.REFERENCE ? ", clean plate" : ""));
        needles.show(session.measured().get().lock(session.shot(), plate, t).map(this::sample).orElse(null));
    }

    private LockReport.@Nullable Sample sample(LockReport r) {
        int frame = session.frame();
        return r.series().stream().filter(x -> x.frame() == frame).findFirst().orElse(null);
    }
}
