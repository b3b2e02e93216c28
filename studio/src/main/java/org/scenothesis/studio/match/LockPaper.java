package org.scenothesis.studio.match;

import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.match.Gains;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Take;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.VerdictMark;
import org.scenothesis.studio.watch.WatchModel;

/// The numbers of the lock check on paper, and what they mean below it.
final class LockPaper extends VBox {
    private final WatchModel model;

    LockPaper(WatchModel model) {
        super(8);
        this.model = model;
    }

    void refresh() {
        getChildren().clear();
        VBox paper = new VBox(7);
        paper.getStyleClass().addAll("paper", "on-paper");
        getChildren().add(paper);
        Plate plate = model.plate().orElse(null);
        Take take = model.take().orElse(null);
        if (plate == null || take == null) {
            paper.getChildren().addAll(Text.of(Words.of("lock-paper.no-take-to-compare"), "paper-title"),
                    Text.block(model.unknown(), "paper-text"));
            return;
        }
        paper.getChildren().add(Text.block(plate.name() + ", take " + (plate.takes().indexOf(take) + 1), "paper-title"));
        paper.getChildren().add(Text.block(model.against(), "paper-soft"));
        LockReport r = model.lock().orElse(null);
        if (r == null || !r.found()) {
            paper.getChildren().add(Text.block(model.unknown(), "paper-text"));
            return;
        }
        paper.getChildren().add(numbers(r, r.at(model.session().frame())));
        model.session().judgement(plate, take).findings().stream().filter(f -> f.subject() instanceof Subject.OfTake)
                .forEach(f -> getChildren().add(finding(f)));
    }

    private static GridPane numbers(LockReport r, LockReport.Segment at) {
        Gains gains = at.gains();
        GridPane g = new GridPane(10, 5);
        if (r.segments().size() > 1) {
            Text.row(g, "standing here", "frames " + at.from() + " to " + at.to());
        }
        Text.row(g, "frames placed", r.placedFrames() + " of " + r.frames());
        Text.row(g, Words.of("lock-paper.shift-at-the-centre"), Words.signed(at.shift().x(), 2) + ", " + Words.signed(at.shift().y(), 2)
                + " px");
        Text.row(g, Words.of("lock-paper.most-at-corner"), Words.number(at.largestShiftPx(), 2) + " px");
        Text.row(g, "roll", Words.signed(at.rollDeg(), 3) + "\u00b0");
        Text.row(g, "zoom", Words.signed(at.zoomPercent(), 3) + " %");
        Text.row(g, Words.of("lock-paper.left-after-the-best-warp"), Words.number(at.residualPx(), 2) + " px");
        Text.row(g, "exposure", gains == null ? "not measured" : Words.stops(gains.stops()));
        Text.row(g, "white balance", gains == null ? "not measured" : Words.signed(gains.mired(), 1) + " mired");
        Text.row(g, Words.of("lock-paper.points-that-agree"), Words.number(100 * at.usedShare(), 0) + " %");
        return g;
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
}
