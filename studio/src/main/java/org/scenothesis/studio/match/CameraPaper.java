package org.scenothesis.studio.match;

import javafx.geometry.Insets;
import javafx.scene.control.Button;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.scenothesis.core.light.Neutral;
import org.scenothesis.core.light.PictureLight;
import org.scenothesis.core.perspective.Estimate;
import org.scenothesis.core.perspective.PictureCamera;
import org.scenothesis.production.words.MatchWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Text;

/// What the marks say: the camera, the light, what would make them surer, every mark with its length, and the button that stands the shot
/// on it.
final class CameraPaper extends VBox {
    private final MarksModel model;
    private final VBox numbers = new VBox(6);
    private final MarksList list;
    private final LightDial dial = new LightDial();
    private final LampsPaper lamps;
    private final Button stand;
    private final Button bend;

    CameraPaper(MarksModel model) {
        super(10);
        this.model = model;
        // Room for the bar that the paper is scrolled by.
        setPadding(new Insets(0, 14, 0, 0));
        numbers.getStyleClass().addAll("paper", "on-paper");
        stand = Text.button(Words.of("camera-paper.use-this-camera-for-the"), "dark-button", model::stand);
        stand.setId("match-stand");
        bend = Text.button(Words.of("camera.bend"), "floor-button", model.bender()::bend);
        bend.setId("match-bend");
        list = new MarksList(model);
        lamps = new LampsPaper(model.watch().session());
        getChildren().addAll(numbers, stand, bend, dial, Text.of("Marks", "heading"), list, lamps);
    }

    void refresh() {
        numbers.getChildren().clear();
        PictureCamera c = model.camera().orElse(null);
        String plate = model.watch().plate().map(p -> p.name()).orElse("");
        if (c == null) {
            numbers.getChildren().addAll(Text.block(plate.isEmpty() ? "No plate" : "Camera of " + plate, "paper-title"),
                    Text.block(model.brief().isEmpty() ? Words.of("camera-paper.there-is-no-picture-yet")
                    : Words.of("camera-paper.it-is-being-looked-at"), "paper-text"));
        } else {
            numbers.getChildren().addAll(
                    Text.block("Camera of " + plate, "paper-title"), Text.block(MatchWords.from(c), "paper-soft"), camera(c),
                    Text.of(Words.of("camera-paper.what-would-make-it-surer"), "paper-text"),
                    Text.block(MatchWords.surer(c), "paper-soft"));
            model.light().ifPresent(l -> numbers.getChildren().addAll(Text.of("Its light", "paper-title"), light(l),
                    Text.block(MatchWords.surer(l), "paper-soft")));
        }
        stand.setDisable(model.stage().isEmpty() || !model.solved());
        dial.show(model.light().orElse(null));
        Text.shown(bend, model.bender().lens().isPresent());
        lamps.refresh(model.light().orElse(null));
        list.refresh();
    }

    private static GridPane camera(PictureCamera c) {
        GridPane g = new GridPane(10, 4);
        Text.row(g, "view across", MatchWords.view(c));
        Text.row(g, "tilt", MatchWords.degrees(c.tiltDeg()));
        Text.row(g, "roll", MatchWords.degrees(c.rollDeg()));
        Text.row(g, "lens height", MatchWords.metres(c.lensHeightM()));
        Text.row(g, Words.of("camera-paper.bend-of-the-lens"), c.bent() ? Words.number(c.distortion(), 3) : "none found");
        return g;
    }

    private static GridPane light(PictureLight l) {
        GridPane g = new GridPane(10, 4);
        Text.row(g, "key", MatchWords.direction(l));
        Text.row(g, "size", MatchWords.degrees(l.sizeDeg()));
        Estimate fill = l.keyToFillStops();
        Text.row(g, Words.of("light-number.key-to-fill"), fill == null ? Words.of("camera.unknown") : Words.stops(fill.value())
                + " \u00b1 " + Words.number(fill.std(), 1));
        for (PictureLight.Rim r : l.rims()) {
            Text.row(g, "rim", MatchWords.rim(r));
        }
        for (@Nullable Neutral n : l.neutral()) {
            Text.row(g, "neutral thing", n == null ? Words.of("camera.unknown") : Words.number(n.kelvin(), 0) + " K");
        }
        return g;
    }
}
