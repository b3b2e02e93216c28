package org.scenothesis.studio.shoot;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.scenothesis.core.finding.Judgement;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.Rows;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.VerdictMark;

/// Whether the set may be struck: every plate's verdict, and how much of it is measured.
final class StrikeList extends VBox {
    private final Session session;
    private final VBox slips = new VBox(4);
    private final Rows rows = new Rows(slips);
    private final Label go = Text.block("", "paper-number");

    StrikeList(Session session) {
        super(6);
        this.session = session;
        ScrollPane pane = new ScrollPane(slips);
        pane.setFitToWidth(true);
        pane.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        pane.getStyleClass().add("paper-scroll");
        pane.setMinHeight(60);
        pane.setPrefHeight(190);
        pane.setMaxHeight(240);
        getStyleClass().addAll("paper", "on-paper");
        getChildren().addAll(Text.of(Words.of("strike-list.before-striking-the-set"), "paper-title"), pane, go);
    }

    private static HBox row(String plate, String words, Verdict v) {
        Label name = Text.of(plate, "paper-text");
        HBox.setHgrow(name, Priority.ALWAYS);
        name.setMaxWidth(Double.MAX_VALUE);
        name.setMinWidth(0);
        Label word = Text.of(words, "paper-soft");
        word.setMinWidth(Region.USE_PREF_SIZE);
        HBox row = new HBox(8, new VerdictMark(v), name, word);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    void refresh() {
        Judgement judgement = session.judgement().get();
        List<Rows.Row> all = new ArrayList<>();
        for (Plate p : session.plates()) {
            Verdict v = judgement.of(p.id()).verdict();
            String word = p.chosen() == null ? "to film" : Words.verdict(v);
            all.add(new Rows.Row(p.id(), List.of(p.name(), word, v), () -> row(p.name(), word, v)));
        }
        // What belongs to no plate: what the plan needs and the shelf lacks.
        judgement.of("").findings().forEach(f -> all.add(new Rows.Row(f, f, () -> new HBox(8, new VerdictMark(f.verdict()),
                Text.block(f.note(), "paper-soft")))));
        rows.show(all);
        Judgement.Known known = judgement.known();
        go.setText(session.plates().isEmpty() ? Words.of("strike-list.no-plates-are-planned") : switch (judgement.go()) {
            case YES -> Words.of("strike-list.go-every-plate-is-there", known.of());
            case NO -> Words.of("strike-list.no-go-yet-film-again");
            case NOT_KNOWN -> Words.of("strike-list.no-go-yet-of-measured", known.measured(), known.of());
        });
    }
}
