package org.scenothesis.core.finding;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.scenothesis.core.Check;

/// What the house assumes that work costs, in minutes; all of it can be changed, and is shown beside every result that uses it.
///
/// - `hand`: hand work later. `changes`: changing the set between two plates.
@RecordBuilder
public record Estimates(Hand hand, Changes changes) implements EstimatesBuilder.With {
    public static final Estimates DEFAULT = new Estimates(new Hand(3, 5, 1, 12), new Changes(15, 12, 18, 2, 4, 10, 8, 1));

    /// One hand frame every `spacing` frames at `minutes` each; edges with hair, glass or smoke need one every `fineSpacing` at
    /// `fineMinutes`.
    public record Hand(int spacing, double minutes, int fineSpacing, double fineMinutes) {
        public Hand {
            Check.range("spacing", spacing, 1, 100);
            Check.range("minutes", minutes, 0.1, 240);
            Check.range("fineSpacing", fineSpacing, 1, 100);
            Check.range("fineMinutes", fineMinutes, 0.1, 240);
        }
    }

    /// Minutes for a new camera position, a cloth put up or struck, one cloth swapped for another, a person, a prop, a change of clothes, a
    /// change of light, a card.
    public record Changes(double camera, double cloth, double swap, double person, double prop, double clothes, double light, double card) {
        public Changes {
            for (double v : new double[] {camera, cloth, swap, person, prop, clothes, light, card}) {
                Check.range("minutes of change", v, 0, 600);
            }
        }
    }
}
