package org.scenothesis.studio.layer;

import java.util.List;
import java.util.Locale;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.DoubleFunction;
import java.util.function.DoubleSupplier;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.function.ToDoubleFunction;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import javafx.scene.layout.VBox;
import org.scenothesis.core.shot.Blend;
import org.scenothesis.core.shot.Layer;
import org.scenothesis.core.shot.Source;
import org.scenothesis.core.shot.TimeMap;
import org.scenothesis.core.value.Kind;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.ChoiceRow;
import org.scenothesis.studio.parts.Tape;
import org.scenothesis.studio.parts.Text;

/// When of its take a layer shows what, and how it is laid on what is below.
final class LayingForm extends VBox {
    private final Edits edits;

    /// How the layer is seen and changed: as it is `now`, `moving` while a number is dragged, `done` once; `updates` are called whenever it
    /// has changed; `sources`, `sourced`: where its picture may come from, as words, and what makes it so; `at`: the moment of the shot
    /// that is shown.
    record Edits(Supplier<Layer> now, DoubleSupplier at, Consumer<UnaryOperator<Layer>> moving,
            BiConsumer<String, UnaryOperator<Layer>> done, List<Runnable> updates, List<String> sources,
            Function<String, UnaryOperator<Layer>> sourced) {}

    LayingForm(Layer l, boolean lowest, Edits edits) {
        super(6);
        this.edits = edits;
        getChildren().add(Text.of(Words.of("laying-form.time-and-laying"), "column-head"));
        if (!lowest && edits.sources().size() > 1) {
            choice("source", edits.sources(), o -> Kind.word(o.source().getClass()), edits.sourced());
        }
        if (l.source() instanceof Source.Below) {
            blend(lowest);
            return;
        }
        choice("time", Stream.of(TimeMap.class.getPermittedSubclasses()).map(Kind::word).toList(), o -> Kind.word(o.time().getClass()),
                word -> o -> o.withTime(o.time().as(word, edits.at().getAsDouble())));
        switch (l.time()) {
            case TimeMap.Straight s -> {
                tape(Words.of("laying-form.begins-in-the-take"), "s", -3600, 3600, t -> ((TimeMap.Straight) t).fromSeconds(), v -> t ->
                        new TimeMap.Straight(v, ((TimeMap.Straight) t).rate()));
                tape("speed", "\u00d7", -20, 20, t -> ((TimeMap.Straight) t).rate(), v -> t -> new TimeMap.Straight(((TimeMap.Straight) t)
                        .fromSeconds(), v));
            }
            case TimeMap.Held h -> tape("held at", "s", 0, 3600, t -> ((TimeMap.Held) t).atSeconds(), v -> t -> new TimeMap.Held(v));
            case TimeMap.Looped o -> {
                tape("loop from", "s", 0, 3600, t -> ((TimeMap.Looped) t).fromSeconds(), v -> t ->
                        looped(v, ((TimeMap.Looped) t).toSeconds()));
                tape("loop to", "s", 0, 3600, t -> ((TimeMap.Looped) t).toSeconds(), v -> t -> looped(((TimeMap.Looped) t).fromSeconds(),
                        v));
            }
        }
        blend(lowest);
    }

    private void blend(boolean lowest) {
        if (!lowest) {
            choice("blend", Stream.of(Blend.values()).map(LayingForm::word).toList(), o -> word(o.blend()), w -> o ->
                    o.withBlend(Blend.valueOf(w.toUpperCase(Locale.ROOT))));
        }
    }

    private static String word(Blend b) {
        return b.name().toLowerCase(Locale.ROOT);
    }

    /// A frame at least: a loop that is typed from its end first must not be refused.
    private static TimeMap looped(double from, double to) {
        return new TimeMap.Looped(Math.min(from, 3599), Math.max(to, Math.min(from, 3599) + 0.04));
    }

    private void choice(String name, List<String> words, Function<Layer, String> show, Function<String, UnaryOperator<Layer>> chosen) {
        ChoiceRow row = new ChoiceRow(name, Words.of("laying." + name), words, word -> edits.done.accept(Words.of("laying." + name),
                chosen.apply(word)));
        edits.updates.add(() -> row.show(show.apply(edits.now.get())));
        getChildren().add(row);
    }

    private void tape(String name, String unit, double low, double high, ToDoubleFunction<TimeMap> get,
            DoubleFunction<UnaryOperator<TimeMap>> with) {
        DoubleFunction<UnaryOperator<Layer>> change = v -> l -> l.withTime(with.apply(v).apply(l.time()));
        Tape t = new Tape(
                new Tape.Number(name, unit, low, high, unit.equals("s") ? 0.04 : 0.1, 2, Words.of("laying-form.which-moment-of-the-take")),
                v -> edits.moving.accept(change.apply(v)),
                v -> edits.done.accept(name, change.apply(v)));
        t.field().setId("tape-" + name.replace(' ', '-'));
        edits.updates.add(() -> t.show(get.applyAsDouble(edits.now.get().time())));
        getChildren().add(t);
    }
}
