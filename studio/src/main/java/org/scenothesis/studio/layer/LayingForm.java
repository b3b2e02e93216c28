package org.scenothesis.studio.layer;

import java.util.List;
import java.util.Locale;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.DoubleFunction;
import java.util.function.Supplier;
import java.util.function.ToDoubleFunction;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.control.ComboBox;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.scenothesis.core.shot.Blend;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.TimeMap;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Tape;
import org.scenothesis.studio.parts.Text;

/// When of its take a layer shows what, and how it is laid on what is below.
final class LayingForm extends VBox {
    private final BiConsumer<String, UnaryOperator<Layer>> accept;
    private final Consumer<UnaryOperator<Layer>> moving;
    private final List<Runnable> updates;
    private final Supplier<Layer> now;

    /// - `accept`, `moving`: what a change does once it is done and while a number is dragged; `updates`: what shows the layer as it is, called after every change.
    LayingForm(
            Layer l, boolean lowest, BiConsumer<String, UnaryOperator<Layer>> accept, Consumer<UnaryOperator<Layer>> moving, List<Runnable> updates, Supplier<Layer> now) {
        super(6);
        this.accept = accept;
        this.moving = moving;
        this.updates = updates;
        this.now = now;
        getChildren().add(Text.of("time and laying", "column-head"));
        choice("time", List.of("straight", "held", "looped"), this::kind, this::timed);
        switch (l.time()) {
            case TimeMap.Straight s -> {
                tape("begins in the take", "s", -3600, 3600, t -> ((TimeMap.Straight) t).fromSeconds(), v -> t -> new TimeMap.Straight(v, ((TimeMap.Straight) t).rate()));
                tape("speed", "\u00d7", -20, 20, t -> ((TimeMap.Straight) t).rate(), v -> t -> new TimeMap.Straight(((TimeMap.Straight) t).fromSeconds(), v));
            }
            case TimeMap.Held h -> tape("held at", "s", 0, 3600, t -> ((TimeMap.Held) t).atSeconds(), v -> t -> new TimeMap.Held(v));
            case TimeMap.Looped o -> {
                tape("loop from", "s", 0, 3600, t -> ((TimeMap.Looped) t).fromSeconds(), v -> t -> looped(v, ((TimeMap.Looped) t).toSeconds()));
                tape("loop to", "s", 0, 3600, t -> ((TimeMap.Looped) t).toSeconds(), v -> t -> looped(((TimeMap.Looped) t).fromSeconds(), v));
            }
        }
        if (!lowest) {
            choice("blend", List.of("over", "add", "screen", "lighten"), o -> o.blend().name().toLowerCase(Locale.ROOT), w -> o -> o.withBlend(Blend.valueOf(w.toUpperCase(Locale.ROOT))));
        }
    }

    private String kind(Layer l) {
        return switch (l.time()) {
            case TimeMap.Straight s -> "straight";
            case TimeMap.Held h -> "held";
            case TimeMap.Looped o -> "looped";
        };
    }

    /// Another kind of time begins where the last one stood.
    private UnaryOperator<Layer> timed(String word) {
        return l -> l.withTime(switch (word) {
            case "held" -> new TimeMap.Held(Math.max(0, l.time().at(0)));
            case "looped" -> looped(Math.max(0, l.time().at(0)), Math.max(0, l.time().at(0)) + 1);
            default -> new TimeMap.Straight(l.time().at(0), 1);
        });
    }

    /// A frame at least: a loop that is typed from its end first must not be refused.
    private static TimeMap looped(double from, double to) {
        return new TimeMap.Looped(Math.min(from, 3599), Math.max(to, Math.min(from, 3599) + 0.04));
    }

    private void choice(String name, List<String> words, UnaryWord show, Chosen chosen) {
        ComboBox<String> box = new ComboBox<>();
        box.getItems().addAll(words);
        box.setId("choice-" + name);
        box.setAccessibleText(Words.of("laying." + name));
        updates.add(() -> box.setValue(show.of(now.get())));
        box.setOnAction(e -> {
            String word = box.getValue();
            if (word != null && !word.equals(show.of(now.get()))) {
                accept.accept(Words.of("laying." + name), chosen.of(word));
            }
        });
        Region room = new Region();
        HBox.setHgrow(room, Priority.ALWAYS);
        HBox row = new HBox(6, Text.of(Words.of("laying." + name), "muted"), room, box);
        row.setAlignment(Pos.CENTER_LEFT);
        getChildren().add(row);
    }

    private interface UnaryWord {
        String of(Layer l);
    }

    private interface Chosen {
        UnaryOperator<Layer> of(String word);
    }

    private void tape(String name, String unit, double low, double high, ToDoubleFunction<TimeMap> get, DoubleFunction<UnaryOperator<TimeMap>> with) {
        DoubleFunction<UnaryOperator<Layer>> change = v -> l -> l.withTime(with.apply(v).apply(l.time()));
        Tape t = new Tape(
                new Tape.Number(name, unit, low, high, unit.equals("s") ? 0.04 : 0.1, 2, "Which moment of the take is shown"), v -> moving.accept(change.apply(v)),
                v -> accept.accept(name, change.apply(v)));
        t.field().setId("tape-" + name.replace(' ', '-'));
        updates.add(() -> t.show(get.applyAsDouble(now.get().time())));
        getChildren().add(t);
    }
}
