package org.scenothesis.studio.house;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.PlateRole;
import org.scenothesis.core.shot.Plates;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.incoming.FileProbe;
import org.scenothesis.production.incoming.Incoming;
import org.scenothesis.production.incoming.Proposal;
import org.scenothesis.production.incoming.Proposals;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.PictureView;
import org.scenothesis.studio.parts.Text;

/// The slip on which files become takes: for each the plate that is proposed and why, to be corrected with one key.
final class BringIn extends StackPane {
    private static final String LANE = "bring-in";

    private final Session session;
    private final Runnable close;
    private final Label head = Text.of("", "paper-title");
    private final VBox rows = new VBox(2);
    private final CheckBox copied = new CheckBox(Words.of("bring-in.copy-them-into-the-productions"));
    private final Button bring = Text.button("Bring in", "paper-button", this::bring);
    private final List<Row> files = new ArrayList<>();

    BringIn(Session session, Runnable close) {
        this.session = session;
        this.close = close;
        getStyleClass().add("overlay");
        copied.setSelected(true);
        copied.setId("bring-copied");
        bring.setId("bring-go");
        Button not = Text.button("Not now", "paper-link", this::leave);
        not.setId("bring-not");
        ScrollPane list = new ScrollPane(rows);
        list.setFitToWidth(true);
        list.getStyleClass().add("paper-scroll");
        VBox.setVgrow(list, Priority.ALWAYS);
        HBox foot = new HBox(10, bring, not, copied);
        foot.setAlignment(Pos.CENTER_LEFT);
        VBox box = new VBox(10, head, list, foot);
        box.getStyleClass().add("paper");
        box.setMaxSize(860, 560);
        StackPane.setMargin(box, new Insets(40));
        getChildren().add(box);
        addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                leave();
                e.consume();
            } else if (e.getCode() == KeyCode.ENTER && !(e.getTarget() == not)) {
                bring();
                e.consume();
            }
        });
    }

    /// What one file may become; the words are what is chosen by.
    private record Choice(String words, Proposal as) {
        @Override
        public String toString() {
            return words;
        }
    }

    private record Row(ComboBox<Choice> plate) {}

    void look(List<Path> given) {
        head.setText(Words.of("bring-in.looking-at-what-comes-in"));
        rows.getChildren().setAll(Text.block("", "paper-soft"));
        bring.setDisable(true);
        requestFocus();
        Shot shot = session.shot();
        LatestTask<String> told = new LatestTask<>(session.worker(), head::setText);
        session.worker().ask(LANE, ticket -> new Incoming(session.folder(), session.bands()).propose(shot, given, (at, of) -> {
            told.tell(Words.of("bring-in.looking-at-file-of", (at + 1), of), ticket);
            return ticket.wanted();
        }), this::proposed, e -> {
            session.say(String.valueOf(e.getMessage()));
            leave();
        });
    }

    private void proposed(List<Proposal> all) {
        long used = all.stream().filter(Proposal::taken).count();
        String rest = used < all.size() ? Words.of("bring-in.cannot-be-used", (all.size() - used)) : "";
        head.setText(used == 0 ? Words.of("bring-in.none-of-these-files-can") : "Bring " + Words.count(used, "file", "files") + " in"
                + rest);
        rows.getChildren().clear();
        all.forEach(p -> rows.getChildren().add(p.taken() ? row(p) : unusable(p)));
        bring.setDisable(used == 0);
        if (files.isEmpty()) {
            requestFocus();
        } else {
            files.getFirst().plate().requestFocus();
        }
    }

    private static Node unusable(Proposal p) {
        VBox words = new VBox(Text.of(String.valueOf(p.seen().file().getFileName()), "paper-text", "strong-ink"),
                Text.block(p.seen().problem(), "paper-soft"));
        words.setPadding(new Insets(4, 0, 4, 0));
        return words;
    }

    private Node row(Proposal p) {
        ComboBox<Choice> plate = new ComboBox<>();
        plate.getItems().setAll(choices(p));
        plate.getSelectionModel().select(0);
        plate.setId("bring-plate-" + files.size());
        plate.setAccessibleText("plate of " + p.seen().file().getFileName());
        plate.setPrefWidth(270);
        plate.setMinWidth(270);
        files.add(new Row(plate));
        Label why = Text.of("", "paper-soft");
        Runnable say = () -> why.setText(Words.of("incoming.why." + plate.getValue().as().why().name()));
        plate.valueProperty().addListener(o -> say.run());
        say.run();
        VBox words = new VBox(1, Text.of(String.valueOf(p.seen().file().getFileName()), "paper-text", "strong-ink"),
                Text.of(facts(p.seen()), "paper-soft"));
        if (!p.seen().fault().isEmpty()) {
            words.getChildren().add(Text.block(p.seen().fault(), "paper-redo"));
        }
        words.setMinWidth(0);
        HBox.setHgrow(words, Priority.ALWAYS);
        VBox choice = new VBox(1, plate, why);
        choice.setMinWidth(Region.USE_PREF_SIZE);
        HBox row = new HBox(14, picture(p.seen()), words, choice);
        row.setAlignment(Pos.CENTER_LEFT);
        row.setPadding(new Insets(4, 0, 4, 0));
        return row;
    }

    private static Node picture(FileProbe s) {
        StackPane box = new StackPane();
        box.getStyleClass().add("thumb-dark");
        box.setMinSize(Slip.PICTURE_W, Slip.PICTURE_H);
        box.setMaxSize(Slip.PICTURE_W, Slip.PICTURE_H);
        if (s.small() != null) {
            ImageView image = new ImageView(PictureView.image(s.small()));
            image.setPreserveRatio(true);
            image.setFitWidth(Slip.PICTURE_W);
            image.setFitHeight(Slip.PICTURE_H);
            box.getChildren().add(image);
        }
        return box;
    }

    private static String facts(FileProbe s) {
        String length = s.still() ? "still" : Words.number(s.seconds(), 1) + " s";
        String cloth = s.cloth() < 0.02 ? "" : ", cloth in " + Math.round(s.cloth() * 100) + " % of it";
        return length + ", " + s.width() + "\u00d7" + s.height() + cloth;
    }

    /// What is proposed, then nothing, then the tray, then every plate there is, then a new one of every role.
    private List<Choice> choices(Proposal p) {
        List<Choice> out = new ArrayList<>();
        Shot shot = session.shot();
        boolean tray = p.role() == PlateRole.UNSORTED;
        String about = ", " + Words.of("role.short." + p.role().name());
        out.add(new Choice(tray ? p.name() + about : shot.plate(p.plate()).isPresent() ? p.name() : "new: " + p.name() + about, p));
        out.add(new Choice(Words.of("bring-in.leave-it-out"), p.left()));
        if (!tray) {
            out.add(new Choice(Words.of("bring-in.the-tray-to-be-sorted"), p.later()));
        }
        for (Plate q : shot.plates()) {
            if (!q.id().equals(p.plate()) && q.role() != PlateRole.UNSORTED) {
                out.add(new Choice(q.name(), p.told(q.id(), q.role(), q.name())));
            }
        }
        for (PlateRole r : PlateRole.values()) {
            if (r != PlateRole.UNSORTED && (r != p.role() || shot.plate(p.plate()).isPresent())) {
                String name = tray ? p.seen().named() : p.name();
                String id = Plates.freshId(shot, name);
                out.add(new Choice("new: " + Words.of("role." + r.name()),
                        p.told(id + (r == p.role() ? "" : "-" + r.name().toLowerCase(Locale.ROOT).replace('_', '-')), r, name)));
            }
        }
        return out;
    }

    private void bring() {
        if (bring.isDisabled()) {
            return;
        }
        List<Proposal> taken = files.stream().map(r -> r.plate().getValue().as()).filter(Proposal::taken).toList();
        if (taken.isEmpty()) {
            leave();
            return;
        }
        bring.setDisable(true);
        boolean copy = copied.isSelected();
        LatestTask<String> told = new LatestTask<>(session.worker(), head::setText);
        session.worker().ask(LANE, ticket -> new Incoming(session.folder(), session.bands()).bring(taken, copy, (at, of) -> {
            told.tell("Copying file " + (at + 1) + " of " + of, ticket);
            return ticket.wanted();
        }), paths -> {
            session.change(Words.of("bring-in.bring-footage-in"), s -> Proposals.into(s, taken, paths));
            session.plateId().set(taken.getFirst().plate());
            session.say("Brought " + Words.count(taken.size(), "file", "files") + " in.");
            leave();
            session.measure();
        }, e -> {
            session.say(String.valueOf(e.getMessage()));
            leave();
        });
    }

    private void leave() {
        session.worker().cancel(LANE);
        session.bringIn(List.of());
        close.run();
    }
}
