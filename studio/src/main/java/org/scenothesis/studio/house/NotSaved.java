package org.scenothesis.studio.house;

import java.io.File;
import java.nio.file.Path;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import org.scenothesis.production.store.StoreException;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Text;

/// Asked when the window is closed and the changes cannot be saved: try again, save in another place, keep them for the next time, or go
/// on.
final class NotSaved extends StackPane {
    private final Session session;
    private final Runnable leave;
    private final Runnable back;
    private final Label why = Text.block("", "paper-text");
    private final Button again = Text.button("Try again", "paper-button", this::again);

    /// - `leave`: closes what is open. `back`: closes this.
    NotSaved(Session session, Runnable leave, Runnable back) {
        this.session = session;
        this.leave = leave;
        this.back = back;
        again.setId("not-saved-again");
        Button elsewhere = Text.button(Words.of("not-saved.save-in-another-place"), "paper-button", this::elsewhere);
        elsewhere.setId("not-saved-elsewhere");
        Button keep = Text.button(Words.of("not-saved.close-keep-the-changes-for"), "paper-button", leave);
        keep.setId("not-saved-keep");
        Button stay = Text.button(Words.of("not-saved.go-on-working"), "paper-button", back);
        stay.setId("not-saved-stay");
        FlowPane foot = new FlowPane(10, 10, again, elsewhere, keep, stay);
        VBox box = new VBox(12, Text.of(Words.of("not-saved.the-last-changes-are-not"), "paper-title"), why,
                Text.block(Words.of("not-saved.closed-now-they-are-kept"), "paper-soft"), foot);
        box.getStyleClass().add("paper");
        box.setMaxSize(640, USE_PREF_SIZE);
        getStyleClass().add("overlay");
        setAlignment(box, Pos.CENTER);
        setPadding(new Insets(40));
        getChildren().add(box);
        addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                back.run();
                e.consume();
            }
        });
    }

    void ask() {
        why.setText(session.store().saveState().sentence());
        again.requestFocus();
    }

    private void again() {
        if (session.store().saveNow()) {
            leave.run();
        } else {
            ask();
        }
    }

    private void elsewhere() {
        DirectoryChooser chooser = new DirectoryChooser();
        chooser.setTitle(Words.of("not-saved.an-empty-folder-for-this"));
        File chosen = chooser.showDialog(getScene().getWindow());
        if (chosen != null) {
            saveIn(chosen.toPath());
        }
    }

    void saveIn(Path folder) {
        try {
            session.store().saveElsewhere(folder);
            leave.run();
        } catch (StoreException e) {
            why.setText(String.valueOf(e.getMessage()));
        }
    }
}
