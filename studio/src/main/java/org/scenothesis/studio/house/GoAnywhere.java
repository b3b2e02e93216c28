package org.scenothesis.studio.house;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Supplier;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.scenothesis.core.shot.Beat;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Shot;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Text;

/// Type a few letters of a bench, one of its pages, a plate, beat or shot and go there.
final class GoAnywhere extends StackPane {
    record Place(String words, Runnable go) {
        @Override
        public String toString() {
            return words;
        }
    }

    private final Session session;
    private final Runnable close;
    private final Supplier<List<Place>> pages;
    private final TextField typed = new TextField();
    private final ListView<Place> found = new ListView<>();

    GoAnywhere(Session session, Supplier<List<Place>> pages, Runnable close) {
        this.session = session;
        this.pages = pages;
        this.close = close;
        getStyleClass().add("overlay");
        typed.setPromptText(Words.of("go-anywhere.bench-page-plate-beat-or"));
        typed.setId("go-anywhere");
        found.setPrefHeight(230);
        found.getStyleClass().add("go-list");
        VBox box = new VBox(8, Text.of("Go to", "paper-title"), typed, found);
        box.getStyleClass().add("paper");
        box.setMaxSize(460, 320);
        StackPane.setAlignment(box, Pos.TOP_CENTER);
        StackPane.setMargin(box, new Insets(90, 0, 0, 0));
        getChildren().add(box);
        typed.textProperty().addListener(o -> search());
        typed.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        found.setOnMouseClicked(e -> go());
        setOnMouseClicked(e -> {
            if (e.getTarget() == this) {
                close.run();
            }
        });
    }

    void begin() {
        typed.clear();
        search();
        typed.requestFocus();
    }

    private void key(KeyEvent e) {
        if (e.getCode() == KeyCode.ESCAPE) {
            close.run();
            e.consume();
        } else if (e.getCode() == KeyCode.ENTER) {
            go();
            e.consume();
        } else if (e.getCode() == KeyCode.DOWN || e.getCode() == KeyCode.UP) {
            int i = found.getSelectionModel().getSelectedIndex() + (e.getCode() == KeyCode.DOWN ? 1 : -1);
            found.getSelectionModel().clearAndSelect(Math.clamp(i, 0, Math.max(0, found.getItems().size() - 1)));
            e.consume();
        }
    }

    private void go() {
        Place p = found.getSelectionModel().getSelectedItem();
        if (p != null) {
            close.run();
            p.go.run();
        }
    }

    private void search() {
        String words = typed.getText().toLowerCase(Locale.ROOT).strip();
        found.getItems().setAll(places().stream().filter(p -> p.words.toLowerCase(Locale.ROOT).contains(words)).toList());
        found.getSelectionModel().clearAndSelect(0);
    }

    private List<Place> places() {
        List<Place> all = new ArrayList<>();
        for (BenchName b : BenchName.values()) {
            all.add(new Place(b.word(), () -> session.bench().set(b)));
        }
        all.addAll(pages.get());
        for (Plate p : session.shot().plates()) {
            all.add(new Place(p.name() + ", plate", () -> session.plateId().set(p.id())));
        }
        for (Beat b : session.shot().beats()) {
            all.add(new Place(b.name() + ", beat", () -> session.goToFrame(b.seconds() * session.rate())));
        }
        for (Shot s : session.store().now().shots()) {
            all.add(new Place("Shot " + s.number() + ", " + s.title(), () -> session.openShot(s.id())));
        }
        return all;
    }
}
