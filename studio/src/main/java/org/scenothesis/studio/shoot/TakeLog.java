package org.scenothesis.studio.shoot;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.geometry.Side;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.scenothesis.core.finding.Judgement;
import org.scenothesis.core.finding.Verdict;
import org.scenothesis.core.match.LockReport;
import org.scenothesis.core.picture.ColourMatrix;
import org.scenothesis.core.picture.Transfer;
import org.scenothesis.core.shot.ColourInterpretation;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Take;
import org.scenothesis.production.measure.FootageBrief;
import org.scenothesis.production.measure.MissingFootage;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.house.Session;
import org.scenothesis.studio.parts.Choosers;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.VerdictMark;
import org.scenothesis.studio.watch.WatchModel;

/// The takes of the selected plate: what is known of each, which counts, and what can be done about it.
final class TakeLog extends VBox {
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");

    private final Session session;
    private final WatchModel model;
    /// The rows of takes shown, under what their buttons depend on: a row stays while measurements come in, and with it the menu that hangs
    /// from it.
    private final Map<List<?>, Row> rows = new HashMap<>();

    TakeLog(WatchModel model) {
        this.model = model;
        session = model.session();
    }

    private record Row(HBox box, Label facts) {}

    void refresh() {
        List<Node> now = new ArrayList<>();
        Plate plate = session.plate().orElse(null);
        if (plate != null) {
            plate.takes().forEach(t -> now.add(row(plate, t)));
        }
        if (plate == null || plate.takes().isEmpty()) {
            now.add(Text.block(Words.of("take-log.no-take-yet-roll-it"), "muted"));
        }
        rows.values().removeIf(r -> !now.contains(r.box()));
        if (!getChildren().equals(now)) {
            getChildren().setAll(now);
        }
    }

    private Region row(Plate plate, Take t) {
        Optional<FootageBrief> brief = session.measured().get().brief(t);
        boolean there = brief.isEmpty() || Files.exists(session.folder().footage(t));
        Row row = rows.computeIfAbsent(List.of(plate.id(), plate.takes().indexOf(t), t, brief, there), k -> drawn(plate, t, brief));
        row.facts().setText(facts(plate, t, brief));
        row.box().getChildren().set(0, new VerdictMark(verdict(plate, t, brief)));
        row.box().pseudoClassStateChanged(CHOSEN, model.take().filter(o -> o.id().equals(t.id())).isPresent());
        return row.box();
    }

    private Row drawn(Plate plate, Take t, Optional<FootageBrief> brief) {
        Label name = Text.of("Take " + (plate.takes().indexOf(t) + 1) + (t.circled() ? ", circled" : ""), "strong");
        Label facts = Text.block("", "muted", "small");
        VBox words = new VBox(1, name, facts);
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMinWidth(0);
        Button circle = action("circle-", t, t.circled() ? "uncircle" : "circle", () -> {
            session.change("circle a take", s -> s.withPlate(plate.id(), p -> p.circling(t.id())));
            session.measure();
        });
        VBox actions = new VBox(3, circle);
        actions.setAlignment(Pos.CENTER_RIGHT);
        mends(t, brief).forEach(actions.getChildren()::add);
        HBox row = new HBox(8, new Region(), words, actions);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getStyleClass().add("take-row");
        row.setId("take-" + t.id());
        row.setFocusTraversable(true);
        row.setOnMouseClicked(e -> model.look(t));
        row.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER) {
                model.look(t);
            }
        });
        return new Row(row, facts);
    }

    private Verdict verdict(Plate plate, Take t, Optional<FootageBrief> brief) {
        if (brief.filter(b -> !b.usable()).isPresent()) {
            return Verdict.REDO;
        }
        Judgement found = session.judgement(plate, t);
        return found.findings().isEmpty() && brief.isPresent() ? Verdict.HOLDS : found.verdict();
    }

    private String facts(Plate plate, Take t, Optional<FootageBrief> brief) {
        if (brief.filter(b -> !b.usable()).isPresent()) {
            return brief.get().problem();
        }
        StringBuilder s = new StringBuilder();
        brief.ifPresent(b -> s.append(b.still() ? "still" : Words.number(b.seconds(), 1) + " s").append(", ").append(b.width())
                .append("\u00d7").append(b.height()));
        session.measured().get().lock(session.shot(), plate, t).filter(LockReport::found).ifPresent(r -> s.append(", camera ")
                .append(Words.number(r.furthest().largestShiftPx(), 2)).append(" px")
                .append(r.bumpFrame() == null ? "" : " from frame " + r.bumpFrame()));
        session.measured().get().lockTrouble(session.shot(), plate, t).ifPresent(w -> s.append(". ").append(w));
        brief.ifPresent(b -> s.append(". read as ").append(b.read()).append(t.reading().equals(ColourInterpretation.AS_FILED) ? ""
                : ", as entered"));
        if (!t.note().isEmpty()) {
            s.append(". ").append(t.note());
        }
        return s.toString();
    }

    /// What can be done about a take beyond circling it: how it is read, a file that went, a link that leads out.
    private List<Button> mends(Take t, Optional<FootageBrief> brief) {
        if (brief.isEmpty()) {
            return List.of();
        }
        if (brief.get().usable()) {
            Button read = action("reading-", t, "read as\u2026", () -> {});
            read.setOnAction(e -> readings(t).show(read, Side.BOTTOM, 0, 0));
            return List.of(read);
        }
        Path path = session.folder().footage(t);
        if (!Files.exists(path)) {
            return List.of(action("find-", t, Words.of("take-log.find-it-again"), () -> findAgain(t)));
        }
        return session.folder().refusal(path) == null ? List.of()
                : List.of(action("allow-", t, Words.of("take-log.allow-this-place"), () -> allow(path)));
    }

    private static Button action(String id, Take t, String words, Runnable what) {
        Button b = Text.button(words, "floor-button", what);
        b.setId(id + t.id());
        b.setMinWidth(Region.USE_PREF_SIZE);
        return b;
    }

    private void allow(Path path) {
        try {
            session.folder().grant(path);
            session.measure();
        } catch (StoreException e) {
            session.say(String.valueOf(e.getMessage()));
        }
    }

    /// The ways a take can be read: curve, matrix, range, each as the file says or as told.
    private ContextMenu readings(Take t) {
        ContextMenu menu = new ContextMenu();
        menu.getItems().add(choice(Words.of("take-log.as-the-file-says"), t, ColourInterpretation.AS_FILED));
        menu.getItems().add(new SeparatorMenuItem());
        for (Transfer c : Transfer.values()) {
            menu.getItems().add(choice("Curve " + Words.of("curve." + c.name()), t, t.reading().withCurve(c)));
        }
        menu.getItems().add(new SeparatorMenuItem());
        for (ColourMatrix m : ColourMatrix.values()) {
            menu.getItems().add(choice("Matrix " + Words.of("matrix." + m.name()), t, t.reading().withMatrix(m)));
        }
        menu.getItems().add(new SeparatorMenuItem());
        menu.getItems().add(choice("Full range", t, t.reading().withFullRange(true)));
        menu.getItems().add(choice("Limited range", t, t.reading().withFullRange(false)));
        return menu;
    }

    private MenuItem choice(String words, Take t, ColourInterpretation as) {
        MenuItem item = new MenuItem(words + (t.reading().equals(as) ? ", now" : ""));
        item.setOnAction(e -> changeTake(Words.of("take-log.read-take-as-entered"), t, q -> q.read(as)));
        return item;
    }

    private void changeTake(String what, Take t, UnaryOperator<Take> how) {
        session.change(what, s -> s.withTake(t.id(), how));
        session.measure();
    }

    private void findAgain(Take t) {
        Choosers.folder(this, "Where may " + t.footage() + " be?").ifPresent(under -> findAgain(t, under));
    }

    /// Looks for a take's file by name and content under a folder; found outside, it is brought in.
    void findAgain(Take t, Path under) {
        session.worker().ask("find", ticket -> {
            Path found = new MissingFootage(session.folder(), session.surveyor().contents()).find(t, under).orElse(null);
            return found == null ? "" : session.folder().footageFolder().bringIn(found);
        }, at -> {
            if (at.isEmpty()) {
                session.say(Words.of("take-log.no-file-of-this-name", under));
            } else {
                changeTake(Words.of("take-log.find-takes-file-again"), t, q -> q.found(at));
            }
        }, e -> session.say(String.valueOf(e.getMessage())));
    }
}
