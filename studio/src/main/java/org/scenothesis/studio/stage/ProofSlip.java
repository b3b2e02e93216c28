package org.scenothesis.studio.stage;

import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.rehearsal.staged.PredictionCheck;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.stage.proof.Proved;
import org.scenothesis.production.words.StageWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.PaperSlip;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.VerdictMark;

/// Will it key, will it sit? What was worked out of the set, line by line, with how to mend it and what it rests on.
final class ProofSlip extends VBox {
    private static final double LIMIT_PX = 60;

    private final Label head = Text.of(Words.of("proof-slip.will-it-key-will-it"), "paper-title");
    private final Label under = Text.of("", "paper-soft");
    private final VBox lines = new VBox(1);
    private final StageModel model;

    ProofSlip(StageModel model) {
        super(4);
        this.model = model;
        setId("stage-findings");
        getStyleClass().addAll("paper", "on-paper");
        setPadding(new Insets(10, 14, 8, 14));
        Region room = new Region();
        HBox.setHgrow(room, Priority.ALWAYS);
        HBox top = new HBox(10, head, room, under);
        top.setAlignment(Pos.BASELINE_LEFT);
        under.setMinWidth(0);
        under.setWrapText(true);
        under.setMinHeight(Region.USE_PREF_SIZE);
        head.setMinWidth(Region.USE_PREF_SIZE);
        ScrollPane scroll = new ScrollPane(lines);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("paper-scroll");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(top, scroll);
        setMinHeight(110);
    }

    void say(String words) {
        under.setText("");
        lines.getChildren().setAll(Text.block(words, "paper-soft"));
    }

    void show(List<Proved> all, List<Proved> compared, Stage stage, String plate) {
        long known = all.stream().filter(Proved::known).count();
        under.setText((plate.isEmpty() ? "" : plate + " \u00b7 ")
                + (known == all.size() ? Words.of("proof-slip.all-follows-from-the-entries")
                : Words.of("proof-slip.of-follow-from-the-entries", known, all.size())));
        lines.getChildren().clear();
        for (Proved p : all) {
            lines.getChildren().add(line(p, compared.stream().filter(c -> c.finding().measure() == p.finding().measure() && c.about()
                    .equals(p.about())).findFirst().orElse(null), stage));
        }
    }

    /// Adds what was foretold beside what was measured, where the plate was rehearsed.
    void filmed(List<PredictionCheck> all) {
        if (all.isEmpty()) {
            return;
        }
        long agree = all.stream().filter(c -> c.agreement() == PredictionCheck.Agreement.AGREES).count();
        Label title = Text.of(Words.of("proof-slip.predicted-for-the-set-as", agree, all.size()), "paper-text");
        title.setPadding(new Insets(8, 0, 2, 0));
        title.setId("stage-foretold");
        lines.getChildren().add(title);
        lines.getChildren().add(row(new Region(), Text.of("", "paper-soft"), Text.of("foretold", "paper-soft"),
                Text.of("measured", "paper-soft"), null));
        for (PredictionCheck c : all) {
            Finding found = c.measured();
            lines.getChildren().add(row(
                    new VerdictMark(found == null ? Verdict.NOT_MEASURED : found.verdict()),
                    Text.of(Words.title(c.measure()), "paper-text"), Text.of(StageWords.foretold(c), "paper-soft"),
                    Text.of(StageWords.measured(c), "paper-number"),
                    Text.block(StageWords.why(c), "paper-soft")));
        }
    }

    private static GridPane row(Node mark, Label name, Label foretold, Label measured, @Nullable Label why) {
        GridPane row = new GridPane();
        row.setHgap(8);
        ColumnConstraints rest = new ColumnConstraints(0, 90, Double.MAX_VALUE);
        rest.setHgrow(Priority.ALWAYS);
        row.getColumnConstraints().addAll(new ColumnConstraints(16), new ColumnConstraints(150, 176, 180), new ColumnConstraints(96), rest);
        row.addRow(0, mark, name, foretold, measured);
        if (why != null) {
            row.add(why, 1, 1, 3, 1);
        }
        row.setPadding(new Insets(2, 6, 2, 4));
        return row;
    }

    private PaperSlip line(Proved p, @Nullable Proved before, Stage stage) {
        Words.Sentence s = Words.sentence(p.finding());
        VerdictMark mark = new VerdictMark(p.finding().verdict());
        Label name = Text.of(s.title(), "paper-text");
        name.setMinWidth(0);
        Label value = Text.of(s.value(), "paper-number");
        String rests = StageWords.rests(p, stage);
        String fix = StageWords.remedy(p);
        Label limit = Text.of(before != null ? "before " + Words.value(before.finding()) : s.limit(), "paper-soft");
        limit.setMinWidth(0);
        // Where there is no room for it its first letter says nothing; the tip has it.
        limit.visibleProperty().bind(limit.widthProperty().greaterThan(LIMIT_PX));
        Label sure = Text.of(rests.isEmpty() ? "" : "assumed", "paper-soft");
        GridPane row = new GridPane();
        row.setHgap(8);
        ColumnConstraints rest = new ColumnConstraints(0, 110, Double.MAX_VALUE);
        rest.setHgrow(Priority.ALWAYS);
        row.getColumnConstraints().addAll(new ColumnConstraints(16), new ColumnConstraints(150, 176, 180), new ColumnConstraints(78), rest,
                new ColumnConstraints(52));
        row.addRow(0, mark, name, value, limit, sure);
        if (!fix.isEmpty()) {
            Label how = Text.block(fix, "paper-soft");
            row.add(how, 1, 1, 4, 1);
        }
        PaperSlip slip = new PaperSlip("proof-line", () -> p.about().stream().reduce((a, b) -> b).ifPresent(model::choose), row);
        slip.setAccessibleText(Words.verdict(p.finding().verdict()) + ": " + StageWords.line(p));
        Text.tip(slip, () -> (p.about().isEmpty() ? "" : StageWords.name(p.about().getFirst(), stage) + ". ") + s.meaning()
                + (s.limit().isEmpty() ? "" : " (" + s.limit() + ")") + (fix.isEmpty() ? "" : " " + s.remedy() + "\n" + fix)
                + (rests.isEmpty() ? "" : "\n" + rests));
        return slip;
    }
}
