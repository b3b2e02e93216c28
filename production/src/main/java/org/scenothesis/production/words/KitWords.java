package org.scenothesis.production.words;

import java.util.OptionalInt;
import java.util.stream.Collectors;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.kit.Owned;
import org.scenothesis.core.breakdown.kit.OwnedKind;
import org.scenothesis.core.breakdown.kit.OwnedKit;
import org.scenothesis.core.breakdown.plate.KitItem;

/// The words of what a crew owns.
public final class KitWords {
    private KitWords() {}

    public static String kind(OwnedKind k) {
        return Words.of("owned." + k.code());
    }

    public static String size(Fact f) {
        return Words.of("size." + f.key());
    }

    /// "2 stands, the tall ones: reaches 3 m".
    public static String thing(Owned o) {
        String name = o.name().isBlank() ? "" : ", " + o.name();
        String sizes = o.sizes().entrySet().stream()
                .map(e -> size(e.getKey()) + " " + Words.number(e.getValue(), e.getValue() == Math.rint(e.getValue()) ? 0 : 2)
                + (e.getKey().unit().isEmpty() ? "" : "\u00a0" + e.getKey().unit())).collect(Collectors.joining(", "));
        return o.count() + " " + kind(o.kind()) + name + ": " + sizes;
    }

    /// Whether what is wanted is owned: "you own 1: 1 to borrow"; empty for what is not kept count of.
    public static String owned(OwnedKit kit, KitItem wanted) {
        OptionalInt have = kit.owned(wanted);
        if (have.isEmpty()) {
            return "";
        }
        int missing = wanted.count() - have.getAsInt();
        return missing > 0 ? Words.of("owned.short", have.getAsInt(), missing) : Words.of("owned.enough", have.getAsInt());
    }
}
