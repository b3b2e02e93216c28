package org.scenothesis.studio.house;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.finding.Finding;
import org.scenothesis.core.finding.Judgement;
import org.scenothesis.core.finding.Subject;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.production.store.Store;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Rows;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.VerdictMark;

/// What is found for the selected plate, in one line; unfolds upwards to the full list. Background work and save state at the right.
final class FindingsLine extends VBox {
    private final Session session;
    private final VBox list = new VBox();
    private final Rows lines = new Rows(list);
    private final ScrollPane unfolded = new ScrollPane(list);
    private final HBox line = new HBox(10);
    private final HBox summary = new HBox(8);
    private final Label work = Text.of("", "muted", "small");
    private final ProgressBar bar = new ProgressBar(0);
    private final Button cancel = Text.button("stop", "floor-button", () -> {});
    private final Label saved = Text.of("", "muted");
    private final List<Button> contest = List.of(
            Text.button("keep mine", "floor-button", () -> settle(Store::keepMine)),
            Text.button("take theirs", "floor-button", () -> settle(Store::takeTheirs)),
            Text.button(Words.of("findings-line.save-mine-beside"), "floor-button",
            () -> settle(s -> session().say(Words.of("findings-line.yours-is-in", s.saveMineBeside().getFileName())))));

    private final List<Button> offer = List.of(
            Text.button(Words.of("findings-line.take-up-what-was-not"), "floor-button", () -> session().takeUpUnsaved()),
            Text.button("leave it", "floor-button", () -> session().leaveUnsaved()));

    FindingsLine(Session session) {
        this.session = session;
        line.getStyleClass().add("findings-line");
        line.setMinHeight(40);
        line.setPrefHeight(40);
        line.setAlignment(Pos.CENTER_LEFT);
        summary.setAlignment(Pos.CENTER_LEFT);
        HBox.setHgrow(summary, Priority.ALWAYS);
        summary.setMinWidth(0);
        bar.setPrefWidth(110);
        cancel.setOnAction(e -> session.stopMeasuring());
        for (Region r : new Region[] {work, saved, cancel}) {
            r.setMinWidth(Region.USE_PREF_SIZE);
        }
        line.getChildren().addAll(summary, work, bar, cancel, saved);
        line.getChildren().addAll(contest);
        String[] ids = {"keep-mine", "take-theirs", "save-beside"};
        for (int i = 0; i < ids.length; i++) {
            contest.get(i).setId(ids[i]);
            contest.get(i).setMinWidth(Region.USE_PREF_SIZE);
        }
        line.getChildren().addAll(offer);
        offer.get(0).setId("take-up-unsaved");
        offer.get(1).setId("leave-unsaved");
        offer.forEach(b -> b.setMinWidth(Region.USE_PREF_SIZE));
        unfolded.getStyleClass().add("findings-list");
        unfolded.setFitToWidth(true);
        unfolded.setPrefHeight(270);
        unfolded.setMinHeight(120);
        fold(false);
        summary.setOnMouseClicked(e -> toggle());
        summary.setCursor(Cursor.HAND);
        getChildren().addAll(unfolded, line);
        wire();
    }

    private Session session() {
        return session;
    }

    @FunctionalInterface
    private interface Way {
        void settle(Store store) throws StoreException;
    }

    /// One of the three ways out when another program changed the file.
    private void settle(Way way) {
        try {
            way.settle(session.store());
            session.measure();
        } catch (StoreException e) {
            session.say(String.valueOf(e.getMessage()));
        }
    }

    private void wire() {
        session.judgement().addListener(o -> show());
        session.plateId().addListener(o -> show());
        session.said().addListener(o -> show());
        session.work().addListener(o -> working());
        session.save().addListener(o -> saving());
        session.unsaved().addListener(o -> saving());
        show();
        working();
        saving();
    }

    void toggle() {
        fold(!unfolded.isVisible());
        show();
    }

    boolean isUnfolded() {
        return unfolded.isVisible();
    }

    private void fold(boolean open) {
        unfolded.setVisible(open);
        unfolded.setManaged(open);
    }

    private void show() {
        summary.getChildren().clear();
        Plate plate = session.plate().orElse(null);
        String name = plate == null ? "" : plate.name();
        Judgement mine = plate == null ? Judgement.NONE : session.judgement(plate.id());
        Finding worst = mine.open().stream().findFirst().orElse(null);
        if (!session.said().get().isEmpty()) {
            summary.getChildren().addAll(Text.of(session.said().get(), "strong"),
                    Text.button("put away", "floor-button", () -> session.say("")));
        } else if (worst != null) {
            Words.Sentence s = Words.sentence(worst);
            summary.getChildren().addAll(new VerdictMark(worst.verdict()), Text.of(s.title() + " " + s.value(), "strong"),
                    Text.of(s.meaning(), "muted"));
            int more = mine.open().size() - 1;
            if (more > 0) {
                summary.getChildren().add(Text.of("and " + more + " more", "strong"));
            }
        } else if (!mine.unmeasured().isEmpty()) {
            Judgement.Known known = mine.known();
            String why = mine.unmeasured().stream().map(Finding::note).filter(n -> !n.isEmpty()).findFirst().orElse("");
            summary.getChildren().addAll(
                    new VerdictMark(Verdict.NOT_MEASURED), Text.of(name + ", " + known.measured() + " of " + known.of() + " measured",
                    "strong"), Text.of(why, "muted"));
        } else if (!mine.findings().isEmpty()) {
            summary.getChildren().addAll(new VerdictMark(Verdict.HOLDS), Text.of(name + " holds", "strong"),
                    Text.of(Words.count(mine.findings().size(), "measurement", "measurements"), "muted"));
        } else {
            summary.getChildren().addAll(
                    new VerdictMark(Verdict.NOT_MEASURED), Text.of(plate == null ? Words.of("findings-line.no-plate-yet")
                    : Words.of("findings-line.is-not-measured", plate.name()), "strong"),
                    Text.of(plate == null ? Words.of("findings-line.break-down-says-which-plates") : "", "muted"));
        }
        summary.getChildren().getFirst().setMouseTransparent(session.said().get().isEmpty());
        if (unfolded.isVisible()) {
            rows();
        }
    }

    private void rows() {
        List<Rows.Row> all = new ArrayList<>();
        for (Finding f : session.judgement().get().findings()) {
            String of = session.shot().plate(f.plate()).map(Plate::name).orElse("");
            all.add(new Rows.Row(f, of, () -> row(f)));
        }
        if (all.isEmpty()) {
            all.add(new Rows.Row("none", "", () -> Text.of(Words.of("findings-line.nothing-has-been-measured-yet"), "muted")));
        }
        lines.show(all);
    }

    private static String who(Finding f, @Nullable Plate plate) {
        return plate != null ? plate.name() : f.subject() instanceof Subject.OfProduction ? "the production" : f.plate().isEmpty()
                ? "the shot" : f.plate();
    }

    private Region row(Finding f) {
        Words.Sentence s = Words.sentence(f);
        Plate plate = session.shot().plate(f.plate()).orElse(null);
        Label who = Text.of(who(f, plate), "strong");
        who.setMinWidth(130);
        who.setMaxWidth(130);
        Label what = Text.of(s.title());
        what.setMinWidth(150);
        Label value = Text.of(s.value(), "number");
        value.setMinWidth(96);
        value.setAlignment(Pos.CENTER_RIGHT);
        Label limit = Text.of(s.limit(), "muted", "small");
        limit.setMinWidth(92);
        Label words = Text.block(s.meaning() + (s.remedy().isEmpty() ? "" : " " + s.remedy()) + (s.price().isEmpty() ? ""
                : " (" + s.price() + ")"));
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMinWidth(120);
        words.setMaxWidth(Double.MAX_VALUE);
        Label verdict = Text.of(Words.verdict(f.verdict()));
        verdict.setMinWidth(86);
        HBox row = new HBox(10, new VerdictMark(f.verdict()), verdict, who, what, value, limit, words);
        row.getStyleClass().add("finding-row");
        row.setAlignment(Pos.TOP_LEFT);
        row.setFocusTraversable(true);
        Runnable go = () -> {
            if (!f.plate().isEmpty()) {
                session.plateId().set(f.plate());
            }
            session.bench().set(BenchName.of(f));
        };
        row.setOnMouseClicked(e -> go.run());
        row.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER) {
                go.run();
            }
        });
        return row;
    }

    private void working() {
        Session.Work w = session.work().get();
        boolean on = !w.what().isEmpty();
        for (Node n : new Node[] {work, bar, cancel}) {
            n.setVisible(on);
            n.setManaged(on);
        }
        work.setText(w.what() + (w.share() >= 0 && on ? " " + Math.round(100 * w.share()) + " %" : ""));
        bar.setProgress(w.share());
    }

    private void saving() {
        var s = session.save().get();
        if (s.kind() == Store.SaveState.Kind.FAILED && session.said().get().isEmpty()) {
            session.say(s.sentence());
        } else if (s.kind() == Store.SaveState.Kind.SAVED && session.said().get()
                .contains(Words.of("findings-line.tried-again-by-itself"))) {
            session.say("");
        }
        saved.setText(switch (s.kind()) {
            case SAVED -> "saved";
            case PENDING -> "saving";
            case FAILED -> Words.of("findings-line.not-saved-trying-again");
            case CONTESTED -> "changed outside";
            case READ_ONLY -> "read only";
        });
        saved.setTooltip(s.sentence().isEmpty() ? null : new Tooltip(s.sentence()));
        boolean contested = s.kind() == Store.SaveState.Kind.CONTESTED;
        contest.forEach(b -> shown(b, contested));
        offer.forEach(b -> shown(b, session.unsaved().get() != null && s.kind() != Store.SaveState.Kind.READ_ONLY && !contested));
    }

    private static void shown(Button b, boolean on) {
        b.setVisible(on);
        b.setManaged(on);
    }
}
