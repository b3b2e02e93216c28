package org.scenothesis.studio.layer;

import java.util.function.BiFunction;
import java.util.function.Function;
import org.scenothesis.core.stage.KeyLight;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.value.Given;
import org.scenothesis.production.words.Words;
import org.scenothesis.studio.parts.Tape;

/// The numbers of a stage's light as they are shown: its side from the camera, all else as it is kept. What is typed is told.
enum LightNumber {
    SIDE(number("light side", "\u00b0", -180, 180), s -> s.light().direction(), s -> direction(s).asSeen(s.panDeg()),
            (s, v) -> s.light().withDirection(Given.entered(direction(s).seenAt(v, s.panDeg())))),
    HEIGHT(number("light height", "\u00b0", 1, 90), s -> s.light().direction(), s -> direction(s).elevationDeg(),
            (s, v) -> s.light().withDirection(Given.entered(new KeyLight.Direction(direction(s).azimuthDeg(), v)))),
    SIZE(number("light size", "\u00b0", 0, 120), s -> s.light().sizeDeg(), s -> s.light().sizeDeg().value(), (s, v) -> s.light()
            .withSizeDeg(Given.entered(v))),
    KEY_TO_FILL(number(Words.of("light-number.key-to-fill"), "stop", -6, 12), s -> s.light().keyToFillStops(), s -> s.light()
            .keyToFillStops().value(),
            (s, v) -> s.light().withKeyToFillStops(Given.entered(v)));

    final Tape.Number number;
    final Function<Stage, Given<?>> origin;
    final Function<Stage, Double> value;
    final BiFunction<Stage, Double, KeyLight> with;

    LightNumber(Tape.Number number, Function<Stage, Given<?>> origin, Function<Stage, Double> value,
            BiFunction<Stage, Double, KeyLight> with) {
        this.number = number;
        this.origin = origin;
        this.value = value;
        this.with = with;
    }

    private static Tape.Number number(String name, String unit, double low, double high) {
        return new Tape.Number(name, unit, low, high, unit.equals("stop") ? 0.1 : 1, 1, Words.of("light-number.of-the-stage-for-all"));
    }

    private static KeyLight.Direction direction(Stage s) {
        return s.light().direction().value();
    }
}
