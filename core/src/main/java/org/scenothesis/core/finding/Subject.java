package org.scenothesis.core.finding;

/// What is measured, and what a finding is about; by ids.
public sealed interface Subject {
    /// The plate it concerns; empty for none.
    default String plate() {
        return "";
    }

    /// One take of a plate.
    record OfTake(String plate, String take) implements Subject {}

    /// A plate as it is layered: its chosen take and what is done to it.
    record OfPlate(String plate) implements Subject {}

    /// A piece of the stage a plate is filmed on, before any of it is; `piece` is empty for the stage as a whole.
    record OfPiece(String plate, String piece) implements Subject {}

    record OfShot() implements Subject {}

    /// The folder as a whole.
    record OfProduction() implements Subject {}
}
