package org.scenothesis.core.stage.piece;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.scenothesis.core.picture.Luminance;
import org.scenothesis.core.value.Given;

/// A screen in one colour, upright from `bottomM` to `bottomM + highM` above the floor, and `floorM` of it on the floor in front.
///
/// - `wrinkle`: slope of its folds, 0 stretched to 0.5 crumpled.
@RecordBuilder
public record Backdrop(BackdropKind kind, Dye dye, Given<Double> wideM, Given<Double> highM, Given<Double> bottomM, Given<Double> floorM,
        Given<Double> wrinkle) implements Thing, BackdropBuilder.With {
    /// What it is dyed with, and how much of red, green and blue light it gives back.
    public enum Dye {
        GREEN(0.060, 0.42, 0.10),
        BLUE(0.05, 0.11, 0.46),
        BLACK(0.015, 0.015, 0.015),
        WHITE(0.82, 0.82, 0.80);

        private final double r;
        private final double g;
        private final double b;

        Dye(double r, double g, double b) {
            this.r = r;
            this.g = g;
            this.b = b;
        }

        /// Red, green, blue, each in [0, 1].
        public double[] albedo() {
            return new double[] {r, g, b};
        }

        /// How much more of its own colour it gives back than of the next one: what colours those who stand near it.
        public double excess() {
            return this == GREEN ? g - Math.max(r, b) : this == BLUE ? b - Math.max(r, g) : 0;
        }

        /// How much light it gives back to the eye.
        public double luminance() {
            return Luminance.of(r, g, b);
        }
    }

    @Override
    public List<Dimension> dimensions() {
        return List.of(
                Dimension.metres("wide", 0.05, 100, wideM, this::withWideM), Dimension.metres("high", 0, 30, highM, this::withHighM),
                Dimension.metres("bottom", 0, 20, bottomM, this::withBottomM), Dimension.metres("floor", 0, 50, floorM, this::withFloorM),
                Dimension.of("wrinkle", "", 0, 0.6, wrinkle, this::withWrinkle));
    }

    /// Its upper edge above the floor.
    public double topM() {
        return bottomM.value() + highM.value();
    }
}
