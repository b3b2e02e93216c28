package org.scenothesis.studio.match;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.match.LockJudge;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Take;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Bench;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.Comparison;
import org.scenothesis.studio.parts.ComparisonBar;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.SeriesPlot;
import org.scenothesis.studio.parts.Shown;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.VerdictMark;

/// The lock check: a take over its reference, the measured difference frame by frame, and its judgement.
public final class MatchBench extends Bench {
    private final PictureView picture = new PictureView("");
    private final SeriesPlot shift = new SeriesPlot();
    private final SeriesPlot light = new SeriesPlot();
    private final VBox numbers = new VBox(8);
    private final HBox takes = new HBox(4);
    private final ComparisonBar bar = new ComparisonBar("match", words(), Comparison.DIFFERENCE, this::frame);
    private @Nullable String looked;

    public MatchBench(Session session) {
        super(session, BenchName.MATCH, new HBox(12));
        build();
        wire();
    }

    private static Map<Comparison, String> words() {
        Map<Comparison, String> words = new java.util.EnumMap<>(Comparison.class);
        words.put(Comparison.TAKE, "Take");
        words.put(Comparison.REFERENCE, "Reference");
        words.put(Comparison.OVER, "Over");
        words.put(Comparison.DIFFERENCE, "Difference \u00d74");
        words.put(Comparison.OUTLINE, "Outline");
        return words;
    }

    private void build() {
        javafx.scene.layout.Region gap = new javafx.scene.layout.Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        bar.getChildren().addAll(gap, takes);
        VBox.setVgrow(picture, Priority.ALWAYS);
        shift.setPrefHeight(120);
        shift.setMinHeight(110);
        light.setPrefHeight(92);
        light.setMinHeight(84);
        VBox left = new VBox(8, bar, picture, shift, light);
        HBox.setHgrow(left, Priority.ALWAYS);
        ScrollPane right = new ScrollPane(numbers);
        right.setFitToWidth(true);
        right.setMinWidth(330);
        right.setPrefWidth(330);
        right.setMaxWidth(330);
        view.setPadding(new Insets(8, 14, 10, 12));
        view.getChildren().addAll(left, right);
    }

    private void wire() {
        picture.whenSized((w, h) -> frame());
        shift.whenMoved(session::goToFrame);
        light.whenMoved(session::goToFrame);
        session.seconds().addListener(o -> {
            shift.at(session.frame());
            light.at(session.frame());
            frame();
        });
        session.plateId().addListener(o -> {
            looked = null;
            refresh();
        });
        session.production().addListener(o -> refresh());
        session.measured().addListener(o -> refresh());
    }

    @Override
    public boolean key(KeyEvent e) {
        return bar.key(e.getCode());
    }

    @Override
    public Map<String, String> keys() {
        return ComparisonBar.keys();
    }

    private @Nullable Take take() {
        Plate p = session.plate().orElse(null);
        return p == null ? null : p.take(looked).orElse(p.chosen());
    }

    private @Nullable Path reference(Plate plate, Take take) {
        return plate.role() == PlateRole.CLEAN ? session.footage(take) : session.surveyor().reference(session.shot()).orElse(null);
    }

    @Override
    protected void refresh() {
        if (!inView()) {
            return;
        }
        Plate plate = session.plate().orElse(null);
        Take take = take();
        takes.getChildren().clear();
        if (plate != null && plate.takes().size() > 1) {
            ToggleGroup group = new ToggleGroup();
            for (Take t : plate.takes()) {
                ToggleButton b = new ToggleButton("Take " + (plate.takes().indexOf(t) + 1));
                b.getStyleClass().setAll("toggle-button", "floor-button");
                b.setId("match-" + t.id());
                b.setToggleGroup(group);
                b.setSelected(take != null && t.id().equals(take.id()));
                b.setOnAction(e -> {
                    looked = t.id();
                    refresh();
                });
                takes.getChildren().add(b);
            }
        }
        LockReport r = take == null ? null : session.measured().get().lock(take.footage()).orElse(null);
        plots(r);
        numbers(plate, take, r);
        frame();
    }

    private void plots(@Nullable LockReport r) {
        HouseRules rules = session.store().now().houseRules();
        List<LockReport.Sample> s = r == null ? List.of() : r.series();
        int bump = r == null || r.bumpFrame() == null ? -1 : r.bumpFrame();
        shift.show("Shift at the centre", "px", List.of(
                new SeriesPlot.Series("sideways", "plot-line-a", s.stream().mapToDouble(LockReport.Sample::x).toArray()),
                new SeriesPlot.Series("down", "plot-line-b", s.stream().mapToDouble(LockReport.Sample::y).toArray())), rules.shiftPx().holds(), bump);
        light.show("Exposure against the reference", "stop", List.of(
                new SeriesPlot.Series("brighter", "plot-line-c", s.stream().mapToDouble(LockReport.Sample::exposureStops).toArray())),
                rules.exposureStops().holds(), -1);
        shift.at(session.frame());
        light.at(session.frame());
    }

    private void numbers(@Nullable Plate plate, @Nullable Take take, @Nullable LockReport r) {
        numbers.getChildren().clear();
        VBox paper = new VBox(7);
        paper.getStyleClass().addAll("paper", "on-paper");
        numbers.getChildren().add(paper);
        if (plate == null || take == null) {
            paper.getChildren().addAll(Text.of("No take to compare", "paper-title"), Text.block("Choose a plate with a take on the shelf, or bring one in on Shoot.", "paper-text"));
            return;
        }
        paper.getChildren().add(Text.block(plate.name() + ", take " + (plate.takes().indexOf(take) + 1), "paper-title"));
        paper.getChildren().add(Text.block(
                plate.role() == PlateRole.CLEAN ? "against its own beginning" : "against the clean plate", "paper-soft"));
        if (r == null) {
            paper.getChildren().add(Text.block(
                    session.measured().get().brief(take.footage()).filter(b -> !b.usable()).map(b -> b.problem()).orElse("Not measured yet."), "paper-text"));
            return;
        }
        GridPane g = new GridPane(10, 5);
        row(g, "shift at the centre", Words.signed(r.shift().x(), 2) + ", " + Words.signed(r.shift().y(), 2) + " px");
        row(g, "most at a corner", Words.number(r.largestShiftPx(), 2) + " px");
        row(g, "roll", Words.signed(r.rollDeg(), 3) + "\u00b0");
        row(g, "zoom", Words.signed(r.zoomPercent(), 3) + " %");
        row(g, "left after the best warp", Words.number(r.residualPx(), 2) + " px");
        row(g, "exposure", Words.stops(r.exposureStops()));
        row(g, "white balance", Words.signed(r.gains().mired(), 1) + " mired");
        row(g, "points that agree", Words.number(100 * r.usedShare(), 0) + " %");
        paper.getChildren().add(g);
        boolean byDesign = plate.role().lightDiffersByDesign();
        for (Finding f : LockJudge.judge(r, plate.id(), session.store().now().houseRules(), byDesign)) {
            numbers.getChildren().add(finding(f));
        }
    }

    private static void row(GridPane g, String name, String value) {
        Label v = Text.of(value, "paper-number");
        GridPane.setHalignment(v, javafx.geometry.HPos.RIGHT);
        GridPane.setHgrow(v, Priority.ALWAYS);
        g.addRow(g.getRowCount(), Text.of(name, "paper-text"), v);
    }

    private static Node finding(Finding f) {
        Words.Sentence s = Words.sentence(f);
        Label title = Text.of(s.title(), "strong");
        HBox.setHgrow(title, Priority.ALWAYS);
        title.setMaxWidth(Double.MAX_VALUE);
        HBox head = new HBox(8, new VerdictMark(f.verdict()), title, Text.of(s.value(), "number"));
        head.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        VBox box = new VBox(2, head, Text.block(s.meaning(), "muted", "small"));
        if (!s.remedy().isEmpty()) {
            box.getChildren().add(Text.block(s.remedy(), "small"));
        }
        return box;
    }

    private void frame() {
        if (!inView()) {
            return;
        }
        Plate plate = session.plate().orElse(null);
        Take take = take();
        Path path = take == null ? null : session.footage(take);
        Path reference = plate == null || take == null ? null : reference(plate, take);
        if (path == null || reference == null) {
            picture.say(take == null ? "No take to compare."
                    : path == null ? session.problem(take) : "There is no clean plate to compare with yet.");
            picture.name("");
            return;
        }
        Comparison how = bar.mode();
        double at = session.seconds().get();
        int w = picture.roomWidth();
        int h = picture.roomHeight();
        session.worker().ask(
                "match-picture",
                ticket -> {
                    Picture p = session.frames().at(path, at);
                    return Shown.of(how == Comparison.TAKE ? p : how.of(p, session.frames().frame(reference, 0), session.bands()), w, h, session.bands());
                },
                picture::show,
                e -> picture.say(String.valueOf(e.getMessage())));
        picture.name((how == Comparison.REFERENCE ? "Reference" : plate.name() + ", frame " + session.frame())
                + (how == Comparison.DIFFERENCE ? ", difference \u00d74, grey is none" : how == Comparison.OUTLINE ? ", reference outlined" : ""));
    }
}
