package org.scenothesis.core.breakdown.plate;

import java.util.Arrays;
import java.util.List;

/// Something to bring: `kit.<code>` are its words.
public record KitItem(String code, int count) {
    /// One piece of it.
    public static KitItem one(String code) {
        return new KitItem(code, 1);
    }

    /// One piece of each.
    public static List<KitItem> each(String... codes) {
        return Arrays.stream(codes).map(KitItem::one).toList();
    }
}
