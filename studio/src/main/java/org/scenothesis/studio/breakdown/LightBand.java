package org.scenothesis.studio.breakdown;

import java.time.LocalDate;
import java.util.Locale;
import java.util.Optional;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Rectangle;
import org.scenothesis.core.breakdown.day.LightDay;
import org.scenothesis.core.breakdown.day.LightWindow;
import org.scenothesis.core.shot.Location;
import org.scenothesis.production.words.PlanWords;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Text;
import org.scenothesis.studio.parts.VerdictMark;

/// The sky of the day as a band, and over it when each sunlit group is rolled; under it the verdicts.
final class LightBand {
    private static final int FROM = 4 * 60;
    private static final int TO = 22 * 60;

    private final BreakDownModel model;
    private final VBox box = new VBox(4);
    private final Pane band = new Pane();

    LightBand(BreakDownModel model) {
        this.model = model;
        band.setMinHeight(54);
        band.setPrefHeight(54);
        // What is added while the band is being laid out would never be laid out itself.
        band.widthProperty().addListener(o -> Platform.runLater(this::draw));
        box.setPadding(new Insets(2, 0, 2, 0));
        box.setId("light-band");
    }

    Node node() {
        return box;
    }

    void refresh() {
        box.getChildren().clear();
        if (sky().isPresent()) {
            box.getChildren().add(band);
            draw();
        }
        for (LightWindow w : model.day().windows()) {
            String best = w.best().map(m -> Words.of("light-band.it-turns-least-from", PlanWords.clock(m))).orElse("");
            Label words = Text.block(
                    "Light " + w.light() + ", " + PlanWords.clock(w.from()) + " to " + PlanWords.clock(w.to()) + ": "
                    + Words.verdict(w.verdict()) + ". " + PlanWords.light(w)
                            + (Double.isFinite(w.turnDeg())
                            ? Words.of("light-band.within-the-limit-until", PlanWords.clock(w.holdsUntil())) : "") + best, "text-chalk");
            HBox row = new HBox(8, new VerdictMark(w.verdict()), words);
            HBox.setHgrow(words, Priority.ALWAYS);
            box.getChildren().add(row);
        }
    }

    private Optional<LightDay> sky() {
        Optional<Location> place = model.shot().setting().inTheOpen();
        Optional<LocalDate> date = model.session().store().now().day().day();
        return place.flatMap(p -> date.map(d -> LightDay.of(p, d)));
    }

    private double x(double minutes) {
        return (minutes - FROM) / (TO - FROM) * band.getWidth();
    }

    private void draw() {
        band.getChildren().clear();
        sky().ifPresent(day -> {
            for (LightDay.Span s : day.spans()) {
                Rectangle r = new Rectangle(x(Math.max(FROM, s.from())), 0,
                        Math.max(0, x(Math.min(TO, s.to())) - x(Math.max(FROM, s.from()))), 18);
                r.getStyleClass().add("sky-" + s.sky().name().toLowerCase(Locale.ROOT));
                band.getChildren().add(r);
                String word = switch (s.sky()) {
                    case SUN -> "sun";
                    case SHADE -> "hidden";
                    case NIGHT -> "night";
                };
                if (r.getWidth() > 44) {
                    Label l = Text.of(word, "small", s.sky() == LightDay.Sky.NIGHT ? "muted" : "ribbon-name");
                    l.relocate(r.getX() + 6, 1);
                    band.getChildren().add(l);
                }
            }
            for (int h = FROM / 60; h < TO / 60; h += 2) {
                Label l = Text.of(PlanWords.clock(h * 60), "muted", "small");
                l.relocate(x(h * 60.0), 19);
                band.getChildren().add(l);
            }
            int row = 0;
            for (LightWindow w : model.day().windows()) {
                Rectangle r = new Rectangle(x(w.from()), 37 + 8 * (row % 2), Math.max(3, x(w.to()) - x(w.from())), 7);
                r.getStyleClass().add("spike-" + row % 8);
                band.getChildren().add(r);
                row++;
            }
        });
    }
}
