package org.scenothesis.studio.match;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import javafx.geometry.HPos;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.finding.Measure;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.match.Comparison;
import org.scenothesis.core.match.Gains;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.DisplayPicture;
import org.scenothesis.core.picture.Picture;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Take;
import org.scenothesis.media.FootageSource;
import org.scenothesis.production.measure.Reference;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Bench;
import org.scenothesis.studio.house.BenchName;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.ComparisonBar;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.SeriesPlot;
import org.scenothesis.studio.parts.Sketch;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.VerdictMark;

/// The lock check: a take over its reference, the measured difference frame by frame, and its judgement.
public final class MatchBench extends Bench {
    private final PictureView picture = new PictureView("");
    private final SeriesPlot shift = new SeriesPlot();
    private final SeriesPlot light = new SeriesPlot();
    private final VBox numbers = new VBox(8);
    private final FlowPane takes = new FlowPane(4, 4);
    private final ComparisonBar bar = new ComparisonBar("match", words(), Comparison.DIFFERENCE, this::frame);
    private @Nullable String looked;
    private int shownSegment = -1;

    public MatchBench(Session session) {
        super(session, BenchName.MATCH, new HBox(12));
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

    private void build() {
        VBox.setVgrow(picture, Priority.ALWAYS);
        shift.setPrefHeight(120);
        shift.setMinHeight(110);
        light.setPrefHeight(92);
        light.setMinHeight(84);
        VBox left = new VBox(8, bar, takes, picture, shift, light);
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
            if (inView() && segment() != shownSegment) {
                refresh();
            }
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

    /// Which stretch between bumps the frame lies in.
    private int segment() {
        Plate p = session.plate().orElse(null);
        Take t = take();
        LockReport r = p == null || t == null ? null : session.measured().get().lock(session.shot(), p, t).orElse(null);
        return r == null || !r.found() ? -1 : r.at(session.frame()).from();
    }

    private @Nullable Take take() {
        Plate p = session.plate().orElse(null);
        return p == null ? null : p.take(looked).orElse(p.chosen());
    }

    private boolean own(Plate plate, Take take) {
        return Reference.of(session.shot(), plate, take).filter(r -> r.kind() == Reference.Kind.OWN_START).isPresent();
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
        takes.setManaged(!takes.getChildren().isEmpty());
        LockReport r = take == null || plate == null ? null : session.measured().get().lock(session.shot(), plate, take).orElse(null);
        shownSegment = segment();
        plots(r);
        numbers(plate, take, r);
        frame();
    }

    /// One value per frame; what could not be measured, or was not yet, is a gap.
    private static double[] values(@Nullable LockReport r, Function<LockReport.Sample, @Nullable Double> of) {
        double[] out = new double[r == null ? 0 : r.frames()];
        Arrays.fill(out, Double.NaN);
        for (LockReport.Sample s : r == null ? List.<LockReport.Sample>of() : r.series()) {
            Double v = of.apply(s);
            if (v != null && s.frame() < out.length) {
                out[s.frame()] = v;
            }
        }
        return out;
    }

    private void plots(@Nullable LockReport r) {
        HouseRules rules = session.store().now().houseRules();
        int bump = r == null || r.bumpFrame() == null ? -1 : r.bumpFrame();
        shift.show("Shift at the centre", "px", List.of(
                new SeriesPlot.Series("sideways", "plot-line-a", values(r, LockReport.Sample::x)),
                new SeriesPlot.Series("down", "plot-line-b", values(r, LockReport.Sample::y))), rules.limit(Measure.CAMERA).holds(), bump);
        light.show("Exposure against the reference", "stop", List.of(
                new SeriesPlot.Series("brighter", "plot-line-c", values(r, LockReport.Sample::exposureStops))),
                rules.limit(Measure.EXPOSURE).holds(), -1);
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
                against(plate, take), "paper-soft"));
        if (r == null) {
            paper.getChildren().add(Text.block(
                    session.measured().get().brief(take).filter(b -> !b.usable()).map(b -> b.problem())
                            .or(() -> session.measured().get().lockTrouble(session.shot(), plate, take))
                            .orElse(Reference.of(session.shot(), plate, take).isEmpty() ? "There is no clean plate to compare with." : "Not measured yet."), "paper-text"));
            return;
        }
        if (!r.found()) {
            paper.getChildren().add(Text.block("Too little of the set is seen again in this take; the camera cannot be placed.", "paper-text"));
            return;
        }
        LockReport.Segment at = r.at(session.frame());
        Gains gains = at.gains();
        GridPane g = new GridPane(10, 5);
        if (r.segments().size() > 1) {
            row(g, "standing here", "frames " + at.from() + " to " + at.to());
        }
        row(g, "frames placed", r.placedFrames() + " of " + r.frames());
        row(g, "shift at the centre", Words.signed(at.shift().x(), 2) + ", " + Words.signed(at.shift().y(), 2) + " px");
        row(g, "most at a corner", Words.number(at.largestShiftPx(), 2) + " px");
        row(g, "roll", Words.signed(at.rollDeg(), 3) + "\u00b0");
        row(g, "zoom", Words.signed(at.zoomPercent(), 3) + " %");
        row(g, "left after the best warp", Words.number(at.residualPx(), 2) + " px");
        row(g, "exposure", gains == null ? "not measured" : Words.stops(gains.stops()));
        row(g, "white balance", gains == null ? "not measured" : Words.signed(gains.mired(), 1) + " mired");
        row(g, "points that agree", Words.number(100 * at.usedShare(), 0) + " %");
        paper.getChildren().add(g);
        for (Finding f : session.judgement(plate, take).findings().stream().filter(f -> f.subject() instanceof Subject.OfTake).toList()) {
            numbers.getChildren().add(finding(f));
        }
    }

    private String against(Plate plate, Take take) {
        return own(plate, take) ? "against its own beginning, so both its ends are compared"
                : Reference.of(session.shot(), plate, take).map(r -> "against " + r.plate().name().toLowerCase(Locale.ROOT) + ", take " + (r.plate().takes().indexOf(r.take()) + 1))
                        .orElse("nothing to compare with");
    }

    private static void row(GridPane g, String name, String value) {
        Label v = Text.of(value, "paper-number");
        GridPane.setHalignment(v, HPos.RIGHT);
        GridPane.setHgrow(v, Priority.ALWAYS);
        g.addRow(g.getRowCount(), Text.of(name, "paper-text"), v);
    }

    private static Node finding(Finding f) {
        Words.Sentence s = Words.sentence(f);
        Label title = Text.of(s.title(), "strong");
        HBox.setHgrow(title, Priority.ALWAYS);
        title.setMaxWidth(Double.MAX_VALUE);
        HBox head = new HBox(8, new VerdictMark(f.verdict()), title, Text.of(s.value(), "number"));
        head.setAlignment(Pos.CENTER_LEFT);
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
        FootageSource path = take == null ? null : session.footage(take);
        FootageSource reference = plate == null || take == null ? null : session.reference(plate, take);
        if (plate == null || path == null || reference == null) {
            if (take == null) {
                picture.invite(Sketch.MATCH, "Whether the camera, the light and the colour stayed is proved here, frame by frame, as soon as there is a take.", "Bring footage in on Shoot", () -> session.bench().set(BenchName.SHOOT));
            } else {
                picture.say(path == null ? session.problem(take) : "There is no clean plate to compare with yet.");
            }
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
                    return DisplayPicture.of(how == Comparison.TAKE ? p : how.of(p, session.frames().frame(reference, 0), session.bands()), w, h, session.bands());
                },
                picture::show,
                e -> picture.say(String.valueOf(e.getMessage())));
        picture.name((how == Comparison.REFERENCE ? "Reference" : plate.name() + ", frame " + session.frame())
                + (how == Comparison.DIFFERENCE ? ", difference \u00d74, grey is none" : how == Comparison.OUTLINE ? ", reference outlined" : ""));
    }
}
