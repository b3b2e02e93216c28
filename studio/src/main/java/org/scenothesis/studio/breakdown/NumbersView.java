package org.scenothesis.studio.breakdown;

import java.util.List;
import javafx.geometry.HPos;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.geometry.VPos;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.scenothesis.core.breakdown.camera.CameraCard;
import org.scenothesis.core.breakdown.number.CrowdTable;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.production.words.CardWords;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.VerdictMark;

/// The numbers that follow from the facts, each with its verdict where it judges, and how it comes about.
final class NumbersView extends PageView {
    private static final double CARD = 300;

    NumbersView(BreakDownModel model) {
        super(model);
    }

    @Override
    void refresh() {
        box.getChildren().clear();
        if (model.plan().figures().isEmpty()) {
            box.getChildren().add(Text.block(Words.of("numbers-view.no-numbers-follow-yet"), "muted"));
            return;
        }
        GridPane g = new GridPane();
        g.setHgap(14);
        g.setVgap(7);
        ColumnConstraints name = new ColumnConstraints(210);
        ColumnConstraints value = new ColumnConstraints(84);
        value.setHalignment(HPos.RIGHT);
        ColumnConstraints judged = new ColumnConstraints(76);
        ColumnConstraints how = new ColumnConstraints();
        how.setHgrow(Priority.ALWAYS);
        g.getColumnConstraints().addAll(name, value, judged, how);
        int row = 0;
        for (Figure f : model.plan().figures()) {
            PlanWords.Told t = PlanWords.figure(f);
            g.add(Text.block(t.name(), "text-chalk"), 0, row);
            Label number = Text.of(t.value(), "number");
            number.setId("figure-" + f.code());
            g.add(number, 1, row);
            if (f.verdict() != Verdict.NOT_MEASURED) {
                HBox verdict = new HBox(6, new VerdictMark(f.verdict()), Text.of(Words.verdict(f.verdict()), "muted", "small"));
                verdict.setAlignment(Pos.CENTER_LEFT);
                g.add(verdict, 2, row);
            }
            g.add(Text.block(t.how(), "muted"), 3, row++);
        }
        box.getChildren().add(g);
        model.plan().crowds().forEach(t -> box.getChildren().add(crowd(t)));
        FlowPane cards = new FlowPane(10, 10);
        cards.setId("camera-cards");
        model.plan().cards().forEach(c -> cards.getChildren().add(card(c)));
        box.getChildren().addAll(Text.of("Camera cards", "heading"), cards);
    }

    /// Who of a crowd stands where.
    private static Region crowd(CrowdTable t) {
        GridPane g = new GridPane();
        g.setHgap(16);
        g.setVgap(3);
        g.setPadding(new Insets(8, 12, 10, 12));
        g.getStyleClass().addAll("paper", "on-paper");
        g.setId("crowd");
        g.add(Text.block(CardWords.crowd(t), "paper-text", "strong-ink"), 0, 0, 5, 1);
        int row = 1;
        List<String> heads = CardWords.crowdHeads();
        for (int i = 0; i < heads.size(); i++) {
            ColumnConstraints c = new ColumnConstraints();
            c.setMinWidth(i < heads.size() - 1 ? Region.USE_PREF_SIZE : 0);
            c.setHgrow(i < heads.size() - 1 ? Priority.NEVER : Priority.ALWAYS);
            g.getColumnConstraints().add(c);
            g.add(Text.of(heads.get(i), "paper-soft"), i, row);
        }
        for (List<String> line : CardWords.crowdRows(t)) {
            row++;
            for (int i = 0; i < line.size(); i++) {
                g.add(i < line.size() - 1 ? Text.of(line.get(i), "paper-text") : Text.block(line.get(i), "paper-text"), i, row);
                GridPane.setValignment(g.getChildren().getLast(), VPos.TOP);
            }
        }
        return g;
    }

    private Region card(CameraCard c) {
        VBox card = new VBox(3, Text.of(CardWords.name(c), "paper-text", "strong-ink"));
        CardWords.lines(model.plan(), c).forEach(l -> card.getChildren().add(Text.block(l, "paper-text")));
        card.getStyleClass().addAll("paper", "on-paper");
        card.setPadding(new Insets(8, 12, 10, 12));
        card.setPrefWidth(CARD);
        card.setId("card-" + c.group());
        return card;
    }
}
