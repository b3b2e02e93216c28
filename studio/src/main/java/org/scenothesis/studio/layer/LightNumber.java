package org.scenothesis.studio.layer;

import org.scenothesis.core.stage.KeyLight;
import org.scenothesis.core.stage.Stage;
import org.scenothesis.core.value.Given;
import org.scenothesis.studio.parts.Tape;

/// The numbers of a stage's light as they are shown: its side from the camera, all else as it is kept. What is typed is told.
enum LightNumber {
    SIDE("light side", "\u00b0", -180, 180, 1) {
        @Override
        double of(Stage s) {
            return s.light().direction().value().asSeen(s.panDeg());
        }

        @Override
        KeyLight with(Stage s, double v) {
            return s.light().withDirection(Given.told(s.light().direction().value().seenAt(v, s.panDeg())));
        }

        @Override
        Given<?> origin(Stage s) {
            return s.light().direction();
        }
    },
    HEIGHT("light height", "\u00b0", 1, 90, 1) {
        @Override
        double of(Stage s) {
            return s.light().direction().value().elevationDeg();
        }

        @Override
        KeyLight with(Stage s, double v) {
            return s.light().withDirection(Given.told(new KeyLight.Direction(s.light().direction().value().azimuthDeg(), v)));
        }

        @Override
        Given<?> origin(Stage s) {
            return s.light().direction();
        }
    },
    SIZE("light size", "\u00b0", 0, 120, 1) {
        @Override
        double of(Stage s) {
            return s.light().sizeDeg().value();
        }

        @Override
        KeyLight with(Stage s, double v) {
            return s.light().withSizeDeg(Given.told(v));
        }

        @Override
        Given<?> origin(Stage s) {
            return s.light().sizeDeg();
        }
    },
    KEY_TO_FILL("key to fill", "stop", -6, 12, 0.1) {
        @Override
        double of(Stage s) {
            return s.light().keyToFillStops().value();
        }

        @Override
        KeyLight with(Stage s, double v) {
            return s.light().withKeyToFillStops(Given.told(v));
        }

        @Override
        Given<?> origin(Stage s) {
            return s.light().keyToFillStops();
        }
    };

    private final Tape.Number number;

    LightNumber(String name, String unit, double low, double high, double by) {
        number = new Tape.Number(name, unit, low, high, by, 1, "Of the stage, for all layers");
    }

    Tape.Number number() {
        return number;
    }

    abstract double of(Stage s);

    abstract KeyLight with(Stage s, double v);

    abstract Given<?> origin(Stage s);
}
