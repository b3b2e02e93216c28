package org.scenothesis.studio.parts;

import java.util.function.Function;
import javafx.util.StringConverter;

/// Shows the choices of a list by their words; nothing is typed into such a list.
public final class ShownAs<T> extends StringConverter<T> {
    private final Function<T, String> words;

    public ShownAs(Function<T, String> words) {
        this.words = words;
    }

    @Override
    public String toString(T choice) {
        return choice == null ? "" : words.apply(choice);
    }

    @Override
    public T fromString(String typed) {
        throw new UnsupportedOperationException(typed);
    }
}
