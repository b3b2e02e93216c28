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
import org.scenothesis.studio.parts.Text;

/// Asked when the window is closed and the changes cannot be saved: try again, save in another place, keep them for the next time, or go on.
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
        Button elsewhere = Text.button("Save in another place\u2026", "paper-button", this::elsewhere);
        elsewhere.setId("not-saved-elsewhere");
        Button keep = Text.button("Close; keep the changes for the next time", "paper-button", leave);
        keep.setId("not-saved-keep");
        Button stay = Text.button("Go on working", "paper-button", back);
        stay.setId("not-saved-stay");
        FlowPane foot = new FlowPane(10, 10, again, elsewhere, keep, stay);
        VBox box = new VBox(12, Text.of("The last changes are not saved", "paper-title"), why,
                Text.block("Closed now, they are kept in a file beside the production, or in your own folder Scenothesis where its disk takes nothing, and offered when it is opened again.", "paper-soft"), foot);
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
        chooser.setTitle("An empty folder for this production");
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
