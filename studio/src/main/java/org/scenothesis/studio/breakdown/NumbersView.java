package org.scenothesis.studio.breakdown;

import javafx.geometry.HPos;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import org.scenothesis.core.breakdown.number.Figure;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.VerdictMark;

/// The numbers that follow from the facts, each with its verdict where it judges, and how it comes about.
final class NumbersView extends PageView {
    NumbersView(BreakDownModel model) {
        super(model);
    }

    @Override
    void refresh() {
        box.getChildren().clear();
        if (model.plan().figures().isEmpty()) {
            box.getChildren().add(Text.block("No numbers follow yet.", "muted"));
            return;
        }
        GridPane g = new GridPane();
        g.setHgap(14);
        g.setVgap(7);
        ColumnConstraints name = new ColumnConstraints(210);
        ColumnConstraints value = new ColumnConstraints(84);
        value.setHalignment(HPos.RIGHT);
        ColumnConstraints verdict = new ColumnConstraints(76);
        ColumnConstraints how = new ColumnConstraints();
        how.setHgrow(Priority.ALWAYS);
        g.getColumnConstraints().addAll(name, value, verdict, how);
        int row = 0;
        for (Figure f : model.plan().figures()) {
            PlanWords.Told t = PlanWords.figure(f);
            g.add(Text.block(t.name(), "text-chalk"), 0, row);
            Label number = Text.of(t.value(), "number");
            number.setId("figure-" + f.code());
            g.add(number, 1, row);
            if (f.verdict() != Verdict.NOT_MEASURED) {
                g.add(new HBox(6, new VerdictMark(f.verdict()), Text.of(Words.verdict(f.verdict()), "muted", "small")), 2, row);
            }
            g.add(Text.block(t.how(), "muted"), 3, row++);
        }
        box.getChildren().add(g);
    }
}
