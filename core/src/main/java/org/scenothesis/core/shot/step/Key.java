package org.scenothesis.core.shot.step;

import java.util.List;
import java.util.Map;
import org.scenothesis.core.value.Animated;

/// Takes the screen away. An outline right before it is the garbage matte; without one there is the outline of the cloth.
///
/// Footage with a transparency of its own is not keyed; that counts instead.
public record Key(KeySettings settings, Map<String, Animated<Double>> keyed) implements Step, Keyable {
    /// Its numbers, in the order they are shown.
    public static final List<Parameter<Key>> PARAMETERS = List.of(
            new Parameter<>(Key.class, "empty-below", "", new Parameter.Span(0, 0.9, 0.01, 2), (k, t) -> k.settings().emptyBelow(),
            (k, t, v) -> cut(k, v, Math.max(k.settings().solidAbove(), v + KeySettings.BETWEEN))),
            new Parameter<>(Key.class, "solid-above", "", new Parameter.Span(0.05, 1.5, 0.01, 2), (k, t) -> k.settings().solidAbove(),
            (k, t, v) -> cut(k, Math.min(k.settings().emptyBelow(), v - KeySettings.BETWEEN), v)),
            new Parameter<>(Key.class, "choke", "px", new Parameter.Span(-6, 6, 0.1, 1), (k, t) -> k.settings().chokePx(), (k, t, v) ->
            k.with(k.settings().withChokePx(v))),
            new Parameter<>(Key.class, "edge-softness", "px", new Parameter.Span(0, 12, 0.1, 1), (k, t) -> k.settings().softnessPx(),
            (k, t, v) -> k.with(k.settings().withSoftnessPx(v))),
            new Parameter<>(Key.class, "despill", "", new Parameter.Span(0, KeySettings.MOST_DESPILL, 0.05, 2), (k, t) -> k.settings()
            .despill(), (k, t, v) ->
            k.with(k.settings().withDespill(v))));

    public Key {
        keyed = Parameter.checked(PARAMETERS, keyed);
    }

    /// Without keys by code.
    public Key(KeySettings settings) {
        this(settings, Map.of());
    }

    /// The two cuts; the one that is not set makes room.
    private static Key cut(Key k, double emptyBelow, double solidAbove) {
        KeySettings s = k.settings();
        return k.with(new KeySettings(emptyBelow, solidAbove, s.chokePx(), s.softnessPx(), s.despill(), s.spill()));
    }

    /// The same with other numbers.
    public Key with(KeySettings other) {
        return new Key(other, keyed);
    }

    @Override
    public Key withKeyed(Map<String, Animated<Double>> other) {
        return new Key(settings, other);
    }
}
