package org.scenothesis.core.shot;

import java.util.List;

/// Where a layer has its picture from.
public sealed interface Source {
    /// The plate that gives the layer its mark, its length and its sound; empty for what was not filmed.
    String plate();

    /// All plates it is read from.
    List<String> plates();

    /// Whether it is what was filmed itself, which is heard and may be keyed.
    default boolean isFootage() {
        return true;
    }

    /// The chosen take of a plate.
    record OfPlate(String plate) implements Source {
        @Override
        public List<String> plates() {
            return List.of(plate);
        }
    }

    /// Of every pixel the lightest that the chosen take of a plate has shown up to then: light that writes.
    record Lightest(String plate) implements Source {
        @Override
        public List<String> plates() {
            return List.of(plate);
        }
    }

    /// How much of its light the cloth of a plate keeps, less where its subject throws a shadow on it: laid by multiplying.
    record KeptLight(String plate) implements Source {
        @Override
        public List<String> plates() {
            return List.of(plate);
        }

        @Override
        public boolean isFootage() {
            return false;
        }
    }

    /// All that lies below, as one picture: what is done to the whole shot.
    record Below() implements Source {
        @Override
        public String plate() {
            return "";
        }

        @Override
        public List<String> plates() {
            return List.of();
        }

        @Override
        public boolean isFootage() {
            return false;
        }
    }

    /// The light that the plate `lit` has more than `unlit`.
    record LightGained(String lit, String unlit) implements Source {
        @Override
        public String plate() {
            return lit;
        }

        @Override
        public List<String> plates() {
            return List.of(lit, unlit);
        }
    }
}
