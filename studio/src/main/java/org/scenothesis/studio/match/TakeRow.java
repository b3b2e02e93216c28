package org.scenothesis.studio.match;

import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import org.scenothesis.core.shot.Plate;
import org.scenothesis.core.shot.Take;
import org.scenothesis.studio.watch.WatchModel;

/// The takes of a plate as a row of buttons; away where there is no choice.
final class TakeRow extends FlowPane {
    private final WatchModel model;

    TakeRow(WatchModel model) {
        super(4, 4);
        this.model = model;
    }

    void refresh() {
        getChildren().clear();
        model.plate().filter(p -> p.takes().size() > 1).ifPresent(this::buttons);
        setManaged(!getChildren().isEmpty());
    }

    private void buttons(Plate plate) {
        String now = model.take().map(Take::id).orElse("");
        ToggleGroup group = new ToggleGroup();
        for (Take t : plate.takes()) {
            ToggleButton b = new ToggleButton("Take " + (plate.takes().indexOf(t) + 1));
            b.getStyleClass().setAll("toggle-button", "floor-button");
            b.setId("match-" + t.id());
            b.setToggleGroup(group);
            b.setSelected(t.id().equals(now));
            b.setOnAction(e -> model.look(t));
            getChildren().add(b);
        }
    }
}
