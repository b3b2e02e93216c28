package org.scenothesis.core.shot;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.function.UnaryOperator;
import org.scenothesis.core.finding.HouseRules;
import org.scenothesis.core.stage.SetUp;

/// A production: its shots, the set-ups they are filmed with, the rules of the house, the day of shooting, and the permissions for what is
/// borrowed.
///
/// - `setUps`: all there are, also those that no shot is filmed with any more; of those that one is, as the first such shot has it.
@RecordBuilder
public record Production(String title, List<Shot> shots, List<SetUp> setUps, HouseRules houseRules, ShootDay day,
        List<Permission> permissions) implements ProductionBuilder.With {
    public Production {
        shots = List.copyOf(shots);
        setUps = all(setUps, shots);
        permissions = List.copyOf(permissions);
    }

    /// A production with nothing planned for a day yet.
    public Production(String title, List<Shot> shots, HouseRules houseRules) {
        this(title, shots, List.of(), houseRules, ShootDay.DEFAULT, List.of());
    }

    /// @throws NoSuchElementException if there is no such shot
    public Shot shot(String id) {
        return shots.stream().filter(s -> s.id().equals(id)).findFirst().orElseThrow(() -> new NoSuchElementException(id));
    }

    /// Whether a shot has this id.
    public boolean hasShot(String id) {
        return shots.stream().anyMatch(s -> s.id().equals(id));
    }

    /// Changes a shot; what is changed in its set-up is changed for all that share it.
    public Production withShot(String id, UnaryOperator<Shot> change) {
        List<Shot> changed = shots.stream().map(s -> s.id().equals(id) ? change.apply(s) : s).toList();
        List<SetUp> now = changed.stream().filter(s -> s.id().equals(id)).flatMap(s -> s.setUps().stream()).toList();
        return withShots(changed.stream().map(s -> now.stream().reduce(s, (shot, setUp) -> shares(shot, setUp) ? shot.sharing(setUp)
                : shot, (a, b) -> b)).toList());
    }

    private static boolean shares(Shot s, SetUp setUp) {
        return s.setUps().stream().anyMatch(of -> of.id().equals(setUp.id()) && !of.equals(setUp));
    }

    private static List<SetUp> all(List<SetUp> kept, List<Shot> shots) {
        Map<String, SetUp> used = new LinkedHashMap<>();
        for (Shot s : shots) {
            s.setUps().forEach(of -> used.putIfAbsent(of.id(), of));
        }
        Map<String, SetUp> out = new LinkedHashMap<>();
        kept.forEach(s -> out.put(s.id(), used.getOrDefault(s.id(), s)));
        used.forEach(out::putIfAbsent);
        return List.copyOf(out.values());
    }

    /// The production with its day changed.
    public Production withDay(UnaryOperator<ShootDay> change) {
        return withDay(change.apply(day));
    }
}
