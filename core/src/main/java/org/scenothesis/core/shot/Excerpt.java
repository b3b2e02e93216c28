package org.scenothesis.core.shot;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.scenothesis.core.value.Kind;

/// What of a shot is handed over.
public sealed interface Excerpt {
    /// The finished picture.
    record Whole() implements Excerpt {}

    /// One layer by itself, moved and treated as in the shot, with its shadow: straight colour and how much of it covers. What it takes
    /// from or gives to the layers below, a wrap or a glow, stays out; so does alpha where it is light that is added.
    record Element(String layer) implements Excerpt {}

    /// How much of every pixel one layer covers, as a grey picture whose code values are the coverage.
    record Matte(String layer) implements Excerpt {}

    Excerpt WHOLE = new Whole();

    /// The word of the command line: `whole`, `element:ID`, `matte:ID`.
    default String word() {
        return Kind.word(getClass()) + switch (this) {
            case Whole w -> "";
            case Element e -> ":" + e.layer;
            case Matte m -> ":" + m.layer;
        };
    }

    /// All there are of a shot: the whole, and of every layer that is on and was filmed its element and matte, the front first.
    static List<Excerpt> of(Shot shot) {
        List<Excerpt> out = new ArrayList<>();
        for (Layer l : shot.layers()) {
            if (l.on() && !(l.source() instanceof Source.Below)) {
                out.addAll(0, List.of(new Element(l.id()), new Matte(l.id())));
            }
        }
        out.addFirst(WHOLE);
        return out;
    }

    /// The excerpt of a shot that a word asks for; empty if there is none.
    static Optional<Excerpt> of(Shot shot, String word) {
        return of(shot).stream().filter(e -> e.word().equals(word)).findFirst();
    }
}
