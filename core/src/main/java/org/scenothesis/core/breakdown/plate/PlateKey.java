package org.scenothesis.core.breakdown.plate;

import org.scenothesis.core.breakdown.method.Screen;
import org.scenothesis.core.value.Coded;

/// Names a planned plate within its shot, and stays the same while the facts around it change.
///
/// - `of`: the thing, camera or number that parts it from others of its kind; empty where there is only one.
public record PlateKey(Kind kind, String of) implements Comparable<PlateKey> {
    /// What is filmed in it.
    public enum Kind implements Coded {
        ACTING,
        AFTER,
        ATMOSPHERE,
        BASE,
        BEFORE,
        BEHIND,
        BORROWED,
        CLEAN,
        CONTACT,
        DUST,
        FIGURE,
        FOREGROUND,
        HALF_LOWER,
        HALF_UPPER,
        HEADROOM,
        INSERT,
        INSIDE,
        LIGHT,
        LIMB,
        OWN_SIZE,
        REFERENCE,
        SCREEN,
        THING
    }

    public static final PlateKey ACTING = only(Kind.ACTING);
    /// The clean plate of the shot's own frame.
    public static final PlateKey CLEAN = clean(Case.HOME);

    /// A plate of which a shot has only one.
    public static PlateKey only(Kind kind) {
        return new PlateKey(kind, "");
    }

    /// The clean plate of a camera.
    public static PlateKey clean(String lockGroup) {
        return new PlateKey(Kind.CLEAN, lockGroup);
    }

    /// The element of a thing.
    public static PlateKey thing(String id) {
        return new PlateKey(Kind.THING, id);
    }

    /// One of several figures of a person.
    public static PlateKey figure(String id, int number) {
        return new PlateKey(Kind.FIGURE, id + "-" + number);
    }

    /// The cloth alone, as one camera sees it.
    public static PlateKey screen(String lockGroup, Screen cloth) {
        return new PlateKey(Kind.SCREEN, lockGroup + "-" + cloth.code());
    }

    /// The same filmed once more.
    public PlateKey next(int number) {
        return new PlateKey(kind, of + "-" + number);
    }

    /// As it stands in files and papers: `half-upper-maker`.
    public String code() {
        String first = kind.code().replace('.', '-');
        return of.isEmpty() ? first : first + "-" + of;
    }

    @Override
    public int compareTo(PlateKey o) {
        return code().compareTo(o.code());
    }

    @Override
    public String toString() {
        return code();
    }
}
