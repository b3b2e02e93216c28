package org.scenothesis.core.breakdown.plate;

/// Something to bring: `kit.<code>` are its words.
public record KitItem(String code, int count) {
    public static KitItem one(String code) {
        return new KitItem(code, 1);
    }

    public static java.util.List<KitItem> each(String... codes) {
        return java.util.Arrays.stream(codes).map(KitItem::one).toList();
    }
}
