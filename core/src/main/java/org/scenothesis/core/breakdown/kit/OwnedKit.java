package org.scenothesis.core.breakdown.kit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.scenothesis.core.breakdown.fact.Answers;
import org.scenothesis.core.breakdown.fact.Fact;
import org.scenothesis.core.breakdown.plate.KitItem;
import org.scenothesis.core.shot.Shot;

/// All that a crew owns.
public record OwnedKit(List<Owned> things) {
    private static final int MOST_LAMPS = 40;
    public static final OwnedKit NOTHING = new OwnedKit(List.of());

    public OwnedKit {
        things = List.copyOf(things);
    }

    private List<Owned> of(OwnedKind kind) {
        return things.stream().filter(o -> o.kind() == kind).toList();
    }

    private int count(OwnedKind kind) {
        return of(kind).stream().mapToInt(Owned::count).sum();
    }

    /// Its lenses.
    public List<Owned> lenses() {
        return of(OwnedKind.LENS);
    }

    /// How wide the face of each of its lamps is, in metres; as many as there are, up to forty.
    public List<Double> lampsM() {
        return of(OwnedKind.LAMP).stream().flatMap(l -> Stream.generate(() -> l.size(Fact.LAMP_M)).limit(l.count())).limit(MOST_LAMPS)
                .toList();
    }

    /// What a plan has to know of it, by the keys of the facts: the first camera and lens, the largest cloth, the highest stand. What is
    /// not listed is not told.
    public Map<String, String> facts() {
        Map<String, String> out = new LinkedHashMap<>();
        of(OwnedKind.CAMERA).stream().findFirst().ifPresent(c -> c.sizes().forEach((f, v) -> out.put(f.key(), String.valueOf(v))));
        of(OwnedKind.LENS).stream().min(Comparator.comparingDouble(o -> o.size(Fact.F_NUMBER)))
                .ifPresent(l -> out.put(Fact.F_NUMBER.key(), String.valueOf(l.size(Fact.F_NUMBER))));
        List<Owned> cloths = new ArrayList<>(of(OwnedKind.CLOTH_GREEN));
        cloths.addAll(of(OwnedKind.CLOTH_BLUE));
        Optional<Owned> largest = cloths.stream()
                .max(Comparator.comparingDouble(o -> o.size(Fact.CLOTH_WIDE_M) * o.size(Fact.CLOTH_HIGH_M)));
        largest.ifPresent(c -> {
            boolean green = count(OwnedKind.CLOTH_GREEN) > 0;
            boolean blue = count(OwnedKind.CLOTH_BLUE) > 0;
            out.put(Fact.CLOTHS.key(), green && blue ? "both" : green ? "green" : "blue");
            c.sizes().forEach((f, v) -> out.put(f.key(), String.valueOf(v)));
        });
        of(OwnedKind.STAND).stream().mapToDouble(o -> o.size(Fact.STAND_M)).max()
                .ifPresent(m -> out.put(Fact.STAND_M.key(), String.valueOf(m)));
        return out;
    }

    /// The shot with what its crew owns told, where nothing else was.
    public Shot told(Shot shot) {
        Shot out = shot;
        for (Map.Entry<String, String> e : facts().entrySet()) {
            Optional<Fact> f = Fact.byKey(e.getKey());
            if (f.isPresent() && !Answers.of(out.setting()).given(f.get())) {
                out = out.withSetting(s -> s.withFact(e.getKey(), e.getValue()));
            }
        }
        return out;
    }

    /// How many of a thing of the kit list are owned; empty for things that are not kept count of, or when nothing at all is listed.
    public OptionalInt owned(KitItem item) {
        if (things.isEmpty()) {
            return OptionalInt.empty();
        }
        return switch (item.code()) {
            case "cloth.green" -> OptionalInt.of(count(OwnedKind.CLOTH_GREEN));
            case "cloth.blue" -> OptionalInt.of(count(OwnedKind.CLOTH_BLUE));
            case "cloth.black", "negative.fill" -> OptionalInt.of(count(OwnedKind.CLOTH_BLACK));
            case "lamps" -> OptionalInt.of(count(OwnedKind.LAMP));
            case "stands" -> OptionalInt.of(count(OwnedKind.STAND));
            default -> OptionalInt.empty();
        };
    }
}
