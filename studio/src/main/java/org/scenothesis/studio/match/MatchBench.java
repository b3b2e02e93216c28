package org.scenothesis.studio.match;

import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import javafx.geometry.Insets;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.scenothesis.core.match.Comparison;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Bench;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.ComparisonBar;
import org.scenothesis.studio.parts.Sketch;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.watch.WatchModel;
import org.scenothesis.studio.watch.WatchedPicture;

/// The lock check: a take over its reference, the measured difference frame by frame, and its judgement.
public final class MatchBench extends Bench {
    private final WatchModel model;
    private final WatchedPicture picture;
    private final TakeRow takes;
    private final LockPlots plots;
    private final LockPaper paper;
    private final HBox moved = new HBox(12);
    private final CameraPanel camera;
    private final ColourPanel colour;
    private final BackgroundPanel background;
    private Page page = Page.MOVED;
    private int shownSegment = -1;

    public MatchBench(Session session) {
        super(session, BenchName.MATCH, new VBox(8));
        model = new WatchModel(session, Comparison.DIFFERENCE, false);
        picture = new WatchedPicture(model, BenchName.MATCH, words());
        takes = new TakeRow(model);
        plots = new LockPlots(model);
        paper = new LockPaper(model);
        camera = new CameraPanel(model);
        colour = new ColourPanel(model);
        background = new BackgroundPanel(model);
        build();
        wire();
    }

    private static Map<Comparison, String> words() {
        Map<Comparison, String> words = new EnumMap<>(Comparison.class);
        words.put(Comparison.TAKE, "Take");
        words.put(Comparison.REFERENCE, "Reference");
        words.put(Comparison.OVER, "Over");
        words.put(Comparison.DIFFERENCE, "Difference \u00d74");
        words.put(Comparison.OUTLINE, "Outline");
        return words;
    }

    /// What of matching is looked at.
    private enum Page {
        MOVED(Words.of("match-bench.did-it-move")),
        CAMERA(Words.of("match-bench.camera-and-light")),
        COLOUR(Words.of("match-bench.colour-and-grain")),
        BACKGROUND("As a background");

        private final String words;

        Page(String words) {
            this.words = words;
        }
    }

    private void build() {
        VBox left = new VBox(8, picture.bar(), takes, picture.view(), plots);
        HBox.setHgrow(left, Priority.ALWAYS);
        ScrollPane right = new ScrollPane(paper);
        right.setFitToWidth(true);
        right.setMinWidth(330);
        right.setPrefWidth(330);
        right.setMaxWidth(330);
        moved.getChildren().addAll(left, right);
        ToggleGroup group = new ToggleGroup();
        HBox row = new HBox(4);
        for (Page p : Page.values()) {
            ToggleButton b = new ToggleButton(p.words);
            b.getStyleClass().setAll("toggle-button", "floor-button");
            b.setToggleGroup(group);
            b.setId("match-page-" + p.name().toLowerCase(Locale.ROOT));
            b.setSelected(p == page);
            b.setOnAction(e -> turn(p, b));
            row.getChildren().add(b);
        }
        view.setPadding(new Insets(8, 14, 10, 12));
        view.getChildren().addAll(row, moved, camera, colour, background);
        for (HBox part : List.of(moved, camera, colour, background)) {
            VBox.setVgrow(part, Priority.ALWAYS);
        }
        Text.shown(camera, false);
        Text.shown(colour, false);
        Text.shown(background, false);
    }

    private void turn(Page to, ToggleButton by) {
        by.setSelected(true);
        page = to;
        Text.shown(moved, to == Page.MOVED);
        Text.shown(camera, to == Page.CAMERA);
        Text.shown(colour, to == Page.COLOUR);
        Text.shown(background, to == Page.BACKGROUND);
        refresh();
    }

    @Override
    public List<String> pages() {
        return Stream.of(Page.values()).map(p -> p.name().toLowerCase(Locale.ROOT)).toList();
    }

    @Override
    public void turn(String to) {
        Stream.of(Page.values()).filter(p -> p.name().equalsIgnoreCase(to)).findFirst()
                .ifPresent(p -> ((ToggleButton) view.lookup("#match-page-" + to)).fire());
    }

    private void wire() {
        model.whenChanged(this::refresh);
        picture.view().whenSized((w, h) -> picture());
        session.seconds().addListener(o -> {
            plots.follow();
            if (inView() && segment() != shownSegment) {
                refresh();
            }
            picture();
        });
        session.production().addListener(o -> refresh());
        session.planned().addListener(o -> refresh());
        session.measured().addListener(o -> refresh());
    }

    private int segment() {
        return model.segment().map(LockReport.Segment::from).orElse(-1);
    }

    @Override
    public boolean key(KeyEvent e) {
        return page == Page.MOVED && picture.key(e.getCode());
    }

    @Override
    public Map<String, String> keys() {
        return ComparisonBar.keys();
    }

    @Override
    protected void refresh() {
        if (!inView()) {
            return;
        }
        if (page == Page.CAMERA) {
            camera.refresh();
            return;
        }
        if (page == Page.COLOUR) {
            colour.refresh();
            return;
        }
        if (page == Page.BACKGROUND) {
            background.refresh();
            return;
        }
        takes.refresh();
        shownSegment = segment();
        plots.refresh();
        paper.refresh();
        picture();
    }

    private void picture() {
        if (inView() && page == Page.CAMERA) {
            camera.refresh();
        } else if (inView() && page == Page.MOVED) {
            picture.show(new WatchedPicture.Invitation(
                    Sketch.MATCH, Words.of("match-bench.whether-the-camera-the-light"),
                    Words.of("key-bench.bring-footage-in-on-shoot"), () -> session.bench().set(BenchName.SHOOT)));
        }
    }
}
