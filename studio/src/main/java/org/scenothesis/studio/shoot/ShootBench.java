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
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Take;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Bench;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.Choosers;
import org.scenothesis.studio.parts.ComparisonBar;
import org.scenothesis.studio.parts.Sketch;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.TimeStrip;
import org.scenothesis.studio.watch.WatchModel;
import org.scenothesis.studio.watch.WatchedPicture;

/// Watching takes against the clean plate, the take log, bringing footage in, and the strike list.
public final class ShootBench extends Bench {
    private final WatchModel model;
    private final WatchedPicture picture;
    private final TimeStrip strip = new TimeStrip();
    private final TakeLog log;
    private final PlateForm form;
    private final StrikeList strike;
    private final Needles needles = new Needles();

    public ShootBench(Session session) {
        super(session, BenchName.SHOOT, new HBox(12));
        model = new WatchModel(session, Comparison.TAKE, true);
        picture = new WatchedPicture(model, BenchName.SHOOT, words());
        log = new TakeLog(model);
        form = new PlateForm(session, model::take);
        strike = new StrikeList(session);
        build();
        wire();
    }

    private static Map<Comparison, String> words() {
        Map<Comparison, String> words = new EnumMap<>(Comparison.class);
        words.put(Comparison.TAKE, "Take");
        words.put(Comparison.OVER, Words.of("key-bench.over-clean-plate"));
        words.put(Comparison.DIFFERENCE, "Difference");
        words.put(Comparison.OUTLINE, "Outline");
        return words;
    }

    private void build() {
        strip.setPrefHeight(60);
        VBox left = new VBox(8, picture.bar(), picture.view(), strip);
        HBox.setHgrow(left, Priority.ALWAYS);
        Button bring = Text.button(Words.of("shoot-bench.bring-footage-in"), "floor-button", this::choose);
        bring.setId("bring-in");
        Button all = Text.button("a folder", "floor-button", this::chooseFolder);
        all.setId("bring-folder");
        ScrollPane list = new ScrollPane(log);
        list.setFitToWidth(true);
        list.setPrefHeight(220);
        VBox.setVgrow(list, Priority.ALWAYS);
        VBox right = new VBox(10, form, Text.of("Takes", "heading"), list, Text.block(Words.of("shoot-bench.or-drop-files-or-folders"),
                "muted", "small"), new HBox(8, bring, all), needles, strike);
        right.setMinWidth(330);
        right.setPrefWidth(330);
        right.setMaxWidth(330);
        view.setPadding(new Insets(8, 14, 10, 12));
        view.getChildren().addAll(left, right);
    }

    private void wire() {
        model.whenChanged(this::refresh);
        picture.view().whenSized((w, h) -> picture());
        strip.whenMoved(s -> session.goToFrame(s * session.rate()));
        session.seconds().addListener(o -> {
            strip.at(session.seconds().get());
            picture();
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
        session.bringIn(Choosers.files(view, Words.of("shoot-bench.clips-and-stills-to-bring")));
    }

    private void chooseFolder() {
        Choosers.folder(view, Words.of("shoot-bench.folder-of-clips-and-stills")).ifPresent(f -> session.bringIn(List.of(f)));
    }

    @Override
    public boolean key(KeyEvent e) {
        if (e.getCode() == KeyCode.I) {
            choose();
            return true;
        }
        return picture.key(e.getCode());
    }

    @Override
    public Map<String, String> keys() {
        Map<String, String> keys = new LinkedHashMap<>(ComparisonBar.keys());
        keys.put("I", Words.of("bring-in.bring-footage-in"));
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
        Plate plate = model.plate().orElse(null);
        strip.show(session.shot().seconds(), ribbons(plate), session.shot().beats());
        strip.at(session.seconds().get());
        picture();
    }

    private List<TimeStrip.Ribbon> ribbons(@Nullable Plate plate) {
        Take t = model.take().orElse(null);
        if (plate == null || t == null) {
            return List.of();
        }
        double length = session.measured().get().brief(t).map(b -> b.still() ? session.shot().seconds() : b.seconds()).orElse(0.0);
        String needs = plate.rollSeconds() == 0 ? "" : ", needs " + Words.number(plate.rollSeconds(), 1) + " s";
        return List.of(new TimeStrip.Ribbon(plate.name() + needs, 0, Math.min(length, session.shot().seconds()), plate.spike()));
    }

    private void picture() {
        if (!inView()) {
            return;
        }
        picture.show(new WatchedPicture.Invitation(
                Sketch.TAKES,
                model.plate().isEmpty() ? Words.of("shoot-bench.takes-are-watched-here-against")
                        : Words.of("shoot-bench.this-plate-has-no-take"),
                Words.of("shoot-bench.bring-footage-in"), this::choose));
        needles.show(model.sight() instanceof WatchModel.Sight.Pair ? model.sample().orElse(null) : null);
    }
}
