package org.scenothesis.core.breakdown.plate;

/// Someone or something in front of the camera. `coded`: the name is a code whose words are `item.<name>`; otherwise it is the crew's own
/// word.
public record Item(String name, Sort sort, boolean coded) implements Comparable<Item> {
    public enum Sort {
        PERSON,
        PROP,
        SUPPORT,
        WEAR,
        CARD,
        CREW
    }

    /// A person by name, or whoever performs where no name was told.
    public static Item person(String name) {
        return name.isBlank() ? new Item("performer", Sort.PERSON, true) : new Item(name, Sort.PERSON, false);
    }

    /// A thing by its name.
    public static Item prop(String name) {
        return new Item(name, Sort.PROP, false);
    }

    /// What carries somebody or something, by its code.
    public static Item support(String code) {
        return new Item(code, Sort.SUPPORT, true);
    }

    /// What somebody wears, by its code.
    public static Item worn(String code) {
        return new Item(code, Sort.WEAR, true);
    }

    /// Anything that has words of its own.
    public static Item coded(String code, Sort sort) {
        return new Item(code, sort, true);
    }

    @Override
    public int compareTo(Item o) {
        int c = sort.compareTo(o.sort);
        return c != 0 ? c : name.compareTo(o.name);
    }
}
